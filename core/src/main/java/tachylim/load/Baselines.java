package tachylim.load;

/**
 * What a body is used to: exponential averages of the effort of a day, over about a week and about four.
 *
 * <p>Each day x moves an average by λ(x − average), with λ = 2/(n + 1): 2/8 for 7 days, 2/29 for 28 (Williams and others
 * 2017). That their ratio foretells injuries is contested (Impellizzeri and others 2020); here it only keeps a jump small.
 * This class is immutable.
 *
 * @param week the effort of a day, on average over 7 days
 * @param month the effort of a day, on average over 28 days
 */
public record Baselines(Effort week, Effort month) {

    static final double WEEK_WEIGHT = 2.0 / 8;
    static final double MONTH_WEIGHT = 2.0 / 29;

    /** The week may be so much of the month. */
    public static final double MOST_RATIO = 1.3;

    /** Both at what somebody says they usually play, before there is anything to go by. */
    public static Baselines of(Effort usualEffort) {
        return new Baselines(usualEffort, usualEffort);
    }

    /** The averages after a day of so much effort. */
    public Baselines after(Effort effort) {
        return new Baselines(moved(week, WEEK_WEIGHT, effort), moved(month, MONTH_WEIGHT, effort));
    }

    private static Effort moved(Effort average, double weight, Effort towards) {
        return new Effort(average.minutes() + weight * (towards.minutes() - average.minutes()));
    }

    /**
     * The effort of a day that brings the week to {@value #MOST_RATIO} of the month, not negative. From
     * {@code λ₇L + (1 − λ₇)A = 1.3(λ₂₈L + (1 − λ₂₈)C)} follows {@code L = (1.3(1 − λ₂₈)C − (1 − λ₇)A) / (λ₇ − 1.3λ₂₈)}.
     */
    public Effort mostToday() {
        double most = (MOST_RATIO * (1 - MONTH_WEIGHT) * month.minutes() - (1 - WEEK_WEIGHT) * week.minutes())
                / (WEEK_WEIGHT - MOST_RATIO * MONTH_WEIGHT);
        return new Effort(Math.max(0, most));
    }
}
