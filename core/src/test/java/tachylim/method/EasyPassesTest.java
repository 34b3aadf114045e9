package tachylim.method;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.Arrays;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tachylim.task.Answer;
import tachylim.task.Ask;
import tachylim.task.PassKind;
import tachylim.task.Tension;
import tachylim.task.Verdict;
import tachylim.tempo.Tempo;
import tachylim.words.Reason;

class EasyPassesTest {

    private static Position easy(double... tempos) {
        return new EasyPasses(
                        PassKind.CLOSING,
                        Arrays.stream(tempos).mapToObj(Tempo::of).toList(),
                        Reason.text("Easy."))
                .opening();
    }

    private static Answer answer(Verdict verdict, Tension tension) {
        return new Answer(verdict, tension);
    }

    private static Tempo tempo(Position position) {
        return ((Move.Play) position.move()).tempo();
    }

    @Test
    void theTemposArePlayedInTurn() {
        Position second = easy(60, 70).after(Answer.expected());
        assertThat(tempo(second)).isEqualTo(Tempo.of(70));
        assertThat(second.after(Answer.expected()).move())
                .isEqualTo(new Move.Finish(Reason.of("method.allPlayed", "passes", 2)));
    }

    @Test
    void aSmallSlipChangesNothing() {
        assertThat(tempo(easy(60, 70).after(answer(Verdict.ROUGH, Tension.LIGHT))))
                .isEqualTo(Tempo.of(70));
    }

    @ParameterizedTest
    @CsvSource({"BROKE, LIGHT", "CLEAN, GRIPPING", "ROUGH, GRIPPING"})
    void aBrokenOrGrippingPassMakesAllThatFollowsSlower(Verdict verdict, Tension tension) {
        Position second = easy(80, 85, 90).after(answer(verdict, tension));
        assertThat(tempo(second)).isEqualTo(Tempo.of(72));
        assertThat(tempo(second.after(Answer.expected()))).isEqualTo(Tempo.of(72));
    }

    @Test
    void passesAlikeAreASetAnsweredAtOnce() {
        Position set = easy(70, 70, 70, 80);
        assertThat(((Move.Play) set.move()).task().ask()).isEqualTo(Ask.set(3));
        assertThat(tempo(set.after(Answer.ofSet(3, 3, Tension.LIGHT)))).isEqualTo(Tempo.of(80));
        assertThat(tempo(set.unjudged())).isEqualTo(Tempo.of(80));
        assertThat(tempo(set.after(Answer.ofSet(1, 3, Tension.LIGHT)))).isEqualTo(Tempo.of(63));
    }

    @Test
    void aLockedHandEndsIt() {
        assertThat(easy(60, 60)
                        .after(answer(Verdict.CLEAN, Tension.LOCKED))
                        .move()
                        .why()
                        .code())
                .isEqualTo("method.locked");
    }

    @Test
    void aFinishedMethodTakesNoMoreAnswers() {
        Position over = easy(60).after(Answer.expected());
        assertThatThrownBy(() -> over.after(Answer.expected())).isInstanceOf(IllegalStateException.class);
        assertThatThrownBy(over::backedOff).isInstanceOf(IllegalStateException.class);
    }

    @Test
    void whatIsNoEasyBlockIsRefused() {
        assertThatThrownBy(() -> new EasyPasses(PassKind.BURST, List.of(Tempo.of(60)), Reason.NONE))
                .hasMessageContaining("BURST");
        assertThatThrownBy(() -> new EasyPasses(PassKind.WARM_UP, List.of(), Reason.NONE))
                .hasMessageContaining("0");
    }

    @Test
    void aTensionOutsideItsScaleIsRefused() {
        assertThatThrownBy(() -> Tension.of(6)).hasMessageContaining("6");
        assertThatThrownBy(() -> Tension.of(-1)).hasMessageContaining("refusal.tension.tensionIsGivenFrom0ToNotAs");
        assertThat(Tension.of(3)).isEqualTo(Tension.EDGE);
    }

    @Test
    void aStepIsSeenOnAMetronomeAndStopsAtTheLimit() {
        Stride stride = new Stride(0.02);
        assertThat(stride.up(Tempo.of(30), Tempo.of(200))).isEqualTo(Tempo.of(31));
        assertThat(stride.up(Tempo.of(199), Tempo.of(200))).isEqualTo(Tempo.of(200));
        assertThat(stride.up(Tempo.of(200), Tempo.of(200))).isEqualTo(Tempo.of(200));
        assertThat(stride.down(Tempo.of(100), 2)).isEqualTo(Tempo.of(96));
        assertThat(stride.down(Tempo.of(20), 2)).isEqualTo(Tempo.of(20));
        assertThatThrownBy(() -> new Stride(0)).hasMessageContaining("0.0");
        assertThatThrownBy(() -> new Stride(0.5)).hasMessageContaining("0.5");
    }
}
