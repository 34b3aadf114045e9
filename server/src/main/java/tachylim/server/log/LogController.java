package tachylim.server.log;

import io.swagger.v3.oas.annotations.media.Schema;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import tachylim.server.account.SignedIn;
import tachylim.shown.Relief;
import tachylim.task.PassKind;
import tachylim.task.Verdict;
import tachylim.workout.Done;

@RestController
@RequestMapping("/api/log")
@Tag(name = "log")
class LogController {

    private final LogService log;

    LogController(LogService log) {
        this.log = log;
    }

    /** One session. The outcome is null while it is being played. */
    record Entry(
            long runId,
            LocalDate day,
            Instant startedAt,
            Instant lastAt,
            String passage,
            String piece,

            @Schema(description = "how many pieces were played in it")
            int pieces,

            String focus,
            int minutes,
            @Schema(nullable = true) Done.Cause outcome,
            int passes,
            int clean,
            int rough,
            int broke,
            double playedSeconds,
            double burstSeconds,
            double effort,
            @Schema(nullable = true) Double fastestClean,
            int worstTension,

            @Schema(description = "its passes in order, for a small picture")
            List<SketchDto> sketch,

            String note) {}

    /** One pass of a session, as far as a small picture shows it. */
    record SketchDto(
            PassKind kind,
            double tempo,
            double seconds,
            @Schema(nullable = true) Verdict verdict) {}

    record LogPage(
            List<Entry> entries,

            @Schema(nullable = true, description = "ask for those before this run to see older ones")
            Long olderThan) {}

    /** A session, planned against played, and whether it was a ceiling test that has a result to look at. */
    record Session(Entry entry, Relief planned, Relief played, boolean measured) {}

    @GetMapping
    LogPage page(@AuthenticationPrincipal SignedIn who, @RequestParam(required = false) Long before) {
        return log.page(who, before);
    }

    @GetMapping("/{runId}")
    Session session(@AuthenticationPrincipal SignedIn who, @PathVariable long runId) {
        return log.session(who, runId);
    }
}
