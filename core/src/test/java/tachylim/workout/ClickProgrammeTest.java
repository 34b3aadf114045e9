package tachylim.workout;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.apache.commons.numbers.fraction.Fraction;
import org.junit.jupiter.api.Test;
import tachylim.method.PassKind;
import tachylim.passage.Meter;
import tachylim.passage.PaperPattern;
import tachylim.passage.Passage;
import tachylim.passage.Piece;
import tachylim.tempo.Tempo;

class ClickProgrammeTest {

    private static final Passage MUSIC =
            new PaperPattern(new Meter(4, 4), Fraction.of(1, 4), 2, List.of(4)).toPassage();

    private static List<Click> clicks(double bpm, Piece notes, int beats) {
        return ClickProgramme.of(new Pass(PassKind.CONTROLLED, Tempo.of(bpm), notes, beats, 1, 4, ""), MUSIC);
    }

    @Test
    void aBarIsCountedInAndEveryBarIsAccented() {
        assertThat(clicks(120, new Piece(0, 32), 9))
                .extracting(Click::kind)
                .containsExactly(
                        Click.Kind.COUNT_IN,
                        Click.Kind.COUNT_IN,
                        Click.Kind.COUNT_IN,
                        Click.Kind.COUNT_IN,
                        Click.Kind.ACCENT,
                        Click.Kind.BEAT,
                        Click.Kind.BEAT,
                        Click.Kind.BEAT,
                        Click.Kind.ACCENT,
                        Click.Kind.BEAT,
                        Click.Kind.BEAT,
                        Click.Kind.BEAT,
                        Click.Kind.ACCENT,
                        Click.Kind.CUE);
    }

    @Test
    void clicksFallExactlyOnTheirBeats() {
        List<Click> clicks = clicks(132, new Piece(0, 32), 9);
        for (int beat = 0; beat < clicks.size(); beat++) {
            assertThat(clicks.get(beat).seconds()).isCloseTo(beat * 60.0 / 132, within(1e-9));
        }
    }

    @Test
    void aPieceFromMidBarIsAccentedOnItsBarLine() {
        assertThat(clicks(120, new Piece(8, 32), 7).subList(4, 8))
                .extracting(Click::kind)
                .containsExactly(Click.Kind.BEAT, Click.Kind.BEAT, Click.Kind.ACCENT, Click.Kind.BEAT);
    }

    @Test
    void slowBeatsAreHalved() {
        List<Click> clicks = clicks(50, new Piece(0, 8), 2);
        assertThat(clicks)
                .extracting(Click::kind)
                .endsWith(
                        Click.Kind.ACCENT,
                        Click.Kind.SUBDIVISION,
                        Click.Kind.BEAT,
                        Click.Kind.SUBDIVISION,
                        Click.Kind.CUE);
        assertThat(clicks.get(5).seconds()).isCloseTo(4.5 * 1.2, within(1e-9));
    }
}
