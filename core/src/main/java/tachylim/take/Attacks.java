package tachylim.take;

import java.util.Arrays;

/**
 * Where something begins to sound: the flux of the spectrum in sixths of an octave, its maxima against the maximum of
 * their neighbours a little earlier, so that vibrato is none (Böck and Widmer 2013).
 */
final class Attacks {

    private static final double WINDOW_SECONDS = 0.0232;
    private static final double LOWEST = 60;
    private static final double HIGHEST = 5_200;
    private static final double BANDS_AN_OCTAVE = 6;
    private static final double OVER_NOISE = 1.5;

    /** Without it the breath before a tone would be the greatest attack. */
    private static final double OF_REFERENCE = 0.04;

    private static final int BACK = 3;
    private static final int AROUND = 8;
    private static final int MEAN_BEFORE = 35;
    private static final int MEAN_AFTER = 17;
    private static final double LEAST = 0.12;

    private final double seconds;
    private final double[] flux;
    private final double[] peaks;

    private Attacks(double seconds, double[] flux, double[] peaks) {
        this.seconds = seconds;
        this.flux = flux;
        this.peaks = peaks;
    }

    static Attacks in(Take take, Clicks clicks, Signal signal) {
        int window = Tones.powerOfTwo(WINDOW_SECONDS * signal.rate());
        int hop = window / 8;
        float[][] spectrum = signal.magnitudes(window, hop, HIGHEST);
        float[][] bands = bands(spectrum, signal.rate() / window);
        double seconds = hop / signal.rate();
        float[] noise = Quiet.noise(take, clicks, bands, seconds);
        double[] energy = new double[bands.length];
        for (int frame = 0; frame < bands.length; frame++) {
            for (float band : bands[frame]) {
                energy[frame] += band * band;
            }
        }
        double reference = Math.sqrt(Quiet.quantile(energy, 0.9));
        double[] flux = flux(bands, noise, reference);
        return new Attacks(seconds, flux, peaks(flux, take.notes().size()));
    }

    private static float[][] bands(float[][] spectrum, double width) {
        int count = (int) (BANDS_AN_OCTAVE * Math.log(HIGHEST / LOWEST) / Math.log(2));
        int[] of = new int[spectrum[0].length];
        for (int bin = 0; bin < of.length; bin++) {
            double band = BANDS_AN_OCTAVE * Math.log(Math.max(LOWEST, bin * width) / LOWEST) / Math.log(2);
            of[bin] = (int) Math.min(count - 1.0, band);
        }
        float[][] bands = new float[spectrum.length][count];
        for (int frame = 0; frame < spectrum.length; frame++) {
            for (int bin = 1; bin < of.length; bin++) {
                bands[frame][of[bin]] += spectrum[frame][bin] * spectrum[frame][bin];
            }
            for (int band = 0; band < count; band++) {
                bands[frame][band] = (float) Math.sqrt(bands[frame][band]);
            }
        }
        return bands;
    }

    private static double[] flux(float[][] bands, float[] noise, double reference) {
        int count = noise.length;
        double[][] loud = new double[bands.length][count];
        for (int frame = 0; frame < bands.length; frame++) {
            for (int band = 0; band < count; band++) {
                double floor = OVER_NOISE * noise[band] + OF_REFERENCE * reference + 1e-9;
                loud[frame][band] = Math.log1p(bands[frame][band] / floor);
            }
        }
        double[] flux = new double[bands.length];
        for (int frame = BACK; frame < flux.length; frame++) {
            for (int band = 0; band < count; band++) {
                double before = loud[frame - BACK][band];
                before = band > 0 ? Math.max(before, loud[frame - BACK][band - 1]) : before;
                before = band < count - 1 ? Math.max(before, loud[frame - BACK][band + 1]) : before;
                flux[frame] += Math.max(0, loud[frame][band] - before) / count;
            }
        }
        return flux;
    }

    /** The local maxima, as shares of what half of the notes reach; 0 elsewhere. */
    private static double[] peaks(double[] flux, int notes) {
        double[] peaks = new double[flux.length];
        for (int frame = 0; frame < flux.length; frame++) {
            boolean greatest = flux[frame] > 0;
            for (int near = Math.max(0, frame - AROUND); near <= Math.min(flux.length - 1, frame + AROUND); near++) {
                greatest &= flux[near] < flux[frame] || near >= frame;
                greatest &= flux[near] <= flux[frame];
            }
            if (greatest) {
                int first = Math.max(0, frame - MEAN_BEFORE);
                int end = Math.min(flux.length, frame + MEAN_AFTER + 1);
                peaks[frame] = Math.max(
                        0, flux[frame] - Arrays.stream(flux, first, end).sum() / (end - first));
            }
        }
        double[] sorted = peaks.clone();
        Arrays.sort(sorted);
        double usual = sorted[Math.max(0, sorted.length - Math.max(1, notes / 2))];
        for (int frame = 0; frame < peaks.length; frame++) {
            double share = usual <= 0 ? 0 : Math.min(1, peaks[frame] / usual);
            peaks[frame] = share < LEAST ? 0 : share;
        }
        return peaks;
    }

    /** The time of a frame of the flux: it looks back over a few. */
    double at(int frame) {
        return (frame - BACK / 2.0) * seconds;
    }

    private int frame(double at) {
        return (int) Math.round(at / seconds + BACK / 2.0);
    }

    /** The greatest peak within some seconds of a time, 0 where there is none. */
    double near(double at, double within) {
        double most = 0;
        for (int frame = Math.max(0, frame(at - within));
                frame <= Math.min(peaks.length - 1, frame(at + within));
                frame++) {
            most = Math.max(most, peaks[frame]);
        }
        return most;
    }

    /** All peaks, by frame. */
    double[] peaks() {
        return peaks;
    }

    /**
     * Where exactly the greatest attack within some seconds of a time is: the middle of its upper half.
     *
     * @return seconds, with the flux there; the flux is 0 where nothing begins
     */
    double[] exactly(double at, double within) {
        int first = Math.max(0, frame(at - within));
        int end = Math.min(flux.length - 1, frame(at + within));
        int best = -1;
        for (int frame = first; frame <= end; frame++) {
            best = best < 0 || flux[frame] > flux[best] ? frame : best;
        }
        if (best < 0 || flux[best] <= 0) {
            return new double[] {at, 0};
        }
        double sum = 0;
        double moment = 0;
        for (int frame = best; frame >= Math.max(0, best - AROUND) && flux[frame] > flux[best] / 2; frame--) {
            sum += flux[frame] - flux[best] / 2;
            moment += (flux[frame] - flux[best] / 2) * frame;
        }
        for (int frame = best + 1;
                frame <= Math.min(flux.length - 1, best + AROUND) && flux[frame] > flux[best] / 2;
                frame++) {
            sum += flux[frame] - flux[best] / 2;
            moment += (flux[frame] - flux[best] / 2) * frame;
        }
        return new double[] {(moment / sum - BACK / 2.0) * seconds, flux[best]};
    }
}
