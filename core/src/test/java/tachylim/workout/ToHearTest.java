package tachylim.workout;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.apache.commons.numbers.fraction.Fraction;
import org.junit.jupiter.api.Test;
import tachylim.notation.abc.AbcReader;
import tachylim.passage.Meter;
import tachylim.passage.PaperPattern;
import tachylim.passage.Passage;
import tachylim.passage.Section;
import tachylim.take.Asked;
import tachylim.task.Ask;
import tachylim.task.PassKind;
import tachylim.task.Pulse;
import tachylim.task.Task;
import tachylim.tempo.Tempo;
import tachylim.words.Reason;

/** Two bars of sixteenths with a last note on the third: 33 notes, 9 beats. */
class ToHearTest {

    private static final Passage MUSIC =
            new PaperPattern(new Meter(4, 4), Fraction.of(1, 4), 2, List.of(4)).toPassage();
    private static final Tempo TEMPO = Tempo.of(120);

    private static List<List<Asked>> heard(Task task, int beats, int rounds) {
        return ToHear.in(new Pass(task, new Section(0, 32), beats, rounds, 4, Reason.NONE), MUSIC);
    }

    @Test
    void aPassAsksForItsNotesOnTheBeatsOfItsClick() {
        List<List<Asked>> heard = heard(Task.at(PassKind.CONTROLLED, TEMPO), 9, 1);
        assertThat(heard).hasSize(1);
        assertThat(heard.get(0)).hasSize(33);
        assertThat(heard.get(0).get(6).beat()).isCloseTo(1.5, within(1e-9));
        assertThat(heard.get(0).get(6).beats()).isCloseTo(0.25, within(1e-9));
    }

    @Test
    void eachPassOfASetIsHeardByItself() {
        Task set = Task.at(PassKind.CONTROLLED, TEMPO).asking(Ask.set(3));
        List<List<Asked>> heard = heard(set, 12 + 12 + 9, 3);
        assertThat(heard).hasSize(3).allSatisfy(pass -> assertThat(pass).hasSize(33));
        assertThat(heard.get(2).get(0).beat()).isCloseTo(24, within(1e-9));
    }

    /** A pickup is bar 0, and its beats are the last ones of a bar. */
    @Test
    void notesStandInBarsAndOnBeats() {
        assertThat(ToHear.places(MUSIC).get(0)).isEqualTo(new ToHear.Place(1, 1));
        assertThat(ToHear.places(MUSIC).get(22)).isEqualTo(new ToHear.Place(2, 2));
        Pass burst = new Pass(Task.at(PassKind.BURST, TEMPO), new Section(14, 17), 1, 1, 4, Reason.NONE);
        assertThat(ToHear.places(burst, MUSIC))
                .containsExactly(
                        new ToHear.Place(1, 4), new ToHear.Place(1, 4), new ToHear.Place(2, 1), new ToHear.Place(2, 1));
        Passage pickup = AbcReader.read("M:3/4\nL:1/8\nK:C\nC D | E2 F2 G2 |").passage(Fraction.of(1, 4));
        assertThat(ToHear.places(pickup))
                .startsWith(new ToHear.Place(0, 3), new ToHear.Place(0, 3), new ToHear.Place(1, 1));
    }

    @Test
    void roundsThatAreAnsweredOnceAreHeardAsOne() {
        List<List<Asked>> heard = heard(Task.at(PassKind.CONTROLLED, TEMPO), 12 + 9, 2);
        assertThat(heard).hasSize(1);
        assertThat(heard.get(0)).hasSize(66);
        assertThat(heard.get(0).get(33).beat()).isCloseTo(12, within(1e-9));
    }

    @Test
    void whereTheTempoGlidesNotesAreDueWhereTheClickIs() {
        Pulse.Gliding gliding = new Pulse.Gliding(TEMPO, Tempo.of(150), 8, 2);
        Task arch = Task.at(PassKind.CONTROLLED, TEMPO).with(gliding);
        List<Asked> notes = heard(arch, 9, 1).get(0);
        for (int beat = 0; beat < 9; beat++) {
            assertThat(notes.get(4 * beat).beat() * 60 / 120).isCloseTo(gliding.secondsFor(beat), within(1e-9));
        }
    }

    @Test
    void withoutAClickNothingSaysWhenANoteIsDue() {
        assertThat(heard(Task.at(PassKind.CONTROLLED, TEMPO).with(new Pulse.Free(TEMPO, 30)), 9, 1))
                .isEmpty();
    }
}
