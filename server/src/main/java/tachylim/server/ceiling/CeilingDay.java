package tachylim.server.ceiling;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.IdClass;
import java.io.Serializable;
import java.time.LocalDate;
import tachylim.ceiling.Estimate;
import tachylim.ceiling.Forecast;
import tachylim.ceiling.Moments;
import tachylim.ceiling.Posterior;
import tachylim.server.record.AssignedId;

/** Where a section's ceiling stood at the end of a day on which it was played. */
@Entity
@IdClass(CeilingDay.Key.class)
public class CeilingDay extends AssignedId<CeilingDay.Key> {

    /** One section on one day. */
    public record Key(Long sectionId, LocalDate day) implements Serializable {}

    @Id
    @Column(name = "piece_id")
    private Long sectionId;

    @Id
    private LocalDate day;

    private Long accountId;

    @Column(name = "ease")
    private double comfortable;

    private double ceiling;
    private double ceilingLow;
    private double ceilingHigh;
    private double breakdown;
    private double logMean;
    private double logVariance;
    private double morningMean;
    private double morningVariance;

    protected CeilingDay() {}

    CeilingDay(long accountId, long sectionId, LocalDate day) {
        this.accountId = accountId;
        this.sectionId = sectionId;
        this.day = day;
    }

    /** Takes note of what is believed before the first pass of the day. */
    void morning(Posterior belief) {
        Moments first = belief.logCeiling();
        morningMean = first.mean();
        morningVariance = first.variance();
    }

    /** The day as a forecast looks at it. */
    Forecast.Measured measured() {
        return new Forecast.Measured(
                day.toEpochDay(), new Moments(morningMean, morningVariance), new Moments(logMean, logVariance));
    }

    void record(Estimate estimate, Posterior belief) {
        comfortable = estimate.comfortable().middle().bpm();
        ceiling = estimate.ceiling().middle().bpm();
        ceilingLow = estimate.ceiling().low().bpm();
        ceilingHigh = estimate.ceiling().high().bpm();
        breakdown = estimate.breakdown().middle().bpm();
        Moments now = belief.logCeiling();
        logMean = now.mean();
        logVariance = now.variance();
    }

    public LocalDate day() {
        return day;
    }

    public double comfortable() {
        return comfortable;
    }

    Long sectionId() {
        return sectionId;
    }

    public double ceiling() {
        return ceiling;
    }

    public double ceilingLow() {
        return ceilingLow;
    }

    public double ceilingHigh() {
        return ceilingHigh;
    }

    public double breakdown() {
        return breakdown;
    }

    public double logMean() {
        return logMean;
    }

    public double logVariance() {
        return logVariance;
    }

    @Override
    public Key getId() {
        return new Key(sectionId, day);
    }
}
