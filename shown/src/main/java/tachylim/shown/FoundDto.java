package tachylim.shown;

import java.util.List;
import java.util.function.Function;
import tachylim.codec.Codec;
import tachylim.take.Measured;
import tachylim.take.Recorded.Found;

/**
 * A pass that was found in a recording.
 *
 * @param seconds when it begins
 */
public record FoundDto(double seconds, TakeDto take) {

    public static final Codec<List<FoundDto>> CODEC = Codec.<FoundDto>object(found -> new FoundDto(
                    found.number("seconds", FoundDto::seconds), found.get("take", TakeDto.CODEC, FoundDto::take)))
            .list();

    public static List<FoundDto> of(List<Found> found, Function<Measured, HandsDto> hands) {
        return found.stream()
                .map(one -> new FoundDto(one.seconds(), TakeDto.of(one.measured(), hands.apply(one.measured()))))
                .toList();
    }
}
