package tachylim.server.workout;

import java.time.Clock;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import org.springframework.data.domain.Limit;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tachylim.server.account.SignedIn;
import tachylim.server.repertoire.RepertoireService;
import tachylim.shown.PlanWish;

/** Plans that were changed and not begun yet, one a passage: on whatever page or device they are looked at next. */
@Service
public class DraftService {

    private static final int MOST = 40;

    private final PlanDraftRepository drafts;
    private final RepertoireService repertoire;
    private final WishCheck checks;
    private final Clock clock;

    DraftService(PlanDraftRepository drafts, RepertoireService repertoire, WishCheck checks, Clock clock) {
        this.drafts = drafts;
        this.repertoire = repertoire;
        this.checks = checks;
        this.clock = clock;
    }

    /** All of them, the last that was changed first; without those of sections that are no longer there. */
    @Transactional(readOnly = true)
    List<PlanWish> all(SignedIn who) {
        List<PlanWish> stored = drafts.findByAccountIdOrderByChangedAtDesc(who.accountId(), Limit.of(MOST)).stream()
                .flatMap(draft -> StoredWish.read(draft.wish()).stream())
                .toList();
        Set<Long> present = repertoire.present(
                who, stored.stream().flatMap(wish -> wish.sectionIds().stream()).collect(Collectors.toSet()));
        return stored.stream()
                .filter(wish -> present.containsAll(wish.sectionIds()))
                .toList();
    }

    /** Stores what a plan has become; the one of the same passage is replaced. */
    @Transactional
    void keep(SignedIn who, PlanWish wish) {
        long passage = checks.check(who, wish).get(0).passage().id();
        PlanDraft draft = drafts.findByPassageIdAndAccountId(passage, who.accountId())
                .orElseGet(() -> new PlanDraft(who.accountId(), passage));
        draft.become(StoredWish.written(wish), clock.instant());
        drafts.save(draft);
    }

    @Transactional
    void drop(SignedIn who, long sectionId) {
        drafts.findByPassageIdAndAccountId(
                        repertoire.section(who, sectionId).passage().id(), who.accountId())
                .ifPresent(drafts::delete);
    }

    /** What is begun is no draft any more. */
    @Transactional
    public void begun(SignedIn who, PlanWish wish) {
        long passage = repertoire.anySection(who, wish.sectionId()).passage().id();
        drafts.findByPassageIdAndAccountId(passage, who.accountId())
                .filter(draft ->
                        StoredWish.read(draft.wish()).filter(wish::equals).isPresent())
                .ifPresent(drafts::delete);
    }
}
