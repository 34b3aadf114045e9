package tachylim.method;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import org.junit.jupiter.api.Test;
import tachylim.task.Answer;
import tachylim.task.Pulse;
import tachylim.task.Tension;
import tachylim.task.Verdict;
import tachylim.tempo.Tempo;
import tachylim.words.Reason;

class PulseLadderTest {

    private static final PulseLadder IN_FOURS = new PulseLadder(Tempo.of(44), Tempo.of(60), 4, 60, 200, 30);

    @Test
    void theClickCountsMoreNotesWhenItGetsTooQuick() {
        assertThat(IN_FOURS.beatsPerClick(Tempo.of(48), 0.25)).isEqualTo(0.25);
        assertThat(IN_FOURS.beatsPerClick(Tempo.of(51), 0.25)).isEqualTo(0.5);
        List<Move.Play> plays = Played.well(IN_FOURS);
        assertThat(Played.tempos(plays)).isSorted().startsWith(44.0).endsWith(60.0);
        assertThat(plays)
                .extracting(play -> ((Pulse.Recounted) play.task().pulse()).beatsPerClick())
                .isSorted();
        assertThat(plays)
                .allSatisfy(play -> assertThat(((Pulse.Recounted) play.task().pulse()).clicksPerMinute())
                        .isBetween(60.0, 200.0));
        assertThat(plays.get(0).why()).isEqualTo(Reason.of("pulse.click", "notes", 1, "clicks", 176));
    }

    @Test
    void aSlipStaysAndABreakGoesDown() {
        Position second = IN_FOURS.opening().after(Answer.expected());
        assertThat(((Move.Play) second.after(new Answer(Verdict.ROUGH, Tension.LIGHT))
                                .move())
                        .tempo())
                .isEqualTo(Tempo.of(45));
        assertThat(((Move.Play) second.after(new Answer(Verdict.BROKE, Tension.LIGHT))
                                .move())
                        .tempo())
                .isEqualTo(Tempo.of(43));
    }

    @Test
    void settingsOutOfRangeAreRefused() {
        assertThatThrownBy(() -> new PulseLadder(Tempo.of(44), Tempo.of(60), 4, 100, 150, 30))
                .hasMessageContaining("click");
    }
}
