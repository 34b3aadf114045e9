package tachylim.workout;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.apache.commons.numbers.fraction.Fraction;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.MethodSource;
import tachylim.ceiling.Known;
import tachylim.ceiling.Posterior;
import tachylim.load.Condition;
import tachylim.load.Effort;
import tachylim.load.Guardrails;
import tachylim.load.Recovery;
import tachylim.load.Return;
import tachylim.method.Probes;
import tachylim.method.School;
import tachylim.method.Strictness;
import tachylim.notation.abc.AbcReader;
import tachylim.passage.Meter;
import tachylim.passage.PaperPattern;
import tachylim.passage.Passage;
import tachylim.task.Answer;
import tachylim.task.PassKind;
import tachylim.task.Tension;
import tachylim.task.Verdict;
import tachylim.tempo.Tempo;
import tachylim.words.Reason;

/** What a run may not do, whatever it is told. */
class RunLimitsTest {

    private static final Answer CLEAN = new Answer(Verdict.CLEAN, Tension.LIGHT);
    private static final Allowance PLENTY = new Allowance(new Effort(60), 90, 3_600);

    private static Passage music(int bars, int perBeat) {
        return new PaperPattern(new Meter(4, 4), Fraction.of(1, 4), bars, List.of(perBeat)).toPassage();
    }

    private static Workout plan(Passage music, Condition condition) {
        return Planner.plan(Brief.on(
                Theme.of(music, Tempo.of(138), Known.of(Posterior.prior(Tempo.of(124), 0.04))),
                30,
                Choices.usual(),
                PLENTY,
                condition,
                Reason.NONE));
    }

    private static Run run() {
        return Run.start(plan(music(2, 4), Condition.FRESH));
    }

    private static Run next(Run run) {
        return run.after(
                run.step() instanceof Rest rest
                        ? new Event.Rested(rest.seconds())
                        : new Event.Judged(Answers.to(run, CLEAN)));
    }

    private static Run atBurst(Run from) {
        Run run = from;
        while (!(run.step() instanceof Pass pass && pass.kind() == PassKind.BURST)) {
            run = next(run);
        }
        return run;
    }

    /** A day on which nothing works is not filled for its own sake: after two such blocks only the close is left. */
    @ParameterizedTest
    @EnumSource(
            value = School.class,
            names = {"INTERVAL_BURSTS", "STEADY_CLIMB", "PULSE_LADDER"})
    void aDayOnWhichNothingWorksIsNotFilled(School school) {
        Run run = Run.start(Planner.plan(Brief.on(
                Theme.of(music(2, 4), Tempo.of(138), Known.of(Posterior.prior(Tempo.of(124), 0.04))),
                40,
                Choices.usual(school),
                PLENTY,
                Condition.FRESH,
                Reason.NONE)));
        int planned = run.workout().blocks().size();
        while (!run.isDone()) {
            run = run.step() instanceof Pass pass && pass.kind() != PassKind.WARM_UP
                    ? run.after(new Event.Judged(Answers.to(run, new Answer(Verdict.BROKE, Tension.of(2)))))
                    : next(run);
        }
        List<Integer> played =
                run.past().stream().map(Segment::block).distinct().toList();
        assertThat(played).hasSizeLessThan(planned - 2);
        assertThat(run.blocks().get(played.get(played.size() - 1)).part()).isEqualTo(Part.CLOSER);
        assertThat(run.step().why().code()).isEqualTo("done.notToday");
        assertThat(run.past())
                .anyMatch(one ->
                        one.step() instanceof Rest rest && rest.why().toString().contains("rest.notToday"));
    }

    @ParameterizedTest
    @EnumSource(
            value = School.class,
            names = {"INTERVAL_BURSTS", "STEADY_CLIMB", "EASY", "SWITCH_BURSTS", "CEILING_TEST"})
    void aSectionHasNoMorePassesADayThanItHasLeft(School school) {
        for (int left : new int[] {1, 7, 20}) {
            Run run = Run.start(Planner.plan(Brief.on(
                    Theme.of(music(2, 4), Tempo.of(138), Known.of(Posterior.prior(Tempo.of(124), 0.04)))
                            .having(new SectionLeft(left, Probes.MOST)),
                    40,
                    Choices.usual(school),
                    PLENTY,
                    Condition.FRESH,
                    Reason.NONE)));
            while (!run.isDone()) {
                run = next(run);
            }
            assertThat(run.past().stream()
                            .filter(one -> one.step() instanceof Pass pass && pass.kind() != PassKind.WARM_UP)
                            .mapToInt(Segment::passes)
                            .sum())
                    .isLessThanOrEqualTo(left);
        }
    }

    @Test
    void aSectionThatHasHadItsPassesIsNotPlanned() {
        Workout none = Planner.plan(Brief.on(
                Theme.of(music(2, 4), Tempo.of(138), Known.of(Posterior.prior(Tempo.of(124), 0.04)))
                        .having(new SectionLeft(0, Probes.MOST)),
                30,
                Choices.usual(),
                PLENTY,
                Condition.FRESH,
                Reason.NONE));
        assertThat(none.blocks()).isEmpty();
        assertThat(none.remarks()).contains(Reason.of("plan.hadItsPasses", "passes", 240));
    }

    @Test
    void aBurstLeftWithoutAWordCountsAsPlayed() {
        Run burst = atBurst(run());
        Run after = burst.after(new Event.RestAsked(Event.UNSAID));
        assertThat(after.tally().burstSeconds() - burst.tally().burstSeconds())
                .isEqualTo(((Pass) burst.step()).playSeconds(), within(1e-9));
        assertThat(after.left().burstSeconds()).isLessThan(burst.left().burstSeconds());
        assertThat(after.tally().recovery().level())
                .isLessThan(burst.tally().recovery().level());
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
    void theWarmUpOfALongSectionIsItsBeginning() {
        Pass first = (Pass) Run.start(plan(music(60, 4), Condition.FRESH)).step();
        assertThat(first.kind()).isEqualTo(PassKind.WARM_UP);
        assertThat(first.playSeconds()).isLessThan(75);
        assertThat(first.notes().lastNote()).isLessThan(300);
    }

    @Test
    void whatIsLeftOfTodayHoldsAtEveryStep() {
        Run run = next(run());
        assertThat(run.under(new Allowance(new Effort(0), 0, 0)).isDone()).isTrue();
        Run short60 = run.under(new Allowance(new Effort(60), 90, 60));
        assertThat(Totals.of(short60.ahead()).playingSeconds()).isLessThanOrEqualTo(60);
        Step instead =
                atBurst(run).under(new Allowance(new Effort(60), 0, 3_600)).step();
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
        Run broke = run.after(new Event.Judged(Answers.to(run, new Answer(Verdict.BROKE, Tension.ALERT))));
        assertThat(broke.secondsTooSoon(((Pass) run.step()).countInSeconds(), 1))
                .isZero();
    }

    @Test
    void theLastWorkoutIsCarriedIntoTheNext() {
        Condition tired = new Condition(new Recovery(0.2, Recovery.USUAL_K), Guardrails.UNBROKEN_SECONDS - 30);
        Run run = Run.start(plan(music(2, 4), tired));
        assertThat(run.step())
                .isInstanceOfSatisfying(
                        Rest.class, rest -> assertThat(rest.purpose()).isEqualTo(Rest.Purpose.BREAK));
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
        assertThat(Planner.plan(Brief.on(
                                countedLong,
                                Tempo.of(138),
                                Known.of(Posterior.prior(Tempo.of(124), 0.04)),
                                30,
                                Choices.usual(),
                                PLENTY,
                                Optional.empty()))
                        .remarks())
                .anyMatch(remark -> remark.code().equals("plan.tooFast"));
    }

    private static double fastest(Passage music, double reached) {
        Workout workout = Planner.plan(Brief.on(
                Theme.of(music, Tempo.of(138), Known.of(Posterior.prior(Tempo.of(124), 0.04)))
                        .reaching(reached),
                30,
                Choices.usual(),
                PLENTY,
                Condition.FRESH,
                Reason.NONE));
        return Run.start(workout).ahead().stream()
                .filter(segment -> segment.step() instanceof Pass)
                .mapToDouble(segment -> ((Pass) segment.step()).tempo().rate(music.quickestNotesPerBeat()))
                .max()
                .orElseThrow();
    }

    private static Run begun(School school, double seconds) {
        Sketch sketch = new Sketch(Part.CORE, 0, "", seconds, Choices.usual(school));
        Theme theme = Theme.of(music(2, 4), Tempo.of(138), Known.of(Posterior.prior(Tempo.of(124), 0.04)));
        return Run.start(Planner.plan(Brief.on(theme, 30, Choices.usual(school), PLENTY, Condition.FRESH, Reason.NONE)
                .with(List.of(sketch))));
    }

    /** Every method is a block like another: it is planned, played to its end, and held to the laws. */
    @ParameterizedTest
    @EnumSource(School.class)
    void everyMethodIsPlayedToItsEndUnderTheLaws(School school) {
        Run run = begun(school, 900);
        while (!run.isDone()) {
            run = next(run);
        }
        assertThat(run.past()).isNotEmpty().allSatisfy(segment -> {
            assertThat(segment.after().recovery().level()).isBetween(0.0, 1.0);
            assertThat(segment.seconds()).isPositive();
            if (segment.step() instanceof Pass pass) {
                assertThat(ClickProgramme.of(pass, music(2, 4))).isNotEmpty();
                if (pass.kind() == PassKind.BURST) {
                    assertThat(segment.after().recovery().level())
                            .isGreaterThanOrEqualTo(Recovery.LEAST_AFTER_BURST - 1e-9);
                }
            }
        });
        assertThat(run.tally().burstSeconds()).isLessThanOrEqualTo(PLENTY.burstSeconds());
    }

    @Test
    void silenceIsPlayedButNeverEvidence() {
        Run run = begun(School.STEADY_CLIMB, 600);
        Run silent = run;
        for (int i = 0; i < 6 && !silent.isDone(); i++) {
            silent = silent.after(
                    silent.step() instanceof Rest rest ? new Event.Rested(rest.seconds()) : new Event.Unjudged());
        }
        assertThat(silent.known().estimate()).isEqualTo(run.known().estimate());
        assertThat(silent.tally().effort().minutes()).isPositive();
        assertThat(silent.past())
                .allSatisfy(segment -> assertThat(segment.answer()).isNull());
        assertThat(Totals.of(silent.past()).passes()).isPositive();
    }

    @ParameterizedTest
    @EnumSource(School.class)
    void noBlockTakesLongerThanItsTime(School school) {
        for (int seconds = 75; seconds <= 600; seconds += 45) {
            double taken = begun(school, seconds).ahead().stream()
                    .filter(segment -> !(segment.step() instanceof Rest rest) || rest.purpose() != Rest.Purpose.BREAK)
                    .mapToDouble(Segment::seconds)
                    .sum();
            assertThat(taken).isPositive().isLessThanOrEqualTo(seconds + 1e-9);
        }
    }

    /** A glide that is marked at its edge was played up to there, and gripped there. */
    @Test
    void whatGrippedAtAnEdgeGrippedNoFaster() {
        Run run = begun(School.ARCH, 600);
        double edge = Math.rint(((Pass) run.step()).tempo().bpm() + 10);
        Run after = run.after(new Event.Judged(new Answer(Verdict.CLEAN, Tension.GRIPPING, edge)));
        Segment glide = after.past().get(0);
        Music music = after.blocks().get(0).music();
        assertThat(((Pass) glide.step()).pulse().fastest().bpm()).isGreaterThan(edge);
        assertThat(glide.tooTense(music, Strictness.USUAL)).contains(Tempo.of(edge));
        assertThat(glide.tempoAsWritten(music)).isEqualTo(Tempo.of(edge));
    }

    @Test
    void aStudyCardIsNoPlaying() {
        Run run = begun(School.STUDY_CARD, 300);
        assertThat(run.step()).isInstanceOfSatisfying(Rest.class, rest -> {
            assertThat(rest.purpose()).isEqualTo(Rest.Purpose.AWAY);
            assertThat(rest.seconds()).isEqualTo(300);
        });
        Run over = run.after(new Event.Rested(300));
        assertThat(over.isDone()).isTrue();
        assertThat(over.tally().effort()).isEqualTo(Effort.NONE);
    }

    /** Who has read goes on; what the hands need is waited for to its end. */
    @Test
    void awayFromTheInstrumentIsOverWhenThePlayerSaysSo() {
        assertThat(begun(School.STUDY_CARD, 300).after(new Event.Rested(20)).isDone())
                .isTrue();
        Run run = run();
        while (!(run.step() instanceof Rest)) {
            run = next(run);
        }
        Run resting = run;
        double most = ((Rest) run.step()).seconds();
        assertThatThrownBy(() -> resting.after(new Event.Rested(most / 2)))
                .hasMessageContaining("refusal.run.thisRestLastsSecondsOnly");
    }

    @Test
    void anAnswerToSomethingElseIsRefused() {
        Run run = begun(School.CREST_AND_SETTLE, 600);
        assertThatThrownBy(() -> run.after(new Event.Judged(CLEAN)))
                .hasMessageContaining("refusal.ask.sayHowManyWereClean");
    }

    /** Whoever comes back from a layoff has a break after eight minutes, and no set that is longer. */
    @Test
    void inTheDaysOfAReturnABreakComesEveryEightMinutes() {
        Run run = Run.start(plan(music(2, 4), Condition.FRESH.unbrokenFor(Return.UNBROKEN_SECONDS)));
        double sinceBreak = 0;
        int breaks = 0;
        for (Segment segment : run.ahead()) {
            boolean isBreak = segment.step() instanceof Rest rest && rest.purpose() == Rest.Purpose.BREAK;
            breaks += isBreak ? 1 : 0;
            sinceBreak = isBreak ? 0 : sinceBreak + segment.seconds();
            if (segment.step() instanceof Pass) {
                assertThat(sinceBreak).isLessThanOrEqualTo(Return.UNBROKEN_SECONDS + Tally.ANSWER_SECONDS);
            }
        }
        assertThat(breaks).isBetween(2, 5);
    }
}
