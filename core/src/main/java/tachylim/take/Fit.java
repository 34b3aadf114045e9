package tachylim.take;

import java.util.Arrays;
import java.util.HashMap;
import java.util.Map;
import java.util.stream.IntStream;

/** What speaks for a note to begin at a moment and to sound up to another, as log likelihoods. */
final class Fit {

    static final double NONE = Double.NEGATIVE_INFINITY;
    private static final double PEAK_COST = 3;
    private static final int PEAK_MARGIN = 4;
    private static final double SWALLOWED = 5;
    private static final double SWALLOWED_RINGING = 3.5;
    private static final double LOST_A_FRAME = 0.1;

    /** What is struck rings on after the last note for so many seconds, and the fingers that leave it are heard. */
    private static final double RINGS_ON = 1.5;

    private static final double RINGING_A_FRAME = 0.02;
    private static final double RINGING_PEAK_COST = 0.8;
    private static final double SILENT = 0.05;
    private static final int LEAST_APART = 5;

    /** Over what rings on a new sound is heard in its first frames, if at all. */
    private static final int STRUCK = 12;

    /** A longer note tells no more of its sound than one of so many frames: what is heard in neighbours is the same. */
    private static final double TELLING = 16;

    /** A note that does not sound as asked costs no more than this, or it would be cheaper to go elsewhere and back. */
    private static final double MOST_UNLIKE = 10;

    private static final double SHORTEST = 0.2;
    private static final double NO_SOUND = 12;
    private static final double EARLIEST = 0.15;
    private static final double FAR_TOO_EARLY = 0.3;
    private static final double LATEST = 0.6;
    /** Where the click is heard the first note comes with it, or nearly so. */
    private static final double AROUND = 0.25;

    private static final double EARLY = 0.15;
    private static final double LATE = 0.08;

    /** The furthest note that may follow another without a stop. */
    static final int FURTHEST = 3;

    private final Take take;
    private final Clicks clicks;
    private final Tones tones;
    private final double ratio;
    private final boolean anywhere;
    private final int notes;
    private final boolean pitched;
    private final boolean rings;
    private final double[] due;
    private final int[] lengths;
    private final int[] at;
    private final double[][] emitted;
    private final double[][] onsets;
    private final double[] near;
    private final double[] peaks;
    private final double[] sounding;
    private final double[][][] durations;

    /**
     * @param anywhere whether nobody knows when the playing begins
     */
    Fit(Take take, Clicks clicks, Attacks attacks, Tones tones, double ratio, boolean anywhere) {
        this.take = take;
        this.clicks = clicks;
        this.tones = tones;
        this.ratio = ratio;
        this.anywhere = anywhere;
        this.notes = take.notes().size();
        this.pitched = take.isPitched();
        this.rings = take.rings();
        this.due = IntStream.range(0, notes).mapToDouble(take::due).toArray();
        this.lengths = take.notes().stream()
                .mapToInt(note -> (int) Math.ceil(note.beats() * 60 / take.tempo() * ratio / tones.seconds()))
                .toArray();
        this.durations = durations();
        int frames = tones.frames();
        this.peaks = new double[frames + 1];
        double[] all = attacks.peaks();
        double[] byFrame = new double[frames];
        for (int frame = 0; frame < all.length; frame++) {
            int to = (int) Math.round(attacks.at(frame) / tones.seconds());
            if (to >= 0 && to < frames) {
                byFrame[to] = Math.max(byFrame[to], all[frame]);
            }
        }
        this.sounding = new double[frames + 1];
        for (int frame = 0; frame < frames; frame++) {
            peaks[frame + 1] = peaks[frame] + byFrame[frame];
            sounding[frame + 1] = sounding[frame] + (tones.isSounding(frame) ? 1 : 0);
        }
        this.emitted = new double[tones.sounds()][frames + 1];
        for (int frame = 0; frame < frames; frame++) {
            double most = most(frame);
            for (int sound = 0; sound < emitted.length; sound++) {
                emitted[sound][frame + 1] = emitted[sound][frame] + emission(sound, frame, most);
            }
        }
        this.at = candidates(byFrame);
        this.near = Arrays.stream(at)
                .mapToDouble(frame -> attacks.near(frame * tones.seconds(), 2 * tones.seconds()))
                .toArray();
        this.onsets = new double[tones.sounds()][at.length];
        for (int sound = 0; sound < onsets.length; sound++) {
            for (int c = 0; c < at.length; c++) {
                onsets[sound][c] = onset(sound, c);
            }
        }
    }

    /** How like a frame is to what it is most like. */
    private double most(int frame) {
        double most = 0;
        for (int sound = 0; sound < tones.sounds(); sound++) {
            most = Math.max(most, tones.likeness(sound, frame));
        }
        return most;
    }

    private double emission(int sound, int frame, double most) {
        if (!pitched) {
            return 0;
        }
        if (!tones.isSounding(frame)) {
            return 0;
        }
        double of = tones.likeness(sound, frame);
        double weight = (0.3 + 0.7 * tones.loudness(frame)) * (rings ? 0.4 : 1);
        return weight * Math.max(-1.8, Math.min(most > 0.45 ? 0.4 : 0, 12 * (of - 0.88 * most)));
    }

    /** Only where something may begin: at attacks, where a sound rises, and every few frames. */
    private int[] candidates(double[] byFrame) {
        boolean[] may = new boolean[byFrame.length];
        for (int frame = 0; frame < may.length; frame++) {
            may[frame] = frame % 5 == 0 || byFrame[frame] > 0;
        }
        for (int sound = 0; pitched && sound < tones.sounds(); sound++) {
            for (int frame = 1; frame < may.length - 1; frame++) {
                double here = tones.rise(sound, frame);
                may[frame] |=
                        here > 0.15 && here >= tones.rise(sound, frame - 1) && here > tones.rise(sound, frame + 1);
            }
        }
        int count = 0;
        int[] at = new int[may.length];
        for (int frame = 0; frame < may.length; frame++) {
            if (may[frame]) {
                at[count++] = frame;
            }
        }
        return Arrays.copyOf(at, count);
    }

    /** What speaks for a sound to begin at a candidate. */
    private double onset(int sound, int c) {
        double byAttack = pitched ? rings ? 5.5 : 4 : 8;
        double byRise = pitched ? 4 : 0;
        double off = !pitched || rings ? 3.5 : 2.5;
        int end = Math.min(tones.frames(), at[c] + 5);
        double silent = sounding[end] - sounding[at[c]] < 2 ? NO_SOUND : 0;
        double rise = pitched ? tones.rise(sound, at[c]) : 0;
        return byAttack * near[c] + byRise * rise - off * (byAttack + byRise) / 8 - silent;
    }

    /** How many moments there are at which something may begin. */
    int moments() {
        return at.length;
    }

    /** The frame of a moment. */
    int frame(int moment) {
        return at[moment];
    }

    /** From one moment to another, in seconds. */
    double between(int from, int to) {
        return (at[to] - at[from]) * tones.seconds();
    }

    /** How strong the attack at a moment is, 0 to 1. */
    double attack(int moment) {
        return near[moment];
    }

    /** What a note that is left out costs. */
    double skip() {
        return rings || !pitched ? SWALLOWED_RINGING : SWALLOWED;
    }

    /** What speaks for a note to begin at a moment. */
    double begins(int note, int moment) {
        return onsets[tones.soundOf(note)][moment];
    }

    /** What speaks for a note to sound from one moment to another, and for nothing else to begin there. */
    double sounds(int note, int first, int end) {
        int from = at[first];
        int to = at[end];
        int sound = tones.soundOf(note);
        double inside = to - PEAK_MARGIN > from + PEAK_MARGIN ? peaks[to - PEAK_MARGIN] - peaks[from + PEAK_MARGIN] : 0;
        // In a rest after it nothing is missed.
        int over = Math.min(to, from + lengths[note]);
        double silent = pitched ? over - from - (sounding[over] - sounding[from]) : 0;
        int telling = rings ? Math.min(to, from + STRUCK) : to;
        double like =
                (emitted[sound][telling] - emitted[sound][from]) * (rings ? 1 : Math.min(1, TELLING / lengths[note]));
        return Math.max(-MOST_UNLIKE, like) - SILENT * silent - PEAK_COST * (pitched ? 1 : 1.5) * inside;
    }

    /** The seconds that are asked for from one note to another, or up to its end. */
    double asked(int from, int to) {
        double seconds =
                to < notes ? due[to] - due[from] : take.notes().get(from).beats() * 60 / take.tempo();
        return seconds * ratio;
    }

    /** What speaks for so long from one moment to another, where what is asked is from one note to another. */
    double lasts(int first, int end, int from, int to) {
        double[] known = durations[from][to - from - 1];
        int frames = at[end] - at[first];
        return frames < known.length ? known[frames] : duration(frames, asked(from, to));
    }

    /** By the note from which, and by how many notes further to where. */
    private double[][][] durations() {
        Map<Double, double[]> byAsked = new HashMap<>();
        double[][][] all = new double[notes][][];
        for (int note = 0; note < notes; note++) {
            int from = note;
            all[note] = IntStream.rangeClosed(note + 1, Math.max(note + 1, Math.min(notes - 1, note + FURTHEST)))
                    .mapToObj(to -> byAsked.computeIfAbsent(asked(from, to), this::durations))
                    .toArray(double[][]::new);
        }
        return all;
    }

    private double[] durations(double asked) {
        return IntStream.range(0, (int) ((2 * asked + 0.2) / tones.seconds()) + 1)
                .mapToDouble(frames -> duration(frames, asked))
                .toArray();
    }

    private double duration(int frames, double asked) {
        double off = Math.abs(frames * tones.seconds() - asked) / asked;
        double usual = Math.hypot(0.1, 0.015 / asked);
        double wide = 0.6;
        double here = 0.85 * Math.exp(-off / usual) / usual + 0.15 * Math.exp(-off / wide) / wide;
        return Math.log(here / (0.85 / usual + 0.15 / wide));
    }

    /** One attack is one note. */
    boolean isApart(int from, int to, double asked) {
        return at[to] - at[from] >= LEAST_APART && between(from, to) >= SHORTEST * asked;
    }

    /** What speaks for the playing to begin with a note at a moment. */
    double first(int note, int moment) {
        if (anywhere) {
            return idle(0, moment) - SWALLOWED * note;
        }
        double late =
                at[moment] * tones.seconds() - due[note] - clicks.expected().orElse(0);
        double latest = clicks.expected().isPresent() ? AROUND : LATEST;
        double earliest = clicks.expected().isPresent() ? AROUND : EARLIEST;
        if (late < -FAR_TOO_EARLY) {
            // That is the count-in, or somebody tuning.
            return NONE;
        }
        double frames = late < -earliest
                ? (-earliest - late) / tones.seconds() * EARLY
                : late > latest ? (late - latest) / tones.seconds() * LATE : 0;
        // Whoever begins late has left out what was heard until then.
        double unheard = late > latest ? -idle(before(moment, late - latest), moment) : 0;
        return -SWALLOWED * note - Math.max(frames, unheard);
    }

    /** The moment that is so many seconds before another. */
    private int before(int moment, double seconds) {
        int place = Arrays.binarySearch(at, at[moment] - (int) (seconds / tones.seconds()));
        return Math.max(0, place < 0 ? -place - 2 : place);
    }

    /** What speaks for nothing to be played between two moments. */
    double idle(int first, int end) {
        int from = at[first];
        int to = at[end];
        return -LOST_A_FRAME * (sounding[to] - sounding[from]) - PEAK_COST / 2 * (peaks[to] - peaks[from]);
    }

    /**
     * The same after the last note.
     *
     * @param since when that began
     */
    double over(int since, int first, int end) {
        if (!rings || !pitched || between(since, end) > RINGS_ON) {
            return idle(first, end);
        }
        int from = at[first];
        int to = at[end];
        return -RINGING_A_FRAME * (sounding[to] - sounding[from]) - RINGING_PEAK_COST * (peaks[to] - peaks[from]);
    }
}
