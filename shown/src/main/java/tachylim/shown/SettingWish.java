package tachylim.shown;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
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
        Double easySeconds) {

    static final SettingWish NONE = new SettingWish(null, null, null, null, null, null);

    static final Codec<SettingWish> CODEC = Codec.object(setting -> new SettingWish(
            setting.get("of", Codec.constants(Setting.Of.values()).nullable(), SettingWish::of),
            setting.get("tempo", Codec.NUMBER.nullable(), SettingWish::tempo),
            setting.get("times", Codec.WHOLE.nullable(), SettingWish::times),
            setting.get("upSeconds", Codec.NUMBER.nullable(), SettingWish::upSeconds),
            setting.get("fastSeconds", Codec.NUMBER.nullable(), SettingWish::fastSeconds),
            setting.get("easySeconds", Codec.NUMBER.nullable(), SettingWish::easySeconds)));

    static SettingWish of(Setting setting) {
        return new SettingWish(
                setting.tempo().map(Setting.Aim::of).orElse(null),
                setting.tempo().map(Setting.Aim::figure).orElse(null),
                setting.times().orElse(null),
                setting.upSeconds().orElse(null),
                setting.fastSeconds().orElse(null),
                setting.easySeconds().orElse(null));
    }

    Setting setting() {
        return new Setting(
                Optional.ofNullable(tempo).map(figure -> new Setting.Aim(of == null ? Setting.Of.BPM : of, figure)),
                Optional.ofNullable(times),
                Optional.ofNullable(upSeconds),
                Optional.ofNullable(fastSeconds),
                Optional.ofNullable(easySeconds));
    }
}
