package tachylim.server.ceiling;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tachylim.ceiling.Smoother;
import tachylim.ceiling.SuccessCurve;
import tachylim.ceiling.TensionCurve;
import tachylim.server.account.AccountService;
import tachylim.server.account.SignedIn;
import tachylim.server.ceiling.CeilingController.CeilingView;
import tachylim.server.ceiling.CeilingController.CurvePoint;
import tachylim.server.ceiling.CeilingController.HistoryDay;
import tachylim.server.ceiling.CeilingController.TryDto;
import tachylim.tempo.Tempo;

/** What is known of a piece's ceiling, for looking at. */
@Service
class CeilingService {

    private static final int TRIES_DAYS = 28;
    private final StandingService standings;
    private final Pieces pieces;
    private final AccountService accounts;
    private final PlayedPassRepository passes;

    CeilingService(StandingService standings, Pieces pieces, AccountService accounts, PlayedPassRepository passes) {
        this.standings = standings;
        this.pieces = pieces;
        this.accounts = accounts;
        this.passes = passes;
    }

    @Transactional(readOnly = true)
    CeilingView view(SignedIn who, long id) {
        Pieces.Named piece = pieces.named(who, id);
        LocalDate today = accounts.today(who);
        Standing standing = standings.standing(who, piece.subject(), today);
        return new CeilingView(
                id,
                piece.passage(),
                piece.piece(),
                piece.targetBpm(),
                piece.neededOn(),
                today,
                standing.dto(),
                standing.tension().tempoAt(TensionCurve.EDGE).map(Tempo::bpm).orElse(null),
                TRIES_DAYS,
                curve(standing),
                tries(who, id, today),
                history(who, id));
    }

    private static List<CurvePoint> curve(Standing standing) {
        return SuccessCurve.of(standing.belief(), standing.estimate().ceiling().middle()).stream()
                .map(point -> new CurvePoint(point.tempo().bpm(), point.clean()))
                .toList();
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
                    smoothed.get(i).tempo().bpm()));
        }
        return history;
    }
}
