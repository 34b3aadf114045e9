package tachylim.shown;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.DecimalMax;
import jakarta.validation.constraints.DecimalMin;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.List;
import tachylim.codec.Codec;
import tachylim.take.Listener;
import tachylim.take.Measured;
import tachylim.take.Measured.Transition;

/** What was measured of a pass, as it is kept: figures alone, never the sound. */
public record MeasuredDto(
        @Min(1) @Max(MOST_EDITION) @Schema(description = "by which rules it was measured")
        int edition,

        @NotNull Measured.Suggested verdict,
        @NotNull Measured.Why why,

        @Min(0) @Max(MOST_NOTES) @Schema(nullable = true, description = "the note at which it shows, from 0")
        Integer where,

        @Min(0)
        @Max(MOST_UNEVEN)
        @Schema(nullable = true, description = "how much the intervals differ, as a share of them")
        Double evenness,

        @DecimalMin("0.1")
        @DecimalMax("10")
        @Schema(description = "the tempo that was played over the one that was asked")
        double tempoRatio,

        @Min(-1)
        @Max(2)
        @Schema(nullable = true, description = "how much later than it was sent the click was heard, in seconds")
        Double late,

        @NotNull @Valid @Size(max = MOST_NOTES) @Schema(description = "the transitions that were measured")
        List<@NotNull MeasuredTransition> transitions,

        @NotNull @Size(max = MOST_NOTES) @Schema(description = "the notes that were not heard, from 0")
        List<@NotNull @Min(0) @Max(MOST_NOTES) Integer> missing) {

    private static final int MOST_NOTES = 2_000;
    private static final int MOST_EDITION = 1_000;
    private static final int MOST_UNEVEN = 100;
    private static final long MOST_MS = 60_000;

    public static final Codec<MeasuredDto> CODEC = Codec.object(measured -> new MeasuredDto(
            measured.whole("edition", MeasuredDto::edition),
            measured.get("verdict", Codec.constants(Measured.Suggested.values()), MeasuredDto::verdict),
            measured.get("why", Codec.constants(Measured.Why.values()), MeasuredDto::why),
            measured.get("where", Codec.WHOLE.nullable(), MeasuredDto::where),
            measured.get("evenness", Codec.NUMBER.nullable(), MeasuredDto::evenness),
            measured.number("tempoRatio", MeasuredDto::tempoRatio),
            measured.get("late", Codec.NUMBER.nullable(), MeasuredDto::late),
            measured.get("transitions", MeasuredTransition.CODEC.list(), MeasuredDto::transitions),
            measured.get("missing", Codec.WHOLE.list(), MeasuredDto::missing)));

    /** From a note to the next: by how many milliseconds its interval was off, and how far off that may be itself. */
    public record MeasuredTransition(
            @Min(1) @Max(MOST_NOTES) @Schema(description = "the note it leads to, from 1")
            int to,

            @Min(-MOST_MS) @Max(MOST_MS) @Schema(description = "in milliseconds, late above 0")
            double off,

            @Min(0) @Max(MOST_MS) @Schema(description = "one standard deviation, in milliseconds")
            double sigma,

            @Min(0) @Max(MOST_MS) @Schema(description = "the interval that was asked, in milliseconds")
            double interval,

            boolean slipped) {

        static final Codec<MeasuredTransition> CODEC = Codec.object(transition -> new MeasuredTransition(
                transition.whole("to", MeasuredTransition::to),
                transition.number("off", MeasuredTransition::off),
                transition.number("sigma", MeasuredTransition::sigma),
                transition.number("interval", MeasuredTransition::interval),
                transition.flag("slipped", MeasuredTransition::slipped)));

        /** As it was measured, leading to this note of the whole. */
        public Transition transition(int note) {
            return new Transition(note, off / 1_000, sigma / 1_000, interval / 1_000, slipped);
        }

        static MeasuredTransition of(Transition transition) {
            return new MeasuredTransition(
                    transition.to(),
                    tenths(1_000 * transition.off()),
                    tenths(1_000 * transition.sigma()),
                    tenths(1_000 * transition.interval()),
                    transition.slipped());
        }
    }

    public static MeasuredDto of(Measured measured) {
        return new MeasuredDto(
                Listener.EDITION,
                measured.verdict(),
                measured.why(),
                measured.where().isPresent() ? measured.where().getAsInt() : null,
                measured.evenness().isPresent() ? measured.evenness().getAsDouble() : null,
                measured.tempoRatio(),
                measured.late().isPresent() ? measured.late().getAsDouble() : null,
                measured.transitions().stream().map(MeasuredTransition::of).toList(),
                measured.missing());
    }

    private static double tenths(double value) {
        return Math.round(10 * value) / 10.0;
    }
}
