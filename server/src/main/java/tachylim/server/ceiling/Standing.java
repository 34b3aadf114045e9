package tachylim.server.ceiling;

import java.time.LocalDate;
import java.util.Optional;
import java.util.function.Supplier;
import tachylim.ceiling.Estimate;
import tachylim.ceiling.Known;
import tachylim.ceiling.Posterior;
import tachylim.shown.EstimateDto;
import tachylim.tempo.Tempo;

/**
 * What is known of a section on a day.
 *
 * @param estimate how fast it is, with what tension says of it
 * @param alert the tempo above which tension says that it is no longer comfortable, if it says so
 * @param lastPlayed the last day it was played, or null
 * @param doubted the ceiling that what was heard does not fit, until it is said why
 * @param asking gives the belief itself, brought to that day
 */
public record Standing(
        Estimate estimate,
        Optional<Tempo> alert,
        LocalDate lastPlayed,
        Optional<Tempo> doubted,
        Supplier<Posterior> asking) {

    public EstimateDto dto() {
        return EstimateDto.of(estimate);
    }

    /** What a workout is planned from, and what its run learns on from: the belief as it will be kept with it. */
    public Known known() {
        Posterior belief = belief();
        return Known.of(Posterior.fromBytes(belief.toBytes(), belief.passes()), alert)
                .doubting(doubted);
    }

    /** The belief it comes from, for whoever needs more than the estimate. */
    Posterior belief() {
        return asking.get();
    }
}
