/** ABC: read a tune, a voice or a whole book at a time, and written, which is how passages are kept. */
package tachylim.notation.abc;
