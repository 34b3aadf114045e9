package tachylim.server.load;

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
import java.time.Instant;
import java.time.LocalDate;
import java.util.Arrays;
import java.util.List;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import tachylim.load.AwayPractice;
import tachylim.load.Cap;
import tachylim.load.Effort;
import tachylim.load.Limit;
import tachylim.load.Ordered;
import tachylim.server.account.SignedIn;
import tachylim.server.web.Refused;
import tachylim.words.Reason;

@RestController
@RequestMapping("/api")
@Tag(name = "load")
class LoadController {

    private static final int DAYS_SHOWN = 70;
    private static final String MINUTES = Away.MINUTES;
    private static final String CAP = "refusal.load.limit";

    private final LoadService load;
    private final AwayService away;

    LoadController(LoadService load, AwayService away) {
        this.load = load;
        this.away = away;
    }

    record DayDto(
            LocalDate day, double effort, double burstSeconds, double playedSeconds, int worstTension, long passes) {

        DayDto costing(Effort other) {
            return new DayDto(day, other.minutes(), burstSeconds, playedSeconds, worstTension, passes);
        }

        DayDto and(DayDto more) {
            return new DayDto(
                    day,
                    effort + more.effort,
                    burstSeconds + more.burstSeconds,
                    playedSeconds + more.playedSeconds,
                    Math.max(worstTension, more.worstTension),
                    passes + more.passes);
        }
    }

    record SymptomDto(long id, Instant at, boolean withdrawn) {}

    record CapDto(Cap.Rule rule, double effort, Reason why) {}

    record ElsewhereKind(
            AwayPractice kind,

            @Schema(description = "the effort minutes that a minute of it counts, by a rule of thumb")
            double perMinute) {

        static final List<ElsewhereKind> ALL = Arrays.stream(AwayPractice.values())
                .map(kind -> new ElsewhereKind(kind, kind.effort(1).minutes()))
                .toList();
    }

    record GivenDto(
            long id,
            Limit.Kind kind,
            double cap,
            String by,

            @Schema(description = "whether it was taken away, and holds for today only")
            boolean ending) {}

    record LoadView(
            LoadDto today,

            @Schema(description = "every rule that caps the effort of today, the one that allows least first")
            List<CapDto> caps,

            List<DayDto> days,
            List<SymptomDto> symptoms,

            @Schema(description = "whether bursts are closed until the player has had advice")
            boolean adviceWanted,

            List<ElsewhereKind> kinds,
            List<AwayDto> elsewhere,
            List<GivenDto> given) {}

    record ElsewhereWish(
            @NotNull @Size(min = 36, max = 36) String clientId,

            @NotNull(message = "refusal.loadController.sayWhatItWas")
            AwayPractice kind,

            @Min(value = 1, message = MINUTES) @Max(value = AwayPractice.MOST_MINUTES, message = MINUTES)
            int minutes) {}

    record GivenWish(
            @NotNull(message = "refusal.loadController.sayWhatIsLimited")
            Limit.Kind kind,

            @DecimalMin(value = "0", message = CAP) @DecimalMax(value = "100000", message = CAP)
            double cap,

            @NotBlank(message = "refusal.loadController.sayWhoseLimitItIs")
            @Size(
                    max = Ordered.LONGEST_NAME,
                    message = "refusal.loadController.aNameHasUpToCharacters longestName=" + Ordered.LONGEST_NAME)
            String by) {}

    @GetMapping("/load")
    LoadView view(@AuthenticationPrincipal SignedIn who) {
        Today today = load.today(who);
        return new LoadView(
                today.dto(),
                today.caps().stream()
                        .map(cap -> new CapDto(cap.rule(), cap.effort().minutes(), cap.why()))
                        .toList(),
                load.days(who, today.day().minusDays(DAYS_SHOWN - 1), today.day()),
                load.symptoms(who),
                today.adviceWanted(),
                ElsewhereKind.ALL,
                away.elsewhere(who),
                load.given(who, today.day()));
    }

    /** Something that was played elsewhere today: it counts. */
    @PostMapping("/load/elsewhere")
    LoadView elsewhere(@AuthenticationPrincipal SignedIn who, @Valid @RequestBody ElsewhereWish wish) {
        away.elsewhere(who, wish.clientId(), wish.kind(), wish.minutes());
        return view(who);
    }

    @DeleteMapping("/load/elsewhere/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void notElsewhere(@AuthenticationPrincipal SignedIn who, @PathVariable long id) {
        away.notElsewhere(who, id);
    }

    /** A limit that somebody gave: it holds at once. */
    @PostMapping("/load/given")
    LoadView give(@AuthenticationPrincipal SignedIn who, @Valid @RequestBody GivenWish wish) {
        load.give(who, Refused.unlessValid("cap", () -> new Ordered(wish.kind(), wish.cap(), wish.by())));
        return view(who);
    }

    /** Takes a given limit away; it holds until the day is over. */
    @DeleteMapping("/load/given/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void lift(@AuthenticationPrincipal SignedIn who, @PathVariable long id) {
        load.liftTomorrow(who, id);
    }

    /** After a second report: the player has had advice. */
    @PostMapping("/symptoms/advised")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void advised(@AuthenticationPrincipal SignedIn who) {
        load.advised(who);
    }

    /** Takes back a report made by mistake; it stays on record as withdrawn. */
    @DeleteMapping("/symptoms/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void withdraw(@AuthenticationPrincipal SignedIn who, @PathVariable long id) {
        load.withdraw(who, id);
    }
}
