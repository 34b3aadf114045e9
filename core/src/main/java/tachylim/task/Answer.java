package tachylim.task;

import java.util.Comparator;
import java.util.List;
import java.util.Objects;
import tachylim.words.Refusal;

/**
 * What the player says after a pass. This class is immutable.
 *
 * @param verdict how it went, not null; of a set, how it went on the whole
 * @param felt how tense it was; null where nothing was said of that
 * @param told the figure that was asked for: clean passes of a set, a count, the tempo of the edge, slips, seconds it
 *     held; {@link #NOTHING_TOLD} where none was
 * @param heard what a microphone measured beside it
 */
public record Answer(Verdict verdict, Tension felt, double told, Hearing heard) {

    /** What counts where nothing was said of tension. */
    public static final Tension ASSUMED = Tension.LIGHT;

    /** No figure was asked for. */
    public static final double NOTHING_TOLD = -1;

    /**
     * @throws IllegalArgumentException if the figure is negative, or no number
     */
    public Answer {
        Objects.requireNonNull(verdict, "verdict");
        if (!(told >= 0 || told == NOTHING_TOLD) || told > Double.MAX_VALUE) {
            throw Refusal.of("refusal.answer.whatIsToldIsANumberFrom0", "told", told);
        }
    }

    /** An answer that nobody listened to. */
    public Answer(Verdict verdict, Tension felt, double told) {
        this(verdict, felt, told, Hearing.NONE);
    }

    /** The same beside what a microphone measured. */
    public Answer heard(Hearing measured) {
        return new Answer(verdict, felt, told, measured);
    }

    /** An answer without a figure. */
    public Answer(Verdict verdict, Tension felt) {
        this(verdict, felt, NOTHING_TOLD);
    }

    /** How tense it was as far as it was said, and {@link #ASSUMED} where it was not. */
    public Tension tension() {
        return felt == null ? ASSUMED : felt;
    }

    /** Whether anything was said of tension: only then it is evidence. */
    public boolean saysTension() {
        return felt != null;
    }

    /** The answer a plan counts on: clean, and nothing said of tension. */
    public static Answer expected() {
        return new Answer(Verdict.CLEAN, null);
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
                .map(Answer::felt)
                .filter(Objects::nonNull)
                .max(Comparator.naturalOrder())
                .orElse(null);
        return ofSet((int) clean, each.size(), worst);
    }

    /** Whether a figure was told. */
    public boolean tells() {
        return told != NOTHING_TOLD;
    }
}
