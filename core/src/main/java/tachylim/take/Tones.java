package tachylim.take;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.function.IntToDoubleFunction;
import java.util.stream.IntStream;

/**
 * How much each of the asked sounds is heard at each moment: a template of harmonics for every set of pitches, held against the
 * spectrum after the noise is taken out (in the manner of Klapuri 2006).
 */
final class Tones {

    private static final double WINDOW_SECONDS = 0.0464;
    private static final double LONG_UNDER = 50;
    private static final double HIGHEST = 5_200;
    private static final double HIGHEST_HARMONIC = 5_000;
    private static final int HARMONICS = 20;
    private static final double NOISE_TAKEN = 1.3;
    private static final double WIDTH = 0.012;
    private static final int MOST_CENTS = 40;
    /** Every so many frames are enough to find a tuning by, or a transposition. */
    private static final int TUNED_BY = 3;

    private static final int COMPARED_BY = 12;
    /** Every pitch that may sound in place of one that was asked. */
    private static final int LOWEST_RIVAL = 24;

    private static final int HIGHEST_RIVAL = 104;
    private static final int SURE_BY = 2;
    private static final double FLOOR_DB = 4;
    private static final double UNDER_DB = 30;

    /** What is usual is what so much of the playing stays under; drums are silent most of the time. */
    private static final double USUAL = 0.7;

    private static final double STRUCK = 0.95;

    /** Who leaves off early is silent for most of the take as well: what is usual is no further under the loudest, in decibels. */
    private static final double LEFT_OFF_DB = 6;

    /** Frames in which an attack is at its loudest. */
    private static final int ATTACK = 10;

    private final double seconds;
    private final double width;
    private final float[][] heard;
    private final double[] strength;
    private final double usual;
    private final boolean[] sounding;
    private final int[] soundOf;
    private final double[][] templates;
    private final double[][] rivals;
    private final double[][] amounts;
    private final double overNoise;
    private final boolean longWindow;

    private Tones(
            double seconds,
            double width,
            float[][] heard,
            double[] strength,
            boolean[] sounding,
            int[] soundOf,
            double[][] templates,
            double[][] rivals,
            double overNoise,
            boolean longWindow) {
        this.seconds = seconds;
        this.width = width;
        this.heard = heard;
        this.strength = strength;
        this.usual = Math.max(1e-9, Quiet.quantile(only(strength, sounding), USUAL));
        this.sounding = sounding;
        this.soundOf = soundOf;
        this.templates = templates;
        this.rivals = rivals;
        this.overNoise = overNoise;
        this.longWindow = longWindow;
        this.amounts = new double[templates.length][heard.length];
        for (int sound = 0; sound < templates.length; sound++) {
            for (int frame = 0; frame < heard.length; frame++) {
                amounts[sound][frame] = product(heard[frame], templates[sound]);
            }
        }
    }

    static int powerOfTwo(double samples) {
        return 1 << Math.max(5, (int) Math.round(Math.log(samples) / Math.log(2)));
    }

    static Tones in(Take take, Clicks clicks, Signal signal) {
        boolean low =
                take.notes().stream().flatMap(note -> note.pitches().stream()).anyMatch(pitch -> pitch < LONG_UNDER);
        int usualWindow = powerOfTwo(WINDOW_SECONDS * signal.rate());
        int window = low ? 2 * usualWindow : usualWindow;
        int hop = usualWindow / 8;
        float[][] spectrum = signal.magnitudes(window, hop, HIGHEST);
        double seconds = hop / signal.rate();
        float[] noise = Quiet.noise(take, clicks, spectrum, seconds);
        float[][] heard = new float[spectrum.length][noise.length];
        double[] level = new double[spectrum.length];
        double[] strength = new double[spectrum.length];
        double floor = 0;
        for (float bin : noise) {
            floor += bin * bin;
        }
        for (int frame = 0; frame < heard.length; frame++) {
            double power = 0;
            double square = 0;
            for (int bin = 1; bin < noise.length; bin++) {
                power += spectrum[frame][bin] * spectrum[frame][bin];
                heard[frame][bin] =
                        (float) Math.max(0, Math.sqrt(spectrum[frame][bin]) - NOISE_TAKEN * Math.sqrt(noise[bin]));
                square += heard[frame][bin] * heard[frame][bin];
            }
            level[frame] = 10 * Math.log10(power + 1e-12);
            strength[frame] = Math.sqrt(square);
        }
        double floorDb = 10 * Math.log10(floor + 1e-12);
        double playedFrom = take.due(0) - 0.2;
        double[] played = IntStream.range(0, level.length)
                .filter(frame -> frame * seconds >= playedFrom)
                .mapToDouble(frame -> level[frame])
                .toArray();
        double struckDb = Quiet.quantile(played, STRUCK);
        double usualDb = take.isPitched() ? Math.max(Quiet.quantile(played, USUAL), struckDb - LEFT_OFF_DB) : struckDb;
        boolean[] sounding = new boolean[level.length];
        for (int frame = 0; frame < level.length; frame++) {
            sounding[frame] = level[frame] > Math.max(floorDb + FLOOR_DB, usualDb - UNDER_DB) && strength[frame] > 0;
        }
        Map<List<Integer>, Integer> sounds = new LinkedHashMap<>();
        int[] soundOf = new int[take.notes().size()];
        for (int note = 0; note < soundOf.length; note++) {
            List<Integer> pitches = take.notes().get(note).pitches();
            soundOf[note] = sounds.computeIfAbsent(pitches, at -> sounds.size());
        }
        double width = signal.rate() / window;
        double[][] templates = tuned(new ArrayList<>(sounds.keySet()), heard, sounding, width);
        double[][] rivals = IntStream.rangeClosed(LOWEST_RIVAL, HIGHEST_RIVAL)
                .mapToObj(pitch -> template(List.of(pitch), 0, noise.length, width))
                .toArray(double[][]::new);
        return new Tones(seconds, width, heard, strength, sounding, soundOf, templates, rivals, usualDb - floorDb, low);
    }

    private static double[] only(double[] values, boolean[] which) {
        return IntStream.range(0, values.length)
                .filter(i -> which[i])
                .mapToDouble(i -> values[i])
                .toArray();
    }

    /** The templates at the common tuning that fits best. */
    private static double[][] tuned(List<List<Integer>> sounds, float[][] heard, boolean[] sounding, double width) {
        double[][] best = null;
        double most = -1;
        boolean pitched = sounds.stream().noneMatch(List::isEmpty);
        for (int cents = -MOST_CENTS; cents <= MOST_CENTS; cents += 10) {
            double[][] templates = new double[sounds.size()][];
            for (int sound = 0; sound < templates.length; sound++) {
                templates[sound] = template(sounds.get(sound), cents, heard[0].length, width);
            }
            if (!pitched) {
                return templates;
            }
            double sum = like(templates, heard, sounding, TUNED_BY);
            if (sum > most) {
                most = sum;
                best = templates;
            }
        }
        return best;
    }

    /** How like some frames are to the template that each is most like, summed over every so many of them. */
    private static double like(double[][] templates, float[][] heard, boolean[] sounding, int every) {
        double sum = 0;
        for (int frame = 0; frame < heard.length; frame += every) {
            double most = 0;
            for (double[] template : templates) {
                most = Math.max(most, sounding[frame] ? product(heard[frame], template) / norm(heard[frame]) : 0);
            }
            sum += most;
        }
        return sum;
    }

    /** How like what sounds is to the same notes at other pitches, to be compared with others alone. */
    double like(Take other) {
        double[][] others = new double[templates.length][];
        for (int note = 0; note < soundOf.length; note++) {
            others[soundOf[note]] = template(other.notes().get(note).pitches(), 0, heard[0].length, width);
        }
        return like(others, heard, sounding, COMPARED_BY);
    }

    private static double[] template(List<Integer> pitches, double cents, int bins, double width) {
        double[] template = new double[bins];
        for (int pitch : pitches) {
            double lowest = 440 * Math.pow(2, (pitch - 69 + cents / 100) / 12);
            for (int harmonic = 1; harmonic <= HARMONICS && harmonic * lowest < HIGHEST_HARMONIC; harmonic++) {
                double at = harmonic * lowest / width;
                double sd = Math.max(1, WIDTH * at);
                for (int bin = Math.max(1, (int) (at - 3 * sd)); bin < Math.min(bins, at + 3 * sd + 1); bin++) {
                    double off = (bin - at) / sd;
                    template[bin] = Math.max(template[bin], Math.exp(-off * off / 2) / Math.sqrt(harmonic));
                }
            }
        }
        return unit(template);
    }

    private static double[] unit(double[] values) {
        double square = 0;
        for (double value : values) {
            square += value * value;
        }
        double norm = Math.sqrt(square);
        double[] unit = new double[values.length];
        for (int i = 0; i < unit.length; i++) {
            unit[i] = norm == 0 ? 0 : values[i] / norm;
        }
        return unit;
    }

    private static double norm(float[] values) {
        double square = 0;
        for (float value : values) {
            square += value * value;
        }
        return Math.sqrt(square) + 1e-12;
    }

    private static double product(float[] values, double[] template) {
        double sum = 0;
        for (int i = 0; i < template.length; i++) {
            sum += values[i] * template[i];
        }
        return sum;
    }

    double seconds() {
        return seconds;
    }

    int frames() {
        return heard.length;
    }

    boolean isSounding(int frame) {
        return sounding[frame];
    }

    /** Which of the sounds a note has. */
    int soundOf(int note) {
        return soundOf[note];
    }

    int sounds() {
        return templates.length;
    }

    /** How much of a sound is heard in a frame. */
    double amount(int sound, int frame) {
        return amounts[sound][frame];
    }

    /** How like a frame is to a sound, 0 to 1. */
    double likeness(int sound, int frame) {
        return strength[frame] <= 0 ? 0 : amounts[sound][frame] / strength[frame];
    }

    /** How much a sound begins at a frame, 0 to 1: by how much more of it is heard a little later than a little earlier. */
    double rise(int sound, int frame) {
        int before = Math.max(0, frame - 4);
        int after = Math.min(heard.length - 1, frame + 4);
        double more = amounts[sound][after] - amounts[sound][before];
        return Math.max(0, Math.min(1, 1.5 * more / (0.6 * usual)));
    }

    /**
     * How like what sounds from a frame to another is to a sound, as a share of how like it is to the pitch that it is most like: 0
     * to 1. Empty where nothing sounds.
     *
     * @param pitches those of the sound: their octaves have the same names and half of their harmonics, and are no rivals
     */
    OptionalDouble likeItsOwn(List<Integer> pitches, int sound, int from, int to) {
        int frames = 0;
        double own = 0;
        double[] others = new double[rivals.length];
        for (int frame = Math.max(0, from); frame < Math.min(heard.length, to); frame += SURE_BY) {
            if (sounding[frame]) {
                frames++;
                own += likeness(sound, frame);
                for (int i = 0; i < others.length; i++) {
                    others[i] += product(heard[frame], rivals[i]) / strength[frame];
                }
            }
        }
        double most = own;
        for (int i = 0; i < others.length; i++) {
            most = isOctaveOf(pitches, LOWEST_RIVAL + i) ? most : Math.max(most, others[i]);
        }
        return frames == 0 ? OptionalDouble.empty() : OptionalDouble.of(most == 0 ? 0 : own / most);
    }

    /** One or two octaves up or down from any of them. */
    private static boolean isOctaveOf(List<Integer> pitches, int rival) {
        for (int pitch : pitches) {
            int apart = Math.abs(pitch - rival);
            if (apart == 12 || apart == 24) {
                return true;
            }
        }
        return false;
    }

    /** How loud a frame is, as a share of what is usual in the take. */
    double loudness(int frame) {
        return Math.min(1, strength[frame] / usual);
    }

    /** How like what sounds is to what was asked, in the middle of the take: 0 to 1. */
    double fit() {
        return fit(templates);
    }

    /** The same to whichever pitch it is most like. */
    double fitOfAny() {
        return fit(rivals);
    }

    private double fit(double[][] sounds) {
        return inTheMiddle(frame -> {
            double most = 0;
            for (double[] sound : sounds) {
                most = Math.max(most, product(heard[frame], sound) / strength[frame]);
            }
            return most;
        });
    }

    /**
     * Over how much of the range what sounds is spread, in the middle of the take: a tone has its power in a few places, a drum has
     * it all over (the participation ratio of the bins' powers).
     */
    double spread() {
        return inTheMiddle(frame -> {
            double power = 0;
            double square = 0;
            for (float bin : heard[frame]) {
                power += (double) bin * bin;
                square += (double) bin * bin * bin * bin;
            }
            return power * power / (square * heard[frame].length);
        });
    }

    /** The median over every so many of the frames that sound. */
    private double inTheMiddle(IntToDoubleFunction of) {
        return Quiet.quantile(
                IntStream.range(0, heard.length)
                        .filter(frame -> sounding[frame] && frame % TUNED_BY == 0)
                        .mapToDouble(of)
                        .toArray(),
                0.5);
    }

    /** How loud what begins at a frame gets, in decibels over what is usual in the take. */
    double attack(int frame) {
        double most = 1e-6 * usual;
        for (int at = frame; at < Math.min(strength.length, frame + ATTACK); at++) {
            most = Math.max(most, strength[at]);
        }
        // The strength is that of square roots.
        return 40 * Math.log10(most / usual);
    }

    double[] template(int sound) {
        return templates[sound];
    }

    /** What is heard in a frame, bin by bin. */
    float[] spectrum(int frame) {
        return heard[frame];
    }

    /** By how many decibels the playing stands out of the noise. */
    double overNoise() {
        return overNoise;
    }

    boolean isLongWindow() {
        return longWindow;
    }

    /** The same with other templates: part what was asked, part what was heard. */
    Tones with(double[][] others) {
        return new Tones(seconds, width, heard, strength, sounding, soundOf, others, rivals, overNoise, longWindow);
    }
}
