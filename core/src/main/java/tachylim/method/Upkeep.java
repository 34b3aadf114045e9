package tachylim.method;

import tachylim.task.Answer;
import tachylim.task.Ask;
import tachylim.task.PassKind;
import tachylim.task.Task;
import tachylim.task.Tension;
import tachylim.task.Verdict;
import tachylim.tempo.Tempo;

/**
 * What is done with a piece that has reached its target: once through at that tempo as if somebody listened, and easy
 * passes between, so that it stays.
 *
 * <p>Each performance follows an easy pass. Two that go wrong in a row end it, as does the first that grips, since
 * nothing has to be proved any more. Backing off makes all that follow slower. This class is immutable.
 *
 * @param easy the tempo of the easy passes, below the target
 * @param target the tempo of the performances
 * @param performances how many, 1 to 12
 */
public record Upkeep(Tempo easy, Tempo target, int performances) implements Method {

    private static final int USUAL = 4;
    private static final double EASY_SHARE = 0.62;
    private static final double EASING = 0.95;

    /**
     * @throws IllegalArgumentException if a setting is outside its range or the easy tempo not below the target
     */
    public Upkeep {
        target = Stride.notAbove(target);
        easy = easy.onMetronome();
        if (easy.compareTo(target) >= 0) {
            throw new IllegalArgumentException("Easy passes at " + easy + " lie under the target of " + target);
        }
        if (performances < 1 || performances > 12) {
            throw new IllegalArgumentException("There are 1 to 12 performances, not " + performances);
        }
    }

    static Method at(Span span) {
        Tempo easy = span.top().times(EASY_SHARE).onMetronome();
        return easy.compareTo(Stride.notAbove(span.top())) < 0
                ? new Upkeep(easy, span.top(), USUAL)
                : EasyPasses.under(span);
    }

    static Upkeep read(Settings kept) {
        return new Upkeep(kept.tempo("easy"), kept.tempo("target"), kept.whole("performances"));
    }

    @Override
    public School school() {
        return School.UPKEEP;
    }

    @Override
    public Settings settings() {
        return Settings.NONE.with("easy", easy).with("target", target).with("performances", performances);
    }

    @Override
    public String promise() {
        return performances + " times through at " + target + " as if somebody listened, each after an easy pass at "
                + easy + ".";
    }

    @Override
    public Tempo limit() {
        return target;
    }

    @Override
    public Position opening() {
        return new At(easy, target, false, 0, 0, "Easy at " + easy + ", then once through at " + target + ".");
    }

    private final class At implements Position {

        private final Tempo slow;
        private final Tempo fast;
        private final boolean performing;
        private final int done;
        private final int wrong;
        private final String why;

        At(Tempo slow, Tempo fast, boolean performing, int done, int wrong, String why) {
            this.slow = slow;
            this.fast = fast;
            this.performing = performing;
            this.done = done;
            this.wrong = wrong;
            this.why = why;
        }

        @Override
        public Move move() {
            Task once = Task.at(PassKind.CONTROLLED, performing ? fast : slow);
            return new Move.Play(performing ? once : once.asking(Ask.NOTHING), why);
        }

        @Override
        public Position after(Answer answer) {
            if (answer.tension().atLeast(Tension.GRIPPING)) {
                return new Finished("Tense at " + (performing ? fast : slow) + ": nothing has to be proved here.");
            }
            if (!performing) {
                return new At(slow, fast, true, done, wrong, "Once through at " + fast + ", as if somebody listened.");
            }
            int wrongNow = answer.verdict() == Verdict.CLEAN ? 0 : wrong + 1;
            if (done + 1 >= performances) {
                return new Finished("All " + performances + " are played.");
            }
            if (wrongNow >= 2) {
                return new Finished("Two did not go well in a row: leave it at that.");
            }
            return new At(slow, fast, false, done + 1, wrongNow, "Easy at " + slow + " before the next one.");
        }

        @Override
        public Position unjudged() {
            if (!performing) {
                return new At(slow, fast, true, done, wrong, "Once through at " + fast + ", as if somebody listened.");
            }
            return done + 1 >= performances
                    ? new Finished("All " + performances + " are played.")
                    : new At(slow, fast, false, done + 1, wrong, "Easy at " + slow + " before the next one.");
        }

        @Override
        public Position backedOff() {
            return slowed(EASING, "You backed off");
        }

        private Position slowed(double ratio, String because) {
            if (Stride.isSlowest(slow)) {
                return new Finished(because + ": leave it at that.");
            }
            Tempo slower = Tempo.slower(slow.times(ratio).onMetronome(), Stride.below(slow));
            Tempo lower = Tempo.slower(fast.times(ratio).onMetronome(), Stride.below(fast));
            return new At(
                    slower,
                    lower,
                    performing,
                    done,
                    wrong,
                    because + ": slower, at " + (performing ? lower : slower) + ".");
        }

        @Override
        public Position under(Tempo most, String because) {
            if (most.compareTo(fast) >= 0) {
                return this;
            }
            Tempo lower = Stride.notAbove(most);
            return lower.compareTo(slow) <= 0
                    ? new Finished(because + ": leave it at that.")
                    : new At(slow, lower, performing, done, wrong, performing ? because + ": " + lower + "." : why);
        }
    }
}
