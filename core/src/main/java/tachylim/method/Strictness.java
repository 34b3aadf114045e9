package tachylim.method;

import tachylim.task.Answer;
import tachylim.task.PassKind;
import tachylim.task.Tension;
import tachylim.task.Verdict;

/**
 * How strict a player is with themselves: schools differ on whether a small slip holds a tempo back, and on how much tension
 * is worked with. It holds in every block, whatever is played there.
 *
 * <p>Only what a method hears changes. What was said is stored as it was said: the ceiling and the effort go by that. This
 * class is immutable.
 *
 * @param roughCounts whether a small slip that was played on from counts as clean; never in a burst, which ends the moment
 *     it gets messy, nor where tension holds the tempo
 * @param looseOnly whether only loose playing goes up: what is alert holds, and the edge goes down as gripping does
 */
public record Strictness(boolean roughCounts, boolean looseOnly) {

    /** A slip holds the tempo, and work goes on up to the edge. */
    public static final Strictness USUAL = new Strictness(false, false);

    /** How a method hears an answer to a pass of this kind. */
    public Heard heard(PassKind kind, Answer said) {
        Tension tension = said.tension();
        boolean forgiven = roughCounts && said.verdict() == Verdict.ROUGH && kind != PassKind.BURST && !holds(tension);
        return new Heard(
                forgiven ? Verdict.CLEAN : said.verdict(), tension, said.told(), holds(tension), lowers(tension));
    }

    /** The same where nothing was said of how it went. */
    public Heard heard(Tension felt) {
        return new Heard(null, felt, Answer.NOTHING_TOLD, holds(felt), lowers(felt));
    }

    /** Whether nothing is faster after a pass so tense. */
    public boolean holds(Tension tension) {
        return tension.atLeast(looseOnly ? Tension.ALERT : Tension.EDGE);
    }

    /** Whether what follows a pass so tense is slower, and nothing of that music is as fast again that day. */
    public boolean lowers(Tension tension) {
        return tension.atLeast(lowersFrom());
    }

    /** The least tension that lowers what follows. */
    public Tension lowersFrom() {
        return looseOnly ? Tension.EDGE : Tension.GRIPPING;
    }
}
