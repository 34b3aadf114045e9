package tachylim.season;

import java.time.LocalDate;
import java.util.List;
import tachylim.load.Cap;
import tachylim.load.Effort;
import tachylim.words.Reason;

/**
 * A day of a season as it is planned. This class is immutable.
 *
 * @param day which day
 * @param minutes the effort minutes planned on it; on the day at hand what is still planned
 * @param cap the effort that it may have, if the days before it come as planned
 * @param rule the rule that sets the cap
 * @param why where the cap comes from
 * @param off whether the player wants no practice on it
 * @param asked whether its minutes are the player's own word for this day
 * @param shares its minutes by passage, those with most first
 */
public record SeasonDay(
        LocalDate day,
        int minutes,
        Effort cap,
        Cap.Rule rule,
        Reason why,
        boolean off,
        boolean asked,
        List<Share> shares) {

    public SeasonDay {
        shares = List.copyOf(shares);
    }

    SeasonDay with(List<Share> some) {
        return new SeasonDay(day, minutes, cap, rule, why, off, asked, some);
    }

    /** The minutes that one passage has on it. */
    int of(long goal) {
        return shares.stream()
                .filter(share -> share.goal() == goal)
                .mapToInt(Share::minutes)
                .sum();
    }

    /** The minutes of one passage on a day. */
    public record Share(long goal, int minutes) {}
}
