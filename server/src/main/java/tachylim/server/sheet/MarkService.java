package tachylim.server.sheet;

import java.time.Clock;
import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.util.List;
import java.util.Locale;
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

/** Fingers, sticks, bows and breaths over the notes; one that is changed later is asked about first. */
@Service
public class MarkService {

    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("d MMMM yyyy", Locale.ENGLISH);

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
                    "There is no note " + (wish.note() + 1) + "; the passage has "
                            + music.notes().size() + ".");
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
                    "Note " + (wish.note() + 1) + " was decided as " + before
                            + decided.map(day -> " on " + DAY.format(day)).orElse(" in the music")
                            + ". What was learned with it has to be learned again.");
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
