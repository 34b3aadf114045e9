package tachylim.server.exchange;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import tachylim.notation.abc.AbcReader;
import tachylim.notation.midi.MidiWriter;
import tachylim.notation.score.Movement;
import tachylim.server.Player;
import tachylim.server.Player.Reply;
import tachylim.server.Practice;
import tachylim.server.ServerTest;
import tachylim.tempo.Tempo;
import tools.jackson.databind.JsonNode;

/** Music in and out through the API. */
class ExchangeTest extends ServerTest {

    private static final String TWO_TUNES = """
            X:1
            T:Harbour Steps
            M:2/4
            L:1/8
            K:G
            G |: GABc | d2 B2 :| c4 |]

            X:2
            T:Second Tide
            M:3/4
            L:1/8
            K:D
            V:1
            !trill!DEFGAB | d6 |
            V:2
            D,6 | A,6 |
            """;

    private static byte[] bytes(String text) {
        return text.getBytes(StandardCharsets.UTF_8);
    }

    @Test
    void aFileOfSeveralTunesIsChosenFrom() {
        Player odile = player();
        JsonNode score = odile.upload("/api/scores", bytes(TWO_TUNES)).ok();
        assertThat(score.path("lines")).hasSize(3);
        assertThat(score.path("lines").path(0).path("firstBar").asString())
                .as("a pickup is bar 0")
                .isEqualTo("0");
        assertThat(score.path("chosen").path("hasRepeats").asBoolean()).isTrue();
        assertThat(score.path("leftOut").toString()).contains("trill");
        JsonNode unrolled = odile.upload("/api/scores?line=0&unrolled=true", bytes(TWO_TUNES))
                .ok()
                .path("chosen");
        assertThat(unrolled.path("notes").asInt())
                .isGreaterThan(score.path("chosen").path("notes").asInt());
        JsonNode bass = odile.upload("/api/scores?line=2&firstBar=2&lastBar=2", bytes(TWO_TUNES))
                .ok()
                .path("chosen");
        assertThat(bass.path("notes").asInt()).isEqualTo(1);
        JsonNode none = odile.upload("/api/scores?line=2&firstBar=2&lastBar=9", bytes(TWO_TUNES))
                .ok()
                .path("chosen");
        assertThat(none.path("problem").asString()).contains("bars 1 to 2");
        assertThat(odile.upload("/api/scores?line=7", bytes(TWO_TUNES)).status())
                .isEqualTo(422);
    }

    @Test
    void aBookOfManyTunesIsChosenFromAndEachTuneThatCannotBeReadIsNamed() {
        StringBuilder book = new StringBuilder();
        for (int tune = 1; tune <= 900; tune++) {
            String music = tune % 50 == 0 ? "C/0 D" : "CDEF GABc |";
            book.append("X:%d\nT:Tide %d\nL:1/8\nK:C\n%s\n\n".formatted(tune, tune, music));
        }
        JsonNode score =
                player().upload("/api/scores?line=800", bytes(book.toString())).ok();
        assertThat(score.path("lines")).hasSize(882);
        assertThat(score.path("unread")).hasSize(18);
        assertThat(score.path("unread").path(17).asString()).startsWith("Tide 900 (X:900), line 5,399, column 4:");
        assertThat(score.path("chosen").path("notes").asInt()).isEqualTo(8);
        assertThat(score.path("drawn").isNull()).isTrue();
    }

    @Test
    void barOneOfARecordingIsFoundAndMayBeSet() {
        Player odile = player();
        String abc = "M:4/4\nL:1/8\nK:C\nG2 | c2e2 g2e2 | d2B2 G2A2 | c8 |]";
        byte[] midi =
                MidiWriter.write(List.of(new Movement("", AbcReader.read(abc).passage())), Tempo.of(90));
        JsonNode found = odile.upload("/api/scores", midi).ok();
        assertThat(found.path("format").asString()).isEqualTo("MIDI");
        assertThat(found.path("drawn").path("pickup").asInt()).isEqualTo(4);
        assertThat(found.path("lines").path(0).path("firstBar").asString()).isEqualTo("0");
        JsonNode set = odile.upload("/api/scores?pickup=0&grid=2", midi).ok();
        assertThat(set.path("lines").path(0).path("firstBar").asString()).isEqualTo("1");
        assertThat(odile.upload("/api/scores?pickup=99", midi).status()).isEqualTo(422);
    }

    @Test
    void whatIsChosenBecomesAPassage() {
        Player odile = player();
        String abc = odile.upload("/api/scores?unrolled=true", bytes(TWO_TUNES))
                .ok()
                .path("chosen")
                .path("abc")
                .asString();
        JsonNode made = odile.post("/api/passages", Practice.passage(Map.of("music", Practice.abc(abc))))
                .ok();
        assertThat(made.path("reading").path("notes").asInt()).isGreaterThan(10);
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "hello", "<html/>", "<score-partwise", "MThd rubbish", "PK rubbish", "X:1\nK:C\n"})
    void aBrokenFileGetsASentence(String content) {
        Reply refused = player().upload("/api/scores", bytes(content));
        assertThat(refused.status()).isEqualTo(422);
        assertThat(refused.detail()).endsWith(".").doesNotContain("Exception");
    }

    @ParameterizedTest
    @CsvSource({"ABC, .abc", "MUSICXML, .musicxml", "MIDI, .mid"})
    void everythingIsWrittenInEveryKindAndReadAgain(String as, String ending) {
        Player odile = player();
        long passage = Practice.newPassage(odile);
        for (String what : List.of("", "&variation=same.2-1", "&sheet=true", "&first=4&last=12")) {
            Reply file = odile.get("/api/passages/" + passage + "/export?as=" + as + what);
            assertThat(file.status()).isEqualTo(200);
            assertThat(file.response()
                            .headers()
                            .firstValue("Content-Disposition")
                            .orElse(""))
                    .contains("attachment")
                    .contains(ending);
        }
        assertThat(odile.get("/api/passages/" + passage + "/export?as=" + as + "&variation=nope")
                        .status())
                .isEqualTo(422);
        assertThat(odile.get("/api/passages/" + passage + "/export?as=PDF").status())
                .isEqualTo(400);
    }

    private static Map<String, Object> strokes(List<String> strokes, List<Double> taps) {
        return Map.of("strokes", strokes, "meter", "2/4", "fifths", 1, "taps", taps, "tapBpm", 120);
    }

    @Test
    void notesAreEnteredAStrokeAtATimeAndGivenATappedRhythm() {
        Player odile = player();
        JsonNode entered = odile.post("/api/readings/strokes", strokes(List.of("v8", "g", "a", "b", "f"), List.of()))
                .ok();
        assertThat(entered.path("abc").asString()).contains("K:G").contains("GA BF");
        JsonNode tapped = odile.post("/api/readings/strokes", strokes(List.of("g", "a", "b"), List.of(1.0, 1.49, 1.76)))
                .ok();
        assertThat(tapped.path("abc").asString()).contains("G2 AB-");
        assertThat(odile.post("/api/readings/strokes", strokes(List.of("q"), List.of()))
                        .detail())
                .contains("no key called q");
        assertThat(odile.post("/api/readings/strokes", strokes(List.of(), List.of()))
                        .detail())
                .contains("no note yet");
    }
}
