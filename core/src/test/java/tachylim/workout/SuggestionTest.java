package tachylim.workout;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import tachylim.take.Measured;
import tachylim.take.Measured.Suggested;
import tachylim.take.Measured.Transition;
import tachylim.take.Measured.Why;
import tachylim.task.Ask;
import tachylim.task.Verdict;

class SuggestionTest {

    private static Measured measured(Suggested verdict) {
        return new Measured(
                verdict,
                Why.EVEN,
                OptionalInt.empty(),
                List.of(),
                List.of(new Transition(1, 0.08, 0.002, 0.2, true), new Transition(2, 0, 0.002, 0.2, false)),
                List.of(4),
                List.of(),
                1,
                OptionalDouble.empty(),
                OptionalDouble.empty());
    }

    @ParameterizedTest
    @EnumSource(
            value = Suggested.class,
            names = {"CLEAN", "ROUGH", "BROKE"})
    void aPassIsAnsweredAsItWasMeasured(Suggested verdict) {
        assertThat(Suggestion.of(Ask.VERDICT, List.of(measured(verdict))))
                .get()
                .satisfies(answer -> assertThat(answer.verdict().name()).isEqualTo(verdict.name()))
                .satisfies(answer -> assertThat(answer.felt()).isNull());
    }

    @Test
    void ofASetItIsToldHowManyWereClean() {
        List<Measured> passes = List.of(
                measured(Suggested.CLEAN),
                measured(Suggested.BROKE),
                measured(Suggested.CLEAN),
                measured(Suggested.ROUGH),
                measured(Suggested.CLEAN));
        assertThat(Suggestion.of(Ask.set(5), passes)).get().satisfies(answer -> {
            assertThat(answer.told()).isEqualTo(3);
            assertThat(answer.verdict()).isEqualTo(Verdict.ROUGH);
        });
    }

    @Test
    void slipsAreCounted() {
        assertThat(Suggestion.of(Ask.SLIPS, List.of(measured(Suggested.ROUGH))))
                .get()
                .satisfies(answer -> assertThat(answer.told()).isEqualTo(2));
    }

    @Test
    void nothingIsSuggestedWhereItCannotBeToldOrOnlyThePlayerKnows() {
        assertThat(Suggestion.of(Ask.VERDICT, List.of())).isEmpty();
        assertThat(Suggestion.of(Ask.VERDICT, List.of(measured(Suggested.CANNOT_TELL))))
                .isEmpty();
        assertThat(Suggestion.of(Ask.set(2), List.of(measured(Suggested.CLEAN), measured(Suggested.CANNOT_TELL))))
                .isEmpty();
        assertThat(Suggestion.of(Ask.EDGE, List.of(measured(Suggested.CLEAN)))).isEmpty();
    }

    @Test
    void untilItIsTrustedItMaySayThatAPassWentWrongAndNeverThatItWentWell() {
        assertThat(Suggestion.alone(Ask.VERDICT, List.of(measured(Suggested.CLEAN)), false))
                .isEmpty();
        assertThat(Suggestion.alone(Ask.VERDICT, List.of(measured(Suggested.ROUGH)), false))
                .isPresent();
        assertThat(Suggestion.alone(Ask.VERDICT, List.of(measured(Suggested.CLEAN)), true))
                .isPresent();
    }
}
