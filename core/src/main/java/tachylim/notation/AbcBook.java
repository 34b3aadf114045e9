package tachylim.notation;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Reads a file of ABC with any number of tunes and voices: every voice of every tune is a line.
 *
 * <p>A tune that cannot be read does not keep the others from being read; it is named with its place.
 */
final class AbcBook {

    private static final int MOST_TUNES = 400;
    private static final int MOST_CHARACTERS_A_VOICE = 400_000;
    private static final Pattern VOICE = Pattern.compile("^(?:V:|\\[V:)\\s*([^\\s\\]%]+)[^\\]]*\\]?(.*)$");
    private static final Pattern TUNE = Pattern.compile("(?m)^X:");
    private static final Pattern PROPERTY = Pattern.compile("(?m)^(?:%abc|X:|K:|M:|T:)");

    private final List<Line> lines = new ArrayList<>();
    private final List<String> leftOut = new ArrayList<>();
    private final List<String> warnings = new ArrayList<>();

    private AbcBook() {}

    /** Whether {@code text} looks like ABC: it has a field of a tune's head. */
    static boolean isAbc(String text) {
        return PROPERTY.matcher(text).find();
    }

    static Score read(String text) {
        AbcBook book = new AbcBook();
        List<String> tunes = tunes(text.replace("\r\n", "\n").replace('\r', '\n'));
        if (tunes.size() > MOST_TUNES) {
            throw new ScoreException("This file holds " + tunes.size() + " tunes; up to " + MOST_TUNES
                    + " are read. Keep those you are working on");
        }
        tunes.forEach(book::tune);
        if (book.lines.isEmpty()) {
            throw new ScoreException(
                    book.warnings.isEmpty()
                            ? "This ABC file holds no note"
                            : "No tune of this ABC file could be read. " + book.warnings.get(0));
        }
        return new Score("ABC", book.lines.get(0).part(), book.lines, book.leftOut, book.warnings);
    }

    private static List<String> tunes(String text) {
        List<Integer> starts = new ArrayList<>();
        Matcher matcher = TUNE.matcher(text);
        while (matcher.find()) {
            starts.add(matcher.start());
        }
        if (starts.isEmpty()) {
            return List.of(text);
        }
        List<String> tunes = new ArrayList<>();
        // Fields above the first tune, such as the unit length, hold for all.
        String above = text.substring(0, starts.get(0));
        for (int i = 0; i < starts.size(); i++) {
            tunes.add(above + text.substring(starts.get(i), i + 1 < starts.size() ? starts.get(i + 1) : text.length()));
        }
        return tunes;
    }

    private void tune(String text) {
        String title = "";
        for (Map.Entry<String, String> voice : voices(text).entrySet()) {
            String name = voice.getKey();
            try {
                AbcTune tune = AbcReader.read(voice.getValue(), MOST_CHARACTERS_A_VOICE);
                Line line = tune.line();
                title = line.part().isEmpty() ? "Tune " + (lines.size() + 1) : line.part();
                lines.add(new Line(
                        title,
                        name,
                        line.meter(),
                        line.key(),
                        line.barLines(),
                        line.notes(),
                        line.length(),
                        line.directions()));
                String of = title;
                tune.leftOut().forEach(what -> leftOut.add(of + ", " + what));
                tune.warnings().forEach(warning -> warn(of + ": " + warning));
            } catch (AbcException unreadable) {
                if (!isSilent(voice.getValue())) {
                    warn(titleOf(text) + (name.isEmpty() ? "" : ", voice " + name) + ", line " + unreadable.line()
                            + ", column " + unreadable.column() + ": " + unreadable.getMessage());
                }
            }
        }
    }

    private void warn(String sentence) {
        if (warnings.size() < AbcTune.MOST_WARNINGS) {
            warnings.add(sentence);
        }
    }

    private static String titleOf(String text) {
        Matcher title = Pattern.compile("(?m)^T:\\s*(.+)$").matcher(text);
        return title.find() ? title.group(1).strip() : "A tune";
    }

    private static boolean isSilent(String text) {
        int body = text.indexOf("\nK:");
        return body >= 0
                && text.substring(body + 3)
                        .lines()
                        .skip(1)
                        .allMatch(line -> line.isBlank() || line.matches("[A-Za-z]:.*|%.*"));
    }

    /** The text of each voice with the tune's head; one nameless voice where none is named. */
    private static Map<String, String> voices(String text) {
        StringBuilder head = new StringBuilder();
        Map<String, StringBuilder> bodies = new LinkedHashMap<>();
        String current = "";
        boolean inHead = true;
        for (String line : text.split("\n", -1)) {
            Matcher voice = VOICE.matcher(line);
            if (voice.matches()) {
                current = voice.group(1);
                // Definitions in the head name a voice without starting it.
                if (!inHead) {
                    bodies.computeIfAbsent(current, name -> new StringBuilder())
                            .append(voice.group(2))
                            .append('\n');
                }
            } else if (inHead) {
                head.append(line).append('\n');
                inHead = !line.startsWith("K:");
                current = inHead ? current : "";
            } else if (current.isEmpty() && bodies.size() > 0 && !bodies.containsKey("")) {
                bodies.values().iterator().next().append(line).append('\n');
            } else if (!line.isBlank() || bodies.containsKey(current)) {
                bodies.computeIfAbsent(current, name -> new StringBuilder())
                        .append(line)
                        .append('\n');
            }
        }
        Map<String, String> voices = new LinkedHashMap<>();
        bodies.forEach((name, body) -> {
            if (!body.toString().isBlank()) {
                voices.put(name, head.toString() + body);
            }
        });
        return voices;
    }
}
