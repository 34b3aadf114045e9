package tachylim.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;
import org.junit.jupiter.api.io.TempDir;

/**
 * Several instances on a cluster: what players were told is what every node keeps, once and in order, whatever lags or dies.
 * Short unless it is asked for more.
 */
@Timeout(value = 90, unit = TimeUnit.MINUTES)
@Tag("cluster")
@Tag("long")
class ClusterTest {

    private static final int PLAYERS = Integer.getInteger("tachylim.cluster.players", 3);
    private static final int ANSWERS = Integer.getInteger("tachylim.cluster.answers", 20);
    private static final int KILLS = Integer.getInteger("tachylim.cluster.kills", 4);
    private static final long SEED = Long.getLong("tachylim.seed", 7);

    /** "A few seconds", on a machine that has other things to do as well. */
    private static final double LONGEST_AWAY_SECONDS = 30;

    /** What happens to parts; those that only stop for a while are tried when there is time. */
    private static final List<String> FATES = List.of(
            "writer", "another node", "proxy", "instance", "frozen writer", "frozen another node", "frozen instance");

    private static final String NEWER = "of_a_newer_version";

    @TempDir
    private static Path home;

    private static Cluster cluster;
    private static List<String> pair;

    private final Random random = new Random(SEED);

    @BeforeAll
    static void start() {
        cluster = new Cluster(home);
        pair = cluster.pairOfWriters("tachylim_pair");
    }

    @AfterAll
    static void stop() {
        if (cluster != null) {
            cluster.close();
        }
    }

    private static void isKept(Rehearsal rehearsal, String database) {
        assertThat(rehearsal.odd()).as("what nobody should be told").isEmpty();
        cluster.awaitEqual(List.of(database));
        for (String node : Cluster.NODES) {
            rehearsal.compare(cluster, node, database);
        }
    }

    @Test
    void anyInstanceAnswersAnybody() {
        Rehearsal rehearsal = new Rehearsal("undisturbed", cluster.doors(), ANSWERS, SEED)
                .patiently()
                .begin(PLAYERS)
                .join();
        assertThat(rehearsal.failures())
                .as(() -> "without an answer: " + rehearsal.unanswered())
                .isZero();
        assertThat(rehearsal.count("409 changed"))
                .as("who was later is told what is there, not that something changed")
                .isZero();
        isKept(rehearsal, "tachylim_demo");
    }

    @Test
    void twoWritersAtOnceKeepTheirOrder() {
        Rehearsal rehearsal = new Rehearsal("two writers", pair, ANSWERS, SEED)
                .patiently()
                .begin(PLAYERS)
                .join();
        assertThat(rehearsal.failures())
                .as(() -> "without an answer: " + rehearsal.unanswered())
                .isZero();
        assertThat(rehearsal.count("409 changed"))
                .as("who was later is told what is there, not that something changed")
                .isZero();
        isKept(rehearsal, "tachylim_pair");
    }

    @Test
    void aNodeThatLagsTellsNothingThatIsPast() {
        Rehearsal rehearsal =
                new Rehearsal("a node lags", pair, ANSWERS, SEED).patiently().begin(PLAYERS);
        while (!rehearsal.isDone()) {
            cluster.lag("node2", 200 + random.nextInt(1_000));
            rehearsal.awaitTold(rehearsal.told() + PLAYERS);
        }
        rehearsal.join();
        assertThat(rehearsal.failures() - rehearsal.count("503"))
                .as("but for those that cannot be answered yet")
                .isZero();
        isKept(rehearsal, "tachylim_pair");
    }

    @Test
    void whateverDiesNothingIsLost() {
        Rehearsal rehearsal = new Rehearsal("killed", List.of(cluster.door()), Integer.MAX_VALUE, SEED).begin(PLAYERS);
        List<String> order = new ArrayList<>();
        Map<String, List<Double>> waits = new TreeMap<>();
        for (int kill = 0; kill < KILLS; kill++) {
            if (order.isEmpty()) {
                order.addAll(FATES.subList(0, KILLS < FATES.size() ? 4 : FATES.size()));
                Collections.shuffle(order, random);
            }
            rehearsal.awaitTold(rehearsal.told() + 1 + random.nextInt(8));
            String fate = order.remove(0);
            rehearsal.longestAwaySinceLast();
            disturb(fate);
            rehearsal.awaitTold(rehearsal.told() + 3 * PLAYERS);
            cluster.awaitWhole();
            waits.computeIfAbsent(fate, any -> new ArrayList<>()).add(rehearsal.longestAwaySinceLast());
        }
        rehearsal.end();
        waits.forEach((fate, seconds) -> System.out.printf(
                "%s, %d times: nobody waited longer than %.1f s, mostly %.1f s%n",
                fate,
                seconds.size(),
                Collections.max(seconds),
                seconds.stream().sorted().toList().get(seconds.size() / 2)));
        assertThat(rehearsal.failures() - rehearsal.count("503") - rehearsal.count("0"))
                .as("nobody is told that it went wrong for good")
                .isZero();
        assertThat(rehearsal.longestAwaySeconds()).isLessThan(LONGEST_AWAY_SECONDS);
        isKept(rehearsal, "tachylim_demo");
    }

    /** One instance after the other comes back as a newer version, the first of which brings the database up to date. */
    @Test
    void aNewerVersionIsTakenInOneByOne() throws IOException {
        List<String> doors = cluster.pairOfWriters("tachylim_upgrade");
        Path newer = newer();
        Rehearsal rehearsal = new Rehearsal("upgraded", doors, Integer.MAX_VALUE, SEED).begin(PLAYERS);
        for (String door : doors) {
            rehearsal.awaitTold(rehearsal.told() + 3 * PLAYERS);
            cluster.upgrade(door, newer);
            rehearsal.awaitTold(rehearsal.told() + 3 * PLAYERS);
            assertThat(cluster.ask("node3", "SELECT COUNT(*) FROM tachylim_upgrade." + NEWER))
                    .containsExactly("0");
        }
        rehearsal.end();
        assertThat(rehearsal.failures() - rehearsal.count("503") - rehearsal.count("0"))
                .as("but for those that came to an instance that was away")
                .isZero();
        isKept(rehearsal, "tachylim_upgrade");
    }

    /** A version with one step more for the database. */
    private static Path newer() throws IOException {
        return App.withMigration(
                home.resolve("newer.jar"),
                "V9999__" + NEWER + ".sql",
                "CREATE TABLE IF NOT EXISTS " + NEWER + " (id INT PRIMARY KEY);\n");
    }

    @Test
    void aNodeThatHasGivenUpTheOthersBeginsAnew() {
        cluster.leave("node3");
        cluster.awaitWhole();
        assertThat(cluster.told()).contains("The node 3 has lost the others");
    }

    private void disturb(String fate) {
        if (fate.startsWith("frozen ")) {
            cluster.freeze(cluster.part(fate.substring("frozen ".length()), random), 3 + random.nextInt(8));
        } else {
            cluster.kill(cluster.part(fate, random));
        }
    }

    @Test
    void whatOneInstanceKnowsTheOtherKnows() {
        Client client = new Client(pair.get(0)).register("here-and-there");
        Client there = client.through(pair.get(1));
        assertThat(there.get("/api/today").ok()).as("signed in at the other").isTrue();
        assertThat(there.delete("/api/session").ok()).isTrue();
        assertThat(client.get("/api/today").status())
                .as("signed out at the first")
                .isEqualTo(401);
        for (int attempt = 0; attempt < 6; attempt++) {
            Client guesser = new Client(pair.get(attempt % 2));
            guesser.get("/api/greeting");
            assertThat(guesser.post(
                                    "/api/session",
                                    Map.of("name", "here-and-there", "password", "a guess " + attempt, "zone", "UTC"))
                            .status())
                    .isEqualTo(401);
        }
        assertThat(cluster.ask(
                        "node3", "SET wsrep_sync_wait = 15; SELECT MAX(tries) >= 6 FROM tachylim_pair.guarded_try"))
                .as("tries are counted together")
                .containsExactly("1");
    }

    /** They were started at once, each on a node of its own. */
    @Test
    void oneInstanceBringsTheDatabaseUpToDateWhileTheOtherWaits() {
        assertThat(
                        cluster.ask(
                                "node3",
                                "SET wsrep_sync_wait = 15; SELECT version, COUNT(*) FROM tachylim_pair.flyway_schema_history WHERE success = 1 GROUP BY version HAVING COUNT(*) > 1"))
                .as("no step twice")
                .isEmpty();
        assertThat(cluster.ask("node3", "SELECT COUNT(*) FROM tachylim_pair.flyway_schema_history WHERE success = 0"))
                .containsExactly("0");
    }
}
