package tachylim.ceiling;

import tachylim.tempo.Tempo;

/**
 * Neighbouring tempos that go wrong more often than faster ones do: movement may change its kind there. This class is
 * immutable.
 *
 * @param from the slowest of them
 * @param to the fastest
 * @param passes the passes played in it
 * @param clean how many of them were clean, 0 to 1
 * @param cleanAbove the same for the tempos just above
 */
public record AwkwardBand(Tempo from, Tempo to, int passes, double clean, double cleanAbove) {

    public boolean holds(Tempo tempo) {
        return tempo.compareTo(from) >= 0 && tempo.compareTo(to) <= 0;
    }
}
