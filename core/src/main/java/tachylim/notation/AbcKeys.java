package tachylim.notation;

import java.util.Locale;
import java.util.Map;
import tachylim.passage.Key;

/** Reads the key field of ABC: a tonic, an alteration and a mode. */
final class AbcKeys {

    private static final String TONICS = "FCGDAEB";

    /** How many fifths each mode lies from the major key of the same tonic. */
    private static final Map<String, Integer> MODES = Map.of(
            "", 0, "maj", 0, "ion", 0, "mix", -1, "dor", -2, "m", -3, "min", -3, "aeo", -3, "phr", -4, "loc", -5);

    private static final int LYDIAN = 1;

    private AbcKeys() {}

    /** The key a field names, or null when it names none that is known. */
    static Key read(String field) {
        String text = field.strip()
                .split("\\s+(clef|stafflines|treble|bass|alto|tenor|perc|middle|octave)")[0]
                .strip();
        if (text.isEmpty() || text.equalsIgnoreCase("none") || text.startsWith("clef") || text.startsWith("perc")) {
            return Key.NONE;
        }
        if (text.equals("HP")) {
            return Key.NONE;
        }
        if (text.equals("Hp")) {
            return new Key(2);
        }
        int tonic = TONICS.indexOf(text.charAt(0));
        if (tonic < 0) {
            return null;
        }
        int fifths = tonic - 1;
        String rest = text.substring(1);
        if (rest.startsWith("#")) {
            fifths += 7;
            rest = rest.substring(1);
        } else if (rest.startsWith("b")) {
            fifths -= 7;
            rest = rest.substring(1);
        }
        String mode = rest.strip().toLowerCase(Locale.ROOT);
        String shortMode = mode.length() > 3 ? mode.substring(0, 3) : mode;
        Integer shift = shortMode.equals("lyd") ? Integer.valueOf(LYDIAN) : MODES.get(shortMode);
        if (shift == null || Math.abs(fifths + shift) > 7) {
            return null;
        }
        return new Key(fifths + shift);
    }
}
