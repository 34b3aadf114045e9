package tachylim.shown;

import java.util.List;
import java.util.OptionalDouble;
import java.util.function.ToIntFunction;
import tachylim.codec.Codec;
import tachylim.take.Hands;
import tachylim.take.Measured;
import tachylim.take.Struck;

/**
 * How much later the higher hand, or that of the other channel, strikes, in milliseconds; null where that cannot be told.
 *
 * @param together where both strike at once
 * @param inTurn where they take turns
 */
public record HandsDto(Double together, Double inTurn) {

    static final Codec<HandsDto> CODEC = Codec.object(hands -> new HandsDto(
            hands.get("together", Codec.NUMBER.nullable(), HandsDto::together),
            hands.get("inTurn", Codec.NUMBER.nullable(), HandsDto::inTurn)));

    /** Of a pass; null where the player does not tell the hands apart. */
    public static HandsDto of(Measured measured, List<Struck> struck, HowApart apart) {
        if (apart.by() == null) {
            return null;
        }
        double from =
                measured.onsets().stream().findFirst().map(one -> one.seconds()).orElse(0.0) - AROUND;
        double to = measured.onsets().isEmpty()
                ? 0
                : measured.onsets().get(measured.onsets().size() - 1).seconds() + AROUND;
        List<Struck> ofPass = struck.stream()
                .filter(one -> one.seconds() >= from && one.seconds() <= to)
                .toList();
        ToIntFunction<Struck> hand = Hands.by(apart.by(), apart.split(), ofPass);
        return new HandsDto(ms(Hands.together(ofPass, hand)), ms(Hands.inTurn(measured, ofPass, hand)));
    }

    private static final double AROUND = 0.05;

    private static Double ms(OptionalDouble seconds) {
        return seconds.isPresent() ? Math.round(10_000 * seconds.getAsDouble()) / 10.0 : null;
    }

    /**
     * How a player tells the hands apart.
     *
     * @param by null where they are not told apart
     * @param split the lowest key of the higher hand, a MIDI number
     */
    public record HowApart(Hands.Apart by, int split) {

        public static final Codec<HowApart> CODEC = Codec.object(apart -> new HowApart(
                apart.get("by", Codec.constants(Hands.Apart.values()).nullable(), HowApart::by),
                apart.whole("split", HowApart::split)));
    }
}
