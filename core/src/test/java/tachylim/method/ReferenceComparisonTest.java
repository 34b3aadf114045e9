package tachylim.method;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import org.junit.jupiter.api.Test;
import tachylim.task.Answer;
import tachylim.task.Ask;
import tachylim.task.Tension;
import tachylim.task.Verdict;
import tachylim.tempo.Tempo;
import tachylim.words.Reason;

class ReferenceComparisonTest {

    private static final Reason SLURRED = Reason.text("slurred");
    private static final Reason DOUBLE_TONGUED = Reason.text("double tongued");

    @Test
    void theSureWayThenTheTriedOneAtEachTempo() {
        List<Move.Play> plays = Played.well(
                new ReferenceComparison(List.of(Tempo.of(80), Tempo.of(96)), SLURRED, DOUBLE_TONGUED, List.of()));
        assertThat(Played.tempos(plays)).containsExactly(80.0, 80.0, 96.0, 96.0);
        assertThat(plays)
                .extracting(play -> play.task().manner())
                .containsExactly(SLURRED, DOUBLE_TONGUED, SLURRED, DOUBLE_TONGUED);
        assertThat(plays)
                .extracting(play -> play.task().ask())
                .containsExactly(Ask.NOTHING, Ask.MATCH, Ask.NOTHING, Ask.MATCH);
    }

    @Test
    void withoutATempoThereIsNothingToCompare() {
        assertThatThrownBy(() -> new ReferenceComparison(List.of(), Reason.text("a"), Reason.text("b"), List.of()))
                .hasMessageContaining("tempos");
        assertThat(ReferenceComparison.over(Played.SPAN).limit()).isEqualTo(Tempo.of(112));
        assertThat(ReferenceComparison.over(Played.SPAN)
                        .opening()
                        .after(new Answer(Verdict.CLEAN, Tension.LOCKED))
                        .move())
                .isInstanceOf(Move.Finish.class);
    }
}
