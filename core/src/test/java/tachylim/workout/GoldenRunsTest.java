package tachylim.workout;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import tachylim.Golden;

/**
 * A thousand random workouts are told as they were when they were written down. Whoever changes a rule on purpose writes them
 * anew ({@code mvn -pl core test -Dtest=GoldenRunsTest -Dtachylim.golden.write=true}) and says so in the commit.
 */
class GoldenRunsTest {

    private static final String KEPT = "workout/golden-runs.txt";

    @Test
    void everyTenthIsToldAsItWas() throws IOException {
        List<String> kept = Golden.kept(KEPT).lines().toList();
        assertThat(kept).hasSize(GoldenRuns.HOW_MANY);
        for (int number = 0; number < GoldenRuns.HOW_MANY; number += EVERY) {
            assertThat(line(number)).isEqualTo(kept.get(number));
        }
    }

    private static final int EVERY = 10;
    private static final int SHOWN = 10;

    @Test
    @Tag("long")
    void aThousandAreToldAsTheyWere() throws IOException {
        String now = IntStream.range(0, GoldenRuns.HOW_MANY)
                .mapToObj(number -> line(number) + "\n")
                .collect(Collectors.joining());
        List<String> kept = Golden.kept(KEPT, now).lines().toList();
        List<String> lines = now.lines().toList();
        assertThat(kept).hasSameSizeAs(lines);
        assertThat(IntStream.range(0, lines.size())
                        .filter(number -> !lines.get(number).equals(kept.get(number)))
                        .limit(SHOWN)
                        .boxed())
                .as("the first that are told otherwise")
                .isEmpty();
    }

    private static String line(int number) {
        return number + " " + Golden.digest(GoldenRuns.told(number));
    }
}
