package tachylim.method;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import tachylim.task.Answer;
import tachylim.task.Ask;
import tachylim.task.Tension;
import tachylim.task.Verdict;
import tachylim.tempo.Tempo;
import tachylim.words.Reason;

class PerformanceRunTest {

    @Test
    void onceThroughWhateverHappens() {
        PerformanceRun run = PerformanceRun.at(Played.SPAN);
        assertThat(Played.well(run)).singleElement().satisfies(play -> {
            assertThat(play.tempo()).isEqualTo(Tempo.of(124));
            assertThat(play.task().ask()).isEqualTo(Ask.SLIPS);
        });
        assertThat(run.opening()
                        .after(new Answer(Verdict.BROKE, Tension.EDGE, 3))
                        .move())
                .isEqualTo(new Move.Finish(Reason.of("method.allPlayed", "passes", 1)));
    }
}
