package tachylim.ceiling;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import tachylim.task.Verdict;
import tachylim.tempo.Tempo;

class ModesTest {

    private static final Estimate SECTION = Posterior.prior(Tempo.of(120), 0.03).estimate();

    @Test
    void aModeThatWasNeverPlayedIsAboutAsFastAsTheSectionAndHardlyKnown() {
        Estimate unplayed = Modes.unplayed(SECTION);
        assertThat(unplayed.ceiling().middle().bpm()).isBetween(117.0, 123.0);
        assertThat(unplayed.isVague()).isTrue();
        assertThat(Modes.of(SECTION, List.of())).isEqualTo(unplayed);
    }

    @Test
    void itsOwnPassesSayHowFastItIs() {
        Random chance = new Random(5);
        List<Modes.Tried> tried = new ArrayList<>();
        for (int i = 0; i < Modes.MOST; i++) {
            double tempo = 84 + 2 * (i % 12);
            double clean = 1 / (1 + Math.exp((Math.log(tempo) - Math.log(96)) / 0.03));
            tried.add(new Modes.Tried(Tempo.of(tempo), chance.nextDouble() < clean ? Verdict.CLEAN : Verdict.BROKE, 1));
        }
        Estimate mode = Modes.of(SECTION, tried);
        assertThat(mode.ceiling().middle().bpm()).isBetween(86.0, 98.0);
        assertThat(mode.ceiling().giveOrTake())
                .isLessThan(Modes.unplayed(SECTION).ceiling().giveOrTake() / 2);
    }

    @Test
    void slowPassesAlikeSayLessAndLess() {
        Modes.Tried slow = new Modes.Tried(Tempo.of(60), Verdict.CLEAN, 1);
        Estimate few = Modes.of(SECTION, List.of(slow, slow));
        Estimate many = Modes.of(SECTION, new ArrayList<>(java.util.Collections.nCopies(20, slow)));
        assertThat(many.passes() - few.passes()).isLessThan(3);
    }

    @Test
    void onlyTheLastOfManyPassesSpeak() {
        Modes.Tried broken = new Modes.Tried(Tempo.of(100), Verdict.BROKE, 1);
        Modes.Tried clean = new Modes.Tried(Tempo.of(125), Verdict.CLEAN, 1);
        List<Modes.Tried> last = new ArrayList<>(java.util.Collections.nCopies(Modes.MOST, clean));
        List<Modes.Tried> all = new ArrayList<>(java.util.Collections.nCopies(30, broken));
        all.addAll(last);
        assertThat(Modes.of(SECTION, all)).isEqualTo(Modes.of(SECTION, last));
    }
}
