package tachylim.bench.players;

/**
 * A kind of simulated player. This class is immutable.
 *
 * @param name what it is called in the report
 * @param curve how slips rise with tempo
 * @param bursts how much easier bursts are
 * @param leastLapse the least share of slips that have nothing to do with tempo
 * @param mostLapse the most
 * @param called the share of rough passes that are called clean
 * @param wobble how much a day differs from the others, standard deviation of ln tempo
 * @param learning the most that a workout adds to the ceiling, as a share of it
 */
record Kind(
        String name,
        Curve curve,
        Bursts bursts,
        double leastLapse,
        double mostLapse,
        double called,
        double wobble,
        double learning) {

    static final Kind[] ALL = {
        new Kind("plain logistic", Curve.LOGISTIC, Bursts.INDEPENDENT_TRANSITIONS, 0.03, 0.03, 0, 0, 0),
        new Kind("plain normal, bursts alike", Curve.NORMAL, Bursts.ALIKE, 0.02, 0.02, 0, 0, 0),
        new Kind("logistic, disturbed", Curve.LOGISTIC, Bursts.INDEPENDENT_TRANSITIONS, 0, 0.06, 0.1, 0.015, 0.003),
        new Kind("normal, disturbed", Curve.NORMAL, Bursts.SHIFTED, 0, 0.06, 0.1, 0.02, 0.005),
        new Kind("Weibull, disturbed", Curve.WEIBULL, Bursts.INDEPENDENT_TRANSITIONS, 0, 0.06, 0.1, 0.02, 0.003),
        new Kind("logistic, fully disturbed", Curve.LOGISTIC, Bursts.ALIKE, 0, 0.06, 0.1, 0.03, 0.01),
    };

    /** Who flatter themselves, and whose days differ more than is believed of anybody. */
    static final Kind[] HARD = {
        new Kind("a third of rough called clean", Curve.LOGISTIC, Bursts.INDEPENDENT_TRANSITIONS, 0, 0.06, 0.33, 0.015, 0.003),
        new Kind("half of rough called clean", Curve.LOGISTIC, Bursts.INDEPENDENT_TRANSITIONS, 0, 0.06, 0.5, 0.015, 0.003),
        new Kind("days differ by 4%", Curve.LOGISTIC, Bursts.INDEPENDENT_TRANSITIONS, 0, 0.06, 0.1, 0.04, 0.003),
    };
}
