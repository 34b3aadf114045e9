package tachylim.take;

/**
 * Where a note began. This class is immutable.
 *
 * @param note which of those that were asked, from 0
 * @param seconds when, in seconds of the recording
 * @param sigma how far off that may be, one standard deviation in seconds
 * @param loudness how loud its attack is, in decibels over the 70th percentile of the take's
 * @param again whether the same note had been played right before
 * @param stopped whether the playing had stopped before it
 */
public record Onset(int note, double seconds, double sigma, double loudness, boolean again, boolean stopped) {}
