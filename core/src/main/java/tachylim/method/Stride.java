package tachylim.method;

import tachylim.tempo.Rounding;
import tachylim.tempo.Tempo;

/**
 * One step of tempo: a share of the tempo, but never less than 1 BPM, so that a step is always seen on
 * a metronome. This class is immutable.
 *
 * @param share the share of the tempo, above 0 to 0.2
 */
record Stride(double share) {

    Stride {
        if (!(share > 0 && share <= 0.2)) {
            throw new IllegalArgumentException("A step is up to a fifth of the tempo, not " + share);
        }
    }

    Tempo up(Tempo from, Tempo limit) {
        return Tempo.slower(from.onMetronome(), limit).bpm() >= limit.bpm()
                ? limit
                : Tempo.clamped(Math.min(limit.bpm(), Math.round(from.bpm() + size(from))));
    }

    /** How many steps lead from one tempo up to another. */
    int steps(Tempo from, Tempo to) {
        int steps = 0;
        for (Tempo at = from; at.compareTo(to) < 0; at = up(at, to)) {
            steps++;
        }
        return steps;
    }

    Tempo down(Tempo from, int steps) {
        double bpm = from.bpm();
        for (int i = 0; i < steps; i++) {
            bpm -= Math.max(1, bpm * share);
        }
        return Tempo.clamped(Math.round(bpm));
    }

    private double size(Tempo from) {
        return Math.max(1, from.bpm() * share);
    }

    /** The fastest metronome setting that is not above {@code limit}. */
    static Tempo notAbove(Tempo limit) {
        return Tempo.clamped(Rounding.below(limit.bpm()));
    }

    /** The fastest metronome setting that is slower than {@code tempo}. */
    static Tempo below(Tempo tempo) {
        return Tempo.clamped(Rounding.above(tempo.bpm()) - 1);
    }

    static boolean isSlowest(Tempo tempo) {
        return tempo.bpm() <= Tempo.MIN;
    }
}
