package tachylim.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.util.List;
import java.util.Random;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;
import org.junit.jupiter.api.io.TempDir;

/** Somebody plays at a page while parts of the cluster behind it die. */
@Timeout(value = 40, unit = TimeUnit.MINUTES)
@Tag("cluster")
@Tag("long")
class AtThePageTest {

    private static final int ROUNDS = Integer.getInteger("tachylim.cluster.rounds", 1);

    @TempDir
    private Path home;

    /** What is answered while a part is away waits in the page, and arrives by itself; the music goes on. */
    @Test
    void whoeverPlaysGoesOnPlayingWhateverDies() {
        Random random = new Random(7);
        try (Cluster cluster = new Cluster(home, Shared.SPEED);
                Browsing browsing = new Browsing()) {
            for (int round = 0; round < ROUNDS; round++) {
                Musician odile = new Musician(browsing.page(browsing.somebody(cluster.door(), 1280, 800)))
                        .register()
                        .firstWorkout();
                int passes = 0;
                for (String task : List.of("instance", "writer", "another node", "proxy")) {
                    passes += odile.playToTheCue();
                    cluster.end(cluster.part(task, random));
                    odile.page.keyboard().press("j");
                    passes += odile.playToTheCue();
                    odile.page.keyboard().press("j");
                    cluster.awaitWhole();
                }
                odile.untilArrived();
                odile.untilTold("/api/log", "\"passes\":" + passes + ",");
                odile.page.context().close();
            }
            assertThat(browsing.complaints()).isEmpty();
            cluster.awaitEqual(List.of("tachylim_demo"));
        }
    }
}
