package tachylim.server.repertoire;

import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Pattern;
import jakarta.validation.constraints.Size;
import java.util.Arrays;
import java.util.List;
import org.apache.commons.numbers.fraction.Fraction;
import tachylim.notation.abc.AbcException;
import tachylim.notation.abc.AbcReader;
import tachylim.notation.abc.AbcTune;
import tachylim.passage.Meter;
import tachylim.passage.PaperPattern;
import tachylim.passage.Passage;
import tachylim.server.web.Refused;
import tachylim.words.Reason;
import tachylim.words.Refusal;

/**
 * Music as the player gives it.
 *
 * @param source ABC text, or notes on paper
 * @param meter the meter of notes on paper, such as 4/4; ABC carries its own
 * @param beatUnit the note value the tempo counts, such as 1/4; empty for the meter's usual beat
 * @param text the ABC, or for paper the notes of each beat, such as {@code 4 4 3 3}
 * @param bars how many bars are on paper
 */
public record MusicText(
        @NotNull Source source,

        @NotNull @Pattern(regexp = "\\d{1,2}/\\d{1,2}", message = "refusal.musicText.aMeterLooksLike44Or68")
        String meter,

        @NotNull @Pattern(regexp = "(\\d{1,2}/\\d{1,2})?", message = "refusal.musicText.aBeatIsANoteValueSuchAs14")
        String beatUnit,

        @NotNull @Size(max = 120_000, message = "refusal.musicText.thatIsFarMoreThanAPassage")
        String text,

        @Min(value = 0)
        @Max(
                value = PaperPattern.MOST_BARS,
                message = "refusal.musicText.giveUpToBars mostBars=" + PaperPattern.MOST_BARS)
        int bars) {

    /** What was read, for saying it back: the notes, and what was odd or left out. */
    record Heard(Passage passage, List<Reason> warnings, List<Reason> leftOut) {}

    Heard read() {
        return source == Source.ABC ? abc() : new Heard(paper(), List.of(), List.of());
    }

    Passage passage() {
        return read().passage();
    }

    private Heard abc() {
        try {
            AbcTune tune = AbcReader.read(text);
            Passage passage =
                    Refused.unlessValid("text", () -> tune.passage(beatUnit.isEmpty() ? null : fraction(beatUnit)));
            return new Heard(passage, tune.warnings(), tune.leftOut());
        } catch (AbcException stopped) {
            throw Refused.field("text", stopped.reason())
                    .with("line", stopped.line())
                    .with("column", stopped.column())
                    .with("found", stopped.found());
        }
    }

    private Passage paper() {
        return Refused.unlessValid("text", () -> {
            Fraction figures = fraction(meter);
            String[] parts = meter.split("/");
            Meter counted = new Meter(Integer.parseInt(parts[0]), Integer.parseInt(parts[1]));
            Fraction beat = beatUnit.isEmpty() ? counted.usualBeat() : fraction(beatUnit);
            if (figures.compareTo(beat) < 0) {
                throw Refusal.of("refusal.musicText.aBeatOfIsLongerThanABarOf", "beatUnit", beatUnit, "meter", meter);
            }
            return new PaperPattern(counted, beat, bars, notesPerBeat()).toPassage();
        });
    }

    private List<Integer> notesPerBeat() {
        try {
            return Arrays.stream(text.strip().split("[\\s,]+"))
                    .map(Integer::valueOf)
                    .toList();
        } catch (NumberFormatException notNumbers) {
            throw Refusal.of("refusal.musicText.theNotesOfEachBeatAre", "shortened", shortened());
        }
    }

    private String shortened() {
        return text.length() > 40 ? text.substring(0, 40) + "…" : text;
    }

    private static Fraction fraction(String text) {
        String[] parts = text.split("/");
        int bottom = Integer.parseInt(parts[1]);
        int top = Integer.parseInt(parts[0]);
        if (bottom == 0 || top == 0) {
            throw Refused.field("beatUnit", Reason.of("refusal.musicText.aBeatIsANoteValueSuchAs142", "text", text));
        }
        return Fraction.of(top, bottom);
    }
}
