/**
 * Music as text: reads ABC notation of one voice into exact onsets and durations, and writes any
 * passage or excerpt back as ABC for engraving. Nothing here draws.
 */
package tachylim.notation;
