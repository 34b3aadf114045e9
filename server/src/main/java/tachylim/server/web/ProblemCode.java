package tachylim.server.web;

import com.fasterxml.jackson.annotation.JsonValue;
import java.util.Locale;

/** What a page may have to do something about, beyond saying it: written as in {@code taken-over}. */
public enum ProblemCode {
    /** Something was changed elsewhere in the meantime. */
    CHANGED,
    /** New notes would take something away; {@code lost} says what, and a confirmed wish goes through. */
    MUSIC_CHANGED,
    /** A mark was decided earlier; a confirmed wish goes through. */
    MARK_DECIDED,
    /** A workout is open already; {@code runId} says which. */
    OPEN_RUN,
    /** The run goes on in another window. */
    TAKEN_OVER,
    /** Another window has answered this step. */
    OUT_OF_STEP,
    /** By the clock this cannot have been played yet; {@code seconds} says how many are missing. */
    TOO_SOON,
    /** Something has followed what was to be put right. */
    TOO_LATE,
    /** The run was over before. */
    OVER,
    /** Today's limits leave nothing to plan. */
    NOTHING_LEFT,
    /** No playing after a symptom; {@code until} says how long. */
    SYMPTOM_REST,
    /** One move to another time zone a day. */
    ONE_MOVE_A_DAY,
    /** The account's room is used. */
    STORAGE_FULL,
    /** The database does not answer just now. */
    DATABASE;

    @JsonValue
    public String written() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }
}
