package tachylim.server.run;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import tachylim.method.School;
import tachylim.server.Player;
import tachylim.server.Player.Reply;
import tachylim.server.Practice;
import tachylim.server.ServerTest;
import tachylim.server.repertoire.StoredPassage;
import tools.jackson.databind.JsonNode;

/** Workouts of several sections, put together by the player or composed, with all that can be asked in them. */
class SessionTest extends ServerTest {

    private final UUID window = UUID.randomUUID();
    private Player odile;
    private long passage;
    private long section;

    @BeforeEach
    void aPassage() {
        odile = player();
        passage = Practice.newPassage(odile);
        section = Practice.firstSection(odile, passage);
    }

    private static Map<String, Object> block(String part, int theme, String variation, double seconds, String school) {
        return Map.of("part", part, "theme", theme, "variation", variation, "seconds", seconds, "school", school);
    }

    private JsonNode begin(Map<String, Object> parts) {
        return odile.post("/api/runs", Map.of("plan", Practice.plan(section, parts), "holder", window.toString()))
                .ok();
    }

    private List<String> kept(JsonNode run, String column) {
        return sql.sql("select " + column + " from played_pass where run_id = ? order by id")
                .param(run.path("id").asLong())
                .query(String.class)
                .list();
    }

    @Test
    void aSessionOfTwoSectionsKeepsEachPassUnderItsOwn() {
        long other = Practice.firstSection(odile, Practice.newPassage(odile));
        JsonNode plan = odile.post(
                        "/api/plans", Practice.plan(section, Map.of("others", List.of(other), "minutes", 20)))
                .ok();
        assertThat(plan.path("sections")).hasSize(2);
        assertThat(plan.path("wish").path("blocks").size())
                .isEqualTo(plan.path("timeline").path("blocks").size());
        JsonNode run = Practice.playOn(odile, begin(Map.of("others", List.of(other), "minutes", 20)), window, 300);
        assertThat(run.path("step").path("ended").asString()).isEqualTo("PLAYED");
        assertThat(kept(run, "piece_id")).contains("" + section, "" + other);
        for (long one : List.of(section, other)) {
            assertThat(odile.get("/api/sections/" + one + "/ceiling").ok().path("history"))
                    .as("what is learned of " + one)
                    .isNotEmpty();
        }
    }

    @Test
    void aSectionOfSomebodyElseIsNotFound() {
        Player ines = player();
        long hers = Practice.firstSection(ines, Practice.newPassage(ines));
        assertThat(odile.post("/api/plans", Practice.plan(section, Map.of("others", List.of(hers))))
                        .status())
                .isEqualTo(404);
    }

    @Test
    void blocksOfThePlayersOwnArePlayedAsTheyArePutTogether() {
        JsonNode run = begin(Map.of(
                "blocks",
                List.of(
                        block("STUDY", 0, "", 180, "STUDY_CARD"),
                        block("PREPARE", 0, "same.2-1", 200, "STEADY_CLIMB"),
                        block("CORE", 0, "", 200, "CHANGE_COUNT"))));
        assertThat(run.path("step").path("rest").path("reason").asString()).isEqualTo("AWAY");
        JsonNode variation = Practice.playOn(odile, run, window, 2);
        assertThat(variation.path("variation").path("code").asString()).isEqualTo("variation.longShort");
        assertThat(variation.path("step").path("pass").path("ask").asString()).isEqualTo("SET");
        assertThat(variation.path("step").path("pass").path("firstTransition").isNull())
                .isTrue();
        JsonNode over = Practice.playOn(odile, variation, window, 50);
        assertThat(over.path("step").path("ended").asString()).isEqualTo("PLAYED");
        assertThat(kept(over, "way")).startsWith("same.2-1").endsWith("-");
    }

    /** Another use of the hand has a ceiling of its own, which the next plan in that articulation is drawn from. */
    @Test
    void anArticulationIsPlayedAndHasACeilingOfItsOwn() {
        List<Map<String, Object>> blocks = List.of(block("CORE", 0, "mode.double tongue", 300, "STEADY_CLIMB"));
        JsonNode before = odile.get("/api/sections/" + section + "/ceiling").ok();
        assertThat(before.path("articulations")).isEmpty();
        JsonNode run = begin(Map.of("blocks", blocks));
        assertThat(run.path("variation").path("values").path("words").asString())
                .isEqualTo("double tongue");
        JsonNode over = Practice.playOn(odile, run, window, 60);
        assertThat(kept(over, "way")).isNotEmpty().containsOnly("mode.double tongue");
        JsonNode after = odile.get("/api/sections/" + section + "/ceiling").ok();
        assertThat(after.path("estimate")).isEqualTo(before.path("estimate"));
        JsonNode articulation = after.path("articulations").path(0);
        assertThat(articulation.path("name").asString()).isEqualTo("double tongue");
        assertThat(articulation.path("passes").asInt()).isPositive();
        JsonNode plan = odile.post("/api/plans", Practice.plan(section, Map.of("blocks", blocks)))
                .ok();
        assertThat(plan.path("timeline").path("blocks").path(0).path("estimate"))
                .isEqualTo(articulation.path("estimate"));
    }

    @Test
    void blocksThatCannotBeAreRefusedWithTheReason() {
        Reply section7 = odile.post(
                "/api/plans",
                Practice.plan(section, Map.of("blocks", List.of(block("CORE", 3, "", 200, "STEADY_CLIMB")))));
        assertThat(section7.status()).isEqualTo(422);
        assertThat(section7.detail()).contains("no section 4");
        Reply variation = odile.post(
                "/api/plans",
                Practice.plan(
                        section, Map.of("blocks", List.of(block("PREPARE", 0, "sideways", 200, "STEADY_CLIMB")))));
        assertThat(variation.status()).isEqualTo(422);
        assertThat(variation.detail()).contains("no variation called sideways");
        assertThat(odile.post(
                                "/api/plans",
                                Practice.plan(
                                        section, Map.of("blocks", List.of(block("CORE", 0, "", 0.5, "STEADY_CLIMB")))))
                        .status())
                .isEqualTo(422);
    }

    @Test
    void ofASetItIsToldHowManyWereCleanAndEachIsKept() {
        JsonNode run = begin(Map.of("blocks", List.of(block("PREPARE", 0, "", 300, "STEADY_CLIMB"))));
        int passes = run.path("step").path("pass").path("askOf").asInt();
        assertThat(passes).isEqualTo(6);
        Practice.answer(run, window);
        Reply more = Practice.send(
                odile, run, Practice.event(run, window, "JUDGED", Map.of("told", passes + 1, "tension", 1)));
        assertThat(more.status()).isEqualTo(422);
        assertThat(more.detail()).contains("Of 6 passes, 7");
        Practice.send(odile, run, Practice.event(run, window, "JUDGED", Map.of("told", 4, "tension", 1)))
                .ok();
        assertThat(kept(run, "verdict")).containsExactly("CLEAN", "CLEAN", "CLEAN", "CLEAN", "ROUGH", "ROUGH");
        JsonNode entry = odile.get("/api/log").ok().path("entries").path(0);
        assertThat(entry.path("passes").asInt()).isEqualTo(6);
        assertThat(entry.path("clean").asInt()).isEqualTo(4);
    }

    @Test
    void silenceCountsForTheLoadAndNotForTheCeiling() {
        JsonNode run = begin(Map.of("blocks", List.of(block("PREPARE", 0, "", 300, "STEADY_CLIMB"))));
        String before = odile.get("/api/sections/" + section + "/ceiling")
                .ok()
                .path("estimate")
                .toString();
        Practice.answer(run, window);
        Practice.send(odile, run, Practice.event(run, window, "UNJUDGED", Map.of()))
                .ok();
        assertThat(sql.sql("select count(*) from played_pass where run_id = ? and verdict is not null")
                        .param(run.path("id").asLong())
                        .query(Long.class)
                        .single())
                .isZero();
        assertThat(odile.get("/api/sections/" + section + "/ceiling")
                        .ok()
                        .path("estimate")
                        .toString())
                .isEqualTo(before);
        assertThat(Practice.effortOfTheLastDay(odile)).isPositive();
    }

    /** One decision, for Today and Plan alike: what is advised, or what the player chose against it, which holds for a week. */
    @Test
    void theMethodThatWasChosenIsRemembered() {
        assertThat(decided()).isEqualTo("STEADY_CLIMB");
        JsonNode plan = odile.get("/api/sections/" + section + "/plan").ok();
        assertThat(plan.path("advice").path("school").asString()).isEqualTo("STEADY_CLIMB");
        assertThat(plan.path("advice").path("chosen").path("code").asString()).isEmpty();
        end(begin(Map.of("school", "PULSE_LADDER")));
        assertThat(decided()).isEqualTo("PULSE_LADDER");
        plan = odile.get("/api/sections/" + section + "/plan").ok();
        assertThat(plan.path("advice").path("school").asString()).isEqualTo("STEADY_CLIMB");
        assertThat(plan.path("advice").path("why").toString()).containsPattern("\\d");
        assertThat(plan.path("advice").path("chosen").path("code").asString()).isEqualTo("which.asChosen");
        assertThat(plan.path("advice")
                        .path("chosen")
                        .path("values")
                        .path("days")
                        .asInt())
                .isEqualTo(7);
        // What is for one day only is not remembered, and whoever follows the advice again needs no reminder.
        end(begin(Map.of("school", "EASY")));
        assertThat(decided()).isEqualTo("PULSE_LADDER");
        end(begin(Map.of("school", "STEADY_CLIMB")));
        assertThat(decided()).isEqualTo("STEADY_CLIMB");
    }

    @Test
    void whatWasChosenHoldsForAWeek() {
        LocalDate monday = LocalDate.of(2026, 3, 2);
        StoredPassage.Chosen chosen = new StoredPassage.Chosen(School.ARCH, monday);
        assertThat(chosen.daysLeft(monday)).isEqualTo(7);
        assertThat(chosen.daysLeft(monday.plusDays(6))).isEqualTo(1);
        assertThat(chosen.daysLeft(monday.plusDays(7))).isZero();
    }

    private void end(JsonNode run) {
        Practice.send(odile, run, Practice.event(run, window, "STOPPED", Map.of()))
                .ok();
    }

    private String decided() {
        String school = odile.get("/api/sections/" + section + "/plan")
                .ok()
                .path("wish")
                .path("school")
                .asString();
        assertThat(odile.get("/api/today")
                        .ok()
                        .path("plan")
                        .path("wish")
                        .path("school")
                        .asString())
                .isEqualTo(school);
        return school;
    }

    @Test
    void aVariationChosenOnThePracticeSheetIsABlockAndTicksItselfOff() {
        odile.post("/api/passages/" + passage + "/choice", Map.of("minutes", 3)).ok();
        JsonNode chosen =
                odile.get("/api/passages/" + passage + "/practice-sheet").ok().path("today");
        assertThat(chosen).isNotEmpty();
        String variation = chosen.path(0).path("variation").asString();
        JsonNode run = begin(Map.of("blocks", List.of(block("PREPARE", 0, variation, 200, "STEADY_CLIMB"))));
        Practice.playOn(odile, run, window, 1);
        JsonNode after =
                odile.get("/api/passages/" + passage + "/practice-sheet").ok().path("today");
        assertThat(after.path(0).path("played").asBoolean()).isTrue();
    }

    /** Silence has no tension of its own: the one felt before it belongs to what was played then. */
    @Test
    void silenceSaysNothingOfTensionEither() {
        JsonNode run = begin(Map.of(
                "blocks",
                List.of(
                        block("PREPARE", 0, "", 300, "STEADY_CLIMB"),
                        block("PREPARE", 0, "backwards", 300, "STEADY_CLIMB"),
                        block("CLOSER", 0, "", 300, "STEADY_CLIMB"))));
        double gripped = run.path("step").path("pass").path("tempo").asDouble();
        Practice.answer(run, window);
        run = Practice.send(odile, run, Practice.event(run, window, "JUDGED", Map.of("told", 6, "tension", 4)))
                .ok();
        while (run.path("step").path("pass").isNull()) {
            run = Practice.send(odile, run, Practice.answer(run, window)).ok();
        }
        Practice.answer(run, window);
        run = Practice.send(odile, run, Practice.event(run, window, "UNJUDGED", Map.of()))
                .ok();
        Practice.send(odile, run, Practice.event(run, window, "STOPPED", Map.of()))
                .ok();
        JsonNode next =
                odile.post("/api/plans", Practice.plan(section, Map.of())).ok();
        double fastest = 0;
        for (JsonNode stretch : next.path("timeline").path("stretches")) {
            fastest = Math.max(fastest, stretch.path("tempo").asDouble(0));
        }
        assertThat(fastest).isEqualTo(Math.ceil(gripped) - 1);
    }

    /** What is only a beat or two at full speed is no more burst time than that, in the day's sums as in the run. */
    @Test
    void theQuickBeatsAloneOfAPassThatSwitchesAreBurstTime() {
        JsonNode run = begin(Map.of("blocks", List.of(block("CORE", 0, "", 600, "SWITCH_BURSTS"))));
        run = Practice.playOn(odile, run, window, 60);
        double inTheRun =
                run.path("timeline").path("totals").path("burstSeconds").asDouble();
        double ofTheDay = odile.get("/api/load")
                .ok()
                .path("days")
                .path(0)
                .path("burstSeconds")
                .asDouble();
        assertThat(ofTheDay).isCloseTo(inTheRun, org.assertj.core.api.Assertions.within(0.01));
    }

    /** What a page goes on with by itself: the workout, what was believed, and what has happened, with what was left then. */
    @Test
    void aRunIsHandedToThePageInFull() {
        JsonNode run = begin(Map.of("minutes", 20));
        JsonNode later = Practice.playOn(odile, run, window, 3);
        String path = "/api/runs/" + run.path("id").asLong() + "/score";
        JsonNode score = odile.get(path).ok();
        assertThat(score.path("edition").asInt()).isEqualTo(tachylim.workout.Rules.EDITION);
        assertThat(score.path("events").size()).isEqualTo(later.path("ordinal").asInt());
        assertThat(score.path("events").path(0).path("left").path("effort").asDouble())
                .isPositive();
        assertThat(score.path("beliefs").path(0).path("weights").asString()).isNotBlank();
        assertThat(score.path("workout").asString()).contains("\"themes\"");
        assertThat(score.path("sections").path(0).path("sectionId").asLong()).isEqualTo(section);
        Practice.send(odile, later, Practice.event(later, window, "STOPPED", Map.of()));
        assertThat(odile.get(path).status()).isEqualTo(409);
    }

    @Test
    void afterAWorkoutItIsSaidWhatMovedWhereItBrokeAndWhereItGoesOn() {
        JsonNode run = begin(Map.of("minutes", 20));
        String path = "/api/runs/" + run.path("id").asLong() + "/after";
        JsonNode untouched = odile.get(path).ok().path(0);
        assertThat(untouched.path("now").path("middle").asDouble())
                .isCloseTo(untouched.path("before").path("middle").asDouble(), within(0.5));
        assertThat(untouched.path("broke")).isEmpty();
        odile.post("/api/passages/" + passage + "/transitions/2/breaks", Map.of());
        String cause = "/api/passages/" + passage + "/transitions/2/breaks/cause";
        assertThat(odile.put(cause, Map.of("cause", "shift")).ok().path("times").asInt())
                .isEqualTo(1);
        odile.post("/api/passages/" + passage + "/transitions/2/breaks", Map.of());
        assertThat(odile.put(cause, Map.of("cause", " Shift "))
                        .ok()
                        .path("times")
                        .asInt())
                .isEqualTo(2);
        assertThat(odile.put(cause, Map.of("cause", " ")).status()).isEqualTo(422);
        assertThat(odile.put(cause.replace("/2/", "/1/"), Map.of("cause", "bow"))
                        .status())
                .isEqualTo(404);
        Practice.playOn(odile, run, window, 300);
        JsonNode after = odile.get(path).ok();
        assertThat(after.path(0).path("repeated").path(0).path("times").asInt()).isEqualTo(2);
        assertThat(after).hasSize(1);
        assertThat(after.path(0).path("sectionId").asLong()).isEqualTo(section);
        assertThat(after.path(0).path("before")).isEqualTo(untouched.path("before"));
        assertThat(width(after.path(0).path("now"))).isLessThan(width(untouched.path("now")));
        assertThat(after.path(0).path("broke").path(0).asInt()).isEqualTo(4);
        assertThat(after.path(0).path("opensAt").asDouble()).isPositive();
    }

    @Test
    void theLastSessionIsPlayedAgainWithTheBlocksItHad() {
        String again = "/api/sections/" + section + "/plan/again";
        assertThat(odile.get(again).status()).isEqualTo(404);
        long other = Practice.firstSection(odile, Practice.newPassage(odile));
        List<Map<String, Object>> blocks = List.of(
                block("PREPARE", 1, "same.2-1", 200, "STEADY_CLIMB"), block("CORE", 0, "", 240, "SETBACK_LADDER"));
        JsonNode run = begin(Map.of("others", List.of(other), "minutes", 12, "blocks", blocks));
        Practice.send(odile, run, Practice.event(run, window, "STOPPED", Map.of()));
        JsonNode plan = odile.get(again).ok();
        assertThat(plan.path("wish").path("minutes").asInt()).isEqualTo(12);
        assertThat(plan.path("wish").path("others").path(0).asLong()).isEqualTo(other);
        assertThat(plan.path("wish").path("blocks")).hasSize(2);
        assertThat(plan.path("wish").path("blocks").path(0).path("variation").asString())
                .isEqualTo("same.2-1");
        assertThat(plan.path("timeline").path("blocks").path(1).path("method").asString())
                .isEqualTo("SETBACK_LADDER");
    }

    private static double width(JsonNode band) {
        return band.path("high").asDouble() - band.path("low").asDouble();
    }
}
