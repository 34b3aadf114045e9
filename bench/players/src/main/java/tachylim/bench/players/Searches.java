package tachylim.bench.players;

import java.util.SplittableRandom;
import tachylim.ceiling.Band;
import tachylim.ceiling.Evidence;
import tachylim.ceiling.Posterior;
import tachylim.ceiling.Probe;
import tachylim.task.Answer;
import tachylim.task.Verdict;
import tachylim.tempo.Tempo;

/** Ways to look for a ceiling from the same first guess: the test, and what players do with a metronome and a pencil. */
final class Searches {

    private Searches() {}

    /** A search of one player: each pass leads to a new guess of where the ceiling is. */
    interface Search {
        /** Plays one more pass. */
        void pass(Player player);

        /** Where the ceiling is held to be. */
        double ceiling();
    }

    /** The ceiling test. */
    static final class Test implements Search {

        private Posterior belief;
        private Tempo fastest;

        Test(double guess) {
            belief = Posterior.prior(Tempo.clamped(guess), Posterior.GUESS_SD);
            fastest = belief.estimate().comfortable().middle();
        }

        @Override
        public void pass(Player player) {
            Tempo tempo = Probe.next(belief, fastest, Tempo.of(Tempo.MAX));
            Answer answer = player.play(tempo, 1, 0.95, 0);
            belief = belief.after(Evidence.of(tempo, answer.verdict()));
            if (answer.verdict() == Verdict.CLEAN && tempo.compareTo(fastest) > 0) {
                fastest = tempo;
            }
        }

        /** On a usual day. */
        Band usual() {
            return belief.estimate().ceiling();
        }

        /** On the day of the test. */
        Band band() {
            return belief.estimateOfToday().ceiling();
        }

        @Override
        public double ceiling() {
            return band().middle().bpm();
        }
    }

    /** Five up after a clean pass, five down after another; the mean of the tempos since the first turn. */
    static final class Ladder implements Search {

        private final double start;
        private double tempo;
        private double sum;
        private int count;
        private boolean turned;
        private Boolean up;

        Ladder(double guess) {
            start = guess;
            tempo = Math.round(guess);
        }

        @Override
        public void pass(Player player) {
            boolean clean = player.play(Tempo.clamped(tempo), 1, 0.95, 0).verdict() == Verdict.CLEAN;
            turned |= up != null && up != clean;
            up = clean;
            if (turned) {
                sum += tempo;
                count++;
            }
            tempo += clean ? 5 : -5;
        }

        @Override
        public double ceiling() {
            return count == 0 ? Math.max(tempo, Math.min(start, tempo)) : sum / count;
        }
    }

    /** A weighted staircase (Kaernbach 1991) around 80%: a step up after a clean pass, four down after another. */
    static final class Staircase implements Search {

        private double tempo;
        private double step = 0.03;
        private double sum;
        private int count;
        private int turns;
        private Boolean up;

        Staircase(double guess) {
            tempo = guess;
        }

        @Override
        public void pass(Player player) {
            boolean clean = player.play(Tempo.clamped(tempo), 1, 0.95, 0).verdict() == Verdict.CLEAN;
            if (up != null && up != clean) {
                turns++;
                step = Math.max(0.01, step * 0.75);
            }
            up = clean;
            if (turns > 0) {
                sum += Math.log(tempo);
                count++;
            }
            tempo *= Math.exp(clean ? step : -4 * step);
        }

        @Override
        public double ceiling() {
            return count == 0 ? tempo : Math.exp(sum / count);
        }
    }

    static double guess(Player player, SplittableRandom random) {
        return player.ceiling() * Math.exp(0.18 * Gauss.of(random));
    }
}
