package tachylim.server.season;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import tachylim.server.Player;
import tachylim.server.Practice;
import tachylim.server.ServerTest;
import tools.jackson.databind.JsonNode;

class LearnedTest extends ServerTest {

    private static JsonNode item(JsonNode all, String what) {
        for (JsonNode one : all) {
            if (one.path("what").asString().equals(what)) {
                return one;
            }
        }
        throw new AssertionError("Nothing is said of " + what + ": " + all);
    }

    @Test
    void ofWhoeverHasPlayedNothingTheUsualIsSaidAndCalledSo() {
        JsonNode all = player().get("/api/learned").ok();
        assertThat(all).hasSize(3).allSatisfy(one -> {
            assertThat(one.path("learned").asBoolean()).isFalse();
            assertThat(one.path("from").path("code").asString()).endsWith(".usual");
            assertThat(one.path("low").asDouble()).isGreaterThanOrEqualTo(0);
            assertThat(one.path("percent").asDouble())
                    .isBetween(one.path("low").asDouble(), one.path("high").asDouble());
        });
        assertThat(item(all, "GAIN").path("percent").asDouble()).isBetween(0.1, 0.4);
        assertThat(item(all, "TIRING").path("percent").asDouble()).isBetween(4.0, 9.0);
    }

    @Test
    void howMuchPlayingTiresIsLearnedFromAWorkoutAndForgottenWhenAsked() {
        Player odile = player();
        Practice.played(odile, 12);
        JsonNode tiring = item(odile.get("/api/learned").ok(), "TIRING");
        assertThat(tiring.path("learned").asBoolean()).isTrue();
        double usual = item(player().get("/api/learned").ok(), "TIRING")
                .path("percent")
                .asDouble();
        assertThat(tiring.path("percent").asDouble()).isNotEqualTo(usual);
        double ceiling = ceiling(odile);
        JsonNode forgotten = item(odile.delete("/api/learned/TIRING").ok(), "TIRING");
        assertThat(Math.abs(forgotten.path("percent").asDouble() - usual)).isLessThan(0.01);
        assertThat(Math.abs(ceiling(odile) / ceiling - 1)).isLessThan(0.05);
    }

    private static double ceiling(Player player) {
        return player.get("/api/passages")
                .ok()
                .path(0)
                .path("sections")
                .path(0)
                .path("estimate")
                .path("ceiling")
                .path("middle")
                .asDouble();
    }

    @Test
    void gainsAreLearnedAnewFromTheDayTheyWereForgotten() {
        Player odile = player();
        Practice.played(odile, 4);
        long account = signedIn(odile).accountId();
        for (int day = 1; day <= 12; day++) {
            sql.sql("""
                    insert into ceiling_day (piece_id, account_id, day, ease, ceiling, ceiling_low, ceiling_high, breakdown,
                      log_mean, log_variance, morning_mean, morning_variance)
                    select piece_id, account_id, day - interval ? day, ease, ceiling, ceiling_low, ceiling_high, breakdown,
                      log_mean, log_variance / 2, morning_mean, morning_variance from ceiling_day
                    where account_id = ? and day = (select max(day) from ceiling_day where account_id = ?)""").params(day, account, account).update();
        }
        assertThat(item(odile.get("/api/learned").ok(), "GAIN").path("learned").asBoolean())
                .isTrue();
        JsonNode forgotten = odile.delete("/api/learned/GAIN").ok();
        assertThat(item(forgotten, "GAIN").path("learned").asBoolean()).isFalse();
        assertThat(item(forgotten, "LOSS").path("learned").asBoolean()).isFalse();
        assertThat(odile.delete("/api/learned/NAME").status()).isEqualTo(400);
    }
}
