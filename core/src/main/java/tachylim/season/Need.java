package tachylim.season;

import tachylim.tempo.Tempo;

/**
 * How much a section needs practice: {@code max(0, ln(T/ceiling)) × urgency}, where urgency is one over the
 * weeks left, and that of {@value #WEEKS_WITHOUT_DATE} weeks when there is no date.
 */
public final class Need {

    private static final double WEEKS_WITHOUT_DATE = 12;
    private static final double LEAST_WEEKS = 1;

    /** A section at its target still wants to be kept there. */
    private static final double UPKEEP = 0.01;

    private Need() {}

    /**
     * The need of a section.
     *
     * @param daysLeft days until it is needed; null without a date; a date gone by counts as none
     * @return a number to compare with others, above 0
     */
    public static double of(Tempo target, Tempo ceiling, Long daysLeft) {
        double weeks = daysLeft == null || daysLeft < 0 ? WEEKS_WITHOUT_DATE : Math.max(LEAST_WEEKS, daysLeft / 7.0);
        return Math.max(UPKEEP, Math.log(target.ratioTo(ceiling))) / weeks;
    }
}
