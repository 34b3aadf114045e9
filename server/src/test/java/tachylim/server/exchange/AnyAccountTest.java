package tachylim.server.exchange;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.UUID;
import java.util.zip.GZIPInputStream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import tachylim.server.Player;
import tachylim.server.Player.Reply;
import tachylim.server.Practice;
import tachylim.server.ServerTest;
import tools.jackson.databind.JsonNode;

/** Whatever has become of an account, its file can be read into another, and is the same there to the letter. */
class AnyAccountTest extends ServerTest {

    private static final String FILE = "/api/exports/account";
    private static final int DEEDS = 45;

    private final UUID window = UUID.randomUUID();
    private final List<Reply> broken = new ArrayList<>();
    private Player odile;
    private Random random;

    private static String unpacked(byte[] file) throws IOException {
        return new String(new GZIPInputStream(new ByteArrayInputStream(file)).readAllBytes(), StandardCharsets.UTF_8);
    }

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4})
    void whatIsWrittenOfItCanBeReadAgain(long seed) throws IOException {
        random = new Random(seed);
        odile = player();
        Practice.newPassage(odile);
        for (int i = 0; i < DEEDS; i++) {
            deed();
        }
        assertThat(broken).isEmpty();
        byte[] file = odile.download(FILE);
        Player other = player();
        Reply read = other.upload("/api/imports/account", file);
        assertThat(read.status()).as(read.detail()).isEqualTo(200);
        assertThat(unpacked(other.download(FILE))).isEqualTo(unpacked(file));
        other.get("/api/templates").ok();
    }

    /** Any of them may be refused; none may break anything. */
    private void sent(Reply reply) {
        if (reply.status() >= 500) {
            broken.add(reply);
        }
    }

    private void deed() {
        switch (random.nextInt(15)) {
            case 0 -> Practice.newPassage(odile);
            case 1 ->
                sent(odile.put(
                        "/api/passages/" + passage() + "/sections",
                        Map.of("kind", random.nextBoolean() ? "BARS" : "BEATS", "size", 1 + random.nextInt(2))));
            case 2 -> sent(odile.delete("/api/passages/" + passage()));
            case 3, 4 -> play();
            case 5 -> sent(odile.put("/api/templates", Map.of("name", "Workout " + random.nextInt(4), "wish", wish())));
            case 6 ->
                odile.get("/api/templates")
                        .ok()
                        .forEach(one -> sent(
                                odile.delete("/api/templates/" + one.path("id").asLong())));
            case 7 -> counts();
            case 8 ->
                sent(odile.post(
                        "/api/load/given",
                        Map.of(
                                "kind",
                                List.of("EFFORT", "BURST_SECONDS", "PLAYING_MINUTES")
                                        .get(random.nextInt(3)),
                                "cap",
                                random.nextInt(90),
                                "by",
                                "Dr Pell")));
            case 9 ->
                odile.get("/api/load")
                        .ok()
                        .path("given")
                        .forEach(one -> sent(
                                odile.delete("/api/load/given/" + one.path("id").asLong())));
            case 10 ->
                sent(odile.post(
                        "/api/load/elsewhere",
                        Map.of(
                                "clientId",
                                UUID.randomUUID().toString(),
                                "kind",
                                "LESSON",
                                "minutes",
                                1 + random.nextInt(30))));
            case 11 -> choose();
            case 12 ->
                sent(odile.put(
                        "/api/passages/" + passage() + "/marks",
                        Map.of(
                                "note",
                                random.nextInt(4),
                                "kind",
                                "FINGERING",
                                "value",
                                "2",
                                "why",
                                "",
                                "confirmed",
                                true)));
            case 13 ->
                sent(odile.upload(
                        "/api/imports/practice?keep=true",
                        ("date,minutes\n2026-01-0" + (1 + random.nextInt(8)) + ",20\n")
                                .getBytes(StandardCharsets.UTF_8)));
            default -> clock.nextMorning();
        }
    }

    private long passage() {
        JsonNode all = odile.get("/api/passages").ok();
        return all.isEmpty()
                ? 0
                : all.path(random.nextInt(all.size())).path("id").asLong();
    }

    private List<Long> sections() {
        List<Long> sections = new ArrayList<>();
        odile.get("/api/passages")
                .ok()
                .forEach(passage -> passage.path("sections")
                        .forEach(section -> sections.add(section.path("id").asLong())));
        return sections;
    }

    private Map<String, Object> wish() {
        List<Long> sections = sections();
        Map<String, Object> wish = new HashMap<>(Practice.plan(sections.isEmpty() ? 0 : sections.get(0), Map.of()));
        wish.put("others", sections.stream().skip(1).limit(random.nextInt(4)).toList());
        if (random.nextBoolean()) {
            wish.put(
                    "blocks",
                    List.of(Map.of(
                            "part",
                            "CORE",
                            "theme",
                            random.nextInt(2),
                            "version",
                            "",
                            "seconds",
                            240,
                            "school",
                            "TAPER")));
        }
        return wish;
    }

    private void play() {
        Reply begun = odile.post("/api/runs", Map.of("plan", wish(), "holder", window.toString()));
        sent(begun);
        if (begun.status() != 201) {
            return;
        }
        JsonNode run = begun.json();
        for (int i = random.nextInt(12); i > 0 && run.path("step").path("ended").isNull(); i--) {
            run = Practice.send(odile, run, Practice.answer(run, window)).ok();
        }
        if (random.nextInt(3) > 0 && run.path("step").path("ended").isNull()) {
            sent(Practice.send(odile, run, Practice.event(run, window, "STOPPED", Map.of())));
        }
    }

    private void counts() {
        JsonNode changes = odile.post("/api/changes", Map.of("name", "G to C", "song", "", "target", 112, "beats", 2))
                .ok()
                .path("changes");
        long change = changes.path(random.nextInt(changes.size())).path("id").asLong();
        sent(odile.post(
                "/api/changes/" + change + "/counts",
                Map.of("clientId", UUID.randomUUID().toString(), "seconds", 60, "clean", 30)));
        if (random.nextBoolean()) {
            sent(odile.delete("/api/changes/" + change));
        }
    }

    private void choose() {
        long passage = passage();
        sent(odile.post("/api/passages/" + passage + "/choice", Map.of("minutes", 5)));
        Reply practiceSheet = odile.get("/api/passages/" + passage + "/practice-sheet");
        sent(practiceSheet);
        practiceSheet
                .json()
                .path("today")
                .forEach(one -> sent(odile.put(
                        "/api/passages/" + passage + "/choice/" + one.path("id").asLong(),
                        Map.of("played", random.nextBoolean()))));
    }
}
