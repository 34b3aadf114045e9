package tachylim.workout;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import net.jqwik.api.constraints.IntRange;
import org.apache.commons.numbers.fraction.Fraction;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import tachylim.ceiling.Estimate;
import tachylim.ceiling.Known;
import tachylim.ceiling.Posterior;
import tachylim.load.Caution;
import tachylim.load.Condition;
import tachylim.load.Effort;
import tachylim.method.EasyPasses;
import tachylim.method.IntervalBursts;
import tachylim.method.Probes;
import tachylim.method.School;
import tachylim.method.SteadyClimb;
import tachylim.method.Upkeep;
import tachylim.passage.Meter;
import tachylim.passage.PaperPattern;
import tachylim.passage.Passage;
import tachylim.task.PassKind;
import tachylim.tempo.Tempo;
import tachylim.words.Reason;

class PlannerTest {

    private static final Allowance PLENTY = new Allowance(new Effort(100), 90, 6_000);
    private static final Passage ONE_BAR = paper(1, 4);

    private static Passage paper(int bars, int perBeat) {
        return new PaperPattern(new Meter(4, 4), Fraction.of(1, 4), bars, List.of(perBeat)).toPassage();
    }

    private static Known sure(double ceiling) {
        Estimate known = Posterior.guessed(Tempo.of(ceiling), 0.04);
        return Known.said(new Estimate(known.comfortable(), known.ceiling(), known.breakdown(), 20));
    }

    private static Known unsure(double ceiling) {
        return Known.of(Posterior.prior(Tempo.of(ceiling), Posterior.GUESS_SD));
    }

    private static Choices of(School school) {
        return new Choices(school, 8, 2, 0.62, 1.03, 3, Caution.USUAL, "sound");
    }

    private static Workout plan(Known known, double target, School school, Double last) {
        return Planner.plan(Brief.on(
                ONE_BAR,
                Tempo.of(target),
                known,
                20,
                of(school),
                PLENTY,
                Optional.ofNullable(last).map(Tempo::of)));
    }

    private static Block block(Workout workout, Part part) {
        return workout.blocks().stream()
                .filter(b -> b.part() == part)
                .findFirst()
                .orElseThrow();
    }

    @Test
    void aClimbThatIsTheFirstStartsWellBelowComfortableAndEndsATenthUnderIt() {
        Known known = sure(130);
        SteadyClimb opener = (SteadyClimb) block(plan(known, 145, School.INTERVAL_BURSTS, null), Part.OPENER)
                .method();
        double comfortable = known.estimate().comfortable().middle().bpm();
        assertThat(opener.start().bpm()).isCloseTo(comfortable * 0.72, within(1.0));
        assertThat(opener.limit().bpm()).isCloseTo(comfortable * 0.9, within(1.5));
    }

    @Test
    void nobodyCreepsUpFromWhereALastClimbWasBrokenOff() {
        Known known = sure(124);
        SteadyClimb opener = (SteadyClimb) block(plan(known, 138, School.INTERVAL_BURSTS, 40.0), Part.OPENER)
                .method();
        assertThat(opener.start().bpm())
                .isCloseTo(known.estimate().comfortable().middle().bpm() * 0.72, within(1.0));
    }

    @Test
    void aLaterOneStartsThreePercentBelowWhereTheLastStopped() {
        Block opener = block(plan(sure(124), 138, School.INTERVAL_BURSTS, 90.0), Part.OPENER);
        assertThat(((SteadyClimb) opener.method()).start()).isEqualTo(Tempo.of(87));
        assertThat(opener.why().values()).containsEntry("start", Reason.of("block.stoppedAt", "last", 90, "start", 87));
    }

    @Test
    void whereComfortableHasComeDownTheStartComesDownWithItAndSaysSo() {
        Block opener = block(plan(sure(100), 138, School.INTERVAL_BURSTS, 120.0), Part.OPENER);
        SteadyClimb climb = (SteadyClimb) opener.method();
        assertThat(climb.start()).isLessThan(climb.limit());
        assertThat(opener.why().code()).isEqualTo("block.controlled");
        assertThat(opener.why().toString()).contains("last=120").contains("bound=");
    }

    @Test
    void aSectionAtItsTargetIsNotPractisedAboveItInSlowPasses() {
        Workout workout = plan(sure(150), 120, School.INTERVAL_BURSTS, null);
        assertThat(block(workout, Part.OPENER).method().limit()).isLessThanOrEqualTo(Tempo.of(120));
        assertThat(block(workout, Part.CLOSER).method().limit()).isLessThan(Tempo.of(120));
    }

    @Test
    void noBurstIsFasterThanTheLowerEndOfTheCeilingAllows() {
        Workout workout = plan(sure(124), 150, School.INTERVAL_BURSTS, null);
        Tempo low = workout.estimate().ceiling().low();
        assertThat(block(workout, Part.CORE).method().limit().bpm()).isCloseTo(low.bpm() * 1.15, within(1.0));
        assertThat(block(workout, Part.CORE).why().values())
                .containsEntry("why", Reason.of("limit.lowCeiling", "ceiling", low));
    }

    @Test
    void noBurstIsMoreThanFivePercentAboveTheTarget() {
        Workout workout = plan(sure(124), 126, School.INTERVAL_BURSTS, null);
        assertThat(block(workout, Part.CORE).method().limit()).isEqualTo(Tempo.of(132));
        assertThat(block(workout, Part.CORE).why().values()).containsEntry("why", Reason.of("limit.overTarget"));
    }

    @Test
    void thereAreNoBurstsWhileTheCeilingIsAGuessAndItIsSaidWhy() {
        Workout workout = plan(unsure(124), 138, School.INTERVAL_BURSTS, null);
        assertThat(block(workout, Part.CORE).method()).isInstanceOf(SteadyClimb.class);
        assertThat(block(workout, Part.CORE).why().toString()).contains("noBursts.vague");
    }

    @Test
    void aSectionThatHasPassedItsTargetIsToldSoAndKeptUp() {
        Workout workout = plan(sure(150), 120, School.INTERVAL_BURSTS, null);
        assertThat(workout.remarks())
                .anyMatch(remark -> remark.code().equals("plan.passedTarget")
                        && remark.values().get("target").equals(120L));
        assertThat(block(workout, Part.CORE).method()).isInstanceOf(Upkeep.class);
        assertThat(Run.start(workout).ahead())
                .filteredOn(segment -> segment.step() instanceof Pass)
                .allSatisfy(
                        segment -> assertThat(((Pass) segment.step()).tempo()).isLessThanOrEqualTo(Tempo.of(126)));
        assertThat(Totals.of(Run.start(workout).ahead()).bursts()).isZero();
    }

    @Test
    void aWorkoutMeasuresOnceMoreWhileLittleIsKnown() {
        Known often = Known.of(
                Posterior.fromBytes(Posterior.prior(Tempo.of(124), 0.03).toBytes(), 40));
        assertThat(((Probes) block(plan(often, 138, School.STEADY_CLIMB, null), Part.MEASURE)
                                .method())
                        .passes())
                .isEqualTo(Probes.USUAL);
        assertThat(((Probes) block(plan(sure(124), 138, School.STEADY_CLIMB, null), Part.MEASURE)
                                .method())
                        .passes())
                .as("of a section with few passes")
                .isEqualTo(Probes.WHEN_UNSURE);
        assertThat(((Probes) block(plan(unsure(124), 138, School.STEADY_CLIMB, null), Part.MEASURE)
                                .method())
                        .passes())
                .isEqualTo(Probes.WHEN_UNSURE);
    }

    @Test
    void aDayThatIsSparedIsEasyAndSaysWhy() {
        Workout workout = Planner.plan(Brief.on(
                Theme.of(ONE_BAR, Tempo.of(138), sure(124)),
                20,
                of(School.INTERVAL_BURSTS),
                PLENTY,
                Condition.FRESH,
                Reason.text("Nine days away: easy playing only.")));
        assertThat(workout.blocks()).extracting(Block::part).containsExactly(Part.WARM_UP, Part.OPENER, Part.CLOSER);
        assertThat(workout.blocks()).allSatisfy(b -> assertThat(b.method()).isInstanceOf(EasyPasses.class));
        assertThat(workout.remarks()).containsExactly(Reason.text("Nine days away: easy playing only."));
    }

    @Test
    void theClimbToTheCeilingStartsAtComfortable() {
        Workout workout = plan(sure(124), 138, School.STEADY_CLIMB, 90.0);
        SteadyClimb core = (SteadyClimb) block(workout, Part.CORE).method();
        assertThat(core.start().bpm())
                .isCloseTo(workout.estimate().comfortable().middle().bpm(), within(1.0));
        assertThat(core.limit())
                .isLessThanOrEqualTo(workout.estimate().ceiling().middle());
    }

    @Test
    void anEasyDayIsEasyPassesThroughout() {
        Workout workout = plan(sure(124), 138, School.EASY, 90.0);
        assertThat(workout.blocks()).extracting(Block::part).containsExactly(Part.WARM_UP, Part.OPENER, Part.CLOSER);
        assertThat(workout.blocks()).allSatisfy(b -> assertThat(b.method()).isInstanceOf(EasyPasses.class));
    }

    @ParameterizedTest
    @EnumSource(School.class)
    void everyWorkoutThatIsPlannedEndsWithItsClose(School school) {
        List<Segment> outline = Run.start(plan(sure(124), 138, school, 90.0)).ahead();
        assertThat(outline.get(outline.size() - 1).part()).isEqualTo(Part.CLOSER);
    }

    @Test
    void atTheEndOfTheMetronomeThereIsNoRoomForBursts() {
        Workout workout = plan(sure(400), 398, School.INTERVAL_BURSTS, null);
        assertThat(workout.remarks()).anyMatch(remark -> remark.code().equals("plan.passedTarget"));
        assertThat(workout.blocks()).noneMatch(b -> b.method() instanceof IntervalBursts);
    }

    @Property(tries = 400)
    void anythingThatCanBeAskedCanBePlannedAndPlayed(
            @ForAll @DoubleRange(min = 20, max = 400) double ceiling,
            @ForAll @DoubleRange(min = 20, max = 400) double target,
            @ForAll @IntRange(min = Brief.LEAST_MINUTES, max = Brief.MOST_MINUTES) int minutes,
            @ForAll @IntRange(min = 1, max = 8) int bars,
            @ForAll @IntRange(min = 1, max = 8) int perBeat,
            @ForAll School school,
            @ForAll @DoubleRange(min = 20, max = 400) double last) {
        Workout workout = Planner.plan(Brief.on(
                paper(bars, perBeat),
                Tempo.of(target),
                unsure(ceiling),
                minutes,
                of(school),
                PLENTY,
                Optional.of(Tempo.of(last))));
        List<Segment> outline = Run.start(workout).ahead();
        assertThat(outline).isNotEmpty();
        for (Segment segment : outline) {
            assertThat(segment.seconds()).isPositive();
            assertThat(segment.step().why().saysNothing()).isFalse();
            if (segment.step() instanceof Pass pass) {
                Passage music = workout.blocks().get(segment.block()).music().notes();
                assertThat(pass.notes().lastNote()).isLessThan(music.notes().size());
                assertThat(ClickProgramme.of(pass, music)).hasSizeGreaterThan(pass.countIn());
            }
        }
    }

    @Property(tries = 100)
    void aStepFollowsAnotherWithoutAGapInTime(@ForAll @DoubleRange(min = 50, max = 300) double ceiling) {
        double now = 0;
        for (Segment segment : Run.start(plan(sure(ceiling), ceiling * 1.2, School.INTERVAL_BURSTS, null))
                .ahead()) {
            assertThat(segment.start()).isCloseTo(now, within(1e-6));
            now = segment.start() + segment.seconds();
        }
    }

    /** Whatever a player puts together, a day for easy playing has nothing else, and after a grip nothing is measured. */
    @Test
    void whatTheNextSessionOpensAtIsWhereItsOpenerStarts() {
        Theme theme = Theme.of(ONE_BAR, Tempo.of(138), Known.of(Posterior.prior(Tempo.of(124), 0.04)))
                .climbedTo(Optional.of(Tempo.of(90)));
        assertThat(Planner.opensAt(theme)).isEqualTo(Tempo.of(87));
        Tempo cold = Planner.opensAt(theme.climbedTo(Optional.empty()));
        assertThat(cold).isLessThan(Tempo.of(87));
    }

    @ParameterizedTest
    @EnumSource(Part.class)
    void noBlockIsAWayAroundAnEasyDayOrAGrip(Part part) {
        Theme theme = Theme.of(ONE_BAR, Tempo.of(138), sure(124));
        for (School school : School.values()) {
            Sketch own = new Sketch(part, 0, "", 600, Choices.usual(school));
            Workout spared = Planner.plan(
                    Brief.on(theme, 20, of(school), PLENTY, Condition.FRESH, Reason.text("Nine days away."))
                            .with(List.of(own)));
            assertThat(Run.start(spared).ahead()).allSatisfy(segment -> {
                if (segment.step() instanceof Pass pass) {
                    assertThat(pass.kind()).isNotIn(PassKind.BURST, PassKind.PROBE);
                    assertThat(pass.pulse().fastest().bpm()).isLessThan(0.8 * 124);
                }
            });
            Workout gripped = Planner.plan(Brief.on(
                            theme.gripping(Optional.of(Tempo.of(100))),
                            20,
                            of(school),
                            PLENTY,
                            Condition.FRESH,
                            Reason.NONE)
                    .with(List.of(own)));
            assertThat(Run.start(gripped).ahead()).allSatisfy(segment -> {
                if (segment.step() instanceof Pass pass) {
                    assertThat(pass.kind()).isNotEqualTo(PassKind.PROBE);
                    assertThat(pass.pulse().fastest()).isLessThan(Tempo.of(100));
                }
            });
        }
    }
}
