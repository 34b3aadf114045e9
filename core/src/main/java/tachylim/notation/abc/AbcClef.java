package tachylim.notation.abc;

import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * What a clef, in a key or a voice field, says of octaves: {@code treble-8} and {@code octave=-1} sound an octave lower than
 * written. Which staff it stands on does not matter to a player. This class is immutable.
 *
 * @param octaves how many octaves higher the notes sound
 * @param isNamed whether the field names a clef or octaves at all
 */
record AbcClef(int octaves, boolean isNamed) {

    private static final String NAMES =
            "treble|bass3|bass|alto[1-4]?|tenor|soprano|mezzosoprano|baritone|perc(?:ussion)?|none|G|F|C[1-5]?";

    /** A clef by name, with or without {@code clef=}; the bare name of a note is no clef. */
    private static final Pattern CLEF = Pattern.compile("(?:(?<![^\\s])clef\\s*=\\s*\"?(?:" + NAMES
            + ")[0-9]?|(?<![^\\s])(?:treble|bass3|bass|alto[1-4]?|tenor|soprano|mezzosoprano|baritone|perc(?:ussion)?)[0-9]?)"
            + "(\\s?[+-](?:8|15))?(?:[\\^_]8)?\"?(?![A-Za-z])");

    private static final Pattern OCTAVE = Pattern.compile("(?<![^\\s])octave\\s*=\\s*([+-]?\\d)");

    /** Other words of a field that name neither a key nor octaves. */
    private static final Pattern OTHER = Pattern.compile(
            "(?<![^\\s])(?:middle|m|transpose|t|score|sound|shift|instrument|stafflines|staffscale|staves|style|space|cue|map|print|name|nm|subname|snm|sname|stem|up|down|gstem|lyrics|dyn|merge|bracket|brace|octave|clef)\\s*=\\s*(?:\"[^\"]*\"|\\S*)");

    static AbcClef read(String field) {
        int octaves = 0;
        boolean named = false;
        Matcher clef = CLEF.matcher(field);
        if (clef.find()) {
            named = true;
            String sign = clef.group(1) == null ? "" : clef.group(1).strip();
            octaves += (sign.startsWith("-") ? -1 : 1) * (sign.endsWith("15") ? 2 : sign.endsWith("8") ? 1 : 0);
        }
        Matcher octave = OCTAVE.matcher(field);
        if (octave.find()) {
            named = true;
            octaves += Integer.parseInt(octave.group(1));
        }
        return new AbcClef(octaves, named);
    }

    /** The field without what it says of clefs and staves: the key, if it names one. */
    static String without(String field) {
        String plain = OTHER.matcher(
                        CLEF.matcher(OCTAVE.matcher(field).replaceAll(" ")).replaceAll(" "))
                .replaceAll(" ");
        return plain.replaceAll("\\s+", " ").strip();
    }
}
