package tachylim.season;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.DayOfWeek;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.NavigableMap;
import java.util.OptionalLong;
import java.util.Set;
import java.util.TreeMap;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import net.jqwik.api.constraints.IntRange;
import net.jqwik.api.constraints.Size;
import org.junit.jupiter.api.Test;
import tachylim.ceiling.Forecast;
import tachylim.ceiling.Moments;
import tachylim.load.Cap;
import tachylim.load.Effort;
import tachylim.load.Guardrails;
import tachylim.load.History;
import tachylim.load.Limit;
import tachylim.load.Ordered;
import tachylim.load.SymptomHistory;
import tachylim.tempo.Tempo;
import tachylim.words.Reason;

class SeasonTest {

    /** A Monday. */
    private static final LocalDate TODAY = LocalDate.of(2026, 5, 4);

    private static final Instant NOW = Instant.parse("2026-05-04T10:00:00Z");
    private static final Season.Wishes EVERY_DAY = new Season.Wishes(40, Set.of(), Map.of());

    /** A passage at 100 BPM whose ceiling is known to 3%, and that gains so much a day of practice. */
    private static Goal goal(long id, double target, LocalDate date, double rate) {
        return goal(id, target, date, rate, Importance.USUAL, true);
    }

    private static Goal goal(long id, double target, LocalDate date, double rate, Importance matters, boolean known) {
        return new Goal(
                id,
                Tempo.of(target),
                Tempo.of(100),
                date,
                new Growth(new Moments(Math.log(100), 0.0009), new Moments(rate, 1e-6), 0.0015, known),
                matters,
                OptionalLong.of(1));
    }

    private static Goal unplayed(long id, double target, LocalDate date) {
        return goal(id, target, date, 0.003, Importance.USUAL, false);
    }

    private static Guardrails rails(NavigableMap<LocalDate, Effort> played, List<LocalDate> performances) {
        return new Guardrails(
                40, SymptomHistory.NONE, new History(TODAY, played, Map.of(), new Effort(40)), performances, List.of());
    }

    private static NavigableMap<LocalDate, Effort> steady(double effort) {
        NavigableMap<LocalDate, Effort> played = new TreeMap<>();
        for (int ago = 60; ago > 0; ago--) {
            played.put(TODAY.minusDays(ago), new Effort(effort));
        }
        return played;
    }

    private static Season season(List<Goal> goals, Guardrails rails, Season.Wishes wishes) {
        return Season.plan(goals, rails, Effort.NONE, NOW, null, wishes);
    }

    @Test
    void aSteadyPlayerHasTheirOwnMinutesEachDayAndNoneOnADayOff() {
        Season season = season(
                List.of(goal(1, 120, null, 0.001)),
                rails(steady(40), List.of()),
                new Season.Wishes(40, Set.of(DayOfWeek.SUNDAY), Map.of()));
        assertThat(season.days()).hasSize(Season.LEAST_DAYS);
        assertThat(season.days().subList(0, 6))
                .allSatisfy(day -> assertThat(day.minutes()).isEqualTo(40));
        SeasonDay sunday = season.days().get(6);
        assertThat(sunday.off()).isTrue();
        assertThat(sunday.minutes()).isZero();
        assertThat(sunday.shares()).isEmpty();
    }

    @Test
    void theLastWeekBeforeAPerformanceTapers() {
        LocalDate date = TODAY.plusDays(20);
        Season season = season(List.of(goal(1, 120, date, 0.001)), rails(steady(40), List.of(date)), EVERY_DAY);
        assertThat(season.days().get(12).minutes()).isEqualTo(40);
        assertThat(season.days().get(20).rule()).isEqualTo(Cap.Rule.TAPER);
        assertThat(season.days().get(20).minutes()).isEqualTo(16);
        assertThat(season.days().subList(13, 21).stream().map(SeasonDay::minutes))
                .isSortedAccordingTo((a, b) -> b - a);
        assertThat(season.days().get(21).minutes()).isGreaterThan(16);
    }

    @Test
    void afterALayoffTheDaysComeBackStepByStep() {
        NavigableMap<LocalDate, Effort> played = new TreeMap<>();
        for (int ago = 60; ago > 12; ago--) {
            played.put(TODAY.minusDays(ago), new Effort(40));
        }
        Season season = season(List.of(goal(1, 120, null, 0.001)), rails(played, List.of()), EVERY_DAY);
        assertThat(season.days().get(0).rule()).isEqualTo(Cap.Rule.RETURN);
        assertThat(season.days().get(0).minutes()).isEqualTo(16);
        assertThat(season.days().get(5).minutes()).isBetween(24, 29);
        assertThat(season.days().get(11).minutes()).isBetween(37, 40);
    }

    @Test
    void theRestAfterASymptomHasNothingAndThenAReturn() {
        Instant reported = NOW.minusSeconds(3_600);
        Guardrails resting = new Guardrails(
                40,
                new SymptomHistory(reported, null, false),
                new History(TODAY, steady(40), Map.of(), new Effort(40)),
                List.of(),
                List.of());
        Season season = Season.plan(
                List.of(goal(1, 120, null, 0.001)), resting, Effort.NONE, NOW, TODAY.plusDays(2), EVERY_DAY);
        assertThat(season.days().get(0).minutes()).isZero();
        assertThat(season.days().get(1).minutes()).isZero();
        assertThat(season.days().get(1).rule()).isEqualTo(Cap.Rule.SYMPTOM);
        assertThat(season.days().get(2).rule()).isEqualTo(Cap.Rule.RETURN);
        assertThat(season.days().get(2).minutes()).isEqualTo(16);
    }

    @Test
    void minutesGoWhereTheyAreWorthMost() {
        LocalDate date = TODAY.plusDays(35);
        Season season = season(
                List.of(
                        goal(1, 180, date, 0.003),
                        goal(2, 106, date, 0.003),
                        goal(3, 106, null, 0.003),
                        goal(4, 90, null, 0.003)),
                rails(steady(15), List.of()),
                new Season.Wishes(15, Set.of(), Map.of()));
        int until = 36;
        assertThat(minutesUntil(season, 2, until)).isGreaterThan(minutesUntil(season, 1, until));
        assertThat(minutesUntil(season, 2, until)).isGreaterThan(minutesUntil(season, 3, until));
        assertThat(minutesUntil(season, 3, until)).isGreaterThan(minutesUntil(season, 4, until));
        assertThat(season.outlooks().get(1).chance().orElseThrow()).isGreaterThan(0.5);
    }

    private static int minutesUntil(Season season, long goal, int days) {
        return season.days().subList(0, days).stream()
                .mapToInt(day -> day.of(goal))
                .sum();
    }

    @Test
    void whatMattersMoreHasMore() {
        LocalDate date = TODAY.plusDays(35);
        for (boolean first : new boolean[] {true, false}) {
            Season season = season(
                    List.of(
                            goal(1, 112, date, 0.003, first ? Importance.MOST : Importance.LESS, true),
                            goal(2, 112, date, 0.003, first ? Importance.LESS : Importance.MOST, true)),
                    rails(steady(12), List.of()),
                    new Season.Wishes(12, Set.of(), Map.of()));
            assertThat(minutesUntil(season, first ? 1 : 2, 36))
                    .isGreaterThan(2 * minutesUntil(season, first ? 2 : 1, 36));
        }
    }

    @Test
    void whatIsReadyIsTakenUpOnceAWeekInPortionsWorthSittingDownFor() {
        Season season = season(
                List.of(goal(1, 130, TODAY.plusDays(27), 0.003), goal(2, 80, null, 0.003)),
                rails(steady(20), List.of()),
                new Season.Wishes(20, Set.of(), Map.of()));
        long days = season.days().subList(0, 28).stream()
                .filter(day -> day.of(2) > 0)
                .count();
        assertThat(days).isBetween(3L, 8L);
        assertThat(season.days())
                .allSatisfy(day -> assertThat(day.shares())
                        .allSatisfy(share -> assertThat(share.minutes()).isGreaterThanOrEqualTo(4)));
        assertThat(season.outlooks().get(1).everyDays()).isBetween(3.0, 9.0);
        assertThat(season.outlooks().get(1).sitting()).isGreaterThanOrEqualTo(4);
    }

    @Test
    void whatLayIsOwedMore() {
        Goal lay = new Goal(
                2,
                Tempo.of(110),
                Tempo.of(100),
                null,
                goal(2, 110, null, 0.003).growth(),
                Importance.USUAL,
                OptionalLong.of(6));
        Season season = season(List.of(goal(1, 110, null, 0.003), lay), rails(steady(40), List.of()), EVERY_DAY);
        assertThat(season.owed().get(2L)).isGreaterThan(3 * season.owed().get(1L));
        assertThat(season.days().get(0).shares().get(0).goal()).isEqualTo(2);
    }

    @Test
    void whatCannotBeReadyIsOfferedATempoAndADate() {
        LocalDate date = TODAY.plusDays(21);
        List<Goal> goals = List.of(goal(1, 118, date, 0.003), goal(2, 104, date, 0.003));
        Season season = season(goals, rails(steady(40), List.of()), EVERY_DAY);
        Outlook.Offer offer = season.outlooks().get(0).offer().orElseThrow();
        assertThat(season.outlooks().get(1).offer()).isEmpty();
        assertThat(offer.tempo().orElseThrow()).isBetween(Tempo.of(101), Tempo.of(108));
        assertThat(offer.date().orElseThrow()).isAfter(date.plusDays(21));
        // What is offered is likely when it is taken.
        for (Goal taken : List.of(
                goal(1, offer.tempo().orElseThrow().bpm(), date, 0.003),
                goal(1, 118, offer.date().orElseThrow(), 0.003))) {
            Outlook then = season(List.of(taken, goals.get(1)), rails(steady(40), List.of()), EVERY_DAY)
                    .outlooks()
                    .get(0);
            assertThat(then.chance().orElseThrow()).isGreaterThan(0.6);
            assertThat(then.offer()).isEmpty();
        }
    }

    @Test
    void leapDaysAndTheEndsOfYearsAreDaysLikeOthers() {
        LocalDate before = LocalDate.of(2027, 12, 20);
        Guardrails rails = new Guardrails(
                30,
                SymptomHistory.NONE,
                History.none(before, new Effort(30)),
                List.of(LocalDate.of(2028, 3, 1)),
                List.of());
        Season season = Season.plan(
                List.of(unplayed(1, 120, LocalDate.of(2028, 3, 1))),
                rails,
                Effort.NONE,
                Instant.parse("2027-12-20T10:00:00Z"),
                null,
                new Season.Wishes(30, Set.of(), Map.of()));
        assertThat(season.days())
                .extracting(SeasonDay::day)
                .doesNotHaveDuplicates()
                .contains(LocalDate.of(2028, 2, 29));
        assertThat(season.days().get(season.days().size() - 1).day()).isEqualTo(LocalDate.of(2028, 3, 8));
    }

    @Test
    void whatADayIsAskedForHoldsAsFarAsItsCapAllows() {
        Season.Wishes wishes = new Season.Wishes(
                40, Set.of(), Map.of(TODAY.plusDays(1), 0, TODAY.plusDays(2), 25, TODAY.plusDays(3), 300));
        Season season = season(List.of(goal(1, 120, null, 0.001)), rails(steady(40), List.of()), wishes);
        assertThat(season.days().get(1).off()).isTrue();
        assertThat(season.days().get(1).minutes()).isZero();
        assertThat(season.days().get(2).minutes()).isEqualTo(25);
        assertThat(season.days().get(3).minutes()).isEqualTo(40);
        assertThat(season.days().get(3).why()).isEqualTo(Reason.of("cap.own", "minutes", 40));
    }

    @Test
    void aWeeksMinutesAreSpreadOverItsDaysOfPractice() {
        // Fourteen a day for three weeks: by the rules a first day might take more than half of the next week.
        Season season = season(
                List.of(goal(1, 120, null, 0.001)),
                rails(steady(14), List.of()),
                new Season.Wishes(40, Set.of(DayOfWeek.SUNDAY), Map.of()));
        assertThat(season.days().subList(0, 6))
                .allSatisfy(day -> assertThat(day.minutes()).isBetween(12, 18));
        assertThat(season.days().get(0).cap()).isGreaterThan(new Effort(20));
    }

    @Test
    void whatWasDoneTodayIsNotPlannedAgain() {
        Season season = Season.plan(
                List.of(goal(1, 120, null, 0.001)), rails(steady(40), List.of()), new Effort(30), NOW, null, EVERY_DAY);
        assertThat(season.days().get(0).minutes()).isEqualTo(10);
    }

    @Test
    void aLimitThatSomebodyGaveHoldsOnEveryDay() {
        Guardrails ordered = new Guardrails(
                40,
                SymptomHistory.NONE,
                new History(TODAY, steady(40), Map.of(), new Effort(40)),
                List.of(),
                List.of(new Ordered(Limit.Kind.EFFORT, 12, "Dr Halm")));
        Season season = season(List.of(goal(1, 120, null, 0.001)), ordered, EVERY_DAY);
        assertThat(season.days()).allSatisfy(day -> assertThat(day.minutes()).isLessThanOrEqualTo(12));
        assertThat(season.days().get(3).why()).isEqualTo(Reason.of("cap.ordered", "by", "Dr Halm"));
    }

    @Test
    void itIsSaidPlainlyWhatWillNotBeReadyAndWhatItWouldTake() {
        LocalDate date = TODAY.plusDays(35);
        Season season = season(
                List.of(goal(1, 102, date, 0.003), goal(2, 180, date, 0.003), unplayed(3, 120, date)),
                rails(steady(40), List.of()),
                EVERY_DAY);
        assertThat(season.outlooks().get(0).sentence().toString())
                .contains("outlook.onCourse", "percent=", "days=35", "rhythm.every");
        Outlook far = season.outlooks().get(1);
        assertThat(far.prospect()).contains(Forecast.Prospect.UNLIKELY);
        assertThat(far.wants()).isEmpty();
        assertThat(far.sentence().toString()).contains("outlook.unlikely", "days=35", "outlook.noMinutes");
        assertThat(season.outlooks().get(2).sentence().toString()).contains("outlook.tooNew");
        assertThat(season.outlooks().get(2).chance()).isEmpty();
        Outlook behind = season(
                        List.of(goal(1, 105, date, 0.003), goal(2, 105, date, 0.003), goal(3, 105, date, 0.003)),
                        rails(steady(8), List.of()),
                        new Season.Wishes(8, Set.of(), Map.of()))
                .outlooks()
                .stream()
                .filter(one -> one.prospect().orElseThrow() != Forecast.Prospect.ON_COURSE)
                .findFirst()
                .orElseThrow();
        assertThat(behind.wants().orElseThrow()).isBetween(1.0, 8.0);
        assertThat(behind.sentence().toString()).contains("outlook.wants");
    }

    @Test
    void moreMinutesADayMakeAChanceNoSmaller() {
        LocalDate date = TODAY.plusDays(35);
        double little = season(
                        List.of(goal(1, 108, date, 0.003)),
                        rails(steady(40), List.of()),
                        new Season.Wishes(5, Set.of(), Map.of()))
                .outlooks()
                .get(0)
                .chance()
                .orElseThrow();
        double much = season(List.of(goal(1, 108, date, 0.003)), rails(steady(40), List.of()), EVERY_DAY)
                .outlooks()
                .get(0)
                .chance()
                .orElseThrow();
        assertThat(much).isGreaterThan(little + 0.1);
    }

    @Property(tries = 200)
    void noDayPassesItsCapAndEveryMinuteIsSomebodys(
            @ForAll @Size(min = 0, max = 60) List<@DoubleRange(min = 0, max = 90) Double> past,
            @ForAll @IntRange(min = 5, max = 120) int usual,
            @ForAll @IntRange(min = 0, max = 60) int date,
            @ForAll @DoubleRange(min = 0, max = 50) double done) {
        NavigableMap<LocalDate, Effort> played = new TreeMap<>();
        for (int i = 0; i < past.size(); i++) {
            if (past.get(i) > 1) {
                played.put(TODAY.minusDays(i + 1), new Effort(past.get(i)));
            }
        }
        LocalDate needed = TODAY.plusDays(date);
        Guardrails rails = new Guardrails(
                usual,
                SymptomHistory.NONE,
                new History(TODAY, played, Map.of(), new Effort(usual)),
                List.of(needed),
                List.of());
        Season season = Season.plan(
                List.of(goal(1, 140, needed, 0.001), goal(2, 120, null, 0.001), unplayed(3, 110, needed)),
                rails,
                new Effort(done),
                NOW,
                null,
                new Season.Wishes(usual, Set.of(DayOfWeek.SUNDAY), Map.of(TODAY.plusDays(2), 600)));
        for (SeasonDay day : season.days()) {
            double before = day.day().equals(TODAY) ? done : 0;
            assertThat(day.minutes()).isNotNegative();
            assertThat(day.minutes() + (day.minutes() > 0 ? before : 0))
                    .isLessThanOrEqualTo((int) Math.ceil(day.cap().minutes()));
            assertThat(day.shares().size()).isLessThanOrEqualTo(DaysSections.MOST);
            if (day.minutes() >= 4) {
                assertThat(day.shares().stream()
                                .mapToInt(SeasonDay.Share::minutes)
                                .sum())
                        .isEqualTo(day.minutes());
            }
            assertThat(day.shares())
                    .allSatisfy(share -> assertThat(share.minutes()).isPositive());
        }
        // By the same rule, asked of the plan: no week grows by more than it may.
        History history = rails.history();
        Guardrails then = rails;
        for (SeasonDay day : season.days()) {
            double before = day.day().equals(TODAY) ? done : 0;
            double most = then.caps(NOW).get(0).effort().minutes();
            assertThat((double) day.minutes()).isLessThanOrEqualTo(Math.max(0, most - before) + 1e-9);
            history = history.after(new Effort(before + day.minutes()));
            then = new Guardrails(usual, SymptomHistory.NONE, history, List.of(needed), List.of());
        }
    }
}
