package tachylim.server.count;

import java.util.List;
import org.springframework.data.domain.Limit;
import org.springframework.stereotype.Component;
import tachylim.passage.MusicChange;
import tachylim.server.account.SignedIn;
import tachylim.server.repertoire.FollowsMusic;
import tachylim.server.repertoire.StoredPassage;
import tachylim.words.Reason;

/** Counted changes stay with their transitions; one whose notes are gone keeps its counts, without a passage. */
@Component
class ChangesFollow implements FollowsMusic {

    private static final Limit MOST = Limit.of(60);

    private final CountedChangeRepository changes;

    ChangesFollow(CountedChangeRepository changes) {
        this.changes = changes;
    }

    @Override
    public List<Reason> lost(SignedIn who, StoredPassage passage, MusicChange change) {
        return List.of();
    }

    @Override
    public void follow(SignedIn who, StoredPassage passage, MusicChange change) {
        changes.findByAccountIdAndPassageId(who.accountId(), passage.id(), MOST)
                .forEach(one -> one.follow(change.map().transition(one.transition())));
    }
}
