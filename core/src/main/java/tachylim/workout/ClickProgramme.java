package tachylim.workout;

import java.util.ArrayList;
import java.util.List;
import org.apache.commons.numbers.fraction.Fraction;
import tachylim.passage.Direction;
import tachylim.passage.Passage;
import tachylim.task.Pulse;

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
        for (int beat = 0; beat < pass.countIn(); beat++) {
            clicks.add(new Click(pass.tempo().secondsFor(beat), Click.Kind.COUNT_IN));
        }
        if (!(pass.pulse() instanceof Pulse.Free)) {
            clicks.addAll(playing(pass, music.excerpt(pass.notes())));
        }
        clicks.add(new Click(pass.seconds(), Click.Kind.CUE));
        return List.copyOf(clicks);
    }

    private static List<Click> playing(Pass pass, Passage played) {
        List<Click> clicks = new ArrayList<>();
        int once = roundBeats(pass, played);
        double from = pass.countInSeconds();
        double step = step(pass.pulse());
        boolean subdivided =
                pass.pulse() instanceof Pulse.Steady && pass.tempo().bpm() <= SUBDIVIDED_UP_TO;
        long count = (long) Math.ceil(pass.beats() / step - 1e-9);
        for (long click = 0; click < count; click++) {
            double beat = click * step;
            if (isSilent(pass, played, beat)) {
                continue;
            }
            clicks.add(new Click(
                    from + pass.pulse().secondsFor(beat),
                    isBarLine(played, beat % once) ? Click.Kind.ACCENT : Click.Kind.BEAT));
            if (pass.pulse() instanceof Pulse.Switching switching) {
                spread(clicks, from, switching, beat, pass.beats());
            }
            if (subdivided) {
                clicks.add(new Click(from + pass.pulse().secondsFor(beat + 0.5), Click.Kind.SUBDIVISION));
            }
        }
        return clicks;
    }

    /** How many beats as written go to a click. */
    private static double step(Pulse pulse) {
        return pulse instanceof Pulse.Recounted recounted ? recounted.beatsPerClick() : 1;
    }

    /** The clicks within a beat that is spread over several. */
    private static void spread(List<Click> clicks, double from, Pulse.Switching switching, double beat, int beats) {
        double next = Math.min(beats, beat + 1);
        for (double click = switching.clicks(beat) + 1; click < switching.clicks(next) - 1e-9; click++) {
            clicks.add(new Click(from + switching.set().secondsFor(click), Click.Kind.BEAT));
        }
    }

    /** Whether the click has dropped out in the bar of a beat. */
    private static boolean isSilent(Pass pass, Passage played, double beat) {
        if (!(pass.pulse() instanceof Pulse.DroppingOut dropping)) {
            return false;
        }
        int bar = (int) (beat / Math.max(1, Math.ceil(played.barBeats().doubleValue() - 1e-9)));
        return bar % (dropping.with() + dropping.without()) >= dropping.with();
    }

    /** How many beats lie between the start of one round and that of the next. */
    private static int roundBeats(Pass pass, Passage played) {
        int once = Math.max(1, (int) Math.ceil(played.length().doubleValue() - 1e-9));
        return pass.rounds() == 1 ? Math.max(once, pass.beats()) : (pass.beats() - once) / (pass.rounds() - 1);
    }

    /** Whether a bar begins at {@code beat}; after the last bar line bars go on in the meter in force there. */
    private static boolean isBarLine(Passage played, double beat) {
        Fraction before = played.hasPickup() ? null : Fraction.ZERO;
        for (Fraction line : played.barLines()) {
            if (line.doubleValue() <= beat + 1e-9) {
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
