package tachylim.server.load;

import tachylim.load.Limit;
import tachylim.words.Reason;

/** One limit of today. */
public record LimitDto(Limit.Kind kind, boolean inSeconds, double cap, double used, double left, Reason why) {

    static LimitDto of(Limit limit) {
        return new LimitDto(
                limit.kind(), limit.kind().isInSeconds(), limit.cap(), limit.used(), limit.left(), limit.why());
    }
}
