package tachylim.workout;

import java.util.Optional;
import tachylim.ceiling.Estimate;
import tachylim.ceiling.Known;
import tachylim.load.Condition;
import tachylim.method.School;
import tachylim.passage.Passage;
import tachylim.tempo.Tempo;

/**
 * What a workout is planned from. This class is immutable.
 *
 * @param music the piece to be played
 * @param target the tempo it is wanted at
 * @param known how fast it is, as far as that is known
 * @param minutes the time there is for practice, warm-up not counted, {@value #LEAST_MINUTES} to
 *     {@value #MOST_MINUTES}
 * @param choices what the player chose
 * @param allowance what may still be done today
 * @param condition how the player comes to it
 * @param lastTempo where the last climb ended; empty when there was none
 * @param reachedRate the most notes a second that were ever clean in this music; 0 when none
 * @param gripped the slowest tempo at which a hand gripped on this piece today; empty when none did
 * @param spared why today is for easy playing without measuring or bursts, one sentence; empty on other days
 */
public record Brief(
        Passage music,
        Tempo target,
        Known known,
        int minutes,
        Choices choices,
        Allowance allowance,
        Condition condition,
        Optional<Tempo> lastTempo,
        double reachedRate,
        Optional<Tempo> gripped,
        String spared) {

    public static final int LEAST_MINUTES = 3;
    public static final int MOST_MINUTES = 180;

    /** The least that keeps the hands in shape, in minutes: what an easy day is planned for. */
    public static final int MINIMUM_DOSE = 8;

    /** What a ceiling test takes with its rests, in minutes. */
    public static final int TEST_MINUTES = 18;

    /** The minutes a workout is planned for when nobody says otherwise. */
    public static int usualMinutes(int dailyMinutes, School school) {
        if (school == School.CEILING_TEST) {
            return TEST_MINUTES;
        }
        return school.isFast() ? Math.min(MOST_MINUTES, dailyMinutes) : MINIMUM_DOSE;
    }

    /**
     * @throws IllegalArgumentException if the minutes are outside their range
     */
    public Brief {
        if (minutes < LEAST_MINUTES || minutes > MOST_MINUTES) {
            throw new IllegalArgumentException(
                    "Give " + LEAST_MINUTES + " to " + MOST_MINUTES + " minutes, not " + minutes);
        }
    }

    /** A brief for a rested player who has played nothing faster than {@link Planner#FASTEST_UNREACHED}. */
    public Brief(
            Passage music,
            Tempo target,
            Known known,
            int minutes,
            Choices choices,
            Allowance allowance,
            Optional<Tempo> lastTempo) {
        this(music, target, known, minutes, choices, allowance, Condition.FRESH, lastTempo, 0, Optional.empty(), "");
    }

    public Estimate estimate() {
        return known.estimate();
    }

    /** The same with what is known now. */
    Brief knowing(Known now) {
        return new Brief(
                music, target, now, minutes, choices, allowance, condition, lastTempo, reachedRate, gripped, spared);
    }
}
