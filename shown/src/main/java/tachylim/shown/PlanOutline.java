package tachylim.shown;

import java.util.List;
import tachylim.ceiling.Estimate;
import tachylim.load.Effort;
import tachylim.method.School;
import tachylim.words.Reason;
import tachylim.workout.Block;
import tachylim.workout.Part;
import tachylim.workout.Run;
import tachylim.workout.Theme;
import tachylim.workout.Workout;

/**
 * What is shown of a plan around its steps: read as it was kept, without deciding anything again.
 *
 * @param target the target then, in BPM
 * @param estimate the ceiling as it was believed then
 * @param enoughEvidence whether that was held to be known
 * @param blocks its blocks
 * @param burstFloor the recovery that a burst needed
 * @param effortLeft the effort that was left of its day
 * @param remarks what was said about it
 */
public record PlanOutline(
        double target,
        Estimate estimate,
        boolean enoughEvidence,
        List<BlockOutline> blocks,
        double burstFloor,
        Effort effortLeft,
        List<Reason> remarks) {

    /**
     * A block as it is shown.
     *
     * @param theme which of the sections it is about
     * @param variation the title of its variation; empty when as written
     * @param method its method
     * @param target the tempo its music is wanted at, in BPM
     * @param estimate its ceiling
     */
    public record BlockOutline(
            Part part, int theme, Reason variation, School method, Reason why, double target, Estimate estimate) {}

    /**
     * The outline of a workout as it was stored: its methods and choices are not read, so that what became of them does not
     * matter.
     *
     * @param tree a document of {@link tachylim.record.WorkoutCodec}
     */
    public static PlanOutline read(Object tree) {
        return StoredOutline.read(tree);
    }

    /** The outline of a run as it stands: its blocks as they are drawn now, the ceiling as it is known now. */
    public static PlanOutline of(Run run) {
        Workout workout = run.workout();
        Estimate estimate = run.known().estimate();
        return new PlanOutline(
                workout.target().bpm(),
                estimate,
                estimate.enoughEvidence(),
                run.blocks().stream().map(block -> block(run, block)).toList(),
                workout.caution().burstFloor(),
                workout.allowance().effort(),
                workout.remarks());
    }

    private static BlockOutline block(Run run, Block block) {
        Theme theme = run.workout().brief().themes().get(block.theme());
        return new BlockOutline(
                block.part(),
                block.theme(),
                block.music().title(),
                block.method().school(),
                block.why(),
                block.target(theme).bpm(),
                block.music().estimate(run.known(block.theme()).estimate()));
    }
}
