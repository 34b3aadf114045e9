package tachylim.method;

import tachylim.task.Answer;
import tachylim.task.PassKind;
import tachylim.task.Pulse;
import tachylim.task.Task;
import tachylim.task.Tension;
import tachylim.task.Verdict;
import tachylim.tempo.Tempo;
import tachylim.tempo.Whole;

/**
 * One click throughout: everything spread over two clicks a beat, but for a beat or two that go as written, and back.
 *
 * <p>The quick beats move through the piece. A clean pass raises the click by a step, a broken or gripping one costs two,
 * two broken in a row end it. This class is immutable.
 *
 * @param first the first tempo of the click, above the floor
 * @param floor the tempo it has to exceed to be worth it: the ceiling
 * @param limit the tempo it never goes above
 * @param spread how many clicks a slow beat takes, 2 to 4
 * @param quick how many beats are quick, 1 or 2
 * @param beats how many beats the piece has, 1 or more
 * @param passes how many passes, 1 to 30
 */
public record SwitchBursts(Tempo first, Tempo floor, Tempo limit, int spread, int quick, int beats, int passes)
        implements Method {

    private static final double STEP = 0.02;
    private static final int USUAL_SPREAD = 2;
    private static final int USUAL_PASSES = 6;

    /**
     * @throws IllegalArgumentException if a setting is outside its range or the tempos out of order
     */
    public SwitchBursts {
        limit = Stride.notAbove(limit);
        first = Tempo.slower(first.onMetronome(), limit);
        if (first.compareTo(floor) <= 0) {
            throw new IllegalArgumentException("Bursts from " + first + " lie above the ceiling of " + floor);
        }
        if (spread < 2 || spread > 4 || quick < 1 || quick > 2 || beats < 1 || passes < 1 || passes > 30) {
            throw new IllegalArgumentException("One or two quick beats among slow ones, in 1 to 30 passes");
        }
    }

    static Method over(Span span) {
        if (!span.hasRoomAbove()) {
            return SteadyClimb.toCeiling(span);
        }
        Tempo first = Tempo.clamped(Whole.below(span.ceiling().bpm()) + 1);
        int quick = Math.min(2, Math.max(1, span.ground().beats() - 1));
        return new SwitchBursts(
                first,
                span.ceiling(),
                span.highest(),
                USUAL_SPREAD,
                quick,
                span.ground().beats(),
                USUAL_PASSES);
    }

    static SwitchBursts read(Settings kept) {
        return new SwitchBursts(
                kept.tempo("first"),
                kept.tempo("floor"),
                kept.tempo("limit"),
                kept.whole("spread"),
                kept.whole("quick"),
                kept.whole("beats"),
                kept.whole("passes"));
    }

    @Override
    public boolean goesAbove() {
        return true;
    }

    @Override
    public School school() {
        return School.SWITCH_BURSTS;
    }

    @Override
    public Settings settings() {
        return Settings.NONE
                .with("first", first)
                .with("floor", floor)
                .with("limit", limit)
                .with("spread", spread)
                .with("quick", quick)
                .with("beats", beats)
                .with("passes", passes);
    }

    @Override
    public String promise() {
        return "The click stays, from " + first + ": everything " + spread + " clicks to a beat, but "
                + (quick == 1 ? "one beat" : quick + " beats") + " as written; none above " + limit + ".";
    }

    @Override
    public Position opening() {
        return new At(
                first,
                0,
                0,
                limit,
                "Slow, then " + (quick == 1 ? "a beat" : quick + " beats") + " at full speed, on the same click.");
    }

    private final class At implements Position {

        private final Tempo tempo;
        private final int done;
        private final int broken;
        private final Tempo most;
        private final String why;

        At(Tempo tempo, int done, int broken, Tempo most, String why) {
            this.tempo = tempo;
            this.done = done;
            this.broken = broken;
            this.most = most;
            this.why = why;
        }

        @Override
        public Move move() {
            int places = Math.max(1, beats / quick);
            int from = done % places * quick;
            return new Move.Play(
                    Task.at(PassKind.BURST, tempo).with(new Pulse.Switching(tempo, spread, from, quick)), why);
        }

        @Override
        public Position after(Answer answer) {
            if (answer.tension() == Tension.LOCKED) {
                return new Finished("Locked: no more bursts today.");
            }
            boolean broke = answer.verdict() == Verdict.BROKE;
            if (broke && broken + 1 >= 2) {
                return new Finished("Two broke in a row: a messy burst is no longer practice.");
            }
            if (broke || answer.tension().atLeast(Tension.GRIPPING)) {
                return to(
                        new Stride(STEP).down(tempo, 2),
                        broke ? broken + 1 : 0,
                        broke ? "It broke at " : "Gripping at ");
            }
            boolean up = answer.verdict() == Verdict.CLEAN && !answer.tension().atLeast(Tension.EDGE);
            return to(up ? new Stride(STEP).up(tempo, most) : tempo, 0, up ? "Clean at " : "Rough at ");
        }

        private Position to(Tempo next, int brokeNow, String because) {
            if (done + 1 >= passes) {
                return new Finished("All " + passes + " are played; the last was at " + tempo + ".");
            }
            if (next.compareTo(floor) <= 0) {
                return new Finished("The click has come down to the ceiling of " + floor + ": enough for today.");
            }
            return new At(next, done + 1, brokeNow, most, because + tempo + "; the click is at " + next + " now.");
        }

        @Override
        public Position unjudged() {
            return to(tempo, 0, "Nothing was said at ");
        }

        @Override
        public Position backedOff() {
            return to(new Stride(STEP).down(tempo, 2), broken, "You backed off from ");
        }

        @Override
        public Position under(Tempo lower, String because) {
            Tempo cap = Tempo.slower(most, Stride.notAbove(lower));
            if (cap.compareTo(tempo) >= 0) {
                return new At(tempo, done, broken, cap, why);
            }
            return cap.compareTo(floor) <= 0
                    ? new Finished(because + ": no burst above the ceiling of " + floor + " is left.")
                    : new At(cap, done, broken, cap, because + ": the click is at " + cap + ".");
        }
    }
}
