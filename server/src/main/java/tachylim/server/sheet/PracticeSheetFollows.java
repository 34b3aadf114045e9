package tachylim.server.sheet;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import org.springframework.data.domain.Limit;
import org.springframework.stereotype.Component;
import tachylim.passage.MusicChange;
import tachylim.passage.Preparation;
import tachylim.passage.Readiness;
import tachylim.passage.Section;
import tachylim.server.account.AccountService;
import tachylim.server.account.SignedIn;
import tachylim.server.repertoire.FollowsMusic;
import tachylim.server.repertoire.StoredPassage;
import tachylim.words.Reason;

/** Noted breaks stay with their transitions, chosen variations with their notes, and readiness with most of the passage. */
@Component
class PracticeSheetFollows implements FollowsMusic {

    private static final int WEEK = 7;
    private static final Limit MOST = Limit.of(2_000);

    private final TransitionBreakRepository breaks;
    private final ChosenVariationRepository chosen;
    private final ReadinessDayRepository days;
    private final AccountService accounts;

    PracticeSheetFollows(
            TransitionBreakRepository breaks,
            ChosenVariationRepository chosen,
            ReadinessDayRepository days,
            AccountService accounts) {
        this.breaks = breaks;
        this.chosen = chosen;
        this.days = days;
        this.accounts = accounts;
    }

    private List<ChosenVariation> week(SignedIn who, StoredPassage passage) {
        LocalDate since = accounts.today(who).minusDays(WEEK - 1);
        return chosen.findByAccountIdAndPassageIdAndDayGreaterThanEqualOrderByDayAscPlaceAsc(
                who.accountId(), passage.id(), since, MOST);
    }

    private List<TransitionBreak> breaks(SignedIn who, StoredPassage passage) {
        return breaks.findByAccountIdAndPassageIdAndDayGreaterThanEqualOrderByIdDesc(
                who.accountId(), passage.id(), LocalDate.EPOCH, MOST);
    }

    private List<Readiness> reached(SignedIn who, StoredPassage passage) {
        return Preparation.of(days.findByAccountIdAndPassageIdOrderById(who.accountId(), passage.id(), MOST).stream()
                        .map(ReadinessDay::entry)
                        .toList())
                .reached();
    }

    @Override
    public List<Reason> lost(SignedIn who, StoredPassage passage, MusicChange change) {
        List<Reason> lost = new ArrayList<>();
        long transitions = breaks(who, passage).stream()
                .filter(one -> change.map().transition(one.transition()).isEmpty())
                .count();
        if (transitions > 0) {
            lost.add(Reason.of("refusal.lost.breaks", "breaks", transitions));
        }
        long variations = week(who, passage).stream()
                .filter(one -> one.day().equals(accounts.today(who)) && place(one, change) == null)
                .count();
        if (variations > 0) {
            lost.add(Reason.of("refusal.lost.variations"));
        }
        if (Readiness.isLostByNewNotes(change.stayed())
                && !reached(who, passage).isEmpty()) {
            lost.add(Reason.of("refusal.lost.readiness"));
        }
        return lost;
    }

    private static Section place(ChosenVariation one, MusicChange change) {
        return change.map()
                .unchanged(new Section(one.firstNote(), one.lastNote()))
                .filter(now -> now.size() == change.after().notes().size()
                        || one.firstNote() > 0
                        || one.lastNote() < change.before().notes().size() - 1)
                .orElse(null);
    }

    @Override
    public void follow(SignedIn who, StoredPassage passage, MusicChange change) {
        for (TransitionBreak one : breaks(who, passage)) {
            change.map().transition(one.transition()).ifPresentOrElse(one::transition, () -> breaks.delete(one));
        }
        for (ChosenVariation one : week(who, passage)) {
            Section now = place(one, change);
            if (now == null) {
                chosen.delete(one);
            } else {
                one.move(now);
            }
        }
        if (Readiness.isLostByNewNotes(change.stayed())) {
            reached(who, passage)
                    .forEach(item -> days.save(new ReadinessDay(
                            who.accountId(),
                            passage.id(),
                            item,
                            false,
                            Reason.of("lost.notesChanged"),
                            accounts.today(who))));
        }
    }
}
