package tachylim.server.exchange;

import java.io.IOException;
import java.io.StringReader;
import java.io.UncheckedIOException;
import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.StandardCharsets;
import java.time.DateTimeException;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Stream;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVRecord;
import tachylim.load.AwayPractice;
import tachylim.server.exchange.ExchangeDtos.PracticeProblem;
import tachylim.server.web.Refused;
import tachylim.server.words.Words;
import tachylim.task.Verdict;
import tachylim.tempo.Tempo;
import tachylim.words.Reason;

/**
 * Practice read from CSV, row by row: what can be read, and of everything else the row, the column and what is wrong.
 *
 * @param rows the rows that can be read
 * @param problems what is wrong with the others
 */
record PracticeRows(List<Row> rows, List<PracticeProblem> problems) {

    /** How practice away from the app is called in files that were written before. */
    private static final String PRACTICE = "Practice without a screen";

    static final String[] COLUMNS = {"date", "what", "minutes", "passage", "tempo", "verdict", "note"};
    private static final List<String> NEEDED = List.of("date", "minutes");
    private static final int MOST_ROWS = 5_000;
    private static final int MOST_PROBLEMS = 100;
    private static final int MOST_YEARS = 20;
    private static final int LONGEST_NOTE = 200;
    private static final int LONGEST_TITLE = 200;

    /**
     * One entry.
     *
     * @param row its row in the file, the names being row 1
     * @param passage the title of what was practised; empty when it is not said
     * @param tempo the tempo that was reached; empty when it is not said
     * @param verdict how it went at that tempo
     */
    record Row(
            int row,
            LocalDate date,
            AwayPractice what,
            int minutes,
            String passage,
            Optional<Tempo> tempo,
            Verdict verdict,
            String note) {}

    private static final class Wrong extends RuntimeException {

        private final String column;
        private final transient Reason problem;

        Wrong(String column, Reason problem) {
            super(problem.toString());
            this.problem = problem;
            this.column = column;
        }
    }

    /** Reads a file; {@code today} is the last day of which anything can be told. */
    static PracticeRows of(byte[] file, LocalDate today) {
        CSVFormat format = CSVFormat.RFC4180
                .builder()
                .setHeader()
                .setSkipHeaderRecord(true)
                .setIgnoreHeaderCase(true)
                .setIgnoreSurroundingSpaces(true)
                .setIgnoreEmptyLines(true)
                .setTrim(true)
                .get();
        List<Row> rows = new ArrayList<>();
        List<PracticeProblem> problems = new ArrayList<>();
        try (CSVParser parser = CSVParser.parse(new StringReader(text(file)), format)) {
            checkNames(parser);
            int number = 1;
            for (CSVRecord one : parser) {
                number++;
                if (number > MOST_ROWS + 1) {
                    throw Refused.field(
                            "file", Reason.of("refusal.practiceRows.thisFileHasMoreThanRows", "mostRows", MOST_ROWS));
                }
                try {
                    rows.add(row(number, one, today));
                } catch (Wrong wrong) {
                    if (problems.size() < MOST_PROBLEMS) {
                        problems.add(new PracticeProblem(
                                number, wrong.column, Words.spoken().say(wrong.problem)));
                    }
                }
            }
        } catch (IOException | UncheckedIOException | IllegalArgumentException | IllegalStateException unreadable) {
            throw Refused.field("file", Reason.of("refusal.practiceRows.notCsv"));
        }
        return new PracticeRows(rows, problems);
    }

    private static String text(byte[] file) {
        try {
            String text = StandardCharsets.UTF_8
                    .newDecoder()
                    .decode(ByteBuffer.wrap(file))
                    .toString();
            return text.startsWith("\uFEFF") ? text.substring(1) : text;
        } catch (CharacterCodingException other) {
            throw Refused.field("file", Reason.of("refusal.practiceRows.thisFileIsNoTextInUtf8Save"));
        }
    }

    private static void checkNames(CSVParser parser) {
        List<String> names = parser.getHeaderNames();
        List<String> missing = NEEDED.stream()
                .filter(column -> names.stream().noneMatch(name -> Csv.isNamed(name, column)))
                .toList();
        if (!missing.isEmpty()) {
            throw Refused.field(
                    "file",
                    Reason.of(
                            "refusal.practiceRows.theFirstRowNamesTheColumns",
                            "value",
                            named(missing),
                            "value2",
                            named(List.of(COLUMNS))));
        }
        List<String> unknown = names.stream()
                .filter(name -> Stream.of(COLUMNS).noneMatch(column -> Csv.isNamed(name, column)))
                .toList();
        if (!unknown.isEmpty()) {
            throw Refused.field(
                    "file",
                    Reason.of(
                            "refusal.practiceRows.thereIsNoColumnTheColumns",
                            "shortened",
                            shortened(unknown.get(0)),
                            "value",
                            named(List.of(COLUMNS))));
        }
    }

    private static String shortened(String text) {
        return text == null ? "" : text.length() > 100 ? text.substring(0, 100) + "…" : text;
    }

    private static Row row(int number, CSVRecord one, LocalDate today) {
        String passage = cell(one, "passage", LONGEST_TITLE);
        Optional<Tempo> tempo = tempo(cell(one, "tempo", 20));
        if (tempo.isPresent() && passage.isEmpty()) {
            throw new Wrong("tempo", Reason.of("refusal.practiceRows.aTempoNeedsThePassageItIs"));
        }
        return new Row(
                number,
                date(cell(one, "date", 20), today),
                what(cell(one, "what", 60)),
                minutes(cell(one, "minutes", 10)),
                passage,
                tempo,
                verdict(cell(one, "verdict", 20)),
                cell(one, "note", LONGEST_NOTE));
    }

    /** Columns as the player's language calls them, in a list. */
    private static List<Reason> named(List<String> columns) {
        return columns.stream().map(column -> Reason.of("column." + column)).toList();
    }

    private static String cell(CSVRecord one, String column, int longest) {
        String cell = one.getParser().getHeaderNames().stream()
                .filter(name -> Csv.isNamed(name, column) && one.isSet(name))
                .findFirst()
                .map(name -> Csv.text(one.get(name)))
                .orElse("");
        if (cell.length() > longest) {
            throw new Wrong(column, Reason.of("refusal.practiceRows.thisIsLongerThanCharacters", "longest", longest));
        }
        return cell;
    }

    private static LocalDate date(String cell, LocalDate today) {
        try {
            LocalDate date = LocalDate.parse(cell);
            if (date.isAfter(today) || date.isBefore(today.minusYears(MOST_YEARS))) {
                throw new Wrong(
                        "date", Reason.of("refusal.practiceRows.thisDayIsNotOfTheLastYears", "mostYears", MOST_YEARS));
            }
            return date;
        } catch (DateTimeException other) {
            throw new Wrong("date", Reason.of("refusal.practiceRows.thisIsNoDaySuchAs20260302"));
        }
    }

    private static AwayPractice what(String cell) {
        return cell.isEmpty()
                ? AwayPractice.PRACTICE
                : Stream.of(AwayPractice.values())
                        .filter(kind -> kind.name().equalsIgnoreCase(cell)
                                || kind == AwayPractice.PRACTICE && cell.equalsIgnoreCase(PRACTICE))
                        .findFirst()
                        .orElseThrow(() -> new Wrong(
                                "what",
                                Reason.of(
                                        "refusal.practiceRows.thisIsNoneOf",
                                        "value",
                                        String.join(
                                                ", ",
                                                Stream.of(AwayPractice.values())
                                                        .map(kind -> kind.name().toLowerCase(Locale.ROOT))
                                                        .toList()))));
    }

    private static int minutes(String cell) {
        try {
            int minutes = Integer.parseInt(cell);
            AwayPractice.PRACTICE.effort(minutes);
            return minutes;
        } catch (IllegalArgumentException other) {
            throw new Wrong(
                    "minutes",
                    Reason.of("refusal.practiceRows.give1ToWholeMinutes", "mostMinutes", AwayPractice.MOST_MINUTES));
        }
    }

    private static Optional<Tempo> tempo(String cell) {
        try {
            return cell.isEmpty() ? Optional.empty() : Optional.of(Tempo.of(Double.parseDouble(cell)));
        } catch (IllegalArgumentException other) {
            throw new Wrong(
                    "tempo",
                    Reason.of("refusal.practiceRows.giveATempoOfToBeatsAMinute", "min", Tempo.MIN, "max", Tempo.MAX));
        }
    }

    private static Verdict verdict(String cell) {
        return cell.isEmpty()
                ? Verdict.CLEAN
                : Stream.of(Verdict.values())
                        .filter(one -> one.name().equalsIgnoreCase(cell))
                        .findFirst()
                        .orElseThrow(
                                () -> new Wrong("verdict", Reason.of("refusal.practiceRows.thisIsNoneOfCleanRough")));
    }
}
