package tachylim.notation.abc;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import tachylim.words.Reason;

/**
 * The text of one tune, taken apart: its head, and the music of each voice. What is written below the tune and is no music,
 * or stands in a block of text, is not part of it. This class is immutable.
 *
 * @param voices the head with the music of each voice, in order; one nameless voice where none is named
 */
record AbcText(Map<String, Voice> voices) {

    /**
     * The head of a tune with the music of one voice.
     *
     * @param numbers for each of its lines the number of that line in the tune, from 1
     */
    record Voice(String text, List<Integer> numbers) {

        /** The number in the tune of a line of this text. */
        int lineInTune(int line) {
            return numbers.isEmpty() ? line : numbers.get(Math.min(line, numbers.size()) - 1);
        }
    }

    private static final Pattern FIELD = Pattern.compile("^[A-Za-z+]:.*");
    private static final Pattern BODY_FIELD = Pattern.compile("^[IKLMmPQRrsTUVWw+]:.*");
    private static final Pattern ABOVE_FIELD = Pattern.compile("^[ILMQRU]:.*");
    private static final Pattern VOICE = Pattern.compile("^V:\\s*(\\S+)(.*)$");
    private static final Pattern INLINE = Pattern.compile("\\[V:\\s*([^\\s\\]]+)([^\\]]*)\\]");
    private static final Pattern QUOTED = Pattern.compile("\"[^\"]*\"|![^!\\s]*!");
    private static final Pattern NO_MUSIC = Pattern.compile("[^A-Ga-gxyzXZ0-9/,'|:()\\[\\]^_=<>~.{}& \\-!\\\\]");
    private static final double MOSTLY = 0.25;
    private static final int MOST_VOICES = 200;
    private static final int LONGEST_HEAD = 100_000;

    static AbcText of(String text) {
        return new Taking(tune(text)).text();
    }

    /** The fields of what stands above the first tune; other text there is none of any tune's. */
    static String fieldsOf(String above) {
        // Lines stay where they are, so that the places of errors are those of the file.
        return withoutBlocks(above).stream()
                .map(line -> line.startsWith("%%") || ABOVE_FIELD.matcher(line).matches() ? line : "")
                .collect(Collectors.joining("\n"));
    }

    /** Whether nothing in {@code text} could be music. */
    static boolean isSilent(String text) {
        boolean inHead = true;
        for (String line : text.split("\n")) {
            String bare = INLINE.matcher(line).replaceAll("");
            if (!inHead && !bare.isBlank() && !FIELD.matcher(bare).matches() && !bare.startsWith("%")) {
                return false;
            }
            inHead = inHead && !line.startsWith("K:");
        }
        return true;
    }

    /** The lines of a tune: up to the blank line below it, unless music goes on after that. */
    private static List<String> tune(String text) {
        List<String> lines = withoutBlocks(text);
        boolean music = false;
        for (int at = 0; at < lines.size(); at++) {
            String line = lines.get(at);
            if (line.isBlank() && music && !goesOn(lines, at)) {
                return lines.subList(0, at);
            }
            music |= !line.isBlank() && !FIELD.matcher(line).matches() && !line.startsWith("%");
        }
        return lines;
    }

    private static boolean goesOn(List<String> lines, int from) {
        return lines.subList(from, lines.size()).stream()
                .filter(line -> !line.isBlank())
                .findFirst()
                .map(AbcText::looksLikeMusic)
                .orElse(false);
    }

    private static boolean looksLikeMusic(String line) {
        if (BODY_FIELD.matcher(line).matches() || line.startsWith("%") || line.startsWith("[V:")) {
            return true;
        }
        String bare = QUOTED.matcher(line).replaceAll("");
        long odd = NO_MUSIC.matcher(bare).results().count();
        return bare.contains("|") && odd <= MOSTLY * bare.length();
    }

    /** The lines without blocks of text; an empty line stands for each, so that places stay. */
    private static List<String> withoutBlocks(String text) {
        List<String> lines = new ArrayList<>();
        String end = null;
        for (String line : text.split("\n", -1)) {
            if (end != null) {
                end = line.startsWith(end) ? null : end;
                lines.add("%");
            } else if (line.startsWith("%%begin")) {
                end = "%%end" + line.substring("%%begin".length()).strip().split("\\s")[0];
                lines.add("%");
            } else {
                lines.add(line);
            }
        }
        return lines;
    }

    /** Goes through the lines of a tune and deals them to its voices. */
    private static final class Taking {

        private final List<String> lines;
        private final Gathered head = new Gathered();
        private final Map<String, String> definitions = new LinkedHashMap<>();
        private final Map<String, Gathered> bodies = new LinkedHashMap<>();
        private String current = "";
        private boolean inHead = true;
        private int at;

        Taking(List<String> lines) {
            this.lines = lines;
        }

        /** Lines of the tune, with their numbers. */
        private static final class Gathered {
            private final StringBuilder text = new StringBuilder();
            private final List<Integer> numbers = new ArrayList<>();

            void add(int number, String line) {
                boolean goesOn = !numbers.isEmpty() && numbers.get(numbers.size() - 1) == number;
                if (goesOn) {
                    text.setLength(text.length() - 1);
                } else {
                    numbers.add(number);
                }
                text.append(line).append('\n');
            }
        }

        AbcText text() {
            for (at = 0; at < lines.size(); at++) {
                line(lines.get(at));
            }
            if (bodies.size() > MOST_VOICES || head.text.length() > LONGEST_HEAD) {
                throw new AbcException(1, 1, "", Reason.of("refusal.abcText.thisTuneHasMoreVoicesOrA"));
            }
            Map<String, Voice> voices = new LinkedHashMap<>();
            bodies.forEach((name, body) -> {
                if (!body.text.toString().isBlank()) {
                    String defined = definitions.getOrDefault(name, "").replace("]", "");
                    String start = defined.isBlank() ? "" : "[V:" + name + defined + "]";
                    List<Integer> numbers = new ArrayList<>(head.numbers);
                    numbers.addAll(body.numbers);
                    voices.put(name, new Voice(head.text + start + body.text, numbers));
                }
            });
            return new AbcText(voices);
        }

        private void line(String line) {
            Matcher voice = VOICE.matcher(line);
            boolean starts = inHead && !line.isBlank() && !FIELD.matcher(line).matches() && !line.startsWith("%");
            inHead = inHead && !starts;
            if (voice.matches() && inHead) {
                // Definitions in the head name a voice without starting it.
                definitions.put(voice.group(1), voice.group(2));
            } else if (voice.matches()) {
                current = voice.group(1);
                add("[V:" + current + voice.group(2).replace("]", "") + "]");
            } else if (inHead) {
                head.add(at + 1, line);
                inHead = !line.startsWith("K:");
            } else if (line.contains("[V:")) {
                inline(line);
            } else if (!line.isBlank()) {
                add(line);
            }
        }

        /** Voices that change within a line. */
        private void inline(String line) {
            Matcher voice = INLINE.matcher(line);
            int from = 0;
            while (voice.find()) {
                add(line.substring(from, voice.start()));
                current = voice.group(1);
                from = voice.start();
            }
            add(line.substring(from));
        }

        private void add(String music) {
            if (!music.isBlank()) {
                boolean unnamed = current.isEmpty() && !bodies.isEmpty() && !bodies.containsKey("");
                Gathered body = unnamed
                        ? bodies.values().iterator().next()
                        : bodies.computeIfAbsent(current, name -> new Gathered());
                body.add(at + 1, music);
            }
        }
    }
}
