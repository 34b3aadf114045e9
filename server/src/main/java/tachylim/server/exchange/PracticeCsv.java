package tachylim.server.exchange;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.Locale;
import org.apache.commons.csv.CSVPrinter;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import tachylim.server.account.SignedIn;

/** Writes what was practised as tables for a spreadsheet, a row at a time. */
@Component
class PracticeCsv {

    private static final int ROWS_AT_ONCE = 500;

    private final JdbcTemplate sql;

    PracticeCsv(JdbcTemplate sql) {
        this.sql = new JdbcTemplate(sql.getDataSource());
        this.sql.setFetchSize(ROWS_AT_ONCE);
    }

    /** Every pass, in the order played. */
    @Transactional(readOnly = true)
    public void passes(SignedIn who, Appendable out) throws IOException {
        CSVPrinter csv = Csv.with(
                        "date",
                        "time_utc",
                        "workout",
                        "passage",
                        "section",
                        "kind",
                        "way",
                        "tempo",
                        "verdict",
                        "tension",
                        "seconds",
                        "burst_seconds",
                        "notes",
                        "effort_minutes",
                        "recovery")
                .print(out);
        sql.query(
                """
                select p.day, time(p.at), p.run_id, g.title, c.name, p.kind, p.way, p.tempo, p.verdict, if(p.tension_said, p.tension, null),
                       p.play_seconds, p.burst_seconds, p.notes, p.effort, p.reserve
                from played_pass p join piece c on c.id = p.piece_id join passage g on g.id = c.passage_id
                where p.account_id = ? order by p.id""",
                row -> {
                    print(
                            csv,
                            row.getString(1),
                            row.getString(2),
                            row.getLong(3),
                            Csv.cell(row.getString(4)),
                            Csv.cell(row.getString(5)),
                            row.getString(6).toLowerCase(Locale.ROOT),
                            Csv.cell(row.getString(7)),
                            row.getDouble(8),
                            row.getString(9) == null ? "" : row.getString(9).toLowerCase(Locale.ROOT),
                            row.getString(10) == null ? "" : row.getString(10),
                            row.getDouble(11),
                            row.getDouble(12),
                            row.getInt(13),
                            row.getDouble(14),
                            row.getDouble(15));
                },
                who.accountId());
        csv.flush();
    }

    /** What was measured of passes, whether in a workout or in a recording, in the order measured. */
    @Transactional(readOnly = true)
    public void takes(SignedIn who, Appendable out) throws IOException {
        CSVPrinter csv = Csv.with(
                        "date",
                        "workout",
                        "passage",
                        "section",
                        "way",
                        "tempo",
                        "measured",
                        "evenness",
                        "tempo_ratio",
                        "verdict",
                        "edition")
                .print(out);
        sql.query(
                """
                select m.day, m.run_id, g.title, c.name, m.way, m.tempo, m.measured, m.evenness, m.tempo_ratio, m.said, m.edition
                from measured_pass m join piece c on c.id = m.piece_id join passage g on g.id = m.passage_id
                where m.account_id = ? order by m.id""",
                row -> {
                    print(
                            csv,
                            row.getString(1),
                            orEmpty(row.getString(2)),
                            Csv.cell(row.getString(3)),
                            Csv.cell(row.getString(4)),
                            Csv.cell(row.getString(5)),
                            row.getDouble(6),
                            row.getString(7).toLowerCase(Locale.ROOT),
                            orEmpty(row.getString(8)),
                            row.getDouble(9),
                            orEmpty(row.getString(10)).toLowerCase(Locale.ROOT),
                            row.getInt(11));
                },
                who.accountId());
        csv.flush();
    }

    private static String orEmpty(String value) {
        return value == null ? "" : value;
    }

    /** Practice away from the screen. */
    @Transactional(readOnly = true)
    public void away(SignedIn who, Appendable out) throws IOException {
        CSVPrinter csv = Csv.with(PracticeRows.COLUMNS).print(out);
        sql.query(
                """
                select day, elsewhere, play_seconds, note from bench_practice
                where account_id = ? and elsewhere is not null and withdrawn_at is null order by day, id""",
                row -> {
                    print(
                            csv,
                            row.getString(1),
                            row.getString(2).toLowerCase(Locale.ROOT),
                            Math.round(row.getDouble(3) / 60),
                            "",
                            "",
                            "",
                            Csv.cell(row.getString(4)));
                },
                who.accountId());
        csv.flush();
    }

    private static void print(CSVPrinter csv, Object... cells) {
        try {
            csv.printRecord(cells);
        } catch (IOException gone) {
            throw new UncheckedIOException(gone);
        }
    }
}
