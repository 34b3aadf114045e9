package tachylim.workout;

import java.util.ArrayList;
import java.util.List;
import tachylim.ceiling.Estimate;
import tachylim.load.Caution;
import tachylim.load.Condition;
import tachylim.passage.Passage;
import tachylim.tempo.Tempo;
import tachylim.words.Reason;

/**
 * A planned workout. This class is immutable.
 *
 * @param brief what it was planned from, and what its later blocks are drawn from again when more is known
 * @param blocks the blocks in the order they are played; none when nothing may be played
 * @param remarks what the player should know about this plan, a sentence each
 */
public record Workout(Brief brief, List<Block> blocks, List<Reason> remarks) {

    public Workout {
        blocks = List.copyOf(blocks);
        remarks = List.copyOf(remarks);
    }

    /** The music of the section that it is mostly about. */
    public Passage music() {
        return brief.theme().music();
    }

    /** The tempo that section is wanted at. */
    public Tempo target() {
        return brief.theme().target();
    }

    /** How fast that section was when it was planned. */
    public Estimate estimate() {
        return brief.theme().estimate();
    }

    /** What might still be done that day. */
    public Allowance allowance() {
        return brief.allowance();
    }

    /** How the player comes to it. */
    public Condition condition() {
        return brief.condition();
    }

    /** The recovery wanted before a burst. */
    public Caution caution() {
        return brief.choices().caution();
    }

    /** This workout with one thing to say about it, which makes everything else superfluous. */
    public Workout withOnlyRemark(Reason remark) {
        return new Workout(brief, blocks, List.of(remark));
    }

    /** This workout with one more thing to say about it. */
    public Workout withRemark(Reason remark) {
        List<Reason> all = new ArrayList<>(remarks);
        all.add(remark);
        return new Workout(brief, blocks, all);
    }
}
