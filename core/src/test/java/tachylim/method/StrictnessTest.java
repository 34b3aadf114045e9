package tachylim.method;

import static org.assertj.core.api.Assertions.assertThat;

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
        assertThat(Strictness.USUAL.heard(PassKind.CONTROLLED, slip)).isEqualTo(slip);
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
        assertThat(LOOSE.heard(PassKind.CONTROLLED, answer(Verdict.CLEAN, Tension.ALERT))
                        .tension())
                .isEqualTo(Tension.EDGE);
        assertThat(LOOSE.heard(PassKind.BURST, answer(Verdict.CLEAN, Tension.EDGE))
                        .tension())
                .isEqualTo(Tension.GRIPPING);
        assertThat(LOOSE.heard(PassKind.CONTROLLED, answer(Verdict.CLEAN, Tension.LIGHT))
                        .tension())
                .isEqualTo(Tension.LIGHT);
    }

    /** No school hears less tension than was felt, and none makes a broken pass anything else. */
    @Property
    void noStrictnessMakesLightOfTension(
            @ForAll boolean rough,
            @ForAll boolean loose,
            @ForAll PassKind kind,
            @ForAll Verdict said,
            @ForAll Tension felt) {
        Answer heard = new Strictness(rough, loose).heard(kind, answer(said, felt));
        assertThat(heard.tension()).isGreaterThanOrEqualTo(felt);
        assertThat(heard.verdict() == Verdict.BROKE).isEqualTo(said == Verdict.BROKE);
        assertThat(heard.tension() == Tension.LOCKED).isEqualTo(felt == Tension.LOCKED);
    }

    @Property
    void whatMeasuresHearsWhatWasSaid(
            @ForAll boolean rough, @ForAll boolean loose, @ForAll Verdict said, @ForAll Tension felt) {
        Answer answer = answer(said, felt);
        assertThat(new Strictness(rough, loose).heard(PassKind.PROBE, answer)).isEqualTo(answer);
    }
}
