package tachylim.task;

import java.util.Comparator;
import java.util.List;
import java.util.Objects;
import tachylim.words.Refusal;

/**
 * What the player says after a pass. This class is immutable.
 *
 * @param verdict how it went, not null; of a set, how it went on the whole
 * @param tension how tense it was, not null
 * @param told the figure that was asked for: clean passes of a set, a count, the tempo of the edge, slips, seconds it
 *     held; {@link #NOTHING_TOLD} where none was
 */
public record Answer(Verdict verdict, Tension tension, double told) {

    /** No figure was asked for. */
    public static final double NOTHING_TOLD = -1;

    /**
     * @throws IllegalArgumentException if the figure is negative, or no number
     */
    public Answer {
        Objects.requireNonNull(verdict, "verdict");
        Objects.requireNonNull(tension, "tension");
        if (!(told >= 0 || told == NOTHING_TOLD) || told > Double.MAX_VALUE) {
            throw Refusal.of("refusal.answer.whatIsToldIsANumberFrom0", "told", told);
        }
    }

    /** An answer without a figure. */
    public Answer(Verdict verdict, Tension tension) {
        this(verdict, tension, NOTHING_TOLD);
    }

    /** The answer a plan counts on: clean, and lightly held. */
    public static Answer expected() {
        return new Answer(Verdict.CLEAN, Tension.LIGHT);
    }

    /**
     * Of a set of {@code passes}, {@code clean} were clean: all of them is clean, at least half rough, fewer broke.
     *
     * @throws IllegalArgumentException if more were clean than were played
     */
    public static Answer ofSet(int clean, int passes, Tension tension) {
        if (clean < 0 || clean > passes) {
            throw Refusal.of("refusal.answer.ofPassesNotCanBeClean", "passes", passes, "clean", clean);
        }
        Verdict whole = clean == passes ? Verdict.CLEAN : 2 * clean >= passes ? Verdict.ROUGH : Verdict.BROKE;
        return new Answer(whole, tension, clean);
    }

    /**
     * What is said of passes alike that are answered together: how many were clean, and how tense the tensest was.
     *
     * @throws IllegalArgumentException if there are none
     */
    public static Answer together(List<Answer> each) {
        if (each.isEmpty()) {
            throw Refusal.of("refusal.answer.thereIsNothingToBeAnswered");
        }
        long clean = each.stream().filter(one -> one.verdict == Verdict.CLEAN).count();
        Tension worst = each.stream()
                .map(Answer::tension)
                .max(Comparator.naturalOrder())
                .orElseThrow();
        return ofSet((int) clean, each.size(), worst);
    }

    /** Whether a figure was told. */
    public boolean tells() {
        return told != NOTHING_TOLD;
    }
}
