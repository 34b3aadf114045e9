/**
 * Tempo and rate: the one scale on which everything else is measured. A tempo is a number of beats
 * per minute of a passage's own beat unit; tempos are compared as ratios, so equal steps are equal
 * ratios, and a tempo is rounded once, where it meets a metronome.
 */
package tachylim.tempo;
