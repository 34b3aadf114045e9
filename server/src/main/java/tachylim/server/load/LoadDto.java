package tachylim.server.load;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;

/** Today's limits, the binding one first, and the rest after a symptom in words; empty when there is none. */
public record LoadDto(
        LocalDate day,
        List<LimitDto> limits,
        @Schema(nullable = true) Instant restsUntil,
        String restSentence) {}
