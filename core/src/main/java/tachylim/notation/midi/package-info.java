/** MIDI files: recorded times drawn to a grid, and passages written with exact ones. */
package tachylim.notation.midi;
