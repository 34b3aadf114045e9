package tachylim.workout;

import java.util.ArrayList;
import java.util.List;
import org.apache.commons.numbers.fraction.Fraction;
import tachylim.passage.Note;
import tachylim.passage.Passage;
import tachylim.task.Pulse;

/** Writes music out as it goes to a click that stays while its notes change: the slow ones so many times longer. */
final class Spread {

    private Spread() {}

    static Passage of(Passage music, Pulse.Switching pulse) {
        List<Note> notes = new ArrayList<>();
        for (Note note : music.notes()) {
            Fraction onset = clicks(note.onset(), pulse);
            notes.add(note.at(onset, clicks(note.end(), pulse).subtract(onset)));
        }
        Fraction length = clicks(music.length(), pulse);
        List<Fraction> lines = new ArrayList<>();
        for (Fraction line = music.barBeats(); line.compareTo(length) < 0; line = line.add(music.barBeats())) {
            lines.add(line);
        }
        return new Passage(music.meter(), music.beatUnit(), music.key(), lines, notes, length);
    }

    /** As {@link Pulse.Switching#clicks}, exactly. */
    private static Fraction clicks(Fraction beats, Pulse.Switching pulse) {
        Fraction from = Fraction.of(pulse.from());
        Fraction to = Fraction.of(pulse.from() + pulse.quick());
        Fraction before = least(beats, from);
        Fraction within = least(beats, to).subtract(before);
        Fraction after = beats.subtract(least(beats, to));
        return before.add(after).multiply(pulse.spread()).add(within);
    }

    private static Fraction least(Fraction a, Fraction b) {
        return a.compareTo(b) <= 0 ? a : b;
    }
}
