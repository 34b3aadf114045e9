package tachylim.take;

import java.util.Arrays;

/**
 * Samples at about half of what recorders give, which is all that onsets need. This class is immutable as long as nobody
 * changes its samples.
 *
 * @param samples one channel
 * @param rate samples a second
 */
record Signal(float[] samples, double rate) {

    private static final double HALVED_FROM = 40_000;
    private static final int TAPS = 31;

    static Signal of(Take take) {
        Signal signal = new Signal(centred(take.samples()), take.rate());
        return take.rate() >= HALVED_FROM ? signal.halved() : signal;
    }

    /** Without what stands still, and without what is no number. */
    private static float[] centred(float[] samples) {
        double sum = 0;
        for (float sample : samples) {
            sum += Float.isFinite(sample) ? sample : 0;
        }
        float mean = (float) (sum / Math.max(1, samples.length));
        float[] centred = new float[samples.length];
        for (int i = 0; i < samples.length; i++) {
            centred[i] = Float.isFinite(samples[i]) ? samples[i] - mean : 0;
        }
        return centred;
    }

    /** What is heard from one time to another, in seconds. */
    Signal part(double from, double to) {
        int first = (int) Math.max(0, Math.min(samples.length - 1.0, Math.round(from * rate)));
        int end = (int) Math.max(first + 1.0, Math.min(samples.length, to * rate));
        return new Signal(Arrays.copyOfRange(samples, first, end), rate);
    }

    /** Every second sample, after a half-band filter (a windowed sinc; Crochiere and Rabiner 1983). */
    private Signal halved() {
        double[] filter = new double[TAPS];
        int middle = TAPS / 2;
        double sum = 0;
        for (int i = 0; i < TAPS; i++) {
            double x = (i - middle) / 2.0;
            double sinc = x == 0 ? 1 : Math.sin(Math.PI * x) / (Math.PI * x);
            filter[i] = sinc * (0.54 + 0.46 * Math.cos(Math.PI * (i - middle) / (middle + 1.0)));
            sum += filter[i];
        }
        float[] half = new float[(samples.length + 1) / 2];
        for (int i = 0; i < half.length; i++) {
            double value = 0;
            for (int tap = 0; tap < TAPS; tap++) {
                int at = 2 * i + tap - middle;
                value += at >= 0 && at < samples.length ? filter[tap] * samples[at] : 0;
            }
            half[i] = (float) (value / sum);
        }
        return new Signal(half, rate / 2);
    }

    /**
     * The magnitudes of windows of the signal, the middle of the first at its beginning.
     *
     * @param window samples of a window, a power of two
     * @param hop samples from one to the next
     * @param top the highest frequency that is asked for, Hz
     */
    float[][] magnitudes(int window, int hop, double top) {
        int frames = samples.length / hop + 1;
        int bins = Math.min(window / 2, (int) (top * window / rate) + 1);
        float[][] magnitudes = new float[frames + frames % 2][bins];
        Fourier fourier = new Fourier(window);
        float[] hann = new float[window];
        for (int i = 0; i < window; i++) {
            hann[i] = (float) (0.5 - 0.5 * Math.cos(2 * Math.PI * i / window));
        }
        float[] one = new float[window];
        float[] other = new float[window];
        for (int frame = 0; frame < magnitudes.length; frame += 2) {
            windowed(frame * hop - window / 2, hann, one);
            windowed((frame + 1) * hop - window / 2, hann, other);
            fourier.magnitudes(one, other, magnitudes[frame], magnitudes[frame + 1]);
        }
        return magnitudes;
    }

    private void windowed(int start, float[] window, float[] frame) {
        for (int i = 0; i < frame.length; i++) {
            int at = start + i;
            frame[i] = at < 0 || at >= samples.length ? 0 : samples[at] * window[i];
        }
    }
}
