package tachylim.server.season;

import io.swagger.v3.oas.annotations.media.Schema;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import jakarta.validation.constraints.DecimalMax;
import jakarta.validation.constraints.DecimalMin;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.DayOfWeek;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Set;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import tachylim.ceiling.Forecast;
import tachylim.load.Cap;
import tachylim.load.DailyMinutes;
import tachylim.season.Importance;
import tachylim.server.TachylimSettings;
import tachylim.server.account.AccountService;
import tachylim.server.account.SignedIn;
import tachylim.server.repertoire.RepertoireService;
import tachylim.server.words.Words;
import tachylim.tempo.Tempo;
import tachylim.words.Reason;

@RestController
@RequestMapping("/api/season")
@Tag(name = "season")
class SeasonController {

    private static final String MINUTES = "refusal.plan.minutes least=0 most=" + DailyMinutes.MOST;
    private static final int LONGEST_NAME = 80;
    private static final MediaType CALENDAR = MediaType.parseMediaType("text/calendar;charset=UTF-8");

    private final TachylimSettings settings;
    private final SeasonService season;
    private final Feeds feeds;
    private final RepertoireService repertoire;
    private final AccountService accounts;

    SeasonController(
            SeasonService season,
            Feeds feeds,
            RepertoireService repertoire,
            AccountService accounts,
            TachylimSettings settings) {
        this.settings = settings;
        this.season = season;
        this.feeds = feeds;
        this.repertoire = repertoire;
        this.accounts = accounts;
    }

    record ShareDto(long passageId, int minutes) {}

    record SeasonDayDto(
            LocalDate day,

            @Schema(description = "effort minutes planned on it; today what is still planned")
            int minutes,

            double cap,
            Cap.Rule rule,
            Reason why,
            boolean off,

            @Schema(description = "whether its minutes are the player's own word for this day")
            boolean asked,

            List<ShareDto> shares,

            @Schema(description = "what is performed or needed on it")
            List<Reason> occasions) {}

    record PlayedDay(LocalDate day, double effort) {}

    record GoalDto(
            long passageId,
            String title,
            double target,
            double ceiling,
            @Schema(nullable = true) LocalDate neededOn,
            Importance matters,

            @Schema(description = "the effort minutes of a day on which it has any")
            double sitting,

            @Schema(description = "on every so many-th day; 0 where it has none")
            double everyDays,

            @Schema(nullable = true) Double chance,
            @Schema(nullable = true) Forecast.Prospect prospect,
            @Schema(nullable = true) Double likely,

            @Schema(nullable = true, description = "the tempo that is likely in two weeks")
            Double near,

            @Schema(nullable = true, description = "the effort minutes a day that would make its target likely")
            Double wants,

            @Schema(nullable = true, description = "what could be wanted instead, where the target is out of reach")
            OfferDto offer,

            Reason sentence) {}

    /** A tempo that is likely by the date, and a date by which the target is; null where there is none. */
    record OfferDto(
            @Schema(nullable = true) Double tempo,
            @Schema(nullable = true) LocalDate date) {}

    /** What is wanted of a passage; what is left out stays as it is. */
    record AimWish(
            @Schema(nullable = true) Importance matters,

            @DecimalMin(value = "" + Tempo.MIN, message = Tempo.RANGE)
            @DecimalMax(value = "" + Tempo.MAX, message = Tempo.RANGE)
            @Schema(nullable = true)
            Double targetBpm,

            @Schema(nullable = true) LocalDate neededOn) {}

    record PerformanceDto(long id, String name, LocalDate day) {}

    record SeasonView(
            LocalDate today,

            @Schema(description = "the effort that today has had")
            double done,

            List<PlayedDay> past,
            List<SeasonDayDto> days,
            List<GoalDto> goals,
            Set<DayOfWeek> daysOff,
            List<PerformanceDto> performances,

            @Schema(nullable = true, description = "since when a calendar may read it; null when none may")
            Instant feedSince) {}

    /** How the chance of a passage moves. */
    record ChanceDto(String passage, double before, double after) {}

    /** A season after a change, with what the change did. */
    record Changed(
            SeasonView season,

            @Schema(description = "the days that were changed, as they are now")
            List<SeasonDayDto> days,

            List<ChanceDto> chances) {}

    record Minutes(
            @Min(value = 0, message = MINUTES) @Max(value = DailyMinutes.MOST, message = MINUTES)
            int minutes) {}

    record MoveWish(@NotNull LocalDate from, @NotNull LocalDate to) {}

    record DaysOff(@NotNull @Size(max = 7) List<@NotNull DayOfWeek> days) {}

    record PerformanceWish(
            @NotBlank(message = "refusal.seasonController.giveItAName")
            @Size(
                    max = LONGEST_NAME,
                    message = "refusal.seasonController.aNameHasUpToCharacters longestName=" + LONGEST_NAME)
            String name,

            @NotNull(message = "refusal.seasonController.giveItsDay")
            LocalDate day) {}

    /**
     * A private address for calendars: it is shown once, since only what it digests to is kept. Where the server was not told
     * its own address it is a path, to be put behind the one at which the page was opened: what a request says of its host
     * is nothing to rely on.
     */
    record FeedDto(String address) {}

    @GetMapping
    SeasonView view(@AuthenticationPrincipal SignedIn who) {
        return season.view(who);
    }

    /** The minutes wanted on a day; more than its cap are not planned. */
    @PutMapping("/days/{day}")
    Changed ask(@AuthenticationPrincipal SignedIn who, @PathVariable LocalDate day, @Valid @RequestBody Minutes wish) {
        return season.ask(who, day, wish.minutes());
    }

    @DeleteMapping("/days/{day}")
    Changed asUsual(@AuthenticationPrincipal SignedIn who, @PathVariable LocalDate day) {
        return season.asUsual(who, day);
    }

    /** Moves the practice of one day to another, as far as that has room. */
    @PostMapping("/moves")
    Changed move(@AuthenticationPrincipal SignedIn who, @Valid @RequestBody MoveWish wish) {
        return season.move(who, wish.from(), wish.to());
    }

    @PutMapping("/off")
    SeasonView off(@AuthenticationPrincipal SignedIn who, @Valid @RequestBody DaysOff wish) {
        accounts.daysOff(who, wish.days());
        return season.view(who);
    }

    /** How much a passage matters, at what tempo it is wanted, and when. */
    @PutMapping("/passages/{id}")
    SeasonView aim(@AuthenticationPrincipal SignedIn who, @PathVariable long id, @Valid @RequestBody AimWish wish) {
        return season.aim(who, id, wish);
    }

    @PostMapping("/performances")
    SeasonView perform(@AuthenticationPrincipal SignedIn who, @Valid @RequestBody PerformanceWish wish) {
        repertoire.perform(who, wish.name(), wish.day());
        return season.view(who);
    }

    @DeleteMapping("/performances/{id}")
    SeasonView notPerformed(@AuthenticationPrincipal SignedIn who, @PathVariable long id) {
        repertoire.notPerformed(who, id);
        return season.view(who);
    }

    @GetMapping("/calendar.ics")
    ResponseEntity<byte[]> calendar(@AuthenticationPrincipal SignedIn who) {
        return ResponseEntity.ok()
                .contentType(CALENDAR)
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        ContentDisposition.attachment()
                                .filename("tachylim.ics")
                                .build()
                                .toString())
                .body(season.calendar(who));
    }

    /** Opens a private address for calendars; one that was open before is closed. */
    @PostMapping("/feed")
    FeedDto open(@AuthenticationPrincipal SignedIn who) {
        return new FeedDto(settings.address() + "/calendar/" + feeds.open(who) + ".ics?lang="
                + Words.spoken().locale());
    }

    @DeleteMapping("/feed")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void close(@AuthenticationPrincipal SignedIn who) {
        feeds.close(who);
    }

    static ResponseEntity<byte[]> feed(byte[] calendar) {
        return ResponseEntity.ok()
                .contentType(CALENDAR)
                .header(HttpHeaders.CACHE_CONTROL, "private, no-store")
                .header("X-Robots-Tag", "noindex")
                .body(calendar);
    }
}
