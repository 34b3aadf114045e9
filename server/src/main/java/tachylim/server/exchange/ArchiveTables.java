package tachylim.server.exchange;

import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/**
 * The tables that an account is, in the order in which they rest on each other, and their columns as the database has them.
 * What follows from the rest is not among them, nor what belongs to one installation: passwords, workouts, private addresses.
 */
@Component
class ArchiveTables {

    /**
     * A table of an archive.
     *
     * @param key the column by which others refer to its rows; empty when none do
     * @param order the columns by which its rows are in the same order wherever they are
     * @param references the columns that refer to rows of other tables, with those tables
     */
    record Table(String name, String key, String order, Map<String, String> references) {

        /** Whether it says how the day at hand stands: an account may hold that before anything else is read into it. */
        boolean holdsToday() {
            return name.equals("held_cap");
        }
    }

    /**
     * A column: its type as the database calls it, whether it may be missing, the longest text it takes, and what stands there
     * where a file of an earlier release says nothing.
     */
    record Column(String name, String type, boolean nullable, long longest, Object byDefault) {}

    static final Set<String> PROFILE = Set.of(
            "instrument",
            "usual_minutes",
            "next_minutes",
            "next_minutes_from",
            "zone",
            "next_zone",
            "next_zone_from",
            "zone_asked_on",
            "zone_asked_at",
            "opened_on",
            "rough_counts",
            "loose_only",
            "rests_as_played",
            "routine",
            "other_instruments",
            "days_off",
            "calendar_name",
            "felt",
            "felt_from");

    static final List<Table> ALL = List.of(
            new Table("passage", "id", "id", Map.of()),
            new Table("piece", "id", "id", Map.of("passage_id", "passage", "grown_from", "piece")),
            new Table("note_mark", "", "id", Map.of("passage_id", "passage")),
            new Table("mode", "", "id", Map.of()),
            new Table("readiness_day", "", "id", Map.of("passage_id", "passage")),
            new Table("chosen_variant", "id", "id", Map.of("passage_id", "passage")),
            new Table("link_break", "", "id", Map.of("passage_id", "passage")),
            new Table("counted_change", "id", "id", Map.of("passage_id", "passage")),
            new Table("taken_count", "", "id", Map.of("change_id", "counted_change")),
            new Table("workout", "id", "id", Map.of("piece_id", "piece")),
            new Table("starting_belief", "", "workout_id, theme", Map.of("workout_id", "workout")),
            new Table("run", "id", "id", Map.of("workout_id", "workout", "piece_id", "piece")),
            new Table("run_event", "", "id", Map.of("run_id", "run")),
            new Table("run_segment", "", "id", Map.of("run_id", "run")),
            new Table("played_pass", "", "id", Map.of("run_id", "run", "piece_id", "piece")),
            new Table("measured_pass", "", "id", Map.of("run_id", "run", "piece_id", "piece", "passage_id", "passage")),
            new Table("ceiling_belief", "", "piece_id", Map.of("piece_id", "piece")),
            new Table("ceiling_day", "", "piece_id, day", Map.of("piece_id", "piece")),
            new Table("ceiling_test", "", "run_id", Map.of("run_id", "run", "piece_id", "piece")),
            new Table("bench_practice", "", "id", Map.of("passage_id", "passage", "choice_id", "chosen_variant")),
            new Table("session_rating", "", "run_id", Map.of("run_id", "run")),
            new Table("symptom", "", "id", Map.of()),
            new Table("player_condition", "", "account_id", Map.of()),
            new Table("given_limit", "", "id", Map.of()),
            new Table("performance", "", "id", Map.of()),
            new Table("asked_day", "", "day", Map.of()),
            new Table("plan_template", "", "id", Map.of()),
            new Table("plan_draft", "", "passage_id", Map.of("passage_id", "passage")),
            new Table("held_cap", "", "kind", Map.of()));

    /** What is not written of any table: whose it is, and what an open run is found by. */
    private static final Set<String> LEFT_OUT = Set.of("account_id", "active_account", "id");

    private final Map<String, Map<String, Column>> columns = new LinkedHashMap<>();
    private final JdbcClient sql;

    ArchiveTables(JdbcClient sql) {
        this.sql = sql;
    }

    /** The columns of a table that are written, in the order in which the database has them. */
    synchronized Map<String, Column> columns(String table) {
        return columns.computeIfAbsent(table, this::read);
    }

    private Map<String, Column> read(String table) {
        Map<String, Column> found = new LinkedHashMap<>();
        sql
                .sql("""
                        select column_name, data_type, is_nullable, coalesce(character_maximum_length, 0),
                               column_default
                        from information_schema.columns
                        where table_schema = database() and table_name = ? and extra not like '%GENERATED%'
                        order by ordinal_position""")
                .param(table)
                .query((row, i) -> new Column(
                        row.getString(1),
                        row.getString(2),
                        row.getString(3).equals("YES"),
                        row.getLong(4),
                        byDefault(row.getString(2), row.getString(5))))
                .list()
                .stream()
                .filter(column -> !LEFT_OUT.contains(column.name())
                        && (!table.equals("account") || PROFILE.contains(column.name())))
                .forEach(column -> found.put(column.name(), column));
        return found;
    }

    private static Object byDefault(String type, String said) {
        return switch (said == null || said.equals("NULL") ? "" : type) {
            case "tinyint" -> said.equals("1");
            case "double" -> Double.valueOf(said);
            default -> null;
        };
    }

    /** The tables of the database that hold something of accounts and are neither here nor known to be left out. */
    Set<String> forgotten() {
        Set<String> unknown = new HashSet<>(sql.sql("""
                        select table_name from information_schema.columns
                        where table_schema = database() and column_name = 'account_id'""").query(String.class).list());
        ALL.forEach(table -> unknown.remove(table.name()));
        unknown.removeAll(Set.of("run_summary", "calendar_feed", "packed_workout"));
        return unknown;
    }
}
