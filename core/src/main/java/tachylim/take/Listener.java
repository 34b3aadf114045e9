package tachylim.take;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import tachylim.passage.InstrumentFamily;

/** Measures a take: attacks and sounds, an alignment, a second one by what was heard of each sound, and exact times. */
public final class Listener {

    /** By which rules takes are measured: raised whenever figures may come out otherwise. */
    public static final int EDITION = 2;

    private static final double SLOWEST = 0.85;
    private static final double FASTEST = 1.18;
    private static final double LEAST_LIKE = 0.75;
    private static final int LEAST_FRAMES = 3;
    private static final int FULL_FRAMES = 12;
    private static final double HEARD = 0.6;

    /** Of what is struck and sounds less like its pitches than this, */
    private static final double LIKE_A_PITCH = 0.5;

    /** the rhythm tells more where it rings on into no pitch in particular: hardly more like any than like those that were asked; */
    private static final double AS_LIKE_ANY = 0.9;

    /** drums, whose pitches are names, are spread over more of the range than a tone, */
    private static final double MOST_OF_A_TONE = 0.042;

    /** and are somewhat more like another pitch: what is far more like others is another tune. */
    private static final double LIKE_ANY = 0.68;

    /** At other pitches so much must be played, and of that no more than this share may be missing or wrong. */
    private static final double LEAST_PLAYED = 0.5;

    private static final double MOST_UNHEARD = 0.25;

    /** A pass among others is heard from so long before its first note to so long after its last, in seconds. */
    private static final double BEFORE = 0.5;

    private static final double AFTER = 0.9;

    /** A note may come so much early and still belong to its own pass, in seconds. */
    private static final double APART = 0.07;

    private Listener() {}

    /** What was measured of a take. */
    public static Measured listen(Take take) {
        return listen(take, List.of(take.notes()), OptionalDouble.empty()).get(0);
    }

    /**
     * What was measured of each of several passes in one recording, as those of a set are.
     *
     * @param take the recording, asking for the first of them
     * @param passes what was asked in each, in order
     * @param usually how much later than it was sent the click was heard before by this microphone, in seconds: what counts where
     *     it is not heard this time; empty where nobody knows
     */
    public static List<Measured> listen(Take take, List<List<Asked>> passes, OptionalDouble usually) {
        Signal whole = Signal.of(take);
        Clicks clicks = Clicks.in(take, whole).usually(usually);
        Signal signal = clicks.without(whole);
        if (passes.size() == 1) {
            return List.of(measured(take, clicks, signal));
        }
        List<Measured> measured = new ArrayList<>();
        double late = clicks.expected().orElse(0);
        for (int i = 0; i < passes.size(); i++) {
            List<Asked> pass = passes.get(i);
            Take asked = take.pass(pass, 0);
            // What belongs to the passes before and after it would be taken for going back.
            double before = i == 0 ? 0 : take.pass(passes.get(i - 1), 0).over() + late;
            double after =
                    i + 1 < passes.size() ? take.pass(passes.get(i + 1), 0).due(0) + late - APART : Double.MAX_VALUE;
            double from =
                    Math.max(0, Math.max(asked.due(0) + late - BEFORE, Math.min(before, asked.due(0) + late - APART)));
            double end = Math.min(asked.over() + late + AFTER, after);
            measured.add(measured(take.pass(pass, from), clicks.later(from), signal.part(from, end))
                    .later(from));
        }
        return measured;
    }

    /** What was measured of a take whose click is known, in what is left without it. */
    static Measured measured(Take take, Clicks clicks, Signal signal) {
        Attacks attacks = Attacks.in(take, clicks, signal);
        Tones tones = Tones.in(take, clicks, signal);
        if (isRhythm(take, tones)) {
            return measured(take.unpitched(), clicks, attacks, Tones.in(take.unpitched(), clicks, signal));
        }
        Measured asked = measured(take, clicks, attacks, tones);
        return Transposed.likely(take, tones)
                .map(other -> measured(other, clicks, attacks, Tones.in(other, clicks, signal)))
                .filter(other -> isSurely(take, other) && unheard(other) < unheard(asked))
                .orElse(asked);
    }

    /** Whether nothing is told by the pitches of what was struck. */
    private static boolean isRhythm(Take take, Tones tones) {
        if (take.family() != InstrumentFamily.MALLET || !take.isPitched()) {
            return false;
        }
        double fit = tones.fit();
        double least = tones.spread() > MOST_OF_A_TONE ? LIKE_ANY : AS_LIKE_ANY;
        return fit < LIKE_A_PITCH && fit > least * tones.fitOfAny();
    }

    /** Whether what was heard at other pitches is what was asked: half of it at least, and of that nearly all. */
    static boolean isSurely(Take take, Measured other) {
        return other.verdict() != Measured.Suggested.CANNOT_TELL
                && last(other) + 1 >= LEAST_PLAYED * take.notes().size()
                && unheard(other) <= MOST_UNHEARD;
    }

    /** The share of notes that were not heard as they were asked, with the times that it was gone on elsewhere. */
    private static double unheard(Measured measured) {
        int last = last(measured);
        long missing = measured.missing().stream().filter(note -> note < last).count();
        long stops = measured.onsets().stream().filter(Onset::stopped).count();
        return last < 0 ? 1 : (missing + measured.wrong().size() + stops) / (last + 1.0);
    }

    private static int last(Measured measured) {
        return measured.onsets().stream().mapToInt(Onset::note).max().orElse(-1);
    }

    private static Measured measured(Take take, Clicks clicks, Attacks attacks, Tones tones) {
        List<Alignment.Played> first = Alignment.of(take, clicks, attacks, tones, 1);
        double ratio = ratio(take, tones, first);
        Tones learned = take.isPitched() ? learned(tones, first) : tones;
        List<Alignment.Played> played = Alignment.of(take, clicks, attacks, learned, ratio);
        List<Onset> onsets = Timing.of(take, attacks, learned, played);
        return Judge.of(take, onsets, WrongNotes.in(take, tones, learned, onsets), learned.overNoise(), clicks.late());
    }

    /** What is to be said of a take whose onsets are known, and which of its notes sounded otherwise than asked. */
    public static Measured judged(Take take, List<Onset> onsets, List<Integer> wrong) {
        return Judge.of(take, onsets, wrong, Double.MAX_VALUE, OptionalDouble.of(0));
    }

    /** The median of the intervals that were played over those that were asked, next to next. */
    private static double ratio(Take take, Tones tones, List<Alignment.Played> played) {
        List<Double> ratios = new ArrayList<>();
        for (int i = 1; i < played.size(); i++) {
            Alignment.Played one = played.get(i);
            if (one.note() == played.get(i - 1).note() + 1 && !one.stopped()) {
                ratios.add((one.frame() - played.get(i - 1).frame()) * tones.seconds() / take.interval(one.note() - 1));
            }
        }
        double median =
                Quiet.quantile(ratios.stream().mapToDouble(Double::doubleValue).toArray(), 0.5);
        return ratios.isEmpty() ? 1 : Math.max(SLOWEST, Math.min(FASTEST, median));
    }

    /** Templates that are part what was asked, and part what was heard in the middle of the notes, where that was like it. */
    private static Tones learned(Tones tones, List<Alignment.Played> played) {
        double[][] templates = new double[tones.sounds()][];
        for (int sound = 0; sound < templates.length; sound++) {
            double[] asked = tones.template(sound);
            double[] sum = new double[asked.length];
            int frames = 0;
            for (int i = 0; i + 1 < played.size(); i++) {
                if (tones.soundOf(played.get(i).note()) != sound) {
                    continue;
                }
                int from = played.get(i).frame();
                int length = played.get(i + 1).frame() - from;
                for (int frame = from + length / 4; frame < from + 3 * length / 4; frame++) {
                    if (tones.isSounding(frame) && isLike(tones, sound, frame)) {
                        float[] heard = tones.spectrum(frame);
                        for (int bin = 0; bin < sum.length; bin++) {
                            sum[bin] += heard[bin];
                        }
                        frames++;
                    }
                }
            }
            double share = frames < LEAST_FRAMES ? 0 : HEARD * Math.min(1, frames / (double) FULL_FRAMES);
            templates[sound] = mixed(asked, sum, share);
        }
        return tones.with(templates);
    }

    private static boolean isLike(Tones tones, int sound, int frame) {
        double most = 0;
        for (int other = 0; other < tones.sounds(); other++) {
            most = Math.max(most, tones.likeness(other, frame));
        }
        return tones.likeness(sound, frame) >= LEAST_LIKE * most;
    }

    private static double[] mixed(double[] asked, double[] heard, double share) {
        double norm = Math.sqrt(Timing.product(heard, heard));
        double[] mixed = new double[asked.length];
        for (int bin = 0; bin < mixed.length; bin++) {
            mixed[bin] = (1 - share) * asked[bin] + (norm == 0 ? 0 : share * heard[bin] / norm);
        }
        double all = Math.sqrt(Timing.product(mixed, mixed));
        for (int bin = 0; bin < mixed.length; bin++) {
            mixed[bin] = all == 0 ? 0 : mixed[bin] / all;
        }
        return mixed;
    }
}
