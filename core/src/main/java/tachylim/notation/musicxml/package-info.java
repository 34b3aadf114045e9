/** MusicXML: read as it streams, plain or compressed, partwise or timewise, and written. */
package tachylim.notation.musicxml;
