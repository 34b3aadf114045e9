package tachylim.workout;

import java.util.List;
import tachylim.ceiling.Estimate;
import tachylim.ceiling.Known;

/**
 * What a run goes by when it looks for its next step. This class is immutable.
 *
 * @param workout what was planned
 * @param progress what was done, and what it leaves
 * @param blocks the blocks as they are drawn now
 * @param block which of them it is in
 * @param blockStart seconds of the run when that began
 */
record Situation(Workout workout, Progress progress, List<Block> blocks, int block, double blockStart) {

    Block current() {
        return blocks.get(block);
    }

    Block last() {
        return blocks.get(blocks.size() - 1);
    }

    boolean isLast() {
        return block == blocks.size() - 1;
    }

    Tally tally() {
        return progress.tally();
    }

    /** Bursts judged so far in the block at hand. */
    int bursts() {
        return progress.bursts(block);
    }

    /** How fast the music of the block at hand is today. */
    Estimate estimate() {
        return estimate(current());
    }

    Estimate estimate(Block of) {
        return of.music().estimate(known(of.theme()).today());
    }

    Known known(int theme) {
        return progress.learnt().get(theme).known();
    }

    Phrasing phrasing() {
        return phrasing(current());
    }

    Phrasing phrasing(Block of) {
        List<Integer> weak = of.music().isAsWritten()
                ? workout.brief().themes().get(of.theme()).weak()
                : List.of();
        return new Phrasing(of.music().notes(), weak);
    }
}
