package tachylim.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import com.google.gson.JsonObject;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.UUID;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.atomic.AtomicBoolean;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tachylim.e2e.Client.Reply;

/** Server and database are killed at random while somebody practises: what they were told is what is kept, once. */
@Tag("long")
class KillTest {

    private static final int KILLS = Integer.getInteger("tachylim.kills", 4);
    private static final long SEED = Long.getLong("tachylim.seed", 7);

    @TempDir
    private Path home;

    private final List<String> told = new ArrayList<>();
    private final List<String> toldToPass = new ArrayList<>();

    @Test
    void nothingThatWasToldIsLostOrDoubled() {
        Random random = new Random(SEED);
        try (Installation tachylim = new Installation(home).start()) {
            new Client(tachylim.base()).register("killed").newSection("Kestrel Weather");
            AtomicBoolean over = new AtomicBoolean();
            CompletableFuture<Void> practice = CompletableFuture.runAsync(() -> practise(tachylim, over));
            for (int kill = 0; kill < KILLS && !practice.isDone(); kill++) {
                awaitAnswers(told.size() + 1 + random.nextInt(12), practice);
                String child = random.nextBoolean() ? "server" : "db";
                long before = tachylim.pid(child);
                tachylim.kill(child);
                tachylim.awaitAnother(child, before);
                tachylim.awaitHealth();
            }
            awaitAnswers(told.size() + 5, practice);
            over.set(true);
            practice.join();
            compare(tachylim);
        }
    }

    private void awaitAnswers(int many, CompletableFuture<Void> practice) {
        synchronized (told) {
            while (told.size() < many && !practice.isDone()) {
                try {
                    told.wait(500);
                } catch (InterruptedException e) {
                    Thread.currentThread().interrupt();
                    throw new IllegalStateException(e);
                }
            }
        }
    }

    private void practise(Installation tachylim, AtomicBoolean over) {
        Client client = new Client(tachylim.base()).signIn("killed");
        while (!over.get()) {
            UUID window = UUID.randomUUID();
            JsonObject run = begin(client, window, over);
            for (int i = 0;
                    i < 40
                            && run != null
                            && !over.get()
                            && run.getAsJsonObject("step").get("ended").isJsonNull();
                    i++) {
                run = answered(client, run, window, i == 39, over);
            }
        }
    }

    private static JsonObject begin(Client client, UUID window, AtomicBoolean over) {
        while (!over.get()) {
            Reply today = client.get("/api/today");
            if (today.ok() && !today.json().get("openRun").isJsonNull()) {
                long open = today.json().get("openRun").getAsLong();
                Reply taken = client.post("/api/runs/" + open + "/holder", Map.of("holder", window.toString()));
                if (taken.ok()) {
                    return taken.json();
                }
            } else if (today.ok()
                    && today.json()
                            .get("plan")
                            .getAsJsonObject()
                            .getAsJsonObject("timeline")
                            .getAsJsonArray("stretches")
                            .isEmpty()) {
                client.put(
                        "/api/account/habits",
                        Map.of("instrument", "MALLET", "usualMinutes", 600, "roughCounts", false, "looseOnly", false));
                return null;
            } else if (today.ok()) {
                Reply begun = client.post(
                        "/api/runs",
                        Map.of("plan", today.json().getAsJsonObject("plan").get("wish"), "holder", window.toString()));
                if (begun.ok()) {
                    return begun.json();
                }
            }
            Client.holdBack();
        }
        return null;
    }

    /** Sends one answer, again and again under the same id, until it is taken or refused. */
    private JsonObject answered(Client client, JsonObject run, UUID window, boolean last, AtomicBoolean over) {
        String id = UUID.randomUUID().toString();
        JsonObject step = run.getAsJsonObject("step");
        boolean pass = !step.get("pass").isJsonNull();
        Map<String, Object> event = new HashMap<>(Map.of(
                "clientId",
                id,
                "holder",
                window.toString(),
                "ordinal",
                run.get("ordinal").getAsInt()));
        if (last) {
            event.putAll(Map.of("kind", "STOPPED", "seconds", 0));
        } else if (pass) {
            event.putAll(Map.of("kind", "JUDGED", "verdict", "CLEAN", "tension", 0));
        } else {
            event.putAll(Map.of(
                    "kind",
                    "RESTED",
                    "seconds",
                    step.getAsJsonObject("rest").get("seconds").getAsDouble()));
        }
        while (!over.get()) {
            Reply reply = client.post("/api/runs/" + run.get("id").getAsLong() + "/events", event);
            if (reply.ok() && reply.json().has("ordinal")) {
                synchronized (told) {
                    told.add(id);
                    if (pass && !last) {
                        toldToPass.add(id);
                    }
                    told.notifyAll();
                }
                return reply.json();
            }
            if (reply.ok()) {
                throw new AssertionError("A success without an answer: " + reply);
            }
            if (reply.status() == 409
                    && !List.of("changed", "too-soon")
                            .contains(reply.json().get("code").getAsString())) {
                throw new AssertionError("Out of step: " + reply);
            }
            Client.holdBack();
        }
        return null;
    }

    private void compare(Installation tachylim) {
        List<String> kept = tachylim.ask("select client_id from tachylim.run_event");
        List<String> passes = tachylim.ask(
                "select e.client_id from tachylim.played_pass p join tachylim.run_event e on e.run_id = p.run_id and e.ordinal = p.ordinal where p.turn = 0");
        System.out.println(KILLS + " kills, " + told.size() + " answers told, " + kept.size() + " kept");
        assertThat(told).hasSizeGreaterThan(KILLS);
        assertThat(kept)
                .as("none doubled")
                .doesNotHaveDuplicates()
                .as("none lost")
                .containsAll(told);
        assertThat(passes).doesNotHaveDuplicates().containsAll(toldToPass);
        assertThat(
                        tachylim.ask(
                                "select count(*) from tachylim.run_segment s join tachylim.run r on r.id = s.run_id "
                                        + "where s.ordinal not in (select ordinal from tachylim.run_event e where e.run_id = s.run_id)"))
                .containsExactly("0");
    }
}
