package tachylim.method;

import tachylim.task.Answer;
import tachylim.task.Ask;
import tachylim.task.PassKind;
import tachylim.task.Pulse;
import tachylim.task.Task;
import tachylim.task.Tension;
import tachylim.tempo.Tempo;

/**
 * Smoothly faster, on for a while, and back: the top is where tension reaches the edge, found while playing.
 *
 * <p>The edge that is marked is the top of the next glide. Gripping lowers it by a tenth. This class is immutable.
 *
 * @param from the tempo of both ends
 * @param to the top, above it, which it never goes above
 * @param up seconds up, and as many back, 5 to 300
 * @param hold seconds at the top, 0 to 120
 * @param glides how many, 1 to 12
 */
public record Arch(Tempo from, Tempo to, double up, double hold, int glides) implements Method {

    private static final double USUAL_FROM = 0.55;
    private static final double USUAL_UP = 40;
    private static final double USUAL_HOLD = 6;
    private static final int USUAL_GLIDES = 3;

    /** Seconds around a glide: counting in at the slow end, and the answer. */
    private static final double AROUND = 16;

    /**
     * @throws IllegalArgumentException if a setting is outside its range or the tempos out of order
     */
    public Arch {
        from = from.onMetronome();
        to = Stride.notAbove(to);
        if (from.compareTo(to) >= 0) {
            throw new IllegalArgumentException("It glides up from " + from + ", so not to " + to);
        }
        if (!(up >= 5 && up <= 300 && hold >= 0 && hold <= 120) || glides < 1 || glides > 12) {
            throw new IllegalArgumentException("1 to 12 glides take 5 to 300 seconds either way");
        }
    }

    static Method over(Span span) {
        Tempo from = span.top().times(USUAL_FROM).onMetronome();
        return from.compareTo(Stride.notAbove(span.top())) < 0
                ? new Arch(from, span.top(), up(span.seconds()), USUAL_HOLD, USUAL_GLIDES)
                : EasyPasses.under(span);
    }

    /** The usual glide, shorter where there is no time for it with counting in and answering. */
    private static double up(double seconds) {
        return Math.max(5, Math.min(USUAL_UP, Math.floor((seconds - USUAL_HOLD - AROUND) / 2)));
    }

    static Arch read(Settings kept) {
        return new Arch(
                kept.tempo("from"), kept.tempo("to"), kept.number("up"), kept.number("hold"), kept.whole("glides"));
    }

    @Override
    public School school() {
        return School.ARCH;
    }

    @Override
    public Settings settings() {
        return Settings.NONE
                .with("from", from)
                .with("to", to)
                .with("up", up)
                .with("hold", hold)
                .with("glides", glides);
    }

    @Override
    public String promise() {
        return glides + (glides == 1 ? " glide" : " glides") + " from " + from + " up to " + to + " in "
                + Math.round(up) + " s and back; say where it gets tense.";
    }

    @Override
    public Tempo limit() {
        return to;
    }

    @Override
    public Position opening() {
        return new At(to, 1, "Smoothly up to " + to + " and back. Mark the tempo at which it gets tense.");
    }

    private final class At implements Position {

        private final Tempo top;
        private final int glide;
        private final String why;

        At(Tempo top, int glide, String why) {
            this.top = top;
            this.glide = glide;
            this.why = why;
        }

        @Override
        public Move move() {
            Pulse pulse = new Pulse.Gliding(from, top, up, hold);
            return new Move.Play(Task.at(PassKind.CONTROLLED, from).with(pulse).asking(Ask.EDGE), why);
        }

        @Override
        public Position after(Answer answer) {
            if (answer.tension() == Tension.LOCKED) {
                return new Finished("Locked: leave this now and let the hands recover.");
            }
            if (answer.tension().atLeast(Tension.GRIPPING)) {
                return lower("It gripped");
            }
            boolean marked = answer.told() > 0 && answer.told() < top.bpm();
            Tempo next = marked ? Tempo.clamped(Math.floor(answer.told())) : top;
            return to(
                    next,
                    marked ? "The edge was at " + next + ": up to there this time." : "Up to " + next + " again.");
        }

        private Position to(Tempo next, String reason) {
            if (glide >= glides) {
                return new Finished("All " + glides + " glides are played.");
            }
            return next.compareTo(from) <= 0
                    ? new Finished("The edge has come down to " + from + ": enough for today.")
                    : new At(next, glide + 1, reason);
        }

        private Position lower(String because) {
            Tempo next = Tempo.slower(Stride.notAbove(top.times(0.9)), Stride.below(top));
            return to(next, because + ": up to " + next + " only.");
        }

        @Override
        public Position unjudged() {
            return to(top, "Up to " + top + " again.");
        }

        @Override
        public Position backedOff() {
            return lower("You backed off");
        }

        @Override
        public Position under(Tempo most, String because) {
            Tempo lower = Stride.notAbove(most);
            if (lower.compareTo(top) >= 0) {
                return this;
            }
            return lower.compareTo(from) <= 0
                    ? new Finished(because + ": nothing is left to glide up to.")
                    : new At(lower, glide, because + ": up to " + lower + " only.");
        }
    }
}
