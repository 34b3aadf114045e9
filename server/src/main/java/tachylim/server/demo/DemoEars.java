package tachylim.server.demo;

import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import tachylim.passage.InstrumentFamily;
import tachylim.passage.Passage;
import tachylim.shown.MeasuredDto;
import tachylim.take.Asked;
import tachylim.take.Listener;
import tachylim.take.Onset;
import tachylim.take.Take;
import tachylim.workout.Pass;
import tachylim.workout.ToHear;

/**
 * What a microphone would have measured of the made-up player: she evens out over the weeks, and one transition stays late longer
 * than the others. The onsets are made up; what follows from them is measured as anybody's.
 */
final class DemoEars {

    /** She has had the microphone for so many days. */
    static final int DAYS = 49;

    private static final double RATE = 44_100;
    private static final double UNEVEN_AT_FIRST = 0.075;
    private static final double UNEVEN_NOW = 0.035;
    private static final double LATE_AT_FIRST = 0.3;
    private static final double ERROR = 0.0025;

    /** The note that she comes late to, where there are so many. */
    private static final int LATE_NOTE = 11;

    private DemoEars() {}

    /** What was measured of the passes of a step; none where there is nothing to hear. */
    static List<MeasuredDto> measured(Pass pass, Passage music, int daysAgo) {
        if (daysAgo > DAYS) {
            return List.of();
        }
        // A sequence of its own: with or without a microphone she plays the same.
        SplittableRandom random =
                new SplittableRandom(31L * daysAgo + Math.round(pass.tempo().bpm()));
        double left = (double) daysAgo / DAYS;
        double uneven = UNEVEN_NOW + (UNEVEN_AT_FIRST - UNEVEN_NOW) * left;
        List<MeasuredDto> measured = new ArrayList<>();
        for (List<Asked> notes : ToHear.in(pass, music)) {
            Take take = new Take(new float[0], RATE, notes, pass.tempo().bpm(), 0, List.of(), InstrumentFamily.MALLET);
            measured.add(MeasuredDto.of(
                    Listener.judged(take, onsets(take, uneven, LATE_AT_FIRST * left, random), List.of())));
        }
        return measured;
    }

    private static List<Onset> onsets(Take take, double uneven, double late, SplittableRandom random) {
        List<Onset> onsets = new ArrayList<>();
        double beat = 60 / take.tempo();
        for (int note = 0; note < take.notes().size(); note++) {
            Asked asked = take.notes().get(note);
            double interval = asked.beats() * beat;
            double off = interval * uneven / Math.sqrt(2) * random.nextGaussian()
                    + (note == LATE_NOTE && random.nextDouble() < 0.6 ? late * interval : 0);
            onsets.add(new Onset(note, asked.beat() * beat + off, ERROR, 0, false, false));
        }
        return onsets;
    }
}
