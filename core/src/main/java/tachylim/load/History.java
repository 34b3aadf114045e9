package tachylim.load;

import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.Map;
import java.util.NavigableMap;
import java.util.Optional;
import java.util.TreeMap;

/**
 * The days before today, as far as they decide what today may be. Days without playing are not in it. This class is
 * immutable.
 *
 * @param today the day that is asked about; what is done of it is not in here
 * @param played the effort of each day with playing before it
 * @param bursts the burst seconds of each day that had any and was taken well
 * @param usualEffort what the player says they usually play on a day
 */
public record History(
        LocalDate today, NavigableMap<LocalDate, Effort> played, Map<LocalDate, Double> bursts, Effort usualEffort) {

    /** How far back anything is looked at. */
    public static final int DAYS = 84;

    static final int MONTH = 28;
    static final int WEEK = 7;

    public History {
        played = new TreeMap<>(played.headMap(today, false));
        bursts = Map.copyOf(bursts);
    }

    /** Nothing has been played yet. */
    public static History none(LocalDate today, Effort usualEffort) {
        return new History(today, new TreeMap<>(), Map.of(), usualEffort);
    }

    /** The same a day later, when today has come to so much effort. */
    public History after(Effort effort) {
        NavigableMap<LocalDate, Effort> longer = new TreeMap<>(played);
        if (effort.isAny()) {
            longer.put(today, effort);
        }
        return new History(today.plusDays(1), longer, bursts, usualEffort);
    }

    public Optional<LocalDate> first() {
        return played.isEmpty() ? Optional.empty() : Optional.of(played.firstKey());
    }

    /** How many days ago the first was that is known; 0 when there is none. */
    long days() {
        return first().map(day -> ChronoUnit.DAYS.between(day, today)).orElse(0L);
    }

    Effort on(LocalDate day) {
        return played.getOrDefault(day, Effort.NONE);
    }

    /** The effort of the days from {@code from} days ago to {@code to} days ago, both counted in. */
    Effort sum(int from, int to) {
        return Effort.sum(played.subMap(today.minusDays(from), true, today.minusDays(to), true).values().stream());
    }

    /** The averages as they were this morning. */
    public Baselines baselines() {
        Baselines averages = Baselines.of(usualEffort);
        if (played.isEmpty()) {
            return averages;
        }
        for (LocalDate day = played.firstKey(); day.isBefore(today); day = day.plusDays(1)) {
            averages = averages.after(on(day));
        }
        return averages;
    }

    /** The middle of the days with playing in the 28 before {@code day}; empty when there are fewer than {@code least}. */
    Optional<Effort> median(LocalDate day, int least) {
        double[] days = played.subMap(day.minusDays(MONTH), true, day, false).values().stream()
                .mapToDouble(Effort::minutes)
                .sorted()
                .toArray();
        if (days.length < least) {
            return Optional.empty();
        }
        int half = days.length / 2;
        return Optional.of(new Effort(days.length % 2 == 1 ? days[half] : (days[half - 1] + days[half]) / 2));
    }

    /** How many days of the last four weeks had bursts that were taken well, and used at least {@code seconds}. */
    long tolerated(double seconds) {
        return bursts.entrySet().stream()
                .filter(day -> day.getKey().isBefore(today)
                        && !day.getKey().isBefore(today.minusDays(MONTH))
                        && day.getValue() >= seconds)
                .count();
    }
}
