package tachylim.server.today;

import io.swagger.v3.oas.annotations.media.Schema;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import java.time.LocalDate;
import java.util.List;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import tachylim.server.account.SignedIn;
import tachylim.server.load.LoadDto;
import tachylim.server.workout.PlanDtos.PlanView;
import tachylim.words.Reason;
import tachylim.workout.Brief;

@RestController
@RequestMapping("/api/today")
@Tag(name = "today")
class TodayController {

    private final TodayService today;

    TodayController(TodayService today) {
        this.today = today;
    }

    /** A section of the workout, why it is there, and what has become of it. */
    record ChosenSection(
            long sectionId, long passageId, String passage, String section, Reason why, List<Reason> sinceLastTime) {}

    /** The workout prepared for today; no plan while there is no passage. */
    record TodayView(
            LocalDate day,
            @Schema(nullable = true) PlanView plan,
            LoadDto load,

            @Schema(description = "what is said of a day that is not like most; empty on a usual one")
            Reason word,

            @Schema(description = "the sections of the workout, the most pressing first")
            List<ChosenSection> sections,

            Reason measure,
            @Schema(nullable = true) Long openRun) {}

    @GetMapping
    TodayView today(
            @AuthenticationPrincipal SignedIn who,
            @RequestParam(required = false) @Min(Brief.LEAST_MINUTES) @Max(Brief.MOST_MINUTES) Integer minutes,
            @RequestParam(defaultValue = "false") boolean easy) {
        return today.view(who, minutes, easy);
    }
}
