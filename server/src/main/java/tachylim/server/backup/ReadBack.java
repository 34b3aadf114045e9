package tachylim.server.backup;

import java.io.IOException;
import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.springframework.core.io.Resource;
import org.springframework.core.io.support.PathMatchingResourcePatternResolver;
import tachylim.server.backup.Copy.Flaw;

/** A database that a copy was read into, before anybody is sent to it: whether all of it is there. */
final class ReadBack {

    /** Without these it is something else. */
    private static final List<String> TABLES = List.of(
            "flyway_schema_history", "account", "passage", "piece", "workout", "run", "run_event", "played_pass");

    private final Copy copy;
    private final Connection database;

    /** @param database connected to the one it was read into */
    ReadBack(Copy copy, Connection database) {
        this.copy = copy;
        this.database = database;
    }

    /** @throws Flaw if anything of it is missing, is too new, or points at nothing */
    void check() throws Flaw, IOException, SQLException {
        for (String table : TABLES) {
            if (number(
                            "select count(*) from information_schema.tables where table_schema = database() and table_name = '"
                                    + table + "'")
                    == 0) {
                throw new Flaw(copy.file() + " holds no " + table + ", so it is no backup of Tachylim");
            }
        }
        schema();
        for (Map.Entry<String, Integer> told : copy.rows().entrySet()) {
            long there = number("select count(*) from `" + told.getKey() + "`");
            if (there != told.getValue()) {
                throw new Flaw("of " + told.getKey() + ", " + there + " of " + told.getValue() + " rows of "
                        + copy.file() + " could be read");
            }
        }
        long pointless = pointless();
        if (pointless > 0) {
            throw new Flaw(pointless + " rows of " + copy.file() + " point at rows that are not there");
        }
    }

    private void schema() throws Flaw, IOException, SQLException {
        long schema = number(
                "select coalesce(max(cast(version as unsigned)), 0) from flyway_schema_history where success = 1");
        if (schema == 0) {
            throw new Flaw(copy.file() + " does not say which schema it has");
        }
        if (schema > newest()) {
            throw new Flaw(copy.file() + " was written by a newer Tachylim (schema " + schema + ", here " + newest()
                    + "); read it back with that one");
        }
        if (number("select count(*) from flyway_schema_history where success = 0") > 0) {
            throw new Flaw(copy.file() + " was written in the middle of an upgrade");
        }
    }

    /** The newest schema that this version knows. */
    static long newest() throws IOException {
        long newest = 0;
        for (Resource step :
                new PathMatchingResourcePatternResolver().getResources("classpath:db/migration/V*__*.sql")) {
            String name = String.valueOf(step.getFilename());
            newest = Math.max(newest, Long.parseLong(name.substring(1, name.indexOf("__"))));
        }
        return newest;
    }

    /** Reading a dump looks at no links between tables, so it is done here. */
    private long pointless() throws SQLException {
        List<String> links = new ArrayList<>();
        try (Statement statement = database.createStatement();
                ResultSet keys = statement.executeQuery("""
                        select table_name, column_name, referenced_table_name, referenced_column_name
                        from information_schema.key_column_usage
                        where table_schema = database() and referenced_table_name is not null""")) {
            while (keys.next()) {
                links.add("select count(*) from `%1$s` c left join `%3$s` p on p.`%4$s` = c.`%2$s` "
                                .formatted(keys.getString(1), keys.getString(2), keys.getString(3), keys.getString(4))
                        + "where c.`%1$s` is not null and p.`%2$s` is null"
                                .formatted(keys.getString(2), keys.getString(4)));
            }
        }
        long all = 0;
        for (String link : links) {
            all += number(link);
        }
        return all;
    }

    private long number(String query) throws SQLException {
        try (Statement statement = database.createStatement();
                ResultSet answer = statement.executeQuery(query)) {
            answer.next();
            return answer.getLong(1);
        }
    }
}
