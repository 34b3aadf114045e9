package tachylim.season;

import java.time.DayOfWeek;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import tachylim.load.Cap;
import tachylim.load.Effort;
import tachylim.load.Guardrails;

/**
 * The days until everything is needed: minutes go to passages by need and urgency, up to four a day, and no day has more than
 * its cap, if the days before it come as planned. Nothing of it is kept: it is planned anew from what was really done. This
 * class is immutable.
 *
 * @param days the days, the one at hand first
 * @param outlooks how each passage looks by its date, in the order the passages were given
 */
public record Season(List<SeasonDay> days, List<Outlook> outlooks) {

    /** The farthest that is planned. */
    public static final int MOST_DAYS = 182;

    /** What is planned at least, and beyond the last date. */
    public static final int LEAST_DAYS = 28;

    private static final int AFTER_LAST = 7;

    /** A day has one passage for so many of its minutes, and two where it can. */
    private static final double MINUTES_EACH = 6;

    private static final int LEAST_PLACES = 2;

    private static final int LEAST_SHARE = 3;
    private static final int DAYS_OF_WEEK = 7;

    public Season {
        days = List.copyOf(days);
        outlooks = List.copyOf(outlooks);
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
        Map<Long, Double> owed = new HashMap<>();
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
                    shares(goals, day, minutes, owed)));
            guardrails = guardrails.after(before.plus(new Effort(minutes)), restOver);
        }
        return new Season(
                days,
                goals.stream()
                        .map(goal -> Outlook.of(goal, minutesADay(goal, days), first))
                        .toList());
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

    /**
     * The minutes of a day by passage: each day adds to what a passage is owed by its need, and those that are owed most
     * have the day.
     */
    private static List<SeasonDay.Share> shares(List<Goal> goals, LocalDate day, int minutes, Map<Long, Double> owed) {
        if (minutes < LEAST_SHARE || goals.isEmpty()) {
            return List.of();
        }
        double needs = goals.stream().mapToDouble(goal -> goal.need(day)).sum();
        goals.forEach(goal -> owed.merge(goal.id(), minutes * goal.need(day) / needs, Double::sum));
        int places = Math.min(minutes / LEAST_SHARE, (int)
                Math.max(LEAST_PLACES, Math.min(DaysSections.MOST, minutes / MINUTES_EACH)));
        List<Goal> chosen = goals.stream()
                .filter(goal -> owed.get(goal.id()) > 0)
                .sorted(Comparator.comparingDouble((Goal goal) -> -owed.get(goal.id())))
                .limit(places)
                .toList();
        double all = chosen.stream().mapToDouble(goal -> owed.get(goal.id())).sum();
        List<SeasonDay.Share> shares = new ArrayList<>();
        int left = minutes;
        for (int i = 0; i < chosen.size(); i++) {
            Goal goal = chosen.get(i);
            int forOthers = LEAST_SHARE * (chosen.size() - 1 - i);
            int wanted = (int) Math.max(LEAST_SHARE, Math.round(minutes * owed.get(goal.id()) / all));
            int given = forOthers == 0 ? left : Math.min(wanted, left - forOthers);
            shares.add(new SeasonDay.Share(goal.id(), given));
            owed.merge(goal.id(), (double) -given, Double::sum);
            left -= given;
        }
        shares.sort(Comparator.comparingInt(SeasonDay.Share::minutes).reversed());
        return shares;
    }

    private static double minutesADay(Goal goal, List<SeasonDay> days) {
        LocalDate first = days.get(0).day();
        List<SeasonDay> until = days.stream()
                .filter(day -> !goal.isAhead(first) || !day.day().isAfter(goal.neededOn()))
                .toList();
        return until.stream()
                        .flatMap(day -> day.shares().stream())
                        .filter(share -> share.goal() == goal.id())
                        .mapToInt(SeasonDay.Share::minutes)
                        .sum()
                / (double) until.size();
    }
}
