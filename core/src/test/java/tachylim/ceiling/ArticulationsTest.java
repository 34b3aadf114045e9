package tachylim.ceiling;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import tachylim.task.Verdict;
import tachylim.tempo.Tempo;

class ArticulationsTest {

    private static final Estimate SECTION = Posterior.prior(Tempo.of(120), 0.03).estimate();

    @Test
    void anArticulationThatWasNeverPlayedIsAboutAsFastAsTheSectionAndHardlyKnown() {
        Estimate unplayed = Articulations.unplayed(SECTION);
        assertThat(unplayed.ceiling().middle().bpm()).isBetween(117.0, 123.0);
        assertThat(unplayed.isVague()).isTrue();
        assertThat(Articulations.of(SECTION, List.of())).isEqualTo(unplayed);
    }

    @Test
    void itsOwnPassesSayHowFastItIs() {
        Random chance = new Random(5);
        List<Articulations.Tried> tried = new ArrayList<>();
        for (int i = 0; i < Articulations.MOST; i++) {
            double tempo = 84 + 2 * (i % 12);
            double clean = 1 / (1 + Math.exp((Math.log(tempo) - Math.log(96)) / 0.03));
            tried.add(new Articulations.Tried(
                    Tempo.of(tempo), chance.nextDouble() < clean ? Verdict.CLEAN : Verdict.BROKE, 1));
        }
        Estimate articulation = Articulations.of(SECTION, tried);
        assertThat(articulation.ceiling().middle().bpm()).isBetween(86.0, 98.0);
        assertThat(articulation.ceiling().giveOrTake())
                .isLessThan(Articulations.unplayed(SECTION).ceiling().giveOrTake() / 2);
    }

    @Test
    void slowPassesAlikeSayLessAndLess() {
        Articulations.Tried slow = new Articulations.Tried(Tempo.of(60), Verdict.CLEAN, 1);
        Estimate few = Articulations.of(SECTION, List.of(slow, slow));
        Estimate many = Articulations.of(SECTION, new ArrayList<>(java.util.Collections.nCopies(20, slow)));
        assertThat(many.passes() - few.passes()).isLessThan(3);
    }

    @Test
    void onlyTheLastOfManyPassesSpeak() {
        Articulations.Tried broken = new Articulations.Tried(Tempo.of(100), Verdict.BROKE, 1);
        Articulations.Tried clean = new Articulations.Tried(Tempo.of(125), Verdict.CLEAN, 1);
        List<Articulations.Tried> last = new ArrayList<>(java.util.Collections.nCopies(Articulations.MOST, clean));
        List<Articulations.Tried> all = new ArrayList<>(java.util.Collections.nCopies(30, broken));
        all.addAll(last);
        assertThat(Articulations.of(SECTION, all)).isEqualTo(Articulations.of(SECTION, last));
    }
}
