package tachylim.load;

import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import tachylim.task.Tension;

/**
 * Today's limits, from what the player usually plays and what today has been so far. The least of the
 * rules for a kind sets its cap, and that rule is named.
 *
 * <p>These are guardrails by rule of thumb, not forecasts of injury. This class is immutable.
 *
 * @param usualMinutes the minutes the player usually plays, {@value DailyMinutes#LEAST} to
 *     {@value DailyMinutes#MOST}
 * @param lastSymptom when pain, numbness or tingling was last reported, null if never
 */
public record Guardrails(int usualMinutes, Instant lastSymptom) {

    /** Seconds of bursts a day at first. */
    public static final double BURST_SECONDS = 90;

    /** Playing without a break, in seconds, and the break it then needs. */
    public static final double UNBROKEN_SECONDS = 25 * 60;

    public static final double BREAK_SECONDS = 5 * 60;

    /** Playing time may exceed the usual minutes by this much, since effort is the stricter measure. */
    private static final double PLAYING_ROOM = 1.25;

    /**
     * @throws IllegalArgumentException if the minutes are outside 5..600
     */
    public Guardrails {
        DailyMinutes.checked(usualMinutes);
    }

    /** The rest after a symptom, if there still is one. */
    public Optional<SymptomRest> rest(Instant now) {
        return Optional.ofNullable(lastSymptom)
                .map(SymptomRest::after)
                .filter(rest -> rest.until().isAfter(now));
    }

    /** All limits of the day, the one with the largest used share first: that one binds. */
    public List<Limit> today(DayLoad day, Instant now) {
        return List.of(effort(day, now), bursts(day), minutes(day)).stream()
                .sorted(Comparator.comparingDouble(Limit::share).reversed())
                .toList();
    }

    /** What is said where something may be played outside a workout: empty while today has room. */
    public String caution(DayLoad day, Instant now) {
        return today(day, now).stream()
                .filter(limit -> limit.kind() != Limit.Kind.BURST_SECONDS && limit.left() <= 0)
                .findFirst()
                .map(limit -> "Today's " + limit.kind().unit() + " are used (" + Math.round(limit.used()) + " of "
                        + Math.round(limit.cap()) + "): listen and read, and play on tomorrow.")
                .orElse("");
    }

    private Limit effort(DayLoad day, Instant now) {
        if (rest(now).isPresent()) {
            return new Limit(
                    Limit.Kind.EFFORT,
                    0,
                    day.effort(),
                    SymptomRest.LENGTH.toHours() + " hours without playing after a symptom.");
        }
        return new Limit(
                Limit.Kind.EFFORT, usualMinutes, day.effort(), "The " + usualMinutes + " minutes you usually play.");
    }

    private Limit bursts(DayLoad day) {
        if (day.worstTension() == Tension.LOCKED) {
            return new Limit(
                    Limit.Kind.BURST_SECONDS, 0, day.burstSeconds(), "Tension reached 5 today, so no more bursts.");
        }
        return new Limit(
                Limit.Kind.BURST_SECONDS,
                BURST_SECONDS,
                day.burstSeconds(),
                Math.round(BURST_SECONDS) + " seconds of bursts a day to begin with.");
    }

    private Limit minutes(DayLoad day) {
        double cap = usualMinutes * PLAYING_ROOM;
        return new Limit(
                Limit.Kind.PLAYING_MINUTES,
                cap,
                day.playedSeconds() / 60,
                Math.round(100 * (PLAYING_ROOM - 1)) + "% more than the " + usualMinutes
                        + " minutes you usually play.");
    }
}
