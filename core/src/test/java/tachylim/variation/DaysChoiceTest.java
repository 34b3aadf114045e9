package tachylim.variation;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.apache.commons.numbers.fraction.Fraction;
import org.junit.jupiter.api.Test;
import tachylim.passage.Meter;
import tachylim.passage.PaperPattern;
import tachylim.passage.Passage;
import tachylim.tempo.Tempo;

/** A day's variations train what needs it, and differ from yesterday's. */
class DaysChoiceTest {

    private static final Passage MUSIC =
            new PaperPattern(new Meter(4, 4), Fraction.of(1, 4), 2, List.of(4)).toPassage();
    private static final Tempo TARGET = Tempo.of(120);

    private static double[] need() {
        double[] need = new double[MUSIC.notes().size() - 1];
        Arrays.fill(need, 1);
        return need;
    }

    private static List<String> keys(Coverage.Chosen chosen) {
        return chosen.choices().stream().map(Coverage.Choice::key).toList();
    }

    @Test
    void onlyCellsAreChosenWithinTheMinutesGiven() {
        Coverage.Chosen chosen = DaysChoice.of(MUSIC, TARGET, need(), 4, Set.of(), Set.of());
        assertThat(keys(chosen)).isNotEmpty().allMatch(key -> Catalogue.parse(key) instanceof CellVariation);
        assertThat(chosen.choices().stream()
                        .mapToDouble(Coverage.Choice::minutes)
                        .sum())
                .isLessThanOrEqualTo(4);
    }

    @Test
    void whatWasPlayedTodayIsNotChosenAgainAndYesterdaysCostsMore() {
        List<String> first = keys(DaysChoice.of(MUSIC, TARGET, need(), 2, Set.of(), Set.of()));
        assertThat(keys(DaysChoice.of(MUSIC, TARGET, need(), 2, Set.of(), new HashSet<>(first))))
                .doesNotContainAnyElementsOf(first);
        assertThat(keys(DaysChoice.of(MUSIC, TARGET, need(), 2, new HashSet<>(first), Set.of())))
                .isNotEqualTo(first);
    }

    @Test
    void nothingThatFitsIsSaidWithTheReason() {
        assertThatThrownBy(() -> DaysChoice.of(MUSIC, TARGET, need(), 0.01, Set.of(), Set.of()))
                .hasMessageContaining("refusal.daysChoice.noTime");
        Passage long_ = new PaperPattern(new Meter(4, 4), Fraction.of(1, 4), 2, List.of(1, 2, 3, 5)).toPassage();
        double[] need = new double[long_.notes().size() - 1];
        Arrays.fill(need, 1);
        assertThat(DaysChoice.of(long_, TARGET, need, 60, Set.of(), Set.of()).untrained())
                .as("transitions between unlike notes belong to no cell")
                .isNotEmpty();
    }

    @Test
    void reasonsTellTheChosenApart() {
        double[] need = need();
        need[9] = 4;
        Coverage.Chosen chosen = DaysChoice.of(MUSIC, TARGET, need, 12, Set.of(), Set.of());
        assertThat(chosen.choices().get(0).why().toString())
                .contains("trouble=true", "worst=coverage.span {from=10, to=11}");
        long reasons =
                chosen.choices().stream().map(Coverage.Choice::why).distinct().count();
        assertThat(reasons).isGreaterThan(chosen.choices().size() / 3);
    }
}
