package tachylim.method;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import org.junit.jupiter.api.Test;
import tachylim.task.Answer;
import tachylim.task.Tension;
import tachylim.task.Verdict;
import tachylim.tempo.Tempo;
import tachylim.words.Reason;

class StudyCardTest {

    @Test
    void theInstrumentIsPutAway() {
        StudyCard card = new StudyCard(Reason.text("Imagine every finger."), 120);
        assertThat(card.opening().move()).isEqualTo(new Move.Away(120, Reason.text("Imagine every finger.")));
        assertThat(card.opening().unjudged().move()).isInstanceOf(Move.Finish.class);
        assertThat(card.opening()
                        .after(new Answer(Verdict.CLEAN, Tension.LOOSE))
                        .move())
                .isInstanceOf(Move.Finish.class);
        assertThat(card.limit()).isEqualTo(Tempo.of(Tempo.MIN));
    }

    @Test
    void itSaysWhatToDo() {
        assertThatThrownBy(() -> new StudyCard(Reason.NONE, 120)).hasMessageContaining("what to do");
    }
}
