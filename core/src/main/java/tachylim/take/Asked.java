package tachylim.take;

import java.util.List;

/**
 * A note as it was asked for. This class is immutable.
 *
 * @param beat where it begins, in beats from the first
 * @param beats how long it is, above 0
 * @param pitches its pitches as MIDI numbers; none where only the rhythm is known, as on paper or drums
 */
public record Asked(double beat, double beats, List<Integer> pitches) {

    public Asked {
        pitches = List.copyOf(pitches);
    }
}
