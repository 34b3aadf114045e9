package tachylim.take;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;

/**
 * Passes in a recording that was made elsewhere, one after another at a stated tempo, with a click in it or without: nobody says
 * when they begin. They are looked for by the alignment that measures a take, which may go back to the first note as often as
 * it likes; each is then measured by itself.
 */
public final class Recorded {

    /** A longer recording is not measured, in seconds. */
    public static final double LONGEST = 600;

    /** A pass that should last longer is not looked for, in seconds. */
    public static final double LONGEST_PASS = 200;

    /** So much is looked through at once: three passes of short ones, and no less than this, in seconds. */
    private static final double BLOCK = 30;

    private static final int PASSES_A_BLOCK = 3;

    /** Of long passes less: what is looked through at once is laid out in memory. */
    private static final double LONG_BLOCK = 90;

    private static final double PASSES_A_LONG_BLOCK = 1.5;

    /** Of what is heard before a pass so much belongs to it, and so much after what it should last, in seconds. */
    private static final double BEFORE = 1;

    private static final double AFTER = 2;
    private static final double SLOWEST = 1.18;

    /** A pass is over so long before the next begins, in seconds. */
    private static final double APART = 0.07;

    /** A pass of which less than this share was played is none. */
    private static final double LEAST_PLAYED = 0.2;

    /** Clicks of a count-in that are listened to. */
    private static final int COUNTED = 8;

    /** The beat of a first note is known no better than this, in seconds. */
    private static final double VAGUE = 0.2;

    private static final int NEAR_FIRST = 1;
    private static final int NEAR_LAST = 2;
    private static final int MOST_MISSED_AT_FIRST = 3;

    private Recorded() {}

    /**
     * A pass that was found.
     *
     * @param seconds when it begins
     * @param measured what was measured of it, its times those of the recording
     */
    public record Found(double seconds, Measured measured) {}

    /**
     * The passes of a recording.
     *
     * @param take what was recorded, with the notes of one pass; its start and its clicks say nothing
     * @return in order; none where nothing like it was played
     * @throws IllegalArgumentException if it is longer than {@value #LONGEST} seconds, or a pass should last more than
     *     {@value #LONGEST_PASS}
     */
    public static List<Found> passes(Take take) {
        Take asked = take.from(0);
        if (take.samples().length > LONGEST * take.rate() || lasts(asked) > LONGEST_PASS) {
            throw new IllegalArgumentException(
                    "More than " + LONGEST + " seconds, or a pass of more than " + LONGEST_PASS);
        }
        Signal signal = Signal.of(asked);
        List<Found> found = passes(asked, signal);
        // Of what sounds at other pitches than it is written nothing is found, or little.
        double middle = Math.max(0, signal.samples().length / signal.rate() / 2 - BLOCK / 2);
        Tones some = Tones.in(asked, Clicks.none(), signal.part(middle, middle + BLOCK));
        return Transposed.likely(asked, some)
                .map(other -> passes(other, signal))
                .filter(other -> asAsked(asked, other) >= asAsked(asked, found))
                .orElse(found);
    }

    /** How many notes were played as they were asked, in passes that are surely some. */
    private static int asAsked(Take asked, List<Found> found) {
        int notes = 0;
        for (Found one : found) {
            Measured measured = one.measured();
            notes += Listener.isSurely(asked, measured)
                    ? measured.onsets().size() - measured.wrong().size()
                    : 0;
        }
        return notes;
    }

    private static List<Found> passes(Take asked, Signal recording) {
        Signal signal = recording;
        List<Double> begins = begins(asked, signal);
        if (begins.isEmpty()) {
            return List.of();
        }
        Clicks clicks = clicks(asked, signal, begins.get(0));
        if (clicks.late().isPresent()) {
            signal = clicks.without(signal);
            begins = begins(asked, signal);
        }
        List<Found> found = new ArrayList<>();
        double begin = begins.get(0);
        double over = 0;
        for (int i = 0; i < begins.size(); i++) {
            double next = i + 1 < begins.size() ? begins.get(i + 1) - APART : Double.MAX_VALUE;
            Measured here = measured(asked, clicks, signal, begins.get(i), over, next);
            if (isOne(asked, here)) {
                begin = begins.get(i);
                found.add(new Found(here.onsets().get(0).seconds(), here));
            } else if (!found.isEmpty()) {
                // What is no pass may be the rest of the one before it, after a stop.
                Found last = found.remove(found.size() - 1);
                Measured longer =
                        measured(asked, clicks, signal, begin, found.isEmpty() ? 0 : over(asked, found), next);
                found.add(
                        isOne(asked, longer) ? new Found(longer.onsets().get(0).seconds(), longer) : last);
            }
            over = found.isEmpty() ? 0 : over(asked, found);
        }
        return found;
    }

    /** When the last of the passes that were found is over. */
    private static double over(Take asked, List<Found> found) {
        List<Onset> onsets = found.get(found.size() - 1).measured().onsets();
        Onset last = onsets.get(onsets.size() - 1);
        return last.seconds() + asked.notes().get(last.note()).beats() * 60 / asked.tempo();
    }

    private static Measured measured(Take asked, Clicks clicks, Signal signal, double begin, double over, double next) {
        double from = Math.max(0, Math.max(begin - BEFORE, Math.min(over, begin - APART)));
        double end = Math.min(begin + SLOWEST * lasts(asked) + AFTER, next);
        return Listener.measured(asked.from(begin - from), clicks.later(from), signal.part(from, end))
                .later(from);
    }

    /** Talk, tuning and other music are no passes. */
    static boolean isOne(Take asked, Measured measured) {
        return measured.why() != Measured.Why.NOT_THIS
                && measured.why() != Measured.Why.TOO_QUIET
                && measured.onsets().size()
                        >= Math.max(2, LEAST_PLAYED * asked.notes().size());
    }

    /** How long a pass is asked to last, in seconds. */
    private static double lasts(Take asked) {
        return asked.over() - asked.due(0);
    }

    private static List<Double> begins(Take asked, Signal signal) {
        double total = signal.samples().length / signal.rate();
        double lasts = lasts(asked);
        double block =
                Math.max(BLOCK, Math.min(PASSES_A_BLOCK * lasts, Math.max(LONG_BLOCK, PASSES_A_LONG_BLOCK * lasts)));
        List<Double> begins = new ArrayList<>();
        double from = 0;
        while (from < total) {
            double end = Math.min(total, from + block);
            List<Double> some = beginsIn(asked, signal.part(from, end));
            double last = some.isEmpty() ? end : from + some.get(some.size() - 1);
            // What is cut off by the end of the block is found whole in the next.
            boolean cut = end < total && (some.isEmpty() || last + SLOWEST * lasts > end);
            for (int i = 0; i < some.size() - (cut ? 1 : 0); i++) {
                begins.add(from + some.get(i));
            }
            double next = cut ? Math.min(last, end - Math.min(lasts, block / 2)) - APART : end;
            from = Math.max(next, from + BLOCK / 2);
        }
        return begins;
    }

    /** When each pass in a part of the recording begins, in its seconds. */
    private static List<Double> beginsIn(Take asked, Signal part) {
        Attacks attacks = Attacks.in(asked, Clicks.none(), part);
        Tones tones = Tones.in(asked, Clicks.none(), part);
        List<Alignment.Played> played = Alignment.anywhere(asked, Clicks.none(), attacks, tones);
        List<Double> begins = new ArrayList<>();
        int notes = asked.notes().size();
        for (int i = 0; i < played.size(); i++) {
            Alignment.Played one = played.get(i);
            if (i == 0 || isAnother(played.get(i - 1).note(), one.note(), notes)) {
                double before = (asked.due(one.note()) - asked.due(0));
                begins.add(Math.max(0, one.frame() * tones.seconds() - before));
            }
        }
        return begins;
    }

    /** Whether another pass begins where a note follows a later one: some go back in the middle of one. */
    private static boolean isAnother(int before, int note, int notes) {
        return note < before && (note <= NEAR_FIRST || before >= notes - NEAR_LAST && note <= MOST_MISSED_AT_FIRST);
    }

    /** The click, which comes with the beats of the first pass, before it and throughout. */
    private static Clicks clicks(Take asked, Signal signal, double begin) {
        double beat = 60 / asked.tempo();
        double total = signal.samples().length / signal.rate();
        double first = begin - asked.notes().get(0).beat() % 1 * beat - VAGUE;
        List<Double> sent = Stream.iterate(first - COUNTED * beat, at -> at < total, at -> at + beat)
                .filter(at -> at >= 0)
                .toList();
        return Clicks.in(asked.from(begin).with(sent), signal);
    }
}
