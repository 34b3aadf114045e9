package tachylim.server.repertoire;

import java.util.List;
import tachylim.passage.MusicChange;
import tachylim.server.account.SignedIn;
import tachylim.words.Reason;

/** Something that is tied to the notes of a passage, and follows those that stay when they are changed. */
public interface FollowsMusic {

    /** What could not be carried over, in sentences for the player; nothing is changed yet. */
    List<Reason> lost(SignedIn who, StoredPassage passage, MusicChange change);

    /** Follows the notes that stayed, and lets go of the rest. */
    void follow(SignedIn who, StoredPassage passage, MusicChange change);
}
