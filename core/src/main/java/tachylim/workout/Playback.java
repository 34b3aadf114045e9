package tachylim.workout;

import java.util.List;
import java.util.stream.IntStream;
import tachylim.passage.Articulation;
import tachylim.passage.Note;
import tachylim.passage.Passage;
import tachylim.passage.Pitch;
import tachylim.passage.Section;
import tachylim.task.PassKind;
import tachylim.tempo.Tempo;
import tachylim.words.Reason;

/**
 * Music to be heard: when each of its notes sounds, and the clicks of the same programme a run has. This
 * class is immutable.
 *
 * @param notes its notes
 * @param clicks its clicks, a bar of counting in first
 * @param seconds how long it all lasts
 */
public record Playback(List<Sounding> notes, List<Click> clicks, double seconds) {

    /**
     * A note that sounds.
     *
     * @param seconds when it starts, from the start of the counting in
     * @param lasts how long it sounds, in seconds
     * @param keys MIDI key numbers; one key where the music has no pitches
     * @param accent whether it is stressed
     */
    public record Sounding(double seconds, double lasts, List<Integer> keys, boolean accent) {}

    private static final int WITHOUT_PITCH = 76;

    /** {@code music} once through at {@code tempo}. */
    public static Playback of(Passage music, Tempo tempo) {
        int beats = (int) Math.ceil(music.length().doubleValue() - 1e-9);
        int bar = Math.max(2, (int) Math.ceil(music.barBeats().doubleValue() - 1e-9));
        Pass pass = new Pass(
                PassKind.CONTROLLED,
                tempo,
                new Section(0, music.notes().size() - 1),
                Math.max(1, beats),
                1,
                bar,
                Reason.NONE);
        List<Sounding> notes = IntStream.range(0, music.notes().size())
                .mapToObj(i -> sounding(music.notes().get(i), pass))
                .toList();
        return new Playback(notes, ClickProgramme.of(pass, music), pass.seconds());
    }

    private static Sounding sounding(Note note, Pass pass) {
        List<Integer> keys = note.pitches().isEmpty()
                ? List.of(WITHOUT_PITCH)
                : note.pitches().stream().map(Pitch::midi).toList();
        boolean accent = note.inflection().articulations().contains(Articulation.ACCENT)
                || note.inflection().articulations().contains(Articulation.MARCATO);
        double length = pass.tempo().secondsFor(note.duration().doubleValue());
        boolean brief = note.inflection().articulations().contains(Articulation.STACCATO);
        return new Sounding(
                pass.countInSeconds() + pass.tempo().secondsFor(note.onset().doubleValue()),
                brief ? length / 2 : length,
                keys,
                accent);
    }
}
