package tachylim.method;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import org.junit.jupiter.api.Test;
import tachylim.task.Answer;
import tachylim.task.Tension;
import tachylim.task.Verdict;
import tachylim.tempo.Tempo;

class TempoSweepTest {

    @Test
    void eightTemposInNoOrderAndAlwaysTheSame() {
        TempoSweep sweep = TempoSweep.over(Played.SPAN);
        assertThat(sweep.tempos()).hasSize(8).doesNotHaveDuplicates();
        assertThat(Played.tempos(Played.well(sweep)))
                .isNotEqualTo(
                        Played.tempos(Played.well(sweep)).stream().sorted().toList());
        assertThat(TempoSweep.over(Played.SPAN)).isEqualTo(sweep);
        assertThat(sweep.limit()).isEqualTo(Tempo.of(124));
    }

    @Test
    void whatGripsIsNotPlayedAgainNorAnythingFaster() {
        TempoSweep sweep = TempoSweep.over(Played.SPAN);
        double[] least = {Double.MAX_VALUE};
        assertThat(Played.by(sweep, play -> {
                    assertThat(play.tempo().bpm()).isLessThan(least[0]);
                    least[0] = Math.min(
                            least[0], play.tempo().bpm() > 100 ? play.tempo().bpm() : least[0]);
                    return new Answer(Verdict.CLEAN, play.tempo().bpm() > 100 ? Tension.GRIPPING : Tension.LIGHT);
                }))
                .hasSize(8);
        assertThatThrownBy(() -> new TempoSweep(java.util.List.of())).hasMessageContaining("tempos");
    }
}
