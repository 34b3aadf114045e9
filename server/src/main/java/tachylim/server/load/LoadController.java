package tachylim.server.load;

import io.swagger.v3.oas.annotations.tags.Tag;
import java.time.Clock;
import java.time.LocalDate;
import java.util.List;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import tachylim.server.account.SignedIn;

@RestController
@RequestMapping("/api")
@Tag(name = "load")
class LoadController {

    private static final int DAYS_SHOWN = 70;

    private final LoadService load;
    private final Clock clock;

    LoadController(LoadService load, Clock clock) {
        this.load = load;
        this.clock = clock;
    }

    record DayDto(LocalDate day, double effort, double burstSeconds, double playedSeconds, int worstTension, long passes) {}

    record LoadView(LoadDto today, List<DayDto> days) {}

    @GetMapping("/load")
    LoadView view(@AuthenticationPrincipal SignedIn who) {
        Today today = load.today(who, clock.instant());
        List<DayDto> days = load.days(who, today.day().minusDays(DAYS_SHOWN - 1), today.day()).stream()
                .map(sums -> new DayDto(sums.getDay(), sums.getEffort(), sums.getBurstSeconds(), sums.getPlaySeconds(),
                        sums.getWorstTension(), sums.getPasses()))
                .toList();
        return new LoadView(today.dto(), days);
    }
}
