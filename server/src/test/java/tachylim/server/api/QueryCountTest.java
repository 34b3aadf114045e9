package tachylim.server.api;

import static org.assertj.core.api.Assertions.assertThat;

import jakarta.persistence.EntityManagerFactory;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.atomic.AtomicReference;
import org.hibernate.SessionFactory;
import org.hibernate.stat.Statistics;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import tachylim.server.Player;
import tachylim.server.Practice;
import tachylim.server.ServerTest;
import tools.jackson.databind.JsonNode;

/** Lists ask the database as often for many things as for one. */
class QueryCountTest extends ServerTest {

    @Autowired
    private EntityManagerFactory factory;

    private long queries(Player player, String path) {
        return queries(() -> player.get(path).ok());
    }

    private long queries(Runnable asking) {
        Statistics statistics = factory.unwrap(SessionFactory.class).getStatistics();
        statistics.clear();
        asking.run();
        return statistics.getPrepareStatementCount();
    }

    private static void playAndStop(Player player) {
        UUID window = UUID.randomUUID();
        long passage = Practice.newPassage(player);
        player.put("/api/passages/" + passage + "/sections", Map.of("kind", "BARS", "size", 1))
                .ok();
        JsonNode run = Practice.begin(player, Practice.firstSection(player, passage), window)
                .ok();
        JsonNode on = Practice.playOn(player, run, window, 5);
        Practice.send(player, on, Practice.event(on, window, "STOPPED", Map.of()))
                .ok();
    }

    @Test
    void manyPassagesAndSessionsCostNoMoreQueriesThanOne() {
        Player odile = player();
        playAndStop(odile);
        long passages = queries(odile, "/api/passages");
        long today = queries(odile, "/api/today");
        long log = queries(odile, "/api/log");
        long season = queries(odile, "/api/season");
        for (int i = 0; i < 4; i++) {
            playAndStop(odile);
        }
        assertThat(queries(odile, "/api/passages")).isEqualTo(passages).isLessThanOrEqualTo(5);
        assertThat(queries(odile, "/api/today")).isLessThanOrEqualTo(today).isLessThanOrEqualTo(39);
        assertThat(queries(odile, "/api/season")).isLessThanOrEqualTo(season).isLessThanOrEqualTo(19);
        assertThat(queries(odile, "/api/log")).isEqualTo(log).isLessThanOrEqualTo(6);
    }

    @Test
    void manyCountsCostNoMoreQueriesThanOne() {
        Player odile = player();
        long one = queries(odile, "/api/changes");
        for (int i = 0; i < 4; i++) {
            String counts = "/api/changes/"
                    + odile.post("/api/changes", Map.of("name", "G to C", "song", "", "target", 112, "beats", 2))
                            .ok()
                            .path("changes")
                            .path(i)
                            .path("id")
                            .asLong()
                    + "/counts";
            clock.pass(60);
            odile.post(counts, Map.of("clientId", UUID.randomUUID().toString(), "seconds", 60, "clean", 30))
                    .ok();
        }
        assertThat(queries(odile, "/api/changes")).isLessThanOrEqualTo(one + 1).isLessThanOrEqualTo(13);
    }

    /** The later answers of a run ask no more than the first: nothing is played again to take one. */
    @Test
    void anAnswerCostsTheSameHoweverManyCameBefore() {
        Player odile = player();
        UUID window = UUID.randomUUID();
        JsonNode run = Practice.newRun(odile, window);
        long first = 0;
        long later = 0;
        for (int i = 0; i < 16; i++) {
            Map<String, Object> answer = Practice.answer(run, window);
            JsonNode now = run;
            AtomicReference<JsonNode> next = new AtomicReference<>();
            long asked =
                    queries(() -> next.set(Practice.send(odile, now, answer).ok()));
            run = next.get();
            first = i < 8 ? Math.max(first, asked) : first;
            later = i < 8 ? later : Math.max(later, asked);
        }
        assertThat(later).isPositive().isLessThanOrEqualTo(first);
        assertThat(first).isLessThanOrEqualTo(30);
    }
}
