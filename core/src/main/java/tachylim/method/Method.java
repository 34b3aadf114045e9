package tachylim.method;

import tachylim.tempo.Tempo;

/**
 * A school of raising the tempo, with its settings. Methods are immutable; {@link #opening()} gives the
 * first position and the answers lead on from there.
 */
public sealed interface Method permits SteadyClimb, IntervalBursts, EasyPasses {

    /** The position before the first pass. */
    Position opening();

    /** The tempo it never goes above, whole on a metronome. */
    Tempo limit();
}
