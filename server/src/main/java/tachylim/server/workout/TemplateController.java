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
import tachylim.server.workout.PlanDtos.TemplateDto;
import tachylim.server.workout.PlanDtos.TemplateWish;

@RestController
@RequestMapping("/api/templates")
@Tag(name = "workout")
class TemplateController {

    private final TemplateService templates;

    TemplateController(TemplateService templates) {
        this.templates = templates;
    }

    @GetMapping
    List<TemplateDto> all(@AuthenticationPrincipal SignedIn who) {
        return templates.all(who);
    }

    /** Keeps a workout to plan others like it; one of the same name is replaced. */
    @PutMapping
    List<TemplateDto> keep(@AuthenticationPrincipal SignedIn who, @Valid @RequestBody TemplateWish wish) {
        templates.keep(who, wish.name(), wish.wish());
        return templates.all(who);
    }

    @DeleteMapping("/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void delete(@AuthenticationPrincipal SignedIn who, @PathVariable long id) {
        templates.delete(who, id);
    }
}
