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
 * @param owed the minutes that its passage should have today by the season, with those of the days on which it lay
 * @param daysLeft days until it is needed; empty without a date or when it is past
 * @param daysSince days since it was last played; empty when it never was
 * @param daysSinceMain days since it had the main work of a workout; empty when it never had
 * @param decided whether fingering, articulation and the rest were decided, so that it may be made fast
 * @param instrument what it is played on: a day's workout is on one
 */
public record Candidate(
        long id,
        long passage,
        Tempo target,
        Tempo ceiling,
        boolean measured,
        double owed,
        OptionalLong daysLeft,
        OptionalLong daysSince,
        OptionalLong daysSinceMain,
        boolean decided,
        InstrumentFamily instrument) {

    /** A section whose fingering is still open counts for so much of what it is owed: what is made fast first is learned twice. */
    private static final double UNDECIDED = 0.7;

    /** Days between two workouts on a section at the most: while it is on its way, and when it is at its target. Rules of thumb. */
    private static final long SPACING = 4;

    private static final long SPACING_OF_UPKEEP = 7;

    private static final long SOON = 14;

    /** How much it asks for today: what its passage is owed, less while it is undecided. */
    double pressing() {
        return owed * (decided ? 1 : UNDECIDED);
    }

    /** How many days may lie between two workouts on what is on its way, or at its target. */
    static long spacing(boolean upToTempo) {
        return upToTempo ? SPACING_OF_UPKEEP : SPACING;
    }

    /**
     * Whether it has lain for longer than it should: what is on its way, or only guessed to be there, for less long than what
     * has to stay, and what was never played in any case.
     */
    boolean isOverdue() {
        return daysSince.isEmpty() || daysSince.getAsLong() > spacing(measured && isUpToTempo());
    }

    /** Whether it is on its way, and was played at its edge longer ago than it should be, however often slowly. */
    boolean isMainWorkDue() {
        return !isUpToTempo() && (daysSinceMain.isEmpty() || daysSinceMain.getAsLong() > SPACING);
    }

    /** Whether it is needed so soon that nothing goes before it. */
    boolean isSoon() {
        return daysLeft.isPresent() && daysLeft.getAsLong() <= SOON;
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
