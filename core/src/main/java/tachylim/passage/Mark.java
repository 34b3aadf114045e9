package tachylim.passage;

import java.util.regex.Pattern;

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
        FINGERING("[0-9TPIMACX]{1,3}", "A finger is a figure from 0 to 9 or one of T P I M A C X, up to three of them"),
        STICKING("[RL1-6]{1,4}", "A stick is R or L, or its number from 1 to 6, up to four for a chord"),
        STROKE("down|up", "A bow or a pick goes down or up"),
        BREATH("breath", "A breath is only a breath");

        private final Pattern form;
        private final String sentence;

        Kind(String form, String sentence) {
            this.form = Pattern.compile(form);
            this.sentence = sentence;
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
            throw new IllegalArgumentException(kind.sentence + ", not " + value);
        }
    }
}
