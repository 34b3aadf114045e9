package tachylim.server.record;

import java.util.List;
import tachylim.ceiling.Estimate;
import tachylim.workout.Part;
import tachylim.workout.Run;
import tachylim.workout.Workout;

/**
 * What is shown of a plan around its steps: read as it was kept, without deciding anything again.
 *
 * @param target the target then, in BPM
 * @param estimate the ceiling as it was believed then
 * @param enoughEvidence whether that was held to be known
 * @param blocks its blocks
 * @param burstFloor the reserve that a burst needed
 * @param effortLeft the effort minutes that were left of its day
 * @param remarks what was said about it
 */
public record PlanOutline(
        double target,
        Estimate estimate,
        boolean enoughEvidence,
        List<BlockOutline> blocks,
        double burstFloor,
        double effortLeft,
        List<String> remarks) {

    public record BlockOutline(Part part, String why) {}

    /** The outline of a run as it stands: its blocks as they are drawn by now, the ceiling as it is known by now. */
    public static PlanOutline of(Run run) {
        Workout workout = run.workout();
        Estimate estimate = run.known().estimate();
        return new PlanOutline(
                workout.target().bpm(),
                estimate,
                estimate.enoughEvidence(),
                run.blocks().stream()
                        .map(block -> new BlockOutline(block.part(), block.why()))
                        .toList(),
                workout.caution().burstFloor(),
                workout.allowance().effort(),
                workout.remarks());
    }
}
