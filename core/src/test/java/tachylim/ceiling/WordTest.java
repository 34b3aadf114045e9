package tachylim.ceiling;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import tachylim.take.Confusion;
import tachylim.take.Measured.Suggested;
import tachylim.task.Hearing.Chances;
import tachylim.task.Verdict;
import tachylim.tempo.Tempo;

/** What a microphone says of passes, in the belief about a ceiling. */
class WordTest {

    private static final Posterior BEFORE = Posterior.prior(Tempo.of(120), 0.15);

    private static Chances chances(Suggested measured) {
        return Confusion.usual().hearing(List.of(measured), true).passes().get(0);
    }

    private static double ceiling(Posterior belief) {
        return belief.estimate().ceiling().middle().bpm();
    }

    private static Evidence said(Verdict verdict) {
        return Evidence.of(Tempo.of(124), verdict);
    }

    @ParameterizedTest
    @EnumSource(Verdict.class)
    void aMeasuredWordSaysLessThanTheSameWordOfThePlayer(Verdict verdict) {
        double player = ceiling(BEFORE.after(said(verdict)));
        double alone = ceiling(BEFORE.after(said(verdict).measured(chances(Suggested.valueOf(verdict.name())), 1)));
        double halved = ceiling(BEFORE.after(said(verdict).measured(chances(Suggested.valueOf(verdict.name())), 0.5)));
        double before = ceiling(BEFORE);
        assertThat(Math.abs(alone - before)).isLessThanOrEqualTo(Math.abs(player - before) + 0.1);
        assertThat(Math.abs(halved - before)).isLessThanOrEqualTo(Math.abs(alone - before) + 0.1);
        if (verdict != Verdict.ROUGH) {
            assertThat(Math.signum(alone - before)).isEqualTo(Math.signum(player - before));
        }
    }

    @Test
    void whereTheTwoDisagreeTheBeliefIsBetweenThem() {
        double clean = ceiling(BEFORE.after(said(Verdict.CLEAN)));
        double broke = ceiling(BEFORE.after(said(Verdict.BROKE)));
        double between = ceiling(BEFORE.after(said(Verdict.CLEAN).besides(chances(Suggested.BROKE))));
        assertThat(between).isBetween(broke, clean);
    }

    @Test
    void whatCannotBeToldChangesNothingOfWhatThePlayerSays() {
        assertThat(said(Verdict.ROUGH).besides(chances(Suggested.CANNOT_TELL))).isEqualTo(said(Verdict.ROUGH));
    }

    @Test
    void itIsExactlyTheSumOverWhatThePassMayHaveBeen() {
        Word word = Word.measured(new Chances(0.65, 0.05, 0.01));
        assertThat(word.chance(0.5, 0.3, 0.2)).isCloseTo(0.65 * 0.5 + 0.05 * 0.3 + 0.01 * 0.2, within(1e-15));
        assertThat(Word.of(Verdict.ROUGH).chance(0.5, 0.3, 0.2)).isEqualTo(0.3);
        assertThat(Word.of(Verdict.ROUGH).isPlain()).isTrue();
        assertThat(word.isPlain()).isFalse();
    }
}
