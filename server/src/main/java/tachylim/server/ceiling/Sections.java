package tachylim.server.ceiling;

import java.time.LocalDate;
import java.util.List;
import tachylim.server.account.SignedIn;

/** Where the sections are whose ceilings are known here; whoever keeps them says what they are called. */
public interface Sections {

    /**
     * A section by its name, and what it is wanted for.
     *
     * @param neededOn when it is needed, null without a date
     * @param burstShare the share of its transitions that a burst of two beats has
     */
    record Named(
            Subject subject,
            long passageId,
            String passage,
            String section,
            double targetBpm,
            LocalDate neededOn,
            double burstShare) {}

    /**
     * A part of a passage.
     *
     * @param cut whether it is one of those that the passage is cut into; otherwise a join or a transition played on its own
     */
    record PartOf(Subject subject, String name, boolean cut) {}

    /** A section of the player's, refused when there is none. */
    Named named(SignedIn who, long id);

    /** What a passage is cut into, in order, and after that what of it is played on its own. */
    List<PartOf> parts(SignedIn who, long passageId);
}
