package tachylim.passage;

import java.util.regex.Pattern;
import tachylim.words.Reason;
import tachylim.words.Refusal;

/**
 * A decision about how a note is played, as a player pencils it over the note: a finger, a stick, the way
 * the bow or the pick goes, a breath. This class is immutable.
 *
 * @param kind what is decided
 * @param value the decision: a finger such as {@code 3}, a stick such as {@code R} or {@code 2}, {@code
 *     down} or {@code up} for a bow or a pick, {@code breath} after the note
 */
public record Mark(Kind kind, String value) {

    /** What a mark decides. */
    public enum Kind {
        FINGERING("[0-9TPIMACX]{1,3}", "refusal.mark.finger"),
        STICKING("[RL1-6]{1,4}", "refusal.mark.stick"),
        STROKE("down|up", "refusal.mark.stroke"),
        BREATH("breath", "refusal.mark.breath");

        private final Pattern form;
        private final String refusal;

        Kind(String form, String refusal) {
            this.form = Pattern.compile(form);
            this.refusal = refusal;
        }

        /** Whether {@code value} says something of this kind. */
        public boolean takes(String value) {
            return form.matcher(value).matches();
        }
    }

    /** A breath after the note. */
    public static final Mark BREATH = new Mark(Kind.BREATH, "breath");

    /**
     * @throws IllegalArgumentException if the value is not one of its kind
     */
    public Mark {
        if (!kind.takes(value)) {
            throw Refusal.of(kind.refusal, "value", Reason.shortened(value));
        }
    }
}
