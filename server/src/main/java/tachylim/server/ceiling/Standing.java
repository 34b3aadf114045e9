package tachylim.server.ceiling;

import java.time.LocalDate;
import tachylim.ceiling.Estimate;
import tachylim.ceiling.Posterior;
import tachylim.ceiling.TensionCurve;

/**
 * What is known of a piece on a day.
 *
 * @param belief the belief, brought to that day
 * @param tension how tension rises with tempo
 * @param lastPlayed the last day it was played, or null
 */
public record Standing(Posterior belief, TensionCurve tension, LocalDate lastPlayed) {

    public Estimate estimate() {
        return belief.estimate(tension);
    }

    public EstimateDto dto() {
        return EstimateDto.of(estimate());
    }
}
