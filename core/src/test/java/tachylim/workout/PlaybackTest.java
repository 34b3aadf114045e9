package tachylim.workout;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.apache.commons.numbers.fraction.Fraction;
import org.assertj.core.data.Offset;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tachylim.notation.abc.AbcReader;
import tachylim.passage.Meter;
import tachylim.passage.PaperPattern;
import tachylim.passage.Passage;
import tachylim.tempo.Tempo;
import tachylim.variation.Catalogue;
import tachylim.variation.Rendering;
import tachylim.workout.Playback.Sounding;

/** What is heard of a passage, against the click of the same tempo. */
class PlaybackTest {

    private static final Offset<Double> EXACTLY = Offset.offset(1e-9);

    private static Passage abc(String text) {
        return AbcReader.read(text).passage();
    }

    @ParameterizedTest
    @CsvSource({"60, 1.0", "90, 0.6666666667", "208, 0.2884615385"})
    void everyNoteSoundsOnItsPlaceAtAnyTempo(double bpm, double beat) {
        Passage passage = abc("M:3/4\nL:1/8\nK:C\nC2 D>E (3FGA | B4 c2 |]");
        List<Sounding> notes = Playback.of(passage, Tempo.of(bpm)).notes();
        double begin = 3 * beat;
        for (int i = 0; i < notes.size(); i++) {
            double onset = passage.notes().get(i).onset().doubleValue();
            assertThat(notes.get(i).seconds()).isEqualTo(begin + onset * beat, Offset.offset(1e-6));
        }
    }

    @Test
    void theClickIsTheOneARunHasAndNotesOnTheBeatFallOnIt() {
        Playback heard = Playback.of(abc("M:4/4\nL:1/16\nK:C\nCDEF GABc CDEF GABc | c8 z8 |]"), Tempo.of(120));
        List<Double> clicks = heard.clicks().stream().map(Click::seconds).toList();
        for (int beat = 0; beat < 4; beat++) {
            double note = heard.notes().get(4 * beat).seconds();
            assertThat(clicks).anySatisfy(click -> assertThat(click).isEqualTo(note, EXACTLY));
        }
        assertThat(heard.clicks().stream().filter(click -> click.kind() == Click.Kind.COUNT_IN))
                .hasSize(4);
        assertThat(heard.seconds()).isEqualTo((4 + 8) * 0.5, EXACTLY);
    }

    @Test
    void aPickupIsCountedInByAWholeBar() {
        Playback heard = Playback.of(abc("M:3/4\nL:1/4\nK:C\nG | c2 e | c3 |]"), Tempo.of(60));
        assertThat(heard.notes().get(0).seconds()).isEqualTo(3, EXACTLY);
        assertThat(heard.notes().get(1).seconds()).isEqualTo(4, EXACTLY);
        assertThat(heard.clicks()).anySatisfy(click -> {
            assertThat(click.seconds()).isEqualTo(4, EXACTLY);
            assertThat(click.kind()).isEqualTo(Click.Kind.ACCENT);
        });
    }

    @Test
    void shortNotesAreShortAndStressedOnesStressed() {
        List<Sounding> notes = Playback.of(abc("M:2/4\nL:1/4\nK:C\n.C D | !>!E !marcato!F |]"), Tempo.of(60))
                .notes();
        assertThat(notes).extracting(Sounding::lasts).containsExactly(0.5, 1.0, 1.0, 1.0);
        assertThat(notes).extracting(Sounding::accent).containsExactly(false, false, true, true);
    }

    @Test
    void chordsSoundTogetherAndPaperKnocks() {
        assertThat(Playback.of(abc("L:1/4\nK:D\n[DFA]"), Tempo.of(60))
                        .notes()
                        .get(0)
                        .keys())
                .containsExactly(62, 66, 69);
        Passage paper = new PaperPattern(new Meter(2, 4), Fraction.of(1, 4), 1, List.of(4, 4)).toPassage();
        assertThat(Playback.of(paper, Tempo.of(60)).notes())
                .allSatisfy(note -> assertThat(note.keys()).hasSize(1));
    }

    @Test
    void everyVariationPlaysAsManyNotesAsItHasAndEndsAfterThem() {
        Passage passage = abc("M:4/4\nL:1/16\nK:C\nCDEF GABc defg agfe | c16 |]");
        Catalogue.of(passage).forEach((variation, rendering) -> {
            Playback heard = Playback.of(rendering.music(), Tempo.of(96));
            assertThat(heard.notes())
                    .as(variation.key())
                    .hasSameSizeAs(rendering.music().notes());
            assertThat(heard.notes())
                    .extracting(Sounding::seconds)
                    .as(variation.key())
                    .isSorted();
            Sounding last = heard.notes().get(heard.notes().size() - 1);
            assertThat(heard.seconds())
                    .as(variation.key())
                    .isGreaterThanOrEqualTo(last.seconds() + last.lasts() - 1e-9);
        });
    }

    @Test
    void atItsMatchingTempoAVersionIsHeardWithTheGapsOfTheTarget() {
        Passage passage = abc("M:4/4\nL:1/16\nK:C\nCDEF GABc defg agfe | c16 |]");
        Rendering rendering = Catalogue.parse("same.3-1").of(passage);
        Tempo matching = Tempo.of(138 * rendering.matchingShare().doubleValue());
        List<Sounding> notes = Playback.of(rendering.music(), matching).notes();
        double gap = notes.get(2).seconds() - notes.get(1).seconds();
        assertThat(gap).as("a sixteenth at 138").isEqualTo(60.0 / 138 / 4, EXACTLY);
    }
}
