package tachylim.workout;

import tachylim.method.Method;
import tachylim.method.Setting;
import tachylim.method.Strictness;
import tachylim.tempo.Tempo;
import tachylim.words.Reason;

/**
 * A stretch of a workout with its own music, one method and one reason. This class is immutable.
 *
 * @param sketch what it was to be
 * @param music what it plays
 * @param method how its tempo moves
 * @param why the reason, with its numbers
 */
public record Block(Sketch sketch, Music music, Method method, Reason why) {

    public Part part() {
        return sketch.part();
    }

    /** Which of the workout's sections it is about. */
    public int theme() {
        return sketch.theme();
    }

    /** The time it may take, rests included. */
    public double seconds() {
        return sketch.seconds();
    }

    /** The beats of a burst, 1 or 2, where its method has bursts. */
    public int burstBeats() {
        return sketch.choices().burstBeats();
    }

    /** How its method hears what is said. */
    Strictness strictness() {
        return sketch.choices().strictness();
    }

    /** How its slow passes are done, where the player wants them otherwise than usual. */
    Reason manner() {
        return sketch.setting().manner().map(Setting.Manner::told).orElse(Reason.NONE);
    }

    /** The tempo its music is wanted at, where that of the section as written is wanted at its target. */
    public Tempo target(Theme theme) {
        return music.tempo(theme.target());
    }

    /** The same for another reason. */
    Block saying(Reason reason) {
        return new Block(sketch, music, method, reason);
    }
}
