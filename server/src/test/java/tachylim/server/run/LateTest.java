package tachylim.server.run;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import tachylim.server.Player;
import tachylim.server.Practice;
import tachylim.server.ServerTest;
import tools.jackson.databind.JsonNode;

/** What is sent days after it was played is kept as history. */
class LateTest extends ServerTest {

    private final UUID window = UUID.randomUUID();

    /** What is played in the first steps of a workout, and how many seconds it takes until each is answered. */
    private List<Map.Entry<Map<String, Object>, Double>> played() {
        Player twin = player();
        JsonNode run = Practice.newRun(twin, window);
        Instant began = clock.instant();
        List<Map.Entry<Map<String, Object>, Double>> answers = new ArrayList<>();
        for (int i = 0; i < 8; i++) {
            Map<String, Object> answer = Practice.answer(run, window);
            answers.add(
                    Map.entry(answer, Duration.between(began, clock.instant()).toMillis() / 1000.0));
            run = Practice.send(twin, run, answer).ok();
        }
        return answers;
    }

    /** The same, by a page that was away while it was played. */
    private void playedLate(Player odile, Duration away) {
        List<Map.Entry<Map<String, Object>, Double>> answers = played();
        JsonNode run = Practice.newRun(odile, window);
        clock.pass(away);
        for (Map.Entry<Map<String, Object>, Double> one : answers) {
            Map<String, Object> answer = new HashMap<>(one.getKey());
            answer.put("clientId", UUID.randomUUID().toString());
            answer.put("secondsAgo", away.toSeconds() - one.getValue());
            Practice.send(odile, run, answer).ok();
        }
    }

    private JsonNode entry(Player odile) {
        return odile.get("/api/log").ok().path("entries").path(0);
    }

    private long learned(Player odile) {
        return sql.sql("""
                        select count(*) from ceiling_day where account_id = (select id from account where name = ?)""").param(odile.name()).query(Long.class).single();
    }

    @Test
    void whatComesAfterADayAndAHalfSaysNothingOfACeilingAndIsMarked() {
        Player odile = player();
        playedLate(odile, Duration.ofDays(3));
        assertThat(entry(odile).path("late").asBoolean()).isTrue();
        assertThat(learned(odile)).isZero();
        assertThat(Practice.effortOfTheLastDay(odile))
                .as("and counts for its day")
                .isPositive();
        long run = entry(odile).path("runId").asLong();
        JsonNode passes = odile.get("/api/log/" + run).ok().path("passes");
        assertThat(passes).as("what was said is kept").isNotEmpty();
        assertThat(passes.path(0).path("verdict").asString()).isEqualTo("CLEAN");
        odile.put(
                "/api/log/" + run + "/passes/" + passes.path(0).path("place").asInt(),
                Map.of("verdict", "CLEAN", "tension", 2));
        assertThat(learned(odile)).as("nor when it is corrected").isZero();
        assertThat(sql.sql("""
                                select count(*) from played_pass where verdict is not null
                                  and account_id = (select id from account where name = ?)""").param(odile.name()).query(Long.class).single()).isZero();
    }

    @Test
    void whatComesTheNextMorningCountsAsEver() {
        Player odile = player();
        playedLate(odile, Duration.ofHours(20));
        assertThat(entry(odile).path("late").asBoolean()).isFalse();
        assertThat(learned(odile)).isPositive();
    }
}
