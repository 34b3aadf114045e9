package tachylim.server.repertoire;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.DecimalMax;
import jakarta.validation.constraints.DecimalMin;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Pattern;
import jakarta.validation.constraints.Size;
import java.time.LocalDate;
import java.util.List;
import tachylim.passage.InstrumentFamily;
import tachylim.shown.EstimateDto;
import tachylim.tempo.Tempo;

/** What the passages' part of the API takes and gives. */
public final class PassageDtos {

    static final String TEMPO = "A tempo lies between 20 and 400 beats a minute.";

    private PassageDtos() {}

    /** A reading of music that is still being typed. */
    public record Reading(
            int notes,
            int bars,
            String meter,
            String beatUnit,
            double beats,
            double quickestNotesPerBeat,
            boolean paper,
            String abc,
            List<String> warnings,
            List<String> leftOut) {}

    public record PassageWish(
            @NotBlank(message = "Give the passage a title.")
            @Size(max = 120, message = "A title has up to 120 characters.")
            String title,

            @NotNull(message = "Choose an instrument.") InstrumentFamily instrument,
            @NotNull @Valid MusicText music,

            @DecimalMin(value = "" + Tempo.MIN, message = TEMPO) @DecimalMax(value = "" + Tempo.MAX, message = TEMPO)
            double targetBpm,

            @Schema(nullable = true) LocalDate neededOn,

            @DecimalMin(value = "" + Tempo.MIN, message = TEMPO)
            @DecimalMax(value = "" + Tempo.MAX, message = TEMPO)
            @Schema(nullable = true, description = "the tempo it is clean at, as far as known")
            Double cleanAt,

            @Schema(description = "whether it has been played at that tempo, or it is a guess")
            boolean played,

            @Min(0) int version,

            @Schema(nullable = true, description = "whether what cannot follow changed notes may be given up")
            Boolean confirmed,

            @Schema(nullable = true, description = "an id of the browser's making: sent twice, it makes one passage")
            @Pattern(regexp = "[0-9a-fA-F-]{36}")
            String clientId) {}

    public record CutWish(
            @NotNull(message = "Choose how to cut.") CutKind kind,

            @Min(value = 1, message = "Give at least one.") @Max(value = 64, message = "Give up to 64.")
            int size,

            @Schema(description = "for cutting by hand, the notes two sections share, from 0")
            @Size(max = 400, message = "Cut up to 400 times.")
            List<@NotNull Integer> overlaps) {

        public CutWish {
            overlaps = overlaps == null ? List.of() : overlaps;
        }
    }

    public enum CutKind {
        WHOLE,
        BARS,
        BEATS,
        PHRASES,
        RESTS,
        BREATHS,
        HAND
    }

    public record SectionWish(
            @NotBlank(message = "Give the section a name.") @Size(max = 80, message = "A name has up to 80 characters.")
            String name,

            @Min(value = 1, message = "Difficulty runs from 1 to 5.")
            @Max(value = 5, message = "Difficulty runs from 1 to 5.")
            int difficulty) {}

    public record ExtraWish(
            @NotNull(message = "Say what it is for.") SectionKind kind,

            @NotBlank(message = "Give it a name.") @Size(max = 80, message = "A name has up to 80 characters.")
            String name,

            @Min(0) int firstNote,
            @Min(0) int lastNote) {}

    public record SectionDto(
            long id,
            String name,

            @Schema(description = "whether it is the whole passage")
            boolean whole,

            int firstNote,
            int lastNote,
            int difficulty,
            EstimateDto estimate,
            @Schema(nullable = true) LocalDate lastPlayed) {}

    public record PassageDto(
            long id,
            String title,
            InstrumentFamily instrument,
            double targetBpm,
            @Schema(nullable = true) LocalDate neededOn,
            @Schema(nullable = true) Long daysLeft,
            @Schema(nullable = true) LocalDate lastPlayed,
            List<SectionDto> sections,

            @Schema(description = "the section that holds the passage back")
            long slowestSection) {}

    public record PassageDetail(PassageDto passage, MusicText music, Reading reading, int version) {}
}
