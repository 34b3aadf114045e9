/**
 * Music in and out. {@link tachylim.notation.Format} names the kinds of file; each has a room of its own that knows what
 * they share ({@code score}) and none of the others. {@code entry} is music entered by hand.
 */
package tachylim.notation;
