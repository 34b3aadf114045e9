package tachylim.method;

import java.util.Optional;
import tachylim.tempo.Tempo;

/**
 * The tempos between which the core of a workout moves, whole on a metronome. This class is immutable.
 *
 * @param ease where it starts: as fast as is surely clean, not above the top
 * @param top what it never goes above: the ceiling, or the target where that is slower
 * @param reach what measuring never goes above
 * @param cleanInARow clean passes that earn a step, 1 or more
 * @param awkward the band of tempos that goes wrong more often than what is around it; empty when there is none
 */
public record Span(Tempo ease, Tempo top, Tempo reach, int cleanInARow, Optional<Between> awkward) {

    /** Two tempos and all between them. This class is immutable. */
    public record Between(Tempo from, Tempo to) {}
}
