package tachylim.method;

import tachylim.task.Answer;
import tachylim.task.PassKind;
import tachylim.task.Pulse;
import tachylim.task.Task;
import tachylim.task.Tension;
import tachylim.tempo.Tempo;

/**
 * A notch faster at a time, and when the click gets too quick to follow it counts more notes: the notes do not jump.
 *
 * <p>With p notes to a click at r notes a second the click is at 60·r/p. It passes to twice as many notes when it is above
 * {@code highest}, if what results is at least {@code lowest}. A rough pass stays, a broken or gripping one goes two
 * steps down. It stops where it blurs, and is taken up there another day. This class is immutable.
 *
 * @param start the first tempo, of the music's own beats
 * @param limit the tempo it never goes above
 * @param perBeat notes a beat, 0.25 to 16: one of them to a click at first, if the click can be so quick
 * @param lowest the slowest that a click may be, in clicks a minute, 20 to 200
 * @param highest the quickest, above twice the slowest or equal
 * @param passes how many at the most, 1 to 100
 */
public record PulseLadder(Tempo start, Tempo limit, double perBeat, double lowest, double highest, int passes)
        implements Method {

    private static final double STEP = 0.02;
    private static final double USUAL_LOWEST = 60;
    private static final double USUAL_HIGHEST = 200;
    private static final double USUAL_START = 0.75;
    private static final int USUAL_PASSES = 20;

    /**
     * @throws IllegalArgumentException if a setting is outside its range
     */
    public PulseLadder {
        start = start.onMetronome();
        limit = Stride.notAbove(limit);
        if (start.compareTo(limit) > 0) {
            throw new IllegalArgumentException("The ladder starts at " + start + ", above its limit of " + limit);
        }
        if (!(perBeat >= 0.25 && perBeat <= 16) || !(lowest >= 20 && lowest <= 200) || !(highest >= 2 * lowest)) {
            throw new IllegalArgumentException("A click is at 20 a minute or more, and at the most twice that or more");
        }
        if (passes < 1 || passes > 100) {
            throw new IllegalArgumentException("A ladder has 1 to 100 passes, not " + passes);
        }
    }

    static PulseLadder over(Span span) {
        Tempo start = Tempo.slower(span.ease().times(USUAL_START).onMetronome(), span.top());
        double perBeat = Math.min(16, Math.max(0.25, span.ground().perBeat()));
        return new PulseLadder(start, span.top(), perBeat, USUAL_LOWEST, USUAL_HIGHEST, USUAL_PASSES);
    }

    static PulseLadder read(Settings kept) {
        return new PulseLadder(
                kept.tempo("start"),
                kept.tempo("limit"),
                kept.number("perBeat"),
                kept.number("lowest"),
                kept.number("highest"),
                kept.whole("passes"));
    }

    /** The beats that go to a click at a tempo, when so many went to it before. */
    double beatsPerClick(Tempo tempo, double before) {
        double beats = before;
        while (tempo.bpm() / beats > highest && tempo.bpm() / (2 * beats) >= lowest && beats < 8) {
            beats *= 2;
        }
        return beats;
    }

    private double first() {
        return Math.max(0.125, 1 / perBeat);
    }

    @Override
    public School school() {
        return School.PULSE_LADDER;
    }

    @Override
    public Settings settings() {
        return Settings.NONE
                .with("start", start)
                .with("limit", limit)
                .with("perBeat", perBeat)
                .with("lowest", lowest)
                .with("highest", highest)
                .with("passes", passes);
    }

    @Override
    public String promise() {
        return "From " + start + ", 2% faster each time it is clean; above " + Math.round(highest)
                + " the click counts twice as many notes.";
    }

    @Override
    public Position opening() {
        return new At(start, beatsPerClick(start, first()), 1, limit, "");
    }

    private final class At implements Position {

        private final Tempo tempo;
        private final double beats;
        private final int pass;
        private final Tempo most;
        private final String because;

        At(Tempo tempo, double beats, int pass, Tempo most, String because) {
            this.tempo = tempo;
            this.beats = beats;
            this.pass = pass;
            this.most = most;
            this.because = because;
        }

        @Override
        public Move move() {
            Pulse.Recounted pulse = new Pulse.Recounted(tempo, beats);
            long notes = Math.round(beats * perBeat);
            return new Move.Play(
                    Task.at(PassKind.CONTROLLED, tempo).with(pulse),
                    because + (because.isEmpty() ? "" : " ") + (notes <= 1 ? "One note" : notes + " notes")
                            + " to the click, which is at " + Math.round(pulse.clicksPerMinute()) + ".");
        }

        @Override
        public Position after(Answer answer) {
            if (answer.tension() == Tension.LOCKED) {
                return new Finished("Locked at " + tempo + ": leave this now and let the hands recover.");
            }
            if (answer.tension().atLeast(Tension.GRIPPING)) {
                return lower("Gripping at " + tempo + ".");
            }
            return switch (answer.verdict()) {
                case BROKE -> lower("It broke at " + tempo + ".");
                case ROUGH -> to(tempo, "A small slip: " + tempo + " again.");
                case CLEAN ->
                    tempo.compareTo(most) >= 0
                            ? new Finished("Clean at " + most + ", the top of this ladder.")
                            : to(new Stride(STEP).up(tempo, most), "Clean at " + tempo + ".");
            };
        }

        private Position to(Tempo next, String reason) {
            return pass >= passes
                    ? new Finished("All " + passes + " passes are played. Tomorrow it goes on at " + tempo + ".")
                    : new At(next, beatsPerClick(next, beats), pass + 1, most, reason);
        }

        private Position lower(String reason) {
            return Stride.isSlowest(tempo)
                    ? new Finished("Slower than this cannot be set: change something else first.")
                    : to(new Stride(STEP).down(tempo, 2), reason);
        }

        @Override
        public Position unjudged() {
            return to(tempo, "Nothing was said of the last.");
        }

        @Override
        public Position backedOff() {
            return lower("You backed off.");
        }

        @Override
        public Position under(Tempo lower, String why) {
            Tempo cap = Tempo.slower(most, Stride.notAbove(lower));
            Tempo now = Tempo.slower(tempo, cap);
            return new At(now, beats, pass, cap, now.equals(tempo) ? because : why + ": " + now + ".");
        }
    }
}
