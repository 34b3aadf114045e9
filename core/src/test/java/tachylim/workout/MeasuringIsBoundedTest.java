package tachylim.workout;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Collections;
import java.util.List;
import java.util.stream.Stream;
import org.apache.commons.numbers.fraction.Fraction;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;
import tachylim.ceiling.Known;
import tachylim.ceiling.Posterior;
import tachylim.load.Condition;
import tachylim.load.DayLoad;
import tachylim.load.Effort;
import tachylim.method.Move;
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

/** What measures is fast playing: it has its share of the day's seconds, and none where nothing fast is to be played. */
class MeasuringIsBoundedTest {

    private static final Passage MUSIC =
            new PaperPattern(new Meter(4, 4), Fraction.of(1, 4), 2, List.of(4)).toPassage();
    private static final Theme THEME = Theme.of(MUSIC, Tempo.of(138), Known.of(Posterior.prior(Tempo.of(110), 0.12)));

    private static Allowance left(double burstSeconds) {
        return new Allowance(new Effort(90), burstSeconds, 5_400);
    }

    private static Brief brief(Theme theme, School school, double burstSeconds, Tension worst) {
        return Brief.on(
                theme,
                30,
                Choices.usual(school),
                left(burstSeconds),
                Condition.FRESH.after(new DayLoad(Effort.NONE, 0, 0, worst)),
                Reason.NONE);
    }

    private static List<Segment> played(Workout workout, Answer each) {
        Run run = Run.start(workout);
        while (!run.isDone()) {
            run = run.after(
                    run.step() instanceof Rest rest
                            ? new Event.Rested(rest.seconds())
                            : new Event.Judged(Answers.to(run, each)));
        }
        return run.past();
    }

    private static long probes(List<Segment> past) {
        return past.stream()
                .filter(one -> one.step() instanceof Pass pass && pass.kind() == PassKind.PROBE)
                .count();
    }

    static Stream<Arguments> daysWithoutMeasuring() {
        return Stream.of(
                Arguments.of(brief(THEME, School.CEILING_TEST, 0, Tension.LIGHT), "unmeasured.used"),
                Arguments.of(brief(THEME, School.INTERVAL_BURSTS, 0, Tension.LIGHT), ""),
                Arguments.of(brief(THEME, School.CEILING_TEST, 90, Tension.GRIPPING), "unmeasured.gripped"),
                Arguments.of(brief(THEME, School.INTERVAL_BURSTS, 90, Tension.GRIPPING), ""),
                Arguments.of(
                        brief(THEME.having(new SectionLeft(240, 0)), School.CEILING_TEST, 90, Tension.LIGHT),
                        "unmeasured.already"));
    }

    @ParameterizedTest
    @MethodSource("daysWithoutMeasuring")
    void nothingIsMeasuredThenAndATestSaysWhy(Brief brief, String why) {
        Workout workout = Planner.plan(brief);
        assertThat(probes(played(workout, new Answer(Verdict.CLEAN, Tension.LIGHT))))
                .isZero();
        assertThat(workout.remarks().toString()).contains(why);
    }

    @Test
    void aProbeHasAThirdOfItsSecondsOfTheFastOnes() {
        List<Segment> past = played(
                Planner.plan(brief(THEME, School.CEILING_TEST, 90, Tension.LIGHT)),
                new Answer(Verdict.ROUGH, Tension.ALERT));
        Segment probe = past.stream()
                .filter(one -> one.step() instanceof Pass pass && pass.kind() == PassKind.PROBE)
                .findFirst()
                .orElseThrow();
        assertThat(probe.burstSeconds()).isCloseTo(probe.playedSeconds() / 3, within(1e-9));
        assertThat(past.stream().mapToDouble(Segment::burstSeconds).sum()).isLessThanOrEqualTo(90);
    }

    @Test
    void aTestEndsWhereTheFastSecondsOfTheDayEnd() {
        double each = new Phrasing(MUSIC)
                .pass(new Move.Play(PassKind.PROBE, Tempo.of(110), Reason.NONE), 1, 0)
                .burstSeconds();
        List<Segment> past = played(
                Planner.plan(brief(THEME, School.CEILING_TEST, 3.5 * each, Tension.LIGHT)),
                new Answer(Verdict.ROUGH, Tension.ALERT));
        assertThat(probes(past)).isBetween(2L, 4L);
        assertThat(past.stream().mapToDouble(Segment::burstSeconds).sum()).isLessThanOrEqualTo(3.5 * each);
    }

    @Test
    void howeverManyBlocksMeasureADayHasTheProbesOfOneTest() {
        Sketch test = new Sketch(Part.MEASURE, 0, "", 900, Choices.usual(School.CEILING_TEST));
        Brief brief = brief(THEME.having(new SectionLeft(240, 5)), School.CEILING_TEST, 90, Tension.LIGHT)
                .with(Collections.nCopies(4, test));
        assertThat(probes(played(Planner.plan(brief), new Answer(Verdict.ROUGH, Tension.ALERT))))
                .isEqualTo(5);
    }

    @Test
    void aProbeThatGripsEndsMeasuring() {
        List<Segment> past = played(
                Planner.plan(brief(THEME, School.CEILING_TEST, 90, Tension.LIGHT)),
                new Answer(Verdict.CLEAN, Tension.GRIPPING));
        assertThat(probes(past)).isLessThanOrEqualTo(1);
    }
}
