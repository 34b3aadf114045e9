package tachylim.ceiling;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Random;
import org.junit.jupiter.api.Test;
import tachylim.task.Verdict;
import tachylim.tempo.Tempo;

/** What does not fit any curve is noticed, and what fits is not suspected. */
class SurpriseTest {

    private static final Tempo BELIEVED = Tempo.of(88);

    /** As after some weeks: 88, give or take 13%. */
    private static Posterior belief() {
        Posterior belief = Posterior.prior(BELIEVED, 0.1);
        for (int i = 0; i < 4; i++) {
            belief = belief.after(Evidence.of(Tempo.of(84), Verdict.CLEAN))
                    .after(Evidence.of(Tempo.of(92), Verdict.ROUGH));
        }
        return belief;
    }

    private static Learning played(Learning from, double tempo, Verdict... verdicts) {
        Learning now = from;
        for (Verdict verdict : verdicts) {
            now = now.after(Evidence.of(Tempo.of(tempo), verdict));
        }
        return now;
    }

    /** 12 of 23 went wrong at half the ceiling, and the figure stood where it had been. */
    @Test
    void failingFarBelowTheCeilingIsNoticedAndLearnedFromAnew() {
        Learning now = Learning.from(belief());
        int misses = 0;
        for (int i = 0; i < 23; i++) {
            boolean miss = i % 2 == 0;
            misses += miss ? 1 : 0;
            now = played(now, 44, miss ? Verdict.BROKE : Verdict.CLEAN);
        }
        assertThat(misses).isEqualTo(12);
        assertThat(now.surprise().doubted())
                .hasValueSatisfying(at -> assertThat(at.bpm()).isBetween(80.0, 92.0));
        Estimate estimate = now.belief().estimate();
        assertThat(estimate.ceiling().middle().bpm()).isLessThan(50);
        assertThat(estimate.comfortable().middle().bpm()).isLessThan(44);
        assertThat(belief().after(Evidence.of(Tempo.of(44), Verdict.BROKE))
                        .estimate()
                        .ceiling()
                        .middle()
                        .bpm())
                .as("what the model alone makes of it")
                .isGreaterThan(80);
    }

    @Test
    void fourMissesInARowAreEnoughAndTwoAreNot() {
        Learning two = played(Learning.from(belief()), 50, Verdict.BROKE, Verdict.ROUGH);
        assertThat(two.surprise().doubted()).isEmpty();
        assertThat(two.belief()).isNotNull();
        assertThat(played(two, 50, Verdict.BROKE, Verdict.ROUGH).surprise().doubted())
                .isPresent();
    }

    @Test
    void missesNearTheCeilingAreNoSurprise() {
        Learning now = Learning.from(belief());
        for (int i = 0; i < 12; i++) {
            now = played(now, 92, Verdict.ROUGH, Verdict.BROKE);
        }
        assertThat(now.surprise().doubted()).isEmpty();
    }

    @Test
    void itIsRaisedOnceAndLearnsOnFromThere() {
        Learning raised = played(
                Learning.from(belief()), 44, Verdict.BROKE, Verdict.BROKE, Verdict.BROKE, Verdict.BROKE, Verdict.BROKE);
        Learning on = played(raised, 40, Verdict.CLEAN, Verdict.CLEAN, Verdict.CLEAN);
        assertThat(on.surprise()).isEqualTo(raised.surprise());
        assertThat(on.belief().estimate().ceiling().middle().bpm())
                .isGreaterThan(raised.belief().estimate().ceiling().middle().bpm());
    }

    /** Players of every shape of the model, as unsure of their ceiling as its belief says, through a workout's passes. */
    @Test
    void whoFitsIsSuspectedInFewerThanOneWorkoutInAHundred() {
        Random chance = new Random(20_261);
        int workouts = 300;
        int suspected = 0;
        for (int i = 0; i < workouts; i++) {
            Shape shape = Shape.of(drawn(chance));
            double sd = 0.04 + 0.12 * chance.nextDouble();
            double ceiling = BELIEVED.log() + sd * chance.nextGaussian();
            CeilingModel truth = shape.at(ceiling - shape.at(0).ceiling());
            Learning now = Learning.from(Posterior.prior(BELIEVED, sd));
            for (int pass = 0; pass < 24; pass++) {
                double share = pass < 20 ? 0.5 + 0.42 * chance.nextDouble() : 0.95 + 0.1 * chance.nextDouble();
                Tempo tempo = now.belief().estimate().ceiling().middle().times(share);
                double u = chance.nextDouble();
                double clean = truth.clean(tempo.log());
                Verdict verdict =
                        u < clean ? Verdict.CLEAN : u < 1 - truth.broke(tempo.log()) ? Verdict.ROUGH : Verdict.BROKE;
                now = now.after(Evidence.of(tempo, verdict));
            }
            suspected += now.surprise().doubted().isPresent() ? 1 : 0;
        }
        assertThat(suspected).isLessThan(workouts / 100);
    }

    private static int drawn(Random chance) {
        double left = chance.nextDouble();
        for (int shape = 0; shape < Shape.COUNT; shape++) {
            left -= Shape.prior(shape);
            if (left < 0) {
                return shape;
            }
        }
        return Shape.COUNT - 1;
    }
}
