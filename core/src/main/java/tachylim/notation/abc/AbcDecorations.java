package tachylim.notation.abc;

import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * The signs before a note: names between exclamation or plus marks, and letters that stand for one, as {@code U:} or the
 * standard defines them.
 */
final class AbcDecorations {

    private static final Pattern DEFINITION = Pattern.compile("^([H-Wh-w~])\\s*=\\s*[!+\"]?([^!+\"]*)[!+\"]?\\s*$");

    /** A name has no space in it, and music between two old line breaks is no name. */
    private static final Pattern NAME = Pattern.compile("^([^\\s!|\\[\\]\"]{1,40})!");

    private static final Pattern PLUS_NAME = Pattern.compile("^([^\\s+|\\[\\]\"]{1,40})\\+");
    private static final Pattern MUSIC = Pattern.compile("(?=.*\\d)?[A-Ga-gzx0-9/,'^_=:<>()~.{}-]*");

    private final AbcCursor cursor;
    private final Map<Character, String> defined = new HashMap<>();

    AbcDecorations(AbcCursor cursor) {
        this.cursor = cursor;
    }

    /** The field {@code U}. */
    void define(String value) {
        Matcher definition = DEFINITION.matcher(value.strip());
        if (definition.matches()) {
            defined.put(definition.group(1).charAt(0), definition.group(2).strip());
        }
    }

    /** Whether a decoration stands at the cursor. */
    boolean isNext() {
        char c = cursor.peek();
        return c == '!' || c == '+' && named(PLUS_NAME).isPresent() || c == '.' || c == '~' || isLetter(c);
    }

    private static boolean isLetter(char c) {
        return c >= 'H' && c <= 'W' || c >= 'h' && c <= 'w';
    }

    /** The name of the decoration at the cursor; empty for an exclamation mark that is an old line break. */
    Optional<String> read() {
        char c = cursor.peek();
        Optional<String> name = c == '!' ? named(NAME) : c == '+' ? named(PLUS_NAME) : Optional.of(letter(c));
        cursor.next();
        if (c == '!' || c == '+') {
            name.ifPresent(known -> cursor.untilOrEndOfLine(c));
        }
        return name;
    }

    private Optional<String> named(Pattern pattern) {
        Matcher name = pattern.matcher(cursor.lineAhead(1));
        if (!name.find()) {
            return Optional.empty();
        }
        boolean isName =
                AbcSigns.isKnown(name.group(1)) || !MUSIC.matcher(name.group(1)).matches();
        return isName ? Optional.of(name.group(1)) : Optional.empty();
    }

    private String letter(char c) {
        return defined.getOrDefault(c, AbcSigns.nameOf(c).orElse("“" + c + "”"));
    }
}
