package tachylim.method;

import tachylim.task.Answer;
import tachylim.task.Ask;
import tachylim.task.PassKind;
import tachylim.task.Pulse;
import tachylim.task.Task;
import tachylim.task.Tension;
import tachylim.tempo.Tempo;

/**
 * Without a click: easy playing, then as fast as is clean until it gets messy or time is up, then easy until loose.
 *
 * <p>The easy playing lasts at least as long as the burst before it. A burst that got messy makes the next ones shorter; a
 * gripping one ends them. This class is immutable.
 *
 * @param easy about the tempo of the easy playing, below the fast one
 * @param fast about the tempo of the bursts, which their cost is told by
 * @param seconds how long a burst may last, 2 to 30
 * @param loose how long the easy playing lasts, at least as long as a burst and up to 180
 * @param bursts how many, 1 to 12
 */
public record FreeBursts(Tempo easy, Tempo fast, double seconds, double loose, int bursts) implements Method {

    private static final double USUAL_EASY = 0.5;
    private static final double USUAL_SECONDS = 4;
    private static final double USUAL_LOOSE = 20;
    private static final int USUAL_BURSTS = 5;
    private static final double SHORTEST = 2;

    /**
     * @throws IllegalArgumentException if a setting is outside its range or the tempos out of order
     */
    public FreeBursts {
        easy = easy.onMetronome();
        fast = Stride.notAbove(fast);
        if (easy.compareTo(fast) >= 0) {
            throw new IllegalArgumentException("Easy playing at " + easy + " is slower than bursts at " + fast);
        }
        if (!(seconds >= SHORTEST && seconds <= 30 && loose >= seconds && loose <= 180) || bursts < 1 || bursts > 12) {
            throw new IllegalArgumentException("1 to 12 bursts of 2 to 30 seconds, with as much easy playing between");
        }
    }

    static Method over(Span span) {
        Tempo fast = Stride.notAbove(Tempo.slower(span.highest(), span.ceiling().times(1.05)));
        Tempo easy = span.ease().times(USUAL_EASY).onMetronome();
        return span.hasRoomAbove() && easy.compareTo(fast) < 0
                ? new FreeBursts(easy, fast, USUAL_SECONDS, USUAL_LOOSE, USUAL_BURSTS)
                : SteadyClimb.toCeiling(span);
    }

    static FreeBursts read(Settings kept) {
        return new FreeBursts(
                kept.tempo("easy"),
                kept.tempo("fast"),
                kept.number("seconds"),
                kept.number("loose"),
                kept.whole("bursts"));
    }

    @Override
    public boolean goesAbove() {
        return true;
    }

    @Override
    public School school() {
        return School.FREE_BURSTS;
    }

    @Override
    public Settings settings() {
        return Settings.NONE
                .with("easy", easy)
                .with("fast", fast)
                .with("seconds", seconds)
                .with("loose", loose)
                .with("bursts", bursts);
    }

    @Override
    public String promise() {
        return "No click: " + Math.round(loose) + " s easy, then up to " + Math.round(seconds)
                + " s as fast as is clean, about " + fast + "; " + bursts + " times.";
    }

    @Override
    public Tempo limit() {
        return fast;
    }

    @Override
    public Position opening() {
        return new At(false, 0, seconds, fast, easy, "Large and easy, until everything is loose.");
    }

    private final class At implements Position {

        private final boolean bursting;
        private final int done;
        private final double length;
        private final Tempo most;
        private final Tempo slow;
        private final String why;

        At(boolean bursting, int done, double length, Tempo most, Tempo slow, String why) {
            this.bursting = bursting;
            this.done = done;
            this.length = length;
            this.most = most;
            this.slow = slow;
            this.why = why;
        }

        @Override
        public Move move() {
            Task task = bursting
                    ? Task.at(PassKind.BURST, most)
                            .with(new Pulse.Free(most, length))
                            .asking(Ask.HELD)
                    : Task.at(PassKind.CONTROLLED, slow)
                            .with(new Pulse.Free(slow, loose))
                            .asking(Ask.NOTHING);
            return new Move.Play(task, why);
        }

        @Override
        public Position after(Answer answer) {
            if (answer.tension().atLeast(Tension.GRIPPING)) {
                return new Finished("Tense: let it go for today.");
            }
            return bursting ? afterBurst(answer) : burst();
        }

        private Position burst() {
            return new At(
                    true,
                    done,
                    length,
                    most,
                    slow,
                    "As fast as is clean, " + Math.round(length) + " s at the most. Stop when it gets messy.");
        }

        private Position afterBurst(Answer answer) {
            boolean messy = answer.told() > 0 && answer.told() < length;
            double next = messy ? Math.max(SHORTEST, answer.told()) : length;
            return easy(
                    next,
                    messy
                            ? "Messy after " + Math.round(answer.told()) + " s: the next is as long. Easy until loose."
                            : "Easy until loose.");
        }

        private Position easy(double next, String reason) {
            return done + 1 >= bursts
                    ? new Finished("All " + bursts + " bursts are played.")
                    : new At(false, done + 1, next, most, slow, reason);
        }

        @Override
        public Position unjudged() {
            return bursting ? easy(length, "Easy until loose.") : burst();
        }

        @Override
        public Position backedOff() {
            Tempo now = bursting ? most : slow;
            Tempo lower = Tempo.slower(Stride.notAbove(now.times(0.95)), Stride.below(now));
            if (Stride.isSlowest(slow) || lower.compareTo(slow) <= 0 && bursting) {
                return new Finished("You backed off: enough for today.");
            }
            return bursting
                    ? new At(true, done, length, lower, slow, "You backed off: about " + lower + ".")
                    : new At(false, done, length, most, lower, "You backed off: about " + lower + ".");
        }

        @Override
        public Position under(Tempo lower, String because) {
            Tempo cap = Tempo.slower(most, Stride.notAbove(lower));
            return cap.compareTo(slow) <= 0
                    ? new Finished(because + ": no burst is left.")
                    : new At(bursting, done, length, cap, slow, why);
        }
    }
}
