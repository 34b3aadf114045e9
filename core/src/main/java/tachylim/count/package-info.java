/** Counting clean changes between two notes, chords, positions or strokes: what a target needs, and how it comes on. */
package tachylim.count;
