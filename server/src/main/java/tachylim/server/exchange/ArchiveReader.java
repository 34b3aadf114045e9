package tachylim.server.exchange;

import jakarta.persistence.EntityManager;
import java.io.BufferedInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.sql.Statement;
import java.time.Clock;
import java.time.DateTimeException;
import java.time.Duration;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Base64;
import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.zip.GZIPInputStream;
import org.springframework.dao.DataAccessException;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.jdbc.support.GeneratedKeyHolder;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import tachylim.server.account.AccountService;
import tachylim.server.account.SignedIn;
import tachylim.server.exchange.ArchiveTables.Column;
import tachylim.server.exchange.ArchiveTables.Table;
import tachylim.server.load.HeldCaps;
import tachylim.server.web.Refused;
import tachylim.words.Reason;
import tools.jackson.core.JacksonException;
import tools.jackson.core.JsonParser;
import tools.jackson.core.JsonToken;
import tools.jackson.core.StreamReadConstraints;
import tools.jackson.core.json.JsonFactory;
import tools.jackson.databind.json.JsonMapper;

/**
 * Reads all of an account from JSON into an account that holds nothing yet. Nothing of a file is believed: every value is
 * checked against its column, rows are found only within the file, and all that was read is read once more by those who will
 * use it. Where anything is wrong its place is said and nothing is kept.
 */
@Component
class ArchiveReader {

    private static final long MOST_BYTES = 512L * 1024 * 1024;
    private static final int LONGEST_TEXT = 4 * 1024 * 1024;
    private static final int MOST_DEPTH = 8;
    private static final long MOST_TOKENS = 40_000_000;
    private static final int MOST_ROWS = 1_000_000;
    private static final int ROWS_AT_ONCE = 200;
    private static final int TEXT_AT_ONCE = 4 * 1024 * 1024;
    private static final Duration PATIENCE = Duration.ofMinutes(2);
    private static final int GZIP = 0x1f;
    private static final double MOST_FIGURE = 1e9;
    private static final LocalDate EARLIEST = LocalDate.of(1970, 1, 1);
    private static final int YEARS_AHEAD = 10;

    /** What may be below nothing: logarithms, gains, and the figure of who told none. */
    private static final Set<String> SIGNED = Set.of("log_mean", "morning_mean", "gain", "told");

    private static final JsonMapper JSON = JsonMapper.builder(JsonFactory.builder()
                    .streamReadConstraints(StreamReadConstraints.builder()
                            .maxStringLength(LONGEST_TEXT)
                            .maxNestingDepth(MOST_DEPTH)
                            .maxDocumentLength(MOST_BYTES)
                            .maxTokenCount(MOST_TOKENS)
                            .build())
                    .build())
            .build();

    private final ArchiveTables tables;
    private final ArchiveCheck check;
    private final JdbcTemplate sql;
    private final JdbcClient client;
    private final EntityManager entities;
    private final AccountService accounts;
    private final Clock clock;

    ArchiveReader(
            ArchiveTables tables,
            ArchiveCheck check,
            JdbcTemplate sql,
            JdbcClient client,
            EntityManager entities,
            AccountService accounts,
            Clock clock) {
        this.tables = tables;
        this.check = check;
        this.sql = sql;
        this.client = client;
        this.entities = entities;
        this.accounts = accounts;
        this.clock = clock;
    }

    /** How many rows of each table were read. */
    @Transactional
    public Map<String, Integer> read(SignedIn who, InputStream file) {
        requireNothingYet(who);
        long deadline = System.nanoTime() + PATIENCE.toNanos();
        Map<String, Integer> counts = new HashMap<>();
        try (JsonParser json = JSON.createParser(unpacked(file))) {
            expect(
                    json.nextToken() == JsonToken.START_OBJECT,
                    Reason.of("refusal.archiveReader.thisIsNoFileOfAnAccount"));
            expect("format".equals(json.nextName()), Reason.of("refusal.archiveReader.thisIsNoFileOfAnAccount"));
            expect(
                    ArchiveWriter.FORMAT.equals(json.nextStringValue()),
                    Reason.of("refusal.archiveReader.thisIsNoFileOfAnAccount"));
            expect("version".equals(json.nextName()), Reason.of("refusal.archiveReader.thisFileDoesNotSayIts"));
            int version = json.nextIntValue(-1);
            expect(
                    version == ArchiveWriter.VERSION,
                    Reason.of(
                            "refusal.archiveReader.thisFileIsOfVersionVersion",
                            "version",
                            version,
                            "version2",
                            ArchiveWriter.VERSION));
            expect("account".equals(json.nextName()), Reason.of("refusal.archiveReader.afterItsVersionTheAccount"));
            profile(who, json);
            expect("tables".equals(json.nextName()), Reason.of("refusal.archiveReader.afterTheAccountItsTables"));
            expect(
                    json.nextToken() == JsonToken.START_OBJECT,
                    Reason.of("refusal.archiveReader.theTablesOfThisFileAreNot"));
            Map<String, List<Long>> ids = new HashMap<>();
            String next = json.nextName();
            for (Table table : ArchiveTables.ALL) {
                if (next == null && table.holdsToday()) {
                    continue;
                }
                expect(
                        table.name().equals(next),
                        Reason.of("refusal.archiveReader.theTableIsExpectedHere", "name", table.name()));
                counts.put(table.name(), rows(who, table, json, ids, deadline));
                next = json.nextName();
            }
            expect(
                    json.currentToken() == JsonToken.END_OBJECT,
                    Reason.of("refusal.archiveReader.thereAreMoreTablesThan"));
            expect(
                    json.nextToken() == JsonToken.END_OBJECT,
                    Reason.of("refusal.archiveReader.thereIsMoreInThisFileThan"));
        } catch (JacksonException unreadable) {
            throw refused(Reason.of(
                    "refusal.archiveReader.thisFileCannotBeReadToIts",
                    "shortened",
                    shortened(unreadable.getOriginalMessage())));
        } catch (IOException broken) {
            throw refused(Reason.of("refusal.archiveReader.thisFileCannotBeUnpacked"));
        }
        entities.clear();
        check.readsAgain(who);
        return counts;
    }

    private void requireNothingYet(SignedIn who) {
        // One file at a time, from however many windows.
        client.sql("select id from account where id = ? for update")
                .param(who.accountId())
                .query(Long.class)
                .single();
        for (Table table : ArchiveTables.ALL) {
            if (table.holdsToday()) {
                continue;
            }
            long rows = client.sql("select count(*) from " + table.name() + " where account_id = ?")
                    .param(who.accountId())
                    .query(Long.class)
                    .single();
            if (rows > 0) {
                throw refused(Reason.of("refusal.archiveReader.thisAccountHoldsSomething"));
            }
        }
    }

    private static InputStream unpacked(InputStream file) throws IOException {
        BufferedInputStream in = new BufferedInputStream(file);
        in.mark(2);
        int first = in.read();
        in.reset();
        return first == GZIP ? new GZIPInputStream(in) : in;
    }

    private static void expect(boolean isSo, Reason otherwise) {
        if (!isSo) {
            throw refused(otherwise);
        }
    }

    private static Refused refused(Reason why) {
        return Refused.field("file", why);
    }

    private static String shortened(String message) {
        return message.length() > 120 ? message.substring(0, 120) + "…" : message;
    }

    private void profile(SignedIn who, JsonParser json) {
        expect(
                json.nextToken() == JsonToken.START_ARRAY && json.nextToken() == JsonToken.START_OBJECT,
                Reason.of("refusal.archiveReader.theAccountItselfIsOneRow"));
        Map<String, Column> columns = tables.columns("account");
        Table account = new Table("account", "", "id", Map.of());
        Object[] values = values(account, columns, row(account, columns, json, 1), 1, Map.of());
        expect(json.nextToken() == JsonToken.END_ARRAY, Reason.of("refusal.archiveReader.theAccountItselfIsOneRow"));
        List<Object> all = new ArrayList<>(Arrays.asList(values));
        all.add(who.accountId());
        String sets =
                columns.keySet().stream().map(name -> "`" + name + "` = ?").collect(Collectors.joining(", "));
        keep("account", 1, () -> sql.update("update account set " + sets + " where id = ?", all.toArray()));
    }

    private int rows(SignedIn who, Table table, JsonParser json, Map<String, List<Long>> ids, long deadline) {
        expect(
                json.nextToken() == JsonToken.START_ARRAY,
                Reason.of("refusal.archiveReader.theRowsOfAreNotAList", "name", table.name()));
        Map<String, Column> columns = tables.columns(table.name());
        List<String> names = new ArrayList<>(columns.keySet());
        names.add("account_id");
        if (table.name().equals("run")) {
            names.add("active_account");
        }
        String insert = "insert into " + table.name() + " ("
                + names.stream().map(name -> "`" + name + "`").collect(Collectors.joining(", ")) + ") values ("
                + String.join(", ", Collections.nCopies(names.size(), "?")) + ")"
                + (table.holdsToday() ? HeldCaps.OR_THE_LOWER : "");
        List<Long> kept = new ArrayList<>();
        ids.put(table.name(), kept);
        List<Object[]> waiting = new ArrayList<>();
        int row = 0;
        long text = 0;
        while (json.nextToken() == JsonToken.START_OBJECT) {
            int number = ++row;
            expect(
                    System.nanoTime() < deadline,
                    Reason.of("refusal.archiveReader.readingThisTakesLongerThan", "toSeconds", PATIENCE.toSeconds()));
            expect(
                    number <= MOST_ROWS,
                    Reason.of(
                            "refusal.archiveReader.theTableHasMoreThanRows",
                            "name",
                            table.name(),
                            "mostRows",
                            MOST_ROWS));
            Map<String, Object> read = row(table, columns, json, number);
            Object[] values = values(table, columns, read, number, ids);
            text += read.values().stream()
                    .mapToLong(value -> value instanceof String said ? said.length() : 0)
                    .sum();
            if (table.holdsToday() && !today(who).equals(read.get("day"))) {
                continue;
            }
            Object[] all = Arrays.copyOf(values, names.size());
            all[values.length] = who.accountId();
            if (table.name().equals("run")) {
                // A run without an end is the one that is being played.
                all[values.length + 1] = values[names.indexOf("outcome")] == null ? who.accountId() : null;
            }
            if (table.key().isEmpty()) {
                waiting.add(all);
                if (waiting.size() == ROWS_AT_ONCE || text > TEXT_AT_ONCE) {
                    keep(table.name(), number, () -> sql.batchUpdate(insert, waiting));
                    waiting.clear();
                    text = 0;
                }
            } else {
                kept.add(keepOne(table, number, insert, all));
            }
        }
        expect(
                json.currentToken() == JsonToken.END_ARRAY,
                Reason.of("refusal.archiveReader.theRowsOfAreNotAListOfRows", "name", table.name()));
        if (!waiting.isEmpty()) {
            keep(table.name(), row, () -> sql.batchUpdate(insert, waiting));
        }
        return row;
    }

    private String today(SignedIn who) {
        try {
            return accounts.today(who).toString();
        } catch (DateTimeException | IllegalArgumentException nowhere) {
            throw refused(Reason.of("refusal.archiveReader.whereThisFileSaysItsPlayer"));
        }
    }

    private long keepOne(Table table, int row, String insert, Object[] values) {
        GeneratedKeyHolder key = new GeneratedKeyHolder();
        keep(
                table.name(),
                row,
                () -> sql.update(
                        connection -> {
                            var statement = connection.prepareStatement(insert, Statement.RETURN_GENERATED_KEYS);
                            for (int i = 0; i < values.length; i++) {
                                statement.setObject(i + 1, values[i]);
                            }
                            return statement;
                        },
                        key));
        return key.getKey().longValue();
    }

    private static void keep(String table, int row, Runnable keeping) {
        try {
            keeping.run();
        } catch (DataAccessException refusal) {
            throw refused(Reason.of("refusal.archiveReader.tableAtRowOrShortlyBefore", "table", table, "row", row));
        }
    }

    /** A row as it is read, value by value: whatever is none of a column's is refused before more of it is looked at. */
    private static Map<String, Object> row(Table table, Map<String, Column> columns, JsonParser json, int number) {
        Map<String, Object> row = new HashMap<>();
        for (String name = json.nextName(); name != null; name = json.nextName()) {
            String column = place(table, number) + ", " + shortened(name);
            expect(
                    columns.containsKey(name),
                    Reason.of(
                            "refusal.archiveReader.thereIsNoColumn",
                            "place",
                            place(table, number),
                            "shortened",
                            shortened(name)));
            expect(!row.containsKey(name), Reason.of("refusal.archiveReader.standsThereTwice", "column", column));
            row.put(name, scalar(column, json));
        }
        expect(
                json.currentToken() == JsonToken.END_OBJECT,
                Reason.of("refusal.archiveReader.thisIsNoRow", "place", place(table, number)));
        return row;
    }

    private static Object scalar(String place, JsonParser json) {
        return switch (json.nextToken()) {
            case VALUE_NULL -> null;
            case VALUE_STRING -> json.getString();
            case VALUE_TRUE -> true;
            case VALUE_FALSE -> false;
            case VALUE_NUMBER_FLOAT -> json.getDoubleValue();
            case VALUE_NUMBER_INT -> {
                expect(
                        json.getNumberType() != JsonParser.NumberType.BIG_INTEGER,
                        Reason.of("refusal.archiveReader.isNoNumberOfThese", "place", place));
                yield json.getLongValue();
            }
            default -> throw refused(Reason.of("refusal.archiveReader.isNoSingleValue", "place", place));
        };
    }

    private Object[] values(
            Table table,
            Map<String, Column> columns,
            Map<String, Object> row,
            int number,
            Map<String, List<Long>> ids) {
        return columns.values().stream()
                .map(column -> value(table, column, row.get(column.name()), number, ids))
                .toArray();
    }

    private static String place(Table table, int row) {
        return table.name() + " " + row;
    }

    private Object value(Table table, Column column, Object value, int row, Map<String, List<Long>> ids) {
        String place = place(table, row) + ", " + column.name();
        if (value == null) {
            expect(
                    column.nullable() || column.byDefault() != null,
                    Reason.of("refusal.archiveReader.isMissing", "place", place));
            return column.nullable() ? null : column.byDefault();
        }
        String other = table.references().get(column.name());
        if (other != null) {
            expect(
                    value instanceof Long at && at >= 1 && at <= ids.get(other).size(),
                    Reason.of("refusal.archiveReader.namesNoRowOfInThisFile", "place", place, "other", other));
            return ids.get(other).get(((Long) value).intValue() - 1);
        }
        return switch (column.type()) {
            case "bigint", "int" -> {
                expect(
                        value instanceof Long whole && whole >= 0 && whole <= Integer.MAX_VALUE,
                        Reason.of("refusal.archiveReader.isNoWholeNumberFrom0", "place", place));
                yield ((Long) value).intValue();
            }
            case "double" -> {
                double figure = value instanceof Number number ? number.doubleValue() : Double.NaN;
                boolean signed = SIGNED.contains(column.name());
                expect(
                        Math.abs(figure) <= MOST_FIGURE && (signed || figure >= 0),
                        Reason.of(
                                "refusal.archiveReader.isNoNumber", "place", place, "signedIs", signed ? "yes" : "no"));
                yield figure;
            }
            case "tinyint" -> {
                expect(
                        value instanceof Boolean,
                        Reason.of("refusal.archiveReader.isNeitherTrueNorFalse", "place", place));
                yield value;
            }
            case "date" -> date(place, text(place, value, column));
            case "datetime" -> moment(place, text(place, value, column));
            case "blob", "mediumblob", "varbinary" -> bytes(place, value);
            default -> document(table, column, place, text(place, value, column), ids);
        };
    }

    private static String text(String place, Object value, Column column) {
        expect(value instanceof String, Reason.of("refusal.archiveReader.isNoText", "place", place));
        String text = (String) value;
        expect(
                column.longest() == 0 || text.length() <= column.longest(),
                Reason.of("refusal.archiveReader.isLongerThanCharacters", "place", place, "longest", column.longest()));
        expect(text.indexOf('\0') < 0, Reason.of("refusal.archiveReader.holdsSomethingThatIsNoText", "place", place));
        return text;
    }

    private LocalDate date(String place, String text) {
        try {
            LocalDate date = LocalDate.parse(text);
            expect(
                    !date.isBefore(EARLIEST)
                            && date.isBefore(LocalDate.now(clock).plusYears(YEARS_AHEAD)),
                    Reason.of("refusal.archiveReader.isNoDayOfTheseTimes", "place", place));
            return date;
        } catch (DateTimeException other) {
            throw refused(Reason.of("refusal.archiveReader.isNoDaySuchAs20260302", "place", place));
        }
    }

    private LocalDateTime moment(String place, String text) {
        try {
            LocalDateTime moment = LocalDateTime.parse(text);
            date(place, moment.toLocalDate().toString());
            return moment;
        } catch (DateTimeException other) {
            throw refused(Reason.of("refusal.archiveReader.isNoMomentSuchAs202603", "place", place));
        }
    }

    private static byte[] bytes(String place, Object value) {
        expect(value instanceof String, Reason.of("refusal.archiveReader.isNoText", "place", place));
        try {
            return Base64.getDecoder().decode((String) value);
        } catch (IllegalArgumentException other) {
            throw refused(Reason.of("refusal.archiveReader.isNotInBase64", "place", place));
        }
    }

    private static String document(Table table, Column column, String place, String text, Map<String, List<Long>> ids) {
        if (!ArchiveIds.areIn(table.name(), column.name())) {
            return text;
        }
        List<Long> sections = ids.get("piece");
        try {
            return ArchiveIds.renamed(table.name(), text, id -> {
                expect(
                        id >= 1 && id <= sections.size(),
                        Reason.of("refusal.archiveReader.namesNoSectionOfThisFile", "place", place));
                return sections.get((int) id - 1);
            });
        } catch (JacksonException | ClassCastException other) {
            throw refused(Reason.of("refusal.archiveReader.cannotBeRead", "place", place));
        }
    }
}
