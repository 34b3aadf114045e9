package tachylim.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import com.google.gson.JsonObject;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.TreeMap;
import java.util.UUID;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.concurrent.atomic.AtomicLong;
import java.util.function.Supplier;
import org.awaitility.Awaitility;
import tachylim.e2e.Client.Reply;

/**
 * Players who practise at once, each answer through a door of its own: some answers go through two doors at the same moment,
 * some places are answered twice, and workouts are begun twice. What they were told is written down, to be held against what
 * is kept.
 */
final class Rehearsal {

    /** Answers to a place that somebody else has answered. */
    private static final Set<String> SETTLED = Set.of("out-of-step", "over", "too-late");

    private static final int ANSWERS_A_RUN = 40;
    private static final long STUCK_NANOS = 90_000_000_000L;

    private final String name;
    private final List<String> doors;
    private final int answers;
    private final long seed;

    /** What was told to be kept, by run, in the order in which it was told. */
    private final Map<Long, List<String>> kept = new ConcurrentHashMap<>();

    /** What was told not to be kept. */
    private final Set<String> refused = ConcurrentHashMap.newKeySet();

    private final Map<String, AtomicInteger> statuses = new ConcurrentHashMap<>();
    private final ConcurrentLinkedQueue<String> odd = new ConcurrentLinkedQueue<>();

    /** Why there was no answer, each time. */
    private final ConcurrentLinkedQueue<String> unanswered = new ConcurrentLinkedQueue<>();

    private final AtomicLong longestAway = new AtomicLong();
    private volatile long longestEver;
    private final ConcurrentLinkedQueue<Long> took = new ConcurrentLinkedQueue<>();
    private final AtomicInteger told = new AtomicInteger();
    private final AtomicInteger twins = new AtomicInteger();
    private final AtomicInteger rivals = new AtomicInteger();
    private final AtomicInteger beginnings = new AtomicInteger();
    private final AtomicBoolean over = new AtomicBoolean();
    private CompletableFuture<Void> everybody;
    private boolean quiet;
    private boolean patient;

    Rehearsal(String name, List<String> doors, int answers, long seed) {
        this.name = name;
        this.doors = doors;
        this.answers = answers;
        this.seed = seed;
    }

    /** Nobody answers twice or begins twice: only what players do. */
    Rehearsal quietly() {
        quiet = true;
        return this;
    }

    /** Whoever is only to be answered, and not soon: an instance that has just started takes seconds for what it has never done. */
    Rehearsal patiently() {
        patient = true;
        return this;
    }

    Rehearsal begin(int players) {
        List<CompletableFuture<Void>> each = new ArrayList<>();
        for (int player = 0; player < players; player++) {
            Random random = new Random(seed * 1_000 + player);
            String who = name + "-" + player;
            CompletableFuture<Void> done = new CompletableFuture<>();
            Thread thread = new Thread(
                    () -> {
                        try {
                            new Practice(who, random).all();
                            done.complete(null);
                        } catch (Throwable failure) {
                            done.completeExceptionally(failure);
                        }
                    },
                    who);
            thread.setDaemon(true);
            thread.start();
            each.add(done);
        }
        everybody = CompletableFuture.allOf(each.toArray(CompletableFuture[]::new));
        return this;
    }

    /** Waits until so many answers were told, or all are done. */
    void awaitTold(int many) {
        Awaitility.await().forever().until(() -> told.get() >= many || everybody.isDone());
    }

    int told() {
        return told.get();
    }

    boolean isDone() {
        return everybody.isDone();
    }

    Rehearsal end() {
        over.set(true);
        return join();
    }

    Rehearsal join() {
        everybody.join();
        System.out.println(this);
        return this;
    }

    /** Answers that nobody should get, whatever happens. */
    List<String> odd() {
        return List.copyOf(odd);
    }

    /** How many requests were answered with an error of the server's, or not at all. */
    int failures() {
        return statuses.entrySet().stream()
                .filter(one -> one.getKey().startsWith("5") || one.getKey().equals("0"))
                .mapToInt(one -> one.getValue().get())
                .sum();
    }

    /** What was answered with an error of the server's, or not at all, and why. */
    List<String> unanswered() {
        return List.copyOf(unanswered);
    }

    int count(String status) {
        AtomicInteger times = statuses.get(status);
        return times == null ? 0 : times.get();
    }

    /** How long an answer took, in milliseconds, that only five of a hundred took longer than. */
    double p95Millis() {
        List<Long> sorted = took.stream().sorted().toList();
        return sorted.isEmpty() ? 0 : sorted.get((int) (0.95 * (sorted.size() - 1))) / 1e6;
    }

    /** How long anybody waited for one answer at the most, all tries together. */
    double longestAwaySeconds() {
        return longestEver / 1e9;
    }

    /** The same since this was last asked. */
    double longestAwaySinceLast() {
        return longestAway.getAndSet(0) / 1e9;
    }

    @Override
    public String toString() {
        return "%s: %d answers told in %d runs, %d sent to both at once, %d places answered twice, %d begun twice; answers %s; longest wait for one %.1f s"
                .formatted(
                        name,
                        told.get(),
                        kept.size(),
                        twins.get(),
                        rivals.get(),
                        beginnings.get(),
                        new TreeMap<>(statuses),
                        longestAwaySeconds());
    }

    /** Holds what was told against what a node keeps. */
    void compare(Cluster cluster, String node, String database) {
        Map<Long, List<String>> there = new HashMap<>();
        Map<Long, Integer> last = new HashMap<>();
        List<String> misordered = new ArrayList<>();
        for (String line : cluster.ask(
                node, "SELECT run_id, ordinal, client_id FROM " + database + ".run_event ORDER BY run_id, ordinal")) {
            String[] part = line.split("\t");
            long run = Long.parseLong(part[0]);
            if (kept.containsKey(run)) {
                int ordinal = Integer.parseInt(part[1]);
                if (ordinal != last.getOrDefault(run, -1) + 1) {
                    misordered.add(line);
                }
                last.put(run, ordinal);
                there.computeIfAbsent(run, any -> new ArrayList<>()).add(part[2]);
            }
        }
        assertThat(misordered)
                .as("no place left out or taken twice on %s", node)
                .isEmpty();
        kept.forEach((run, told) -> {
            List<String> found = there.getOrDefault(run, List.of());
            assertThat(found)
                    .as("run %d on %s: none doubled, none lost, none out of order", run, node)
                    .doesNotHaveDuplicates()
                    .containsExactlyElementsOf(told);
            assertThat(found).as("what was refused is not kept").doesNotContainAnyElementsOf(refused);
        });
        assertThat(cluster.ask(
                        node,
                        "SELECT run_id, ordinal, turn, COUNT(*) FROM " + database
                                + ".played_pass GROUP BY run_id, ordinal, turn HAVING COUNT(*) > 1"))
                .as("no pass counted twice")
                .isEmpty();
        assertThat(cluster.ask(
                        node,
                        "SELECT e.run_id, e.ordinal FROM " + database + ".run_event e LEFT JOIN " + database
                                + ".run_segment s ON s.run_id = e.run_id AND s.ordinal = e.ordinal"
                                + " WHERE e.kind IN ('JUDGED', 'RESTED') AND s.run_id IS NULL"))
                .as("no answer without what came of it")
                .isEmpty();
    }

    /** One player: begins, answers and begins again; when a day has had enough, goes on as somebody else. */
    private final class Practice {

        private final String who;
        private final Random random;
        private final UUID window = UUID.randomUUID();
        private Client client;
        private int accounts;
        private int mine;

        Practice(String who, Random random) {
            this.who = who;
            this.random = random;
        }

        private boolean goesOn() {
            return !over.get() && mine < answers;
        }

        void all() {
            register();
            while (goesOn()) {
                JsonObject run = begun();
                if (run == null) {
                    register();
                } else {
                    played(run);
                }
            }
        }

        private void played(JsonObject begun) {
            JsonObject run = begun;
            for (int i = 0; run.getAsJsonObject("step").get("ended").isJsonNull(); i++) {
                boolean last = i == ANSWERS_A_RUN - 1 || !goesOn();
                long began = System.nanoTime();
                run = answered(run, last);
                waited(System.nanoTime() - began);
            }
        }

        private String door() {
            return doors.get(random.nextInt(doors.size()));
        }

        private void register() {
            client = patient ? new Client(this::door).patient() : new Client(this::door);
            // Whether somebody was registered whose answer was lost is not asked: the next is another.
            until(
                    () -> {
                        Reply greeted = client.get("/api/greeting");
                        String account = who + "-" + accounts++;
                        return !greeted.ok()
                                ? greeted
                                : client.post(
                                        "/api/account",
                                        Map.of(
                                                "name",
                                                account,
                                                "password",
                                                Musician.PASSWORD,
                                                "zone",
                                                "Europe/Lisbon"));
                    },
                    Set.of());
            // A passage whose answer was lost is there twice, which does no harm here.
            while (true) {
                Reply made = client.post("/api/passages", Client.passage("Kestrel Weather"));
                note(made);
                if (made.ok()) {
                    return;
                }
                Client.holdBack();
            }
        }

        /** A workout that was begun through two doors at once; null when the day has had enough. */
        private JsonObject begun() {
            while (true) {
                JsonObject today =
                        until(() -> client.get("/api/today"), Set.of()).json();
                if (!today.get("openRun").isJsonNull()) {
                    return takenOver(today.get("openRun").getAsLong());
                }
                JsonObject plan = today.getAsJsonObject("plan");
                if (plan.getAsJsonObject("timeline").getAsJsonArray("stretches").isEmpty()) {
                    return null;
                }
                Map<String, Object> wish = Map.of("plan", plan.get("wish"), "holder", window.toString());
                List<Reply> both = quiet
                        ? List.of(client.post("/api/runs", wish))
                        : both(
                                () -> client.postAt(doors.get(0), "/api/runs", wish),
                                () -> client.postAt(doors.get(doors.size() - 1), "/api/runs", wish));
                both.forEach(Rehearsal.this::note);
                beginnings.incrementAndGet();
                List<Reply> begun = both.stream().filter(Reply::ok).toList();
                both.stream()
                        .filter(reply -> reply.status() == 409
                                && !Set.of("open-run", "changed").contains(code(reply)))
                        .forEach(reply -> odd.add("begun: " + reply));
                if (begun.size() > 1) {
                    odd.add("two workouts begun at once: " + begun);
                }
                if (!begun.isEmpty()) {
                    return begun.get(0).json();
                }
                Client.holdBack();
            }
        }

        private JsonObject takenOver(long run) {
            return until(
                            () -> client.post("/api/runs/" + run + "/holder", Map.of("holder", window.toString())),
                            Set.of())
                    .json();
        }

        private JsonObject answered(JsonObject run, boolean last) {
            long id = run.get("id").getAsLong();
            String path = "/api/runs/" + id + "/events";
            Map<String, Object> event = event(run, last, "CLEAN");
            int dice = quiet ? 10 : random.nextInt(10);
            Reply reply;
            if (dice < 2) {
                twins.incrementAndGet();
                List<Reply> both = both(
                        () -> until(() -> client.postAt(doors.get(0), path, event), Set.of()),
                        () -> until(() -> client.postAt(doors.get(doors.size() - 1), path, event), Set.of()));
                reply = both.get(0).json().get("ordinal").getAsInt()
                                >= both.get(1).json().get("ordinal").getAsInt()
                        ? both.get(0)
                        : both.get(1);
                keep(id, event);
            } else if (dice < 4 && !last) {
                rivals.incrementAndGet();
                Map<String, Object> other = event(run, false, "ROUGH");
                List<Reply> both = both(
                        () -> until(() -> client.postAt(doors.get(0), path, event), SETTLED),
                        () -> until(() -> client.postAt(doors.get(doors.size() - 1), path, other), SETTLED));
                List<Reply> taken = both.stream().filter(Reply::ok).toList();
                if (taken.size() != 1) {
                    odd.add("of two answers to one place " + taken.size() + " were taken: " + both);
                }
                keep(id, both.get(0).ok() ? event : other);
                refused.add((String) (both.get(0).ok() ? other : event).get("clientId"));
                reply = taken.get(0);
            } else {
                long began = System.nanoTime();
                reply = until(() -> client.post(path, event), Set.of());
                took.add(System.nanoTime() - began);
                keep(id, event);
            }
            return reply.json();
        }

        private void keep(long run, Map<String, Object> event) {
            kept.computeIfAbsent(run, any -> new ArrayList<>()).add((String) event.get("clientId"));
            mine++;
            told.incrementAndGet();
        }

        private Map<String, Object> event(JsonObject run, boolean last, String verdict) {
            JsonObject step = run.getAsJsonObject("step");
            Map<String, Object> event = new LinkedHashMap<>();
            event.put("clientId", UUID.randomUUID().toString());
            event.put("holder", window.toString());
            event.put("ordinal", run.get("ordinal").getAsInt());
            if (last) {
                event.putAll(Map.of("kind", "STOPPED", "seconds", 0));
            } else if (!step.get("pass").isJsonNull()) {
                event.putAll(Map.of("kind", "JUDGED", "verdict", verdict, "tension", 0));
            } else {
                double seconds = step.getAsJsonObject("rest").get("seconds").getAsDouble();
                event.putAll(Map.of("kind", "RESTED", "seconds", seconds));
            }
            return event;
        }

        /** Asks again, as the page does, until there is an answer: a yes, or a no that settles it. */
        private Reply until(Supplier<Reply> asked, Set<String> settles) {
            long began = System.nanoTime();
            while (true) {
                Reply reply = asked.get();
                note(reply);
                if (reply.ok() || settles.contains(code(reply))) {
                    return reply;
                }
                boolean waits = reply.status() == 0
                        || reply.status() == 429
                        || reply.status() >= 500
                        || "too-soon".equals(code(reply));
                if (!waits) {
                    odd.add(reply.toString());
                }
                if (!waits || System.nanoTime() - began > STUCK_NANOS) {
                    throw new AssertionError(who + " was told " + reply);
                }
                Client.holdBack();
            }
        }

        private List<Reply> both(Supplier<Reply> one, Supplier<Reply> other) {
            CompletableFuture<Reply> first = CompletableFuture.supplyAsync(one, Rehearsal::apart);
            CompletableFuture<Reply> second = CompletableFuture.supplyAsync(other, Rehearsal::apart);
            return List.of(first.join(), second.join());
        }
    }

    private synchronized void waited(long nanos) {
        longestAway.accumulateAndGet(nanos, Math::max);
        longestEver = Math.max(longestEver, nanos);
    }

    private static void apart(Runnable work) {
        Thread thread = new Thread(work);
        thread.setDaemon(true);
        thread.start();
    }

    private static String code(Reply reply) {
        return reply.json().has("code") ? reply.json().get("code").getAsString() : "";
    }

    private void note(Reply reply) {
        String what = reply.status() + (reply.status() == 409 ? " " + code(reply) : "");
        statuses.computeIfAbsent(what, any -> new AtomicInteger()).incrementAndGet();
        if (reply.status() == 0) {
            unanswered.add(reply.json().get("none").getAsString());
        }
    }
}
