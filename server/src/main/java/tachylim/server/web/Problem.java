package tachylim.server.web;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Instant;
import java.util.List;
import java.util.Map;

/** What is answered to a request that is refused or fails, as the API describes it (RFC 9457). */
@Schema(description = "a refusal or a failure, with a sentence to act on; parts that do not apply are left out")
record Problem(
        int status,
        @Schema(description = "a sentence for the player") String detail,

        @Schema(description = "what a page may have to do something about")
        ProblemCode code,

        @Schema(description = "the part of the request that was refused")
        String field,

        @Schema(description = "a sentence for each part that was refused")
        Map<String, String> fields,

        @Schema(description = "where reading music stopped, from 1")
        Integer line,

        Integer column,
        @Schema(description = "the sign it stopped at") String found,
        @Schema(description = "the workout that is open") Long runId,
        @Schema(description = "how many are missing") Double seconds,
        @Schema(description = "until when playing rests") Instant until,

        @Schema(description = "what new notes would take away")
        List<String> lost) {}
