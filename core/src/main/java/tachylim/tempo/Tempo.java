package tachylim.tempo;

import tachylim.codec.Codec;
import tachylim.words.Reason;
import tachylim.words.Refusal;

/**
 * A tempo in beats per minute (BPM) of a passage's beat unit.
 *
 * <p>With {@code n} notes to a beat at tempo {@code v} the rate is {@code r = v·n/60} notes per second
 * and the gap between two notes is {@code 60/(v·n)} seconds. Valid values run from {@value #MIN} to
 * {@value #MAX} BPM. Arithmetic never rounds; {@link #onMetronome()} does, once, at the edge.
 *
 * <p>This class is immutable.
 *
 * @param bpm beats per minute, {@value #MIN} to {@value #MAX}
 */
public record Tempo(double bpm) implements Comparable<Tempo>, Reason.Figure {

    /** The slowest tempo accepted, in BPM. */
    public static final int MIN = 20;

    /** The fastest tempo accepted, in BPM. */
    public static final int MAX = 400;

    /** What is said of a tempo outside the range. */
    public static final String RANGE = "refusal.tempo least=" + MIN + " most=" + MAX;

    /** A tempo stands in a document as its beats a minute. */
    public static final Codec<Tempo> CODEC = Codec.NUMBER.as(Tempo::of, Tempo::bpm);

    private static final double SECONDS_PER_MINUTE = 60;

    /**
     * @throws IllegalArgumentException if {@code bpm} is not within {@value #MIN}..{@value #MAX}
     */
    public Tempo {
        if (!(bpm >= MIN && bpm <= MAX)) {
            throw Refusal.of("refusal.tempoNot", "least", MIN, "most", MAX, "bpm", bpm);
        }
    }

    /** The tempo of {@code bpm} beats per minute. */
    public static Tempo of(double bpm) {
        return new Tempo(bpm);
    }

    /**
     * The tempo nearest to {@code bpm} that is valid: for results of calculations, which may leave
     * the range, never for what a player typed.
     */
    public static Tempo clamped(double bpm) {
        return new Tempo(Math.max(MIN, Math.min(MAX, bpm)));
    }

    /** This tempo times {@code ratio}, kept within the valid range. */
    public Tempo times(double ratio) {
        return clamped(bpm * ratio);
    }

    /** This tempo as a fraction of {@code other}, without unit. */
    public double ratioTo(Tempo other) {
        return bpm / other.bpm;
    }

    /** The whole number of BPM a metronome would be set to. */
    public Tempo onMetronome() {
        return clamped(Math.round(bpm));
    }

    /** How long {@code beats} beats last, in seconds. */
    public double secondsFor(double beats) {
        return beats * SECONDS_PER_MINUTE / bpm;
    }

    /** The rate in notes per second with {@code notesPerBeat} equal notes to the beat. */
    public double rate(double notesPerBeat) {
        return bpm * notesPerBeat / SECONDS_PER_MINUTE;
    }

    /** The gap in seconds between neighbouring notes with {@code notesPerBeat} to the beat. */
    public double gap(double notesPerBeat) {
        return SECONDS_PER_MINUTE / (bpm * notesPerBeat);
    }

    /** The natural logarithm of the tempo: the scale on which ceilings are estimated. */
    public double log() {
        return Math.log(bpm);
    }

    /** The slower of two tempos. */
    public static Tempo slower(Tempo a, Tempo b) {
        return a.bpm <= b.bpm ? a : b;
    }

    @Override
    public int compareTo(Tempo other) {
        return Double.compare(bpm, other.bpm);
    }

    /** The tempo as a metronome shows it, for sentences: {@code 132}. */
    /** Whole beats a minute, as a metronome shows them. */
    @Override
    public Number figure() {
        return Math.round(bpm);
    }

    @Override
    public String toString() {
        return String.valueOf(Math.round(bpm));
    }
}
