package tachylim.take;

import java.util.Arrays;
import java.util.List;
import tachylim.take.Measured.Suggested;
import tachylim.task.Hearing;
import tachylim.task.Hearing.Chances;
import tachylim.task.Verdict;

/**
 * How often a verdict is measured where the player says another: what was confirmed by hand, with what is usual as so many
 * passes more (a Dirichlet prior on each row). This class is immutable.
 */
public final class Confusion {

    /** Takes that must have been confirmed before a tempo is raised on a measured word alone. */
    public static final int ENOUGH = 20;

    /** Of passes that went wrong no more than this may be measured as clean. */
    public static final double MOST_FLATTERING = 0.05;

    /** The weight of what is usual, in passes of each verdict. */
    private static final double PRIOR_WEIGHT = 20;

    /** By what the player says, and by what is measured: clean, rough, broke. */
    private static final double[][] USUAL = {{0.65, 0.33, 0.02}, {0.05, 0.83, 0.12}, {0.01, 0.14, 0.85}};

    private final long[][] confirmed;

    private Confusion(long[][] confirmed) {
        this.confirmed = confirmed;
    }

    /** Before anything was confirmed. */
    public static Confusion usual() {
        return new Confusion(new long[USUAL.length][USUAL.length]);
    }

    /** The same after so many more takes of which the player said one thing, by hand, and another was measured. */
    public Confusion after(Verdict said, Suggested measured, long times) {
        if (measured == Suggested.CANNOT_TELL) {
            return this;
        }
        long[][] more = new long[confirmed.length][];
        for (int row = 0; row < more.length; row++) {
            more[row] = confirmed[row].clone();
        }
        more[said.ordinal()][measured.ordinal()] += times;
        return new Confusion(more);
    }

    /** How many takes were confirmed. */
    public long takes() {
        long sum = 0;
        for (long[] row : confirmed) {
            for (long one : row) {
                sum += one;
            }
        }
        return sum;
    }

    /** How likely something is to be measured where the player would say {@code said}; what cannot be told says nothing. */
    public double chance(Verdict said, Suggested measured) {
        if (measured == Suggested.CANNOT_TELL) {
            return 1;
        }
        return weight(said, measured) / row(said);
    }

    private double weight(Verdict said, Suggested measured) {
        return PRIOR_WEIGHT * USUAL[said.ordinal()][measured.ordinal()] + confirmed[said.ordinal()][measured.ordinal()];
    }

    private double row(Verdict said) {
        double sum = PRIOR_WEIGHT;
        for (long one : confirmed[said.ordinal()]) {
            sum += one;
        }
        return sum;
    }

    /**
     * What was measured of some passes, as evidence. Taken without a hand it says nothing of a ceiling as long as it may not raise a
     * tempo: what is clean counts as played then, and were what went wrong to count alone, the ceiling would sink with every
     * workout.
     *
     * @param taken whether the answer is the one that was suggested, taken without a hand
     */
    public Hearing hearing(List<Suggested> passes, boolean taken) {
        return new Hearing(
                taken,
                mayRaise() ? 1 : 0,
                passes.stream()
                        .map(measured -> new Chances(
                                chance(Verdict.CLEAN, measured),
                                chance(Verdict.ROUGH, measured),
                                chance(Verdict.BROKE, measured)))
                        .toList());
    }

    /** What was confirmed, nine counts by what the player said and what was measured: clean, rough, broke. */
    public List<Long> counts() {
        return Arrays.stream(confirmed).flatMapToLong(Arrays::stream).boxed().toList();
    }

    /**
     * The same from its counts.
     *
     * @throws IllegalArgumentException if they are not nine
     */
    public static Confusion of(List<Long> counts) {
        if (counts.size() != USUAL.length * USUAL.length) {
            throw new IllegalArgumentException("Nine counts, not " + counts.size());
        }
        long[][] rows = new long[USUAL.length][USUAL.length];
        for (int i = 0; i < counts.size(); i++) {
            rows[i / USUAL.length][i % USUAL.length] = counts.get(i);
        }
        return new Confusion(rows);
    }

    /** Whether a measured word may raise a tempo without a hand: enough was confirmed, and little of what went wrong was missed. */
    public boolean mayRaise() {
        double flattered = weight(Verdict.ROUGH, Suggested.CLEAN) + weight(Verdict.BROKE, Suggested.CLEAN);
        return takes() >= ENOUGH && flattered / (row(Verdict.ROUGH) + row(Verdict.BROKE)) < MOST_FLATTERING;
    }
}
