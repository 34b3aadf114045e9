package tachylim.workout;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import net.jqwik.api.Arbitraries;
import net.jqwik.api.Arbitrary;
import net.jqwik.api.Combinators;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.Provide;
import net.jqwik.api.Tuple;
import net.jqwik.api.constraints.DoubleRange;
import org.apache.commons.numbers.fraction.Fraction;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import tachylim.ceiling.Evidence;
import tachylim.ceiling.Known;
import tachylim.ceiling.Posterior;
import tachylim.load.Condition;
import tachylim.load.Effort;
import tachylim.method.IntervalBursts;
import tachylim.method.Probes;
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

/** A run learns from what is played in it, and what it learned holds in all that follows. */
class RunLearnsTest {

    private static final Passage MUSIC =
            new PaperPattern(new Meter(4, 4), Fraction.of(1, 4), 2, List.of(4)).toPassage();
    private static final Tempo TARGET = Tempo.of(150);
    private static final Answer LIGHT = new Answer(Verdict.CLEAN, Tension.LIGHT);

    private static Workout plan(double sd, School school, Optional<Tempo> gripped) {
        return plan(Posterior.prior(Tempo.of(120), sd), school, gripped);
    }

    private static Workout plan(Posterior belief, School school, Optional<Tempo> gripped) {
        return Planner.plan(Brief.on(
                Theme.of(MUSIC, TARGET, Known.of(belief)).gripping(gripped),
                30,
                Choices.usual(school),
                new Allowance(new Effort(60), 90, 3_600),
                Condition.FRESH,
                Reason.NONE));
    }

    private static Run play(Workout workout, Function<Run, Answer> player) {
        Run run = Run.start(workout);
        while (!run.isDone()) {
            run = run.after(
                    run.step() instanceof Rest rest
                            ? new Event.Rested(rest.seconds())
                            : new Event.Judged(Answers.to(run, player.apply(run))));
        }
        return run;
    }

    private static final Music PLAIN = Music.asWritten(MUSIC);

    private static List<Pass> passes(Run run, PassKind kind) {
        return run.past().stream()
                .filter(segment -> segment.step() instanceof Pass pass && pass.kind() == kind)
                .map(segment -> (Pass) segment.step())
                .toList();
    }

    /** A player for whom everything goes well up to a tempo, and nothing above. */
    private static Answer upTo(double bpm, Run run) {
        return ((Pass) run.step()).tempo().bpm() <= bpm ? LIGHT : new Answer(Verdict.BROKE, Tension.ALERT);
    }

    @Test
    void whatTheProbesShowDecidesWhatTheBurstsAre() {
        Run low = play(plan(0.1, School.INTERVAL_BURSTS, Optional.empty()), run -> upTo(105, run));
        Run high = play(plan(0.1, School.INTERVAL_BURSTS, Optional.empty()), run -> upTo(128, run));
        assertThat(low.known().estimate().ceiling().middle())
                .isLessThan(high.known().estimate().ceiling().middle());
        assertThat(passes(low, PassKind.BURST)).isNotEmpty();
        assertThat(passes(high, PassKind.BURST).get(0).tempo())
                .isGreaterThan(passes(low, PassKind.BURST).get(0).tempo());
        Block drawn = high.blocks().stream()
                .filter(block -> block.part() == Part.CORE)
                .findFirst()
                .orElseThrow();
        assertThat(drawn.why().code()).isEqualTo("block.again");
        assertThat(drawn.method()).isInstanceOf(IntervalBursts.class);
    }

    @Test
    void aProbeIsPlayedRestedAndSaysWhatItIsFor() {
        Run run = play(plan(0.1, School.INTERVAL_BURSTS, Optional.empty()), now -> upTo(118, now));
        List<Segment> probes = run.past().stream()
                .filter(segment -> segment.part() == Part.MEASURE && segment.step() instanceof Pass)
                .toList();
        assertThat(probes).hasSize(Probes.WHEN_UNSURE).allSatisfy(probe -> {
            Pass pass = (Pass) probe.step();
            assertThat(pass.kind()).isEqualTo(PassKind.PROBE);
            assertThat(pass.notes().size()).isEqualTo(MUSIC.notes().size());
            assertThat(probe.before().afterCountIn(pass).level()).isGreaterThanOrEqualTo(Pacing.PROBE_RECOVERY - 1e-9);
            assertThat(pass.why().code()).isEqualTo("probes.at");
        });
    }

    /** Twenty passes at one tempo share the day, and whatever is awkward there: they are no twenty witnesses. */
    @Test
    void slowPassesAlikeSayLessAndLess() {
        Run run = play(plan(0.1, School.INTERVAL_BURSTS, Optional.empty()), now -> upTo(118, now));
        List<Segment> slow = run.past().stream()
                .filter(one -> one.step() instanceof Pass pass && pass.kind() == PassKind.CONTROLLED)
                .toList();
        Segment first = slow.get(0);
        int passes = ((Pass) first.step()).ask().passes();
        assertThat(passes).isEqualTo(3);
        assertThat(first.evidence(PLAIN, List.of()))
                .hasSize(passes)
                .allSatisfy(one -> assertThat(one.power()).isCloseTo((1 + 1 / 2.0 + 1 / 3.0) / 3, within(1e-12)));
        assertThat(first.evidence(PLAIN, List.of(first)))
                .allSatisfy(one -> assertThat(one.power()).isCloseTo((1 / 4.0 + 1 / 5.0 + 1 / 6.0) / 3, within(1e-12)));
        Segment probe = run.past().stream()
                .filter(one -> one.step() instanceof Pass pass && pass.kind() == PassKind.PROBE)
                .findFirst()
                .orElseThrow();
        assertThat(probe.evidence(PLAIN, List.of(probe)))
                .as("what is measured on purpose counts in full")
                .isEqualTo(probe.evidence(PLAIN, List.of()));
    }

    @Test
    void whatIsKnownAtTheEndIsTheFoldOfWhatWasPlayed() {
        Workout workout = plan(0.1, School.INTERVAL_BURSTS, Optional.empty());
        Run run = play(workout, now -> upTo(118, now));
        Known folded = workout.brief().theme().known();
        for (int i = 0; i < run.past().size(); i++) {
            List<Segment> before = run.past().subList(0, i);
            Segment segment = run.past().get(i);
            for (Evidence one :
                    segment.evidence(run.blocks().get(segment.block()).music(), before)) {
                folded = folded.after(one);
            }
        }
        assertThat(run.known().estimate()).isEqualTo(folded.estimate());
        List<Event> events = run.past().stream()
                .map(s -> s.answer() == null ? (Event) new Event.Rested(s.seconds()) : new Event.Judged(s.answer()))
                .toList();
        assertThat(Replay.of(workout, events).past()).isEqualTo(run.past());
        assertThat(Run.start(workout).ahead()).isEqualTo(Run.start(workout).ahead());
    }

    /** Whoever has always been the same is soon known to be so today. */
    @Test
    void aCeilingThatIsWellKnownIsMeasuredInFewPasses() {
        Posterior belief = Posterior.prior(Tempo.of(120), 0.05);
        for (int day = 0; day < 5; day++) {
            for (int bpm = 112; bpm < 130; bpm++) {
                Verdict verdict = bpm <= 120 ? Verdict.CLEAN : bpm < 124 ? Verdict.ROUGH : Verdict.BROKE;
                belief = belief.after(Evidence.of(Tempo.of(bpm), verdict));
            }
            belief = belief.afterDays(1);
        }
        Run run = play(plan(belief, School.CEILING_TEST, Optional.empty()), now -> upTo(120, now));
        assertThat(passes(run, PassKind.PROBE).size()).isLessThan(Probes.MOST);
        assertThat(run.known().giveOrTakeToday()).isLessThanOrEqualTo(Probes.ENOUGH);
    }

    @Test
    void aTestOfItsOwnHasFourteenPassesAtTheMostAndFindsTheCeiling() {
        Run run = play(plan(0.22, School.CEILING_TEST, Optional.empty()), now -> upTo(104, now));
        assertThat(passes(run, PassKind.PROBE)).hasSizeBetween(6, Probes.MOST);
        assertThat(run.known().estimate().ceiling().middle().bpm()).isCloseTo(103, within(4.0));
        assertThat(run.past().get(run.past().size() - 1).part()).isEqualTo(Part.CLOSER);
    }

    /** Whatever is answered: gripping caps the whole day, a locked hand leads to the close, bursts stay safe. */
    @Property(tries = 120)
    void theLawsHoldInTheWholeRun(
            @ForAll("answers") List<Answer> answers,
            @ForAll School school,
            @ForAll @DoubleRange(min = 0.03, max = 0.22) double sd) {
        List<Known> before = new ArrayList<>();
        int[] turn = {0};
        Run run = play(plan(sd, school, Optional.empty()), now -> {
            before.add(now.known());
            return answers.get(turn[0]++ % answers.size());
        });
        double gripped = Double.MAX_VALUE;
        boolean locked = false;
        int pass = 0;
        for (Segment segment : run.past()) {
            if (!(segment.step() instanceof Pass played)) {
                continue;
            }
            Known known = before.get(pass++);
            double plain = played.pulse().fastest().bpm()
                    / run.blocks().get(segment.block()).music().matching();
            assertThat(plain).isLessThan(gripped);
            if (locked) {
                assertThat(segment.part()).isEqualTo(Part.CLOSER);
            }
            switch (played.kind()) {
                case BURST ->
                    assertThat(played.tempo())
                            .isLessThanOrEqualTo(TARGET.times(Planner.HIGHEST_OVER_TARGET))
                            .isLessThanOrEqualTo(known.today().ceiling().low().times(IntervalBursts.HIGHEST));
                case WARM_UP, CLOSING -> assertThat(played.tempo()).isLessThanOrEqualTo(TARGET);
                default -> assertThat(played.why().saysNothing()).isFalse();
            }
            if (segment.answer().tension().atLeast(Tension.GRIPPING)) {
                gripped = Math.min(gripped, plain);
            }
            locked |= segment.answer().tension() == Tension.LOCKED;
        }
    }

    @Provide
    Arbitrary<List<Answer>> answers() {
        return Combinators.combine(
                        Arbitraries.of(Verdict.CLEAN, Verdict.CLEAN, Verdict.CLEAN, Verdict.ROUGH, Verdict.BROKE),
                        Arbitraries.frequencyOf(
                                Tuple.of(20, Arbitraries.of(Tension.LOOSE, Tension.LIGHT, Tension.ALERT)),
                                Tuple.of(2, Arbitraries.of(Tension.GRIPPING)),
                                Tuple.of(1, Arbitraries.of(Tension.LOCKED))))
                .as(Answer::new)
                .list()
                .ofMinSize(20)
                .ofMaxSize(60);
    }

    @ParameterizedTest
    @EnumSource(School.class)
    void whatGrippedEarlierTodayIsNotReachedAgain(School school) {
        Run run = play(plan(0.05, school, Optional.of(Tempo.of(90))), now -> LIGHT);
        assertThat(run.past())
                .filteredOn(segment -> segment.step() instanceof Pass)
                .isNotEmpty()
                .allSatisfy(
                        segment -> assertThat(((Pass) segment.step()).tempo()).isLessThan(Tempo.of(90)));
    }

    @Test
    void afterAGripNothingIsMeasured() {
        Run run = play(
                plan(0.1, School.INTERVAL_BURSTS, Optional.empty()),
                now -> now.workout().blocks().get(now.block()).part() == Part.OPENER
                        ? new Answer(Verdict.CLEAN, Tension.GRIPPING)
                        : LIGHT);
        assertThat(passes(run, PassKind.PROBE)).isEmpty();
    }
}
