package tachylim.server.exchange;

import io.swagger.v3.oas.annotations.tags.Tag;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import tachylim.notation.Format;
import tachylim.server.account.SignedIn;

@RestController
@RequestMapping("/api")
@Tag(name = "exchange")
class ExportController {

    private final ExportService export;

    ExportController(ExportService export) {
        this.export = export;
    }

    /** Music as a file: a stretch of a passage, one of its variations, or all of them. */
    @GetMapping("/passages/{id}/export")
    ResponseEntity<byte[]> export(
            @AuthenticationPrincipal SignedIn who,
            @PathVariable long id,
            @RequestParam Format as,
            @RequestParam(required = false) String variation,
            @RequestParam(defaultValue = "false") boolean sheet,
            @RequestParam(required = false) Integer first,
            @RequestParam(required = false) Integer last) {
        ExportService.Written file = export.write(who, id, as, variation, sheet, first, last);
        return ResponseEntity.ok()
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        ContentDisposition.attachment()
                                .filename(file.name())
                                .build()
                                .toString())
                .contentType(MediaType.parseMediaType(as.mediaType()))
                .body(file.content());
    }
}
