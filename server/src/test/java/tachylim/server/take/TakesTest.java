package tachylim.server.take;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tachylim.server.Player;
import tachylim.server.Practice;
import tachylim.server.ServerTest;
import tachylim.server.TestClock;
import tools.jackson.databind.JsonNode;

/** What a microphone measured of passes: kept beside what was said, and told again. */
public class TakesTest extends ServerTest {

    private final UUID window = UUID.randomUUID();

    /** A pass of so many notes in which one came late. */
    public static Map<String, Object> measured(String verdict, int notes, int late) {
        List<Map<String, Object>> transitions = new ArrayList<>();
        for (int to = 1; to < notes; to++) {
            boolean slipped = to == late;
            transitions.add(Map.of(
                    "to",
                    to,
                    "off",
                    slipped ? 70 : to % 2 == 0 ? 5 : -5,
                    "sigma",
                    0,
                    "interval",
                    100,
                    "slipped",
                    slipped));
        }
        Map<String, Object> measured = new HashMap<>(Map.of(
                "edition", 1, "verdict", verdict, "why", "SLIPPED", "where", 2, "evenness", 0.05, "tempoRatio", 1.0));
        measured.put("transitions", transitions);
        measured.put("missing", List.of());
        return measured;
    }

    /** Plays on until so many passes were measured like this, each judged by hand as it was measured. */
    private JsonNode heard(Player player, JsonNode run, int passes, Map<String, Object> measured, boolean taken) {
        JsonNode now = run;
        for (int heard = 0; heard < passes && now.path("step").path("ended").isNull(); ) {
            JsonNode pass = now.path("step").path("pass");
            Map<String, Object> answer = new HashMap<>(Practice.answer(now, window));
            if (pass.path("ask").asString().equals("VERDICT")
                    && !pass.path("kind").asString().equals("WARM_UP")) {
                answer.put("verdict", measured.get("verdict"));
                answer.put("measured", List.of(measured));
                answer.put("taken", taken);
                heard++;
            }
            now = Practice.send(player, now, answer).ok();
        }
        return now;
    }

    private JsonNode trust(Player player) {
        return player.get("/api/takes/trust/MALLET").ok();
    }

    @Test
    void theMicrophoneIsTrustedOnceTwentyTakesWereConfirmedByHand() {
        Player odile = player();
        JsonNode run = Practice.newRun(odile, window);
        assertThat(trust(odile).path("confirmed").asInt()).isZero();
        assertThat(trust(odile).path("mayRaise").asBoolean()).isFalse();
        heard(odile, run, 1, measured("CLEAN", 5, -1), false);
        assertThat(trust(odile).path("confirmed").asInt()).isEqualTo(1);
        long account = signedIn(odile).accountId();
        for (int copy = 0; copy < 19; copy++) {
            sql.sql("""
                    insert into measured_pass (account_id, run_id, ordinal, turn, piece_id, passage_id, music, day, instrument,
                      way, tempo, edition, measured, why, tempo_ratio, said, by_hand, links)
                    select account_id, run_id, ordinal, turn + ?, piece_id, passage_id, music, day, instrument, way, tempo,
                      edition, measured, why, tempo_ratio, said, by_hand, links
                    from measured_pass where account_id = ? and turn = 0""").params(copy + 1, account).update();
        }
        assertThat(trust(odile).path("confirmed").asInt()).isEqualTo(20);
        assertThat(trust(odile).path("mayRaise").asBoolean()).isTrue();
        assertThat(odile.get("/api/takes/trust/WIND").ok().path("confirmed").asInt())
                .as("on another instrument")
                .isZero();
    }

    @Test
    void whatWasTakenWithoutAHandConfirmsNothing() {
        Player odile = player();
        heard(odile, Practice.newRun(odile, window), 2, measured("ROUGH", 5, 2), true);
        assertThat(trust(odile).path("confirmed").asInt()).isZero();
        assertThat(sql.sql("select count(*) from measured_pass where account_id = ?")
                        .param(signedIn(odile).accountId())
                        .query(Long.class)
                        .single())
                .isEqualTo(2);
    }

    @Test
    void aWordThatWasTakenWithoutAHandSaysLessOfTheCeilingThanTheSameWordByHand() {
        double byHand = ceilingAfter(false);
        double taken = ceilingAfter(true);
        assertThat(taken).isGreaterThan(byHand);
    }

    /** The ceiling of a new player after a few passes that were measured as rough. */
    private double ceilingAfter(boolean taken) {
        Player player = player();
        long section = Practice.firstSection(player, Practice.newPassage(player));
        heard(player, Practice.begin(player, section, window).ok(), 4, measured("ROUGH", 5, 2), taken);
        return player.get("/api/sections/" + section + "/ceiling")
                .ok()
                .path("estimate")
                .path("ceiling")
                .path("middle")
                .asDouble();
    }

    /** Where a burst is some notes of the section, its third note is that many further on. */
    @Test
    void whatSlipsInBurstsOnSomeNotesGivesTroubleAtTheirPlace() {
        Player odile = player();
        long passage = Practice.newPassage(odile);
        long section = Practice.firstSection(odile, passage);
        Map<String, Object> block = Map.of(
                "part",
                "CORE",
                "theme",
                0,
                "variation",
                "notes.8-16",
                "seconds",
                240,
                "school",
                "STEADY_CLIMB",
                "own",
                true);
        JsonNode run = odile.post(
                        "/api/runs",
                        Map.of(
                                "plan",
                                Practice.plan(section, Map.of("blocks", List.of(block))),
                                "holder",
                                window.toString()))
                .ok();
        heard(odile, run, 3, measured("ROUGH", 9, 2), false);
        JsonNode evenness = odile.get("/api/takes/evenness/" + passage).ok();
        assertThat(evenness.path("troubled")).hasSize(1);
        assertThat(evenness.path("troubled").path(0).asInt()).isEqualTo(8 + 2 - 1);
    }

    @Test
    void whatSlippedAgainAndAgainGivesTroubleOnTheSheet() {
        Player odile = player();
        long passage = Practice.newPassage(odile);
        long section = Practice.firstSection(odile, passage);
        JsonNode run = Practice.begin(odile, section, window).ok();
        heard(odile, run, 3, measured("ROUGH", 33, 7), false);
        JsonNode transitions =
                odile.get("/api/passages/" + passage + "/practice-sheet").ok().path("transitions");
        assertThat(transitions.path(6).path("heardToSlip").asBoolean()).isTrue();
        assertThat(transitions.path(6).path("need").asDouble())
                .isGreaterThan(transitions.path(5).path("need").asDouble());
        assertThat(transitions.path(5).path("heardToSlip").asBoolean()).isFalse();
        JsonNode evenness = odile.get("/api/takes/evenness/" + passage).ok();
        assertThat(evenness.path("troubled").path(0).asInt()).isEqualTo(6);
        assertThat(evenness.path("weeks").path(0).path("evenness").asDouble()).isGreaterThan(0.05);
    }

    @Test
    void evennessIsToldByWeekAndByBars() {
        Player odile = player();
        long passage = Practice.newPassage(odile);
        long section = Practice.firstSection(odile, passage);
        JsonNode run = Practice.begin(odile, section, window).ok();
        heard(odile, run, 2, measured("CLEAN", 33, -1), false);
        sql.sql("update measured_pass set day = day - interval 21 day where account_id = ? order by id limit 1")
                .param(signedIn(odile).accountId())
                .update();
        JsonNode evenness = odile.get("/api/takes/evenness/" + passage).ok();
        assertThat(evenness.path("weeks")).hasSize(2);
        assertThat(evenness.path("weeks").path(1).path("evenness").asDouble()).isCloseTo(0.05, within(1e-3));
        assertThat(evenness.path("weeks").path(1).path("evenUpTo").asDouble()).isPositive();
        assertThat(evenness.path("bars").path(0).path("first").asInt()).isEqualTo(1);
        assertThat(evenness.path("bars").path(0).path("now").asDouble()).isCloseTo(0.05, within(1e-3));
        assertThat(evenness.path("ways").path(0).path("passes").asInt()).isEqualTo(2);
    }

    @Test
    void whatIsMeasuredAfterItsAnswerIsKeptOnceAndChangesNothingElse() {
        Player odile = player();
        JsonNode run = heard(odile, Practice.newRun(odile, window), 0, Map.of(), false);
        Map<String, Object> answer = new HashMap<>(Practice.answer(run, window));
        JsonNode after = Practice.send(odile, run, answer).ok();
        answer.put("measured", List.of(measured("ROUGH", 5, 2)));
        for (int again = 0; again < 2; again++) {
            JsonNode same = Practice.send(odile, run, answer).ok();
            assertThat(same.path("ordinal")).isEqualTo(after.path("ordinal"));
        }
        assertThat(sql.sql("select count(*) from measured_pass where run_id = ?")
                        .param(run.path("id").asLong())
                        .query(Long.class)
                        .single())
                .isEqualTo(1);
    }

    @ParameterizedTest
    @CsvSource({"evenness,-1", "evenness,1000", "tempoRatio,0", "tempoRatio,90", "edition,0", "late,9", "where,-4"})
    void figuresThatCannotBeAreRefused(String field, double figure) {
        Player odile = player();
        JsonNode run = Practice.newRun(odile, window);
        Map<String, Object> measured = new HashMap<>(measured("CLEAN", 5, -1));
        measured.put(field, figure);
        Map<String, Object> answer = new HashMap<>(Practice.answer(run, window));
        answer.put("measured", List.of(measured));
        assertThat(Practice.send(odile, run, answer).status()).isIn(400, 422);
        TestClock.CLOCK.pass(1);
    }

    @Test
    void whatIsNoPassOrTransitionIsRefused() {
        Player odile = player();
        JsonNode run = Practice.newRun(odile, window);
        for (String field : List.of("transitions", "missing")) {
            Map<String, Object> measured = new HashMap<>(measured("CLEAN", 5, -1));
            measured.put(field, Collections.singletonList(null));
            Map<String, Object> answer = new HashMap<>(Practice.answer(run, window));
            answer.put("measured", List.of(measured));
            assertThat(Practice.send(odile, run, answer).status()).as(field).isIn(400, 422);
        }
        Map<String, Object> nothing = new HashMap<>(Practice.answer(run, window));
        nothing.put("measured", Collections.singletonList(null));
        assertThat(Practice.send(odile, run, nothing).status()).isIn(400, 422);
    }

    @Test
    void nobodySeesHowEvenSomebodyElseWas() {
        Player odile = player();
        long passage = Practice.newPassage(odile);
        assertThat(player().get("/api/takes/evenness/" + passage).status()).isEqualTo(404);
    }

    private static Map<String, Object> recording(long section, String day, Object... passes) {
        return new HashMap<>(Map.of(
                "clientId",
                UUID.randomUUID().toString(),
                "sectionId",
                section,
                "day",
                day,
                "tempo",
                80,
                "minutes",
                12,
                "passes",
                List.of(passes)));
    }

    private static Map<String, Object> pass(String measured, String said) {
        Map<String, Object> pass = new HashMap<>(Map.of("measured", measured(measured, 33, 7)));
        pass.put("said", said);
        return pass;
    }

    private double minutesAway(Player player, String month) {
        double minutes = 0;
        for (JsonNode day : player.get("/api/log/month?month=" + month).ok().path("days")) {
            for (JsonNode away : day.path("away")) {
                minutes += away.path("seconds").asDouble() / 60;
            }
        }
        return minutes;
    }

    @Test
    void aRecordingIsPutIntoTheLogAtItsDayOnceAndItsPassesAreMeasuredOnes() {
        Player odile = player();
        long passage = Practice.newPassage(odile);
        long section = Practice.firstSection(odile, passage);
        LocalDate yesterday =
                LocalDate.ofInstant(clock.instant(), ZoneOffset.UTC).minusDays(1);
        Map<String, Object> wish = recording(
                section, yesterday.toString(), pass("ROUGH", "ROUGH"), pass("ROUGH", "CLEAN"), pass("ROUGH", null));
        odile.post("/api/takes/recordings", wish).ok();
        odile.post("/api/takes/recordings", wish).ok();
        assertThat(minutesAway(odile, yesterday.toString().substring(0, 7))).isEqualTo(12);
        JsonNode evenness = odile.get("/api/takes/evenness/" + passage).ok();
        assertThat(evenness.path("weeks").path(0).path("passes").asInt()).isEqualTo(3);
        assertThat(evenness.path("troubled").path(0).asInt()).isEqualTo(6);
        assertThat(trust(odile).path("confirmed").asInt())
                .as("of the third nothing was said")
                .isEqualTo(2);
        JsonNode ceiling = odile.get("/api/sections/" + section + "/ceiling").ok();
        assertThat(ceiling.path("estimate").path("enoughEvidence").asBoolean())
                .as("no evidence of a ceiling")
                .isFalse();
    }

    @Test
    void whatIsNoRecordingIsRefusedAndKeepsNothing() {
        Player odile = player();
        long section = Practice.firstSection(odile, Practice.newPassage(odile));
        LocalDate today = LocalDate.ofInstant(clock.instant(), ZoneOffset.UTC);
        Map<String, Object> tomorrow = recording(section, today.plusDays(2).toString(), pass("CLEAN", "CLEAN"));
        assertThat(odile.post("/api/takes/recordings", tomorrow).status()).isEqualTo(422);
        Map<String, Object> none = recording(section, today.toString());
        assertThat(odile.post("/api/takes/recordings", none).status()).isEqualTo(422);
        Map<String, Object> slow = recording(section, today.toString(), pass("CLEAN", "CLEAN"));
        slow.put("tempo", 2);
        assertThat(odile.post("/api/takes/recordings", slow).status()).isEqualTo(422);
        Map<String, Object> foreign = recording(section, today.toString(), pass("CLEAN", "CLEAN"));
        assertThat(player().post("/api/takes/recordings", foreign).status()).isEqualTo(404);
        assertThat(sql.sql("select count(*) from measured_pass where piece_id = ?")
                        .param(section)
                        .query(Long.class)
                        .single())
                .isZero();
        assertThat(minutesAway(odile, today.toString().substring(0, 7))).isZero();
    }

    @Test
    void whatIsToBeHeardOfASectionIsItsNotesAtTheTempoThatIsSaid() {
        Player odile = player();
        long section = Practice.firstSection(odile, Practice.newPassage(odile));
        JsonNode told =
                odile.get("/api/takes/sections/" + section + "?tempo=72").ok();
        assertThat(told.path("instrument").asString()).isEqualTo("MALLET");
        assertThat(told.path("toHear").path("tempo").asDouble()).isEqualTo(72);
        JsonNode notes = told.path("toHear").path("passes").path(0);
        assertThat(notes.size()).isEqualTo(told.path("toHear").path("notes").asInt());
        assertThat(notes.path(1).path("beat").asDouble()).isEqualTo(0.25);
        assertThat(notes.path(0).path("pitches").path(0).asInt()).isEqualTo(62);
        assertThat(player().get("/api/takes/sections/" + section + "?tempo=72").status())
                .isEqualTo(404);
    }

    /** Whatever a page may say, or a client that is none. */
    @Test
    void cleanIsNeverTakenWithoutAHandBeforeEnoughWasConfirmed() {
        Player odile = player();
        JsonNode run = Practice.newRun(odile, window);
        JsonNode now = heard(odile, run, 1, measured("CLEAN", 5, -1), true);
        assertThat(now.path("ordinal").asInt()).as("it counts as played").isGreaterThan(0);
        JsonNode last = verdicts(odile, run).get(verdicts(odile, run).size() - 1);
        assertThat(last.path("verdict").isNull()).isTrue();
        assertThat(last.path("heard").path("verdict").asString()).isEqualTo("CLEAN");
        now = heard(odile, now, 1, measured("ROUGH", 5, 2), true);
        last = verdicts(odile, run).get(verdicts(odile, run).size() - 1);
        assertThat(last.path("verdict").asString()).isEqualTo("ROUGH");
        heard(odile, now, 1, measured("CLEAN", 5, -1), false);
        last = verdicts(odile, run).get(verdicts(odile, run).size() - 1);
        assertThat(last.path("verdict").asString()).as("by hand").isEqualTo("CLEAN");
    }

    private static List<JsonNode> verdicts(Player player, JsonNode run) {
        List<JsonNode> passes = new ArrayList<>();
        player.get("/api/log/" + run.path("id").asLong()).ok().path("passes").forEach(passes::add);
        return passes;
    }

    @Test
    void whatWasMeasuredStandsInTheLogByTheWeekAndForEachSection() {
        Player odile = player();
        long passage = Practice.newPassage(odile);
        long section = Practice.firstSection(odile, passage);
        assertThat(odile.get("/api/takes/week").ok().size()).isZero();
        assertThat(odile.get("/api/takes/sections/" + section + "/even")
                        .ok()
                        .path("tempo")
                        .isNull())
                .isTrue();
        JsonNode run = Practice.begin(odile, section, window).ok();
        heard(odile, run, 2, measured("CLEAN", 33, -1), false);
        JsonNode week = odile.get("/api/takes/week").ok();
        assertThat(week.size()).isEqualTo(1);
        assertThat(week.path(0).path("passes").asInt()).isEqualTo(2);
        assertThat(week.path(0).path("evenness").asDouble()).isCloseTo(0.05, within(0.005));
        assertThat(week.path(0).path("before").isNull()).isTrue();
        JsonNode even = odile.get("/api/takes/sections/" + section + "/even").ok();
        double fastest = verdicts(odile, run).stream()
                .filter(pass -> !pass.path("heard").isNull())
                .mapToDouble(pass -> pass.path("tempo").asDouble())
                .max()
                .orElseThrow();
        assertThat(even.path("tempo").asDouble()).isCloseTo(fastest, within(0.01));
        clock.pass(Duration.ofDays(7));
        assertThat(odile.get("/api/takes/week").ok().size())
                .as("of last week only, nothing of this one")
                .isZero();
        Player other = player();
        assertThat(other.get("/api/takes/sections/" + section + "/even").status())
                .isEqualTo(404);
        assertThat(other.get("/api/takes/week").ok().size()).isZero();
    }

    @Test
    void whatWasMeasuredIsATable() {
        Player odile = player();
        long section = Practice.firstSection(odile, Practice.newPassage(odile));
        heard(odile, Practice.begin(odile, section, window).ok(), 2, measured("ROUGH", 33, 7), false);
        String today = LocalDate.ofInstant(clock.instant(), ZoneOffset.UTC).toString();
        odile.post("/api/takes/recordings", recording(section, today, pass("CLEAN", null)))
                .ok();
        String[] lines = new String(odile.download("/api/exports/takes.csv"), StandardCharsets.UTF_8).split("\r\n");
        assertThat(lines).hasSize(4);
        assertThat(lines[0])
                .isEqualTo("date,workout,passage,section,way,tempo,measured,evenness,tempo_ratio,verdict,edition");
        assertThat(lines[1]).startsWith(today).contains(",rough,0.05,1.0,rough,1");
        assertThat(lines[3]).contains(",,Kestrel Weather,").endsWith(",clean,0.05,1.0,,1");
        assertThat(new String(player().download("/api/exports/takes.csv"), StandardCharsets.UTF_8).split("\r\n"))
                .hasSize(1);
    }
}
