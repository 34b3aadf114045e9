package tachylim.season;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.OptionalLong;
import java.util.Set;
import net.jqwik.api.Arbitraries;
import net.jqwik.api.Arbitrary;
import net.jqwik.api.Combinators;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.Provide;
import net.jqwik.api.constraints.DoubleRange;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;
import tachylim.load.Effort;
import tachylim.passage.InstrumentFamily;
import tachylim.tempo.Tempo;
import tachylim.words.Reason;

class DaysSectionsTest {

    private static Candidate section(long id, double target, double ceiling, Long left, Long since) {
        return new Candidate(
                id,
                id,
                Tempo.of(target),
                Tempo.of(ceiling),
                true,
                owed(target, ceiling, left, since),
                left == null ? OptionalLong.empty() : OptionalLong.of(left),
                since == null ? OptionalLong.empty() : OptionalLong.of(since),
                since == null ? OptionalLong.empty() : OptionalLong.of(1),
                true,
                InstrumentFamily.MALLET);
    }

    /** What a season owes the made-up sections: more for a wider gap, a nearer date and a longer time without. */
    private static double owed(double target, double ceiling, Long left, Long since) {
        return Math.max(0.01, Math.log(target / ceiling))
                / (left == null ? 12 : Math.max(1, left / 7.0))
                * (1 + (since == null ? 3 : Math.min(7, since)) / 14.0);
    }

    private static final Candidate FAR = section(1, 144, 100, 28L, 1L);
    private static final Candidate NEXT = section(2, 120, 100, 28L, 1L);
    private static final Candidate NEAR = section(3, 100, 96, null, 1L);
    private static final Candidate THERE = section(4, 100, 110, null, 6L);

    private static List<Long> ids(DaysSections day) {
        return day.chosen().stream().map(one -> one.section().id()).toList();
    }

    @Test
    void aSessionHasTheMostPressingTheNextANearGoalAndOneThatHasLain() {
        DaysSections day = DaysSections.of(List.of(THERE, NEAR, NEXT, FAR), 40, new Effort(40));
        assertThat(ids(day)).containsExactly(1L, 2L, 3L, 4L);
        assertThat(day.chosen().stream().map(DaysSections.Chosen::why))
                .containsExactly(
                        Reason.of("chosen.first", "standing", gap(100, 144, 28)),
                        Reason.of("chosen.next", "standing", gap(100, 120, 28)),
                        Reason.of("chosen.near", "standing", gap(96, 100, -1)),
                        Reason.of("chosen.upkeep", "ceiling", 110, "target", 100)
                                .then(Reason.of("chosen.since", "days", 6)));
    }

    /** Nothing is left lying for more than its spacing, however much else presses. */
    @Test
    void whatHasLainTooLongIsTakenUp() {
        Candidate lying = section(5, 110, 100, null, 5L);
        Candidate staying = section(6, 100, 110, null, 6L);
        assertThat(ids(DaysSections.of(List.of(FAR, NEXT, NEAR, lying), 20, new Effort(40))))
                .containsExactly(1L, 5L);
        assertThat(ids(DaysSections.of(List.of(FAR, NEXT, lying), 15, new Effort(40))))
                .containsExactly(5L);
        assertThat(ids(DaysSections.of(List.of(FAR, NEXT, staying), 20, new Effort(40))))
                .containsExactly(1L, 2L);
    }

    /** What was only ever played slowly, or had no main work for days, has the lead, unless something is needed soon. */
    @Test
    void mainWorkGoesInTurn() {
        Candidate slow = new Candidate(
                8,
                8,
                Tempo.of(110),
                Tempo.of(100),
                true,
                0.01,
                OptionalLong.empty(),
                OptionalLong.of(1),
                OptionalLong.of(5),
                true,
                InstrumentFamily.MALLET);
        DaysSections turn = DaysSections.of(List.of(FAR, slow), 20, new Effort(40));
        assertThat(ids(turn)).containsExactly(8L, 1L);
        assertThat(turn.chosen().get(0).why()).isEqualTo(Reason.of("chosen.turn", "standing", slow.standing()));
        Candidate soon = section(9, 144, 100, 10L, 1L);
        assertThat(ids(DaysSections.of(List.of(soon, slow), 20, new Effort(40))))
                .containsExactly(9L, 8L);
    }

    /** Ten days in a row of six passages: each is played at least every week, and no plan is that of every other day. */
    @Test
    void tenDaysAreNotOnePlan() {
        long[] last = {-1, -1, -1, -1, -1, -1};
        Set<List<Long>> plans = new HashSet<>();
        for (int day = 0; day < 10; day++) {
            List<Candidate> all = new ArrayList<>();
            for (int i = 0; i < last.length; i++) {
                all.add(section(i, 120 + 4 * i, 100, null, last[i] < 0 ? null : day - last[i]));
            }
            List<Long> ids = ids(DaysSections.of(all, 30, new Effort(60)));
            for (long id : ids) {
                last[(int) id] = day;
            }
            plans.add(ids);
            int today = day;
            assertThat(Arrays.stream(last).filter(one -> one >= 0)).allMatch(one -> today - one <= 7);
        }
        assertThat(Arrays.stream(last)).allMatch(one -> one >= 0);
        assertThat(plans.size()).isGreaterThanOrEqualTo(5);
    }

    /** Nobody changes over to another instrument because a passage of it has lain for longest. */
    @Test
    void aDayIsOnOneInstrument() {
        Candidate reed = new Candidate(
                9,
                9,
                Tempo.of(90),
                Tempo.of(60),
                true,
                owed(90, 60, null, 30L),
                OptionalLong.empty(),
                OptionalLong.of(30),
                OptionalLong.of(30),
                true,
                InstrumentFamily.FREE_REED);
        DaysSections day = DaysSections.of(List.of(THERE, reed, NEXT, FAR), 60, new Effort(60));
        assertThat(day.chosen().stream().map(one -> one.section().instrument()).distinct())
                .hasSize(1);
        assertThat(ids(day)).containsExactlyInAnyOrder(1L, 2L, 4L);
    }

    private static Reason gap(int ceiling, int target, int days) {
        return Reason.of("standing.gap", "measured", true, "ceiling", ceiling, "target", target, "days", days);
    }

    @Test
    void fewMinutesOrLittleEffortLeftAreForFewSections() {
        List<Candidate> all = List.of(FAR, NEXT, NEAR, THERE);
        assertThat(ids(DaysSections.of(all, 12, new Effort(40)))).containsExactly(1L);
        assertThat(ids(DaysSections.of(all, 25, new Effort(40)))).containsExactly(1L, 2L);
        assertThat(ids(DaysSections.of(all, 60, new Effort(9)))).containsExactly(1L);
        assertThat(ids(DaysSections.of(all, 60, new Effort(0)))).containsExactly(1L);
    }

    @Test
    void oneSectionOfEachPassageWhileThereIsAChoice() {
        Candidate twin = new Candidate(
                5,
                1,
                Tempo.of(144),
                Tempo.of(101),
                true,
                owed(144, 100, 28L, 1L),
                OptionalLong.of(28),
                OptionalLong.of(1),
                OptionalLong.of(1),
                true,
                InstrumentFamily.MALLET);
        assertThat(ids(DaysSections.of(List.of(FAR, twin, NEXT), 20, new Effort(40))))
                .containsExactly(1L, 2L);
        assertThat(ids(DaysSections.of(List.of(FAR, twin), 20, new Effort(40)))).containsExactly(1L, 5L);
    }

    @Test
    void whatHasLainPressesMoreAndWhatIsUndecidedLess() {
        Candidate lain = section(6, 120, 100, 28L, 7L);
        assertThat(ids(DaysSections.of(List.of(NEXT, lain), 10, new Effort(40))))
                .containsExactly(6L);
        Candidate open = new Candidate(
                7,
                7,
                Tempo.of(121),
                Tempo.of(100),
                true,
                owed(121, 100, 28L, 1L),
                OptionalLong.of(28),
                OptionalLong.of(1),
                OptionalLong.of(1),
                false,
                InstrumentFamily.MALLET);
        assertThat(ids(DaysSections.of(List.of(NEXT, open), 10, new Effort(40))))
                .containsExactly(2L);
        assertThat(DaysSections.of(List.of(open), 10, new Effort(40))
                        .chosen()
                        .get(0)
                        .why()
                        .values())
                .containsEntry("next", Reason.of("chosen.preparationOpen"));
    }

    @Test
    void withoutAPassageThereIsNothing() {
        assertThat(DaysSections.of(List.of(), 40, new Effort(40)).chosen()).isEmpty();
    }

    @Property(tries = 500)
    void aDayHasOneToFourDifferentSectionsEachWithAReason(
            @ForAll("repertoires") List<Candidate> all,
            @ForAll @IntRange(min = 3, max = 180) int minutes,
            @ForAll @DoubleRange(min = 0, max = 200) double left) {
        List<DaysSections.Chosen> chosen =
                DaysSections.of(all, minutes, new Effort(left)).chosen();
        assertThat(chosen)
                .hasSizeBetween(1, DaysSections.MOST)
                .hasSizeLessThanOrEqualTo(Math.max(1, minutes / 10))
                .allSatisfy(one -> assertThat(one.why().saysNothing()).isFalse());
        assertThat(chosen.stream().map(one -> one.section().id())).doesNotHaveDuplicates();
        Candidate first = chosen.get(0).section();
        double most = all.stream()
                .map(Candidate::pressing)
                .max(Comparator.naturalOrder())
                .orElseThrow();
        List<Candidate> pressing =
                all.stream().filter(one -> one.pressing() == most).toList();
        boolean oneThatLay = chosen.size() == 1 && first.isOverdue();
        boolean inTurn = first.isMainWorkDue()
                && first.daysSince().isPresent()
                && pressing.stream().anyMatch(one -> !one.isSoon() && !one.isMainWorkDue());
        assertThat(first.pressing() == most || oneThatLay || inTurn).isTrue();
        long passages = all.stream().map(Candidate::passage).distinct().count();
        if (chosen.size() == 2 && passages > 1 && all.stream().noneMatch(Candidate::isUpToTempo)) {
            assertThat(chosen.stream().map(one -> one.section().passage())).doesNotHaveDuplicates();
        }
    }

    @Provide
    Arbitrary<List<Candidate>> repertoires() {
        Arbitrary<OptionalLong> days = Arbitraries.longs()
                .between(0, 90)
                .map(OptionalLong::of)
                .injectNull(0.3)
                .map(one -> one == null ? OptionalLong.empty() : one);
        return Combinators.combine(
                        Arbitraries.longs().between(1, 5),
                        Arbitraries.doubles().between(40, 200),
                        Arbitraries.doubles().between(40, 200),
                        days,
                        days,
                        Arbitraries.of(true, false))
                .as((passage, target, ceiling, left, since, decided) -> new Candidate(
                        0,
                        passage,
                        Tempo.of(target),
                        Tempo.of(ceiling),
                        true,
                        owed(
                                target,
                                ceiling,
                                left.isPresent() ? left.getAsLong() : null,
                                since.isPresent() ? since.getAsLong() : null),
                        left,
                        since,
                        since,
                        decided,
                        InstrumentFamily.MALLET))
                .list()
                .ofMinSize(1)
                .ofMaxSize(12)
                .map(some -> java.util.stream.IntStream.range(0, some.size())
                        .mapToObj(i -> new Candidate(
                                i,
                                some.get(i).passage(),
                                some.get(i).target(),
                                some.get(i).ceiling(),
                                true,
                                some.get(i).owed(),
                                some.get(i).daysLeft(),
                                some.get(i).daysSince(),
                                some.get(i).daysSinceMain(),
                                some.get(i).decided(),
                                InstrumentFamily.MALLET))
                        .toList());
    }
}
