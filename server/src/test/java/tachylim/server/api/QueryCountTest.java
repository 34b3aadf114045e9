package tachylim.server.api;

import static org.assertj.core.api.Assertions.assertThat;

import jakarta.persistence.EntityManagerFactory;
import java.util.Map;
import java.util.UUID;
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
        Statistics statistics = factory.unwrap(SessionFactory.class).getStatistics();
        statistics.clear();
        player.get(path).ok();
        return statistics.getPrepareStatementCount();
    }

    private static void playAndStop(Player player) {
        UUID window = UUID.randomUUID();
        long passage = Practice.newPassage(player);
        player.put("/api/passages/" + passage + "/pieces", Map.of("kind", "BARS", "size", 1))
                .ok();
        JsonNode run = Practice.begin(player, Practice.firstPiece(player, passage), window)
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
        for (int i = 0; i < 4; i++) {
            playAndStop(odile);
        }
        assertThat(queries(odile, "/api/passages")).isEqualTo(passages).isLessThanOrEqualTo(5);
        assertThat(queries(odile, "/api/today")).isEqualTo(today).isLessThanOrEqualTo(21);
        assertThat(queries(odile, "/api/log")).isEqualTo(log).isLessThanOrEqualTo(6);
    }
}
