package tachylim.season;

import java.util.OptionalLong;
import tachylim.passage.InstrumentFamily;
import tachylim.tempo.Tempo;
import tachylim.words.Reason;

/**
 * A section that might be worked on today. This class is immutable.
 *
 * @param id which section, by the caller's count
 * @param passage which passage it belongs to
 * @param target the tempo it is wanted at
 * @param ceiling its ceiling today
 * @param measured whether enough was played for its ceiling to be more than a guess
 * @param daysLeft days until it is needed; empty without a date or when it is past
 * @param daysSince days since it was last played; empty when it never was
 * @param decided whether fingering, articulation and the rest were decided, so that it may be made fast
 * @param instrument what it is played on: a day's workout is on one
 */
public record Candidate(
        long id,
        long passage,
        Tempo target,
        Tempo ceiling,
        boolean measured,
        OptionalLong daysLeft,
        OptionalLong daysSince,
        boolean decided,
        InstrumentFamily instrument) {

    /** A section whose fingering is still open counts for so much of its need: what is made fast first is learned twice. */
    private static final double UNDECIDED = 0.7;

    /** A week without it makes a section half as pressing again. */
    private static final double REST_FACTOR = 0.5;

    private static final double WEEK = 7;

    /** Days between two workouts on a section at the most: while it is on its way, and when it is at its target. Rules of thumb. */
    private static final long SPACING = 4;

    private static final long SPACING_OF_UPKEEP = 7;

    double need() {
        return Need.of(target, ceiling, daysLeft.isPresent() ? daysLeft.getAsLong() : null);
    }

    /** How much it asks for today: its need, more when it has lain, less while it is undecided. */
    double pressing() {
        return need() * (1 + REST_FACTOR * Math.min(WEEK, lain()) / WEEK) * (decided ? 1 : UNDECIDED);
    }

    /** Days since it was played, as far as that makes a difference. */
    private double lain() {
        return daysSince.orElse((long) WEEK / 2);
    }

    /**
     * Whether it has lain for longer than it should: what is on its way for less long than what only has to stay,
     * and what was never played in any case.
     */
    boolean isOverdue() {
        return daysSince.isEmpty() || daysSince.getAsLong() > (isUpToTempo() ? SPACING_OF_UPKEEP : SPACING);
    }

    boolean isUpToTempo() {
        return ceiling.compareTo(target) >= 0;
    }

    /** How far it is from its target, as a factor; 1 and less when it is there. */
    double gap() {
        return target.ratioTo(ceiling);
    }

    /** What is known and wanted of it, as a sentence begins. */
    Reason standing() {
        return Reason.of(
                "standing.gap",
                "measured",
                measured,
                "ceiling",
                ceiling,
                "target",
                target,
                "days",
                daysLeft.orElse(-1));
    }
}
