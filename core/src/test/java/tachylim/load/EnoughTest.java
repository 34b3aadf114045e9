package tachylim.load;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Instant;
import java.time.LocalDate;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.NavigableMap;
import java.util.Optional;
import java.util.SplittableRandom;
import java.util.TreeMap;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tachylim.task.Tension;
import tachylim.words.Reason;

/** How much is enough, day after day, by what was played before and what lies ahead. */
class EnoughTest {

    private static final LocalDate TODAY = LocalDate.of(2026, 5, 4);
    private static final Instant NOW = Instant.parse("2026-05-04T10:00:00Z");

    /** So much on each of the days from some days ago to some days ago. */
    private static void play(NavigableMap<LocalDate, Effort> days, int from, int to, double effort) {
        for (int ago = from; ago >= to; ago--) {
            days.put(TODAY.minusDays(ago), new Effort(effort));
        }
    }

    private static History history(NavigableMap<LocalDate, Effort> days) {
        return new History(TODAY, days, Map.of(), new Effort(40));
    }

    private static Guardrails rails(int minutes, History history) {
        return new Guardrails(minutes, SymptomHistory.NONE, history, List.of(), List.of());
    }

    private static Optional<Cap> cap(Guardrails rails, Cap.Rule rule) {
        return rails.caps(NOW).stream().filter(one -> one.rule() == rule).findFirst();
    }

    // Averages

    @Test
    void aSteadyPlayerMayPlayNearlyThreeTimesAsMuchOnOneDay() {
        assertThat(Baselines.of(new Effort(40)).mostToday().minutes()).isCloseTo(114.8, within(0.1));
        assertThat(Baselines.of(new Effort(40)).after(new Effort(40))).isEqualTo(Baselines.of(new Effort(40)));
    }

    @Test
    void theAveragesMoveByTheirWeights() {
        Baselines after = Baselines.of(new Effort(20)).after(new Effort(60));
        assertThat(after.week().minutes()).isEqualTo(30);
        assertThat(after.month().minutes()).isCloseTo(22.76, within(0.01));
    }

    @Property
    void theClosedFormIsWhatASearchFinds(
            @ForAll @DoubleRange(max = 120) double week, @ForAll @DoubleRange(min = 1, max = 120) double month) {
        Baselines before = new Baselines(new Effort(week), new Effort(month));
        double low = 0;
        double high = 10_000;
        for (int i = 0; i < 80; i++) {
            double middle = (low + high) / 2;
            Baselines after = before.after(new Effort(middle));
            if (after.week().minutes() <= Baselines.MOST_RATIO * after.month().minutes()) {
                low = middle;
            } else {
                high = middle;
            }
        }
        assertThat(before.mostToday().minutes()).isCloseTo(low, within(1e-6));
    }

    // Rules

    @Test
    void nothingBindsANewPlayerButTheirOwnMinutes() {
        List<Cap> caps = rails(30, History.none(TODAY, new Effort(30))).caps(NOW);
        assertThat(caps).extracting(Cap::rule).containsExactly(Cap.Rule.OWN);
        assertThat(caps.get(0).effort()).isEqualTo(new Effort(30));
    }

    @Test
    void aDayHasOneAndAHalfTimesAUsualOneAtTheMost() {
        NavigableMap<LocalDate, Effort> days = new TreeMap<>();
        play(days, 20, 1, 20);
        Cap usual = cap(rails(60, history(days)), Cap.Rule.USUAL_DAY).orElseThrow();
        assertThat(usual.effort()).isEqualTo(new Effort(30));
        assertThat(usual.why()).isEqualTo(Reason.of("cap.usualDay", "usual", 20));
        assertThat(rails(60, history(days)).today(DayLoad.NONE, NOW))
                .filteredOn(limit -> limit.kind() == Limit.Kind.EFFORT)
                .extracting(Limit::cap)
                .containsExactly(30.0);
    }

    @Test
    void aWeekGrowsByFifteenHundredths() {
        NavigableMap<LocalDate, Effort> days = new TreeMap<>();
        play(days, 40, 7, 20);
        play(days, 6, 1, 25);
        Cap week = cap(rails(60, history(days)), Cap.Rule.WEEK).orElseThrow();
        assertThat(week.effort().minutes()).isCloseTo(1.15 * 140 - 150, within(1e-9));
    }

    @Test
    void noAverageAllowsLessThanTheMinimumDose() {
        NavigableMap<LocalDate, Effort> days = new TreeMap<>();
        play(days, 60, 8, 4);
        play(days, 6, 1, 20);
        assertThat(cap(rails(60, history(days)), Cap.Rule.WEEK)
                        .orElseThrow()
                        .effort()
                        .minutes())
                .isEqualTo(8);
    }

    @Test
    void aPersonsLimitIsTheirsAndNeverGoneAbove() {
        Guardrails rails = new Guardrails(
                40,
                SymptomHistory.NONE,
                History.none(TODAY, new Effort(40)),
                List.of(),
                List.of(
                        new Ordered(Limit.Kind.EFFORT, 12, "Dr Pell"),
                        new Ordered(Limit.Kind.BURST_SECONDS, 0, "Dr Pell"),
                        new Ordered(Limit.Kind.PLAYING_MINUTES, 500, "my teacher")));
        assertThat(rails.today(DayLoad.NONE, NOW)).allSatisfy(limit -> {
            switch (limit.kind()) {
                case EFFORT -> assertThat(limit.cap()).isEqualTo(12);
                case BURST_SECONDS -> assertThat(limit.why()).isEqualTo(Reason.of("cap.ordered", "by", "Dr Pell"));
                case PLAYING_MINUTES -> assertThat(limit.cap()).isEqualTo(50);
            }
        });
    }

    // Coming back

    @ParameterizedTest
    @CsvSource({"7, 7", "10, 10", "30, 21", "60, 21"})
    void aReturnTakesAsLongAsOneWasAway(int away, int length) {
        NavigableMap<LocalDate, Effort> days = new TreeMap<>();
        play(days, away + 20, away + 1, 30);
        Return back = rails(60, history(days)).back().orElseThrow();
        assertThat(back).isEqualTo(new Return(0, length, away, new Effort(30)));
        assertThat(back.cap().minutes()).isCloseTo(12, within(1e-9));
        assertThat(back.isTooEarlyForBursts()).isTrue();
    }

    @Test
    void sixDaysAreNoLayoff() {
        NavigableMap<LocalDate, Effort> days = new TreeMap<>();
        play(days, 27, 7, 30);
        assertThat(rails(60, history(days)).back()).isEmpty();
    }

    @Test
    void aReturnEndsAtAllOfAUsualDayAndThenIsOver() {
        NavigableMap<LocalDate, Effort> days = new TreeMap<>();
        play(days, 40, 19, 30);
        play(days, 8, 1, 10);
        // Ten days away, and back for eight.
        Return back = rails(60, history(days)).back().orElseThrow();
        assertThat(back.day()).isEqualTo(8);
        assertThat(back.isTooEarlyForBursts()).isFalse();
        assertThat(new Return(9, 10, 10, new Effort(30)).cap()).isEqualTo(new Effort(30));
        play(days, 10, 9, 10);
        assertThat(rails(60, history(days)).back()).isEmpty();
    }

    @Test
    void afterASymptomADayOfAReturnFollowsTheRest() {
        NavigableMap<LocalDate, Effort> days = new TreeMap<>();
        play(days, 20, 3, 30);
        Guardrails rails = new Guardrails(
                60,
                new SymptomHistory(NOW.minus(SymptomRest.LENGTH), TODAY, false),
                history(days),
                List.of(),
                List.of());
        assertThat(rails.back()).contains(new Return(0, 3, 0, new Effort(30)));
    }

    @Test
    void weeksOfALayoffAreNothingToGrowFrom() {
        NavigableMap<LocalDate, Effort> days = new TreeMap<>();
        play(days, 60, 30, 30);
        play(days, 20, 1, 20);
        Guardrails rails = rails(60, history(days));
        assertThat(rails.back()).isEmpty();
        assertThat(cap(rails, Cap.Rule.WEEK)).isEmpty();
        assertThat(rails.caps(NOW).get(0).effort()).isEqualTo(new Effort(30));
    }

    /** Reading or walking before anything was played brings no break nearer. */
    @Test
    void whoIsRestedStaysSoUntilTheFirstNote() {
        Condition walked = Condition.FRESH.rested(180);
        assertThat(walked.sinceBreak()).isZero();
        assertThat(walked.played(Recovery.full(), 60).rested(30).sinceBreak()).isEqualTo(90);
        assertThat(walked.played(Recovery.full(), 60)
                        .rested(Guardrails.BREAK_SECONDS)
                        .sinceBreak())
                .isZero();
    }

    // Before a performance

    @ParameterizedTest
    @CsvSource({"8, 1, 90", "7, 1, 90", "3, 0.657, 90", "2, 0.571, 0", "0, 0.4, 0"})
    void theLastWeekHasLessAndItsEndNoBursts(int daysLeft, double share, double bursts) {
        Guardrails rails = new Guardrails(
                40,
                SymptomHistory.NONE,
                History.none(TODAY, new Effort(40)),
                List.of(TODAY.plusDays(daysLeft), TODAY.minusDays(1), TODAY.plusDays(30)),
                List.of());
        assertThat(rails.caps(NOW).get(0).effort().minutes()).isCloseTo(40 * share, within(0.05));
        assertThat(rails.today(DayLoad.NONE, NOW))
                .filteredOn(limit -> limit.kind() == Limit.Kind.BURST_SECONDS)
                .extracting(Limit::cap)
                .containsExactly(bursts);
    }

    // Bursts

    @Test
    void burstSecondsGrowWithWhatWasTakenWell() {
        Map<LocalDate, Double> bursts = Map.of(
                TODAY.minusDays(1),
                80.0,
                TODAY.minusDays(2),
                70.0,
                TODAY.minusDays(3),
                20.0,
                TODAY.minusDays(40),
                90.0);
        History history = new History(TODAY, new TreeMap<>(), bursts, new Effort(40));
        assertThat(rails(40, history).today(DayLoad.NONE, NOW)).anySatisfy(limit -> {
            assertThat(limit.kind()).isEqualTo(Limit.Kind.BURST_SECONDS);
            assertThat(limit.cap()).isCloseTo(99, within(1e-9));
        });
    }

    @Test
    void aSecondReportClosesBurstsUntilThereWasAdvice() {
        Guardrails rails = new Guardrails(
                40, new SymptomHistory(NOW, null, true), History.none(TODAY, new Effort(40)), List.of(), List.of());
        assertThat(rails.today(new DayLoad(new Effort(0), 0, 0, Tension.LOOSE), NOW))
                .filteredOn(limit -> limit.kind() == Limit.Kind.BURST_SECONDS)
                .extracting(Limit::cap)
                .containsExactly(0.0);
        assertThat(SymptomHistory.isAgain(NOW.minusSeconds(14 * 86_400), NOW)).isTrue();
        assertThat(SymptomHistory.isAgain(NOW.minusSeconds(3_600), NOW))
                .as("told twice")
                .isFalse();
        assertThat(SymptomHistory.isAgain(NOW.minusSeconds(15 * 86_400), NOW)).isFalse();
    }

    /**
     * Three hundred players, a hundred and twenty days: who wishes for a lot, forgets days, goes away for weeks, and has
     * dates. Nobody plays more than the least of the caps; the week grows by no more than its limit but for the minimum
     * dose, and every rule binds somebody.
     */
    @Test
    void weeksOfEveryKindStayWithinTheirLimits() {
        Map<Cap.Rule, Integer> bound = new EnumMap<>(Cap.Rule.class);
        for (int i = 0; i < 300; i++) {
            SplittableRandom random = new SplittableRandom(i);
            NavigableMap<LocalDate, Effort> played = new TreeMap<>();
            double habit = 0.4 + 0.8 * random.nextDouble();
            int minutes = 10 + random.nextInt(90);
            LocalDate away = TODAY.plusDays(random.nextInt(100));
            int awayFor = random.nextInt(30);
            List<LocalDate> dates = List.of(TODAY.plusDays(20 + random.nextInt(90)));
            for (int n = 0; n < 120; n++) {
                LocalDate day = TODAY.plusDays(n);
                boolean gone = !day.isBefore(away) && day.isBefore(away.plusDays(awayFor));
                if (gone || random.nextInt(6) == 0) {
                    continue;
                }
                History history = new History(day, played, Map.of(), new Effort(minutes));
                Guardrails rails = new Guardrails(minutes, SymptomHistory.NONE, history, dates, List.of());
                Cap least = rails.caps(NOW).get(0);
                Effort wish = new Effort(minutes * (habit + (random.nextInt(8) == 0 ? 1 : 0)));
                Effort effort = wish.orLess(least.effort());
                if (wish.isMoreThan(least.effort())) {
                    bound.merge(least.rule(), 1, Integer::sum);
                }
                if (effort.isAny()) {
                    played.put(day, effort);
                }
                if (cap(rails, Cap.Rule.WEEK).isPresent()) {
                    double before = history.sum(27, 7).minutes() / 3;
                    double since = history.sum(6, 1).plus(effort).minutes();
                    assertThat(since)
                            .isLessThanOrEqualTo(Math.max(
                                            Guardrails.MOST_GROWTH * before,
                                            history.sum(6, 1)
                                                    .plus(Guardrails.LEAST_EFFORT)
                                                    .minutes())
                                    + 1e-9);
                }
            }
        }
        assertThat(bound.keySet())
                .contains(
                        Cap.Rule.OWN,
                        Cap.Rule.AVERAGE,
                        Cap.Rule.USUAL_DAY,
                        Cap.Rule.WEEK,
                        Cap.Rule.RETURN,
                        Cap.Rule.TAPER);
    }
}
