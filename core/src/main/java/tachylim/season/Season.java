package tachylim.season;

import java.time.DayOfWeek;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.IntStream;
import tachylim.load.Cap;
import tachylim.load.Effort;
import tachylim.load.Guardrails;

/**
 * The days until everything is needed: minutes go to passages where they are worth most ({@link Portions}), up to four a day,
 * and no day has more than its cap, if the days before it come as planned. Nothing of it is kept: it is planned anew from what
 * was really done. This class is immutable.
 *
 * @param days the days, the one at hand first
 * @param outlooks how each passage looks by its date, in the order the passages were given
 * @param owed the minutes that each passage should have on the first day, with those of the days on which it lay
 */
public record Season(List<SeasonDay> days, List<Outlook> outlooks, Map<Long, Double> owed) {

    /** The farthest that is planned. */
    public static final int MOST_DAYS = 182;

    /** What is planned at least, and beyond the last date. */
    public static final int LEAST_DAYS = 28;

    private static final int AFTER_LAST = 7;

    private static final int DAYS_OF_WEEK = 7;

    public Season {
        days = List.copyOf(days);
        outlooks = List.copyOf(outlooks);
        owed = Map.copyOf(owed);
    }

    /**
     * What the player wants of days.
     *
     * @param usual the minutes of a usual day
     * @param off the days of the week without practice
     * @param asked the minutes wanted on some days; 0 for none
     */
    public record Wishes(int usual, Set<DayOfWeek> off, Map<LocalDate, Integer> asked) {

        public Wishes {
            off = Set.copyOf(off);
            asked = Map.copyOf(asked);
        }

        /** Whether a day is to be without practice. */
        public boolean isOff(LocalDate day) {
            Integer own = asked.get(day);
            return own != null ? own == 0 : off.contains(day.getDayOfWeek());
        }

        private int on(LocalDate day) {
            return asked.getOrDefault(day, off.contains(day.getDayOfWeek()) ? 0 : usual);
        }
    }

    /**
     * Plans a season.
     *
     * @param goals the passages
     * @param today the limits of the day at hand
     * @param done the effort it has had already
     * @param now the moment
     * @param restOver the day on which the rest after a symptom is over; null when there was none
     * @param wishes what the player wants of days
     */
    public static Season plan(
            List<Goal> goals, Guardrails today, Effort done, Instant now, LocalDate restOver, Wishes wishes) {
        LocalDate first = today.history().today();
        List<SeasonDay> days = new ArrayList<>();
        Guardrails guardrails = today;
        for (LocalDate day = first; day.isBefore(first.plusDays(length(goals, first))); day = day.plusDays(1)) {
            int ahead = days.size();
            Effort before = ahead == 0 ? done : Effort.NONE;
            Cap cap = guardrails.caps(now.plus(Duration.ofDays(ahead))).get(0);
            Effort most = Effort.planned(wishes.on(day)).orLess(cap.effort());
            int minutes = (int) evenly(guardrails, wishes, day)
                    .map(most::orLess)
                    .orElse(most)
                    .less(before)
                    .minutes();
            days.add(new SeasonDay(
                    day,
                    minutes,
                    cap.effort(),
                    cap.rule(),
                    cap.why(),
                    wishes.isOff(day),
                    wishes.asked().containsKey(day),
                    List.of()));
            guardrails = guardrails.after(before.plus(new Effort(minutes)), restOver);
        }
        Portions portions = new Portions(
                goals, days.stream().mapToDouble(SeasonDay::minutes).toArray(), first);
        Spread spread = Spread.of(goals, portions, days);
        return new Season(
                spread.days(),
                IntStream.range(0, goals.size())
                        .mapToObj(i -> Outlook.of(goals.get(i), i, portions, spread.days()))
                        .toList(),
                spread.owed());
    }

    /**
     * A week's effort is spread over its days of practice: a first day that takes it all leaves the others none. Empty where
     * nothing is asked of a week.
     */
    private static Optional<Effort> evenly(Guardrails guardrails, Wishes wishes, LocalDate day) {
        if (wishes.asked().containsKey(day)) {
            return Optional.empty();
        }
        long days = day.datesUntil(day.plusDays(DAYS_OF_WEEK))
                .filter(one -> !wishes.isOff(one))
                .count();
        return days == 0
                ? Optional.empty()
                : guardrails
                        .mostOfAWeek()
                        .map(week -> Guardrails.LEAST_EFFORT.orMore(new Effort(week.minutes() / days)));
    }

    private static long length(List<Goal> goals, LocalDate first) {
        long last = goals.stream()
                .filter(goal -> goal.isAhead(first))
                .mapToLong(goal -> goal.neededOn().toEpochDay() - first.toEpochDay())
                .max()
                .orElse(0);
        return Math.min(MOST_DAYS, Math.max(LEAST_DAYS, last + 1 + AFTER_LAST));
    }
}
