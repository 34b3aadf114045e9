package tachylim.method;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import org.junit.jupiter.api.Test;
import tachylim.passage.Section;
import tachylim.task.Answer;
import tachylim.task.Tension;
import tachylim.task.Verdict;
import tachylim.tempo.Tempo;
import tachylim.words.Reason;

class GrowingBurstsTest {

    private static GrowingBursts growing(GrowingBursts.Way way) {
        return new GrowingBursts(Tempo.of(130), way, 7, 12, 20);
    }

    @Test
    void aCleanBurstGrowsByANote() {
        assertThat(Played.well(growing(GrowingBursts.Way.FORWARD)))
                .extracting(play -> play.task().notes().orElseThrow().size())
                .containsExactly(2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12);
    }

    @Test
    void itGrowsFromALinkFromTheStartOrFromTheEnd() {
        assertThat(growing(GrowingBursts.Way.OUTWARD).stretch(2)).isEqualTo(new Section(7, 8));
        assertThat(growing(GrowingBursts.Way.OUTWARD).stretch(4)).isEqualTo(new Section(6, 9));
        assertThat(growing(GrowingBursts.Way.OUTWARD).stretch(12)).isEqualTo(new Section(0, 11));
        assertThat(growing(GrowingBursts.Way.BACKWARD).stretch(3)).isEqualTo(new Section(9, 11));
        assertThat(growing(GrowingBursts.Way.FORWARD).stretch(3)).isEqualTo(new Section(0, 2));
    }

    @Test
    void theTransitionThatFailsTwiceIsNamed() {
        Answer broke = new Answer(Verdict.BROKE, Tension.LIGHT);
        Position fourBroke = growing(GrowingBursts.Way.FORWARD)
                .opening()
                .after(Answer.expected())
                .after(Answer.expected())
                .after(broke);
        assertThat(((Move.Play) fourBroke.move()).task().notes()).contains(new Section(0, 2));
        assertThat(fourBroke.after(Answer.expected()).after(broke).move().why())
                .isEqualTo(Reason.of("growing.twice", "notes", 4, "from", 3, "to", 4));
    }

    @Test
    void theTransitionIsThatOfTheNoteThatWasAddedLast() {
        Answer broke = new Answer(Verdict.BROKE, Tension.LIGHT);
        Position three = growing(GrowingBursts.Way.BACKWARD).opening().after(Answer.expected());
        assertThat(three.after(broke).move().why().values())
                .containsEntry("from", 10L)
                .containsEntry("to", 11L);
        Position outward = growing(GrowingBursts.Way.OUTWARD).opening().after(Answer.expected());
        assertThat(outward.after(broke).move().why().values())
                .containsEntry("from", 7L)
                .containsEntry("to", 8L);
        Position two = growing(GrowingBursts.Way.BACKWARD).opening();
        assertThat(two.after(broke).move().why().values())
                .containsEntry("from", 11L)
                .containsEntry("to", 12L);
    }

    @Test
    void settingsOutOfRangeAreRefused() {
        assertThatThrownBy(() -> new GrowingBursts(Tempo.of(130), GrowingBursts.Way.OUTWARD, 11, 12, 20))
                .hasMessageContaining("transition");
        assertThat(growing(GrowingBursts.Way.OUTWARD)
                        .opening()
                        .after(new Answer(Verdict.CLEAN, Tension.GRIPPING))
                        .move())
                .isInstanceOfSatisfying(
                        Move.Play.class, play -> assertThat(play.tempo()).isLessThan(Tempo.of(130)));
    }
}
