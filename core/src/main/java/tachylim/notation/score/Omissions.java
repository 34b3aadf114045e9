package tachylim.notation.score;

import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import tachylim.words.Reason;

/** What a reader met and a passage has no place for, counted, so that nothing is dropped in silence. Not safe for several threads. */
public final class Omissions {

    private static final int MOST_KINDS = 40;

    private final Map<Reason, Integer> counts = new TreeMap<>(Comparator.comparing(Reason::toString));

    /** Counts one of a kind. */
    public void add(Reason kind) {
        if (counts.size() < MOST_KINDS || counts.containsKey(kind)) {
            counts.merge(kind, 1, (some, more) -> some + more);
        }
    }

    /** One entry a kind, with how many there were. */
    public List<Reason> list() {
        return counts.entrySet().stream()
                .map(entry -> Reason.of("omitted", "kind", entry.getKey(), "count", entry.getValue()))
                .toList();
    }
}
