package tachylim.workout;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.apache.commons.numbers.fraction.Fraction;
import org.junit.jupiter.api.Test;
import tachylim.passage.Meter;
import tachylim.passage.PaperPattern;
import tachylim.passage.Passage;
import tachylim.passage.Section;
import tachylim.task.PassKind;
import tachylim.task.Pulse;
import tachylim.task.Task;
import tachylim.tempo.Tempo;
import tachylim.words.Reason;

class ClickProgrammeTest {

    private static final Passage MUSIC =
            new PaperPattern(new Meter(4, 4), Fraction.of(1, 4), 2, List.of(4)).toPassage();

    private static List<Click> clicks(double bpm, Section notes, int beats) {
        return ClickProgramme.of(new Pass(PassKind.CONTROLLED, Tempo.of(bpm), notes, beats, 1, 4, Reason.NONE), MUSIC);
    }

    @Test
    void aBarIsCountedInAndEveryBarIsAccented() {
        assertThat(clicks(120, new Section(0, 32), 9))
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
        List<Click> clicks = clicks(132, new Section(0, 32), 9);
        for (int beat = 0; beat < clicks.size(); beat++) {
            assertThat(clicks.get(beat).seconds()).isCloseTo(beat * 60.0 / 132, within(1e-9));
        }
    }

    @Test
    void aSectionFromMidBarIsAccentedOnItsBarLine() {
        assertThat(clicks(120, new Section(8, 32), 7).subList(4, 8))
                .extracting(Click::kind)
                .containsExactly(Click.Kind.BEAT, Click.Kind.BEAT, Click.Kind.ACCENT, Click.Kind.BEAT);
    }

    @Test
    void slowBeatsAreHalved() {
        List<Click> clicks = clicks(50, new Section(0, 8), 2);
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

    private static List<Click> clicks(Pulse pulse, int beats) {
        Task task = Task.at(PassKind.CONTROLLED, pulse.set()).with(pulse);
        return ClickProgramme.of(
                        new Pass(task, new Section(0, MUSIC.notes().size() - 1), beats, 1, 4, Reason.NONE), MUSIC)
                .stream()
                .filter(click -> click.kind() == Click.Kind.ACCENT || click.kind() == Click.Kind.BEAT)
                .toList();
    }

    /** Ten minutes of each pulse, every click where its closed form says, to a thousandth of a second. */
    @Test
    void everyPulseIsClickedWhereItsClosedFormSays() {
        Tempo tempo = Tempo.of(120);
        double from = tempo.secondsFor(4);
        List<Click> recounted = clicks(new Pulse.Recounted(tempo, 2), 1200);
        assertThat(recounted).hasSize(600);
        for (int i = 0; i < recounted.size(); i++) {
            assertThat(recounted.get(i).seconds()).isCloseTo(from + i, within(0.001));
        }
        List<Click> switching = clicks(new Pulse.Switching(tempo, 2, 4, 2), 600);
        assertThat(switching).hasSize(2 * 598 + 2);
        for (int i = 0; i < switching.size(); i++) {
            assertThat(switching.get(i).seconds()).isCloseTo(from + i * 0.5, within(0.001));
        }
        Pulse.Gliding glide = new Pulse.Gliding(Tempo.of(72), Tempo.of(144), 290, 20);
        List<Click> gliding = clicks(glide, (int) glide.beats());
        double start = Tempo.of(72).secondsFor(4);
        for (int beat = 0; beat < gliding.size(); beat++) {
            double told = 290 / Math.log(2) * Math.log(1 + 60 * beat * Math.log(2) / (72 * 290));
            double expected = beat <= glide.beatsUp() ? told : glide.secondsFor(beat);
            assertThat(gliding.get(beat).seconds()).isCloseTo(start + expected, within(0.001));
        }
        assertThat(gliding.get(gliding.size() - 1).seconds()).isBetween(start + 595, start + 600);
    }

    @Test
    void aClickThatDropsOutLeavesWholeBarsSilent() {
        List<Click> heard = clicks(new Pulse.DroppingOut(Tempo.of(120), 2, 1), 24);
        assertThat(heard).hasSize(16);
        assertThat(heard).noneMatch(click -> click.seconds() >= 2 + 4 - 1e-9 && click.seconds() < 2 + 6 - 1e-9);
    }

    @Test
    void withoutAClickThereIsOnlyTheEnd() {
        Task free = Task.at(PassKind.CONTROLLED, Tempo.of(60)).with(new Pulse.Free(Tempo.of(60), 30));
        assertThat(ClickProgramme.of(new Pass(free, new Section(0, 1), 30, 1, 0, Reason.NONE), MUSIC))
                .containsExactly(new Click(30, Click.Kind.CUE));
    }
}
