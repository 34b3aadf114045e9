package tachylim.notation.score;

import tachylim.passage.Passage;

/**
 * Music with a heading: a passage, one of its sections, or a variation on a sheet of several. This class is
 * immutable.
 *
 * @param title the heading; empty for none
 * @param music the music
 */
public record Movement(String title, Passage music) {}
