package tachylim.notation.abc;

import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import tachylim.passage.Key;
import tachylim.passage.Pitch;
import tachylim.words.Reason;

/**
 * The pitches of ABC while it is read: the signature in force, the accidentals written since the bar line and how far they
 * hold, and the octave that the clef asks for.
 *
 * <p>An accidental holds to the end of its bar, by default for its letter in every octave (ABC standard 2.1, section 11.3).
 */
final class AbcPitches {

    /** How far an accidental holds. */
    private enum Reach {
        NOTE,
        OCTAVE,
        LETTER
    }

    private final AbcCursor cursor;
    private final Map<String, Integer> accidentals = new HashMap<>();
    private Key key = Key.NONE;
    private Map<Character, Integer> own = Map.of();
    private Reach reach = Reach.LETTER;
    private int octaves;

    AbcPitches(AbcCursor cursor) {
        this.cursor = cursor;
    }

    Key key() {
        return key;
    }

    void key(AbcKey read) {
        if (read.key() != null) {
            key = read.key();
            own = read.own();
        }
        clef(read.clef());
    }

    void clef(AbcClef clef) {
        if (clef.isNamed()) {
            octaves = clef.octaves();
        }
    }

    /** The directive {@code propagate-accidentals}; a word it does not know changes nothing. */
    void propagate(String how) {
        reach = switch (how.strip().toLowerCase(Locale.ROOT)) {
            case "not" -> Reach.NOTE;
            case "octave" -> Reach.OCTAVE;
            case "pitch" -> Reach.LETTER;
            default -> reach;
        };
    }

    void forgetBar() {
        accidentals.clear();
    }

    static boolean isLetter(char c) {
        return (c >= 'A' && c <= 'G') || (c >= 'a' && c <= 'g');
    }

    /** Whether a pitch starts at the cursor: a letter, or accidentals before one. */
    boolean isNext() {
        char first = cursor.peek();
        boolean altered = first == '^' || first == '_' || first == '=';
        int signs = !altered ? 0 : cursor.peek(1) == first ? 2 : 1;
        return isLetter(cursor.peek(signs));
    }

    /**
     * Reads a pitch.
     *
     * @param tied the pitches before that a tie holds: it carries their accidentals over the bar line
     */
    Pitch read(List<Pitch> tied) {
        Integer written = accidental();
        char c = cursor.next();
        int octave = (Character.isLowerCase(c) ? 5 : 4) + octaves;
        while (cursor.peek() == '\'' || cursor.peek() == ',') {
            octave += cursor.next() == '\'' ? 1 : -1;
        }
        char letter = Character.toUpperCase(c);
        if (octave < -1 || octave > 9) {
            throw cursor.error(Reason.of("refusal.abcPitches.noInstrumentPlaysInThat"));
        }
        String place = reach == Reach.LETTER ? String.valueOf(letter) : letter + "" + octave;
        if (written != null && reach != Reach.NOTE) {
            accidentals.put(place, written);
        }
        int alter = written != null ? written : heard(letter, octave, place, tied);
        return new Pitch(letter, alter, octave);
    }

    private int heard(char letter, int octave, String place, List<Pitch> tied) {
        Optional<Integer> held = tied.stream()
                .filter(pitch -> pitch.letter() == letter && pitch.octave() == octave)
                .map(Pitch::alter)
                .findFirst();
        Integer soFar = accidentals.get(place);
        return soFar != null ? soFar : held.orElse(own.getOrDefault(letter, key.alterOf(letter)));
    }

    private Integer accidental() {
        if (cursor.take('=')) {
            cursor.take('=');
            return 0;
        }
        for (char mark : new char[] {'^', '_'}) {
            if (cursor.take(mark)) {
                int size = cursor.take(mark) ? 2 : 1;
                return mark == '^' ? size : -size;
            }
        }
        return null;
    }
}
