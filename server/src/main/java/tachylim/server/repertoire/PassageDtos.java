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
import tachylim.words.Reason;

/** What the passages' part of the API takes and gives. */
public final class PassageDtos {

    static final String TEMPO = Tempo.RANGE;

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
            List<Reason> warnings,
            List<Reason> leftOut) {}

    public record PassageWish(
            @NotBlank(message = "refusal.passageDtos.giveThePassageATitle")
            @Size(max = 120, message = "refusal.passageDtos.aTitleHasUpTo120Characters")
            String title,

            @NotNull(message = "refusal.passageDtos.chooseAnInstrument")
            InstrumentFamily instrument,

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
            @NotNull(message = "refusal.passageDtos.chooseHowToCut")
            CutKind kind,

            @Min(value = 1, message = "refusal.passageDtos.giveAtLeastOne")
            @Max(value = 64, message = "refusal.passageDtos.giveUpTo64")
            int size,

            @Schema(description = "for cutting by hand, the notes two sections share, from 0")
            @Size(max = 400, message = "refusal.passageDtos.cutUpTo400Times")
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
            @NotBlank(message = "refusal.passageDtos.giveTheSectionAName")
            @Size(max = 80, message = "refusal.passageDtos.aNameHasUpTo80Characters")
            String name,

            @Min(value = 1, message = "refusal.passageDtos.difficultyRunsFrom1To5")
            @Max(value = 5, message = "refusal.passageDtos.difficultyRunsFrom1To5")
            int difficulty) {}

    public record ExtraWish(
            @NotNull(message = "refusal.passageDtos.sayWhatItIsFor")
            SectionKind kind,

            @NotBlank(message = "refusal.passageDtos.giveItAName")
            @Size(max = 80, message = "refusal.passageDtos.aNameHasUpTo80Characters")
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
