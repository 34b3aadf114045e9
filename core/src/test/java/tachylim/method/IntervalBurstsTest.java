package tachylim.method;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import org.junit.jupiter.api.Test;
import tachylim.task.Answer;
import tachylim.task.PassKind;
import tachylim.task.Tension;
import tachylim.task.Verdict;
import tachylim.tempo.Tempo;

class IntervalBurstsTest {

    private static final Answer CLEAN = new Answer(Verdict.CLEAN, Tension.LIGHT);
    private static final Answer BROKE = new Answer(Verdict.BROKE, Tension.LIGHT);

    private static Position bursts() {
        return new IntervalBursts(Tempo.of(77), Tempo.of(124), Tempo.of(128), Tempo.of(142), 0.02, 6).opening();
    }

    private static Move.Play play(Position position) {
        return (Move.Play) position.move();
    }

    @Test
    void everyBurstFollowsASlowPass() {
        Position position = bursts();
        for (int i = 0; i < 6; i++) {
            assertThat(play(position).kind()).isEqualTo(PassKind.CONTROLLED);
            position = position.after(CLEAN);
            assertThat(play(position).kind()).isEqualTo(PassKind.BURST);
            position = position.after(CLEAN);
        }
        assertThat(position.move()).isInstanceOf(Move.Finish.class);
    }

    @Test
    void aCleanBurstRaisesTheNextAndABrokenOneLowersIt() {
        assertThat(play(bursts().after(CLEAN).after(CLEAN).after(CLEAN)).tempo())
                .isEqualTo(Tempo.of(131));
        Position up =
                bursts().after(CLEAN).after(CLEAN).after(CLEAN).after(CLEAN).after(CLEAN);
        assertThat(play(up.after(BROKE).after(CLEAN)).tempo()).isLessThan(play(up).tempo());
    }

    @Test
    void twoBrokenBurstsInARowEndTheBlock() {
        Position position =
                bursts().after(CLEAN).after(CLEAN).after(CLEAN).after(CLEAN).after(CLEAN);
        assertThat(position.after(BROKE).after(CLEAN).after(BROKE).move()).isInstanceOf(Move.Finish.class);
    }

    @Test
    void burstsThatComeDownToTheCeilingEnd() {
        assertThat(bursts().after(CLEAN).after(BROKE).move().why().code()).isEqualTo("method.tooLow");
    }

    @Test
    void aSlowPassThatBreaksIsPlayedSlowerBeforeAnyBurst() {
        Position slower = bursts().after(BROKE);
        assertThat(play(slower).kind()).isEqualTo(PassKind.CONTROLLED);
        assertThat(play(slower).tempo()).isLessThan(Tempo.of(77));
    }

    @Test
    void burstsBelowTheCeilingAreRefused() {
        assertThatThrownBy(() -> new IntervalBursts(Tempo.of(77), Tempo.of(124), Tempo.of(120), Tempo.of(142), 0.02, 6))
                .hasMessageContaining("both sides of 124");
    }

    /** Bursts at one tempo may lie below the ceiling: none of their sentences says that they are above it. */
    @Test
    void ofBurstsAtOneTempoNothingIsSaidOfTheCeiling() {
        Method own = new IntervalBursts(Tempo.of(60), Tempo.of(85), Tempo.of(100), Tempo.of(100), 0.02, 6);
        assertThat(own.promise().code()).isEqualTo("bursting.onePromise");
        assertThat(own.opening().move().why().code()).isEqualTo("bursting.oneBegin");
        assertThat(own.opening().after(CLEAN).move().why().code()).isEqualTo("bursting.oneBurst");
        assertThat(bursts().after(CLEAN).move().why().code()).isEqualTo("bursting.burst");
    }
}
