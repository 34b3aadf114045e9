package tachylim.workout;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import tachylim.ceiling.Known;
import tachylim.ceiling.Posterior;
import tachylim.load.Condition;
import tachylim.load.Effort;
import tachylim.method.School;
import tachylim.method.Strictness;
import tachylim.notation.abc.AbcReader;
import tachylim.passage.Passage;
import tachylim.task.Answer;
import tachylim.task.PassKind;
import tachylim.task.Tension;
import tachylim.task.Verdict;
import tachylim.tempo.Tempo;
import tachylim.words.Reason;

/** What a player says of tension is heeded in whatever is played, by the strictness that they chose. */
class TensionIsHeededTest {

    private static final Strictness LOOSE = new Strictness(false, true);
    private static final Passage MUSIC = AbcReader.read("X:1\nM:4/4\nL:1/16\nQ:1/4=92\nK:C\nCDEF GABc dcBA GFED|")
            .passage();

    private static Workout planned(School school, Strictness strictness) {
        return Planner.plan(Brief.on(
                Theme.of(MUSIC, Tempo.of(138), Known.of(Posterior.prior(Tempo.of(116), 0.08))),
                30,
                Choices.usual(school).with(strictness),
                new Allowance(new Effort(80), 90, 3_600),
                Condition.FRESH,
                Reason.NONE));
    }

    private static Run played(Run from, Answer answer) {
        Run run = from;
        while (!run.isDone()) {
            run = run.step() instanceof Rest rest
                    ? run.after(new Event.Rested(rest.seconds()))
                    : run.after(new Event.Judged(Answers.to(run, answer)));
        }
        return run;
    }

    private static List<Segment> passes(List<Segment> segments) {
        return segments.stream()
                .filter(one -> one.step() instanceof Pass pass && pass.kind() != PassKind.WARM_UP)
                .toList();
    }

    static List<School> cores() {
        return java.util.Arrays.stream(School.values())
                .filter(School::makesCore)
                .filter(school -> school != School.STUDY_CARD)
                .toList();
    }

    /** Probes rose from 108 to 131 at tension 3 for a player who works loosely only: measuring is playing too. */
    @ParameterizedTest
    @MethodSource("cores")
    void whoWorksLooselyIsNotLedUpAtTheEdge(School school) {
        double fastest = 0;
        double slowest = Double.MAX_VALUE;
        Run run = played(Run.start(planned(school, LOOSE)), new Answer(Verdict.CLEAN, Tension.EDGE));
        for (Segment one : passes(run.past())) {
            double tempo =
                    one.tempoAsWritten(run.blocks().get(one.block()).music()).bpm();
            assertThat(tempo).as(school + " at " + one.step()).isLessThan(slowest);
            fastest = Math.max(fastest, tempo);
            slowest = Math.min(slowest, tempo);
        }
        assertThat(fastest).isPositive();
    }

    /** What is told of the tempo is the word that was pressed. */
    @Test
    void theEdgeIsNotCalledGripping() {
        Run run = Run.start(planned(School.STEADY_CLIMB, LOOSE));
        while (!(run.step() instanceof Pass pass && pass.kind() == PassKind.CONTROLLED)) {
            run = run.step() instanceof Rest rest
                    ? run.after(new Event.Rested(rest.seconds()))
                    : run.after(new Event.Judged(Answers.to(run, Answer.expected())));
        }
        run = run.after(new Event.Judged(Answers.to(run, new Answer(Verdict.CLEAN, Tension.EDGE))));
        assertThat(run.step().why().toString()).contains("cause.edge").doesNotContain("cause.gripping");
    }

    /** It had 20 passes to play, and 33 after tension was said of them. */
    @ParameterizedTest
    @MethodSource("cores")
    void nothingThatIsPlannedGrowsWhileTense(School school) {
        for (Strictness strictness : List.of(LOOSE, Strictness.USUAL)) {
            Tension tense = strictness.lowersFrom();
            Run run = Run.start(planned(school, strictness));
            int before = passes(run.ahead()).stream().mapToInt(Segment::passes).sum();
            while (!run.isDone()) {
                run = run.step() instanceof Rest rest
                        ? run.after(new Event.Rested(rest.seconds()))
                        : run.after(new Event.Judged(Answers.to(run, new Answer(Verdict.CLEAN, tense))));
                int now = IntStream.concat(
                                passes(run.past()).stream().mapToInt(Segment::passes),
                                passes(run.ahead()).stream().mapToInt(Segment::passes))
                        .sum();
                assertThat(now).as(school + " " + strictness).isLessThanOrEqualTo(before);
            }
        }
    }

    /** Of any workout that can be planned: nothing of a section is as fast again as what was too tense that day. */
    @Test
    void noPolicyOfTensionIsPassedByAnyBlock() {
        int lowered = 0;
        for (int number = 0; number < 150; number++) {
            Random chance = new Random(number);
            Workout workout = GoldenRuns.planned(number);
            Map<Integer, Double> most = new HashMap<>();
            Run run = Run.start(workout);
            for (int i = 0; i < 300 && !run.isDone(); i++) {
                if (run.step() instanceof Rest rest) {
                    run = run.after(new Event.Rested(rest.seconds()));
                    continue;
                }
                Block block = run.blocks().get(run.block());
                Tension felt = Tension.of(chance.nextInt(5));
                Verdict verdict = Verdict.values()[chance.nextInt(3)];
                run = run.after(new Event.Judged(Answers.to(run, new Answer(verdict, felt))));
                Segment played = run.past().get(run.past().size() - 1);
                double tempo = played.tempoAsWritten(block.music()).bpm();
                if (((Pass) played.step()).kind() != PassKind.WARM_UP) {
                    assertThat(tempo)
                            .as("workout " + number + ", pass " + i)
                            .isLessThan(most.getOrDefault(block.theme(), Double.MAX_VALUE) + 1e-9);
                }
                if (block.strictness().lowers(felt)) {
                    lowered++;
                    most.merge(block.theme(), tempo, Math::min);
                }
            }
        }
        assertThat(lowered).isGreaterThan(100);
    }

    /** One press of 3 is said of one pass. */
    @Test
    void tensionIsSaidOfOnePass() {
        Run run = Run.start(planned(School.STEADY_CLIMB, Strictness.USUAL));
        boolean said = false;
        while (!run.isDone()) {
            if (run.step() instanceof Rest rest) {
                run = run.after(new Event.Rested(rest.seconds()));
            } else {
                Tension felt = said ? null : Tension.EDGE;
                run = run.after(new Event.Judged(Answers.to(run, new Answer(Verdict.CLEAN, felt))));
                said = true;
            }
        }
        List<Segment> played =
                run.past().stream().filter(one -> one.step() instanceof Pass).toList();
        assertThat(played).hasSizeGreaterThan(5);
        assertThat(played.stream().filter(Segment::saysTension)).hasSize(1);
        assertThat(played.subList(1, played.size())).allMatch(one -> one.after().tension() == Answer.ASSUMED);
        assertThat(run.tally().worstTension()).isEqualTo(Tension.EDGE);
    }
}
