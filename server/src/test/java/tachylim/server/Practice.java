package tachylim.server;

import java.util.HashMap;
import java.util.Map;
import java.util.UUID;
import tools.jackson.databind.JsonNode;

/** What tests do again and again: giving a passage, beginning a workout, answering its steps. */
public final class Practice {

    private Practice() {}

    public static final String KESTREL = "M:4/4\nL:1/16\nK:F\nDFAG FECD FGAc _BAGF | EDCD FDA,D CDEF GAGE | D4";

    /** A passage that the server takes; parts may be put over it. */
    public static Map<String, Object> passage(Map<String, Object> parts) {
        Map<String, Object> wish = new HashMap<>(Map.of(
                "title",
                "Kestrel Weather",
                "instrument",
                "MALLET",
                "music",
                abc(KESTREL),
                "targetBpm",
                138,
                "cleanAt",
                110,
                "played",
                true,
                "version",
                0));
        wish.putAll(parts);
        return wish;
    }

    public static Map<String, Object> abc(String text) {
        return Map.of("source", "ABC", "meter", "4/4", "beatUnit", "", "text", text, "bars", 0);
    }

    public static Map<String, Object> paper(String meter, int bars, String notes) {
        return Map.of("source", "PAPER", "meter", meter, "beatUnit", "", "text", notes, "bars", bars);
    }

    public static long newPassage(Player player) {
        return player.post("/api/passages", passage(Map.of()))
                .ok()
                .path("passage")
                .path("id")
                .asLong();
    }

    /** A workout that is begun, played for some events and stopped. */
    public static JsonNode played(Player player, int events) {
        UUID window = UUID.randomUUID();
        JsonNode run = playOn(player, newRun(player, window), window, events);
        send(player, run, event(run, window, "STOPPED", Map.of())).ok();
        return run;
    }

    public static long firstSection(Player player, long passage) {
        return player.get("/api/passages/" + passage)
                .ok()
                .path("passage")
                .path("sections")
                .path(0)
                .path("id")
                .asLong();
    }

    /** A workout plan that the server takes; parts may be put over it. */
    public static Map<String, Object> plan(long section, Map<String, Object> parts) {
        Map<String, Object> wish = new HashMap<>(Map.of(
                "sectionId",
                section,
                "minutes",
                15,
                "school",
                "INTERVAL_BURSTS",
                "bursts",
                6,
                "burstBeats",
                2,
                "controlledShare",
                0.62,
                "firstBurstShare",
                1.03,
                "cleanInARow",
                3,
                "caution",
                "USUAL",
                "focus",
                "evenness"));
        wish.put("roughCounts", false);
        wish.put("looseOnly", false);
        wish.putAll(parts);
        return wish;
    }

    public static Player.Reply begin(Player player, long section, UUID window) {
        return player.post("/api/runs", Map.of("plan", plan(section, Map.of()), "holder", window.toString()));
    }

    /** The effort of the last day on which anything was played, in minutes. */
    public static double effortOfTheLastDay(Player player) {
        return player.get("/api/load").ok().path("days").path(0).path("effort").asDouble();
    }

    /** A run of a new passage. */
    public static JsonNode newRun(Player player, UUID window) {
        return begin(player, firstSection(player, newPassage(player)), window).ok();
    }

    public static Map<String, Object> event(JsonNode run, UUID window, String kind, Map<String, Object> parts) {
        Map<String, Object> event = new HashMap<>(Map.of(
                "clientId",
                UUID.randomUUID().toString(),
                "holder",
                window.toString(),
                "ordinal",
                run.path("ordinal").asInt(),
                "kind",
                kind));
        event.putAll(parts);
        return event;
    }

    /** The event that answers the step a run stands at, clean and light, once the time it takes is over. */
    public static Map<String, Object> answer(JsonNode run, UUID window) {
        JsonNode rest = run.path("step").path("rest");
        TestClock.CLOCK.pass(
                rest.isNull()
                        ? run.path("step").path("pass").path("seconds").asDouble()
                        : rest.path("seconds").asDouble());
        return rest.isNull()
                ? event(run, window, "JUDGED", Map.of("verdict", "CLEAN", "tension", 1))
                : event(
                        run,
                        window,
                        "RESTED",
                        Map.of("seconds", rest.path("seconds").asDouble()));
    }

    public static Player.Reply send(Player player, JsonNode run, Map<String, Object> event) {
        return player.post("/api/runs/" + run.path("id").asLong() + "/events", event);
    }

    /** Answers every step clean until the end, or until enough events have been sent. */
    public static JsonNode playOn(Player player, JsonNode run, UUID window, int most) {
        JsonNode now = run;
        for (int i = 0; i < most && now.path("step").path("ended").isNull(); i++) {
            now = send(player, now, answer(now, window)).ok();
        }
        return now;
    }
}
