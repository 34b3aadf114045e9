package tachylim.server.repertoire;

import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tachylim.server.TachylimSettings;
import tachylim.server.account.SignedIn;
import tachylim.server.web.ProblemCode;
import tachylim.server.web.Refused;
import tachylim.words.Reason;

/** How much room an account takes, and that it has an end. What is put away takes room too. */
@Service
public class StorageService {

    private static final long MEGABYTE = 1024 * 1024;

    /** What a row of the smaller tables takes, roughly, with its indexes. */
    private static final int BYTES_A_ROW = 400;

    private final JdbcClient sql;
    private final TachylimSettings settings;

    StorageService(JdbcClient sql, TachylimSettings settings) {
        this.settings = settings;
        this.sql = sql;
    }

    /** The room taken and the room there is, in bytes, and how many passages are kept of how many. */
    public record Storage(long usedBytes, long mostBytes, long passages, long mostPassages) {}

    @Transactional(readOnly = true)
    public Storage of(SignedIn who) {
        long texts = sum(who, "select coalesce(sum(text_size), 0) from passage where account_id = ?")
                + sum(who, "select coalesce(sum(plan_size), 0) from workout where account_id = ?");
        long rows = 0;
        for (String table :
                new String[] {"played_pass", "run_event", "run_segment", "note_mark", "piece", "bench_practice"}) {
            rows += sum(who, "select count(*) from " + table + " where account_id = ?");
        }
        return new Storage(
                texts + rows * BYTES_A_ROW,
                settings.roomMegabytes() * MEGABYTE,
                sum(who, "select count(*) from passage where account_id = ?"),
                PassageEditor.MOST_PASSAGES);
    }

    private long sum(SignedIn who, String query) {
        return sql.sql(query).param(who.accountId()).query(Long.class).single();
    }

    /** Whether nothing of a passage is in the log or in the load. */
    @Transactional(readOnly = true)
    public boolean isNeverPlayed(SignedIn who, long passageId) {
        return sql.sql("""
                        select (select count(*) from run r join piece p on p.id = r.piece_id where p.account_id = ? and p.passage_id = ?)
                             + (select count(*) from bench_practice b where b.account_id = ? and b.passage_id = ?)""")
                        .params(who.accountId(), passageId, who.accountId(), passageId)
                        .query(Long.class)
                        .single()
                == 0;
    }

    /** Refuses what would be kept when there is no room left. */
    public void checkRoom(SignedIn who) {
        Storage storage = of(who);
        if (storage.usedBytes >= storage.mostBytes) {
            throw Refused.conflict(
                    ProblemCode.STORAGE_FULL,
                    Reason.of(
                            "refusal.storageService.theMbOfThisAccountAreFull",
                            "roomMegabytes",
                            settings.roomMegabytes()));
        }
    }
}
