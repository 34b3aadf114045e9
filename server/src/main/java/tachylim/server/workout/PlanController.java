package tachylim.server.workout;

import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import tachylim.method.School;
import tachylim.server.account.AccountService;
import tachylim.server.account.AccountService.Habit;
import tachylim.server.account.SignedIn;
import tachylim.server.web.ChangesNoCap;
import tachylim.server.workout.PlanDtos.PlanView;
import tachylim.shown.PlanBasis;
import tachylim.shown.PlanWish;
import tachylim.workout.Brief;

@RestController
@RequestMapping("/api")
@Tag(name = "workout")
class PlanController {

    private final PlanService plans;
    private final AccountService accounts;
    private final SectionOrderService orders;
    private final Drafting drafting;

    PlanController(PlanService plans, SectionOrderService orders, AccountService accounts, Drafting drafting) {
        this.orders = orders;
        this.drafting = drafting;
        this.plans = plans;
        this.accounts = accounts;
    }

    /** The usual workout for a section, to start editing from: by the method that is decided for it when none is named. */
    @GetMapping("/sections/{id}/plan")
    PlanView usual(
            @AuthenticationPrincipal SignedIn who,
            @PathVariable long id,
            @RequestParam(required = false) School school) {
        Habit habit = accounts.habit(who, plans.instrument(who, id));
        return drafting.inTurn(() -> plans.ready(
                who,
                id,
                school,
                chosen -> PlanWish.usual(id, Brief.usualMinutes(habit.usualMinutes(), chosen), habit.choices(chosen))));
    }

    /** The last workout on a section, to be played again or to start editing from. */
    @GetMapping("/sections/{id}/plan/again")
    PlanView again(@AuthenticationPrincipal SignedIn who, @PathVariable long id) {
        return drafting.inTurn(() -> plans.again(who, id));
    }

    /** What a page plans from by itself. */
    @ChangesNoCap("nothing is kept")
    @PostMapping("/plans/score")
    PlanBasis score(@AuthenticationPrincipal SignedIn who, @Valid @RequestBody PlanWish wish) {
        return plans.score(who, wish);
    }

    /** The wish for a workout that goes through all sections of a passage, with what else was chosen in another. */
    @ChangesNoCap("nothing is played")
    @PostMapping("/plans/{order}")
    PlanWish through(
            @AuthenticationPrincipal SignedIn who,
            @PathVariable SectionOrder order,
            @Valid @RequestBody PlanWish wish) {
        return orders.through(who, order, wish);
    }

    /** The workout that a wish leads to; nothing is kept until it is begun. */
    @ChangesNoCap("nothing is kept")
    @PostMapping("/plans")
    PlanView preview(@AuthenticationPrincipal SignedIn who, @Valid @RequestBody PlanWish wish) {
        return drafting.inTurn(() -> plans.preview(who, wish));
    }
}
