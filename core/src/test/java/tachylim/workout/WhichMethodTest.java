package tachylim.workout;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.OptionalLong;
import org.apache.commons.numbers.fraction.Fraction;
import org.junit.jupiter.api.Test;
import tachylim.ceiling.AwkwardBand;
import tachylim.ceiling.Evidence;
import tachylim.ceiling.Known;
import tachylim.ceiling.Posterior;
import tachylim.load.Effort;
import tachylim.method.School;
import tachylim.passage.Meter;
import tachylim.passage.PaperPattern;
import tachylim.passage.Passage;
import tachylim.task.Verdict;
import tachylim.tempo.Tempo;
import tachylim.words.Reason;

class WhichMethodTest {

    private static final Allowance LEFT = new Allowance(new Effort(40), 90, 3_000);

    private static final Passage BARS =
            new PaperPattern(new Meter(4, 4), Fraction.of(1, 4), 1, List.of(4, 4, 4, 4)).toPassage();

    private static Theme theme(double ceiling, double target, double sd) {
        return Theme.of(
                BARS,
                Tempo.of(target),
                Known.of(Posterior.fromBytes(
                        Posterior.prior(Tempo.of(ceiling), sd).toBytes(), 40)));
    }

    private static WhichMethod now(Theme theme, long days) {
        return WhichMethod.now(theme, days < 0 ? OptionalLong.empty() : OptionalLong.of(days), LEFT, List.of());
    }

    @Test
    void whatIsNotKnownIsMeasuredFirst() {
        assertThat(now(theme(100, 120, 0.22), -1).school()).isEqualTo(School.STEADY_CLIMB);
    }

    @Test
    void theGapDecides() {
        assertThat(now(theme(100, 150, 0.03), -1).school()).isEqualTo(School.TAPER);
        assertThat(now(theme(100, 115, 0.03), -1).school()).isEqualTo(School.INTERVAL_BURSTS);
        assertThat(now(theme(100, 102, 0.03), -1).school()).isEqualTo(School.CREST_AND_SETTLE);
        assertThat(now(theme(100, 95, 0.03), -1).school()).isEqualTo(School.UPKEEP);
        assertThat(now(theme(99.8, 100, 0.03), -1).school())
                .as("nobody settles from 100 to 100")
                .isEqualTo(School.UPKEEP);
    }

    @Test
    void aCeilingThatStandsStillIsMetOtherwise() {
        Posterior still = Posterior.prior(Tempo.of(100), 0.03);
        for (int day = 0; day < 12; day++) {
            for (int bpm = 96; bpm < 108; bpm += 2) {
                Verdict verdict = bpm <= 100 ? Verdict.CLEAN : bpm < 105 ? Verdict.ROUGH : Verdict.BROKE;
                still = still.after(Evidence.of(Tempo.of(bpm), verdict));
            }
            still = still.afterDays(1);
        }
        Theme theme = Theme.of(BARS, Tempo.of(150), Known.of(still));
        List<School> tapers = List.of(School.TAPER, School.TAPER, School.TAPER);
        assertThat(WhichMethod.now(theme, OptionalLong.empty(), LEFT, tapers.subList(0, 2))
                        .school())
                .isEqualTo(School.TAPER);
        assertThat(WhichMethod.now(theme, OptionalLong.empty(), LEFT, tapers))
                .isEqualTo(new WhichMethod(
                        School.SETBACK_LADDER,
                        Reason.of("which.still", "method", Reason.of("method.TAPER"), "times", 3)));
        // One that gains has another method for a day all the same, and then goes on.
        Theme gaining = theme(100, 150, 0.03);
        assertThat(WhichMethod.now(gaining, OptionalLong.empty(), LEFT, tapers))
                .isEqualTo(new WhichMethod(
                        School.SETBACK_LADDER,
                        Reason.of("which.turn", "method", Reason.of("method.TAPER"), "times", 3)));
        assertThat(WhichMethod.now(
                                gaining,
                                OptionalLong.empty(),
                                LEFT,
                                List.of(School.SETBACK_LADDER, School.TAPER, School.TAPER, School.TAPER))
                        .school())
                .isEqualTo(School.TAPER);
    }

    @Test
    void theDateDecidesWhereItIsNear() {
        assertThat(now(theme(100, 115, 0.03), 1).school()).isEqualTo(School.PERFORMANCE_RUN);
        assertThat(now(theme(100, 115, 0.03), 1).why()).isEqualTo(Reason.of("which.perform", "days", 1));
        assertThat(now(theme(100, 95, 0.03), 5).school()).isEqualTo(School.PERFORMANCE_RUN);
        assertThat(now(theme(100, 115, 0.03), 5).school()).isEqualTo(School.INTERVAL_BURSTS);
    }

    @Test
    void troubleIsMetWhereItIs() {
        assertThat(now(theme(100, 115, 0.03).breakingAt(List.of(6)), -1))
                .isEqualTo(new WhichMethod(School.GROWING_BURSTS, Reason.of("which.breaks", "from", 7, "to", 8)));
        Theme plain = theme(100, 115, 0.03);
        Theme awkward = plain.knowing(
                plain.known().besides(List.of(new AwkwardBand(Tempo.of(90), Tempo.of(95), 20, 0.5, 0.9))));
        assertThat(now(awkward, -1).school()).isEqualTo(School.NARROW_STEPS);
    }

    @Test
    void aDayWithoutBurstTimeHasNone() {
        assertThat(WhichMethod.now(
                                theme(100, 115, 0.03),
                                OptionalLong.empty(),
                                new Allowance(new Effort(40), 0, 3_000),
                                List.of())
                        .school())
                .isEqualTo(School.SETBACK_LADDER);
    }

    @Test
    void afterAWhileAnotherIsWorthATry() {
        List<School> lately = List.of(School.INTERVAL_BURSTS, School.INTERVAL_BURSTS, School.INTERVAL_BURSTS);
        assertThat(WhichMethod.now(theme(100, 115, 0.03), OptionalLong.empty(), LEFT, lately)
                        .school())
                .isEqualTo(School.SWITCH_BURSTS);
        assertThat(WhichMethod.now(theme(100, 115, 0.03), OptionalLong.empty(), LEFT, lately.subList(0, 2))
                        .school())
                .isEqualTo(School.INTERVAL_BURSTS);
    }
}
