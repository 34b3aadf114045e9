package tachylim.load;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.ZoneOffset;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.NavigableMap;
import java.util.Optional;
import java.util.TreeMap;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import tachylim.task.Tension;
import tachylim.words.Reason;

/** Where each limit begins and ends, and what is said of it. */
class LimitsOfADayTest {

    private static final LocalDate TODAY = LocalDate.of(2026, 5, 4);
    private static final Instant NOW = Instant.parse("2026-05-04T10:00:00Z");

    /** So much on each of the days from some days ago to yesterday. */
    private static NavigableMap<LocalDate, Effort> daily(int days, double effort) {
        NavigableMap<LocalDate, Effort> played = new TreeMap<>();
        for (int ago = days; ago >= 1; ago--) {
            played.put(TODAY.minusDays(ago), new Effort(effort));
        }
        return played;
    }

    private static History history(NavigableMap<LocalDate, Effort> days) {
        return new History(TODAY, days, Map.of(), new Effort(40));
    }

    private static Guardrails rails(History history, SymptomHistory symptoms, Ordered... given) {
        return new Guardrails(60, symptoms, history, List.of(), List.of(given));
    }

    private static Limit bursts(Guardrails rails, DayLoad day) {
        return rails.today(day, NOW).stream()
                .filter(limit -> limit.kind() == Limit.Kind.BURST_SECONDS)
                .findFirst()
                .orElseThrow();
    }

    // What is told late

    private static Guardrails told(History known, History told) {
        return new Guardrails(
                60, SymptomHistory.NONE, known, List.of(), List.of(), Optional.of(told), Optional.empty());
    }

    private static double effort(Guardrails rails) {
        return rails.caps(NOW).get(0).effort().minutes();
    }

    /** Who tells on the first day back that they were away for two weeks comes back as from any absence. */
    @Test
    void anAbsenceThatIsToldTodayIsHeededToday() {
        NavigableMap<LocalDate, Effort> before = new TreeMap<>();
        for (int ago = 40; ago >= 15; ago--) {
            before.put(TODAY.minusDays(ago), new Effort(40));
        }
        Guardrails unknown = rails(History.none(TODAY, new Effort(60)), SymptomHistory.NONE);
        Guardrails late = told(unknown.history(), history(before));
        assertThat(effort(unknown)).isEqualTo(60);
        assertThat(late.back()).isPresent();
        assertThat(effort(late)).isEqualTo(effort(rails(history(before), SymptomHistory.NONE)));
        assertThat(effort(late)).isLessThan(25);
        assertThat(bursts(late, DayLoad.NONE).cap()).isZero();
    }

    /** Nothing that is told of days gone by raises today, and from tomorrow it counts as if it had been known. */
    @Property(tries = 60)
    void whatIsToldLateOnlyLowersTodayAndCountsTomorrow(
            @ForAll @IntRange(min = 0, max = 60) int known,
            @ForAll @IntRange(min = 0, max = 60) int told,
            @ForAll @IntRange(min = 5, max = 90) int effort) {
        History before = history(daily(known, 30));
        History after = history(daily(told, effort));
        Guardrails now = told(before, after);
        Guardrails asKnown = rails(before, SymptomHistory.NONE);
        assertThat(effort(now)).isLessThanOrEqualTo(effort(asKnown));
        assertThat(bursts(now, DayLoad.NONE).cap())
                .isLessThanOrEqualTo(bursts(asKnown, DayLoad.NONE).cap());
        assertThat(effort(now)).isLessThanOrEqualTo(effort(rails(after, SymptomHistory.NONE)));
        assertThat(effort(now.after(Effort.NONE, null)))
                .isEqualTo(effort(rails(after, SymptomHistory.NONE).after(Effort.NONE, null)));
    }

    // Playing elsewhere

    @Test
    void whatWasPlayedElsewhereCostsByItsKind() {
        assertThat(AwayPractice.PERFORMANCE.effort(10).minutes()).isCloseTo(18, within(1e-9));
        assertThat(AwayPractice.TEACHING.effort(1)).isEqualTo(new Effort(0.5));
        assertThat(AwayPractice.LESSON.effort(AwayPractice.MOST_MINUTES).minutes())
                .isCloseTo(720, within(1e-9));
    }

    @ParameterizedTest
    @CsvSource({"0", "-1", "601"})
    void noMinutesAndMoreThanADayHoldsAreRefused(int minutes) {
        assertThatThrownBy(() -> AwayPractice.REHEARSAL.effort(minutes))
                .hasMessageContaining("refusal.elsewhere.give1ToMinutesNot");
    }

    // Limits and what they are counted in

    @Test
    void aLimitKnowsItsShareAndWhatIsLeft() {
        assertThat(new Limit(Limit.Kind.EFFORT, 40, 30, Reason.NONE).left()).isEqualTo(10);
        assertThat(new Limit(Limit.Kind.EFFORT, 40, 50, Reason.NONE).left()).isZero();
        assertThat(new Limit(Limit.Kind.EFFORT, 40, 30, Reason.NONE).share()).isEqualTo(0.75);
        assertThat(new Limit(Limit.Kind.EFFORT, 0, 0, Reason.NONE).share()).isEqualTo(1);
    }

    @Test
    void onlyBurstsAreCountedInSeconds() {
        assertThat(Limit.Kind.BURST_SECONDS.isInSeconds()).isTrue();
        assertThat(Limit.Kind.EFFORT.isInSeconds()).isFalse();
        assertThat(Limit.Kind.PLAYING_MINUTES.unit().code()).isEqualTo("refusal.unit.playing");
    }

    @Test
    void aDayThatIsUsedUpIsSaidWhereverSomethingMayBePlayed() {
        Guardrails rails = rails(History.none(TODAY, new Effort(60)), SymptomHistory.NONE);
        assertThat(rails.caution(DayLoad.NONE, NOW)).isEmpty();
        assertThat(rails.caution(new DayLoad(new Effort(59), 0, 0, Tension.LOOSE), NOW))
                .isEmpty();
        assertThat(rails.caution(new DayLoad(new Effort(60), 0, 0, Tension.LOOSE), NOW))
                .contains(
                        Reason.of("refusal.usedUp", "unit", Reason.of("refusal.unit.effort"), "used", 60L, "cap", 60L));
        assertThat(rails.caution(new DayLoad(new Effort(0), 0, 75 * 60, Tension.LOOSE), NOW))
                .contains(Reason.of(
                        "refusal.usedUp", "unit", Reason.of("refusal.unit.playing"), "used", 75L, "cap", 75L));
        assertThat(rails.caution(new DayLoad(new Effort(0), 500, 0, Tension.LOOSE), NOW))
                .as("bursts that are used up leave room for all else")
                .isEmpty();
    }

    // Bursts

    @Test
    void burstsAreClosedForTheReasonThatIsSaid() {
        History fresh = History.none(TODAY, new Effort(60));
        assertThat(bursts(rails(fresh, SymptomHistory.NONE), DayLoad.NONE).cap())
                .isEqualTo(90);
        assertThat(bursts(rails(fresh, SymptomHistory.NONE), new DayLoad(new Effort(0), 0, 0, Tension.LOCKED)))
                .isEqualTo(new Limit(Limit.Kind.BURST_SECONDS, 0, 0, Reason.of("bursts.locked")));
        Limit twice = bursts(rails(fresh, new SymptomHistory(null, null, true)), DayLoad.NONE);
        assertThat(twice.cap()).isZero();
        assertThat(twice.why()).isEqualTo(Reason.of("bursts.twoSymptoms", "days", 14));
    }

    @ParameterizedTest
    @CsvSource({"1, 94.5", "4, 108", "20, 180", "25, 180"})
    void eachDayThatWasTakenWellAddsATwentiethUpToDouble(int days, double cap) {
        Map<LocalDate, Double> well = new HashMap<>();
        for (int ago = 1; ago <= days; ago++) {
            well.put(TODAY.minusDays(ago), Guardrails.BURST_SECONDS);
        }
        Guardrails rails = rails(new History(TODAY, new TreeMap<>(), well, new Effort(60)), SymptomHistory.NONE);
        assertThat(bursts(rails, DayLoad.NONE).cap()).isCloseTo(cap, within(1e-9));
    }

    /** Today itself, days of more than four weeks ago, and days that used little of their seconds say nothing. */
    @ParameterizedTest
    @CsvSource({"0, 90, 90", "28, 90, 94.5", "29, 90, 90", "1, 59, 90", "1, 60, 94.5"})
    void onlyDaysOfTheLastFourWeeksThatUsedEnoughCount(int ago, double seconds, double cap) {
        Guardrails rails = rails(
                new History(TODAY, new TreeMap<>(), Map.of(TODAY.minusDays(ago), seconds), new Effort(60)),
                SymptomHistory.NONE);
        assertThat(bursts(rails, DayLoad.NONE).cap()).isCloseTo(cap, within(1e-9));
    }

    @Test
    void aLimitThatSomebodyGaveHoldsOnlyWhereItIsStricter() {
        Ordered few = new Ordered(Limit.Kind.BURST_SECONDS, 20, "Dr Aveline Orsk");
        Ordered many = new Ordered(Limit.Kind.BURST_SECONDS, 200, "Dr Aveline Orsk");
        Ordered same = new Ordered(Limit.Kind.BURST_SECONDS, 90, "Dr Aveline Orsk");
        History fresh = History.none(TODAY, new Effort(60));
        assertThat(bursts(rails(fresh, SymptomHistory.NONE, many, few), DayLoad.NONE)
                        .cap())
                .isEqualTo(20);
        assertThat(bursts(rails(fresh, SymptomHistory.NONE, many), DayLoad.NONE).cap())
                .isEqualTo(90);
        assertThat(bursts(rails(fresh, SymptomHistory.NONE, same), DayLoad.NONE)
                        .why()
                        .code())
                .isEqualTo("bursts.first");
        Ordered playing = new Ordered(Limit.Kind.PLAYING_MINUTES, 75, "Dr Aveline Orsk");
        assertThat(rails(fresh, SymptomHistory.NONE, playing).today(DayLoad.NONE, NOW))
                .filteredOn(limit -> limit.kind() == Limit.Kind.PLAYING_MINUTES)
                .singleElement()
                .satisfies(limit ->
                        assertThat(limit.why()).isEqualTo(Reason.of("cap.playing", "percent", 25, "minutes", 60)));
    }

    // Coming back

    @Test
    void aReturnSaysItsDayItsShareAndWhy() {
        Return third = new Return(2, 5, 5, new Effort(40));
        assertThat(third.share()).isCloseTo(0.7, within(1e-9));
        assertThat(third.cap().minutes()).isCloseTo(28, within(1e-9));
        assertThat(third.why())
                .isEqualTo(Reason.of("cap.return", "day", 3, "length", 5, "away", 5, "percent", 70, "usual", 40));
        assertThat(new Return(0, 3, 0, new Effort(40)).why())
                .isEqualTo(Reason.of("cap.return", "day", 1, "length", 3, "away", 0, "percent", 40, "usual", 40));
    }

    @ParameterizedTest
    @CsvSource({"3, 1", "4, 2", "5, 2", "6, 2", "7, 3", "21, 7"})
    void theFirstThirdHasNoBursts(int length, int without) {
        for (int day = 0; day < length; day++) {
            assertThat(new Return(day, length, length, new Effort(40)).isTooEarlyForBursts())
                    .isEqualTo(day < without);
        }
    }

    @ParameterizedTest
    @CsvSource({"-1, 3", "3, 3", "0, 2", "0, 22"})
    void aDayThatIsNoneOfAReturnIsRefused(int day, int length) {
        assertThatThrownBy(() -> new Return(day, length, 3, new Effort(40)))
                .hasMessageContaining("of a return of " + length);
    }

    /** Weeks before a layoff are compared with nothing for four weeks after it. */
    @ParameterizedTest
    @CsvSource({"27, true", "28, false"})
    void aWeekIsComparedAgainFourWeeksAfterALayoff(int back, boolean near) {
        NavigableMap<LocalDate, Effort> played = daily(back, 40);
        for (int ago = back + 20; ago < back + 40; ago++) {
            played.put(TODAY.minusDays(ago), new Effort(40));
        }
        assertThat(Return.isNear(history(played))).isEqualTo(near);
        assertThat(rails(history(played), SymptomHistory.NONE).mostOfAWeek().isEmpty())
                .isEqualTo(near);
    }

    @Test
    void aWeekMayGrowByFifteenPercentOfTheThreeBefore() {
        assertThat(rails(history(daily(30, 10)), SymptomHistory.NONE).mostOfAWeek())
                .contains(new Effort(80.5));
        assertThat(rails(history(daily(28, 10)), SymptomHistory.NONE).mostOfAWeek())
                .contains(new Effort(80.5));
        assertThat(rails(history(daily(27, 10)), SymptomHistory.NONE).mostOfAWeek())
                .isEmpty();
    }

    // Days ahead

    @Test
    void theDayAfterKnowsWhatTodayCameTo() {
        Guardrails today = rails(History.none(TODAY, new Effort(60)), new SymptomHistory(NOW, null, false));
        Guardrails next = today.after(new Effort(25), TODAY.plusDays(2));
        assertThat(next.history().today()).isEqualTo(TODAY.plusDays(1));
        assertThat(next.history().played()).containsExactly(Map.entry(TODAY, new Effort(25)));
        assertThat(next.symptoms().restOver()).as("not over yet").isNull();
        Guardrails later = next.after(Effort.NONE, TODAY.plusDays(2));
        assertThat(later.history().played()).as("a day without playing is none").hasSize(1);
        assertThat(later.symptoms().restOver()).isEqualTo(TODAY.plusDays(2));
        assertThat(today.after(Effort.NONE, null).symptoms().restOver()).isNull();
    }

    // Before something is needed

    @ParameterizedTest
    @ValueSource(ints = {0, 1, 2, 7})
    void aTaperIsOfTheNearestPerformance(int daysLeft) {
        assertThat(Taper.before(List.of(TODAY.plusDays(8), TODAY.plusDays(daysLeft)), TODAY))
                .contains(new Taper(daysLeft));
    }

    @Test
    void nothingTapersEarlierOrAfterwards() {
        assertThat(Taper.before(List.of(TODAY.plusDays(8), TODAY.minusDays(1)), TODAY))
                .isEqualTo(Optional.empty());
    }

    @Test
    void aTaperIsOfAUsualDayAndNotOfTheMinutesAlone() {
        Guardrails rails =
                new Guardrails(60, SymptomHistory.NONE, history(daily(6, 20)), List.of(TODAY.plusDays(7)), List.of());
        assertThat(rails.caps(NOW))
                .filteredOn(cap -> cap.rule() == Cap.Rule.TAPER)
                .singleElement()
                .isEqualTo(new Cap(
                        Cap.Rule.TAPER,
                        new Effort(20),
                        Reason.of("cap.taper", "days", 7, "percent", 100, "usual", 20)));
    }

    // Minutes of a day

    /** Minutes of playing and effort minutes meet only here: a loose minute at 60% of the ceiling is one of each. */
    @Test
    void aMinuteThatIsPlannedCostsWhatALooseOneAtSixtyPercentDoes() {
        assertThat(Effort.planned(25).minutes())
                .isCloseTo(Effort.of(25 * 60, 0.6, Tension.LOOSE).minutes(), within(1e-9));
    }

    @ParameterizedTest
    @CsvSource({"5", "600"})
    void theLeastAndTheMostMinutesAreTaken(int minutes) {
        assertThat(DailyMinutes.of(minutes, TODAY).on(TODAY)).isEqualTo(minutes);
    }

    @Test
    void theSameMinutesAgainHoldAtOnce() {
        DailyMinutes given = DailyMinutes.of(30, TODAY);
        assertThat(given.asked(30, TODAY.plusDays(3)).tomorrow(TODAY.plusDays(3)))
                .isNull();
        assertThat(given.asked(31, TODAY.plusDays(3)).tomorrow(TODAY.plusDays(3)))
                .isEqualTo(31);
    }

    // Recovery, caution and rest

    @Test
    void slowPlayingBringsTheRecoveryBackMoreSlowlyThanRest() {
        double rest = Recovery.beforeSlowPlaying(0.8, 0, 30);
        double slow = Recovery.beforeSlowPlaying(0.8, 0.5, 30);
        assertThat(rest).isLessThan(slow);
        assertThat(slow).isLessThan(0.8);
        assertThat(Recovery.beforeSlowPlaying(0.8, 1, 30)).isLessThan(0.8);
        assertThat(Recovery.beforeSlowPlaying(0.8, 1.01, 30))
                .as("above the comfortable tempo nothing comes back")
                .isEqualTo(0.8);
        assertThat(Recovery.beforeSlowPlaying(0.2, 0, 10_000)).isZero();
    }

    @Test
    void whoIsCautiousWantsMoreInHand() {
        assertThat(Caution.USUAL.burstFloor()).isEqualTo(0.5);
        assertThat(Caution.CAUTIOUS.burstFloor()).isEqualTo(0.7);
    }

    @Test
    void aSymptomSaysFromWhenToWhenNothingIsPlayed() {
        assertThat(SymptomRest.after(NOW).reason(ZoneOffset.UTC).values())
                .containsEntry("reported", LocalDateTime.ofInstant(NOW, ZoneOffset.UTC))
                .containsEntry(
                        "until", LocalDateTime.ofInstant(NOW, ZoneOffset.UTC).plusDays(2));
    }
}
