package tachylim.take;

import java.util.Arrays;

/** Which frames of a take are before the playing and away from its clicks, and what is heard in them. */
final class Quiet {

    /** Nothing is played so long before the first note is due, in seconds. */
    private static final double BEFORE = 0.35;

    private static final int LEAST_FRAMES = 6;
    private static final double FAINTEST = 0.1;

    private Quiet() {}

    /**
     * The noise of each bin: the mean of the quiet frames, or what one frame in ten stays under where there are too few.
     *
     * @param seconds from one frame to the next
     */
    static float[] noise(Take take, Clicks clicks, float[][] frames, double seconds) {
        boolean[] quiet = new boolean[frames.length];
        int count = 0;
        for (int frame = 0; frame < frames.length; frame++) {
            double at = frame * seconds;
            quiet[frame] = at < take.due(0) - BEFORE && !clicks.sounds(at);
            count += quiet[frame] ? 1 : 0;
        }
        float[] noise = new float[frames[0].length];
        for (int bin = 0; bin < noise.length; bin++) {
            noise[bin] = count >= LEAST_FRAMES ? mean(frames, quiet, bin, count) : faintest(frames, bin);
        }
        return noise;
    }

    private static float mean(float[][] frames, boolean[] quiet, int bin, int count) {
        double sum = 0;
        for (int frame = 0; frame < frames.length; frame++) {
            sum += quiet[frame] ? frames[frame][bin] : 0;
        }
        return (float) (sum / count);
    }

    private static float faintest(float[][] frames, int bin) {
        float[] all = new float[frames.length];
        for (int frame = 0; frame < all.length; frame++) {
            all[frame] = frames[frame][bin];
        }
        Arrays.sort(all);
        return all[(int) (FAINTEST * (all.length - 1))];
    }

    /** What a share of some values stays under. */
    static double quantile(double[] values, double share) {
        double[] sorted = values.clone();
        Arrays.sort(sorted);
        return sorted.length == 0 ? 0 : sorted[(int) Math.min(sorted.length - 1.0, share * sorted.length)];
    }
}
