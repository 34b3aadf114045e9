package tachylim.workout;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;

/**
 * A thousand random workouts are told as they were when they were written down. Whoever changes a rule on purpose writes them
 * anew ({@code mvn -pl core test -Dtest=GoldenRunsTest -Dtachylim.golden.write=true}) and says so in the commit.
 */
class GoldenRunsTest {

    private static final String KEPT = "golden-runs.txt";
    private static final Path SOURCE = Path.of("src", "test", "resources", "tachylim", "workout", KEPT);

    @Test
    void everyTenthIsToldAsItWas() throws IOException {
        compare(10);
    }

    @Test
    @Tag("long")
    void aThousandAreToldAsTheyWere() throws IOException {
        if (Boolean.getBoolean("tachylim.golden.write")) {
            Files.write(
                    SOURCE,
                    IntStream.range(0, GoldenRuns.HOW_MANY).mapToObj(this::line).toList());
        }
        compare(1);
    }

    private void compare(int every) throws IOException {
        List<String> kept = kept();
        assertThat(kept).hasSize(GoldenRuns.HOW_MANY);
        for (int number = 0; number < GoldenRuns.HOW_MANY; number += every) {
            assertThat(line(number)).isEqualTo(kept.get(number));
        }
    }

    private String line(int number) {
        return number + " " + GoldenRuns.digest(GoldenRuns.told(number));
    }

    private static List<String> kept() throws IOException {
        try (InputStream in = GoldenRunsTest.class.getResourceAsStream(KEPT)) {
            return in == null
                    ? Files.readAllLines(SOURCE)
                    : new String(in.readAllBytes(), StandardCharsets.UTF_8)
                            .lines()
                            .toList();
        }
    }
}
