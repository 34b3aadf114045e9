package tachylim.workout;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.apache.commons.numbers.fraction.Fraction;
import org.junit.jupiter.api.Test;
import tachylim.ceiling.Evidence;
import tachylim.ceiling.Known;
import tachylim.ceiling.Posterior;
import tachylim.load.Condition;
import tachylim.load.Effort;
import tachylim.passage.Meter;
import tachylim.passage.PaperPattern;
import tachylim.task.Verdict;
import tachylim.tempo.Tempo;
import tachylim.words.Reason;

class UndecidedTest {

    private static final Theme GUESSED = theme(140, Posterior.prior(Tempo.of(100), 0.2));
    private static final Theme NEAR = theme(102, measured());
    private static final Theme FAR = theme(150, measured());

    private static Theme theme(double target, Posterior belief) {
        return Theme.of(
                new PaperPattern(new Meter(4, 4), Fraction.of(1, 4), 2, List.of(4)).toPassage(),
                Tempo.of(target),
                Known.of(belief));
    }

    private static Posterior measured() {
        Posterior belief = Posterior.prior(Tempo.of(100), 0.03);
        for (int bpm = 94; bpm < 106; bpm += 2) {
            belief = belief.after(Evidence.of(Tempo.of(bpm), bpm <= 100 ? Verdict.CLEAN : Verdict.ROUGH));
        }
        return belief;
    }

    private static Brief brief(int minutes, Theme... themes) {
        return new Brief(
                List.of(themes),
                List.of(),
                minutes,
                Choices.usual(),
                new Allowance(new Effort(90), 90, 5_400),
                Condition.FRESH,
                List.of(),
                Reason.NONE);
    }

    @Test
    void whatIsGuessedOrMayBeThereUnseenIsMeasuredAndWhatIsFarIsNot() {
        assertThat(Undecided.of(brief(30, FAR, FAR, NEAR), 3)).containsExactly(2);
        assertThat(Undecided.of(brief(30, FAR, NEAR, GUESSED), 3)).containsExactly(2);
        assertThat(Undecided.of(brief(30, FAR, FAR, FAR), 3)).isEmpty();
        // The first is measured in any case.
        assertThat(Undecided.of(brief(30, GUESSED, FAR), 2)).isEmpty();
    }

    @Test
    void aLongWorkoutMeasuresTwoOfThemOnceOrOneTwice() {
        assertThat(Undecided.of(brief(45, FAR, NEAR, GUESSED), 3)).containsExactly(2, 1);
        assertThat(Undecided.probes(brief(45, FAR, NEAR, GUESSED))).isEqualTo(1);
        assertThat(Undecided.probes(brief(45, FAR, FAR, GUESSED))).isEqualTo(2);
        assertThat(Undecided.probes(brief(30, FAR, FAR, GUESSED))).isEqualTo(1);
        List<Integer> measured = Planner.plan(brief(45, FAR, NEAR, GUESSED)).blocks().stream()
                .filter(block -> block.part() == Part.MEASURE)
                .map(Block::theme)
                .toList();
        assertThat(measured).containsExactlyInAnyOrder(0, 1, 2);
    }
}
