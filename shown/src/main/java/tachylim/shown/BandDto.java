package tachylim.shown;

import tachylim.ceiling.Band;

/** A tempo with its 80% interval, in beats a minute. */
public record BandDto(double low, double middle, double high) {

    public static BandDto of(Band band) {
        return new BandDto(band.low().bpm(), band.middle().bpm(), band.high().bpm());
    }
}
