package tachylim.server.today;

import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tachylim.ceiling.Estimate;
import tachylim.ceiling.TimeToMeasure;
import tachylim.method.School;
import tachylim.server.account.AccountService;
import tachylim.server.account.AccountService.Habit;
import tachylim.server.account.SignedIn;
import tachylim.server.ceiling.Passes;
import tachylim.server.ceiling.StandingService;
import tachylim.server.load.LoadService;
import tachylim.server.load.Today;
import tachylim.server.repertoire.StoredPassage;
import tachylim.server.run.RunService;
import tachylim.server.run.StoredRun;
import tachylim.server.today.TodayController.TodayView;
import tachylim.server.workout.PlanDtos.PlanWish;
import tachylim.server.workout.PlanService;
import tachylim.server.workout.PlanService.Neediest;
import tachylim.tempo.Tempo;
import tachylim.workout.Brief;

/** What to play today, and whether. */
@Service
class TodayService {

    private final AccountService accounts;
    private final PlanService plans;
    private final LoadService load;
    private final StandingService standings;
    private final RunService runs;
    private final Passes passes;

    TodayService(
            AccountService accounts,
            PlanService plans,
            LoadService load,
            StandingService standings,
            RunService runs,
            Passes passes) {
        this.accounts = accounts;
        this.plans = plans;
        this.load = load;
        this.standings = standings;
        this.runs = runs;
        this.passes = passes;
    }

    @Transactional
    TodayView view(SignedIn who, Integer minutes, boolean easy) {
        Today today = load.today(who);
        Long openRun = runs.open(who).map(StoredRun::id).orElse(null);
        return plans.neediest(who, today.day())
                .map(neediest -> new TodayView(
                        today.day(),
                        plans.prepared(who, wish(who, neediest, minutes, easy), neediest, today),
                        today.dto(),
                        why(neediest, today),
                        measure(neediest, today),
                        sinceLastTime(who, neediest, today),
                        openRun))
                .orElseGet(() -> new TodayView(today.day(), null, today.dto(), "", "", List.of(), openRun));
    }

    private PlanWish wish(SignedIn who, Neediest neediest, Integer minutes, boolean easy) {
        School school = easy ? School.EASY : plans.usual(who, neediest.piece());
        Habit habit = accounts.habit(who);
        int usual = Brief.usualMinutes(habit.usualMinutes(), school);
        return PlanWish.usual(neediest.piece().id(), minutes == null || easy ? usual : minutes, habit.choices(school));
    }

    private static String why(Neediest neediest, Today today) {
        StoredPassage passage = neediest.piece().passage();
        Estimate estimate = neediest.standing().estimate();
        Tempo ceiling = estimate.ceiling().middle();
        String gap = "Its ceiling is " + (estimate.enoughEvidence() ? "" : "only guessed yet, at ") + ceiling
                + "; wanted is " + Tempo.of(passage.targetBpm());
        if (passage.neededOn() == null || passage.neededOn().isBefore(today.day())) {
            return gap + ", the widest gap of what you are working on.";
        }
        long days = ChronoUnit.DAYS.between(today.day(), passage.neededOn());
        return gap + " in " + days + (days == 1 ? " day" : " days") + ", the most pressing of what you are working on.";
    }

    /** Why its ceiling should be measured today; empty when it need not be, or should not. */
    private static String measure(Neediest neediest, Today today) {
        LocalDate last = neediest.standing().lastPlayed();
        return today.rest() != null || !today.spared().isEmpty()
                ? ""
                : TimeToMeasure.why(
                        neediest.standing().estimate(),
                        last == null ? null : ChronoUnit.DAYS.between(last, today.day()));
    }

    private List<String> sinceLastTime(SignedIn who, Neediest neediest, Today today) {
        List<String> changes = new ArrayList<>();
        long now = Math.round(neediest.standing().estimate().ceiling().middle().bpm());
        standings
                .ceilingBefore(who, neediest.piece().id(), today.day())
                .ifPresent(before -> changes.add("Ceiling " + Math.round(before) + " → " + now + "."));
        passes.lastClimb(who, neediest.piece().id())
                .ifPresent(last -> changes.add("The last climb stopped at " + last + "."));
        if (neediest.standing().lastPlayed() != null) {
            long days = ChronoUnit.DAYS.between(neediest.standing().lastPlayed(), today.day());
            changes.add(
                    days <= 0
                            ? "Played today already."
                            : days == 1 ? "Last played yesterday." : "Last played " + days + " days ago.");
        }
        return changes;
    }
}
