package tachylim.server.ceiling;

import java.time.LocalDate;
import tachylim.server.account.SignedIn;

/** Where the pieces are whose ceilings are known here; whoever keeps them says what they are called. */
public interface Pieces {

    /**
     * A piece by its name, and what it is wanted for.
     *
     * @param neededOn when it is needed, null without a date
     */
    record Named(Subject subject, String passage, String piece, double targetBpm, LocalDate neededOn) {}

    /** A piece of the player's, refused when there is none. */
    Named named(SignedIn who, long id);
}
