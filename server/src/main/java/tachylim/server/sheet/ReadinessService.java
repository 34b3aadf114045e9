package tachylim.server.sheet;

import java.time.LocalDate;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.springframework.data.domain.Limit;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tachylim.passage.Mark;
import tachylim.passage.Preparation;
import tachylim.passage.Readiness;
import tachylim.server.account.AccountService;
import tachylim.server.account.SignedIn;
import tachylim.server.ceiling.Passes;
import tachylim.server.ceiling.Standing;
import tachylim.server.ceiling.StandingService;
import tachylim.server.repertoire.RepertoireService;
import tachylim.server.repertoire.StoredPassage;
import tachylim.server.repertoire.StoredSection;
import tachylim.server.sheet.PracticeSheetDtos.ReadinessDto;
import tachylim.server.web.Refused;
import tachylim.words.Reason;

/** What of a passage's preparation has been reached, and what a later log or a changed mark took away again. */
@Service
public class ReadinessService {

    private static final int MOST_DAYS = 2_000;

    private final ReadinessDayRepository days;
    private final RepertoireService repertoire;
    private final Passes passes;
    private final StandingService standings;
    private final AccountService accounts;

    ReadinessService(
            ReadinessDayRepository days,
            RepertoireService repertoire,
            Passes passes,
            StandingService standings,
            AccountService accounts) {
        this.days = days;
        this.repertoire = repertoire;
        this.passes = passes;
        this.standings = standings;
        this.accounts = accounts;
    }

    /** How far a passage is prepared, with what the log has taken away since. */
    @Transactional(readOnly = true)
    public Preparation preparation(SignedIn who, StoredPassage passage) {
        Preparation kept = Preparation.of(entries(who, passage));
        return kept.breaksMatterAfter()
                .map(day -> afterBreaks(who, passage, kept, day))
                .orElse(kept);
    }

    private List<Preparation.Entry> entries(SignedIn who, StoredPassage passage) {
        return days.findByAccountIdAndPassageIdOrderById(who.accountId(), passage.id(), Limit.of(MOST_DAYS)).stream()
                .map(ReadinessDay::entry)
                .toList();
    }

    private Preparation afterBreaks(SignedIn who, StoredPassage passage, Preparation kept, LocalDate since) {
        List<StoredSection> sections = repertoire.cut(passage);
        Map<Long, Standing> known = standings.standings(
                who, sections.stream().map(StoredSection::subject).toList(), accounts.today(who));
        List<Preparation.Broken> broken =
                passes.brokenAfter(who, sections.stream().map(StoredSection::id).toList(), since).stream()
                        .map(pass -> new Preparation.Broken(
                                pass.day(),
                                known.get(pass.sectionId()).estimate().overComfortable(pass.tempo())))
                        .toList();
        return kept.after(broken, sections.size() == 1);
    }

    @Transactional(readOnly = true)
    public List<ReadinessDto> list(SignedIn who, StoredPassage passage) {
        return preparation(who, passage).items().stream()
                .map(ReadinessService::dto)
                .toList();
    }

    private static ReadinessDto dto(Preparation.State state) {
        return new ReadinessDto(
                state.item(),
                state.item().isPreparation(),
                state.isReached(),
                state.reachedOn(),
                state.lostOn(),
                state.why());
    }

    /** What has not been reached, or was lost again. */
    @Transactional(readOnly = true)
    public List<Readiness> open(SignedIn who, StoredPassage passage) {
        return preparation(who, passage).open();
    }

    /** Which of some passages are prepared to be made fast, by what was said of them. */
    @Transactional(readOnly = true)
    public Set<Long> decided(SignedIn who, Collection<Long> passageIds) {
        Map<Long, List<Preparation.Entry>> entries = days
                .findByAccountIdAndPassageIdInAndItemInOrderById(
                        who.accountId(), passageIds, Readiness.PREPARATIONS, Limit.of(MOST_DAYS))
                .stream()
                .collect(Collectors.groupingBy(
                        ReadinessDay::passageId, Collectors.mapping(ReadinessDay::entry, Collectors.toList())));
        return entries.entrySet().stream()
                .filter(one -> Preparation.of(one.getValue()).open().stream().noneMatch(Readiness::isPreparation))
                .map(Map.Entry::getKey)
                .collect(Collectors.toSet());
    }

    @Transactional
    public void set(SignedIn who, long passageId, Readiness item, boolean reached) {
        StoredPassage passage = repertoire.passage(who, passageId);
        if (preparation(who, passage).isReached(item) != reached) {
            save(who, passage, item, reached, reached ? Reason.NONE : Reason.of("lost.takenBack"));
        }
    }

    private void save(SignedIn who, StoredPassage passage, Readiness item, boolean reached, Reason why) {
        if (entries(who, passage).size() >= MOST_DAYS) {
            throw Refused.field(
                    "item", Reason.of("refusal.readinessService.thisListHasBeenChanged", "mostDays", MOST_DAYS));
        }
        days.save(new ReadinessDay(who.accountId(), passage.id(), item, reached, why, accounts.today(who)));
    }

    /** A mark that had been decided is another one now: what rests on it is open again. */
    @Transactional
    void markChanged(SignedIn who, StoredPassage passage, Mark.Kind kind) {
        preparation(who, passage)
                .openedByChanging(kind)
                .forEach(item -> save(who, passage, item, false, Reason.of("lost.markChanged")));
    }
}
