package tachylim.notation.abc;

import java.util.Map;
import java.util.Optional;
import java.util.Set;
import tachylim.passage.Articulation;
import tachylim.passage.Mark;

/** How articulations, marks and syllables are spelled in ABC. */
final class AbcSigns {

    private static final Map<String, Articulation> ARTICULATIONS = Map.ofEntries(
            Map.entry("staccato", Articulation.STACCATO),
            Map.entry("wedge", Articulation.STACCATISSIMO),
            Map.entry("tenuto", Articulation.TENUTO),
            Map.entry("accent", Articulation.ACCENT),
            Map.entry("emphasis", Articulation.ACCENT),
            Map.entry(">", Articulation.ACCENT),
            Map.entry("marcato", Articulation.MARCATO),
            Map.entry("^", Articulation.MARCATO),
            Map.entry("fermata", Articulation.FERMATA));

    /** What letters stand for where nothing else is defined (ABC standard 2.1, section 4.14). */
    private static final Map<Character, String> SHORT = Map.ofEntries(
            Map.entry('.', "staccato"),
            Map.entry('~', "roll"),
            Map.entry('H', "fermata"),
            Map.entry('L', "accent"),
            Map.entry('M', "lowermordent"),
            Map.entry('O', "coda"),
            Map.entry('P', "uppermordent"),
            Map.entry('S', "segno"),
            Map.entry('T', "trill"),
            Map.entry('u', "upbow"),
            Map.entry('v', "downbow"));

    /** Names that look like music, as {@code beef} would: they are names all the same. */
    private static final Set<String> NAMES_LIKE_NOTES =
            Set.of("f", "ff", "fff", "ffff", "D.C.", "D.S.", "<(", "<)", ">(", ">)", "(", ")");

    private AbcSigns() {}

    /** The long name of a one-letter decoration, where it is one that is kept. */
    static Optional<String> nameOf(char letter) {
        return Optional.ofNullable(SHORT.get(letter));
    }

    /** Whether {@code name} is that of a decoration, although it could be notes. */
    static boolean isKnown(String name) {
        return NAMES_LIKE_NOTES.contains(name)
                || articulation(name).isPresent()
                || mark(name).isPresent();
    }

    static Optional<Articulation> articulation(String name) {
        return Optional.ofNullable(ARTICULATIONS.get(name));
    }

    /** The mark a decoration stands for, if any: a finger, a bow, a breath. */
    static Optional<Mark> mark(String name) {
        if (name.matches("[0-5]")) {
            return Optional.of(new Mark(Mark.Kind.FINGERING, name));
        }
        return switch (name) {
            case "upbow" -> Optional.of(new Mark(Mark.Kind.STROKE, "up"));
            case "downbow" -> Optional.of(new Mark(Mark.Kind.STROKE, "down"));
            case "breath" -> Optional.of(Mark.BREATH);
            default -> Optional.empty();
        };
    }

    /** The mark an annotation stands for, if any: sticks stand under the note, other fingers to its left. */
    static Optional<Mark> annotated(String annotation) {
        if (annotation.length() < 2) {
            return Optional.empty();
        }
        Mark.Kind kind = switch (annotation.charAt(0)) {
            case '_' -> Mark.Kind.STICKING;
            case '<' -> Mark.Kind.FINGERING;
            default -> null;
        };
        String value = annotation.substring(1);
        return kind != null && kind.takes(value) ? Optional.of(new Mark(kind, value)) : Optional.empty();
    }

    static String of(Articulation articulation) {
        return switch (articulation) {
            case STACCATO -> ".";
            case STACCATISSIMO -> "!wedge!";
            case TENUTO -> "!tenuto!";
            case ACCENT -> "!accent!";
            case MARCATO -> "!marcato!";
            case FERMATA -> "!fermata!";
        };
    }

    static String of(Mark mark) {
        return switch (mark.kind()) {
            case FINGERING -> mark.value().matches("[0-5]") ? "!" + mark.value() + "!" : "\"<" + mark.value() + "\"";
            case STICKING -> "\"_" + mark.value() + "\"";
            case STROKE -> mark.value().equals("up") ? "!upbow!" : "!downbow!";
            case BREATH -> "!breath!";
        };
    }

    /** A syllable as a words line spells it; {@code *} for a note without. */
    static String syllable(String syllable) {
        if (syllable.isEmpty()) {
            return "*";
        }
        boolean joined = syllable.endsWith("-");
        String body = joined ? syllable.substring(0, syllable.length() - 1) : syllable;
        return body.replaceAll("[\\\\*_|]", "").replace("-", "\\-").replaceAll("\\s+", "~") + (joined ? "-" : "");
    }
}
