package tachylim.workout;

import java.util.ArrayList;
import java.util.List;
import org.apache.commons.numbers.fraction.Fraction;
import tachylim.passage.Passage;
import tachylim.passage.Piece;

/**
 * Every click of a pass: a bar of counting in, the beats with an accent on each bar line, and a cue
 * where the pass is over. Below {@value #SUBDIVIDED_UP_TO} BPM the beats are halved by a soft click, since
 * a slow beat is hard to place.
 */
public final class ClickProgramme {

    /** Tempos up to this one are subdivided, in BPM. */
    public static final double SUBDIVIDED_UP_TO = 54;

    private ClickProgramme() {}

    /**
     * The clicks of {@code pass}, in order of time.
     *
     * @param pass the pass
     * @param music the music its notes belong to
     */
    public static List<Click> of(Pass pass, Passage music) {
        List<Click> clicks = new ArrayList<>();
        boolean subdivided = pass.tempo().bpm() <= SUBDIVIDED_UP_TO;
        for (int beat = 0; beat < pass.countIn(); beat++) {
            clicks.add(new Click(pass.tempo().secondsFor(beat), Click.Kind.COUNT_IN));
        }
        double bar = music.barBeats().doubleValue();
        double firstLine = firstBarLine(music, pass.notes());
        for (int beat = 0; beat < pass.beats(); beat++) {
            double fromLine = (beat - firstLine) % bar;
            boolean accent = Math.abs(fromLine) < 1e-9 || Math.abs(Math.abs(fromLine) - bar) < 1e-9;
            double place = pass.countIn() + beat;
            clicks.add(new Click(pass.tempo().secondsFor(place), accent ? Click.Kind.ACCENT : Click.Kind.BEAT));
            if (subdivided) {
                clicks.add(new Click(pass.tempo().secondsFor(place + 0.5), Click.Kind.SUBDIVISION));
            }
        }
        clicks.add(new Click(pass.seconds(), Click.Kind.CUE));
        return List.copyOf(clicks);
    }

    /** Beats from the start of what is played to its first bar line, less than a bar. */
    private static double firstBarLine(Passage music, Piece notes) {
        Passage played = music.excerpt(notes);
        return played.pickup().compareTo(Fraction.ZERO) > 0 ? played.pickup().doubleValue() : 0;
    }
}
