package tachylim.workout;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.apache.commons.numbers.fraction.Fraction;
import org.junit.jupiter.api.Test;
import tachylim.ceiling.Estimate;
import tachylim.ceiling.Posterior;
import tachylim.load.Condition;
import tachylim.method.Move;
import tachylim.passage.Meter;
import tachylim.passage.PaperPattern;
import tachylim.passage.Passage;
import tachylim.passage.Section;
import tachylim.task.Answer;
import tachylim.task.Ask;
import tachylim.task.PassKind;
import tachylim.task.Pulse;
import tachylim.task.Task;
import tachylim.tempo.Tempo;
import tachylim.words.Reason;

class PhrasingTest {

    private static Passage paper(int bars, Integer... perBeat) {
        return new PaperPattern(new Meter(4, 4), Fraction.of(1, 4), bars, List.of(perBeat)).toPassage();
    }

    private static Pass pass(Passage music, PassKind kind, double tempo, int burstBeats, int before) {
        return new Phrasing(music)
                .pass(new Move.Play(kind, Tempo.of(tempo), Reason.text("Because.")), burstBeats, before);
    }

    @Test
    void aShortSectionGoesRoundUntilItIsWorthCountingIn() {
        Pass pass = pass(paper(1, 4), PassKind.CONTROLLED, 80, 2, 0);
        assertThat(pass.rounds()).isEqualTo(3);
        assertThat(pass.beats()).isEqualTo(8 + 8 + 5);
    }

    @Test
    void aLongSectionIsPlayedOnce() {
        Pass pass = pass(paper(8, 4), PassKind.CONTROLLED, 80, 2, 0);
        assertThat(pass.rounds()).isEqualTo(1);
        assertThat(pass.beats()).isEqualTo(33);
        assertThat(pass.notes()).isEqualTo(new Section(0, 128));
    }

    @Test
    void aWarmUpLastsAboutAMinute() {
        assertThat(pass(paper(2, 4), PassKind.WARM_UP, 60, 2, 0).playSeconds()).isBetween(40.0, 62.0);
        assertThat(pass(paper(2, 4), PassKind.WARM_UP, 120, 2, 0).playSeconds()).isBetween(40.0, 62.0);
    }

    @Test
    void aBurstPlaysItsBeatsAndLandsOnTheNextNote() {
        Pass first = pass(paper(2, 4), PassKind.BURST, 130, 2, 0);
        assertThat(first.notes()).isEqualTo(new Section(0, 8));
        assertThat(first.beats()).isEqualTo(2);
        assertThat(pass(paper(2, 4), PassKind.BURST, 130, 1, 0).notes()).isEqualTo(new Section(0, 4));
    }

    @Test
    void burstsGoThroughTheSectionAndBeginAgain() {
        assertThat(pass(paper(2, 4), PassKind.BURST, 130, 2, 3).notes()).isEqualTo(new Section(24, 32));
        assertThat(pass(paper(2, 4), PassKind.BURST, 130, 2, 4).notes()).isEqualTo(new Section(0, 8));
    }

    @Test
    void aBurstOverARestBeginsWithTheNextNote() {
        Pass burst = pass(paper(1, 4, 0, 3, 2), PassKind.BURST, 130, 1, 1);
        assertThat(burst.notes().firstNote()).isEqualTo(4);
        assertThat(burst.notes().lastNote()).isGreaterThan(4);
    }

    @Test
    void aBarIsCountedInAtTheTempoOfThePass() {
        Pass pass = pass(paper(2, 4), PassKind.BURST, 120, 2, 0);
        assertThat(pass.countIn()).isEqualTo(4);
        assertThat(pass.countInSeconds()).isCloseTo(2, within(1e-9));
        assertThat(pass.seconds()).isCloseTo(3, within(1e-9));
    }

    @Test
    void totalsAddUpWhatIsPlayedAndRested() {
        Pass slow = pass(paper(2, 4), PassKind.CONTROLLED, 60, 2, 0);
        Pass burst = pass(paper(2, 4), PassKind.BURST, 120, 2, 0);
        Estimate estimate = Posterior.prior(Tempo.of(100), 0.1).estimate();
        Tally none = Tally.start(Condition.FRESH);
        Tally afterSlow = none.played(slow, estimate, Answer.expected());
        Tally afterBurst = afterSlow.played(burst, estimate, Answer.expected());
        Rest rest = new Rest(Rest.Purpose.RECOVER, 15, Reason.text("Hands hanging."));
        Totals totals = Totals.of(List.of(
                new Segment(slow, Part.CORE, 0, 0, 30, Answer.expected(), none, afterSlow),
                new Segment(burst, Part.CORE, 0, 30, 7, Answer.expected(), afterSlow, afterBurst),
                new Segment(rest, Part.CORE, 0, 37, 15, null, afterBurst, afterBurst)));
        assertThat(totals.seconds()).isCloseTo(52, within(1e-9));
        assertThat(totals.restSeconds()).isCloseTo(15, within(1e-9));
        assertThat(totals.burstSeconds()).isCloseTo(1, within(1e-9));
        assertThat(totals.notes()).isEqualTo(33 * slow.rounds() + 9);
        assertThat(totals.passes()).isEqualTo(2);
        assertThat(totals.bursts()).isEqualTo(1);
    }

    @Test
    void burstsBeginWithTheTransitionsThatBreak() {
        Phrasing phrasing = new Phrasing(paper(2, 4), List.of(17, 18, 3));
        Move.Play burst = new Move.Play(PassKind.BURST, Tempo.of(130), Reason.text("Because."));
        assertThat(phrasing.pass(burst, 2, 0).notes()).isEqualTo(new Section(16, 24));
        assertThat(phrasing.pass(burst, 2, 1).notes()).isEqualTo(new Section(0, 8));
        assertThat(phrasing.pass(burst, 2, 2).notes()).isEqualTo(new Section(8, 16));
        assertThat(phrasing.pass(burst, 2, 4).notes()).isEqualTo(new Section(16, 24));
    }

    @Test
    void aSetGoesRoundOnOneClickAndIsShortenedByWholePasses() {
        Passage music = paper(1, 4);
        Move.Play three =
                new Move.Play(Task.at(PassKind.CONTROLLED, Tempo.of(80)).asking(Ask.set(3)), Reason.text("Because."));
        Pass set = new Phrasing(music).pass(three, 2, 0);
        assertThat(set.rounds()).isEqualTo(9);
        assertThat(set.roundsEach()).isEqualTo(3);
        Pass shorter = new Phrasing(music).shorter(set);
        assertThat(shorter.ask()).isEqualTo(Ask.set(2));
        assertThat(shorter.rounds()).isEqualTo(6);
        assertThat(new Phrasing(music).shorter(shorter).ask()).isEqualTo(Ask.VERDICT);
    }

    @Test
    void aGlideAndFreePlayingLastAsLongAsTheySay() {
        Phrasing phrasing = new Phrasing(paper(2, 4));
        Pulse.Gliding glide = new Pulse.Gliding(Tempo.of(72), Tempo.of(144), 40, 6);
        Pass arch = phrasing.pass(
                new Move.Play(Task.at(PassKind.CONTROLLED, Tempo.of(72)).with(glide), Reason.text("Because.")), 2, 0);
        assertThat(arch.playSeconds()).isCloseTo(86, within(1e-9));
        assertThat(arch.beats()).isEqualTo((int) glide.beats());
        Pass free = phrasing.pass(
                new Move.Play(
                        Task.at(PassKind.CONTROLLED, Tempo.of(60)).with(new Pulse.Free(Tempo.of(60), 30)),
                        Reason.text("Because.")),
                2,
                0);
        assertThat(free.seconds()).isEqualTo(30);
        assertThat(free.beats()).isEqualTo(30);
    }
}
