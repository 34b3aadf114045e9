package tachylim.server.account;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.security.crypto.bcrypt.BCryptPasswordEncoder;
import tachylim.server.Player;
import tachylim.server.Player.Reply;
import tachylim.server.Practice;
import tachylim.server.ServerTest;
import tools.jackson.databind.JsonNode;

/** Guessing is slowed down and nobody is locked out; passwords are what their owners can type and others do not guess. */
class GuardTest extends ServerTest {

    @Autowired
    private WaitsNoted patience;

    @BeforeEach
    void nobodyHasTried() {
        sql.sql("delete from guarded_try").update();
        patience.waits.clear();
    }

    private static Map<String, String> signIn(String name, String password) {
        return Map.of("name", name, "password", password, "zone", "Europe/Lisbon");
    }

    private static Map<String, String> register(String password) {
        return signIn("somebody-" + UUID.randomUUID(), password);
    }

    @Test
    void wrongTriesSlowDownAndTheOwnerStillGetsIn() {
        Player player = player();
        Player guesser = stranger();
        for (int i = 0; i < 30; i++) {
            assertThat(guesser.post("/api/session", signIn(player.name(), "guess " + i))
                            .status())
                    .isEqualTo(401);
        }
        assertThat(patience.waits)
                .hasSizeGreaterThan(20)
                .last()
                .satisfies(wait -> assertThat(wait.toMillis()).isBetween(2_000L, 3_000L));
        stranger().post("/api/session", signIn(player.name(), Player.PASSWORD)).ok();
        patience.waits.clear();
        stranger().post("/api/session", signIn("other-" + UUID.randomUUID(), "wrong"));
        assertThat(sql.sql("select count(*) from guarded_try").query(Long.class).single())
                .isPositive();
    }

    @Test
    void triesAtOnceAreAllCounted() throws Exception {
        Player player = player();
        ExecutorService many = Executors.newFixedThreadPool(12);
        List<Callable<Integer>> tries = Collections.nCopies(
                24,
                () -> stranger()
                        .post("/api/session", signIn(player.name(), "wrong"))
                        .status());
        for (var status : many.invokeAll(tries)) {
            assertThat(status.get()).isIn(401, 429);
        }
        many.shutdown();
        assertThat(sql.sql("select max(tries) from guarded_try")
                        .query(Integer.class)
                        .single())
                .isGreaterThanOrEqualTo(24);
    }

    @Test
    void aLongNameOrHeaderDoesNotSwitchCountingOff() {
        String name = "x".repeat(60);
        for (int i = 0; i < 12; i++) {
            Reply reply = stranger()
                    .sendWith(
                            "POST",
                            "/api/session",
                            signIn(name, "wrong"),
                            Map.of("X-Forwarded-For", "9".repeat(4_000)));
            assertThat(reply.status()).isEqualTo(401);
        }
        assertThat(patience.waits).isNotEmpty();
    }

    @Test
    void forwardedHeadersAreNotBelieved() {
        Player player = player();
        for (int i = 0; i < 12; i++) {
            stranger()
                    .sendWith(
                            "POST",
                            "/api/session",
                            signIn("nobody-" + i, "wrong"),
                            Map.of("X-Forwarded-For", "10.0.0." + i));
        }
        assertThat(sql.sql("select max(tries) from guarded_try")
                        .query(Integer.class)
                        .single())
                .as("all from one address")
                .isGreaterThanOrEqualTo(12);
        assertThat(player.get("/api/greeting").status()).isEqualTo(200);
    }

    @Test
    void theOldPasswordIsGuardedToo() {
        Player player = player();
        for (int i = 0; i < 8; i++) {
            player.put(
                    "/api/account/password",
                    Map.of("oldPassword", "wrong " + i, "newPassword", "a harbour and 7 gulls"));
        }
        assertThat(patience.waits).isNotEmpty();
    }

    @Test
    void registeringIsSlowedDownFromOneAddress() {
        for (int i = 0; i < 23; i++) {
            stranger().post("/api/account", register("short"));
        }
        assertThat(patience.waits)
                .as("what is refused for its form is not counted")
                .isEmpty();
        for (int i = 0; i < 23; i++) {
            stranger().post("/api/account", register("qwertyuiop"));
        }
        assertThat(patience.waits).isNotEmpty();
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "фонарь у причала ночью светит",
                "港のランタンが夜に光って船を待つ",
                "🎵🪕🎻🎺🥁🎷🪗🎸🎹🪘",
                "a lantern at the quay, "
            })
    void anyLengthInAnyScriptSignsIn(String base) {
        String password = base.repeat(200 / base.length()).strip();
        Map<String, String> who = register(password);
        stranger().post("/api/account", who).ok();
        stranger().post("/api/session", who).ok();
        assertThat(stranger()
                        .post("/api/session", signIn(who.get("name"), password.substring(0, password.length() - 2)))
                        .status())
                .as("every sign of it counts")
                .isEqualTo(401);
    }

    @ParameterizedTest
    @ValueSource(strings = {"password123", "qwertyuiop", "1234567890", "aaaaaaaaaaaa", "iloveyou123"})
    void commonPasswordsAreRefusedAtEveryForm(String common) {
        Reply atRegister = stranger().post("/api/account", register(common));
        assertThat(atRegister.status()).isEqualTo(422);
        assertThat(atRegister.json().path("field").asString()).isEqualTo("password");
        Reply atChange =
                player().put("/api/account/password", Map.of("oldPassword", Player.PASSWORD, "newPassword", common));
        assertThat(atChange.json().path("field").asString()).isEqualTo("newPassword");
    }

    @Test
    void theNameIsNoPassword() {
        String name = "Odile of the Lantern Quay";
        assertThat(stranger().post("/api/account", signIn(name, name)).detail()).contains("name");
        assertThat(stranger()
                        .post("/api/account", signIn(name, name.toUpperCase() + "12"))
                        .status())
                .isEqualTo(422);
    }

    @Test
    void olderHashesAreTakenAndRenewed() {
        Player player = player();
        String old = new BCryptPasswordEncoder(4).encode(Player.PASSWORD);
        sql.sql("update account set password_hash = ? where name = ?")
                .params(old, player.name())
                .update();
        stranger().post("/api/session", signIn(player.name(), Player.PASSWORD)).ok();
        assertThat(sql.sql("select password_hash from account where name = ?")
                        .param(player.name())
                        .query(String.class)
                        .single())
                .startsWith("{digest-bcrypt}");
        stranger().post("/api/session", signIn(player.name(), Player.PASSWORD)).ok();
    }

    @Test
    void sessionsAreListedAndCanBeEnded() {
        Player here = player();
        Player elsewhere = stranger();
        elsewhere.post("/api/session", signIn(here.name(), Player.PASSWORD)).ok();
        JsonNode sessions = here.get("/api/sessions").ok();
        assertThat(sessions).hasSize(2);
        assertThat(sessions.path(0).path("here").asBoolean()).isTrue();
        assertThat(player().delete("/api/sessions/"
                                + sessions.path(1).path("handle").asString())
                        .status())
                .isEqualTo(204);
        assertThat(elsewhere.get("/api/today").status())
                .as("another's handle ends nothing")
                .isEqualTo(200);
        here.delete("/api/sessions/" + sessions.path(1).path("handle").asString());
        assertThat(elsewhere.get("/api/today").status()).isEqualTo(401);
        assertThat(here.get("/api/today").status()).isEqualTo(200);
    }

    @Test
    void aSessionEndsHoweverMuchItIsUsed() {
        Player player = player();
        sql.sql("update SPRING_SESSION set CREATION_TIME = 0 where PRINCIPAL_NAME = ?")
                .param(String.valueOf(signedIn(player).accountId()))
                .update();
        assertThat(player.get("/api/today").status()).isEqualTo(401);
    }

    @Test
    void whoSignsInGetsANewToken() {
        Player player = stranger();
        String before = player.token();
        player.register();
        assertThat(player.token()).isNotEqualTo(before);
        assertThat(player.post("/api/passages", Practice.passage(Map.of())).status())
                .isEqualTo(201);
    }
}
