package tachylim.bench.players;

import java.util.SplittableRandom;
import tachylim.task.Answer;
import tachylim.task.Tension;
import tachylim.task.Verdict;
import tachylim.tempo.Tempo;

/** A player whose truth is known, and none of whose curves need be the ones the ceiling is estimated with. */
final class Player {

    private static final double CEILING_CLEAN = 0.8;

    /** How much slower a hand is that is spent, and one that has played half an hour, as usual, ln tempo. */
    private static final double FATIGUE = 0.06;

    private static final double HALF_AN_HOUR = 0.015;
    private static final double TENSION_AT_CEILING = 2;
    private static final double TENSION_SLOPE = 7;
    private static final double TENSION_NOISE = 0.5;
    private static final double BROKEN_LAPSES = 0.3;

    private final Kind kind;
    private final double tiring;
    private final SplittableRandom random;
    private final double width;
    private final double breaking;
    private final double lapse;
    private final double shift;
    private final double learning;
    private final double toCeiling;
    private double place;
    private double today;
    private double awkwardFrom = Double.POSITIVE_INFINITY;
    private double awkwardTo = Double.NEGATIVE_INFINITY;

    Player(Kind kind, SplittableRandom random) {
        this(kind, 1, random);
    }

    /**
     * @param tiring how much playing tires, 1 as usual
     */
    Player(Kind kind, double tiring, SplittableRandom random) {
        this.kind = kind;
        this.tiring = tiring;
        this.random = random;
        this.width = 0.02 + 0.05 * random.nextDouble();
        this.breaking = 0.03 + 0.12 * random.nextDouble();
        this.lapse = kind.leastLapse() + (kind.mostLapse() - kind.leastLapse()) * random.nextDouble();
        this.shift = 0.03 + 0.07 * random.nextDouble();
        this.learning = kind.learning() * random.nextDouble();
        double low = -20;
        double high = 20;
        while (high - low > 1e-9) {
            double middle = (low + high) / 2;
            if ((1 - lapse) * (1 - kind.curve().slips(middle)) > CEILING_CLEAN) {
                low = middle;
            } else {
                high = middle;
            }
        }
        this.toCeiling = width * low;
        this.place = Math.log(75 + 105 * random.nextDouble()) - toCeiling;
        this.today = place;
    }

    /** The tempo that is clean 80 times in 100 on a usual day. */
    double ceiling() {
        return Math.exp(place + toCeiling);
    }

    /** The same as it is today. */
    double ceilingToday() {
        return Math.exp(today + toCeiling);
    }

    /** A band of tempos, as ratios of the ceiling, in which things go wrong that go well below and above it. */
    void awkwardBetween(double from, double to) {
        awkwardFrom = Math.log(ceiling() * from);
        awkwardTo = Math.log(ceiling() * to);
    }

    /** Learns what one workout teaches. */
    void practised() {
        place += Math.log(1 + learning);
    }

    /** Learns so much, as a share of the ceiling. */
    void learns(double share) {
        place += Math.log(1 + share);
    }

    /** A day that is as good or bad as it happens to be. */
    void wake() {
        today = place + kind.wobble() * Gauss.of(random);
    }

    /**
     * Plays a pass.
     *
     * @param share the share of the transitions that are played
     * @param recovery how rested, 0 to 1
     * @param minutes played before it today
     */
    Answer play(Tempo tempo, double share, double recovery, double minutes) {
        double x = tempo.log() + tiring * (FATIGUE * (1 - recovery) + HALF_AN_HOUR * Math.min(1.5, minutes / 30));
        return new Answer(verdict(tempo, x, share), tension(x));
    }

    private Verdict verdict(Tempo tempo, double x, double share) {
        double at = kind.bursts() == Bursts.SHIFTED && share < 1 ? x - shift : x;
        double clean = (1 - lapse) * (1 - kind.curve().slips((at - today) / width));
        double unbroken = Math.max(
                clean, 1 - BROKEN_LAPSES * lapse - (1 - lapse) * kind.curve().slips((at - today - breaking) / width));
        if (tempo.log() >= awkwardFrom && tempo.log() <= awkwardTo) {
            clean *= 0.6;
        }
        if (kind.bursts() == Bursts.INDEPENDENT_TRANSITIONS) {
            clean = Math.pow(clean, share);
            unbroken = Math.pow(unbroken, share);
        }
        double draw = random.nextDouble();
        if (draw < clean) {
            return Verdict.CLEAN;
        }
        if (draw < unbroken) {
            return random.nextDouble() < kind.called() ? Verdict.CLEAN : Verdict.ROUGH;
        }
        return Verdict.BROKE;
    }

    private Tension tension(double x) {
        double felt = TENSION_AT_CEILING + TENSION_SLOPE * (x - today - toCeiling) + TENSION_NOISE * Gauss.of(random);
        return Tension.of((int) Math.max(0, Math.min(5, Math.round(felt))));
    }
}
