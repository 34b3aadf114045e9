package tachylim.server.workout;

import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import java.util.List;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import tachylim.server.account.SignedIn;
import tachylim.shown.PlanWish;

@RestController
@RequestMapping("/api/drafts")
@Tag(name = "workout")
class DraftController {

    private final DraftService drafts;

    DraftController(DraftService drafts) {
        this.drafts = drafts;
    }

    /** Plans that were changed and not begun yet. */
    @GetMapping
    List<PlanWish> all(@AuthenticationPrincipal SignedIn who) {
        return drafts.all(who);
    }

    /** Stores a plan as it is now; the one of the same passage is replaced. */
    @PutMapping
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void keep(@AuthenticationPrincipal SignedIn who, @Valid @RequestBody PlanWish wish) {
        drafts.keep(who, wish);
    }

    /** Drops what was changed of the plan of a section's passage. */
    @DeleteMapping("/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void drop(@AuthenticationPrincipal SignedIn who, @PathVariable long id) {
        drafts.drop(who, id);
    }
}
