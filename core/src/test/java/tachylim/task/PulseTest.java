package tachylim.task;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;
import tachylim.tempo.Tempo;

class PulseTest {

    private static final Pulse.Gliding GLIDE = new Pulse.Gliding(Tempo.of(72), Tempo.of(144), 40, 6);

    private static double seconds(List<Pulse.Pace> paces) {
        return paces.stream().mapToDouble(Pulse.Pace::seconds).sum();
    }

    @Test
    void aGlideHasItsBeatsWhereItsClosedFormSays() {
        assertThat(GLIDE.beatsUp()).isCloseTo(69.25, within(0.005));
        assertThat(GLIDE.secondsFor(30)).isCloseTo(20.770, within(0.0005));
        assertThat(GLIDE.secondsFor(GLIDE.beatsUp())).isCloseTo(40, within(1e-9));
        assertThat(GLIDE.secondsFor(GLIDE.beats())).isCloseTo(86, within(1e-9));
        assertThat(GLIDE.at(40)).isEqualTo(Tempo.of(144));
        assertThat(GLIDE.at(86).bpm()).isCloseTo(72, within(1e-9));
    }

    /** Beat by beat the tempo is summed up by itself, in steps of a thousandth of a second. */
    @Test
    void aGlideIsWhatItsTempoAddsUpTo() {
        double beats = 0;
        for (int ms = 0; ms < 86_000; ms++) {
            assertThat(GLIDE.secondsFor(beats)).isCloseTo(ms / 1000.0, within(0.001));
            beats += GLIDE.at((ms + 0.5) / 1000).bpm() / 60_000;
        }
        assertThat(beats).isCloseTo(GLIDE.beats(), within(0.001));
    }

    @Test
    void aClickThatCountsMoreNotesLeavesThemAsFast() {
        // 3.2 notes a second: in fours, a beat at 48.
        Tempo tempo = Tempo.of(48);
        assertThat(new Pulse.Recounted(tempo, 0.25).clicksPerMinute()).isEqualTo(192);
        assertThat(new Pulse.Recounted(tempo, 0.5).clicksPerMinute()).isEqualTo(96);
        assertThat(new Pulse.Recounted(tempo, 1).clicksPerMinute()).isEqualTo(48);
        assertThat(new Pulse.Recounted(tempo, 0.25).secondsFor(16)).isEqualTo(tempo.secondsFor(16));
    }

    @Test
    void switchingSpreadsAllButItsQuickBeats() {
        Pulse.Switching pulse = new Pulse.Switching(Tempo.of(120), 2, 4, 1);
        assertThat(pulse.clicks(8)).isEqualTo(8 + 1 + 6);
        assertThat(pulse.clicks(4.5)).isEqualTo(8.5);
        assertThat(pulse.secondsFor(8)).isEqualTo(7.5);
        assertThat(pulse.paces(8)).extracting(pace -> pace.tempo().bpm()).containsExactly(60.0, 120.0, 60.0);
    }

    @Property(tries = 300)
    void pacesLastAsLongAsTheirPulse(
            @ForAll @DoubleRange(min = 40, max = 150) double from,
            @ForAll @DoubleRange(min = 1.05, max = 2.5) double ratio,
            @ForAll @DoubleRange(min = 2, max = 100) double up,
            @ForAll @DoubleRange(min = 0, max = 30) double hold,
            @ForAll @IntRange(min = 1, max = 60) int beats) {
        Pulse.Gliding glide = new Pulse.Gliding(Tempo.of(from), Tempo.of(from * ratio), up, hold);
        double until = Math.min(beats, glide.beats());
        assertThat(seconds(glide.paces(until))).isCloseTo(glide.secondsFor(until), within(1e-6));
        assertThat(glide.paces(until))
                .allSatisfy(pace -> assertThat(pace.tempo()).isLessThanOrEqualTo(glide.fastest()));
        Pulse.Switching switching = new Pulse.Switching(Tempo.of(from), 2, 3, 2);
        assertThat(seconds(switching.paces(beats))).isCloseTo(switching.secondsFor(beats), within(1e-9));
    }

    @Property(tries = 200)
    void beatsFollowOneAnother(@ForAll @DoubleRange(min = 0, max = 260) double beat) {
        assertThat(GLIDE.secondsFor(beat + 0.01)).isGreaterThan(GLIDE.secondsFor(beat));
    }

    @Test
    void underATempoNothingIsFaster() {
        Tempo most = Tempo.of(100);
        for (Pulse pulse : List.of(
                GLIDE,
                new Pulse.Steady(Tempo.of(120)),
                new Pulse.Recounted(Tempo.of(120), 2),
                new Pulse.Switching(Tempo.of(120), 2, 0, 1),
                new Pulse.DroppingOut(Tempo.of(120), 2, 2),
                new Pulse.Free(Tempo.of(120), 30))) {
            assertThat(pulse.under(most).fastest()).isLessThanOrEqualTo(most);
        }
        assertThat(GLIDE.under(Tempo.of(60)).fastest()).isEqualTo(Tempo.of(60));
    }

    @Test
    void whatMakesNoSenseIsRefused() {
        assertThatThrownBy(() -> new Pulse.Gliding(Tempo.of(100), Tempo.of(90), 10, 0))
                .hasMessageContaining("glides up");
        assertThatThrownBy(() -> new Pulse.Switching(Tempo.of(100), 5, 0, 1)).hasMessageContaining("clicks");
        assertThatThrownBy(() -> new Pulse.Free(Tempo.of(100), 0)).hasMessageContaining("seconds");
        assertThatThrownBy(() -> new Pulse.Recounted(Tempo.of(100), 40)).hasMessageContaining("click");
        assertThatThrownBy(() -> new Pulse.DroppingOut(Tempo.of(100), 0, 1)).hasMessageContaining("bars");
    }
}
