package tachylim.server.exchange;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import tachylim.server.Player;
import tachylim.server.Player.Reply;
import tachylim.server.Practice;
import tachylim.server.ServerTest;
import tools.jackson.databind.JsonNode;

/** Practice from a notebook, out and in as CSV. */
class PracticeImportTest extends ServerTest {

    private static final String PREVIEW = "/api/imports/practice";
    private static final String KEEP = PREVIEW + "?keep=true";

    private static byte[] csv(String... lines) {
        return String.join("\r\n", lines).getBytes(StandardCharsets.UTF_8);
    }

    private static LocalDate today(Player player) {
        return LocalDate.parse(player.get("/api/today").ok().path("day").asString());
    }

    @Test
    void aFileIsPreviewedAndThenKeptOnce() {
        Player odile = player();
        LocalDate today = today(odile);
        byte[] file = csv(
                "date,minutes,what,note",
                today.minusDays(3) + ",20,lesson,\"left hand, mostly\"",
                today.minusDays(2) + ",15,,");
        JsonNode preview = odile.upload(PREVIEW, file).ok();
        assertThat(preview.path("rows").asInt()).isEqualTo(2);
        assertThat(preview.path("first").path(0).path("what").asString()).isEqualTo("LESSON");
        assertThat(preview.path("first").path(1).path("what").asString()).isEqualTo("PRACTICE");
        assertThat(preview.path("problems")).isEmpty();
        assertThat(odile.get("/api/load").ok().path("days")).isEmpty();
        assertThat(odile.upload(KEEP, file).ok().path("kept").asInt()).isEqualTo(2);
        assertThat(odile.get("/api/load").ok().path("days")).hasSize(2);
        assertThat(odile.upload(KEEP, file).ok().path("kept").asInt()).isZero();
        assertThat(odile.get("/api/load").ok().path("days")).hasSize(2);
    }

    @Test
    void whatIsAddedAroundThemHidesNoRowsThatAreHereAlready() {
        Player odile = player();
        LocalDate today = today(odile);
        String twice = today.minusDays(3) + ",20,";
        odile.upload(KEEP, csv("date,minutes,note", twice, twice, today.minusDays(2) + ",15,"))
                .ok();
        JsonNode preview = odile.upload(
                        PREVIEW,
                        csv(
                                "date,minutes,note",
                                today.minusDays(9) + ",30,new",
                                twice + "a word",
                                twice,
                                twice,
                                today.minusDays(2) + ",15,"))
                .ok();
        assertThat(preview.path("rows").asInt()).isEqualTo(5);
        assertThat(preview.path("here").asInt()).isEqualTo(3);
        assertThat(preview.path("first").path(0).path("here").asBoolean()).isFalse();
        assertThat(preview.path("first").path(1).path("here").asBoolean()).isTrue();
        assertThat(preview.path("first").path(3).path("here").asBoolean())
                .as("the third of its kind is new")
                .isFalse();
    }

    @Test
    void whatIsWrongIsSaidByItsRowAndNothingIsHalfKept() {
        Player odile = player();
        LocalDate today = today(odile);
        byte[] file = csv(
                "date,what,minutes,passage,tempo,verdict,note",
                today + ",practice,20,,,,fine",
                "someday,practice,20,,,,",
                today.plusDays(1) + ",practice,20,,,,",
                today + ",juggling,20,,,,",
                today + ",practice,-5,,,,",
                today + ",practice,20,Nowhere,100,,",
                today + ",practice,20,,100,,",
                today + ",practice,20,Nowhere,fast,,",
                today + ",practice,20,,,splendid,",
                today + ",practice,20,,,," + "n".repeat(300));
        JsonNode kept = odile.upload(KEEP, file).ok();
        assertThat(kept.path("kept").asInt()).isZero();
        assertThat(kept.path("problems")).hasSize(9);
        assertThat(kept.path("problems")
                        .valueStream()
                        .map(one -> one.path("row").asInt()))
                .containsExactly(3, 4, 5, 6, 7, 8, 9, 10, 11);
        assertThat(kept.path("problems")
                        .valueStream()
                        .map(one -> one.path("column").asString()))
                .containsExactly("date", "date", "what", "minutes", "passage", "tempo", "tempo", "verdict", "note");
        assertThat(odile.get("/api/load").ok().path("days")).isEmpty();
    }

    @Test
    void aFileOfAnotherKindIsRefused() {
        Player odile = player();
        for (byte[] other : new byte[][] {
            new byte[0],
            csv("day,length", "2026-03-02,20"),
            csv("date,minutes,account_id", "2026-03-02,20,1"),
            csv("date,minutes", "\"2026-03-02,20"),
            {(byte) 0xff, (byte) 0xfe, 0, 1},
        }) {
            Reply reply = odile.upload(KEEP, other);
            assertThat(reply.status()).isEqualTo(422);
            assertThat(reply.detail()).isNotBlank();
        }
        assertThat(odile.upload(KEEP, new byte[1_100_000]).status()).isEqualTo(413);
    }

    @Test
    void aTempoThatWasReachedSaysWhereACeilingStood() {
        Player odile = player();
        LocalDate today = today(odile);
        long passage = odile.post("/api/passages", Practice.passage(Map.of("title", "Tin Roof Toccata")))
                .ok()
                .path("passage")
                .path("id")
                .asLong();
        String[] lines = new String[13];
        lines[0] = "date,minutes,passage,tempo,verdict";
        for (int i = 0; i < 12; i++) {
            lines[i + 1] = today.minusDays(40 - 3L * i) + ",15,tin roof toccata," + (90 + i) + ",clean";
        }
        assertThat(odile.upload(KEEP, csv(lines)).ok().path("kept").asInt()).isEqualTo(12);
        long section = Practice.firstSection(odile, passage);
        JsonNode ceiling = odile.get("/api/sections/" + section + "/ceiling").ok();
        assertThat(ceiling.path("estimate").path("ceiling").path("middle").asDouble())
                .isGreaterThan(95);
        assertThat(ceiling.path("history")).hasSize(12);
        // What came before something that was played since cannot be learned any more.
        UUID window = UUID.randomUUID();
        Practice.playOn(odile, Practice.begin(odile, section, window).ok(), window, 4);
        JsonNode late = odile.upload(
                        KEEP, csv("date,minutes,passage,tempo", today.minusDays(1) + ",15,Tin Roof Toccata,99"))
                .ok();
        assertThat(late.path("problems").path(0).path("problem").asString()).contains("after that day");
    }

    @Test
    void noCellIsAFormulaAndWhatIsWrittenIsReadAgain() {
        Player odile = player();
        LocalDate today = today(odile);
        odile.post(
                        "/api/log/away",
                        Map.of(
                                "clientId",
                                UUID.randomUUID().toString(),
                                "day",
                                today.toString(),
                                "kind",
                                "PRACTICE",
                                "minutes",
                                20,
                                "note",
                                "=HYPERLINK(\"x\")"))
                .status();
        String written = new String(odile.download("/api/exports/practice.csv"), StandardCharsets.UTF_8);
        assertThat(written)
                .startsWith("date,what,minutes,passage,tempo,verdict,note\r\n")
                .contains("\"'=HYPERLINK(\"\"x\"\")\"");
        JsonNode read = player().upload(PREVIEW, written.getBytes(StandardCharsets.UTF_8))
                .ok();
        assertThat(read.path("problems")).isEmpty();
        assertThat(read.path("first").path(0).path("note").asString()).isEqualTo("=HYPERLINK(\"x\")");
    }

    @Test
    void columnsAreNamedInTheLanguageAskedForAndReadInAny() {
        Player odile = player();
        String day = today(odile).minusDays(1).toString();
        odile.upload(KEEP, csv("Datum,minuten,NOTIZ", day + ",25,Sprünge")).ok();
        String german = new String(odile.download("/api/exports/practice.csv?lang=de"), StandardCharsets.UTF_8);
        assertThat(german)
                .startsWith("datum,was,minuten,stelle,tempo,urteil,notiz\r\n")
                .contains("Sprünge");
        assertThat(odile.upload(KEEP, german.getBytes(StandardCharsets.UTF_8))
                        .ok()
                        .path("kept")
                        .asInt())
                .as("what is here already")
                .isZero();
        assertThat(odile.upload(PREVIEW, csv("date,minuten,tempi", day + ",25,90"))
                        .status())
                .isEqualTo(422);
    }

    @Test
    void everyPassIsARow() {
        Player odile = player();
        Practice.played(odile, 10);
        String[] lines = new String(odile.download("/api/exports/passes.csv"), StandardCharsets.UTF_8).split("\r\n");
        long passes = sql.sql("select count(*) from played_pass where account_id = ?")
                .param(signedIn(odile).accountId())
                .query(Long.class)
                .single();
        assertThat(lines).hasSize((int) passes + 1);
        assertThat(lines[0]).startsWith("date,time_utc,workout,passage,section,kind");
        assertThat(player().download("/api/exports/passes.csv")).hasSizeLessThan(300);
    }
}
