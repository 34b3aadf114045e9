package tachylim.method;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.junit.jupiter.api.Test;
import tachylim.task.Answer;
import tachylim.task.PassKind;
import tachylim.task.Tension;
import tachylim.task.Verdict;

class StrictnessTest {

    private static final Strictness FORGIVING = new Strictness(true, false);
    private static final Strictness LOOSE = new Strictness(false, true);

    private static Answer answer(Verdict verdict, Tension tension) {
        return new Answer(verdict, tension);
    }

    @Test
    void aSlipCountsAsCleanWhereThatIsTheSchool() {
        Answer slip = answer(Verdict.ROUGH, Tension.LIGHT);
        assertThat(FORGIVING.heard(PassKind.CONTROLLED, slip).verdict()).isEqualTo(Verdict.CLEAN);
        assertThat(Strictness.USUAL.heard(PassKind.CONTROLLED, slip).verdict()).isEqualTo(Verdict.ROUGH);
        assertThat(FORGIVING
                        .heard(PassKind.CONTROLLED, answer(Verdict.BROKE, Tension.LIGHT))
                        .verdict())
                .isEqualTo(Verdict.BROKE);
    }

    @Test
    void aMessyBurstIsNeverForgivenNorASlipAtTheEdge() {
        assertThat(FORGIVING
                        .heard(PassKind.BURST, answer(Verdict.ROUGH, Tension.LIGHT))
                        .verdict())
                .isEqualTo(Verdict.ROUGH);
        assertThat(FORGIVING
                        .heard(PassKind.CONTROLLED, answer(Verdict.ROUGH, Tension.EDGE))
                        .verdict())
                .isEqualTo(Verdict.ROUGH);
    }

    @Test
    void whoWorksLooselyHoldsAtTheFirstTensionAndGoesDownAtTheEdge() {
        assertThat(Arrays.stream(Tension.values()).filter(LOOSE::holds)).startsWith(Tension.ALERT);
        assertThat(Arrays.stream(Tension.values()).filter(LOOSE::lowers)).startsWith(Tension.EDGE);
        assertThat(Arrays.stream(Tension.values()).filter(Strictness.USUAL::holds))
                .startsWith(Tension.EDGE);
        assertThat(Arrays.stream(Tension.values()).filter(Strictness.USUAL::lowers))
                .startsWith(Tension.GRIPPING);
    }

    /** The word that was pressed is the word that is heard, of whatever is played, and only a slip is ever forgiven. */
    @Property
    void whatWasSaidIsHeard(
            @ForAll boolean rough,
            @ForAll boolean loose,
            @ForAll PassKind kind,
            @ForAll Verdict said,
            @ForAll Tension felt) {
        Heard heard = new Strictness(rough, loose).heard(kind, new Answer(said, felt, 7));
        assertThat(heard.tension()).isEqualTo(felt);
        assertThat(heard.told()).isEqualTo(7);
        assertThat(heard.verdict() == said || rough && said == Verdict.ROUGH && heard.verdict() == Verdict.CLEAN)
                .isTrue();
        assertThat(heard.holds() || !heard.lowers()).isTrue();
    }

    @Test
    void whereNothingWasSaidOfTensionNothingIsHeldBack() {
        Heard heard = LOOSE.heard(PassKind.PROBE, answer(Verdict.CLEAN, null));
        assertThat(heard.holds()).isFalse();
        assertThat(heard.tension()).isEqualTo(Answer.ASSUMED);
    }
}
