package tachylim.server.log;

import io.swagger.v3.oas.annotations.Parameter;
import io.swagger.v3.oas.annotations.media.Schema;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import tachylim.load.AwayPractice;
import tachylim.server.account.SignedIn;
import tachylim.server.load.Away;
import tachylim.server.load.AwayDto;
import tachylim.server.load.AwayService;
import tachylim.server.run.RunService;
import tachylim.server.run.SketchDto;
import tachylim.server.take.TakeService;
import tachylim.shown.Timeline;
import tachylim.take.Measured;
import tachylim.task.Ask;
import tachylim.task.PassKind;
import tachylim.task.Verdict;
import tachylim.words.Reason;
import tachylim.workout.Done;

@RestController
@RequestMapping("/api/log")
@Tag(name = "log")
class LogController {

    private static final int LONGEST_SEARCH = 100;

    private final LogService log;
    private final AwayService away;

    LogController(LogService log, AwayService away) {
        this.log = log;
        this.away = away;
    }

    /** One workout. The outcome is null while it is being played. */
    record Entry(
            long runId,
            LocalDate day,
            Instant startedAt,
            Instant lastAt,
            String passage,
            String section,

            @Schema(description = "how many sections were played in it")
            int sections,

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

            String note,

            @Schema(
                    description =
                            "whether some of it arrived so late that it counts for its day, and not for the ceiling")
            boolean late) {}

    record LogPage(
            List<Entry> entries,

            @Schema(nullable = true, description = "ask for those before this run to see older ones")
            Long olderThan) {}

    /** A workout, planned against played, and whether it was a ceiling test that has a result to look at. */
    record LoggedWorkout(Entry entry, Timeline planned, Timeline played, boolean measured, List<LoggedPass> passes) {}

    /** A pass of a workout, and what was said of it. */
    record LoggedPass(
            int place,
            PassKind kind,
            double tempo,
            int passes,

            @Schema(nullable = true, description = "null when nothing was said, or that was withdrawn")
            Verdict verdict,

            @Schema(nullable = true, description = "null where nothing was said of it")
            Integer tension,

            @Schema(nullable = true, description = "where the edge was marked, in BPM")
            Double edge,

            @Schema(nullable = true, description = "of passes answered together, how many were clean")
            Integer clean,

            @Schema(description = "how it was played, where that was not as usual")
            Reason manner,

            @Schema(description = "whether it was compared with the pass before: clean is what nobody can tell from it")
            boolean compared,

            @Schema(nullable = true, description = "what was measured of it; null where nothing listened")
            HeardOfPass heard,

            @Schema(nullable = true) Instant correctedAt) {}

    /** What was measured of a pass, or of a set. */
    record HeardOfPass(
            int passes,
            int clean,

            @Schema(nullable = true, description = "null of a set")
            Measured.Suggested verdict,

            @Schema(nullable = true, description = "how much its intervals differ, as a share of them")
            Double evenness) {

        static HeardOfPass of(TakeService.OfStep step) {
            return step == null ? null : new HeardOfPass(step.passes(), step.clean(), step.verdict(), step.evenness());
        }
    }

    record Correction(
            @Schema(nullable = true, description = "how it went; null to withdraw what was said")
            Verdict verdict,

            @Min(0) @Max(5) @Schema(nullable = true) Integer tension,
            @Schema(nullable = true) @Min(0) @Max(Ask.MOST) Integer clean) {}

    /** A workout's passes after a correction, and whether the ceiling was learned anew from there. */
    record Corrected(List<LoggedPass> passes, boolean learnedAnew) {}

    record AwayWish(
            @NotNull @Size(min = 36, max = 36) String clientId,

            @NotNull(message = "refusal.logController.giveItsDay")
            LocalDate day,

            @NotNull(message = "refusal.logController.sayWhatItWas")
            AwayPractice kind,

            @Min(value = 1, message = Away.MINUTES) @Max(value = AwayPractice.MOST_MINUTES, message = Away.MINUTES)
            int minutes,

            @NotNull @Size(max = Away.LONGEST_NOTE, message = Away.NOTE)
            String note) {}

    record MonthDay(LocalDate day, double effort, List<Entry> workouts, List<AwayDto> away, int counts) {}

    /** A month at a glance. */
    record Month(LocalDate first, LocalDate today, List<MonthDay> days, List<AwayPractice> kinds) {}

    @GetMapping
    LogPage page(
            @AuthenticationPrincipal SignedIn who,
            @RequestParam(required = false) Long before,
            @RequestParam(required = false) @Size(max = LONGEST_SEARCH) String text,
            @RequestParam(required = false) Long passageId,
            @RequestParam(required = false) LocalDate from,
            @RequestParam(required = false) LocalDate to,
            @RequestParam(required = false) Done.Cause outcome) {
        return log.page(who, new RunService.Wanted(from, to, outcome, text, passageId), before);
    }

    @GetMapping("/month")
    Month month(
            @AuthenticationPrincipal SignedIn who,
            @Parameter(description = "any day of it; this month when left out") @RequestParam(required = false)
                    LocalDate of) {
        return log.month(who, of);
    }

    @GetMapping("/{runId}")
    LoggedWorkout workout(@AuthenticationPrincipal SignedIn who, @PathVariable long runId) {
        return log.workout(who, runId);
    }

    /** Puts right what was said of a pass, or withdraws it. */
    @PutMapping("/{runId}/passes/{place}")
    Corrected correct(
            @AuthenticationPrincipal SignedIn who,
            @PathVariable long runId,
            @PathVariable int place,
            @Valid @RequestBody Correction correction) {
        return log.correct(who, runId, place, correction);
    }

    /** Practice away from the screen, put down afterwards. */
    @PostMapping("/away")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void away(@AuthenticationPrincipal SignedIn who, @Valid @RequestBody AwayWish wish) {
        away.elsewhere(who, wish.clientId(), wish.day(), new Away(wish.kind(), wish.minutes(), wish.note()));
    }

    @PutMapping("/away/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void away(@AuthenticationPrincipal SignedIn who, @PathVariable long id, @Valid @RequestBody Away change) {
        away.elsewhere(who, id, change);
    }

    @DeleteMapping("/away/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void notAway(@AuthenticationPrincipal SignedIn who, @PathVariable long id) {
        away.notElsewhere(who, id);
    }
}
