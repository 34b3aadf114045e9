package tachylim.method;

import tachylim.tempo.Tempo;

/**
 * The tempos between which the core of a workout moves, whole on a metronome. This class is immutable.
 *
 * @param ease where it starts: as fast as is surely clean, not above the top
 * @param top what it never goes above: the ceiling, or the target where that is slower
 * @param cleanInARow clean passes that earn a step, 1 or more
 */
public record Span(Tempo ease, Tempo top, int cleanInARow) {}
