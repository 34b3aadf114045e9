package tachylim.server.web;

import static org.assertj.core.api.Assertions.assertThat;
import static org.awaitility.Awaitility.await;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.net.Socket;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HexFormat;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import java.util.zip.GZIPOutputStream;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.boot.test.web.server.LocalServerPort;
import tachylim.server.Player;
import tachylim.server.Player.Reply;
import tachylim.server.Practice;
import tachylim.server.ServerTest;
import tachylim.server.Work;

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

    private static void isAnswered(Player player) {
        assertThat(Practice.newPassage(player)).isPositive();
        assertThat(player.get("/api/today").status()).isEqualTo(200);
    }

    @Test
    void bodiesThatNeverComeStopNobody() throws IOException {
        Player odile = player();
        List<Socket> waiting = new ArrayList<>();
        try {
            for (int i = 0; i < 300; i++) {
                waiting.add(halfSent(i % 2 == 0 ? "/api/session" : "/api/passages"));
            }
            Socket first = waiting.get(0);
            isAnswered(odile);
            assertThat(first.getInputStream().available())
                    .as("answered while all of them are waited for")
                    .isZero();
            first.setSoTimeout((int) BufferedBody.PATIENCE.toMillis() + 10_000);
            String answer = new String(first.getInputStream().readNBytes(12), StandardCharsets.US_ASCII);
            assertThat(answer).isEqualTo("HTTP/1.1 408");
        } finally {
            for (Socket socket : waiting) {
                socket.close();
            }
        }
    }

    @Test
    void aBodyThatComesInSectionsIsTakenWhole() throws Exception {
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
                    .contains("too old");
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
        double began = Work.seconds();
        Reply reply = odile.upload("/api/scores", file);
        assertThat(Work.seconds() - began).as(name).isLessThan(LONGEST_SECONDS);
        assertThat(reply.status()).isIn(200, 422);
        assertThat(reply.detail()).contains(sentence);
    }

    @Test
    void tapsFarApartAreRefusedBeforeTheyAreDrawn() {
        double began = Work.seconds();
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
        assertThat(Work.seconds() - began).isLessThan(LONGEST_SECONDS);
    }

    private Socket refusedHalfWay(String length) throws IOException {
        Socket socket = new Socket("127.0.0.1", port);
        socket.setSoTimeout(9_000);
        socket.getOutputStream()
                .write(("POST /api/session HTTP/1.1\r\nHost: localhost\r\nContent-Type: application/json\r\n" + length
                                + "\r\n\r\n5\r\n{\"nam")
                        .getBytes(StandardCharsets.US_ASCII));
        socket.getOutputStream().flush();
        return socket;
    }

    @ParameterizedTest
    @ValueSource(strings = {"Content-Length: 900000", "Content-Length: 90000000", "Transfer-Encoding: chunked"})
    void whatIsRefusedIsClosedAndNotWaitedFor(String length) throws IOException {
        List<Socket> refused = new ArrayList<>();
        try {
            for (int i = 0; i < 60; i++) {
                refused.add(refusedHalfWay(length));
            }
            for (Socket socket : refused) {
                // The connection ends by itself, long before its patience with the rest of the body would.
                String answer = new String(socket.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
                assertThat(answer).startsWith("HTTP/1.1 413").contains("Connection: close");
            }
        } finally {
            for (Socket socket : refused) {
                socket.close();
            }
        }
    }

    @Test
    void aSecondFileOfAPlayersWaitsUntilTheFirstIsThere() throws IOException {
        Player odile = player();
        try (Socket slow = new Socket("127.0.0.1", port)) {
            slow.getOutputStream()
                    .write(("POST /api/scores HTTP/1.1\r\nHost: localhost\r\nContent-Type: application/octet-stream\r\n"
                                    + "Content-Length: 1000000\r\nCookie: " + odile.cookies() + "\r\nX-XSRF-TOKEN: "
                                    + odile.token() + "\r\n\r\nX:1")
                            .getBytes(StandardCharsets.US_ASCII));
            slow.getOutputStream().flush();
            await().untilAsserted(() -> {
                Reply second = odile.upload("/api/scores", abc("X:1\nK:C\nCDEF|"));
                assertThat(second.status()).isEqualTo(429);
                assertThat(second.detail()).contains("still sending");
            });
            isAnswered(odile);
        }
        await().untilAsserted(() -> assertThat(
                        odile.upload("/api/scores", abc("X:1\nK:C\nCDEF|")).status())
                .isEqualTo(200));
    }

    @Test
    void aFileOfNobodysIsRefusedBeforeItComes() throws IOException {
        try (Socket stranger = new Socket("127.0.0.1", port)) {
            stranger.setSoTimeout(9_000);
            stranger.getOutputStream()
                    .write(("POST /api/scores HTTP/1.1\r\nHost: localhost\r\nContent-Type: application/octet-stream\r\n"
                                    + "Content-Length: 40000000\r\n\r\nX:1")
                            .getBytes(StandardCharsets.US_ASCII));
            stranger.getOutputStream().flush();
            assertThat(new String(stranger.getInputStream().readAllBytes(), StandardCharsets.UTF_8))
                    .matches("(?s)HTTP/1.1 40[13].*");
        }
    }

    static Stream<Arguments> bombs() {
        String arrays = "[],".repeat(3_000_000) + "[]";
        String head = "{\"format\":\"tachylim-account\",\"version\":1,\"account\":";
        return Stream.of(
                Arguments.of("arrays for a value", head + "[{\"instrument\":[" + arrays + "]}]"),
                Arguments.of("arrays for rows", head + "[" + arrays + "]"),
                Arguments.of("arrays for tables", head + "[{}],\"tables\":[" + arrays + "]"),
                Arguments.of("arrays for nothing", "[" + arrays + "]"),
                Arguments.of("deep", head + "[".repeat(3_000_000)),
                Arguments.of("one long text", head + "[{\"instrument\":\"" + "x".repeat(20_000_000) + "\"}]"),
                Arguments.of("one long number", head + "[{\"usual_minutes\":" + "9".repeat(20_000_000) + "}]"),
                Arguments.of("the same name again and again", head + "[{" + "\"zone\":\"UTC\",".repeat(1_000_000)));
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("bombs")
    void aFileOfAnAccountIsNeverLaidOutWhole(String name, String json) throws IOException {
        Player odile = player();
        ByteArrayOutputStream packed = new ByteArrayOutputStream();
        try (GZIPOutputStream gzip = new GZIPOutputStream(packed)) {
            gzip.write(json.getBytes(StandardCharsets.US_ASCII));
        }
        double began = Work.seconds();
        Reply reply = odile.upload("/api/imports/account", packed.toByteArray());
        assertThat(reply.status()).as(reply.detail()).isEqualTo(422);
        assertThat(reply.detail()).isNotBlank();
        assertThat(Work.seconds() - began).as(name).isLessThan(LONGEST_SECONDS);
        isAnswered(odile);
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
                () -> odile.get(at + "/variations/grow"),
                () -> odile.get(at + "/variations/grow-end?bpm=80"),
                () -> odile.put(at + "/sections", Map.of("kind", "BEATS", "size", 1)),
                () -> odile.put(at + "/sections", Map.of("kind", "BEATS", "size", 2))
                        .ok(),
                () -> odile.get(at + "/practice-sheet").ok(),
                () -> odile.get("/api/today").ok(),
                () -> odile.get(at + "/export?as=MUSICXML&sheet=true"),
                () -> odile.get(at + "/export?as=MUSICXML&sheet=true&first=0&last=255"))) {
            double began = Work.seconds();
            work.run();
            assertThat(Work.seconds() - began).isLessThan(2.0);
        }
    }

    private static final String WORKOUT =
            "account_id, piece_id, day, created_at, minutes, focus, plan, planned, school";

    @Test
    void anAccountThatIsFullIsToldAndLosesNothing() {
        Player odile = player();
        long passage = Practice.newPassage(odile);
        long section = Practice.firstSection(odile, passage);
        sql.sql("insert into workout (" + WORKOUT + ") select account_id, id, '2026-01-01', now(), 5, '', "
                        + "repeat('x', 3500000), '', '' from piece where id = ?")
                .param(section)
                .update();
        // A little at a time: a statement that writes all of it may last longer than a busy machine is waited for.
        for (int copy = 1; copy < 20; copy++) {
            sql.sql("insert into workout (" + WORKOUT + ") select " + WORKOUT
                            + " from workout where piece_id = ? limit 1")
                    .param(section)
                    .update();
        }
        assertThat(odile.get("/api/storage").ok().path("usedBytes").asLong())
                .isGreaterThan(odile.get("/api/storage").ok().path("mostBytes").asLong());
        Reply refused = odile.post("/api/passages", Practice.passage(Map.of()));
        assertThat(refused.json().path("code").asString()).isEqualTo("storage-full");
        assertThat(refused.detail()).contains("Nothing was lost");
        assertThat(Practice.begin(odile, section, java.util.UUID.randomUUID()).status())
                .isEqualTo(409);
        assertThat(odile.get("/api/passages").ok()).hasSize(1);
        sql.sql("delete from workout where piece_id = ?").param(section).update();
    }
}
