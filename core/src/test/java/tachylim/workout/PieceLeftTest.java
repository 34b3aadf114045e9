package tachylim.workout;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;

class PieceLeftTest {

    private static PieceLeft.Had had(String shared, int passes, int probes) {
        boolean[] notes = new boolean[shared.length()];
        for (int i = 0; i < notes.length; i++) {
            notes[i] = shared.charAt(i) == '+';
        }
        return new PieceLeft.Had(notes, passes, probes);
    }

    @Test
    void whatHalfOfTheNotesHaveHadIsGone() {
        assertThat(PieceLeft.after(4, List.of(had("++--", 100, 3)))).isEqualTo(new PieceLeft(140, 11));
        assertThat(PieceLeft.after(4, List.of(had("+---", 100, 3)))).isEqualTo(PieceLeft.ALL);
        assertThat(PieceLeft.after(5, List.of(had("+++--", 100, 3)))).isEqualTo(new PieceLeft(140, 11));
        assertThat(PieceLeft.after(5, List.of(had("++---", 100, 3)))).isEqualTo(PieceLeft.ALL);
    }

    @Test
    void sectionsThatOverlapAddUp() {
        assertThat(PieceLeft.after(4, List.of(had("+++-", 100, 0), had("-+++", 30, 2))))
                .isEqualTo(new PieceLeft(110, 12));
    }

    @Test
    void thereIsNeverLessThanNothing() {
        assertThat(PieceLeft.after(2, List.of(had("++", 250, 20)))).isEqualTo(new PieceLeft(0, 0));
        assertThat(new PieceLeft(9, 3).shared(2)).isEqualTo(new PieceLeft(4, 1));
    }
}
