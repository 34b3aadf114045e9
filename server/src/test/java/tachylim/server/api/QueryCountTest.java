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

    /** The tenth answer of a run reads no more than the fifth: nothing is played again to take it. */
    @Test
    void anAnswerCostsTheSameHoweverManyCameBefore() {
        Player odile = player();
        UUID window = UUID.randomUUID();
        JsonNode run = Practice.playOn(odile, Practice.newRun(odile, window), window, 5);
        long fifth = answering(odile, run, window);
        JsonNode later = Practice.playOn(odile, view(odile, run, window), window, 5);
        assertThat(answering(odile, later, window)).isEqualTo(fifth).isLessThanOrEqualTo(26);
    }

    private long answering(Player player, JsonNode run, UUID window) {
        Map<String, Object> answer = Practice.answer(run, window);
        return queries(() -> Practice.send(player, run, answer).ok());
    }

    private static JsonNode view(Player player, JsonNode run, UUID window) {
        return player.get("/api/runs/" + run.path("id").asLong() + "?holder=" + window)
                .ok();
    }
}
