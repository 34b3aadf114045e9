package tachylim.server.sheet;

import java.time.Clock;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tachylim.passage.Mark;
import tachylim.passage.Passage;
import tachylim.server.account.AccountService;
import tachylim.server.account.SignedIn;
import tachylim.server.repertoire.NoteMark;
import tachylim.server.repertoire.RepertoireService;
import tachylim.server.repertoire.StoredPassage;
import tachylim.server.sheet.PracticeSheetDtos.MarkWish;
import tachylim.server.web.ProblemCode;
import tachylim.server.web.Refused;
import tachylim.words.Reason;

/** Fingers, sticks, bows and breaths over the notes; one that is changed later is asked about first. */
@Service
public class MarkService {

    private final RepertoireService repertoire;
    private final ReadinessService readiness;
    private final AccountService accounts;
    private final Clock clock;

    MarkService(RepertoireService repertoire, ReadinessService readiness, AccountService accounts, Clock clock) {
        this.repertoire = repertoire;
        this.readiness = readiness;
        this.accounts = accounts;
        this.clock = clock;
    }

    @Transactional
    public void mark(SignedIn who, long passageId, MarkWish wish) {
        StoredPassage passage = repertoire.passage(who, passageId);
        Passage music = repertoire.music(passage);
        if (wish.note() >= music.notes().size()) {
            throw Refused.field(
                    "note",
                    Reason.of(
                            "refusal.markService.thereIsNoNoteThePassageHas",
                            "note",
                            wish.note() + 1,
                            "notes",
                            music.notes().size()));
        }
        if (!wish.value().isEmpty()) {
            Refused.unlessValid("value", () -> new Mark(wish.kind(), wish.value()));
        }
        String before = music.notes()
                .get(wish.note())
                .inflection()
                .mark(wish.kind())
                .map(Mark::value)
                .orElse("");
        if (before.equals(wish.value())) {
            return;
        }
        Optional<LocalDate> decided = before.isEmpty() ? Optional.empty() : decidedOn(who, passage, wish);
        boolean learned = !before.isEmpty()
                && decided.map(day -> day.isBefore(accounts.today(who))).orElse(true);
        if (learned && !wish.confirmed()) {
            throw Refused.conflict(
                    ProblemCode.MARK_DECIDED,
                    Reason.of(
                            "refusal.markService.noteWasDecidedAsWhatWas",
                            "note",
                            wish.note() + 1,
                            "before",
                            before,
                            "orElse",
                            decided.map(day -> Reason.of("refusal.mark.on", "day", day))
                                    .orElse(Reason.of("refusal.mark.inTheMusic"))));
        }
        repertoire.mark(
                passage, wish.note(), wish.kind(), wish.value(), wish.why().strip(), clock.instant());
        if (learned) {
            readiness.markChanged(who, passage, wish.kind());
        }
    }

    private Optional<LocalDate> decidedOn(SignedIn who, StoredPassage passage, MarkWish wish) {
        List<NoteMark> marks = repertoire.marks(passage);
        return marks.stream()
                .filter(mark -> mark.note() == wish.note() && mark.kind() == wish.kind())
                .reduce((earlier, later) -> later)
                .map(mark -> accounts.get(who).day(mark.at()));
    }
}
