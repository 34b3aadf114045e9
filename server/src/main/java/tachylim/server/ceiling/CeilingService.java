package tachylim.server.ceiling;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tachylim.ceiling.Smoother;
import tachylim.ceiling.TensionCurve;
import tachylim.server.account.AccountService;
import tachylim.server.account.SignedIn;
import tachylim.server.ceiling.CeilingController.CeilingView;
import tachylim.server.ceiling.CeilingController.CurvePoint;
import tachylim.server.ceiling.CeilingController.HistoryDay;
import tachylim.server.ceiling.CeilingController.TryDto;
import tachylim.server.repertoire.RepertoireService;
import tachylim.server.repertoire.StoredPiece;
import tachylim.server.standing.CeilingDay;
import tachylim.server.standing.PlayedPassRepository;
import tachylim.server.standing.Standing;
import tachylim.server.standing.StandingService;
import tachylim.tempo.Tempo;

/** What is known of a piece's ceiling, for looking at. */
@Service
class CeilingService {

    private static final int TRIES_DAYS = 28;
    private static final double CURVE_FROM = 0.6;
    private static final double CURVE_TO = 1.35;
    private static final double CURVE_STEP = 1.02;

    private final StandingService standings;
    private final RepertoireService repertoire;
    private final AccountService accounts;
    private final PlayedPassRepository passes;

    CeilingService(
            StandingService standings,
            RepertoireService repertoire,
            AccountService accounts,
            PlayedPassRepository passes) {
        this.standings = standings;
        this.repertoire = repertoire;
        this.accounts = accounts;
        this.passes = passes;
    }

    @Transactional(readOnly = true)
    CeilingView view(SignedIn who, long id) {
        StoredPiece piece = repertoire.piece(who, id);
        LocalDate today = accounts.today(who);
        Standing standing = standings.standing(who, piece.subject(), today);
        return new CeilingView(
                id,
                piece.passage().title(),
                piece.name(),
                piece.passage().targetBpm(),
                piece.passage().neededOn(),
                today,
                standing.dto(),
                standing.tension().tempoAt(TensionCurve.EDGE).map(Tempo::bpm).orElse(null),
                TRIES_DAYS,
                curve(standing),
                tries(who, id, today),
                history(who, id));
    }

    private static List<CurvePoint> curve(Standing standing) {
        double ceiling = standing.estimate().ceiling().middle().bpm();
        List<CurvePoint> curve = new ArrayList<>();
        for (double bpm = Math.max(Tempo.MIN, ceiling * CURVE_FROM);
                bpm <= Math.min(Tempo.MAX, ceiling * CURVE_TO);
                bpm *= CURVE_STEP) {
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
            byPlace.merge(
                    tries.getKind() + " " + tries.getTempo(),
                    more,
                    (a, b) -> new TryDto(
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
            history.add(new HistoryDay(
                    day.day(),
                    day.ease(),
                    day.ceiling(),
                    day.ceilingLow(),
                    day.ceilingHigh(),
                    day.breakdown(),
                    Math.exp(smoothed.get(i).mean())));
        }
        return history;
    }
}
