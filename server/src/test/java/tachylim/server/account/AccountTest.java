package tachylim.server.account;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.springframework.boot.env.YamlPropertySourceLoader;
import org.springframework.core.env.PropertySource;
import org.springframework.core.io.ClassPathResource;
import tachylim.server.Player;
import tachylim.server.Player.Reply;
import tachylim.server.Practice;
import tachylim.server.ServerTest;

class AccountTest extends ServerTest {

    private static Map<String, String> signIn(String name, String password) {
        return Map.of("name", name, "password", password, "zone", "Europe/Lisbon");
    }

    @Test
    void whoRegistersIsSignedInAndCanSignOutAndIn() {
        Player player = player();
        assertThat(player.get("/api/greeting").ok().path("me").path("name").asString())
                .isEqualTo(player.name());
        assertThat(player.delete("/api/session").status()).isEqualTo(204);
        assertThat(player.get("/api/today").status()).isEqualTo(401);
        player.post("/api/session", signIn(player.name(), Player.PASSWORD)).ok();
        assertThat(player.get("/api/today").status()).isEqualTo(200);
    }

    @Test
    void passwordsAreKeptOnlyAsStrongHashes() {
        Player player = player();
        String hash = sql.sql("select password_hash from account where name = ?")
                .param(player.name())
                .query(String.class)
                .single();
        assertThat(hash).startsWith("{digest-bcrypt}$2a$04$").doesNotContain("lantern");
    }

    @Test
    void hashingCostsAsMuchAsItShouldWhereNobodySaysOtherwise() throws IOException {
        List<PropertySource<?>> settings =
                new YamlPropertySourceLoader().load("usual", new ClassPathResource("application.yml"));
        assertThat(settings.get(0).getProperty("tachylim.hash-strength")).isEqualTo(12);
    }

    @Test
    void aNameBelongsToOnePlayerWhateverItsCase() {
        Player player = player();
        Reply reply = stranger().post("/api/account", signIn(player.name().toUpperCase(), Player.PASSWORD));
        assertThat(reply.status()).isEqualTo(422);
        assertThat(reply.json().path("field").asString()).isEqualTo("name");
        assertThat(reply.detail()).contains("taken");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {"'' | long enough 1 | name", "'   ' | long enough 1 | name", "fine name | short | password"})
    void whatIsMissingIsSaidByField(String name, String password, String field) {
        Reply reply = stranger().post("/api/account", signIn(name, password));
        assertThat(reply.status()).isEqualTo(422);
        assertThat(reply.json().path("fields").path(field).asString()).isNotBlank();
    }

    @Test
    void anUnknownNameAndAWrongPasswordReadTheSame() {
        Player player = player();
        Reply wrong = stranger().post("/api/session", signIn(player.name(), "not the password"));
        Reply unknown = stranger().post("/api/session", signIn("nobody-" + UUID.randomUUID(), "not the password"));
        assertThat(wrong.status()).isEqualTo(401).isEqualTo(unknown.status());
        assertThat(wrong.detail()).isEqualTo(unknown.detail());
    }

    @Test
    void aNewPasswordEndsOtherSessions() {
        Player here = player();
        Player elsewhere = stranger();
        elsewhere.post("/api/session", signIn(here.name(), Player.PASSWORD)).ok();
        assertThat(here.put("/api/account/password", Map.of("oldPassword", "wrong", "newPassword", "another lantern"))
                        .json()
                        .path("field")
                        .asString())
                .isEqualTo("oldPassword");
        assertThat(here.put(
                                "/api/account/password",
                                Map.of("oldPassword", Player.PASSWORD, "newPassword", "another lantern"))
                        .status())
                .isEqualTo(204);
        assertThat(here.get("/api/today").status()).isEqualTo(200);
        assertThat(elsewhere.get("/api/today").status()).isEqualTo(401);
        assertThat(stranger()
                        .post("/api/session", signIn(here.name(), Player.PASSWORD))
                        .status())
                .isEqualTo(401);
        stranger().post("/api/session", signIn(here.name(), "another lantern")).ok();
    }

    @Test
    void deletingAnAccountLeavesNothingBehind() {
        Player player = player();
        UUID window = UUID.randomUUID();
        Practice.playOn(player, Practice.newRun(player, window), window, 6);
        long id = signedIn(player).accountId();
        assertThat(player.post("/api/account/farewell", Map.of("password", "wrong"))
                        .status())
                .isEqualTo(422);
        assertThat(rowsOf(id)).isPositive();
        assertThat(player.post("/api/account/farewell", Map.of("password", Player.PASSWORD))
                        .status())
                .isEqualTo(204);
        assertThat(rowsOf(id)).isZero();
        assertThat(player.get("/api/today").status()).isEqualTo(401);
    }

    /** Rows of every table that has an account, so that a table added later is counted too. */
    private long rowsOf(long account) {
        List<String> tables = sql.sql("""
                select table_name from information_schema.columns
                where table_schema = database() and column_name = 'account_id'""").query(String.class).list();
        assertThat(tables).hasSizeGreaterThan(8);
        return tables.stream()
                .mapToLong(table -> sql.sql("select count(*) from " + table + " where account_id = ?")
                        .param(account)
                        .query(Long.class)
                        .single())
                .sum();
    }

    @Test
    void aRequestWithoutTheTokenIsForged() {
        Player player = player();
        assertThat(player.send("POST", "/api/passages", Practice.passage(Map.of()), false)
                        .status())
                .isEqualTo(403);
        assertThat(player.send("DELETE", "/api/session", null, false).status()).isEqualTo(403);
        assertThat(player.get("/api/passages").ok()).isEmpty();
    }

    @Test
    void theSessionCookieIsStrict() {
        Reply reply = stranger().post("/api/account", signIn("cookie-" + UUID.randomUUID(), Player.PASSWORD));
        assertThat(reply.response().headers().allValues("Set-Cookie"))
                .anySatisfy(cookie -> assertThat(cookie)
                        .startsWith("TACHYLIM=")
                        .contains("HttpOnly")
                        .contains("SameSite=Strict"));
    }

    @Test
    void everyAnswerCarriesThePolicies() {
        for (String path : List.of("/api/greeting", "/api/today", "/no-such-thing")) {
            var headers = stranger().get(path).response().headers();
            assertThat(headers.firstValue("Content-Security-Policy").orElse(""))
                    .contains("default-src 'none'")
                    .contains("script-src 'self';")
                    .doesNotContain("unsafe");
            assertThat(headers.firstValue("X-Content-Type-Options")).contains("nosniff");
            assertThat(headers.firstValue("X-Frame-Options")).contains("DENY");
            assertThat(headers.firstValue("Referrer-Policy")).contains("same-origin");
        }
    }

    @Test
    void aCapIsLoweredAtOnceAndRaisedFromTomorrow() {
        Player player = player();
        Map<String, Object> habits =
                Map.of("instrument", "BOWED", "usualMinutes", 60, "roughCounts", false, "looseOnly", false);
        assertThat(player.put("/api/account/habits", habits)
                        .ok()
                        .path("usualMinutes")
                        .asInt())
                .isEqualTo(60);
        sql.sql("update account set opened_on = '2020-01-01' where name = ?")
                .param(player.name())
                .update();
        var raised = player.put(
                        "/api/account/habits",
                        Map.of("instrument", "BOWED", "usualMinutes", 90, "roughCounts", false, "looseOnly", false))
                .ok();
        assertThat(raised.path("usualMinutes").asInt()).isEqualTo(60);
        assertThat(raised.path("minutesTomorrow").asInt()).isEqualTo(90);
        var lowered = player.put(
                        "/api/account/habits",
                        Map.of("instrument", "BOWED", "usualMinutes", 20, "roughCounts", false, "looseOnly", false))
                .ok();
        assertThat(lowered.path("usualMinutes").asInt()).isEqualTo(20);
        assertThat(lowered.path("minutesTomorrow").isNull()).isTrue();
    }

    @Test
    void theDemoOpensOnlyOnADemoServer() {
        assertThat(stranger().get("/api/greeting").ok().path("demo").asBoolean())
                .isFalse();
        assertThat(stranger().post("/api/demo", Map.of()).status()).isEqualTo(404);
        assertThat(stranger().get("/api/demo").status()).isEqualTo(404);
    }

    @Test
    void lookingAtAPageWritesNothingOfTheSessionUntilAMinuteHasGoneBy() {
        Player player = player();
        player.get("/api/today").ok();
        long first = lastSeen(player);
        player.get("/api/today").ok();
        assertThat(lastSeen(player)).isEqualTo(first);
        sql.sql("update SPRING_SESSION set LAST_ACCESS_TIME = LAST_ACCESS_TIME - 120000 where PRINCIPAL_NAME = ?")
                .param(String.valueOf(signedIn(player).accountId()))
                .update();
        player.get("/api/today").ok();
        assertThat(lastSeen(player)).isGreaterThan(first - 60_000);
    }

    private long lastSeen(Player player) {
        return sql.sql("select LAST_ACCESS_TIME from SPRING_SESSION where PRINCIPAL_NAME = ?")
                .param(String.valueOf(signedIn(player).accountId()))
                .query(Long.class)
                .single();
    }

    /** An account that was opened while its answer was lost is no name that is taken: the same registration signs in. */
    @Test
    void aRegistrationThatComesAgainSignsIn() {
        Map<String, Object> wish = new HashMap<>(signIn("again-" + UUID.randomUUID(), Player.PASSWORD));
        wish.put("clientId", UUID.randomUUID().toString());
        String name = stranger().post("/api/account", wish).ok().path("name").asString();
        Player again = stranger();
        assertThat(again.post("/api/account", wish).ok().path("name").asString())
                .isEqualTo(name);
        assertThat(again.get("/api/greeting").ok().path("me").path("name").asString())
                .isEqualTo(name);
        wish.put("password", Player.PASSWORD + "x");
        assertThat(stranger().post("/api/account", wish).status()).isEqualTo(401);
        wish.putAll(Map.of(
                "password", Player.PASSWORD, "clientId", UUID.randomUUID().toString()));
        assertThat(stranger().post("/api/account", wish).status()).isEqualTo(422);
    }
}
