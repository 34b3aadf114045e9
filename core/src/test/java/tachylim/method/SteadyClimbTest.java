package tachylim.method;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import org.junit.jupiter.api.Test;
import tachylim.task.Answer;
import tachylim.task.Tension;
import tachylim.task.Verdict;
import tachylim.tempo.Tempo;

class SteadyClimbTest {

    private static final Answer CLEAN = new Answer(Verdict.CLEAN, Tension.LIGHT);
    private static final Answer ROUGH = new Answer(Verdict.ROUGH, Tension.LIGHT);
    private static final Answer BROKE = new Answer(Verdict.BROKE, Tension.LIGHT);

    private static Position climb(double start, double limit) {
        return new SteadyClimb(Tempo.of(start), Tempo.of(limit), 0.02, 3, 100).opening();
    }

    private static Position after(Position position, Answer... answers) {
        for (Answer answer : answers) {
            position = position.after(answer);
        }
        return position;
    }

    private static long tempo(Position position) {
        return Math.round(((Move.Play) position.move()).tempo().bpm());
    }

    @Test
    void threeCleanEarnAStepOfTwoPercent() {
        assertThat(tempo(after(climb(100, 200), CLEAN, CLEAN))).isEqualTo(100);
        assertThat(tempo(after(climb(100, 200), CLEAN, CLEAN, CLEAN))).isEqualTo(102);
    }

    @Test
    void aStepIsAtLeastOneBeatAMinute() {
        assertThat(tempo(after(climb(30, 100), CLEAN, CLEAN, CLEAN))).isEqualTo(31);
    }

    @Test
    void aBrokenPassCostsTwoStepsAndTwoRoughCostOne() {
        assertThat(tempo(after(climb(100, 200), BROKE))).isEqualTo(96);
        assertThat(tempo(after(climb(100, 200), ROUGH))).isEqualTo(100);
        assertThat(tempo(after(climb(100, 200), ROUGH, ROUGH))).isEqualTo(98);
        assertThat(tempo(after(climb(100, 200), ROUGH, CLEAN, ROUGH))).isEqualTo(100);
    }

    @Test
    void theEdgeHoldsTheTempo() {
        Answer edge = new Answer(Verdict.CLEAN, Tension.EDGE);
        assertThat(tempo(after(climb(100, 200), edge, edge, edge, edge))).isEqualTo(100);
    }

    @Test
    void holdingTheLimitCleanFinishesTheClimb() {
        assertThat(after(climb(100, 101), CLEAN, CLEAN, CLEAN, CLEAN, CLEAN, CLEAN)
                        .move())
                .isInstanceOf(Move.Finish.class);
    }

    @Test
    void aStartAboveTheLimitIsRefused() {
        assertThatThrownBy(() -> climb(120, 100)).hasMessageContaining("120").hasMessageContaining("100");
    }

    /** A set that is left was not played: what is left of its passes is played slower, and leaving comes to an end. */
    @Test
    void aSetThatIsBackedOffFromGoesOnSlower() {
        Position set = new SteadyClimb(Tempo.of(80), Tempo.of(90), 0.02, 6, 6, true).opening();
        Move.Play slower = (Move.Play) set.backedOff().move();
        assertThat(slower.tempo().bpm()).isLessThan(80);
        assertThat(slower.task().ask().passes()).isEqualTo(5);
        Position position = set;
        for (int i = 0; i < 6; i++) {
            position = position.backedOff();
        }
        assertThat(position.move()).isInstanceOf(Move.Finish.class);
    }
}
