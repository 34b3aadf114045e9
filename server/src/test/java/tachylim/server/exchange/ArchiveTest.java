package tachylim.server.exchange;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.function.Consumer;
import java.util.zip.GZIPInputStream;
import java.util.zip.GZIPOutputStream;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import tachylim.server.Player;
import tachylim.server.Player.Reply;
import tachylim.server.Practice;
import tachylim.server.ServerTest;
import tachylim.server.take.TakesTest;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** All of an account in one file, out and in. */
class ArchiveTest extends ServerTest {

    private static final JsonMapper JSON = JsonMapper.shared();
    private static final String FILE = "/api/exports/account";
    private static final String INTO = "/api/imports/account";

    @Autowired
    private ArchiveTables tables;

    private static String unpacked(byte[] file) throws IOException {
        return new String(new GZIPInputStream(new ByteArrayInputStream(file)).readAllBytes(), StandardCharsets.UTF_8);
    }

    private static byte[] packed(byte[] text) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (GZIPOutputStream zip = new GZIPOutputStream(out)) {
            zip.write(text);
        }
        return out.toByteArray();
    }

    /** Somebody who has used everything there is. */
    private Player busy() {
        Player odile = player();
        UUID window = UUID.randomUUID();
        long passage = Practice.newPassage(odile);
        odile.put("/api/passages/" + passage + "/sections", Map.of("kind", "BARS", "size", 1))
                .ok();
        long section = Practice.firstSection(odile, passage);
        JsonNode run =
                Practice.playOn(odile, Practice.begin(odile, section, window).ok(), window, 14);
        Map<String, Object> heard = Practice.answer(run, window);
        heard.put("measured", List.of(TakesTest.measured("ROUGH", 9, 4)));
        run = Practice.send(odile, run, heard).ok();
        Practice.send(odile, run, Practice.event(run, window, "STOPPED", Map.of()))
                .ok();
        odile.put("/api/runs/" + run.path("id").asLong() + "/note", Map.of("note", "=1+1; \"late\", ü"))
                .ok();
        // And one that is still open.
        Practice.playOn(odile, Practice.begin(odile, section, window).ok(), window, 3);
        odile.post("/api/passages/" + passage + "/choice", Map.of("minutes", 5)).ok();
        odile.post("/api/passages/" + passage + "/transitions/2/breaks", Map.of())
                .ok();
        odile.put("/api/passages/" + passage + "/readiness", Map.of("item", "COUNTED", "reached", true))
                .ok();
        odile.put(
                        "/api/passages/" + passage + "/marks",
                        Map.of("note", 0, "kind", "FINGERING", "value", "1", "why", "", "confirmed", true))
                .ok();
        odile.put("/api/templates", Map.of("name", "mine", "wish", Practice.plan(section, Map.of())))
                .ok();
        odile.post("/api/changes", Map.of("name", "G to C", "song", "", "target", 112, "beats", 2))
                .ok();
        odile.post("/api/load/given", Map.of("kind", "EFFORT", "cap", 20, "by", "my teacher"))
                .ok();
        odile.post(
                        "/api/load/elsewhere",
                        Map.of("clientId", UUID.randomUUID().toString(), "kind", "TEACHING", "minutes", 15))
                .ok();
        String today = odile.get("/api/today").ok().path("day").asString();
        odile.put("/api/season/days/" + today, Map.of("minutes", 20)).ok();
        odile.post("/api/season/performances", Map.of("name", "Recital", "day", today))
                .ok();
        odile.put("/api/season/off", Map.of("days", List.of("SUNDAY"))).ok();
        return odile;
    }

    @Test
    void whatIsReadIntoAnotherAccountIsTheSameToTheLetter() throws IOException {
        Player odile = busy();
        byte[] file = odile.download(FILE);
        Player other = player();
        JsonNode read = other.upload(INTO, file).ok();
        assertThat(read.path("passages").asInt()).isEqualTo(1);
        assertThat(read.path("sessions").asInt()).isEqualTo(2);
        assertThat(unpacked(other.download(FILE))).isEqualTo(unpacked(file));
        for (String page : new String[] {"/api/load", "/api/ceiling", "/api/log"}) {
            assertThat(other.get(page).status()).isEqualTo(odile.get(page).status());
        }
        assertThat(other.get("/api/load").ok().path("caps"))
                .isEqualTo(odile.get("/api/load").ok().path("caps"));
        JsonNode theirs = other.get("/api/today").ok();
        JsonNode ours = odile.get("/api/today").ok();
        assertThat(theirs.path("plan").path("timeline"))
                .isEqualTo(ours.path("plan").path("timeline"));
        // The open run goes on where it was.
        long run = theirs.path("openRun").asLong();
        UUID window = UUID.randomUUID();
        other.post("/api/runs/" + run + "/holder", Map.of("holder", window.toString()))
                .ok();
        JsonNode open = other.get("/api/runs/" + run + "?holder=" + window).ok();
        Practice.send(other, open, Practice.event(open, window, "STOPPED", Map.of()))
                .ok();
        // And what was theirs is untouched.
        assertThat(unpacked(odile.download(FILE))).isEqualTo(unpacked(file));
    }

    @Test
    void anUnpackedFileIsReadTooAndAnAccountThatHoldsAnythingIsNot() throws IOException {
        byte[] file = busy().download(FILE);
        Player other = player();
        other.upload(INTO, unpacked(file).getBytes(StandardCharsets.UTF_8)).ok();
        Reply again = other.upload(INTO, file);
        assertThat(again.status()).isEqualTo(422);
        assertThat(again.detail()).contains("isn't empty");
        Player hurting = player();
        hurting.post("/api/symptoms", Map.of("clientId", UUID.randomUUID().toString()));
        assertThat(hurting.upload(INTO, file).status()).isEqualTo(422);
    }

    @Test
    void everyTableOfAnAccountIsInItOrKnownNotToBe() {
        assertThat(tables.forgotten()).isEmpty();
    }

    private Reply changed(byte[] file, Consumer<ObjectNode> change) throws IOException {
        ObjectNode root = (ObjectNode) JSON.readTree(unpacked(file));
        change.accept(root);
        Player other = player();
        Reply reply = other.upload(INTO, packed(JSON.writeValueAsBytes(root)));
        if (reply.status() != 200) {
            assertThat(other.get("/api/passages").ok())
                    .as("nothing is half read")
                    .isEmpty();
            assertThat(other.get("/api/log").ok().path("entries")).isEmpty();
        }
        return reply;
    }

    private static ObjectNode row(ObjectNode root, String table) {
        return (ObjectNode) root.path("tables").path(table).path(0);
    }

    @Test
    void aFileThatIsWrongAnywhereIsRefusedWithThePlaceAndKeptNowhere() throws IOException {
        byte[] file = busy().download(FILE);
        List<Consumer<ObjectNode>> wrongs = List.of(
                root -> row(root, "played_pass").put("effort", -1),
                root -> row(root, "played_pass").put("tempo", 1e300),
                root -> row(root, "played_pass").put("tempo", 0),
                root -> row(root, "played_pass").put("tension", 9),
                root -> row(root, "played_pass").put("verdict", "SPLENDID"),
                root -> row(root, "played_pass").put("run_id", 99),
                root -> row(root, "played_pass").put("run_id", -1),
                root -> row(root, "played_pass").put("run_id", "1"),
                root -> row(root, "piece").put("passage_id", 2),
                root -> row(root, "piece").put("last_note", 100_000),
                root -> row(root, "passage").put("text", "1 2 3"),
                root -> row(root, "passage").put("target_bpm", 5),
                root -> row(root, "passage").put("instrument", "KAZOO"),
                root -> row(root, "passage").put("account_id", 1),
                root -> row(root, "passage").put("title", "x".repeat(5_000)),
                root -> row(root, "passage").putNull("title"),
                root -> row(root, "workout").put("plan", "{}"),
                root -> row(root, "workout").put("plan", "[1]"),
                root -> row(root, "workout").put("planned", "{\"v\":9}"),
                root -> row(root, "run_segment").put("record", "null"),
                root -> row(root, "run").put("day", "9999-12-31"),
                root -> row(root, "run").put("started_at", "yesterday"),
                root -> row(root, "ceiling_belief").put("weights", "AAAA"),
                root -> row(root, "ceiling_belief").put("weights", "!"),
                root -> ((ObjectNode) root.path("account").path(0)).put("usual_minutes", 100_000),
                root -> ((ObjectNode) root.path("account").path(0)).put("zone", "Moon/Base"),
                root -> root.put("version", 2),
                root -> root.put("format", "other"),
                root -> ((ObjectNode) root.path("tables")).remove("run"),
                root -> ((ArrayNode) root.path("tables").path("ceiling_belief")).add(row(root, "ceiling_belief")));
        List<Integer> taken = new ArrayList<>();
        for (int i = 0; i < wrongs.size(); i++) {
            Reply reply = changed(file, wrongs.get(i));
            if (reply.status() != 422) {
                taken.add(i);
            } else {
                assertThat(reply.detail()).isNotBlank();
            }
        }
        assertThat(taken).isEmpty();
        assertThat(changed(file, wrongs.get(0)).detail()).contains("played_pass 1, effort");
    }

    @Test
    void whatIsNoFileOfAnAccountIsRefused() throws IOException {
        Player odile = player();
        byte[] file = busy().download(FILE);
        for (byte[] other : List.of(
                new byte[0],
                "[]".getBytes(StandardCharsets.UTF_8),
                "{}".getBytes(StandardCharsets.UTF_8),
                "\u0000\u0001".getBytes(StandardCharsets.UTF_8),
                java.util.Arrays.copyOf(file, file.length / 2),
                "[".repeat(100_000).getBytes(StandardCharsets.UTF_8))) {
            assertThat(odile.upload(INTO, other).status()).isBetween(400, 422);
        }
        assertThat(odile.upload(INTO, new byte[33 * 1024 * 1024]).status()).isEqualTo(413);
        // A small file that unpacks into very much.
        byte[] bomb = packed(("{\"format\":\"" + " ".repeat(60_000_000)).getBytes(StandardCharsets.UTF_8));
        assertThat(odile.upload(INTO, bomb).status()).isEqualTo(422);
    }
}
