package tachylim.server.bench;

import java.time.LocalDate;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import org.springframework.data.domain.Limit;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tachylim.method.Verdict;
import tachylim.passage.Mark;
import tachylim.passage.Readiness;
import tachylim.server.account.AccountService;
import tachylim.server.account.SignedIn;
import tachylim.server.bench.BenchDtos.ReadinessDto;
import tachylim.server.repertoire.RepertoireService;
import tachylim.server.repertoire.StoredPassage;
import tachylim.server.repertoire.StoredPiece;
import tachylim.server.standing.PlayedPass;
import tachylim.server.standing.PlayedPassRepository;
import tachylim.server.standing.Standing;
import tachylim.server.standing.StandingService;
import tachylim.server.web.Refused;

/** What of a passage's preparation has been reached, and what a later log or a changed mark took away again. */
@Service
public class ReadinessService {

    private static final int MOST_DAYS = 2_000;

    private final ReadinessDayRepository days;
    private final RepertoireService repertoire;
    private final PlayedPassRepository passes;
    private final StandingService standings;
    private final AccountService accounts;

    ReadinessService(
            ReadinessDayRepository days,
            RepertoireService repertoire,
            PlayedPassRepository passes,
            StandingService standings,
            AccountService accounts) {
        this.days = days;
        this.repertoire = repertoire;
        this.passes = passes;
        this.standings = standings;
        this.accounts = accounts;
    }

    /** The list, with what the log has taken away since. */
    @Transactional(readOnly = true)
    public List<ReadinessDto> list(SignedIn who, StoredPassage passage) {
        Map<Readiness, ReadinessDay> reached = new EnumMap<>(Readiness.class);
        Map<Readiness, ReadinessDay> lost = new EnumMap<>(Readiness.class);
        for (ReadinessDay day :
                days.findByAccountIdAndPassageIdOrderById(who.accountId(), passage.id(), Limit.of(MOST_DAYS))) {
            if (day.reached()) {
                reached.put(day.item(), day);
                lost.remove(day.item());
            } else {
                lost.put(day.item(), day);
            }
        }
        Map<Readiness, LocalDate> broken = reached.keySet().stream().anyMatch(item -> item.isLostByABreak(0, true))
                ? lostInTheLog(who, passage, reached)
                : Map.of();
        return Arrays.stream(Readiness.values())
                .map(item -> dto(item, reached.get(item), lost.get(item), broken.get(item)))
                .toList();
    }

    private static ReadinessDto dto(Readiness item, ReadinessDay reached, ReadinessDay lost, LocalDate broken) {
        LocalDate lostOn = lost != null ? lost.day() : broken;
        String why = lost != null ? lost.why() : broken != null ? "a later pass broke" : "";
        return new ReadinessDto(
                item,
                item.sentence(),
                item.isPreparation(),
                reached != null && lostOn == null,
                reached == null ? null : reached.day(),
                reached == null ? null : lostOn,
                reached == null ? "" : why);
    }

    /** On which day a pass that broke contradicts what had been reached before. */
    private Map<Readiness, LocalDate> lostInTheLog(
            SignedIn who, StoredPassage passage, Map<Readiness, ReadinessDay> reached) {
        Map<Readiness, LocalDate> lost = new EnumMap<>(Readiness.class);
        List<StoredPiece> pieces = repertoire.cut(passage);
        LocalDate since = reached.values().stream()
                .map(ReadinessDay::day)
                .min(LocalDate::compareTo)
                .orElseThrow();
        Map<Long, Standing> known = standings.standings(
                who, pieces.stream().map(StoredPiece::subject).toList(), accounts.today(who));
        List<PlayedPass> broke = passes.findByAccountIdAndPieceIdInAndVerdictAndDayGreaterThanOrderByDayDesc(
                who.accountId(),
                pieces.stream().map(StoredPiece::id).toList(),
                Verdict.BROKE,
                since,
                Limit.of(MOST_DAYS));
        for (PlayedPass pass : broke) {
            double overEase = pass.tempo()
                    .ratioTo(known.get(pass.pieceId()).estimate().ease().middle());
            reached.forEach((item, day) -> {
                if (pass.day().isAfter(day.day()) && item.isLostByABreak(overEase, pieces.size() == 1)) {
                    lost.merge(item, pass.day(), (a, b) -> a.isBefore(b) ? a : b);
                }
            });
        }
        return lost;
    }

    /** What has not been reached, or was lost again. */
    @Transactional(readOnly = true)
    public List<Readiness> open(SignedIn who, StoredPassage passage) {
        return list(who, passage).stream()
                .filter(item -> !item.reached())
                .map(ReadinessDto::item)
                .toList();
    }

    @Transactional
    void set(SignedIn who, long passageId, Readiness item, boolean reached) {
        set(who, passageId, item, reached, accounts.today(who));
    }

    /** As {@link #set}, on a given day. */
    @Transactional
    public void set(SignedIn who, long passageId, Readiness item, boolean reached, LocalDate day) {
        StoredPassage passage = repertoire.passage(who, passageId);
        boolean now = list(who, passage).get(item.ordinal()).reached();
        if (now != reached) {
            save(who, passage, item, reached, reached ? "" : "taken back", day);
        }
    }

    private void save(SignedIn who, StoredPassage passage, Readiness item, boolean reached, String why, LocalDate day) {
        if (days.findByAccountIdAndPassageIdOrderById(who.accountId(), passage.id(), Limit.of(MOST_DAYS))
                        .size()
                >= MOST_DAYS) {
            throw Refused.field("item", "This list has been changed " + MOST_DAYS + " times; that is all it holds.");
        }
        days.save(new ReadinessDay(who.accountId(), passage.id(), item, reached, why, day));
    }

    /** A mark that had been decided is another one now: what rests on it is open again. */
    @Transactional
    void markChanged(SignedIn who, StoredPassage passage, Mark.Kind kind) {
        for (ReadinessDto item : list(who, passage)) {
            if (item.reached() && item.item().isLostByChanging(kind)) {
                save(who, passage, item.item(), false, "a mark was changed", accounts.today(who));
            }
        }
    }
}
