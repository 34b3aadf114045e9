package tachylim.workout;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.apache.commons.numbers.fraction.Fraction;
import org.junit.jupiter.api.Test;
import tachylim.ceiling.Estimate;
import tachylim.ceiling.Posterior;
import tachylim.load.Condition;
import tachylim.method.Answer;
import tachylim.method.Move;
import tachylim.method.PassKind;
import tachylim.passage.Meter;
import tachylim.passage.PaperPattern;
import tachylim.passage.Passage;
import tachylim.passage.Piece;
import tachylim.tempo.Tempo;

class PhrasingTest {

    private static Passage paper(int bars, Integer... perBeat) {
        return new PaperPattern(new Meter(4, 4), Fraction.of(1, 4), bars, List.of(perBeat)).toPassage();
    }

    private static Pass pass(Passage music, PassKind kind, double tempo, int burstBeats, int before) {
        return new Phrasing(music).pass(new Move.Play(kind, Tempo.of(tempo), "Because."), burstBeats, before);
    }

    @Test
    void aShortPieceGoesRoundUntilItIsWorthCountingIn() {
        Pass pass = pass(paper(1, 4), PassKind.CONTROLLED, 80, 2, 0);
        assertThat(pass.rounds()).isEqualTo(3);
        assertThat(pass.beats()).isEqualTo(8 + 8 + 5);
    }

    @Test
    void aLongPieceIsPlayedOnce() {
        Pass pass = pass(paper(8, 4), PassKind.CONTROLLED, 80, 2, 0);
        assertThat(pass.rounds()).isEqualTo(1);
        assertThat(pass.beats()).isEqualTo(33);
        assertThat(pass.notes()).isEqualTo(new Piece(0, 128));
    }

    @Test
    void aWarmUpLastsAboutAMinute() {
        assertThat(pass(paper(2, 4), PassKind.WARM_UP, 60, 2, 0).playSeconds()).isBetween(40.0, 62.0);
        assertThat(pass(paper(2, 4), PassKind.WARM_UP, 120, 2, 0).playSeconds()).isBetween(40.0, 62.0);
    }

    @Test
    void aBurstPlaysItsBeatsAndLandsOnTheNextNote() {
        Pass first = pass(paper(2, 4), PassKind.BURST, 130, 2, 0);
        assertThat(first.notes()).isEqualTo(new Piece(0, 8));
        assertThat(first.beats()).isEqualTo(2);
        assertThat(pass(paper(2, 4), PassKind.BURST, 130, 1, 0).notes()).isEqualTo(new Piece(0, 4));
    }

    @Test
    void burstsGoThroughThePieceAndBeginAgain() {
        assertThat(pass(paper(2, 4), PassKind.BURST, 130, 2, 3).notes()).isEqualTo(new Piece(24, 32));
        assertThat(pass(paper(2, 4), PassKind.BURST, 130, 2, 4).notes()).isEqualTo(new Piece(0, 8));
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
        Rest rest = new Rest(Rest.Reason.RECOVER, 15, "Hands hanging.");
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
}
