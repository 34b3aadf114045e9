package tachylim.method;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import org.junit.jupiter.api.Test;
import tachylim.task.Answer;
import tachylim.task.Tension;
import tachylim.task.Verdict;
import tachylim.tempo.Tempo;

class ArchTest {

    private static final Arch UP_TO_144 = new Arch(Tempo.of(72), Tempo.of(144), 40, 6, 3);

    private static Tempo top(Position position) {
        return ((Move.Play) position.move()).fastest();
    }

    @Test
    void theEdgeThatWasMarkedIsTheNextTop() {
        Position second = UP_TO_144.opening().after(new Answer(Verdict.CLEAN, Tension.EDGE, 131.6));
        assertThat(top(second)).isEqualTo(Tempo.of(131));
        assertThat(top(second.after(Answer.expected()))).isEqualTo(Tempo.of(131));
        assertThat(top(second.after(new Answer(Verdict.CLEAN, Tension.GRIPPING))))
                .isEqualTo(Tempo.of(117));
    }

    @Test
    void anEdgeAtTheSlowEndIsEnoughForToday() {
        assertThat(UP_TO_144
                        .opening()
                        .after(new Answer(Verdict.CLEAN, Tension.EDGE, 70))
                        .move())
                .isInstanceOf(Move.Finish.class);
        assertThat(Played.well(UP_TO_144)).hasSize(3);
    }

    @Test
    void settingsOutOfRangeAreRefused() {
        assertThatThrownBy(() -> new Arch(Tempo.of(90), Tempo.of(80), 40, 6, 3)).hasMessageContaining("glides up");
        assertThatThrownBy(() -> new Arch(Tempo.of(60), Tempo.of(80), 1, 6, 3)).hasMessageContaining("seconds");
    }
}
