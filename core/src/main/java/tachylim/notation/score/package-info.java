/**
 * What every kind of file has in common: lines of music of any length in whole notes, the passage that is a stretch of
 * one, how it is spelled in glyphs, and what a reader leaves out. Knows no kind of file.
 */
package tachylim.notation.score;
