package tachylim.method;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import org.junit.jupiter.api.Test;
import tachylim.method.WarmUpRoutine.Item;
import tachylim.task.Answer;
import tachylim.task.Ask;
import tachylim.task.PassKind;
import tachylim.task.Pulse;
import tachylim.task.Tension;
import tachylim.task.Verdict;
import tachylim.tempo.Tempo;
import tachylim.words.Reason;

class WarmUpRoutineTest {

    private static final List<Item> LINES =
            List.of(new Item("Shoulders and wrists", 120, false), new Item("Long, easy strokes", 90, true));
    private static final WarmUpRoutine ROUTINE = new WarmUpRoutine(LINES, Tempo.of(60));

    @Test
    void theBodyComesFirstAwayFromTheInstrument() {
        assertThat(ROUTINE.opening().move()).isInstanceOfSatisfying(Move.Away.class, away -> {
            assertThat(away.seconds()).isEqualTo(120);
            assertThat(away.why()).isEqualTo(Reason.text("Shoulders and wrists"));
        });
    }

    @Test
    void whatIsPlayedHasAClockAndAsksNothing() {
        Move.Play play = (Move.Play) ROUTINE.opening().unjudged().move();
        assertThat(play.kind()).isEqualTo(PassKind.WARM_UP);
        assertThat(play.task().ask()).isEqualTo(Ask.NOTHING);
        assertThat(play.task().manner()).isEqualTo(Reason.text("Long, easy strokes"));
        assertThat(play.task().pulse()).isEqualTo(new Pulse.Free(Tempo.of(60), 90));
        assertThat(ROUTINE.opening().unjudged().unjudged()).isInstanceOf(Finished.class);
    }

    @Test
    void aGrippingHandWarmsUpSlowerAndALockedOneNoMore() {
        WarmUpRoutine twice = new WarmUpRoutine(List.of(LINES.get(1), LINES.get(1)), Tempo.of(60));
        Move.Play slower = (Move.Play) twice.opening()
                .after(new Answer(Verdict.ROUGH, Tension.GRIPPING))
                .move();
        assertThat(slower.tempo()).isLessThan(Tempo.of(60));
        assertThat(twice.opening().after(new Answer(Verdict.BROKE, Tension.LOCKED)))
                .isInstanceOf(Finished.class);
    }

    @Test
    void linesReadBackFromTheirText() {
        List<Item> odd = List.of(new Item("  3 times \n round, 10 s each ", 15, true), LINES.get(0));
        assertThat(WarmUpRoutine.items(WarmUpRoutine.text(odd))).isEqualTo(odd);
        assertThat(odd.get(0).what()).isEqualTo("3 times round, 10 s each");
        assertThat(WarmUpRoutine.items("")).isEmpty();
        assertThat(WarmUpRoutine.seconds(odd)).isEqualTo(135);
    }

    @Test
    void linesOutOfRangeAreRefused() {
        assertThatThrownBy(() -> new Item(" ", 60, true))
                .hasMessageContaining("refusal.warmUpRoutine.aLineOfAWarmUpHas1To");
        assertThatThrownBy(() -> new Item("x".repeat(81), 60, true))
                .hasMessageContaining("refusal.warmUpRoutine.aLineOfAWarmUpHas1To");
        assertThatThrownBy(() -> new Item("Scales", 5, true))
                .hasMessageContaining("refusal.warmUpRoutine.aLineOfAWarmUpTakesSeconds");
        assertThatThrownBy(() -> new WarmUpRoutine(List.of(), Tempo.of(60)))
                .hasMessageContaining("refusal.warmUpRoutine.aWarmUpHas1ToLinesNot");
        assertThatThrownBy(() -> WarmUpRoutine.items("nonsense")).isInstanceOf(IllegalArgumentException.class);
    }
}
