package tachylim.workout;

import java.util.ArrayList;
import java.util.List;
import tachylim.ceiling.Estimate;
import tachylim.load.Caution;
import tachylim.load.Condition;
import tachylim.passage.Passage;
import tachylim.tempo.Tempo;

/**
 * A planned workout on one piece. This class is immutable.
 *
 * @param music the piece
 * @param target the tempo it is wanted at
 * @param estimate the ceiling it was planned with
 * @param blocks its blocks in order; none when nothing may be played today
 * @param allowance what may be done today at its start
 * @param condition how the player comes to it, from what was played before
 * @param caution the reserve wanted before a burst
 * @param remarks what was left out and why, sentences for the player
 */
public record Workout(
        Passage music,
        Tempo target,
        Estimate estimate,
        List<Block> blocks,
        Allowance allowance,
        Condition condition,
        Caution caution,
        List<String> remarks) {

    public Workout {
        blocks = List.copyOf(blocks);
        remarks = List.copyOf(remarks);
    }

    /** This workout with one thing to say about it, which makes everything else superfluous. */
    public Workout withOnlyRemark(String remark) {
        return saying(List.of(remark));
    }

    /** This workout with one more thing to say about it. */
    public Workout withRemark(String remark) {
        List<String> all = new ArrayList<>(remarks);
        all.add(remark);
        return saying(all);
    }

    private Workout saying(List<String> all) {
        return new Workout(music, target, estimate, blocks, allowance, condition, caution, all);
    }
}
