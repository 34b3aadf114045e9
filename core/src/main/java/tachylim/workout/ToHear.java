package tachylim.workout;

import java.util.ArrayList;
import java.util.List;
import tachylim.passage.Note;
import tachylim.passage.Passage;
import tachylim.passage.Pitch;
import tachylim.take.Asked;
import tachylim.task.Pulse;

/**
 * What a microphone is to hear of a pass: its notes where the click asks for them, told in beats of the tempo at which it is set,
 * from the end of the count-in. Each pass of a set is heard by itself.
 */
public final class ToHear {

    private ToHear() {}

    /**
     * The notes of each pass in a step.
     *
     * @param pass the step
     * @param music the music its notes belong to
     * @return none where there is no click to play to: then nothing says when a note is due
     */
    public static List<List<Asked>> in(Pass pass, Passage music) {
        if (pass.pulse() instanceof Pulse.Free) {
            return List.of();
        }
        Passage played = music.excerpt(pass.notes());
        double round = pass.rounds() == 1 ? 0 : pass.roundBeats(played);
        List<List<Asked>> passes = new ArrayList<>();
        for (int first = 0; first + pass.roundsEach() <= pass.rounds(); first += pass.roundsEach()) {
            List<Asked> notes = new ArrayList<>();
            for (int at = first; at < first + pass.roundsEach(); at++) {
                for (Note note : played.notes()) {
                    double from = note.onset().doubleValue() + at * round;
                    if (from < pass.beats() - 1e-9) {
                        notes.add(asked(note, from, pass));
                    }
                }
            }
            if (!notes.isEmpty()) {
                passes.add(notes);
            }
        }
        return passes;
    }

    /**
     * Where a note stands, as a player counts.
     *
     * @param bar from 1; 0 for a pickup
     * @param beat of the bar, from 1
     */
    public record Place(int bar, int beat) {

        private static Place of(Passage music, Note note) {
            int bar = 0;
            while (bar + 1 < music.bars() && music.barStart(bar + 1).compareTo(note.onset()) <= 0) {
                bar++;
            }
            double into = note.onset().subtract(music.barStart(bar)).doubleValue();
            boolean before = music.hasPickup() && bar == 0;
            double missing = before ? music.barBeats().subtract(music.pickup()).doubleValue() : 0;
            return new Place(bar + (music.hasPickup() ? 0 : 1), (int) (into + missing + 1e-9) + 1);
        }
    }

    /** Where the notes of a step stand in their music. */
    public static List<Place> places(Pass pass, Passage music) {
        return places(music).subList(pass.notes().firstNote(), pass.notes().lastNote() + 1);
    }

    /** Where the notes of some music stand in it. */
    public static List<Place> places(Passage music) {
        return music.notes().stream().map(note -> Place.of(music, note)).toList();
    }

    /** The notes of some music played once through as written, as in a recording that was made elsewhere. */
    public static List<Asked> once(Passage music) {
        return music.notes().stream()
                .map(note -> new Asked(
                        note.onset().doubleValue(),
                        note.duration().doubleValue(),
                        note.pitches().stream().map(Pitch::midi).toList()))
                .toList();
    }

    private static Asked asked(Note note, double from, Pass pass) {
        double due = beats(pass, from);
        double end = beats(pass, from + note.duration().doubleValue());
        return new Asked(
                due, end - due, note.pitches().stream().map(Pitch::midi).toList());
    }

    /** Beats at the tempo set up to a place in the music, however its pulse goes. */
    private static double beats(Pass pass, double written) {
        return pass.pulse().secondsFor(written) * pass.tempo().bpm() / 60;
    }
}
