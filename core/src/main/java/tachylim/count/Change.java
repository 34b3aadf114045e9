package tachylim.count;

import tachylim.load.Effort;
import tachylim.passage.Note;
import tachylim.task.Ask;
import tachylim.task.Tension;
import tachylim.tempo.Tempo;
import tachylim.words.Refusal;

/**
 * A change between two places, to be clean at a tempo. Counted in a minute, a target of T beats a minute with a change every
 * b beats needs T/b clean ones: 112 with one every two beats needs 56. This class is immutable.
 *
 * @param target the tempo of the music it belongs to, not null
 * @param beats the beats from one change to the next, {@value #SHORTEST} to {@value #LONGEST}
 */
public record Change(Tempo target, double beats) {

    public static final double SHORTEST = 0.25;
    public static final double LONGEST = 16;

    /** The usual length of a count, and the short one, in seconds. */
    public static final int MINUTE = 60;

    public static final int HALF_A_MINUTE = 30;

    /**
     * @throws IllegalArgumentException if the beats are out of range
     */
    public Change {
        if (!(beats >= SHORTEST && beats <= LONGEST)) {
            throw Refusal.of(
                    "refusal.change.aChangeComesEveryToBeats",
                    "shortest",
                    SHORTEST,
                    "longest",
                    LONGEST,
                    "beats",
                    beats);
        }
    }

    /** The change from a note to the next, as often as the music has it. */
    public static Change between(Note from, Note to, Tempo target) {
        double beats = to.onset().subtract(from.onset()).doubleValue();
        return new Change(target, Math.max(SHORTEST, Math.min(LONGEST, beats)));
    }

    /** The clean changes a minute that the target needs, 1 or more. */
    public int needed() {
        return (int) Math.max(1, Math.min(Ask.MOST, Math.round(target.bpm() / beats)));
    }

    /** The beats a minute with which so many changes a minute keep up: at first fewer than any metronome gives. */
    public double keepsUpWith(double perMinute) {
        return perMinute * beats;
    }

    /** The same as a tempo, the nearest there is. */
    public Tempo tempo(double perMinute) {
        return Tempo.clamped(keepsUpWith(perMinute));
    }

    /**
     * What a count costs. A count is as fast as is clean, so the best one yet stands for the ceiling; the first of all is at
     * it.
     *
     * @param count what was counted
     * @param best the most a minute that was ever counted before; 0 when nothing was
     */
    public Effort effort(Count count, double best) {
        double ceiling = Math.max(best, count.perMinute());
        double ratio = ceiling > 0 ? count.perMinute() / ceiling : 1;
        return Effort.of(count.seconds(), ratio, Tension.LIGHT);
    }
}
