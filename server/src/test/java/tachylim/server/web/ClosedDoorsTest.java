package tachylim.server.web;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import tachylim.server.Player;
import tachylim.server.Player.Reply;
import tachylim.server.ServerTest;

/** What is for this machine, or for nobody, unless it was configured. */
class ClosedDoorsTest extends ServerTest {

    @Test
    void theStateOfTheServerIsForThisMachineAlone() {
        assertThat(stranger().get("/actuator/health").status()).isEqualTo(200);
        for (String proxied : new String[] {"X-Forwarded-For", "Forwarded"}) {
            assertThat(stranger()
                            .sendWith("GET", "/actuator/health", null, Map.of(proxied, "198.51.100.7"))
                            .status())
                    .isEqualTo(401);
        }
    }

    @Test
    void aCalendarIsGivenNoCookieAndNoWordOfAHostIsBelieved() {
        Player odile = player();
        Reply opened = odile.sendWith("POST", "/api/season/feed", "{}", Map.of("X-Forwarded-Host", "evil.example"));
        String address = opened.ok().path("address").asString();
        assertThat(address).startsWith("/calendar/").endsWith(".ics?lang=en");
        Reply calendar = stranger().get(address);
        assertThat(calendar.status()).isEqualTo(200);
        assertThat(calendar.response().headers().allValues("Set-Cookie")).isEmpty();
    }

    @ParameterizedTest
    @ValueSource(strings = {"+999999999-12-31", "-999999999-01-01", "1899-12-31", "3000-01-01", "today"})
    void aDayThatNobodyLivesIsRefused(String day) {
        Player odile = player();
        assertThat(odile.get("/api/log/month?of=" + URLEncoder.encode(day, StandardCharsets.UTF_8))
                        .status())
                .isBetween(400, 422);
        assertThat(odile.post("/api/season/performances", Map.of("name", "Harbour Hall", "day", day))
                        .status())
                .isBetween(400, 422);
    }

    @ParameterizedTest
    @ValueSource(strings = {"Lighthouse2026", "tachylim2026", "metronome1", "Practice2025!", "password1234"})
    void aWordAndAYearIsNoPassword(String password) {
        assertThat(stranger()
                        .post("/api/account", Map.of("name", "Imke", "password", password, "zone", "UTC"))
                        .detail())
                .contains("easy to guess");
    }

    @ParameterizedTest
    @ValueSource(strings = {"Im\u200Bke", "\u202EekmI", "Imke\u2060", "Im\u00ADke"})
    void aNameWithSignsThatNobodySeesIsRefused(String name) {
        assertThat(stranger()
                        .post("/api/account", Map.of("name", name, "password", Player.PASSWORD, "zone", "UTC"))
                        .status())
                .isBetween(400, 422);
    }

    @Test
    void ofAnotherScriptItIsTaken() {
        assertThat(player().post("/api/changes", Map.of("name", "נבל\u200F 1", "song", "", "target", 112, "beats", 2))
                        .status())
                .isEqualTo(200);
    }
}
