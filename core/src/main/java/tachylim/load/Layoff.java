package tachylim.load;

import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * Days without playing that are long enough to have changed what is usual. This class is immutable.
 *
 * @param from the first day without playing
 * @param back the day on which the player was back
 * @param away days without playing, {@value #LEAST} or more
 */
public record Layoff(LocalDate from, LocalDate back, int away) {

    /** Fewer days without playing are no layoff. */
    public static final int LEAST = 7;

    /** Days without playing between two days: none between one day and the next. */
    static int daysBetween(LocalDate lastPlayed, LocalDate back) {
        return (int) Math.max(0, ChronoUnit.DAYS.between(lastPlayed, back) - 1);
    }

    /** The last layoff before today or until today; empty when there was none. */
    static Optional<Layoff> last(History history) {
        List<LocalDate> days = new ArrayList<>(history.played().keySet());
        days.add(history.today());
        for (int i = days.size() - 1; i > 0; i--) {
            int away = daysBetween(days.get(i - 1), days.get(i));
            if (away >= LEAST) {
                return Optional.of(new Layoff(days.get(i - 1).plusDays(1), days.get(i), away));
            }
        }
        return Optional.empty();
    }
}
