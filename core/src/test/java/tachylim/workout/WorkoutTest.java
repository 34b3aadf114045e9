package tachylim.workout;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Optional;
import net.jqwik.api.Arbitraries;
import net.jqwik.api.Arbitrary;
import net.jqwik.api.Combinators;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.Provide;
import net.jqwik.api.constraints.DoubleRange;
import net.jqwik.api.constraints.IntRange;
import org.apache.commons.numbers.fraction.Fraction;
import org.junit.jupiter.api.Test;
import tachylim.ceiling.Known;
import tachylim.ceiling.Posterior;
import tachylim.load.Caution;
import tachylim.load.Effort;
import tachylim.load.Guardrails;
import tachylim.load.Recovery;
import tachylim.method.School;
import tachylim.passage.Meter;
import tachylim.passage.PaperPattern;
import tachylim.passage.Passage;
import tachylim.task.Answer;
import tachylim.task.PassKind;
import tachylim.task.Tension;
import tachylim.task.Verdict;
import tachylim.tempo.Tempo;
import tachylim.words.Reason;

class WorkoutTest {

    private static final Passage TWO_BARS =
            new PaperPattern(new Meter(4, 4), Fraction.of(1, 4), 2, List.of(4)).toPassage();
    private static final Allowance PLENTY = new Allowance(new Effort(60), 90, 3_600);

    private static Known ceiling(double bpm) {
        return Known.of(Posterior.prior(Tempo.of(bpm), 0.04));
    }

    private static Workout plan(int minutes, Allowance allowance, Choices choices) {
        return Planner.plan(Brief.on(
                TWO_BARS, Tempo.of(138), ceiling(124), minutes, choices, allowance, Optional.of(Tempo.of(96))));
    }

    private static Workout usual() {
        return plan(30, PLENTY, Choices.usual());
    }

    private static Choices with(School school, Caution caution, int burstBeats) {
        return new Choices(school, 6, burstBeats, 0.62, 1.03, 3, caution, "evenness");
    }

    private static List<Segment> outline(Workout workout) {
        return Run.start(workout).ahead();
    }

    @Test
    void noBreakIsPlannedAfterWhichNothingIsPlayed() {
        for (int minutes = Brief.LEAST_MINUTES; minutes <= 90; minutes++) {
            Allowance plenty = new Allowance(new Effort(400), 90, 9_000);
            List<Segment> outline = outline(plan(minutes, plenty, Choices.usual()));
            assertThat(outline.get(outline.size() - 1).step())
                    .as(minutes + " minutes")
                    .isInstanceOf(Pass.class);
        }
    }

    @Test
    void aWorkoutWarmsUpClimbsBurstsAndEndsEasy() {
        assertThat(usual().blocks())
                .extracting(Block::part)
                .startsWith(Part.WARM_UP, Part.OPENER)
                .containsSubsequence(Part.PREPARE, Part.MEASURE, Part.CORE)
                .endsWith(Part.CORE, Part.CLOSER);
        assertThat(outline(usual()))
                .extracting(Segment::part)
                .contains(Part.WARM_UP, Part.OPENER, Part.PREPARE, Part.MEASURE, Part.CORE, Part.CLOSER);
        assertThat(Totals.of(outline(usual())).bursts()).isEqualTo(7);
    }

    @Test
    void everyBlockSaysWhyWithItsNumbers() {
        assertThat(usual().blocks())
                .allSatisfy(block -> assertThat(block.why().toString()).containsPattern("=\\d"));
        assertThat(usual().blocks().get(1).why().values())
                .containsEntry("start", Reason.of("block.stoppedAt", "last", 96, "start", 93));
    }

    @Test
    void burstsLieAboveTheCeilingAndSlowPassesWellBelow() {
        assertThat(outline(usual()))
                .filteredOn(s -> s.part() == Part.CORE && s.step() instanceof Pass)
                .extracting(s -> (Pass) s.step())
                .allSatisfy(pass -> {
                    if (pass.kind() == PassKind.BURST) {
                        assertThat(pass.tempo().bpm()).isBetween(1.02 * 124, 1.15 * 124 + 1);
                        assertThat(pass.beats()).isBetween(1, 2);
                    } else {
                        assertThat(pass.tempo().bpm()).isBetween(0.54 * 124, 0.71 * 124);
                    }
                });
    }

    @Test
    void thePlanKeepsToItsMinutesWithTheWarmUpOutside() {
        double practice = outline(usual()).stream()
                .filter(segment -> segment.part() != Part.WARM_UP)
                .mapToDouble(Segment::seconds)
                .sum();
        assertThat(practice).isBetween(Composer.FULL * 30 * 60, 30 * 60.0);
    }

    @Test
    void controlledPlayingStaysWithinComfortable() {
        Workout workout = usual();
        assertThat(outline(workout))
                .filteredOn(s -> s.part() == Part.OPENER && s.step() instanceof Pass)
                .allSatisfy(s -> assertThat(((Pass) s.step()).tempo())
                        .isLessThanOrEqualTo(workout.estimate().comfortable().middle()));
    }

    @Test
    void aSecondSchoolClimbsToTheCeilingWithoutBursts() {
        Workout workout = plan(30, PLENTY, with(School.STEADY_CLIMB, Caution.USUAL, 2));
        assertThat(Totals.of(outline(workout)).bursts()).isZero();
        assertThat(outline(workout))
                .filteredOn(s -> s.step() instanceof Pass pass && pass.kind() != PassKind.PROBE)
                .allSatisfy(s -> assertThat(((Pass) s.step()).tempo().bpm()).isLessThanOrEqualTo(125));
    }

    @Test
    void aBadDayIsEasyThroughout() {
        Workout workout = plan(8, PLENTY, with(School.EASY, Caution.USUAL, 2));
        assertThat(outline(workout))
                .filteredOn(s -> s.step() instanceof Pass)
                .allSatisfy(s -> assertThat(((Pass) s.step()).tempo())
                        .isLessThan(workout.estimate().comfortable().middle().times(0.9)));
        assertThat(Totals.of(outline(workout)).bursts()).isZero();
    }

    @Test
    void nothingIsPlannedWhenNothingIsLeft() {
        Workout workout = plan(30, new Allowance(new Effort(0), 90, 3_600), Choices.usual());
        assertThat(workout.blocks()).isEmpty();
        assertThat(workout.remarks()).hasSize(1);
        assertThat(Run.start(workout).isDone()).isTrue();
    }

    @Test
    void whenBurstTimeIsUsedTheCoreClimbsInstead() {
        Workout workout = plan(30, new Allowance(new Effort(60), 0, 3_600), Choices.usual());
        assertThat(Totals.of(outline(workout)).bursts()).isZero();
        assertThat(workout.blocks()).anyMatch(block -> block.why().toString().contains("noBursts.used"));
    }

    @Test
    void longPlayingIsBrokenByFiveMinutes() {
        List<Segment> outline = outline(plan(
                90,
                new Allowance(new Effort(200), 90, 10_000),
                new Choices(School.INTERVAL_BURSTS, 12, 2, 0.62, 1.03, 6, Caution.USUAL, "evenness")));
        assertThat(outline)
                .anyMatch(s -> s.step() instanceof Rest rest
                        && rest.purpose() == Rest.Purpose.BREAK
                        && rest.seconds() == Guardrails.BREAK_SECONDS);
        assertThat(outline)
                .filteredOn(s -> s.step() instanceof Pass)
                .allSatisfy(s -> assertThat(s.after().sinceBreak() - Tally.ANSWER_SECONDS)
                        .isLessThanOrEqualTo(Guardrails.UNBROKEN_SECONDS));
    }

    @Property(tries = 300)
    void nothingIsPlannedOverACap(
            @ForAll @IntRange(min = 3, max = 180) int minutes,
            @ForAll @DoubleRange(min = 0, max = 80) double effort,
            @ForAll @DoubleRange(min = 0, max = 90) double burstSeconds,
            @ForAll @DoubleRange(min = 0, max = 4_000) double playing,
            @ForAll School school) {
        Allowance allowance = new Allowance(new Effort(effort), burstSeconds, playing);
        List<Segment> planned = outline(plan(minutes, allowance, with(school, Caution.USUAL, 2)));
        isWithin(allowance, planned);
        assertThat(Totals.of(planned).clean()).isEqualTo(Totals.of(planned).passes());
    }

    /** Whatever is answered, a locked hand included. */
    @Property(tries = 300)
    void noAnswerPassesACap(
            @ForAll @DoubleRange(min = 0, max = 80) double effort,
            @ForAll @DoubleRange(min = 0, max = 90) double burstSeconds,
            @ForAll @DoubleRange(min = 0, max = 4_000) double playing,
            @ForAll School school,
            @ForAll("answers") List<Answer> answers) {
        Allowance allowance = new Allowance(new Effort(effort), burstSeconds, playing);
        isWithin(
                allowance,
                play(plan(60, allowance, with(school, Caution.USUAL, 2)), answers)
                        .past());
    }

    private static void isWithin(Allowance allowance, List<Segment> segments) {
        Totals totals = Totals.of(segments);
        assertThat(totals.clean() + totals.rough() + totals.broke()).isLessThanOrEqualTo(totals.passes());
        assertThat(totals.effort().minutes())
                .isLessThanOrEqualTo(allowance.effort().minutes() + 1e-9);
        assertThat(totals.burstSeconds()).isLessThanOrEqualTo(allowance.burstSeconds() + 1e-9);
        assertThat(totals.playingSeconds()).isLessThanOrEqualTo(allowance.playingSeconds() + 1e-9);
    }

    @Property(tries = 300)
    void aBurstNeverStartsWithTheRecoveryBelowItsFloorNorDrainsIt(
            @ForAll("answers") List<Answer> answers,
            @ForAll Caution caution,
            @ForAll @IntRange(min = 1, max = 2) int beats,
            @ForAll @DoubleRange(min = 45, max = 330) double ceiling) {
        Workout workout = Planner.plan(Brief.on(
                TWO_BARS,
                Tempo.clamped(ceiling * 1.1),
                ceiling(ceiling),
                40,
                with(School.INTERVAL_BURSTS, caution, beats),
                PLENTY,
                Optional.empty()));
        for (Segment segment : play(workout, answers).past()) {
            if (segment.step() instanceof Pass pass && pass.kind() == PassKind.BURST) {
                assertThat(segment.before().afterCountIn(pass).level())
                        .isGreaterThanOrEqualTo(caution.burstFloor() - 1e-9);
                assertThat(segment.after().recovery().level())
                        .isGreaterThanOrEqualTo(Recovery.LEAST_AFTER_BURST - 1e-9);
            }
        }
    }

    @Property(tries = 200)
    void everyRunEndsAndALockedHandEndsTheBursts(@ForAll("answers") List<Answer> answers) {
        Run run = play(usual(), answers);
        assertThat(run.isDone()).isTrue();
        boolean locked = false;
        for (Segment segment : run.past()) {
            if (segment.step() instanceof Pass pass) {
                assertThat(locked && pass.kind() == PassKind.BURST).isFalse();
                locked |= segment.answer().tension() == Tension.LOCKED;
            }
        }
    }

    @Property(tries = 50)
    void theSameEventsLeadToTheSameStep(@ForAll("answers") List<Answer> answers) {
        Run run = play(usual(), answers);
        List<Event> events = run.past().stream()
                .map(s -> s.answer() == null ? (Event) new Event.Rested(s.seconds()) : new Event.Judged(s.answer()))
                .toList();
        assertThat(Replay.of(usual(), events).step()).isEqualTo(run.step());
    }

    private static Run play(Workout workout, List<Answer> answers) {
        Run run = Run.start(workout);
        int i = 0;
        while (!run.isDone()) {
            run = run.after(
                    run.step() instanceof Rest rest
                            ? new Event.Rested(rest.seconds())
                            : new Event.Judged(Answers.to(run, answers.get(i++ % answers.size()))));
        }
        return run;
    }

    @Provide
    Arbitrary<List<Answer>> answers() {
        return Combinators.combine(
                        Arbitraries.of(Verdict.CLEAN, Verdict.CLEAN, Verdict.CLEAN, Verdict.ROUGH, Verdict.BROKE),
                        Arbitraries.of(
                                Tension.LOOSE,
                                Tension.LIGHT,
                                Tension.LIGHT,
                                Tension.ALERT,
                                Tension.EDGE,
                                Tension.GRIPPING,
                                Tension.LOCKED))
                .as(Answer::new)
                .list()
                .ofMinSize(1)
                .ofMaxSize(50);
    }

    @Test
    void aRestCannotBeCutShortAndAPassCannotBeSkipped() {
        Run run = Run.start(usual());
        assertThatThrownBy(() -> run.after(new Event.Rested(30))).isInstanceOf(IllegalStateException.class);
        Run asked = run.after(new Event.RestAsked(0));
        assertThat(asked.step()).isInstanceOf(Rest.class);
        assertThatThrownBy(() -> asked.after(new Event.Rested(5)))
                .isInstanceOf(IllegalArgumentException.class)
                .hasMessageContaining("refusal.run.thisRestLastsSecondsOnly");
        assertThat(asked.after(new Event.Rested(25)).step()).isEqualTo(run.step());
    }

    @Test
    void backingOffMakesTheNextPassSlower() {
        Run run = Run.start(usual());
        assertThat(((Pass) run.after(new Event.BackedOff(0)).step()).tempo()).isLessThan(((Pass) run.step()).tempo());
    }

    @Test
    void aSymptomStopsAtOnceAndSaysWhatToDo() {
        Run stopped = Run.start(usual()).after(new Event.Stopped(true, 0));
        assertThat(stopped.isDone()).isTrue();
        assertThat(stopped.step().why()).isEqualTo(Reason.of("done.SYMPTOM"));
        assertThatThrownBy(() -> stopped.after(new Event.BackedOff(0))).isInstanceOf(IllegalStateException.class);
    }

    @Test
    void burstsMoveThroughTheSection() {
        assertThat(outline(usual()))
                .filteredOn(s -> s.step() instanceof Pass p && p.kind() == PassKind.BURST)
                .extracting(s -> ((Pass) s.step()).notes().firstNote())
                .startsWith(0, 8, 16, 24, 0);
    }

    @Test
    void choicesOutsideTheirRangeAreRefusedWithTheValue() {
        assertThatThrownBy(() -> new Choices(School.INTERVAL_BURSTS, 6, 3, 0.6, 1.03, 3, Caution.USUAL, ""))
                .hasMessageContaining("3");
        assertThatThrownBy(() -> new Choices(School.INTERVAL_BURSTS, 0, 2, 0.6, 1.03, 3, Caution.USUAL, ""))
                .hasMessageContaining("0");
        assertThatThrownBy(() -> new Choices(School.INTERVAL_BURSTS, 6, 2, 0.9, 1.03, 3, Caution.USUAL, ""))
                .hasMessageContaining("share=90");
        assertThatThrownBy(() -> plan(0, PLENTY, Choices.usual())).hasMessageContaining("0");
        assertThatThrownBy(() -> plan(-4, PLENTY, Choices.usual())).hasMessageContaining("-4");
    }
}
