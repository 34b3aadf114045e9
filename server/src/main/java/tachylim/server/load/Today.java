package tachylim.server.load;

import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import tachylim.load.DayLoad;
import tachylim.load.Limit;
import tachylim.workout.Allowance;

/**
 * Where a day stands against its limits.
 *
 * @param day the player's day
 * @param done what was done on it
 * @param limits all limits, the binding one first
 * @param restsUntil when playing may begin again after a symptom, or null
 */
public record Today(LocalDate day, DayLoad done, List<Limit> limits, Instant restsUntil) {

    public Limit limit(Limit.Kind kind) {
        return limits.stream().filter(limit -> limit.kind() == kind).findFirst().orElseThrow();
    }

    public Allowance allowance() {
        return new Allowance(limit(Limit.Kind.EFFORT).left(), limit(Limit.Kind.BURST_SECONDS).left(),
                limit(Limit.Kind.PLAYING_MINUTES).left() * 60);
    }

    public LoadDto dto() {
        return new LoadDto(day, limits.stream().map(LimitDto::of).toList(), restsUntil);
    }
}
