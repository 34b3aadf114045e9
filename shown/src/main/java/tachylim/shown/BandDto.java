package tachylim.shown;

import tachylim.ceiling.Band;
import tachylim.codec.Codec;

/** A tempo with its 80% interval, in beats a minute. */
public record BandDto(double low, double middle, double high) {

    static final Codec<BandDto> CODEC = Codec.object(band -> new BandDto(
            band.number("low", BandDto::low),
            band.number("middle", BandDto::middle),
            band.number("high", BandDto::high)));

    public static BandDto of(Band band) {
        return new BandDto(band.low().bpm(), band.middle().bpm(), band.high().bpm());
    }
}
