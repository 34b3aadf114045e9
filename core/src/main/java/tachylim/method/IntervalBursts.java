package tachylim.method;

import tachylim.task.Answer;
import tachylim.task.Ask;
import tachylim.task.PassKind;
import tachylim.task.Task;
import tachylim.task.Tension;
import tachylim.task.Verdict;
import tachylim.tempo.Tempo;

/**
 * Slow controlled passes alternating with short bursts above the ceiling.
 *
 * <p>Each burst follows a controlled pass. A clean burst raises the next by one step, a rough one
 * repeats it, a broken one costs two steps and two broken in a row end the bursts, since a messy burst
 * is no longer practice. Gripping costs two steps; a locked hand ends the bursts for the day. Bursts
 * that have come down to their floor end too. This class is immutable.
 *
 * @param controlled the tempo of the slow passes, below the floor
 * @param floor the tempo a burst has to exceed to be worth playing: the ceiling
 * @param first the tempo of the first burst, above the floor and not above the limit
 * @param limit the tempo no burst goes above
 * @param step one step as a share of the tempo, usually 0.02
 * @param bursts how many bursts, 1 to 30
 */
public record IntervalBursts(Tempo controlled, Tempo floor, Tempo first, Tempo limit, double step, int bursts)
        implements Method {

    /** Where slow passes lie between bursts, as a share of the ceiling. */
    public static final double USUAL_CONTROLLED = 0.62;

    /** Where the first burst lies, as a share of the ceiling. */
    public static final double USUAL_FIRST = 1.03;

    /** The highest burst, as a share of the ceiling. */
    public static final double HIGHEST = 1.15;

    /** Broken or gripping slow passes in all that end the bursts. */
    private static final int UNSETTLED_PASSES = 3;

    /**
     * @throws IllegalArgumentException if a setting is outside its range or the tempos out of order
     */
    public IntervalBursts {
        new Stride(step);
        limit = Stride.notAbove(limit);
        controlled = controlled.onMetronome();
        first = Tempo.slower(first.onMetronome(), limit);
        if (controlled.compareTo(floor) >= 0 || first.compareTo(floor) <= 0) {
            throw new IllegalArgumentException("Slow passes at " + controlled + " and bursts from " + first
                    + " must lie on both sides of " + floor);
        }
        if (bursts < 1 || bursts > 30) {
            throw new IllegalArgumentException("A block has 1 to 30 bursts, not " + bursts);
        }
    }

    static IntervalBursts read(Settings kept) {
        return new IntervalBursts(
                kept.tempo("controlled"),
                kept.tempo("floor"),
                kept.tempo("first"),
                kept.tempo("limit"),
                kept.number("step"),
                kept.whole("bursts"));
    }

    @Override
    public School school() {
        return School.INTERVAL_BURSTS;
    }

    @Override
    public Settings settings() {
        return Settings.NONE
                .with("controlled", controlled)
                .with("floor", floor)
                .with("first", first)
                .with("limit", limit)
                .with("step", step)
                .with("bursts", bursts);
    }

    @Override
    public boolean goesAbove() {
        return true;
    }

    @Override
    public String promise() {
        return "Bursts from " + first + ", above the ceiling of " + floor + ", each after a slow pass at " + controlled
                + "; none above " + limit + ".";
    }

    @Override
    public Position opening() {
        return new At(
                controlled,
                first,
                false,
                0,
                0,
                0,
                "Slow and loose at " + controlled + ", then a burst at " + first + ", above the ceiling of " + floor
                        + ".");
    }

    private final class At implements Position {

        private final Tempo slow;
        private final Tempo burst;
        private final boolean bursting;
        private final int done;
        private final int brokeInARow;
        private final int unsettled;
        private final String why;

        At(Tempo slow, Tempo burst, boolean bursting, int done, int brokeInARow, int unsettled, String why) {
            this.slow = slow;
            this.burst = burst;
            this.bursting = bursting;
            this.done = done;
            this.brokeInARow = brokeInARow;
            this.unsettled = unsettled;
            this.why = why;
        }

        @Override
        public Move move() {
            // The slow pass earns nothing by itself: it is answered only where there is something to say.
            return bursting
                    ? new Move.Play(PassKind.BURST, burst, why)
                    : new Move.Play(Task.at(PassKind.CONTROLLED, slow).asking(Ask.NOTHING), why);
        }

        @Override
        public Position after(Answer answer) {
            if (answer.tension() == Tension.LOCKED) {
                return new Finished("Locked: no more bursts today.");
            }
            return bursting ? afterBurst(answer) : afterSlow(answer);
        }

        private Position afterSlow(Answer answer) {
            boolean gripping = answer.tension().atLeast(Tension.GRIPPING);
            if (!gripping && answer.verdict() != Verdict.BROKE) {
                return burst();
            }
            return slower(gripping ? "Gripping at " : "It broke at ");
        }

        private Position burst() {
            return new At(
                    slow,
                    burst,
                    true,
                    done,
                    brokeInARow,
                    unsettled,
                    "At " + burst + ", " + percentAbove() + "% above the ceiling. End it if it gets messy.");
        }

        @Override
        public Position unjudged() {
            if (!bursting) {
                return burst();
            }
            return done + 1 >= bursts
                    ? new Finished("All " + bursts + " bursts are played; the last was at " + burst + ".")
                    : new At(
                            slow,
                            burst,
                            false,
                            done + 1,
                            brokeInARow,
                            unsettled,
                            "Back to " + slow + " until loose; the next burst is " + burst + ".");
        }

        private long percentAbove() {
            return Math.round(100 * (burst.ratioTo(floor) - 1));
        }

        private Position slower(String cause) {
            if (unsettled + 1 >= UNSETTLED_PASSES || Stride.isSlowest(slow)) {
                return new Finished("The slow passes are not settled: bursts would only train the slip.");
            }
            Tempo next = new Stride(step).down(slow, 4);
            return new At(
                    next,
                    burst,
                    false,
                    done,
                    brokeInARow,
                    unsettled + 1,
                    cause + slow + ", so slower, at " + next + ", before any burst.");
        }

        private Position afterBurst(Answer answer) {
            int played = done + 1;
            boolean broke = answer.verdict() == Verdict.BROKE;
            int broken = broke ? brokeInARow + 1 : 0;
            if (played >= bursts) {
                return new Finished("All " + bursts + " bursts are played; the last was at " + burst + ".");
            }
            if (broken >= 2) {
                return new Finished("Two bursts broke in a row: a messy burst is no longer practice.");
            }
            Stride stride = new Stride(step);
            Tempo next = burst;
            if (broke || answer.tension().atLeast(Tension.GRIPPING)) {
                next = stride.down(burst, 2);
            } else if (answer.verdict() == Verdict.CLEAN && !answer.tension().atLeast(Tension.EDGE)) {
                next = stride.up(burst, limit);
            }
            if (next.compareTo(floor) <= 0) {
                return new Finished("Bursts have come down to the ceiling of " + floor + ": enough for today.");
            }
            return new At(slow, next, false, played, broken, unsettled, afterBurstWhy(answer, next));
        }

        private String afterBurstWhy(Answer answer, Tempo next) {
            String cause;
            if (answer.tension().atLeast(Tension.GRIPPING)) {
                cause = "Gripping at " + burst;
            } else {
                cause = switch (answer.verdict()) {
                    case CLEAN -> "Clean at " + burst;
                    case ROUGH -> "Rough at " + burst;
                    case BROKE -> "It broke at " + burst;
                };
            }
            return cause + ". Back to " + slow + " until loose; the next burst is " + next + ".";
        }

        @Override
        public Position under(Tempo most, String because) {
            if (most.compareTo(limit) >= 0) {
                return this;
            }
            Tempo lower = Stride.notAbove(Tempo.slower(burst, most));
            if (lower.compareTo(floor) <= 0) {
                return new Finished(because + ": no burst above the ceiling of " + floor + " is left.");
            }
            IntervalBursts within =
                    new IntervalBursts(controlled, floor, Tempo.slower(first, most), most, step, bursts);
            String reason = lower.compareTo(burst) < 0 ? because + ": the next burst is " + lower + "." : why;
            return within.new At(slow, lower, bursting, done, brokeInARow, unsettled, reason);
        }

        @Override
        public Position backedOff() {
            Tempo lowerBurst = new Stride(step).down(burst, 2);
            Tempo lowerSlow = new Stride(step).down(slow, 2);
            if (lowerBurst.compareTo(floor) <= 0 || Stride.isSlowest(slow)) {
                return new Finished("You backed off to the ceiling of " + floor + ": enough bursts for today.");
            }
            return new At(
                    lowerSlow,
                    lowerBurst,
                    false,
                    done,
                    brokeInARow,
                    unsettled,
                    "You backed off: slow at " + lowerSlow + ", and the next burst is " + lowerBurst + ".");
        }
    }
}
