package tachylim.method;

import tachylim.task.Answer;
import tachylim.task.PassKind;
import tachylim.tempo.Tempo;
import tachylim.words.Reason;

/**
 * Where a method stands: its state, and so its next move. Positions are immutable; each answer leads to
 * a new one.
 */
public interface Position {

    /** The position of a method that is over for a reason. */
    static Position ended(Reason why) {
        return new Finished(why);
    }

    /** What to do now. */
    Move move();

    /**
     * The position after the pass of {@link #move()} was answered.
     *
     * @throws IllegalStateException if the method is finished
     */
    Position after(Heard answer);

    /** The same, as strict as usual. */
    default Position after(Answer answer) {
        return after(Strictness.USUAL.heard(PassKind.CONTROLLED, answer));
    }

    /**
     * The position after the player asked to back off, before playing: the next pass is slower.
     *
     * @throws IllegalStateException if the method is finished
     */
    Position backedOff();

    /**
     * The same position with nothing above {@code most} any more, since something was learned elsewhere.
     *
     * @param because why not, the beginning of a sentence, said where it makes a difference
     */
    Position under(Tempo most, Reason because);

    /**
     * The position after the pass of {@link #move()} was played and nothing was said of it: nothing is earned by it, and
     * nothing lost, but it counts among what is played.
     *
     * @throws IllegalStateException if the method is finished
     */
    Position unjudged();
}
