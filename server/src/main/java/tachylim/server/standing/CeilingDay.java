package tachylim.server.standing;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import java.time.LocalDate;
import tachylim.ceiling.Estimate;
import tachylim.ceiling.Posterior;

/** Where a piece's ceiling stood at the end of a day on which it was played. */
@Entity
public class CeilingDay {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    private Long id;

    private Long accountId;
    private Long pieceId;
    private LocalDate day;
    private double ease;
    private double ceiling;
    private double ceilingLow;
    private double ceilingHigh;
    private double breakdown;
    private double logMean;
    private double logVariance;

    protected CeilingDay() {}

    CeilingDay(long accountId, long pieceId, LocalDate day) {
        this.accountId = accountId;
        this.pieceId = pieceId;
        this.day = day;
    }

    void record(Estimate estimate, Posterior belief) {
        ease = estimate.ease().middle().bpm();
        ceiling = estimate.ceiling().middle().bpm();
        ceilingLow = estimate.ceiling().low().bpm();
        ceilingHigh = estimate.ceiling().high().bpm();
        breakdown = estimate.breakdown().middle().bpm();
        logMean = belief.meanLogCeiling();
        logVariance = belief.varianceLogCeiling();
    }

    public LocalDate day() {
        return day;
    }

    public double ease() {
        return ease;
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
}
