package tachylim.take;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import tachylim.take.Measured.Suggested;
import tachylim.task.Verdict;

class ConfusionTest {

    @ParameterizedTest
    @EnumSource(Verdict.class)
    void theChancesOfWhatIsMeasuredSumToOneAndAreNeverNothing(Verdict said) {
        Confusion confusion =
                Confusion.usual().after(Verdict.ROUGH, Suggested.ROUGH, 7).after(Verdict.CLEAN, Suggested.ROUGH, 3);
        double sum = 0;
        for (Suggested measured : new Suggested[] {Suggested.CLEAN, Suggested.ROUGH, Suggested.BROKE}) {
            assertThat(confusion.chance(said, measured)).isPositive();
            sum += confusion.chance(said, measured);
        }
        assertThat(sum).isCloseTo(1, within(1e-12));
        assertThat(confusion.chance(said, Suggested.CANNOT_TELL)).isEqualTo(1);
    }

    @Test
    void whatWasConfirmedWeighsAgainstWhatIsUsual() {
        Confusion confusion = Confusion.usual().after(Verdict.CLEAN, Suggested.CLEAN, 20);
        assertThat(confusion.chance(Verdict.CLEAN, Suggested.CLEAN)).isCloseTo((13 + 20) / 40.0, within(1e-12));
        assertThat(confusion.chance(Verdict.BROKE, Suggested.BROKE)).isCloseTo(0.85, within(1e-12));
    }

    @Test
    void aTempoIsRaisedAloneOnlyAfterTwentyConfirmedTakes() {
        Confusion nearly = Confusion.usual()
                .after(Verdict.CLEAN, Suggested.CLEAN, 12)
                .after(Verdict.ROUGH, Suggested.ROUGH, 7)
                .after(Verdict.ROUGH, Suggested.CANNOT_TELL, 9);
        assertThat(nearly.mayRaise()).isFalse();
        assertThat(nearly.after(Verdict.BROKE, Suggested.BROKE, 1).mayRaise()).isTrue();
    }

    /** Else what went wrong would count alone, since what went well counts as played. */
    @Test
    void whatIsTakenWithoutAHandIsNoEvidenceBeforeItMayRaiseATempo() {
        Confusion known = Confusion.usual().after(Verdict.CLEAN, Suggested.CLEAN, 20);
        assertThat(Confusion.usual().hearing(List.of(Suggested.ROUGH), true).power())
                .isZero();
        assertThat(known.hearing(List.of(Suggested.ROUGH), true).power()).isEqualTo(1);
        assertThat(known.after(Verdict.ROUGH, Suggested.CLEAN, 9)
                        .hearing(List.of(Suggested.ROUGH), true)
                        .power())
                .isZero();
    }

    @Test
    void andNeverWhereMuchThatWentWrongIsMeasuredAsClean() {
        Confusion flattering =
                Confusion.usual().after(Verdict.CLEAN, Suggested.CLEAN, 30).after(Verdict.ROUGH, Suggested.CLEAN, 2);
        assertThat(flattering.mayRaise()).isFalse();
    }
}
