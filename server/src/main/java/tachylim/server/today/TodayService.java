package tachylim.server.today;

import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalLong;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tachylim.ceiling.Estimate;
import tachylim.ceiling.TimeToMeasure;
import tachylim.method.School;
import tachylim.season.Candidate;
import tachylim.season.DayWord;
import tachylim.season.DaysSections;
import tachylim.season.DaysSections.Chosen;
import tachylim.season.Season;
import tachylim.server.account.AccountService;
import tachylim.server.account.AccountService.Habit;
import tachylim.server.account.SignedIn;
import tachylim.server.ceiling.Passes;
import tachylim.server.ceiling.StandingService;
import tachylim.server.load.LoadService;
import tachylim.server.load.Today;
import tachylim.server.repertoire.StoredPassage;
import tachylim.server.repertoire.StoredSection;
import tachylim.server.run.RunService;
import tachylim.server.run.StoredRun;
import tachylim.server.season.SeasonService;
import tachylim.server.sheet.ReadinessService;
import tachylim.server.today.TodayController.ChosenSection;
import tachylim.server.today.TodayController.TodayView;
import tachylim.server.workout.PlanService;
import tachylim.server.workout.PlanService.Worked;
import tachylim.shown.PlanWish;
import tachylim.tempo.Tempo;
import tachylim.words.Reason;
import tachylim.workout.Brief;
import tachylim.workout.Theme;

/** What to play today, and whether. */
@Service
class TodayService {

    private final AccountService accounts;
    private final PlanService plans;
    private final LoadService load;
    private final StandingService standings;
    private final RunService runs;
    private final Passes passes;
    private final ReadinessService readiness;
    private final SeasonService season;

    TodayService(
            AccountService accounts,
            PlanService plans,
            LoadService load,
            StandingService standings,
            RunService runs,
            Passes passes,
            ReadinessService readiness,
            SeasonService season) {
        this.accounts = accounts;
        this.plans = plans;
        this.load = load;
        this.standings = standings;
        this.runs = runs;
        this.passes = passes;
        this.readiness = readiness;
        this.season = season;
    }

    @Transactional
    TodayView view(SignedIn who, Integer minutes, boolean easy) {
        Today today = load.today(who);
        Long openRun = runs.open(who).map(StoredRun::id).orElse(null);
        Map<Long, Worked> all = plans.workedOn(who, today.day()).stream()
                .collect(Collectors.toMap(one -> one.section().id(), Function.identity()));
        if (all.isEmpty()) {
            return new TodayView(today.day(), null, today.dto(), Reason.NONE, List.of(), Reason.NONE, openRun);
        }
        Habit habit = accounts.habit(who);
        LocalDate since = today.lastPlayed() == null ? today.day() : today.lastPlayed();
        Season.Wishes wishes = season.wishes(who, since, today.day());
        Integer asked = wishes.asked().get(today.day());
        int usual = asked != null && asked >= Brief.LEAST_MINUTES
                ? Math.min(Brief.MOST_MINUTES, asked)
                : habit.usualMinutes();
        Map<Long, Double> owed = season.owed(
                who,
                today,
                wishes,
                all.values().stream().map(Worked::section).toList(),
                all.entrySet().stream()
                        .collect(Collectors.toMap(
                                Map.Entry::getKey, one -> one.getValue().standing())));
        List<Chosen> first = chosen(who, all, owed, minutes == null ? usual : minutes, easy, today);
        // A day's workout is on one instrument, and each has its own usual minutes.
        Habit on = accounts.habit(
                who, all.get(first.get(0).section().id()).section().passage().instrument());
        boolean others = asked == null && on.usualMinutes() != habit.usualMinutes();
        int usualOn = others ? on.usualMinutes() : usual;
        List<Chosen> chosen = others && minutes == null ? chosen(who, all, owed, usualOn, easy, today) : first;
        List<StoredSection> sections = chosen.stream()
                .map(one -> all.get(one.section().id()).section())
                .toList();
        PlanService.Ready ready = plans.ready(
                who,
                sections,
                easy ? School.EASY : null,
                today,
                school -> wish(school, sections, on, usualOn, minutes));
        return new TodayView(
                today.day(),
                ready.view(),
                today.dto(),
                word(today, easy, wishes),
                reasons(who, chosen, ready.themes(), all, today),
                measure(all.get(sections.get(0).id()), today),
                openRun);
    }

    private List<Chosen> chosen(
            SignedIn who, Map<Long, Worked> all, Map<Long, Double> owed, int minutes, boolean easy, Today today) {
        Map<Long, LocalDate> mainWork = passes.lastMainWork(who, all.keySet());
        Set<Long> decided = readiness.decided(
                who,
                all.values().stream()
                        .map(one -> one.section().passage().id())
                        .distinct()
                        .toList());
        return DaysSections.of(
                        all.values().stream()
                                .map(one -> candidate(
                                        one,
                                        owed.getOrDefault(
                                                one.section().passage().id(), 0.0),
                                        mainWork.get(one.section().id()),
                                        decided.contains(one.section().passage().id()),
                                        today.day()))
                                .toList(),
                        easy ? Brief.MINIMUM_DOSE : minutes,
                        today.allowance().effort())
                .chosen();
    }

    private static Candidate candidate(Worked one, double owed, LocalDate mainWork, boolean decided, LocalDate day) {
        StoredPassage passage = one.section().passage();
        Estimate estimate = one.standing().estimate();
        return new Candidate(
                one.section().id(),
                passage.id(),
                Tempo.of(passage.targetBpm()),
                estimate.ceiling().middle(),
                estimate.enoughEvidence(),
                owed,
                passage.neededOn() == null || passage.neededOn().isBefore(day)
                        ? OptionalLong.empty()
                        : OptionalLong.of(ChronoUnit.DAYS.between(day, passage.neededOn())),
                since(one.standing().lastPlayed(), day),
                since(mainWork, day),
                decided,
                passage.instrument());
    }

    private static OptionalLong since(LocalDate played, LocalDate day) {
        return played == null
                ? OptionalLong.empty()
                : OptionalLong.of(Math.max(0, ChronoUnit.DAYS.between(played, day)));
    }

    private static PlanWish wish(
            School school, List<StoredSection> sections, Habit habit, int usualToday, Integer minutes) {
        int usual = Brief.usualMinutes(usualToday, school);
        return PlanWish.usual(
                sections.stream().map(StoredSection::id).toList(),
                minutes == null || school == School.EASY ? usual : minutes,
                habit.choices(school));
    }

    private static Reason word(Today today, boolean easy, Season.Wishes wishes) {
        LocalDate last = today.lastPlayed();
        int offBefore = last == null
                ? 0
                : (int) last.plusDays(1)
                        .datesUntil(today.day())
                        .filter(wishes::isOff)
                        .count();
        return DayWord.of(
                        today.day(),
                        wishes.isOff(today.day()),
                        easy,
                        today.done().playedSeconds() > 0,
                        last,
                        offBefore)
                .sentence();
    }

    /** Why each section is there, and what has become of it. */
    private List<ChosenSection> reasons(
            SignedIn who, List<Chosen> chosen, List<Theme> themes, Map<Long, Worked> all, Today today) {
        Map<Long, Double> before =
                standings.ceilingsBefore(who, themes.stream().map(Theme::id).toList(), today.day());
        Map<Long, Tempo> climbed = new HashMap<>();
        themes.forEach(theme -> theme.lastTempo().ifPresent(tempo -> climbed.put(theme.id(), tempo)));
        return chosen.stream()
                .map(one -> {
                    Worked worked = all.get(one.section().id());
                    return new ChosenSection(
                            one.section().id(),
                            worked.section().passage().id(),
                            worked.section().passage().title(),
                            worked.section().part(),
                            one.why(),
                            since(
                                    worked,
                                    before.get(one.section().id()),
                                    climbed.get(one.section().id()),
                                    today));
                })
                .toList();
    }

    /** Why the first section's ceiling should be measured today; empty when it need not be, or should not. */
    private static Reason measure(Worked first, Today today) {
        LocalDate last = first.standing().lastPlayed();
        return today.rest() != null || !today.spared().saysNothing()
                ? Reason.NONE
                : TimeToMeasure.why(
                        first.standing().estimate(), last == null ? null : ChronoUnit.DAYS.between(last, today.day()));
    }

    private static List<Reason> since(Worked one, Double before, Tempo climbed, Today today) {
        List<Reason> changes = new ArrayList<>();
        long now = Math.round(one.standing().estimate().ceiling().middle().bpm());
        if (before != null && Math.round(before) != now) {
            changes.add(Reason.of("since.ceiling", "before", Math.round(before), "now", now));
        }
        if (climbed != null) {
            changes.add(Reason.of("since.climb", "tempo", climbed));
        }
        if (one.standing().lastPlayed() != null) {
            long days = ChronoUnit.DAYS.between(one.standing().lastPlayed(), today.day());
            changes.add(Reason.of("since.played", "days", Math.max(0, days)));
        }
        return changes;
    }
}
