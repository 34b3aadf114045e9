package tachylim.notation.abc;

import java.util.ArrayList;
import java.util.List;
import java.util.function.BiConsumer;

/** Lays a line of words under the notes written since the line before. */
final class AbcSyllables {

    private static final int BAR = -1;

    /** The note of each head written since the last words, and {@value #BAR} for each bar line. */
    private final List<Integer> heads = new ArrayList<>();

    private boolean taken;

    void head(int note) {
        if (taken) {
            heads.clear();
            taken = false;
        }
        heads.add(note);
    }

    void bar() {
        if (!taken) {
            heads.add(BAR);
        }
    }

    /** Whether the notes before have their words already, so that a further line is another verse. */
    boolean isAnotherVerse() {
        return taken;
    }

    /** Hands each syllable of {@code words} to {@code under}, with its note. */
    void lay(String words, BiConsumer<Integer, String> under) {
        taken = true;
        int head = 0;
        int at = 0;
        while (at < words.length()) {
            char c = words.charAt(at);
            if (c == '|') {
                while (head < heads.size() && heads.get(head) != BAR) {
                    head++;
                }
                head++;
                at++;
            } else if (c == '*' || c == '_' || c == '-') {
                head = afterBars(head) + 1;
                at++;
            } else if (Character.isWhitespace(c)) {
                at++;
            } else {
                int end = endOfSyllable(words, at);
                head = afterBars(head);
                if (head < heads.size()) {
                    under.accept(heads.get(head), spoken(words.substring(at, end)));
                }
                head++;
                at = end;
            }
        }
    }

    private int afterBars(int from) {
        int head = from;
        while (head < heads.size() && heads.get(head) == BAR) {
            head++;
        }
        return head;
    }

    private static int endOfSyllable(String words, int from) {
        int at = from;
        while (at < words.length()) {
            char c = words.charAt(at);
            if (c == '\\' && at + 1 < words.length()) {
                at += 2;
            } else if (c == '-') {
                return at + 1;
            } else if (Character.isWhitespace(c) || c == '*' || c == '_' || c == '|') {
                return at;
            } else {
                at++;
            }
        }
        return at;
    }

    private static String spoken(String syllable) {
        return syllable.replace("\\-", "-").replace("\\", "").replace('~', ' ');
    }
}
