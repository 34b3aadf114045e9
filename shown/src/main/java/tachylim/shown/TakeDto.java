package tachylim.shown;

import java.util.List;
import tachylim.codec.Codec;
import tachylim.take.Measured;
import tachylim.take.Onset;

/**
 * A pass as it was heard: what is kept of it, and each onset for its picture.
 *
 * @param sure how often a verdict suggested for its reason is right, 0 to 1; 0 where none is
 * @param hands how its hands lie against each other; null where they are not told apart
 */
public record TakeDto(MeasuredDto measured, double sure, List<OnsetDto> onsets, List<Integer> wrong, HandsDto hands) {

    public static final Codec<TakeDto> CODEC = Codec.object(take -> new TakeDto(
            take.get("measured", MeasuredDto.CODEC, TakeDto::measured),
            take.number("sure", TakeDto::sure),
            take.get("onsets", OnsetDto.CODEC.list(), TakeDto::onsets),
            take.get("wrong", Codec.WHOLE.list(), TakeDto::wrong),
            take.get("hands", HandsDto.CODEC.nullable(), TakeDto::hands)));

    /** Where a note began, in seconds of the recording. */
    public record OnsetDto(int note, double seconds, double sigma, double loudness, boolean again, boolean stopped) {

        static final Codec<OnsetDto> CODEC = Codec.object(onset -> new OnsetDto(
                onset.whole("note", OnsetDto::note),
                onset.number("seconds", OnsetDto::seconds),
                onset.number("sigma", OnsetDto::sigma),
                onset.number("loudness", OnsetDto::loudness),
                onset.flag("again", OnsetDto::again),
                onset.flag("stopped", OnsetDto::stopped)));

        static OnsetDto of(Onset onset) {
            return new OnsetDto(
                    onset.note(), onset.seconds(), onset.sigma(), onset.loudness(), onset.again(), onset.stopped());
        }
    }

    public static TakeDto of(Measured measured) {
        return of(measured, null);
    }

    public static TakeDto of(Measured measured, HandsDto hands) {
        return new TakeDto(
                MeasuredDto.of(measured),
                measured.sure(),
                measured.onsets().stream().map(OnsetDto::of).toList(),
                measured.wrong(),
                hands);
    }
}
