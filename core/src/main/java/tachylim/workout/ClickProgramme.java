package tachylim.workout;

import java.util.ArrayList;
import java.util.List;
import org.apache.commons.numbers.fraction.Fraction;
import tachylim.passage.Direction;
import tachylim.passage.Passage;

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
        Passage played = music.excerpt(pass.notes());
        int once = roundBeats(pass, played);
        for (int beat = 0; beat < pass.beats(); beat++) {
            double place = pass.countIn() + beat;
            clicks.add(new Click(
                    pass.tempo().secondsFor(place),
                    isBarLine(played, beat % once) ? Click.Kind.ACCENT : Click.Kind.BEAT));
            if (subdivided) {
                clicks.add(new Click(pass.tempo().secondsFor(place + 0.5), Click.Kind.SUBDIVISION));
            }
        }
        clicks.add(new Click(pass.seconds(), Click.Kind.CUE));
        return List.copyOf(clicks);
    }

    /** How many beats lie between the start of one round and that of the next. */
    private static int roundBeats(Pass pass, Passage played) {
        int once = Math.max(1, (int) Math.ceil(played.length().doubleValue() - 1e-9));
        return pass.rounds() == 1 ? Math.max(once, pass.beats()) : (pass.beats() - once) / (pass.rounds() - 1);
    }

    /** Whether a bar begins at {@code beat}; after the last bar line bars go on in the meter in force there. */
    private static boolean isBarLine(Passage played, int beat) {
        Fraction before = played.hasPickup() ? null : Fraction.ZERO;
        for (Fraction line : played.barLines()) {
            if (line.compareTo(Fraction.of(beat)) <= 0) {
                before = line;
            }
        }
        if (before == null) {
            return false;
        }
        double bar = Direction.meterAt(before, played.meter(), played.directions())
                .bar()
                .divide(played.beatUnit())
                .doubleValue();
        double from = (beat - before.doubleValue()) % bar;
        return from < 1e-9 || bar - from < 1e-9;
    }
}
