package tachylim.notation.score;

import java.util.List;
import java.util.Map;
import java.util.TreeMap;

/** What a reader met and a passage has no place for, counted, so that nothing is dropped in silence. Not safe for several threads. */
public final class Omissions {

    private static final int MOST_KINDS = 40;

    private final Map<String, Integer> counts = new TreeMap<>();

    /** Counts one {@code kind}, named in the plural, such as {@code dynamics}. */
    public void add(String kind) {
        if (counts.size() < MOST_KINDS || counts.containsKey(kind)) {
            counts.merge(kind, 1, (some, more) -> some + more);
        }
    }

    /** One entry a kind, such as {@code dynamics: 12}. */
    public List<String> list() {
        return counts.entrySet().stream()
                .map(entry -> entry.getKey() + ": " + entry.getValue())
                .toList();
    }
}
