package tachylim.server.ceiling;

import jakarta.persistence.Column;
import jakarta.persistence.Embeddable;
import tachylim.ceiling.Band;
import tachylim.ceiling.Estimate;
import tachylim.ceiling.Posterior;
import tachylim.tempo.Tempo;

/** What a belief said on the day it was kept, so that it need not be asked again. */
@Embeddable
class StoredEstimate {

    @Column(name = "ease_low")
    private double comfortableLow;

    @Column(name = "ease")
    private double comfortable;

    @Column(name = "ease_high")
    private double comfortableHigh;

    private double ceilingLow;
    private double ceiling;
    private double ceilingHigh;
    private double breakdownLow;
    private double breakdown;
    private double breakdownHigh;
    private double gain;

    protected StoredEstimate() {}

    StoredEstimate(Posterior belief) {
        Estimate estimate = belief.estimate();
        comfortableLow = estimate.comfortable().low().bpm();
        comfortable = estimate.comfortable().middle().bpm();
        comfortableHigh = estimate.comfortable().high().bpm();
        ceilingLow = estimate.ceiling().low().bpm();
        ceiling = estimate.ceiling().middle().bpm();
        ceilingHigh = estimate.ceiling().high().bpm();
        breakdownLow = estimate.breakdown().low().bpm();
        breakdown = estimate.breakdown().middle().bpm();
        breakdownHigh = estimate.breakdown().high().bpm();
        gain = belief.gain();
    }

    /** As it was, for a belief that rests on this many passes. */
    Estimate estimate(double passes) {
        return new Estimate(
                band(comfortableLow, comfortable, comfortableHigh),
                band(ceilingLow, ceiling, ceilingHigh),
                band(breakdownLow, breakdown, breakdownHigh),
                passes);
    }

    double gain() {
        return gain;
    }

    private static Band band(double low, double middle, double high) {
        return new Band(Tempo.of(low), Tempo.of(middle), Tempo.of(high));
    }
}
