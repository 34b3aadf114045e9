package tachylim.workout;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import tachylim.load.Effort;
import tachylim.method.Move;
import tachylim.method.Position;
import tachylim.method.School;
import tachylim.method.Strictness;
import tachylim.task.PassKind;
import tachylim.task.Tension;

/** What a day still allows of a workout: today's allowance is never planned over, whatever is answered. */
final class Caps {

    private final Situation now;

    Caps(Situation now) {
        this.now = now;
    }

    /** Whether a burst or a probe is more fast playing than is left of today. */
    boolean hasNoBurstTimeFor(Pass pass) {
        return pass.burstSeconds() > now.progress().left().burstSeconds();
    }

    /**
     * Whether a block measures where nothing is to be measured: after a hand that was too tense today, after what does not
     * fit what is believed, and what was measured today as often as a test does.
     */
    boolean mayNotMeasure() {
        if (now.current().method().school() != School.CEILING_TEST) {
            return false;
        }
        Strictness strictness = now.current().strictness();
        return strictness.lowers(now.tally().worstTension())
                || strictness.lowers(now.tally().condition().worst())
                || now.progress().isInDoubt(now.current().theme())
                || probesLeft() <= 0;
    }

    private int probesLeft() {
        int theme = now.current().theme();
        return now.workout().brief().themes().get(theme).left().probes()
                - (int) now.progress().past().stream()
                        .filter(one -> one.step() instanceof Pass pass
                                && pass.kind() == PassKind.PROBE
                                && now.workout().blocks().get(one.block()).theme() == theme)
                        .count();
    }

    /** Whether the section of the block at hand has had its passes of the day. */
    boolean hasHadEnough() {
        return now.current().part() != Part.WARM_UP && passesLeft() <= 0;
    }

    /** Whether a pass is of more passes than its section has left of today. */
    boolean isBeyondItsPasses(Pass pass) {
        return now.current().part() != Part.WARM_UP && pass.ask().passes() > passesLeft();
    }

    private int passesLeft() {
        int theme = now.current().theme();
        int played = now.progress().past().stream()
                .filter(one -> one.step() instanceof Pass pass
                        && pass.kind() != PassKind.WARM_UP
                        && now.workout().blocks().get(one.block()).theme() == theme)
                .mapToInt(Segment::passes)
                .sum();
        return now.workout().brief().themes().get(theme).left().passes() - played;
    }

    /** The pass, with fewer rounds where the whole is more than is left of today; null if even once is. */
    Pass withinAllowance(Pass pass) {
        List<Pass> closing = now.isLast() ? List.of() : closing();
        Effort effort = now.progress().left().effort().less(closingEffort(closing));
        double seconds = now.progress().left().playingSeconds()
                - closing.stream().mapToDouble(Pass::playSeconds).sum();
        for (Pass shorter = pass; shorter != null; shorter = now.phrasing().shorter(shorter)) {
            if (shorter.playSeconds() <= seconds
                    && !worstEffort(now.current(), shorter).isMoreThan(effort)) {
                return shorter;
            }
        }
        return null;
    }

    /** What a pass may cost at the most: any tension may be answered, and no answer may pass the cap. */
    private Effort worstEffort(Block block, Pass pass) {
        return Tally.effort(pass, now.estimate(block), Tension.LOCKED);
    }

    /**
     * What the closing block costs, kept back so that every workout can end on something that works: loose
     * passes, and room for the worst answer to the last.
     */
    private Effort closingEffort(List<Pass> closing) {
        Block last = now.last();
        Effort worst = closing.stream()
                .map(pass -> worstEffort(last, pass))
                .max(Comparator.naturalOrder())
                .orElse(Effort.NONE);
        return worst.plus(Effort.sum(
                closing.stream().skip(1).map(pass -> Tally.effort(pass, now.estimate(last), Tension.LIGHT))));
    }

    /** The passes of the close, as it is drawn with what is known now; none when a workout ends otherwise. */
    private List<Pass> closing() {
        if (now.last().part() != Part.CLOSER) {
            return List.of();
        }
        int theme = now.last().theme();
        Block last = Planner.again(now.workout().brief().knowing(theme, now.known(theme)), now.last());
        List<Pass> passes = new ArrayList<>();
        for (Position at = Run.within(last, last.method().opening(), now.progress());
                at.move() instanceof Move.Play play;
                at = at.after(play.task().ask().expected())) {
            passes.add(now.phrasing(last).pass(play, last.burstBeats(), 0));
        }
        return passes;
    }
}
