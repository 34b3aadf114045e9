package tachylim.server.exchange;

import java.io.IOException;
import java.io.OutputStream;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.LocalDateTime;
import java.util.Base64;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.zip.GZIPOutputStream;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import tachylim.server.account.SignedIn;
import tachylim.server.exchange.ArchiveTables.Column;
import tachylim.server.exchange.ArchiveTables.Table;
import tachylim.server.load.LoadService;
import tools.jackson.core.JsonGenerator;
import tools.jackson.databind.json.JsonMapper;

/**
 * Writes all of an account as JSON. Rows are named by their place in their table, from 1, so that the same account is the same
 * file wherever it is kept.
 */
@Component
class ArchiveWriter {

    static final String FORMAT = "tachylim-account";
    static final int VERSION = 1;
    private static final int ROWS_AT_ONCE = 500;

    private final ArchiveTables tables;
    private final JdbcTemplate sql;
    private final JdbcClient client;
    private final LoadService load;

    ArchiveWriter(ArchiveTables tables, JdbcTemplate sql, JdbcClient client, LoadService load) {
        this.tables = tables;
        this.load = load;
        this.client = client;
        this.sql = new JdbcTemplate(sql.getDataSource());
        this.sql.setFetchSize(ROWS_AT_ONCE);
    }

    /** Writes it, packed, with the caps of the day at hand. All of it is of one moment. */
    @Transactional
    public void write(SignedIn who, OutputStream out) throws IOException {
        load.holdCaps(who);
        Map<String, Map<Long, Long>> places = new HashMap<>();
        try (JsonGenerator json = JsonMapper.shared().createGenerator(new GZIPOutputStream(out))) {
            json.writeStartObject();
            json.writeStringProperty("format", FORMAT);
            json.writeNumberProperty("version", VERSION);
            json.writeName("account");
            rows(json, new Table("account", "", "id", Map.of()), "id", who, places);
            json.writeName("tables");
            json.writeStartObject();
            for (Table table : ArchiveTables.ALL) {
                if (!table.key().isEmpty()) {
                    places.put(table.name(), places(table, who));
                }
                json.writeName(table.name());
                rows(json, table, "account_id", who, places);
            }
            json.writeEndObject();
            json.writeEndObject();
        }
    }

    private Map<Long, Long> places(Table table, SignedIn who) {
        List<Long> ids = client.sql("select id from " + table.name() + " where account_id = ? order by id")
                .param(who.accountId())
                .query(Long.class)
                .list();
        Map<Long, Long> places = new HashMap<>();
        for (int i = 0; i < ids.size(); i++) {
            places.put(ids.get(i), i + 1L);
        }
        return places;
    }

    private void rows(
            JsonGenerator json, Table table, String owner, SignedIn who, Map<String, Map<Long, Long>> places) {
        Collection<Column> columns = tables.columns(table.name()).values();
        String names = columns.stream()
                .map(column -> "`" + column.name() + "`")
                .reduce((a, b) -> a + ", " + b)
                .orElseThrow();
        json.writeStartArray();
        sql.query(
                "select " + names + " from " + table.name() + " where " + owner + " = ? order by " + table.order(),
                row -> {
                    json.writeStartObject();
                    int i = 1;
                    for (Column column : columns) {
                        json.writeName(column.name());
                        value(json, table, column, row, i++, places);
                    }
                    json.writeEndObject();
                },
                who.accountId());
        json.writeEndArray();
    }

    private static void value(
            JsonGenerator json, Table table, Column column, ResultSet row, int i, Map<String, Map<Long, Long>> places)
            throws SQLException {
        if (row.getObject(i) == null) {
            json.writeNull();
            return;
        }
        String other = table.references().get(column.name());
        if (other != null) {
            json.writeNumber(places.get(other).get(row.getLong(i)));
            return;
        }
        switch (column.type()) {
            case "bigint", "int" -> json.writeNumber(row.getLong(i));
            case "double" -> json.writeNumber(row.getDouble(i));
            case "tinyint" -> json.writeBoolean(row.getBoolean(i));
            case "date" -> json.writeString(row.getString(i));
            case "datetime" ->
                json.writeString(row.getObject(i, LocalDateTime.class).toString());
            case "blob", "mediumblob", "varbinary" ->
                json.writeString(Base64.getEncoder().encodeToString(row.getBytes(i)));
            default ->
                json.writeString(
                        ArchiveIds.areIn(table.name(), column.name())
                                ? ArchiveIds.renamed(
                                        table.name(),
                                        row.getString(i),
                                        id -> places.get("piece").getOrDefault(id, 0L))
                                : row.getString(i));
        }
    }
}
