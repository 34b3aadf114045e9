package tachylim.notation.entry;

import java.util.ArrayList;
import java.util.List;
import org.apache.commons.numbers.fraction.Fraction;
import tachylim.notation.score.Grid;
import tachylim.notation.score.LineNote;
import tachylim.passage.Key;
import tachylim.passage.Meter;
import tachylim.passage.Passage;
import tachylim.passage.Pitch;
import tachylim.tempo.Tempo;
import tachylim.words.Refusal;

/** A rhythm that was tapped to a beat, drawn to a grid and barred. */
public final class TappedRhythm {

    /** More taps than this are refused. */
    public static final int MOST_TAPS = 500;

    /** Taps further apart than this from first to last are no rhythm, in seconds. */
    public static final int MOST_SECONDS = 600;

    private TappedRhythm() {}

    /**
     * What was tapped. This class is immutable.
     *
     * @param music the rhythm as a passage; its last note lasts a beat
     * @param grid what it was drawn to
     */
    public record Drawn(Passage music, Grid grid) {}

    /**
     * Draws taps to a grid; the first tap is on the first beat.
     *
     * @param seconds when each tap came
     * @param tempo the tempo tapped to, in beats of the meter's usual beat
     * @param grid the grid; null for the coarsest one that fits
     * @param pitches the notes the rhythm is for, in order; notes beyond them have no pitch
     * @throws IllegalArgumentException if there are no taps, too many, too far apart, or no times at all
     */
    public static Drawn of(
            List<Double> seconds, Tempo tempo, Meter meter, Key key, Grid grid, List<List<Pitch>> pitches) {
        if (seconds.isEmpty() || seconds.size() > MOST_TAPS) {
            throw Refusal.of("refusal.tappedRhythm.tap1ToTimesNot", "mostTaps", MOST_TAPS, "seconds", seconds.size());
        }
        double span = seconds.stream()
                .mapToDouble(second -> Math.abs(second - seconds.get(0)))
                .max()
                .orElse(0);
        if (!(span <= MOST_SECONDS)) {
            throw Refusal.of("refusal.tappedRhythm.tapsComeWithinMinutesOfThe", "mostSeconds", MOST_SECONDS / 60);
        }
        double quarter = tempo.secondsFor(1) / (meter.usualBeat().doubleValue() * 4);
        List<Double> quarters = seconds.stream()
                .map(second -> (second - seconds.get(0)) / quarter)
                .toList();
        Grid drawn = grid != null && grid.perQuarter() > 0 ? grid : Grid.fitting(quarters);
        List<Fraction> places = new ArrayList<>();
        for (double place : quarters) {
            Fraction next =
                    Fraction.of(Math.toIntExact(Math.round(place * drawn.perQuarter())), 4 * drawn.perQuarter());
            // Two taps on one place of the grid were meant as two notes only on a finer one.
            if (places.isEmpty() || next.compareTo(places.get(places.size() - 1)) > 0) {
                places.add(next);
            }
        }
        List<LineNote> notes = new ArrayList<>();
        for (int i = 0; i < places.size(); i++) {
            Fraction length = i + 1 < places.size() ? places.get(i + 1).subtract(places.get(i)) : meter.usualBeat();
            boolean pitched = places.size() == pitches.size();
            notes.add(new LineNote(places.get(i), length, pitched ? pitches.get(i) : List.of()));
        }
        return new Drawn(StepEntry.barred(notes, notes.get(notes.size() - 1).end(), meter, key), drawn);
    }
}
