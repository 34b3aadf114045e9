package tachylim.server.exchange;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.constraints.DecimalMax;
import jakarta.validation.constraints.DecimalMin;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Pattern;
import jakarta.validation.constraints.Size;
import java.time.LocalDate;
import java.util.List;
import tachylim.load.AwayPractice;
import tachylim.notation.Format;
import tachylim.notation.entry.StepEntry;
import tachylim.notation.entry.TappedRhythm;
import tachylim.notation.score.Grid;
import tachylim.passage.Key;
import tachylim.task.Verdict;
import tachylim.tempo.Tempo;
import tachylim.words.Reason;

/** What reading and entering music takes and gives. */
final class ExchangeDtos {

    private ExchangeDtos() {}

    private static final String TAP = "refusal.tap minutes=" + TappedRhythm.MOST_SECONDS / 60;

    @Schema(description = "a kind of file that is read and written")
    record FormatDto(
            Format format,

            String title,

            @Schema(description = "what it is called where files are asked for")
            Reason words,

            @Schema(description = "what the names of its files end in")
            List<String> endings) {}

    @Schema(description = "a voice; bars have the numbers that the score prints")
    record LineDto(String part, String voice, int notes, String firstBar, String lastBar) {}

    /** What was chosen of a score, and what it looks like. */
    record ChosenDto(
            int line,
            String firstBar,
            String lastBar,

            @Schema(description = "the numbers of its bars, in order")
            List<String> bars,

            boolean unrolled,
            @Schema(nullable = true) Integer grid,
            @Schema(nullable = true) Integer pickup,

            @Schema(description = "the stretch as ABC, to be kept as a passage's text")
            String abc,

            int notes,
            boolean hasRepeats,
            String meter,
            String problem) {}

    @Schema(description = "how recorded times were drawn: places to a quarter note, and sixteenths before bar one")
    record DrawnDto(int grid, int pickup) {}

    record ScoreView(
            Format format,
            String kind,
            String title,
            List<LineDto> lines,
            ChosenDto chosen,
            List<Reason> leftOut,

            @Schema(description = "what could not be read, each with its name and place")
            List<String> unread,

            List<Reason> warnings,

            @Schema(nullable = true, description = "for a format whose times are recorded ones; else null")
            DrawnDto drawn) {}

    record Strokes(
            @NotNull
            @Size(
                    max = StepEntry.MOST_STROKES,
                    message = "refusal.exchangeDtos.upToStrokesMakeAPassage mostStrokes=" + StepEntry.MOST_STROKES)
            List<@NotNull @Size(max = 8) String> strokes,

            @NotNull @Pattern(regexp = "\\d{1,2}/\\d{1,2}", message = "refusal.exchangeDtos.aMeterLooksLike44Or68")
            String meter,

            @Min(-Key.MOST) @Max(Key.MOST) int fifths,

            @Schema(description = "when taps came, to give the notes their rhythm; empty to leave it as entered")
            @NotNull
            @Size(
                    max = TappedRhythm.MOST_TAPS,
                    message = "refusal.exchangeDtos.tapUpToTimes mostTaps=" + TappedRhythm.MOST_TAPS)
            List<
                            @NotNull @DecimalMin(value = "0", message = TAP)
                            @DecimalMax(value = "" + TappedRhythm.MOST_SECONDS, message = TAP) Double>
                    taps,

            @DecimalMin("" + Tempo.MIN) @DecimalMax("" + Tempo.MAX)
            double tapBpm,

            @Schema(nullable = true, description = "places to a quarter note that taps are drawn to")
            @Min(1)
            @Max(Grid.FINEST)
            Integer grid) {}

    record Entered(
            String abc, int notes, @Schema(nullable = true) Integer grid) {}

    /** What was read of the file of an account. */
    record ReadAccount(int passages, int sessions, int passes) {}

    /** A row of practice as it was read. */
    record PracticeRow(
            int row,
            LocalDate date,
            AwayPractice what,
            int minutes,
            String passage,
            @Schema(nullable = true) Double tempo,
            @Schema(nullable = true) Verdict verdict,
            String note,

            @Schema(description = "whether it seems to be here already, so that it is not taken over again")
            boolean here) {}

    /** What is wrong, and where. */
    record PracticeProblem(int row, String column, String problem) {}

    /** What a file of practice holds: its first rows, and everything that is wrong with it. */
    record PracticePreview(
            int rows,

            @Schema(description = "how many of them seem to be here already")
            int here,

            List<PracticeRow> first,
            List<PracticeProblem> problems,

            @Schema(description = "how many rows were kept now")
            int kept) {}
}
