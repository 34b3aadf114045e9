package tachylim.take;

import java.util.List;
import tachylim.passage.InstrumentFamily;

/**
 * A recorded pass, with what was asked. This class is immutable as long as nobody changes its samples.
 *
 * @param samples one channel, −1 to 1
 * @param rate samples a second, 8,000 to 96,000
 * @param notes what was asked, in order; not empty
 * @param tempo beats a minute, above 0
 * @param start when beat 0 was due, in seconds of the recording
 * @param clicks when clicks were due, in seconds of the recording, those of the count-in among them
 * @param family what it was played on
 */
public record Take(
        float[] samples,
        double rate,
        List<Asked> notes,
        double tempo,
        double start,
        List<Double> clicks,
        InstrumentFamily family) {

    private static final double SLOWEST = 8_000;
    private static final double FASTEST = 96_000;

    /**
     * @throws IllegalArgumentException if it asks for nothing, or not at a tempo, or its rate is out of range
     */
    public Take {
        if (notes.isEmpty() || !(tempo > 0) || !(rate >= SLOWEST && rate <= FASTEST)) {
            throw new IllegalArgumentException(
                    "A take of " + notes.size() + " notes at " + tempo + " BPM, " + rate + " Hz");
        }
        notes = List.copyOf(notes);
        clicks = List.copyOf(clicks);
    }

    /** When a note was due, in seconds of the recording. */
    double due(int note) {
        return start + notes.get(note).beat() * 60 / tempo;
    }

    /** When its last note was to end, in seconds of the recording. */
    double over() {
        return due(notes.size() - 1) + notes.get(notes.size() - 1).beats() * 60 / tempo;
    }

    /** The interval that was asked from a note to the next, in seconds. */
    double interval(int note) {
        return due(note + 1) - due(note);
    }

    boolean isPitched() {
        return notes.stream().noneMatch(note -> note.pitches().isEmpty());
    }

    /** The same asked for as a rhythm alone. */
    Take unpitched() {
        List<Asked> rhythm = notes.stream()
                .map(note -> new Asked(note.beat(), note.beats(), List.of()))
                .toList();
        return new Take(samples, rate, rhythm, tempo, start, clicks, family);
    }

    /** The same asked for so many semitones higher. */
    Take transposed(int semitones) {
        List<Asked> other = notes.stream()
                .map(note -> new Asked(
                        note.beat(),
                        note.beats(),
                        note.pitches().stream().map(pitch -> pitch + semitones).toList()))
                .toList();
        return new Take(samples, rate, other, tempo, start, clicks, family);
    }

    /** The same with its first note due at a time, in seconds of the recording. */
    Take from(double begin) {
        return new Take(samples, rate, notes, tempo, begin - notes.get(0).beat() * 60 / tempo, clicks, family);
    }

    /** The same with clicks at some times, in seconds of the recording. */
    Take with(List<Double> sent) {
        return new Take(samples, rate, notes, tempo, start, sent, family);
    }

    /** One of several passes in it, on a clock that begins {@code from} seconds later. */
    Take pass(List<Asked> ofPass, double from) {
        return new Take(samples, rate, ofPass, tempo, start - from, clicks, family);
    }

    /** Whether what is played rings on by itself. */
    boolean rings() {
        return switch (family) {
            case PLUCKED, KEYBOARD, MALLET -> true;
            case WIND, BRASS, BOWED, FREE_REED, OTHER -> false;
        };
    }
}
