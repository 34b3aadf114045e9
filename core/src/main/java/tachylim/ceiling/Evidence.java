package tachylim.ceiling;

import tachylim.task.Hearing.Chances;
import tachylim.task.Verdict;
import tachylim.tempo.Tempo;

/**
 * What one judged pass says about the ceiling.
 *
 * <ul>
 *   <li>A pass of the whole section, slow or fast, speaks of it as it is. A slow one says little of where the ceiling is, but
 *       much of how often this player slips whatever the tempo.
 *   <li>A part of it, a burst of two beats for example, is easier by as much as the belief has learned from others like
 *       it, so that a clean one says little and a broken one a lot.
 *   <li>A join or a transition that is played on its own is a section with a belief of its own: what is hard in it is where two
 *       sections meet, and either of them may be far faster. A section that is cut anew takes over what was known of its notes
 *       ({@link Heritage}), and the whole passage is as fast as all its sections together allow ({@link Weakest}).
 *   <li>A variation that is ticked off on the practice sheet was not judged: it counts for the load and says nothing of a ceiling.
 *   <li>A warm-up is there to prove nothing, and a pass in an awkward band ({@link AwkwardBand}) says that it is awkward and
 *       no more.
 *   <li>A pass played tired is as hard as a faster one would be when fresh, by as much as the belief has learned of this player.
 *       To count it less would not do: what shifts a curve is not mended by a weight.
 * </ul>
 *
 * <p>This class is immutable.
 *
 * @param tempo the tempo played
 * @param verdict how it went
 * @param share the share of the section's transitions that was played, above 0 to 1
 * @param tired how tired the player was at its start: 0 fresh, 1 spent, more after long playing, up to {@value #MOST_TIRED}
 * @param power how much it counts, as a power of its likelihood, above 0 to 1: less than 1 only when it is one of many alike, or
 *     a microphone's word alone
 * @param word who says so, and how surely
 */
public record Evidence(Tempo tempo, Verdict verdict, double share, double tired, double power, Word word) {

    /** A pass is tired when the recovery at its start is below this. */
    public static final double TIRED_BELOW = 0.6;

    /** Half an hour of playing tires by so much of what being spent does, and three quarters of one by all it ever does. */
    private static final double TIRED_BY_HALF_AN_HOUR = 0.25;

    private static final double HALF_AN_HOUR = 30;
    private static final double MOST_HALVES = 1.5;

    /** Spent, after long playing. */
    public static final double MOST_TIRED = 1.375;

    /** As evidence of whether the ceiling is known at all, even one beat of a long section counts this much. */
    private static final double LEAST_WEIGHT = 0.2;

    /**
     * @throws IllegalArgumentException if share, tiredness or power is outside its range
     */
    public Evidence {
        if (!(power > 0 && power <= 1)) {
            throw new IllegalArgumentException("Evidence counts up to once, not " + power + " times");
        }
        if (!(tired >= 0 && tired <= MOST_TIRED)) {
            throw new IllegalArgumentException("A player is tired by 0 to " + MOST_TIRED + ", not by " + tired);
        }
        if (!(share > 0 && share <= 1)) {
            throw new IllegalArgumentException("A pass plays all of a section or a part of it, not " + share);
        }
    }

    /** What the player says. */
    public Evidence(Tempo tempo, Verdict verdict, double share, double tired, double power) {
        this(tempo, verdict, share, tired, power, Word.of(verdict));
    }

    /** A pass of the whole section, rested. */
    public static Evidence of(Tempo tempo, Verdict verdict) {
        return new Evidence(tempo, verdict, 1, 0, 1);
    }

    /**
     * A pass of part of a section.
     *
     * @param recovery the recovery at its start, 0 to 1
     * @param minutes of playing on the same day before it, 0 or more
     * @param share the share of the section's transitions it played, above 0; more than 1 counts as the whole
     */
    public static Evidence of(Tempo tempo, Verdict verdict, double recovery, double minutes, double share) {
        return new Evidence(tempo, verdict, Math.min(1, share), tired(recovery, minutes), 1);
    }

    private static double tired(double recovery, double minutes) {
        return 1 - recovery + TIRED_BY_HALF_AN_HOUR * Math.min(MOST_HALVES, minutes / HALF_AN_HOUR);
    }

    /**
     * The same after passes just like it.
     *
     * @param times how many there were before, 0 or more: the n-th counts one n-th
     */
    public Evidence again(int times) {
        return new Evidence(tempo, verdict, share, tired, power / (1 + times), word);
    }

    /** The same with another verdict. */
    public Evidence saying(Verdict other) {
        return new Evidence(tempo, other, share, tired, power);
    }

    /** The same as a player said it of a pass that was measured. */
    public Evidence besides(Chances chances) {
        return chances.tells() ? new Evidence(tempo, verdict, share, tired, power, Word.both(verdict, chances)) : this;
    }

    /**
     * The same as it was measured, and nobody said otherwise.
     *
     * @param much how much such a word counts, above 0 to 1
     */
    public Evidence measured(Chances chances, double much) {
        return new Evidence(tempo, verdict, share, tired, power * much, Word.measured(chances));
    }

    /** Whether the player said so. */
    boolean isSaid() {
        return word.isPlain();
    }

    /**
     * The same as one of a set of passes that are answered together, after others just like them: the set counts as much as
     * its passes would one by one, and each of them alike, since nobody says which of them were clean.
     *
     * @param passes how many there are in the set, 1 or more
     * @param times how many there were before, 0 or more
     */
    public Evidence oneOf(int passes, int times) {
        double all = 0;
        for (int i = 0; i < passes; i++) {
            all += 1.0 / (1 + times + i);
        }
        return new Evidence(tempo, verdict, share, tired, power * all / passes, word);
    }

    /** How many whole rested passes it is worth when it is asked whether there are enough. */
    double weight() {
        return power * Math.max(LEAST_WEIGHT, share);
    }
}
