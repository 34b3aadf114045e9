package tachylim.notation.abc;

import java.util.HashMap;
import java.util.Locale;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import tachylim.passage.Key;

/**
 * What a key field says: the signature, accidentals of its own beside it, and a clef. This class is immutable.
 *
 * @param key the signature; null where the field names none, as when it changes the clef alone
 * @param own what letters are altered by beside the signature
 * @param clef what the clef says of octaves
 * @param isUnpitched whether it is a one-line percussion staff, which is how passages on paper are written
 * @param isReadable whether all of it was understood
 */
record AbcKey(Key key, Map<Character, Integer> own, AbcClef clef, boolean isUnpitched, boolean isReadable) {

    private static final String TONICS = "FCGDAEB";

    /** How many fifths each mode lies from the major key of the same tonic. */
    private static final Map<String, Integer> MODES = Map.ofEntries(
            Map.entry("", 0),
            Map.entry("maj", 0),
            Map.entry("ion", 0),
            Map.entry("lyd", 1),
            Map.entry("mix", -1),
            Map.entry("dor", -2),
            Map.entry("m", -3),
            Map.entry("min", -3),
            Map.entry("aeo", -3),
            Map.entry("phr", -4),
            Map.entry("loc", -5));

    private static final Pattern TONIC = Pattern.compile("^([A-G])([#b♯♭]?)\\s*([A-Za-z]*)");
    private static final Pattern OWN = Pattern.compile("(\\^\\^|__|[\\^_=])([A-Ga-g])");
    private static final int MOST_FIFTHS = 7;

    static AbcKey read(String field) {
        String text = field.strip();
        AbcClef clef = AbcClef.read(text);
        boolean unpitched = text.contains("stafflines=1");
        String named = AbcClef.without(text);
        if (named.isEmpty()) {
            return new AbcKey(clef.isNamed() ? null : Key.NONE, Map.of(), clef, unpitched, true);
        }
        Map<Character, Integer> own = own(named);
        String plain = OWN.matcher(named).replaceAll("").strip();
        if (plain.isEmpty() || plain.toLowerCase(Locale.ROOT).matches("none.*") || plain.equals("HP")) {
            return new AbcKey(Key.NONE, own, clef, unpitched, true);
        }
        if (plain.equals("Hp")) {
            return new AbcKey(new Key(2), own, clef, unpitched, true);
        }
        Matcher tonic = TONIC.matcher(plain);
        if (!tonic.find()) {
            return new AbcKey(Key.NONE, own, clef, unpitched, false);
        }
        int fifths = TONICS.indexOf(tonic.group(1)) - 1 + shift(tonic.group(2));
        String mode = tonic.group(3).toLowerCase(Locale.ROOT);
        if (mode.startsWith("exp")) {
            return new AbcKey(Key.NONE, own, clef, unpitched, true);
        }
        Integer mood = MODES.get(mode.length() > 3 ? mode.substring(0, 3) : mode);
        boolean readable = mood != null && Math.abs(fifths + mood) <= MOST_FIFTHS;
        Key key = readable ? new Key(fifths + mood) : Math.abs(fifths) <= MOST_FIFTHS ? new Key(fifths) : Key.NONE;
        return new AbcKey(key, own, clef, unpitched, readable);
    }

    private static int shift(String alteration) {
        return switch (alteration) {
            case "#", "♯" -> MOST_FIFTHS;
            case "b", "♭" -> -MOST_FIFTHS;
            default -> 0;
        };
    }

    private static Map<Character, Integer> own(String named) {
        Map<Character, Integer> own = new HashMap<>();
        Matcher matcher = OWN.matcher(named);
        while (matcher.find()) {
            char letter = Character.toUpperCase(matcher.group(2).charAt(0));
            own.put(letter, alter(matcher.group(1)));
        }
        return own;
    }

    private static int alter(String signs) {
        return signs.startsWith("^") ? signs.length() : signs.startsWith("_") ? -signs.length() : 0;
    }
}
