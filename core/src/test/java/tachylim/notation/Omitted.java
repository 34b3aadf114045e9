package tachylim.notation;

import java.util.Collection;
import java.util.List;
import tachylim.words.Reason;

/** What was left out of files, in short: {@code chordNames: 2}, with what a kind is told by in braces. */
public final class Omitted {

    private Omitted() {}

    public static List<String> in(Collection<Reason> leftOut) {
        return leftOut.stream().map(Omitted::inShort).toList();
    }

    private static String inShort(Reason one) {
        return (one.values().get("kind") + ": " + one.values().get("count")).replace("omitted.", "");
    }
}
