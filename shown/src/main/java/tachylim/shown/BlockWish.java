package tachylim.shown;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.DecimalMax;
import jakarta.validation.constraints.DecimalMin;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import tachylim.codec.Codec;
import tachylim.method.School;
import tachylim.method.Setting;
import tachylim.workout.Brief;
import tachylim.workout.Choices;
import tachylim.workout.Part;
import tachylim.workout.Sketch;

/** A block of a workout: its part, which of the sections, in which variation, for how long, by which method and how. */
public record BlockWish(
        @NotNull Part part,
        @Min(0) @Max(Brief.MOST_THEMES - 1) int theme,
        @NotNull @Size(max = BlockWish.LONGEST_VARIATION) String variation,

        @DecimalMin(value = "" + BlockWish.LEAST_SECONDS, message = BlockWish.TIME)
        @DecimalMax(value = "" + BlockWish.MOST_SECONDS, message = BlockWish.TIME)
        double seconds,

        @NotNull School school,

        @Schema(nullable = true, description = "whether the player put it in: what is composed gives way to it")
        Boolean own,

        @Valid @Schema(nullable = true) SettingWish setting) {

    private static final String TIME = "refusal.plan.blockTime";
    private static final int LEAST_SECONDS = 10;
    private static final int MOST_SECONDS = 10_800;
    private static final int LONGEST_VARIATION = 80;

    /** The same on another section. */
    BlockWish on(int other) {
        return new BlockWish(part, other, variation, seconds, school, own, setting);
    }

    public static final Codec<BlockWish> CODEC = Codec.object(block -> new BlockWish(
            block.get("part", Codec.constants(Part.values()), BlockWish::part),
            block.whole("theme", BlockWish::theme),
            block.text("variation", BlockWish::variation),
            block.number("seconds", BlockWish::seconds),
            block.get("school", Codec.constants(School.values()), BlockWish::school),
            block.get("own", Codec.FLAG.nullable(), BlockWish::own),
            block.get("setting", SettingWish.CODEC.nullable(), BlockWish::setting)));

    public static BlockWish of(Sketch sketch) {
        return new BlockWish(
                sketch.part(),
                sketch.theme(),
                sketch.variation(),
                Math.max(LEAST_SECONDS, sketch.seconds()),
                sketch.choices().school(),
                sketch.own(),
                sketch.setting().equals(Setting.NONE) ? null : SettingWish.of(sketch.setting()));
    }

    Sketch sketch(Choices choices) {
        Sketch sketch = new Sketch(part, theme, variation, seconds, choices.by(school));
        // What is set of a block makes it the player's own.
        return Boolean.TRUE.equals(own) || setting != null
                ? sketch.asOwn(setting == null ? Setting.NONE : setting.setting())
                : sketch;
    }
}
