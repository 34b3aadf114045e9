package tachylim.bench.players;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Stream;
import tachylim.take.Listener;
import tachylim.take.Measured;
import tachylim.take.Recorded;
import tachylim.take.Take;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.ObjectMapper;

/** Finds the passes of recordings that are made of a folder's takes, each played three times with pauses between. */
final class Recordings {

    private static final ObjectMapper JSON = new ObjectMapper();
    private static final int TIMES = 3;

    /** A pass that begins so near to where one does is that one, in seconds. */
    private static final double SAME = 0.3;

    private Recordings() {}

    static void all(Path folder) throws IOException {
        Map<String, int[]> byFault = new TreeMap<>();
        List<Path> files;
        try (Stream<Path> list = Files.list(folder)) {
            files = list.filter(file -> file.toString().endsWith(".json")).sorted().toList();
        }
        for (Path file : files) {
            JsonNode truth = JSON.readTree(Files.readAllBytes(file));
            Take take = Takes.take(truth, Path.of(file.toString().replaceAll("json$", "wav")));
            String fault = truth.path("fault").asString();
            boolean played = !fault.equals("nothing") && !fault.equals("othertune");
            List<Recorded.Found> found = Recorded.passes(of(take));
            Measured alone = Listener.listen(take);
            int right = 0;
            int agree = 0;
            for (int time = 0; time < TIMES && played; time++) {
                double begin = truth.path("events").path(0).path("t").asDouble() + time * take.samples().length / take.rate();
                for (Recorded.Found one : found) {
                    if (Math.abs(one.seconds() - begin) < SAME) {
                        right++;
                        agree += one.measured().verdict() == alone.verdict() ? 1 : 0;
                        break;
                    }
                }
            }
            int[] sums = byFault.computeIfAbsent(fault, at -> new int[4]);
            sums[0] += played ? TIMES : 0;
            sums[1] += right;
            sums[2] += found.size() - right;
            sums[3] += agree;
            System.out.println(truth.path("name").asString() + " " + fault + " " + truth.path("cond").asString() + ": "
                    + right + " of " + TIMES + ", " + (found.size() - right) + " more, as alone " + agree);
        }
        System.out.printf("%n%-12s %8s %8s %8s %10s%n", "fault", "played", "found", "more", "as alone");
        byFault.forEach((fault, sums) -> System.out.printf(
                Locale.ROOT, "%-12s %8d %8d %8d %10d%n", fault, sums[0], sums[1], sums[2], sums[3]));
    }

    private static Take of(Take take) {
        float[] once = take.samples();
        float[] samples = new float[TIMES * once.length];
        for (int time = 0; time < TIMES; time++) {
            System.arraycopy(once, 0, samples, time * once.length, once.length);
        }
        return new Take(samples, take.rate(), take.notes(), take.tempo(), 0, List.of(), take.family());
    }
}
