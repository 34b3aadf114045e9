package tachylim.server.api;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.UncheckedIOException;
import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;
import java.util.UUID;
import java.util.concurrent.TimeUnit;
import java.util.stream.Stream;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;
import tachylim.server.Player;
import tachylim.server.Player.Reply;
import tachylim.server.Practice;
import tachylim.server.ServerTest;
import tachylim.server.Work;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Whatever is sent along the OpenAPI document is answered with less than 500 and in time. Seeded: the same every time. */
class FuzzTest extends ServerTest {

    private static final long SEED = 20_261;
    private static final int ROUNDS = Integer.getInteger("tachylim.fuzz.rounds", 8);
    private static final double LONGEST_SECONDS = 2;

    private static final int TRIES = 3;

    private static final JsonMapper JSON = new JsonMapper();
    private static final List<String> TEXTS = List.of(
            "",
            " ",
            "\u0000",
            "\ud800",
            "a\u0007b",
            "'; drop table run; --",
            "<script>",
            "𝄞𝄞𝄞",
            "%00",
            "../../etc",
            "x".repeat(5_000),
            "1e400",
            "NaN",
            "4/4",
            "0/0",
            "99/99",
            "1/8",
            "X:1\nK:C\nCDEF",
            "K:C\n" + "C".repeat(1_990),
            "K:C\n" + "[".repeat(500),
            "M:4/4\nL:1/4096\nK:C\nC9999999999",
            "(((((((((((CDE",
            "same.2-1",
            "grow.end",
            "2026-02-30",
            "9999-12-31",
            "Europe/Lisbon",
            "Moon/Crater");
    private static final List<String> NUMBERS = List.of(
            "0",
            "-1",
            "1",
            "2",
            "0.5",
            "1e300",
            "-1e300",
            "1e-300",
            "1e400",
            "2147483647",
            "2147483648",
            "9223372036854775807",
            "99999999999999999999",
            "1.9999",
            "120",
            "3.0");

    private final Random random = new Random(SEED);
    private final List<String> known = new ArrayList<>();

    /** What ids mean in addresses that begin so, and in bodies under such names: most requests name what is there. */
    private final Map<String, String> named = new HashMap<>();

    private final Map<Integer, Integer> answered = new TreeMap<>();
    private final UUID window = UUID.randomUUID();
    private long section;
    private JsonNode run;
    private int begun;
    private int steps;

    @Test
    void nothingThatIsSentBreaksAnything() {
        rounds(ROUNDS);
    }

    /** Thousands of requests more, with {@code -Dtachylim.fuzz.long} as many rounds as are wanted; 1,000 are 100,000 requests. */
    @Test
    @Tag("long")
    @Timeout(value = 2, unit = TimeUnit.HOURS)
    void nothingThatIsSentForLongBreaksAnything() {
        rounds(Integer.getInteger("tachylim.fuzz.long", 120));
    }

    private void rounds(int rounds) {
        JsonNode api = stranger().get("/api/openapi").ok();
        List<String> failures = new ArrayList<>();
        for (int round = 0; round < rounds; round++) {
            Player odile = somebodyWithThings();
            api.path("paths")
                    .propertyStream()
                    .forEach(path -> path.getValue()
                            .propertyStream()
                            .filter(operation -> !path.getKey().equals("/api/account/farewell")
                                    && !path.getKey().startsWith("/api/session"))
                            .forEach(operation -> tryOut(
                                    odile, api, path.getKey(), operation.getKey(), operation.getValue(), failures)));
        }
        assertThat(failures).isEmpty();
        int all = answered.values().stream().mapToInt(Integer::intValue).sum();
        assertThat(answered.getOrDefault(404, 0))
                .as("of " + all + ": " + answered)
                .isLessThan(all / 4);
        assertThat(answered.getOrDefault(200, 0) + answered.getOrDefault(204, 0))
                .as("of " + all + ": " + answered)
                .isGreaterThan(all / 4);
        assertThat(begun).as("workouts that were begun").isGreaterThanOrEqualTo(rounds);
        assertThat(steps).as("steps that were answered").isGreaterThan(4 * rounds);
    }

    /** Plays on, so that what is sent meets workouts in every state. */
    private void live(Player odile) {
        if (random.nextInt(3) > 0) {
            return;
        }
        if (run == null || !run.path("step").path("ended").isNull()) {
            Reply again = Practice.begin(odile, section, window);
            run = again.status() == 201 ? again.json() : null;
            begun += run == null ? 0 : 1;
        } else {
            Reply next = Practice.send(odile, run, Practice.answer(run, window));
            steps += next.status() == 200 ? 1 : 0;
            run = next.status() == 200
                    ? next.json()
                    : odile.get("/api/runs/" + run.path("id").asLong() + "?holder=" + window)
                            .json();
        }
        if (run != null && run.has("id")) {
            named.put("/api/runs", run.path("id").asString());
            named.put("ordinal", run.path("ordinal").asString());
        } else {
            run = null;
        }
    }

    private Player somebodyWithThings() {
        clock.anotherDay();
        Player odile = player();
        long passage = Practice.newPassage(odile);
        section = Practice.firstSection(odile, passage);
        run = Practice.playOn(odile, Practice.begin(odile, section, window).ok(), window, 2);
        begun++;
        long change = odile.post("/api/changes", Map.of("name", "G to C", "song", "", "target", 112, "beats", 2))
                .ok()
                .path("changes")
                .path(0)
                .path("id")
                .asLong();
        JsonNode templates = odile.put(
                        "/api/templates", Map.of("name", "Mornings", "wish", Practice.plan(section, Map.of())))
                .ok();
        named.putAll(Map.of(
                "/api/passages",
                String.valueOf(passage),
                "/api/sections",
                String.valueOf(section),
                "/api/runs",
                run.path("id").asString(),
                "/api/log",
                run.path("id").asString(),
                "/api/changes",
                String.valueOf(change),
                "/api/templates",
                templates.path(0).path("id").asString(),
                "sectionId",
                String.valueOf(section),
                "ordinal",
                run.path("ordinal").asString(),
                "holder",
                window.toString()));
        known.clear();
        known.addAll(List.of(
                String.valueOf(passage),
                String.valueOf(section),
                String.valueOf(run.path("id").asLong()),
                window.toString()));
        return odile;
    }

    private void tryOut(
            Player odile, JsonNode api, String template, String method, JsonNode operation, List<String> failures) {
        live(odile);
        StringBuilder address = new StringBuilder(template);
        StringBuilder query = new StringBuilder();
        for (JsonNode parameter : operation.path("parameters")) {
            String name = parameter.path("name").asString();
            String meant = parameter.path("in").asString().equals("path") && (name.equals("id") || name.equals("runId"))
                    ? named.entrySet().stream()
                            .filter(one -> template.startsWith(one.getKey()))
                            .map(Map.Entry::getValue)
                            .findFirst()
                            .orElse(null)
                    : named.get(name);
            String value = meant != null && random.nextInt(6) > 0 ? meant : scalar(parameter.path("schema"));
            if (parameter.path("in").asString().equals("path")) {
                String encoded = encode(value.isEmpty() ? "0" : value.substring(0, Math.min(80, value.length())));
                address.replace(0, address.length(), address.toString().replace("{" + name + "}", encoded));
            } else if (random.nextInt(4) > 0) {
                query.append(query.isEmpty() ? "?" : "&")
                        .append(name)
                        .append('=')
                        .append(encode(value.substring(0, Math.min(300, value.length()))));
            }
        }
        JsonNode schema = operation
                .path("requestBody")
                .path("content")
                .path("application/json")
                .path("schema");
        String body = schema.isMissingNode() ? null : value(api, schema, 0);
        double began = Work.seconds();
        Reply reply = answered(odile, method.toUpperCase(), address + query.toString(), body);
        double seconds = Work.seconds() - began;
        answered.merge(reply.status(), 1, Integer::sum);
        if (reply.status() >= 500 || seconds > LONGEST_SECONDS) {
            failures.add(reply.status() + " in " + seconds + " s of work: " + method + " " + address + query + " "
                    + (body == null ? "" : body.substring(0, Math.min(600, body.length()))));
        }
    }

    /** What is far too long is refused while it is being sent: its sender may find the connection closed instead of the answer. */
    private static Reply answered(Player odile, String method, String address, String body) {
        for (int left = TRIES - 1; ; left--) {
            try {
                return odile.sendWith(method, address, body, Map.of());
            } catch (UncheckedIOException closed) {
                if (left == 0) {
                    throw closed;
                }
            }
        }
    }

    private static String encode(String text) {
        return URLEncoder.encode(text, StandardCharsets.UTF_8);
    }

    private <T> T one(List<T> of) {
        return of.get(random.nextInt(of.size()));
    }

    /** A value for a parameter: often one that exists. */
    private String scalar(JsonNode schema) {
        if (schema.has("enum") && random.nextInt(3) > 0) {
            return schema.path("enum")
                    .get(random.nextInt(schema.path("enum").size()))
                    .asString();
        }
        return switch (random.nextInt(3)) {
            case 0 -> one(known);
            case 1 -> one(NUMBERS);
            default -> one(TEXTS);
        };
    }

    /** JSON along a schema, each part of it right most of the time. */
    private String value(JsonNode api, JsonNode schema, int depth) {
        if (schema.has("$ref")) {
            String name = schema.path("$ref").asString().replaceAll(".*/", "");
            return value(api, api.path("components").path("schemas").path(name), depth);
        }
        if (schema.has("allOf")) {
            return value(api, schema.path("allOf").get(0), depth);
        }
        if (depth > 5 || random.nextInt(24) == 0) {
            return one(List.of("null", "[]", "{}", "7", "\"x\"", "true", "[[[]]]"));
        }
        if (schema.has("enum")) {
            return "\""
                    + schema.path("enum")
                            .get(random.nextInt(schema.path("enum").size()))
                            .asString() + "\"";
        }
        return switch (schema.path("type").asString("")) {
            case "object" -> object(api, schema, depth);
            case "array" -> array(api, schema.path("items"), depth);
            case "integer" -> random.nextInt(3) == 0 ? one(NUMBERS) : String.valueOf(random.nextInt(40));
            case "number" -> random.nextInt(3) == 0 ? one(NUMBERS) : String.valueOf(20 + random.nextInt(200));
            case "boolean" -> String.valueOf(random.nextBoolean());
            default -> text(schema);
        };
    }

    private String object(JsonNode api, JsonNode schema, int depth) {
        Map<String, String> parts = new LinkedHashMap<>();
        schema.path("properties")
                .propertyStream()
                .forEach(part -> parts.put(
                        part.getKey(),
                        named.containsKey(part.getKey()) && random.nextInt(6) > 0
                                ? written(named.get(part.getKey()))
                                : value(api, part.getValue(), depth + 1)));
        return parts.entrySet().stream()
                .filter(part -> random.nextInt(30) > 0)
                .map(part -> "\"" + part.getKey() + "\":" + part.getValue())
                .collect(java.util.stream.Collectors.joining(",", "{", "}"));
    }

    private static String written(String value) {
        return value.matches("\\d+") ? value : "\"" + value + "\"";
    }

    private String array(JsonNode api, JsonNode items, int depth) {
        int size = one(List.of(0, 1, 3, 20, 70));
        return Stream.generate(() -> value(api, items, depth + 1))
                .limit(size)
                .collect(java.util.stream.Collectors.joining(",", "[", "]"));
    }

    private String text(JsonNode schema) {
        String text = schema.path("pattern").asString("").contains("{36}") && random.nextInt(4) > 0
                ? UUID.randomUUID().toString()
                : schema.path("format").asString("").equals("date") && random.nextInt(3) > 0
                        ? "2026-09-01"
                        : random.nextInt(3) == 0 ? one(known) : one(TEXTS);
        return JSON.writeValueAsString(text);
    }

    static Stream<Arguments> odd() {
        String many = "a=1&".repeat(1_500);
        return Stream.of(
                Arguments.of("GET", "/api/log?before=%ff%fe", null, "application/json", 400),
                Arguments.of("GET", "/api/log?" + "a=1&".repeat(60), null, "application/json", 400),
                Arguments.of("GET", "/api/passages/1%00", null, "application/json", 400),
                Arguments.of("GET", "/error", null, "application/json", 404),
                Arguments.of("POST", "/error", "{}", "application/json", 404),
                Arguments.of("POST", "/api/passages", "--x\r\nbroken", "multipart/form-data; boundary=y", 415),
                Arguments.of("POST", "/api/passages", "--x\r\nbroken", "multipart/form-data", 415),
                Arguments.of("POST", "/api/session", many, "application/x-www-form-urlencoded", 415),
                Arguments.of("POST", "/api/cells", "seconds: [1, 2]", "application/yaml", 415),
                Arguments.of("POST", "/api/cells", "{}", "nonsense", 415),
                Arguments.of("POST", "/api/cells", "{\"seconds\":[0,1e400]}", "application/json", 422),
                Arguments.of("POST", "/api/cells", "{\"seconds\":[0,1e300]}", "application/json", 422),
                Arguments.of("POST", "/api/cells", "{\"seconds\":[0,\"NaN\"]}", "application/json", 422),
                Arguments.of("POST", "/api/cells", "{\"seconds\":", "application/json", 400),
                Arguments.of(
                        "PUT",
                        "/api/account/habits",
                        "{\"instrument\":\"MALLET\",\"usualMinutes\":30.7}",
                        "application/json",
                        400),
                Arguments.of(
                        "PUT",
                        "/api/account/habits",
                        "{\"instrument\":3,\"usualMinutes\":30}",
                        "application/json",
                        400),
                Arguments.of("POST", "/api/passages", "[".repeat(60_000), "application/json", 400));
    }

    @ParameterizedTest
    @MethodSource("odd")
    void oddRequestsGetASentence(String method, String path, String body, String type, int status) {
        Reply reply = player().sendWith(method, path, body, Map.of("Content-Type", type));
        assertThat(reply.status()).isEqualTo(status);
    }

    @Test
    void aControlSignIsRefusedWithItsPlace() {
        Map<String, Object> wish = Practice.passage(Map.of("title", "NUL\u0000 in it"));
        Reply refused = player().post("/api/passages", wish);
        assertThat(refused.status()).isEqualTo(400);
        assertThat(refused.detail()).contains("control characters").contains("title");
    }

    @Test
    void anotherWindowCannotPutATensionRight() {
        Player odile = player();
        UUID window = UUID.randomUUID();
        JsonNode run = Practice.newRun(odile, window);
        Map<String, Object> answer = Practice.answer(run, window);
        Practice.send(odile, run, answer).ok();
        answer.put("tension", 0);
        answer.put("holder", UUID.randomUUID().toString());
        assertThat(Practice.send(odile, run, answer).json().path("code").asString())
                .isEqualTo("taken-over");
    }
}
