package tachylim.server.ceiling;

import io.swagger.v3.oas.annotations.media.Schema;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import tachylim.ceiling.Smoother;
import tachylim.ceiling.TensionCurve;
import tachylim.method.PassKind;
import tachylim.server.account.AccountService;
import tachylim.server.account.SignedIn;
import tachylim.server.repertoire.RepertoireService;
import tachylim.server.repertoire.StoredPiece;
import tachylim.server.standing.CeilingDay;
import tachylim.server.standing.EstimateDto;
import tachylim.server.standing.PlayedPassRepository;
import tachylim.server.standing.Standing;
import tachylim.server.standing.StandingService;
import tachylim.tempo.Tempo;

@RestController
@RequestMapping("/api")
@Tag(name = "ceiling")
class CeilingController {

    private static final int TRIES_DAYS = 28;
    private static final double CURVE_FROM = 0.6;
    private static final double CURVE_TO = 1.35;
    private static final double CURVE_STEP = 1.02;

    private final StandingService standings;
    private final RepertoireService repertoire;
    private final AccountService accounts;
    private final PlayedPassRepository passes;

    CeilingController(StandingService standings, RepertoireService repertoire, AccountService accounts,
            PlayedPassRepository passes) {
        this.standings = standings;
        this.repertoire = repertoire;
        this.accounts = accounts;
        this.passes = passes;
    }

    /** The chance of a clean pass at a tempo. */
    record CurvePoint(double tempo, double clean) {}

    /** All passes of a kind at a tempo. */
    record TryDto(double tempo, PassKind kind, long clean, long rough, long broke) {}

    record HistoryDay(LocalDate day, double ease, double ceiling, double low, double high, double breakdown,
            double smoothed) {}

    record CeilingView(long pieceId, String passage, String piece, double targetBpm,
            @Schema(nullable = true) LocalDate neededOn, LocalDate today, EstimateDto estimate,
            @Schema(nullable = true) Double tensionEdge, int triesDays, List<CurvePoint> curve, List<TryDto> tries,
            List<HistoryDay> history) {}

    @GetMapping("/pieces/{id}/ceiling")
    CeilingView ceiling(@AuthenticationPrincipal SignedIn who, @PathVariable long id) {
        StoredPiece piece = repertoire.piece(who, id);
        LocalDate today = accounts.today(who);
        Standing standing = standings.standing(who, piece.subject(), today);
        return new CeilingView(id, piece.passage().title(), piece.name(), piece.passage().targetBpm(),
                piece.passage().neededOn(), today, standing.dto(),
                standing.tension().tempoAt(TensionCurve.EDGE).map(Tempo::bpm).orElse(null),
                TRIES_DAYS, curve(standing), tries(who, id, today), history(who, id));
    }

    private static List<CurvePoint> curve(Standing standing) {
        double ceiling = standing.estimate().ceiling().middle().bpm();
        List<CurvePoint> curve = new ArrayList<>();
        for (double bpm = Math.max(Tempo.MIN, ceiling * CURVE_FROM);
                bpm <= Math.min(Tempo.MAX, ceiling * CURVE_TO); bpm *= CURVE_STEP) {
            curve.add(new CurvePoint(bpm, standing.belief().cleanAt(Tempo.of(bpm))));
        }
        return curve;
    }

    private List<TryDto> tries(SignedIn who, long id, LocalDate today) {
        Map<String, TryDto> byPlace = new LinkedHashMap<>();
        for (PlayedPassRepository.Tries tries : passes.tries(who.accountId(), id, today.minusDays(TRIES_DAYS))) {
            long count = tries.getCount();
            TryDto more = switch (tries.getVerdict()) {
                case CLEAN -> new TryDto(tries.getTempo(), tries.getKind(), count, 0, 0);
                case ROUGH -> new TryDto(tries.getTempo(), tries.getKind(), 0, count, 0);
                case BROKE -> new TryDto(tries.getTempo(), tries.getKind(), 0, 0, count);
            };
            byPlace.merge(tries.getKind() + " " + tries.getTempo(), more, (a, b) -> new TryDto(
                    a.tempo(), a.kind(), a.clean() + b.clean(), a.rough() + b.rough(), a.broke() + b.broke()));
        }
        return List.copyOf(byPlace.values());
    }

    private List<HistoryDay> history(SignedIn who, long id) {
        List<CeilingDay> days = standings.history(who, id);
        List<Smoother.Day> smoothed = StandingService.smoothed(days);
        List<HistoryDay> history = new ArrayList<>();
        for (int i = 0; i < days.size(); i++) {
            CeilingDay day = days.get(i);
            history.add(new HistoryDay(day.day(), day.ease(), day.ceiling(), day.ceilingLow(), day.ceilingHigh(),
                    day.breakdown(), Math.exp(smoothed.get(i).mean())));
        }
        return history;
    }
}
