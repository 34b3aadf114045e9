package tachylim.shown;

import io.swagger.v3.oas.annotations.media.ArraySchema;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.List;
import java.util.Optional;
import tachylim.codec.Codec;
import tachylim.method.Setting;

/** What is set of a block: null where its method is to have its own way. */
public record SettingWish(
        @Schema(nullable = true, description = "what the tempo is in: BPM, or percent of something")
        Setting.Of of,

        @Schema(nullable = true) Double tempo,

        @Min(1)
        @Max(Setting.MOST_TIMES)
        @Schema(nullable = true, description = "how often: passes, glides, bursts, as its method counts")
        Integer times,

        @Min(Setting.SHORTEST_UP) @Max(Setting.LONGEST) @Schema(nullable = true)
        Double upSeconds,

        @Min(Setting.SHORTEST_FAST) @Max(Setting.LONGEST) @Schema(nullable = true)
        Double fastSeconds,

        @Min(Setting.SHORTEST_FAST) @Max(Setting.LONGEST) @Schema(nullable = true)
        Double easySeconds,

        @Schema(nullable = true, description = "how its slow passes are done, where that is not as usual")
        Setting.Manner manner,

        @Size(max = Setting.MOST_WAYS)
        @ArraySchema(
                arraySchema = @Schema(nullable = true, description = "the ways of a comparison, the sure one first"))
        List<@NotNull @Size(max = Setting.LONGEST_WAY) String> ways) {

    static final SettingWish NONE = new SettingWish(null, null, null, null, null, null, null, null);

    static final Codec<SettingWish> CODEC = Codec.object(setting -> new SettingWish(
            setting.get("of", Codec.constants(Setting.Of.values()).nullable(), SettingWish::of),
            setting.get("tempo", Codec.NUMBER.nullable(), SettingWish::tempo),
            setting.get("times", Codec.WHOLE.nullable(), SettingWish::times),
            setting.get("upSeconds", Codec.NUMBER.nullable(), SettingWish::upSeconds),
            setting.get("fastSeconds", Codec.NUMBER.nullable(), SettingWish::fastSeconds),
            setting.get("easySeconds", Codec.NUMBER.nullable(), SettingWish::easySeconds),
            setting.get("manner", Codec.constants(Setting.Manner.values()).nullable(), SettingWish::manner),
            setting.get("ways", Codec.TEXT.list().nullable(), SettingWish::ways)));

    static SettingWish of(Setting setting) {
        return new SettingWish(
                setting.tempo().map(Setting.Aim::of).orElse(null),
                setting.tempo().map(Setting.Aim::figure).orElse(null),
                setting.times().orElse(null),
                setting.upSeconds().orElse(null),
                setting.fastSeconds().orElse(null),
                setting.easySeconds().orElse(null),
                setting.manner().orElse(null),
                setting.ways().isEmpty() ? null : setting.ways());
    }

    Setting setting() {
        return new Setting(
                Optional.ofNullable(tempo).map(figure -> new Setting.Aim(of == null ? Setting.Of.BPM : of, figure)),
                Optional.ofNullable(times),
                Optional.ofNullable(upSeconds),
                Optional.ofNullable(fastSeconds),
                Optional.ofNullable(easySeconds),
                Optional.ofNullable(manner),
                ways == null ? List.of() : ways.stream().map(String::strip).toList());
    }
}
