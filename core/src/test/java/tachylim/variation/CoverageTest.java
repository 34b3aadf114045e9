package tachylim.variation;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.apache.commons.numbers.fraction.Fraction;
import org.junit.jupiter.api.Test;
import tachylim.passage.Meter;
import tachylim.passage.PaperPattern;
import tachylim.passage.Passage;
import tachylim.passage.Section;
import tachylim.variation.Coverage.Candidate;
import tachylim.variation.Coverage.Chosen;
import tachylim.words.Reason;

class CoverageTest {

    private static final Passage PASSAGE =
            new PaperPattern(new Meter(4, 4), Fraction.of(1, 4), 2, List.of(4)).toPassage();

    private static List<Candidate> candidates(Set<String> yesterday) {
        return Catalogue.of(PASSAGE).entrySet().stream()
                .filter(entry -> entry.getKey() instanceof CellVariation)
                .map(entry -> new Candidate(
                        entry.getKey().key(),
                        entry.getValue().trained(),
                        entry.getValue().music().length().doubleValue() / 60,
                        yesterday.contains(entry.getKey().key())))
                .toList();
    }

    private static double[] plainNeed(int transitions) {
        return TransitionNeed.of(transitions, List.of());
    }

    @Test
    void everyTransitionIsTrainedWhenThereIsTime() {
        int transitions = PASSAGE.notes().size() - 1;
        Chosen chosen = Coverage.choose(candidates(Set.of()), plainNeed(transitions), 60);
        // The last transition reaches the landing note and makes no whole cell.
        assertThat(chosen.untrained()).isSubsetOf(transitions - 1);
        assertThat(chosen.choices())
                .isNotEmpty()
                .allMatch(choice -> choice.why().code().startsWith("coverage."));
    }

    @Test
    void aTransitionInTroubleIsTrainedMoreOftenAndNamed() {
        double[] need = plainNeed(PASSAGE.notes().size() - 1);
        need[6] = 3.2;
        Chosen chosen = Coverage.choose(candidates(Set.of()), need, 60);
        assertThat(chosen.trains().get(6)).isGreaterThanOrEqualTo(3);
        assertThat(chosen.choices().get(0).why().values())
                .containsEntry("worst", Reason.of("coverage.span", "from", 7, "to", 8));
    }

    @Test
    void yesterdaysVariationsGiveWay() {
        double[] need = plainNeed(PASSAGE.notes().size() - 1);
        Set<String> first = keys(Coverage.choose(candidates(Set.of()), need, 60));
        Set<String> second = keys(Coverage.choose(candidates(first), need, 60));
        assertThat(second).isNotEqualTo(first);
    }

    @Test
    void theMinutesAreKept() {
        Chosen chosen =
                Coverage.choose(candidates(Set.of()), plainNeed(PASSAGE.notes().size() - 1), 0.2);
        assertThat(chosen.choices().stream()
                        .mapToDouble(Coverage.Choice::minutes)
                        .sum())
                .isLessThanOrEqualTo(0.2 + 1e-9);
        assertThat(chosen.untrained()).isNotEmpty();
    }

    @Test
    void moreTimeIsUsedForMoreOfTheSameCare() {
        double[] need = plainNeed(PASSAGE.notes().size() - 1);
        Chosen least = Coverage.choose(candidates(Set.of()), need, 10);
        Chosen filled = Coverage.fill(candidates(Set.of()), need, 10);
        assertThat(filled.choices()).hasSizeGreaterThan(least.choices().size()).hasSizeLessThanOrEqualTo(12);
        assertThat(filled.choices().stream()
                        .mapToDouble(Coverage.Choice::minutes)
                        .sum())
                .isLessThanOrEqualTo(10);
        assertThat(filled.untrained()).isEqualTo(least.untrained());
    }

    private static Set<String> keys(Chosen chosen) {
        return chosen.choices().stream().map(Coverage.Choice::key).collect(Collectors.toSet());
    }

    /** Greedy covers whatever can be covered, and costs at most 1 + ln(most transitions) times the least possible. */
    @Property(tries = 300)
    void greedyStaysWithinItsBoundOfBruteForce(@ForAll long seed) {
        Random random = new Random(seed);
        int transitions = 2 + random.nextInt(5);
        List<Candidate> candidates = new ArrayList<>();
        for (int i = 0; i < 2 + random.nextInt(7); i++) {
            Set<Integer> trained = IntStream.range(0, transitions)
                    .filter(transition -> random.nextInt(2) == 0)
                    .boxed()
                    .collect(Collectors.toSet());
            candidates.add(new Candidate("v" + i, trained, 1 + random.nextInt(5), random.nextBoolean()));
        }
        double[] need = IntStream.range(0, transitions)
                .mapToDouble(transition -> 1 + random.nextInt(3))
                .toArray();
        Chosen chosen = Coverage.choose(candidates, need, 1_000);
        Set<String> keys = keys(chosen);
        double cost = candidates.stream()
                .filter(candidate -> keys.contains(candidate.key()))
                .mapToDouble(Candidate::cost)
                .sum();
        int most = candidates.stream()
                .mapToInt(candidate -> candidate.trained().size())
                .max()
                .orElse(1);
        double least = Double.MAX_VALUE;
        for (int subset = 0; subset < 1 << candidates.size(); subset++) {
            int picked = subset;
            List<Candidate> of = IntStream.range(0, candidates.size())
                    .filter(i -> (picked >> i & 1) == 1)
                    .mapToObj(candidates::get)
                    .toList();
            if (meets(of, candidates, need)) {
                least = Math.min(least, of.stream().mapToDouble(Candidate::cost).sum());
            }
        }
        assertThat(meets(
                        candidates.stream()
                                .filter(candidate -> keys.contains(candidate.key()))
                                .toList(),
                        candidates,
                        need))
                .isTrue();
        assertThat(cost).isBetween(least - 1e-9, least * (1 + Math.log(Math.max(1, most))) + 1e-9);
    }

    private static boolean meets(List<Candidate> chosen, List<Candidate> all, double[] need) {
        return IntStream.range(0, need.length)
                .allMatch(transition ->
                        trains(chosen, transition) >= Math.min(Math.round(need[transition]), trains(all, transition)));
    }

    private static long trains(List<Candidate> of, int transition) {
        return of.stream()
                .filter(candidate -> candidate.trained().contains(transition))
                .count();
    }

    @Test
    void aBreakCountsHalfAfterAWeek() {
        double[] need = TransitionNeed.of(
                3,
                List.of(
                        new TransitionNeed.Break(1, 0),
                        new TransitionNeed.Break(1, 7),
                        new TransitionNeed.Break(9, 0)));
        assertThat(need[0]).isEqualTo(1);
        assertThat(need[1]).isCloseTo(2.5, within(1e-12));
    }

    @Test
    void aTransitionIsIsolatedWithWhatStandsAroundIt() {
        assertThat(Isolation.around(PASSAGE, 5))
                .containsExactly(new Section(5, 6), new Section(4, 6), new Section(5, 7), new Section(4, 7));
        assertThat(Isolation.around(PASSAGE, 0)).containsExactly(new Section(0, 1), new Section(0, 2));
        assertThatThrownBy(() -> Isolation.around(PASSAGE, 99)).hasMessageContaining("100");
        assertThatThrownBy(() -> new Candidate("x", Set.of(), 0, false)).hasMessageContaining("0");
    }
}
