package tachylim.workout;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;

class SectionLeftTest {

    private static SectionLeft.Had had(String shared, int passes, int probes) {
        boolean[] notes = new boolean[shared.length()];
        for (int i = 0; i < notes.length; i++) {
            notes[i] = shared.charAt(i) == '+';
        }
        return new SectionLeft.Had(notes, passes, probes);
    }

    @Test
    void whatHalfOfTheNotesHaveHadIsGone() {
        assertThat(SectionLeft.after(4, List.of(had("++--", 100, 3)))).isEqualTo(new SectionLeft(140, 11));
        assertThat(SectionLeft.after(4, List.of(had("+---", 100, 3)))).isEqualTo(SectionLeft.ALL);
        assertThat(SectionLeft.after(5, List.of(had("+++--", 100, 3)))).isEqualTo(new SectionLeft(140, 11));
        assertThat(SectionLeft.after(5, List.of(had("++---", 100, 3)))).isEqualTo(SectionLeft.ALL);
    }

    @Test
    void sectionsThatOverlapAddUp() {
        assertThat(SectionLeft.after(4, List.of(had("+++-", 100, 0), had("-+++", 30, 2))))
                .isEqualTo(new SectionLeft(110, 12));
    }

    @Test
    void thereIsNeverLessThanNothing() {
        assertThat(SectionLeft.after(2, List.of(had("++", 250, 20)))).isEqualTo(new SectionLeft(0, 0));
        assertThat(new SectionLeft(9, 3).shared(2)).isEqualTo(new SectionLeft(4, 1));
    }
}
