package tachylim.ceiling;

import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.IntStream;
import tachylim.passage.Section;

/**
 * What is known of a stretch of notes that was never played as such, from others over the same notes.
 *
 * <p>Of a stretch that shares at least half of its notes both ways the belief is taken over by that share.
 * Else the slowest of those that touch it counts, since a whole goes no faster than its weakest part, and it counts
 * for less. These shares are rules of thumb.
 */
public final class Heritage {

    private static final double ALIKE = 0.5;
    private static final double OF_PARTS = 0.8;
    private static final int LEAST_SHARED = 2;

    private Heritage() {}

    /**
     * A stretch of the same music, and what is believed of it.
     *
     * @param notes its notes
     * @param belief the belief about it, as of today
     */
    public record Source(Section notes, Posterior belief) {}

    /** What {@code sources} tell of {@code wanted}; empty when none of them touches it. */
    public static Optional<Posterior> of(Section wanted, List<Source> sources) {
        List<Source> touching = sources.stream()
                .filter(source -> shared(source.notes, wanted) >= Math.min(LEAST_SHARED, wanted.size()))
                .toList();
        Optional<Source> alike =
                touching.stream().max(Comparator.comparingDouble(source -> likeness(source.notes, wanted)));
        if (alike.isPresent() && likeness(alike.get().notes, wanted) >= ALIKE) {
            return Optional.of(alike.get().belief.carried(1, likeness(alike.get().notes, wanted)));
        }
        return touching.stream()
                .min(Comparator.comparingDouble(
                        source -> source.belief.logCeiling().mean()))
                .map(slowest -> slowest.belief.carried(1, OF_PARTS * covered(wanted, touching)));
    }

    private static int shared(Section one, Section other) {
        return Math.max(
                0, Math.min(one.lastNote(), other.lastNote()) - Math.max(one.firstNote(), other.firstNote()) + 1);
    }

    /** Notes in both over notes in either (Jaccard 1901). */
    private static double likeness(Section one, Section other) {
        int both = shared(one, other);
        return (double) both / (one.size() + other.size() - both);
    }

    private static double covered(Section wanted, List<Source> sources) {
        Set<Integer> known = new HashSet<>();
        sources.forEach(source -> IntStream.rangeClosed(
                        Math.max(source.notes.firstNote(), wanted.firstNote()),
                        Math.min(source.notes.lastNote(), wanted.lastNote()))
                .forEach(known::add));
        return (double) known.size() / wanted.size();
    }
}
