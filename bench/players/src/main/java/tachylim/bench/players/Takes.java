package tachylim.bench.players;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Stream;
import tachylim.passage.InstrumentFamily;
import tachylim.take.Asked;
import tachylim.take.Listener;
import tachylim.take.Measured;
import tachylim.take.Measured.Why;
import tachylim.take.Onset;
import tachylim.take.Take;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.ObjectMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** Measures a folder of takes whose truth is known, prints a line for each and then how true they were. */
final class Takes {

    private static final ObjectMapper JSON = new ObjectMapper();

    /** Where the rate of a file stands. */
    private static final int RATE = 24;

    /** An onset that is off by more is another. */
    private static final double SAME = 0.12;

    private Takes() {}

    static void all(Path folder) throws IOException {
        Map<String, Sums> bySound = new TreeMap<>();
        Sums all = new Sums();
        List<Path> files;
        try (Stream<Path> list = Files.list(folder)) {
            files = list.filter(file -> file.toString().endsWith(".json")).sorted().toList();
        }
        long nanos = 0;
        double seconds = 0;
        for (Path file : files) {
            JsonNode truth = JSON.readTree(Files.readAllBytes(file));
            Take take = take(truth, Path.of(file.toString().replaceAll("json$", "wav")));
            long before = System.nanoTime();
            Measured measured = Listener.listen(take);
            nanos += System.nanoTime() - before;
            seconds += take.samples().length / take.rate();
            System.out.println(line(truth, take, measured));
            for (Sums sums : List.of(all, bySound.computeIfAbsent(sound(truth), at -> new Sums()))) {
                sums.add(truth, take, measured);
            }
        }
        System.out.printf("%n%-28s %s%n", "sound", Sums.HEAD);
        bySound.forEach((sound, sums) -> System.out.printf("%-28s %s%n", sound, sums));
        System.out.printf("%-28s %s%n", "all", all);
        System.out.printf(Locale.ROOT, "%nVerdicts, rows true, columns measured:%n%s%n", all.confusion());
        System.out.printf(
                "What spoke for a verdict, how often that was right, and how sure it was said to be:%n%s%n",
                all.sureness());
        System.out.printf(Locale.ROOT, "%.0f ms for a second of sound%n", nanos / 1e6 / seconds);
    }

    private static String sound(JsonNode truth) {
        String family = truth.path("family").asString();
        String way = truth.path("art").asString();
        return family + (way.isEmpty() ? "" : ", " + way);
    }

    static Take take(JsonNode truth, Path wav) throws IOException {
        List<Asked> notes = new ArrayList<>();
        for (JsonNode note : truth.path("notes")) {
            List<Integer> pitches = new ArrayList<>();
            note.path("pitches").forEach(pitch -> pitches.add(pitch.asInt()));
            notes.add(new Asked(note.path("beat").asDouble(), note.path("dur").asDouble(), pitches));
        }
        List<Double> clicks = new ArrayList<>();
        truth.path("clicks").forEach(click -> clicks.add(click.path(0).asDouble()));
        byte[] file = Files.readAllBytes(wav);
        return new Take(
                samples(file),
                ByteBuffer.wrap(file).order(ByteOrder.LITTLE_ENDIAN).getInt(RATE),
                notes,
                truth.path("tempo").asDouble(),
                truth.path("start_click").asDouble(),
                clicks,
                family(truth.path("family").asString()));
    }

    private static InstrumentFamily family(String name) {
        return Arrays.stream(InstrumentFamily.values())
                .filter(one -> one.name().equals(name))
                .findFirst()
                .orElse(InstrumentFamily.OTHER);
    }

    /** The samples of a file of 16 bits and one channel. */
    private static float[] samples(byte[] all) {
        ByteBuffer bytes = ByteBuffer.wrap(all).order(ByteOrder.LITTLE_ENDIAN);
        int at = 12;
        while (bytes.getInt(at) != 0x61746164) {
            at += 8 + bytes.getInt(at + 4);
        }
        int count = Math.min(bytes.getInt(at + 4), all.length - at - 8) / 2;
        float[] samples = new float[count];
        for (int i = 0; i < count; i++) {
            samples[i] = bytes.getShort(at + 8 + 2 * i) / 32_768f;
        }
        return samples;
    }

    private static String line(JsonNode truth, Take take, Measured measured) {
        ObjectNode line = JSON.createObjectNode();
        line.put("name", truth.path("name").asString());
        if (measured.late().isPresent()) {
            line.put("offset", measured.late().getAsDouble());
        } else {
            line.putNull("offset");
        }
        line.put(
                "verdict",
                switch (measured.verdict()) {
                    case CLEAN -> "clean";
                    case ROUGH -> "slip";
                    case BROKE -> "broke";
                    case CANNOT_TELL -> "cannot";
                });
        line.put("why", measured.why().name());
        line.put("sure", measured.sure());
        if (measured.where().isPresent()) {
            line.put("where", measured.where().getAsInt());
        } else {
            line.putNull("where");
        }
        line.put("evenness", measured.evenness().orElse(0));
        line.put("tempoRatio", measured.tempoRatio());
        ArrayNode notes = line.putArray("notes");
        Map<Integer, Onset> first = new LinkedHashMap<>();
        List<Double> extra = new ArrayList<>();
        for (Onset onset : measured.onsets()) {
            if (first.putIfAbsent(onset.note(), onset) != null) {
                extra.add(onset.seconds());
            }
        }
        for (int note = 0; note < take.notes().size(); note++) {
            ObjectNode one = notes.addObject();
            if (first.containsKey(note)) {
                one.put("onset", first.get(note).seconds()).put("sigma", first.get(note).sigma());
            } else {
                one.putNull("onset").putNull("sigma");
            }
        }
        extra.forEach(line.putArray("extra")::add);
        measured.wrong().forEach(line.putArray("wrong")::add);
        return JSON.writeValueAsString(line);
    }

    /** How true some takes were measured. */
    private static final class Sums {

        static final String HEAD = String.format(
                "%5s %7s %7s %8s %8s %8s %9s", "takes", "25 ms", "10 ms", "error", "missing", "extra", "verdict");

        private final List<Double> errors = new ArrayList<>();
        private final int[][] verdicts = new int[4][4];

        /** By what speaks for a verdict: how often it was right, and how often not. */
        private final int[][] rights = new int[Why.values().length][2];

        private final double[] sure = new double[Why.values().length];

        private int takes;
        private int played;
        private int missing;
        private int extra;

        void add(JsonNode truth, Take take, Measured measured) {
            takes++;
            String fault = truth.path("fault").asString();
            int verdict = truth(fault, truth, take);
            verdicts[verdict][measured.verdict().ordinal()]++;
            rights[measured.why().ordinal()][verdict == measured.verdict().ordinal() ? 0 : 1]++;
            sure[measured.why().ordinal()] = measured.sure();
            if (fault.equals("nothing") || fault.equals("othertune")) {
                return;
            }
            List<double[]> events = new ArrayList<>();
            truth.path("events").forEach(event -> events.add(
                    new double[] {event.path("t").asDouble(), event.path("asked").asInt()}));
            boolean[] taken = new boolean[measured.onsets().size()];
            List<Double> off = new ArrayList<>();
            // A first try that was given up has no notes of its own: whichever is found then is it.
            events.sort(Comparator.comparing(event -> event[1] < 0));
            for (double[] event : events) {
                played++;
                int best = -1;
                for (int i = 0; i < taken.length; i++) {
                    double far = Math.abs(measured.onsets().get(i).seconds() - event[0] - constant(events, measured));
                    boolean named = event[1] < 0 || measured.onsets().get(i).note() == (int) event[1];
                    boolean same = !taken[i] && named && far < SAME;
                    if (same
                            && (best < 0
                                    || far < Math.abs(measured.onsets().get(best).seconds()
                                            - event[0]
                                            - constant(events, measured)))) {
                        best = i;
                    }
                }
                if (best < 0) {
                    missing++;
                } else {
                    taken[best] = true;
                    off.add(measured.onsets().get(best).seconds() - event[0]);
                }
            }
            for (boolean one : taken) {
                extra += one ? 0 : 1;
            }
            double[] sorted = off.stream().mapToDouble(Double::doubleValue).sorted().toArray();
            double median = sorted.length == 0 ? 0 : sorted[sorted.length / 2];
            off.forEach(one -> errors.add(Math.abs(one - median)));
        }

        /** About the latency of a take: the median of what the notes with one name are off by. */
        private static double constant(List<double[]> events, Measured measured) {
            double[] off = measured.onsets().stream()
                    .flatMap(onset -> events.stream()
                            .filter(event -> (int) event[1] == onset.note())
                            .map(event -> onset.seconds() - event[0]))
                    .mapToDouble(Double::doubleValue)
                    .sorted()
                    .toArray();
            return off.length == 0 ? 0 : off[off.length / 2];
        }

        /** What is to be said of a take: by the same rule as of what is measured, where its notes were played in order. */
        private static int truth(String fault, JsonNode truth, Take take) {
            return switch (fault) {
                case "restart" -> 2;
                case "nothing", "othertune" -> 3;
                case "repeat", "wrong" -> 1;
                default ->
                    Listener.judged(take, onsets(truth, take), List.of()).verdict().ordinal();
            };
        }

        private static List<Onset> onsets(JsonNode truth, Take take) {
            List<Onset> onsets = new ArrayList<>();
            for (JsonNode event : truth.path("events")) {
                int note = event.path("asked").asInt();
                double at = event.path("t").asDouble();
                Onset before = onsets.isEmpty() ? null : onsets.get(onsets.size() - 1);
                if (note >= 0) {
                    boolean stopped = before != null
                            && at - before.seconds()
                                    > 0.35 + (take.notes().get(note).beat()
                                                    - take.notes().get(before.note()).beat())
                                            * 60
                                            / take.tempo();
                    onsets.add(new Onset(note, at, 0, 0, false, stopped));
                }
            }
            return onsets;
        }

        private double within(double seconds) {
            return 100.0 * errors.stream().filter(one -> one <= seconds).count() / Math.max(1, played);
        }

        String confusion() {
            StringBuilder table = new StringBuilder(String.format("%-8s %6s %6s %6s %6s%n", "", "clean", "rough", "broke", "cannot"));
            for (int row = 0; row < 4; row++) {
                table.append(String.format(
                        "%-8s %6d %6d %6d %6d%n",
                        List.of("clean", "rough", "broke", "nothing").get(row),
                        verdicts[row][0],
                        verdicts[row][1],
                        verdicts[row][2],
                        verdicts[row][3]));
            }
            return table.toString();
        }

        String sureness() {
            StringBuilder table = new StringBuilder();
            for (Why why : Why.values()) {
                int right = rights[why.ordinal()][0];
                int of = right + rights[why.ordinal()][1];
                if (sure[why.ordinal()] > 0) {
                    table.append(String.format(
                            Locale.ROOT, "%-12s %4d of %4d  %.2f%n", why, right, of, sure[why.ordinal()]));
                }
            }
            return table.toString();
        }

        @Override
        public String toString() {
            double[] sorted = errors.stream().mapToDouble(Double::doubleValue).sorted().toArray();
            int agree = verdicts[0][0] + verdicts[1][1] + verdicts[2][2] + verdicts[3][3];
            return String.format(
                    Locale.ROOT,
                    "%5d %6.0f%% %6.0f%% %5.1f ms %7.1f%% %7.1f%% %5d/%d",
                    takes,
                    within(0.025),
                    within(0.010),
                    sorted.length == 0 ? 0 : 1480 * sorted[sorted.length / 2],
                    100.0 * missing / Math.max(1, played),
                    100.0 * extra / Math.max(1, played),
                    agree,
                    takes);
        }
    }
}
