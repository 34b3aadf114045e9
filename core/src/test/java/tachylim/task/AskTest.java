package tachylim.task;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import org.junit.jupiter.api.Test;

class AskTest {

    @Test
    void passesAlikeAreAnsweredTogether() {
        Answer clean = new Answer(Verdict.CLEAN, Tension.LIGHT);
        Answer rough = new Answer(Verdict.ROUGH, Tension.GRIPPING);
        assertThat(Answer.together(List.of(clean, rough, clean))).isEqualTo(Answer.ofSet(2, 3, Tension.GRIPPING));
        assertThatThrownBy(() -> Answer.together(List.of()))
                .hasMessageContaining("refusal.answer.thereIsNothingToBeAnswered");
    }

    @Test
    void ofASetItIsSaidHowManyWereClean() {
        Ask set = Ask.set(4);
        assertThat(set.answer(null, Tension.LIGHT, 4).verdict()).isEqualTo(Verdict.CLEAN);
        assertThat(set.answer(null, Tension.LIGHT, 2).verdict()).isEqualTo(Verdict.ROUGH);
        assertThat(set.answer(null, Tension.LIGHT, 1).verdict()).isEqualTo(Verdict.BROKE);
        assertThat(set.expected().told()).isEqualTo(4);
        assertThatThrownBy(() -> set.answer(null, Tension.LIGHT, 5))
                .hasMessageContaining("refusal.answer.ofPassesNotCanBeClean");
        assertThatThrownBy(() -> set.check(Answer.expected())).hasMessageContaining("refusal.ask.sayHowManyWereClean");
        assertThatThrownBy(() -> set.check(new Answer(Verdict.CLEAN, Tension.LIGHT, 5)))
                .hasMessageContaining("refusal.ask.ofPassesNotCanBeClean");
    }

    @Test
    void whereOnlyAVerdictIsSaidItMeansAtLeastSomething() {
        assertThat(Ask.set(3)
                        .answer(Verdict.CLEAN, Tension.LIGHT, Answer.NOTHING_TOLD)
                        .told())
                .isEqualTo(3);
        assertThat(Ask.set(3)
                        .answer(Verdict.ROUGH, Tension.LIGHT, Answer.NOTHING_TOLD)
                        .told())
                .isEqualTo(2);
        assertThat(Ask.set(3)
                        .answer(Verdict.BROKE, Tension.LIGHT, Answer.NOTHING_TOLD)
                        .told())
                .isZero();
        assertThat(Ask.count(50)
                        .answer(Verdict.ROUGH, Tension.LIGHT, Answer.NOTHING_TOLD)
                        .told())
                .isEqualTo(40);
    }

    @Test
    void aSetOfOneIsAPassAsEver() {
        assertThat(Ask.set(1)).isEqualTo(Ask.VERDICT);
        assertThat(Ask.set(1).answer(Verdict.ROUGH, Tension.EDGE, Answer.NOTHING_TOLD))
                .isEqualTo(new Answer(Verdict.ROUGH, Tension.EDGE));
    }

    @Test
    void aCountIsCleanWhereItReachesWhatIsWanted() {
        Ask count = Ask.count(56);
        assertThat(count.answer(null, Tension.LOOSE, 56).verdict()).isEqualTo(Verdict.CLEAN);
        assertThat(count.answer(null, Tension.LOOSE, 45).verdict()).isEqualTo(Verdict.ROUGH);
        assertThat(count.answer(null, Tension.LOOSE, 44).verdict()).isEqualTo(Verdict.BROKE);
    }

    @Test
    void whatIsToldIsANumber() {
        assertThatThrownBy(() -> new Answer(Verdict.CLEAN, Tension.LIGHT, Double.NaN))
                .hasMessageContaining("refusal.answer.whatIsToldIsANumberFrom0");
        assertThatThrownBy(() -> new Answer(Verdict.CLEAN, Tension.LIGHT, -3))
                .hasMessageContaining("refusal.answer.whatIsToldIsANumberFrom0");
        assertThatThrownBy(() -> Ask.set(0)).hasMessageContaining("refusal.ask.thereAre1ToToBeCountedNot");
    }
}
