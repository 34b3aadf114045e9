package tachylim.sim;

import java.util.random.RandomGenerator;
import java.util.stream.Stream;
import tachylim.ceiling.CeilingModel;
import tachylim.task.Answer;
import tachylim.task.Ask;
import tachylim.task.Tension;
import tachylim.task.Verdict;
import tachylim.tempo.Tempo;

/**
 * A player whose truth is known: verdicts are drawn from the ceiling model, tension rises with tempo
 * and fatigue, and a band of awkward tempos may go wrong more often.
 *
 * <p>This class is immutable apart from the generator it draws from.
 */
public final class SimulatedPlayer {

    private static final double AWKWARD_CLEAN = 0.7;
    private static final double TENSION_AT_CEILING = 2;
    private static final double TENSION_SLOPE = 7;
    private static final double TENSION_NOISE = 0.5;
    private static final double FATIGUE = 0.06;

    private final CeilingModel truth;
    private final RandomGenerator random;
    private final double extraTension;
    private final Tempo awkwardFrom;
    private final Tempo awkwardTo;

    private SimulatedPlayer(
            CeilingModel truth, RandomGenerator random, double extraTension, Tempo awkwardFrom, Tempo awkwardTo) {
        this.truth = truth;
        this.random = random;
        this.extraTension = extraTension;
        this.awkwardFrom = awkwardFrom;
        this.awkwardTo = awkwardTo;
    }

    /** A player with this true ceiling and ordinary width and breaking distance. */
    public static SimulatedPlayer withCeiling(Tempo ceiling, RandomGenerator random) {
        CeilingModel atZero = new CeilingModel(0, 0.04, 0.08);
        return new SimulatedPlayer(
                new CeilingModel(ceiling.log() - atZero.ceiling(), 0.04, 0.08), random, 0, null, null);
    }

    /** The same player, tenser by {@code more} on the scale of 0 to 5. */
    public SimulatedPlayer tenser(double more) {
        return new SimulatedPlayer(truth, random, more, awkwardFrom, awkwardTo);
    }

    /** The same player, for whom tempos from {@code from} to {@code to} are awkward. */
    public SimulatedPlayer awkwardBetween(Tempo from, Tempo to) {
        return new SimulatedPlayer(truth, random, extraTension, from, to);
    }

    /**
     * Plays a pass.
     *
     * @param tempo the tempo set
     * @param recovery the recovery at its start, 0 to 1: a tired player is a slower one
     */
    public Answer play(Tempo tempo, double recovery) {
        double x = tempo.log() + FATIGUE * (1 - recovery);
        return new Answer(verdict(tempo, x), tension(x));
    }

    /** Plays what is answered at once: a set of passes, or one. */
    public Answer play(Ask ask, Tempo tempo, double recovery) {
        if (ask.passes() == 1) {
            return play(tempo, recovery);
        }
        return Answer.together(
                Stream.generate(() -> play(tempo, recovery)).limit(ask.passes()).toList());
    }

    private Verdict verdict(Tempo tempo, double x) {
        if (isAwkward(tempo) && random.nextDouble() > AWKWARD_CLEAN) {
            return Verdict.ROUGH;
        }
        double draw = random.nextDouble();
        if (draw < truth.chance(Verdict.BROKE, x)) {
            return Verdict.BROKE;
        }
        return draw < truth.notClean(x) ? Verdict.ROUGH : Verdict.CLEAN;
    }

    private boolean isAwkward(Tempo tempo) {
        return awkwardFrom != null && tempo.compareTo(awkwardFrom) >= 0 && tempo.compareTo(awkwardTo) <= 0;
    }

    private Tension tension(double x) {
        double felt = TENSION_AT_CEILING
                + TENSION_SLOPE * (x - truth.ceiling())
                + extraTension
                + TENSION_NOISE * random.nextGaussian();
        return Tension.of((int) Math.max(0, Math.min(5, Math.round(felt))));
    }
}
