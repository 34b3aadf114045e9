package tachylim.server.ceiling;

import io.swagger.v3.oas.annotations.media.Schema;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.time.LocalDate;
import java.util.List;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import tachylim.method.PassKind;
import tachylim.server.account.SignedIn;

@RestController
@RequestMapping("/api")
@Tag(name = "ceiling")
class CeilingController {

    private final CeilingService ceilings;

    CeilingController(CeilingService ceilings) {
        this.ceilings = ceilings;
    }

    /** The chance of a clean pass at a tempo. */
    record CurvePoint(double tempo, double clean) {}

    /** All passes of a kind at a tempo. */
    record TryDto(double tempo, PassKind kind, long clean, long rough, long broke) {}

    record HistoryDay(
            LocalDate day, double ease, double ceiling, double low, double high, double breakdown, double smoothed) {}

    record CeilingView(
            long pieceId,
            String passage,
            String piece,
            double targetBpm,
            @Schema(nullable = true) LocalDate neededOn,
            LocalDate today,
            EstimateDto estimate,
            @Schema(nullable = true) Double tensionEdge,
            int triesDays,
            List<CurvePoint> curve,
            List<TryDto> tries,
            List<HistoryDay> history) {}

    @GetMapping("/pieces/{id}/ceiling")
    CeilingView ceiling(@AuthenticationPrincipal SignedIn who, @PathVariable long id) {
        return ceilings.view(who, id);
    }
}
