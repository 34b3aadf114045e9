/** Music entered by hand: a stroke at a time, and rhythms tapped to a beat. */
package tachylim.notation.entry;
