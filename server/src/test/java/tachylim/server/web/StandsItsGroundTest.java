package tachylim.server.web;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.net.Socket;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HexFormat;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;
import org.springframework.boot.test.web.server.LocalServerPort;
import tachylim.server.Player;
import tachylim.server.Player.Reply;
import tachylim.server.Practice;
import tachylim.server.ServerTest;

/** What is slow, huge or hostile is bounded before it is worked on, and stops nobody else. */
class StandsItsGroundTest extends ServerTest {

    private static final double LONGEST_SECONDS = 5;

    @LocalServerPort
    private int port;

    private Socket halfSent(String path) throws IOException {
        Socket socket = new Socket("127.0.0.1", port);
        socket.getOutputStream()
                .write(("POST " + path + " HTTP/1.1\r\nHost: localhost\r\nContent-Type: application/json\r\n"
                                + "Content-Length: 4000\r\n\r\n{\"name\":")
                        .getBytes(StandardCharsets.US_ASCII));
        socket.getOutputStream().flush();
        return socket;
    }

    private static double secondsOfAnswers(Player player) {
        long began = System.nanoTime();
        assertThat(Practice.newPassage(player)).isPositive();
        assertThat(player.get("/api/today").status()).isEqualTo(200);
        return (System.nanoTime() - began) / 1e9;
    }

    @Test
    void bodiesThatNeverComeStopNobody() throws IOException {
        Player odile = player();
        // What a server does for the first time takes longer, whoever else is there.
        secondsOfAnswers(odile);
        List<Socket> waiting = new ArrayList<>();
        try {
            for (int i = 0; i < 300; i++) {
                waiting.add(halfSent(i % 2 == 0 ? "/api/session" : "/api/passages"));
            }
            assertThat(secondsOfAnswers(odile)).isLessThan(LONGEST_SECONDS);
            Socket first = waiting.get(0);
            first.setSoTimeout((int) WholeBody.PATIENCE.toMillis() + 10_000);
            String answer = new String(first.getInputStream().readNBytes(12), StandardCharsets.US_ASCII);
            assertThat(answer).isEqualTo("HTTP/1.1 408");
        } finally {
            for (Socket socket : waiting) {
                socket.close();
            }
        }
    }

    @Test
    void aBodyThatComesInPiecesIsTakenWhole() throws Exception {
        String body = "{\"seconds\":[0,0.5,1,1.5]}";
        try (Socket socket = new Socket("127.0.0.1", port)) {
            socket.setSoTimeout(10_000);
            var out = socket.getOutputStream();
            out.write(
                    ("POST /api/cells HTTP/1.1\r\nHost: localhost\r\nConnection: close\r\nContent-Type: application/json\r\nContent-Length: "
                                    + body.length() + "\r\n\r\n")
                            .getBytes(StandardCharsets.US_ASCII));
            for (char sign : body.toCharArray()) {
                out.write(sign);
                out.flush();
            }
            String answer = new String(socket.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
            assertThat(answer)
                    .startsWith("HTTP/1.1 4")
                    .as("read, and refused for having no token")
                    .contains("grown old");
        }
    }

    private static byte[] midiThatLastsForYears() {
        return HexFormat.of()
                .parseHex("4d546864000000060000000100014d54726b0000000f" + "00904040" + "ffffff7f804040" + "00ff2f00");
    }

    private static byte[] zipOfZerosThatIsNotRead() throws IOException {
        ByteArrayOutputStream packed = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(packed)) {
            zip.putNextEntry(new ZipEntry("picture.bin"));
            byte[] zeros = new byte[1 << 20];
            for (int i = 0; i < 600; i++) {
                zip.write(zeros);
            }
            zip.closeEntry();
        }
        return packed.toByteArray();
    }

    private static byte[] abc(String text) {
        return text.getBytes(StandardCharsets.UTF_8);
    }

    static Stream<Arguments> hostile() throws IOException {
        return Stream.of(
                Arguments.of(
                        "a MIDI file of a few bytes that lasts for years", midiThatLastsForYears(), "quarter notes"),
                Arguments.of(
                        "a zip entry of zeros that nobody reads", zipOfZerosThatIsNotRead(), "unpacks to far more"),
                Arguments.of("a note of a billion beats", abc("X:1\nM:4/4\nL:1/8\nK:C\nC1000000000 D|"), ""),
                Arguments.of("a million bars of rest", abc("X:1\nM:4/4\nL:1/8\nK:C\nZ1000000 C|"), ""),
                Arguments.of(
                        "ten thousand voices",
                        abc("X:1\nM:4/4\nL:1/8\nK:C\n"
                                + Stream.iterate(0, i -> i + 1)
                                        .limit(10_000)
                                        .map(i -> "V:" + i + "\nC\n")
                                        .reduce("", String::concat)),
                        ""),
                Arguments.of("nothing but brackets", abc("[".repeat(2_000_000)), ""));
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("hostile")
    void aHostileFileIsAnsweredInTimeWithASentence(String name, byte[] file, String sentence) {
        Player odile = player();
        long began = System.nanoTime();
        Reply reply = odile.upload("/api/scores", file);
        assertThat((System.nanoTime() - began) / 1e9).as(name).isLessThan(LONGEST_SECONDS);
        assertThat(reply.status()).isIn(200, 422);
        assertThat(reply.detail()).contains(sentence);
    }

    @Test
    void tapsFarApartAreRefusedBeforeTheyAreDrawn() {
        long began = System.nanoTime();
        Reply refused = player().post(
                        "/api/readings/strokes",
                        Map.of(
                                "strokes",
                                List.of(),
                                "meter",
                                "1/32",
                                "fifths",
                                0,
                                "taps",
                                List.of(0, 1, 1e9),
                                "tapBpm",
                                400));
        assertThat(refused.status()).isEqualTo(422);
        assertThat(refused.detail()).contains("10 minutes");
        assertThat(player().post(
                                "/api/readings/strokes",
                                Map.of(
                                        "strokes",
                                        List.of(),
                                        "meter",
                                        "1/32",
                                        "fifths",
                                        0,
                                        "taps",
                                        List.of(0, 1, 600),
                                        "tapBpm",
                                        400))
                        .status())
                .isLessThan(500);
        assertThat((System.nanoTime() - began) / 1e9).isLessThan(LONGEST_SECONDS);
    }

    @Test
    void twoThousandNotesAreGrownCutAndWrittenInTime() {
        Player odile = player();
        String notes = "M:4/4\nL:1/16\nK:C\n" + "CDEFGABc".repeat(250);
        long passage = odile.post("/api/passages", Practice.passage(Map.of("music", Practice.abc(notes))))
                .ok()
                .path("passage")
                .path("id")
                .asLong();
        String at = "/api/passages/" + passage;
        for (Runnable work : List.<Runnable>of(
                () -> odile.get(at + "/variants/grow"),
                () -> odile.get(at + "/variants/grow-end?bpm=80"),
                () -> odile.put(at + "/pieces", Map.of("kind", "BEATS", "size", 1)),
                () -> odile.put(at + "/pieces", Map.of("kind", "BEATS", "size", 2))
                        .ok(),
                () -> odile.get(at + "/bench").ok(),
                () -> odile.get("/api/today").ok(),
                () -> odile.get(at + "/export?as=MUSICXML&sheet=true"),
                () -> odile.get(at + "/export?as=MUSICXML&sheet=true&first=0&last=255"))) {
            long began = System.nanoTime();
            work.run();
            assertThat((System.nanoTime() - began) / 1e9).isLessThan(2.0);
        }
    }

    private static final String WORKOUT =
            "account_id, piece_id, day, created_at, minutes, focus, plan, planned, school";

    @Test
    void anAccountThatIsFullIsToldAndLosesNothing() {
        Player odile = player();
        long passage = Practice.newPassage(odile);
        long piece = Practice.firstPiece(odile, passage);
        sql.sql("insert into workout (" + WORKOUT + ") select account_id, id, '2026-01-01', now(), 5, '', "
                        + "repeat('x', 14000000), '', '' from piece where id = ?")
                .param(piece)
                .update();
        sql.sql("insert into workout (" + WORKOUT + ") "
                        + String.join(
                                " union all ",
                                Collections.nCopies(4, "select " + WORKOUT + " from workout where piece_id = :piece")))
                .param("piece", piece)
                .update();
        assertThat(odile.get("/api/storage").ok().path("usedBytes").asLong())
                .isGreaterThan(odile.get("/api/storage").ok().path("mostBytes").asLong());
        Reply refused = odile.post("/api/passages", Practice.passage(Map.of()));
        assertThat(refused.json().path("code").asString()).isEqualTo("storage-full");
        assertThat(refused.detail()).contains("Nothing was lost");
        assertThat(Practice.begin(odile, piece, java.util.UUID.randomUUID()).status())
                .isEqualTo(409);
        assertThat(odile.get("/api/passages").ok()).hasSize(1);
        sql.sql("delete from workout where piece_id = ?").param(piece).update();
    }
}
