package tachylim.server.exchange;

import io.swagger.v3.oas.annotations.Parameter;
import io.swagger.v3.oas.annotations.media.Content;
import io.swagger.v3.oas.annotations.media.Schema;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.servlet.http.HttpServletRequest;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.Map;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import tachylim.server.account.SignedIn;
import tachylim.server.exchange.ExchangeDtos.PracticePreview;
import tachylim.server.exchange.ExchangeDtos.ReadAccount;

/** All of an account, out and in: as one file that can be read into another account, and as tables for a spreadsheet. */
@RestController
@RequestMapping("/api")
@Tag(name = "exchange")
class AccountFilesController {

    private static final String CSV = "text/csv;charset=UTF-8";

    private final ArchiveWriter writer;
    private final ArchiveReader reader;
    private final PracticeCsv practice;
    private final PracticeImport imports;
    private final ReadingRoom room;

    AccountFilesController(
            ArchiveWriter writer,
            ArchiveReader reader,
            PracticeCsv practice,
            PracticeImport imports,
            ReadingRoom room) {
        this.room = room;
        this.writer = writer;
        this.reader = reader;
        this.practice = practice;
        this.imports = imports;
    }

    @GetMapping(path = "/exports/account", produces = "application/gzip")
    ResponseEntity<byte[]> account(@AuthenticationPrincipal SignedIn who) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        writer.write(who, out);
        return file("application/gzip", "tachylim.json.gz", out.toByteArray());
    }

    /** Every pass, a row each. */
    @GetMapping(path = "/exports/passes.csv", produces = "text/csv")
    ResponseEntity<byte[]> passes(@AuthenticationPrincipal SignedIn who) throws IOException {
        StringBuilder out = new StringBuilder();
        practice.passes(who, out);
        return file(CSV, "tachylim-passes.csv", out.toString().getBytes(StandardCharsets.UTF_8));
    }

    /** What was measured of every pass that was listened to, a row each. */
    @GetMapping(path = "/exports/takes.csv", produces = "text/csv")
    ResponseEntity<byte[]> takes(@AuthenticationPrincipal SignedIn who) throws IOException {
        StringBuilder out = new StringBuilder();
        practice.takes(who, out);
        return file(CSV, "tachylim-takes.csv", out.toString().getBytes(StandardCharsets.UTF_8));
    }

    /** Practice away from the screen, in the columns in which it is read. */
    @GetMapping(path = "/exports/practice.csv", produces = "text/csv")
    ResponseEntity<byte[]> practice(@AuthenticationPrincipal SignedIn who) throws IOException {
        StringBuilder out = new StringBuilder();
        practice.away(who, out);
        return file(CSV, "tachylim-practice.csv", out.toString().getBytes(StandardCharsets.UTF_8));
    }

    private static ResponseEntity<byte[]> file(String type, String name, byte[] content) {
        return ResponseEntity.ok()
                .contentType(MediaType.parseMediaType(type))
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        ContentDisposition.attachment().filename(name).build().toString())
                .header(HttpHeaders.CACHE_CONTROL, "private, no-store")
                .body(content);
    }

    /** Reads the file of an account into this one, which holds nothing yet: all of it, or nothing. */
    @PostMapping(path = "/imports/account", consumes = MediaType.APPLICATION_OCTET_STREAM_VALUE)
    @io.swagger.v3.oas.annotations.parameters.RequestBody(
            content =
                    @Content(
                            mediaType = MediaType.APPLICATION_OCTET_STREAM_VALUE,
                            schema = @Schema(type = "string", format = "binary")))
    ReadAccount readAccount(
            @AuthenticationPrincipal SignedIn who, @Parameter(hidden = true) HttpServletRequest request) {
        Map<String, Integer> rows = room.inTurn(() -> reader.read(who, request.getInputStream()));
        return new ReadAccount(rows.get("passage"), rows.get("run"), rows.get("played_pass"));
    }

    /** Reads practice from CSV: a preview, or all of it. */
    @PostMapping(path = "/imports/practice", consumes = MediaType.APPLICATION_OCTET_STREAM_VALUE)
    @io.swagger.v3.oas.annotations.parameters.RequestBody(
            content =
                    @Content(
                            mediaType = MediaType.APPLICATION_OCTET_STREAM_VALUE,
                            schema = @Schema(type = "string", format = "binary")))
    PracticePreview readPractice(
            @AuthenticationPrincipal SignedIn who,
            @Parameter(hidden = true) HttpServletRequest request,
            @RequestParam(defaultValue = "false") boolean keep) {
        return room.inTurn(() -> imports.read(who, request.getInputStream().readAllBytes(), keep));
    }
}
