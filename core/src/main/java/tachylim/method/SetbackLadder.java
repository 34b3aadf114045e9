package tachylim.method;

import tachylim.task.Answer;
import tachylim.task.PassKind;
import tachylim.task.Tension;
import tachylim.task.Verdict;
import tachylim.tempo.Tempo;

/**
 * One step back, two steps up: from a base b play b − s, then b + s, and the next base is b + s. The ear hears a gain of
 * two steps, the hands learn one.
 *
 * <p>A broken or gripping pass takes the base back by a step; a rough upper one plays the pair again. This class is
 * immutable.
 *
 * @param base the first base, b
 * @param step s, in BPM, 1 to 40
 * @param limit the tempo it never goes above
 * @param pairs how many pairs at the most, 1 to 30
 */
public record SetbackLadder(Tempo base, int step, Tempo limit, int pairs) implements Method {

    private static final double USUAL_STEP = 0.02;
    private static final int USUAL_PAIRS = 8;

    /**
     * @throws IllegalArgumentException if a setting is outside its range or the base above the limit
     */
    public SetbackLadder {
        base = base.onMetronome();
        limit = Stride.notAbove(limit);
        if (base.compareTo(limit) > 0) {
            throw new IllegalArgumentException("The ladder starts at " + base + ", above its limit of " + limit);
        }
        if (step < 1 || step > 40 || pairs < 1 || pairs > 30) {
            throw new IllegalArgumentException("A ladder has 1 to 30 pairs, 1 to 40 BPM apart");
        }
    }

    static SetbackLadder over(Span span) {
        int step = (int) Math.max(1, Math.round(span.ease().bpm() * USUAL_STEP));
        return new SetbackLadder(Tempo.slower(span.ease().onMetronome(), span.top()), step, span.top(), USUAL_PAIRS);
    }

    static SetbackLadder read(Settings kept) {
        return new SetbackLadder(kept.tempo("base"), kept.whole("step"), kept.tempo("limit"), kept.whole("pairs"));
    }

    @Override
    public School school() {
        return School.SETBACK_LADDER;
    }

    @Override
    public Settings settings() {
        return Settings.NONE
                .with("base", base)
                .with("step", step)
                .with("limit", limit)
                .with("pairs", pairs);
    }

    @Override
    public String promise() {
        return "Around " + base + ": " + step + " slower, then " + step + " faster, which is the next base; up to "
                + limit + ".";
    }

    @Override
    public Position opening() {
        return new At(
                base, false, 1, limit, "Back to " + lower(base) + " first, then up to " + upper(base, limit) + ".");
    }

    private Tempo lower(Tempo b) {
        return Tempo.clamped(b.bpm() - step);
    }

    private Tempo upper(Tempo b, Tempo most) {
        return Tempo.slower(Tempo.clamped(b.bpm() + step), most);
    }

    private final class At implements Position {

        private final Tempo now;
        private final boolean up;
        private final int pair;
        private final Tempo most;
        private final String why;

        At(Tempo now, boolean up, int pair, Tempo most, String why) {
            this.now = now;
            this.up = up;
            this.pair = pair;
            this.most = most;
            this.why = why;
        }

        private Tempo tempo() {
            return Tempo.slower(up ? upper(now, most) : lower(now), most);
        }

        @Override
        public Move move() {
            return new Move.Play(PassKind.CONTROLLED, tempo(), why);
        }

        @Override
        public Position after(Answer answer) {
            if (answer.tension() == Tension.LOCKED) {
                return new Finished("Locked at " + tempo() + ": leave this now and let the hands recover.");
            }
            if (answer.tension().atLeast(Tension.GRIPPING)) {
                return back("Gripping at ");
            }
            if (answer.verdict() == Verdict.BROKE) {
                return back("It broke at ");
            }
            if (!up) {
                return new At(now, true, pair, most, "Two steps up from there, to " + upper(now, most) + ".");
            }
            boolean clean = answer.verdict() == Verdict.CLEAN;
            if (pair >= pairs) {
                return new Finished("All " + pairs + " pairs are played; the last was up to " + tempo() + ".");
            }
            if (clean && tempo().compareTo(most) >= 0) {
                return new Finished("Up to " + most + ", the top of this ladder.");
            }
            Tempo next = clean ? upper(now, most) : now;
            return new At(
                    next,
                    false,
                    pair + 1,
                    most,
                    (clean ? "Clean at " : "A small slip at ") + tempo() + ": around " + next + " now, from "
                            + lower(next) + ".");
        }

        /** Everything that follows is slower than the pass that went wrong. */
        private Position back(String because) {
            if (pair >= pairs || Stride.isSlowest(tempo())) {
                return new Finished(because + tempo() + ": enough of this ladder.");
            }
            Tempo lower = Tempo.slower(Tempo.clamped(now.bpm() - step), Stride.below(tempo()));
            Tempo start = Tempo.slower(lower(lower), Stride.below(tempo()));
            return new At(
                    lower,
                    false,
                    pair + 1,
                    most,
                    because + tempo() + ": around " + lower + " now, from " + start + ".");
        }

        @Override
        public Position unjudged() {
            if (!up) {
                return new At(now, true, pair, most, "Two steps up from there, to " + upper(now, most) + ".");
            }
            return pair >= pairs
                    ? new Finished("All " + pairs + " pairs are played; the last was up to " + tempo() + ".")
                    : new At(now, false, pair + 1, most, "Nothing was said: around " + now + " again.");
        }

        @Override
        public Position backedOff() {
            return back("You backed off from ");
        }

        @Override
        public Position under(Tempo lower, String because) {
            Tempo cap = Tempo.slower(most, Stride.notAbove(lower));
            return cap.equals(most) ? this : new At(Tempo.slower(now, cap), up, pair, cap, why);
        }
    }
}
