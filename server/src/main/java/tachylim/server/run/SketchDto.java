package tachylim.server.run;

import io.swagger.v3.oas.annotations.media.Schema;
import tachylim.task.PassKind;
import tachylim.task.Verdict;

/** One pass of a workout, as far as a small picture shows it. */
public record SketchDto(
        PassKind kind,
        double tempo,
        double seconds,
        @Schema(nullable = true) Verdict verdict) {}
