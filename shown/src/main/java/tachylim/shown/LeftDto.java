package tachylim.shown;

import tachylim.codec.Codec;
import tachylim.load.Effort;
import tachylim.workout.Allowance;

/** What may still be done of a day. */
public record LeftDto(double effort, double burstSeconds, double playingSeconds) {

    static final Codec<LeftDto> CODEC = Codec.object(left -> new LeftDto(
            left.number("effort", LeftDto::effort),
            left.number("burstSeconds", LeftDto::burstSeconds),
            left.number("playingSeconds", LeftDto::playingSeconds)));

    /** What is left; null of nothing. */
    public static LeftDto of(Allowance left) {
        return left == null ? null : new LeftDto(left.effort().minutes(), left.burstSeconds(), left.playingSeconds());
    }

    public Allowance allowance() {
        return new Allowance(new Effort(effort), burstSeconds, playingSeconds);
    }
}
