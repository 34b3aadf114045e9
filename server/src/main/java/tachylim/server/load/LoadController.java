package tachylim.server.load;

import io.swagger.v3.oas.annotations.tags.Tag;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import tachylim.server.account.SignedIn;

@RestController
@RequestMapping("/api")
@Tag(name = "load")
class LoadController {

    private static final int DAYS_SHOWN = 70;

    private final LoadService load;

    LoadController(LoadService load) {
        this.load = load;
    }

    record DayDto(
            LocalDate day, double effort, double burstSeconds, double playedSeconds, int worstTension, long passes) {

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

    record LoadView(LoadDto today, List<DayDto> days, List<SymptomDto> symptoms) {}

    @GetMapping("/load")
    LoadView view(@AuthenticationPrincipal SignedIn who) {
        Today today = load.today(who);
        return new LoadView(
                today.dto(), load.days(who, today.day().minusDays(DAYS_SHOWN - 1), today.day()), load.symptoms(who));
    }

    /** Takes back a report made by mistake; it stays on record as withdrawn. */
    @DeleteMapping("/symptoms/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void withdraw(@AuthenticationPrincipal SignedIn who, @PathVariable long id) {
        load.withdraw(who, id);
    }
}
