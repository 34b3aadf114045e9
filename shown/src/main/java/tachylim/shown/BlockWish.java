package tachylim.shown;

import jakarta.validation.constraints.DecimalMax;
import jakarta.validation.constraints.DecimalMin;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import tachylim.codec.Codec;
import tachylim.method.School;
import tachylim.workout.Brief;
import tachylim.workout.Choices;
import tachylim.workout.Part;
import tachylim.workout.Sketch;

/** A block of a workout: its part, which of the sections, in which variation, for how long and by which method. */
public record BlockWish(
        @NotNull Part part,
        @Min(0) @Max(Brief.MOST_THEMES - 1) int theme,
        @NotNull @Size(max = BlockWish.LONGEST_VARIATION) String variation,

        @DecimalMin(value = "" + BlockWish.LEAST_SECONDS, message = BlockWish.TIME)
        @DecimalMax(value = "" + BlockWish.MOST_SECONDS, message = BlockWish.TIME)
        double seconds,

        @NotNull School school) {

    private static final String TIME = "refusal.plan.blockTime";
    private static final int LEAST_SECONDS = 10;
    private static final int MOST_SECONDS = 10_800;
    private static final int LONGEST_VARIATION = 80;

    /** The same on another section. */
    BlockWish on(int other) {
        return new BlockWish(part, other, variation, seconds, school);
    }

    public static final Codec<BlockWish> CODEC = Codec.object(block -> new BlockWish(
            block.get("part", Codec.constants(Part.values()), BlockWish::part),
            block.whole("theme", BlockWish::theme),
            block.text("variation", BlockWish::variation),
            block.number("seconds", BlockWish::seconds),
            block.get("school", Codec.constants(School.values()), BlockWish::school)));

    public static BlockWish of(Sketch sketch) {
        return new BlockWish(
                sketch.part(),
                sketch.theme(),
                sketch.variation(),
                Math.max(LEAST_SECONDS, sketch.seconds()),
                sketch.choices().school());
    }

    Sketch sketch(Choices choices) {
        return new Sketch(part, theme, variation, seconds, choices.by(school));
    }
}
