package tachylim.method;

import tachylim.task.Answer;
import tachylim.task.PassKind;
import tachylim.task.Tension;
import tachylim.task.Verdict;

/**
 * How strict a player is with themselves when a method decides where to go: schools differ on whether a small slip holds a
 * tempo back, and on how much tension is worked with.
 *
 * <p>Only what a method hears changes. What was said is kept as it was said: the ceiling, the effort and the rules of a day
 * go by that. This class is immutable.
 *
 * @param roughCounts whether a small slip that was played on from counts as clean; never in a burst, which ends the moment
 *     it gets messy, nor at the edge of tension
 * @param looseOnly whether only loose playing goes up: what is alert holds as the edge does, and the edge goes down as
 *     gripping does
 */
public record Strictness(boolean roughCounts, boolean looseOnly) {

    /** A slip holds the tempo, and work goes on up to the edge. */
    public static final Strictness USUAL = new Strictness(false, false);

    /** How a method hears an answer to a pass of this kind. What measures hears what was said. */
    public Answer heard(PassKind kind, Answer said) {
        if (kind == PassKind.PROBE) {
            return said;
        }
        boolean forgiven = roughCounts
                && said.verdict() == Verdict.ROUGH
                && kind != PassKind.BURST
                && !said.tension().atLeast(Tension.EDGE);
        return new Answer(forgiven ? Verdict.CLEAN : said.verdict(), heard(said.tension()), said.told());
    }

    private Tension heard(Tension said) {
        boolean between = said == Tension.ALERT || said == Tension.EDGE;
        return looseOnly && between ? Tension.values()[said.ordinal() + 1] : said;
    }
}
