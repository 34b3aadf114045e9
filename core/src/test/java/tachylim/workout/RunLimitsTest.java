package tachylim.workout;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.apache.commons.numbers.fraction.Fraction;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import tachylim.ceiling.Known;
import tachylim.ceiling.Posterior;
import tachylim.load.Condition;
import tachylim.load.Guardrails;
import tachylim.load.Reserve;
import tachylim.method.Answer;
import tachylim.method.PassKind;
import tachylim.method.Tension;
import tachylim.method.Verdict;
import tachylim.notation.abc.AbcReader;
import tachylim.passage.Meter;
import tachylim.passage.PaperPattern;
import tachylim.passage.Passage;
import tachylim.tempo.Tempo;

/** What a run may not do, whatever it is told. */
class RunLimitsTest {

    private static final Answer CLEAN = new Answer(Verdict.CLEAN, Tension.LIGHT);
    private static final Allowance PLENTY = new Allowance(60, 90, 3_600);

    private static Passage music(int bars, int perBeat) {
        return new PaperPattern(new Meter(4, 4), Fraction.of(1, 4), bars, List.of(perBeat)).toPassage();
    }

    private static Workout plan(Passage music, Condition condition) {
        return Planner.plan(new Brief(
                music,
                Tempo.of(138),
                Known.of(Posterior.prior(Tempo.of(124), 0.04)),
                30,
                Choices.usual(),
                PLENTY,
                condition,
                Optional.empty(),
                0,
                Optional.empty(),
                ""));
    }

    private static Run run() {
        return Run.start(plan(music(2, 4), Condition.FRESH));
    }

    private static Run next(Run run) {
        return run.after(run.step() instanceof Rest rest ? new Event.Rested(rest.seconds()) : new Event.Judged(CLEAN));
    }

    private static Run atBurst(Run from) {
        Run run = from;
        while (!(run.step() instanceof Pass pass && pass.kind() == PassKind.BURST)) {
            run = next(run);
        }
        return run;
    }

    @Test
    void aBurstLeftWithoutAWordCountsAsPlayed() {
        Run burst = atBurst(run());
        Run after = burst.after(new Event.RestAsked(Event.UNSAID));
        assertThat(after.tally().burstSeconds() - burst.tally().burstSeconds())
                .isEqualTo(((Pass) burst.step()).playSeconds(), within(1e-9));
        assertThat(after.left().burstSeconds()).isLessThan(burst.left().burstSeconds());
        assertThat(after.tally().reserve().level())
                .isLessThan(burst.tally().reserve().level());
        assertThat(after.past().get(after.past().size() - 1).answer()).isNull();
        assertThat(burst.after(new Event.Stopped(false, Event.UNSAID)).tally().burstSeconds())
                .isEqualTo(after.tally().burstSeconds());
    }

    @Test
    void aBurstThatWasBegunCountsWhole() {
        Run burst = atBurst(run());
        Run after = burst.after(new Event.RestAsked(0.01));
        assertThat(after.tally().burstSeconds() - burst.tally().burstSeconds())
                .isEqualTo(((Pass) burst.step()).playSeconds(), within(1e-9));
    }

    @Test
    void burstsSaidToBeUnplayedAreBelievedTwice() {
        Run run = atBurst(run());
        double before = run.tally().burstSeconds();
        for (int i = 0; i < Run.FREE_PUT_OFFS; i++) {
            run = atBurst(run.after(new Event.RestAsked(0)));
        }
        assertThat(run.tally().burstSeconds()).isEqualTo(before);
        assertThat(run.after(new Event.RestAsked(0)).tally().burstSeconds()).isGreaterThan(before);
    }

    @Test
    void askingForRestsAgainAndAgainEndsTheBurstsOfTheDay() {
        Run run = atBurst(run());
        for (int i = 0; i < 400 && !run.isDone(); i++) {
            run = run.step() instanceof Pass pass && pass.kind() == PassKind.BURST
                    ? run.after(new Event.RestAsked(Event.UNSAID))
                    : next(run);
        }
        assertThat(run.tally().burstSeconds()).isLessThanOrEqualTo(PLENTY.burstSeconds());
        assertThat(run.isDone()).isTrue();
    }

    static Stream<Event> waysOut() {
        return Stream.of(new Event.BackedOff(0), new Event.RestAsked(0), new Event.BackedOff(Event.UNSAID));
    }

    @ParameterizedTest
    @MethodSource("waysOut")
    void theWarmUpIsNotSkipped(Event way) {
        for (int bars : new int[] {2, 60}) {
            Run run = Run.start(plan(music(bars, 4), Condition.FRESH));
            for (int i = 0; i < 120; i++) {
                run = run.step() instanceof Rest ? next(run) : run.after(way);
            }
            assertThat(run.workout().blocks().get(run.block()).part())
                    .as("%d bars", bars)
                    .isEqualTo(Part.WARM_UP);
        }
    }

    @Test
    void theWarmUpOfALongPieceIsItsBeginning() {
        Pass first = (Pass) Run.start(plan(music(60, 4), Condition.FRESH)).step();
        assertThat(first.kind()).isEqualTo(PassKind.WARM_UP);
        assertThat(first.playSeconds()).isLessThan(75);
        assertThat(first.notes().lastNote()).isLessThan(300);
    }

    @Test
    void whatIsLeftOfTodayHoldsAtEveryStep() {
        Run run = next(run());
        assertThat(run.under(new Allowance(0, 0, 0)).isDone()).isTrue();
        Run short60 = run.under(new Allowance(60, 90, 60));
        assertThat(Totals.of(short60.ahead()).playingSeconds()).isLessThanOrEqualTo(60);
        Step instead = atBurst(run).under(new Allowance(60, 0, 3_600)).step();
        assertThat(instead instanceof Pass pass && pass.kind() == PassKind.BURST)
                .isFalse();
    }

    @Test
    void cleanPassesAndRestsTakeTheirTime() {
        Run run = run();
        double played = ((Pass) run.step()).seconds();
        Run after = next(run);
        assertThat(after.secondsTooSoon(played, 1)).isZero();
        assertThat(after.secondsTooSoon(10, 1)).isEqualTo(played - 10 - Run.CLOCK_TOLERANCE, within(1e-9));
        assertThat(after.secondsTooSoon(played / 40, 40)).isZero();
        Run broke = run.after(new Event.Judged(new Answer(Verdict.BROKE, Tension.ALERT)));
        assertThat(broke.secondsTooSoon(((Pass) run.step()).countInSeconds(), 1))
                .isZero();
    }

    @Test
    void theLastWorkoutIsCarriedIntoTheNext() {
        Condition tired = new Condition(new Reserve(0.2, Reserve.USUAL_K), Guardrails.UNBROKEN_SECONDS - 30);
        Run run = Run.start(plan(music(2, 4), tired));
        assertThat(run.step())
                .isInstanceOfSatisfying(
                        Rest.class, rest -> assertThat(rest.reason()).isEqualTo(Rest.Reason.BREAK));
        assertThat(tired.rested(60).sinceBreak()).isEqualTo(Guardrails.UNBROKEN_SECONDS + 30);
        assertThat(tired.rested(Guardrails.BREAK_SECONDS).sinceBreak()).isZero();
    }

    @ParameterizedTest
    @MethodSource("causes")
    void aRunCanBeClosedWhereItStandsWithWhatWasPlayed(Done.Cause cause) {
        Run run = next(next(run())).closed(cause);
        assertThat(run.step()).isEqualTo(Done.of(cause));
        assertThat(run.past()).hasSize(2);
        assertThat(run.closed(Done.Cause.STOPPED)).isSameAs(run);
    }

    static Stream<Done.Cause> causes() {
        return Stream.of(Done.Cause.LEFT, Done.Cause.OUTDATED);
    }

    @Test
    void nothingFasterIsPlannedThanWasReached() {
        Passage quick = music(2, 12);
        assertThat(fastest(quick, 0)).isLessThanOrEqualTo(Planner.FASTEST_UNREACHED + 1e-9);
        assertThat(fastest(quick, 20)).isBetween(15.0, 21.0);
        Passage countedLong =
                AbcReader.read("M:4/2\nL:1/32\nK:C\n" + "CDEF".repeat(16) + "|").passage(Passage.MOST_BEAT);
        assertThat(Planner.plan(new Brief(
                                countedLong,
                                Tempo.of(138),
                                Known.of(Posterior.prior(Tempo.of(124), 0.04)),
                                30,
                                Choices.usual(),
                                PLENTY,
                                Optional.empty()))
                        .remarks())
                .anyMatch(remark -> remark.contains("a second"));
    }

    private static double fastest(Passage music, double reached) {
        Workout workout = Planner.plan(new Brief(
                music,
                Tempo.of(138),
                Known.of(Posterior.prior(Tempo.of(124), 0.04)),
                30,
                Choices.usual(),
                PLENTY,
                Condition.FRESH,
                Optional.empty(),
                reached,
                Optional.empty(),
                ""));
        return Run.start(workout).ahead().stream()
                .filter(segment -> segment.step() instanceof Pass)
                .mapToDouble(segment -> ((Pass) segment.step()).tempo().rate(music.quickestNotesPerBeat()))
                .max()
                .orElseThrow();
    }
}
