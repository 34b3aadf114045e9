package tachylim.server.repertoire;

import java.util.List;
import org.springframework.data.domain.Limit;
import org.springframework.stereotype.Component;
import tachylim.passage.MusicChange;
import tachylim.server.account.SignedIn;
import tachylim.words.Reason;

/** Marks stay with the notes they stand over. */
@Component
class MarksFollow implements FollowsMusic {

    private final NoteMarkRepository marks;

    MarksFollow(NoteMarkRepository marks) {
        this.marks = marks;
    }

    private List<NoteMark> holding(SignedIn who, StoredPassage passage) {
        return marks.findByAccountIdAndPassageIdAndSupersededFalseOrderById(
                who.accountId(), passage.id(), Limit.of(RepertoireService.MOST_MARKS));
    }

    @Override
    public List<Reason> lost(SignedIn who, StoredPassage passage, MusicChange change) {
        long gone = holding(who, passage).stream()
                .filter(mark -> !mark.value().isEmpty()
                        && change.map().note(mark.note()).isEmpty())
                .map(mark -> mark.note() + " " + mark.kind())
                .distinct()
                .count();
        return gone == 0 ? List.of() : List.of(Reason.of("refusal.lost.marks", "marks", gone));
    }

    @Override
    public void follow(SignedIn who, StoredPassage passage, MusicChange change) {
        for (NoteMark mark : holding(who, passage)) {
            change.map().note(mark.note()).ifPresentOrElse(mark::note, () -> mark.superseded(true));
        }
    }
}
