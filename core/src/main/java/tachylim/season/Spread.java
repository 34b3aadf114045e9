package tachylim.season;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * On which days each passage has its portions. Beside the upkeep of all, those due first are spread over the days that are free until their date, and
 * the next over what is left; each day adds to what a passage is owed, and those that are owed most have the day, in portions
 * worth sitting down for. This class is immutable.
 *
 * @param days the days with their shares
 * @param owed what each passage is owed on the first day: its minutes of the days since it was played, that one counted in
 */
record Spread(List<SeasonDay> days, Map<Long, Double> owed) {

    private static final int LEAST_SHARE = 4;
    private static final int LEAST_PLACES = 2;

    /** What was left lying counts for so many days, and what was never played for as many. */
    private static final long MOST_LAIN = 7;

    static Spread of(List<Goal> goals, Portions portions, List<SeasonDay> days) {
        LocalDate first = days.get(0).day();
        double[][] rates = rates(goals, portions, days, first);
        Map<Long, Double> owed = new HashMap<>();
        for (int i = 0; i < goals.size(); i++) {
            double daily = Arrays.stream(rates[i]).limit(MOST_LAIN).average().orElse(0);
            owed.put(
                    goals.get(i).id(),
                    daily * Math.min(MOST_LAIN, goals.get(i).daysSince().orElse(MOST_LAIN)));
        }
        Map<Long, Double> now = Map.copyOf(owed);
        List<SeasonDay> shared = new ArrayList<>();
        for (int d = 0; d < days.size(); d++) {
            // What lay is owed today's minutes already.
            for (int i = 0; d > 0 && i < goals.size(); i++) {
                owed.merge(goals.get(i).id(), rates[i][d], Double::sum);
            }
            shared.add(days.get(d).with(shares(goals, days.get(d).minutes(), owed, portions.portion())));
        }
        return new Spread(shared, now);
    }

    /** The minutes of each passage and day, in fractions. */
    private static double[][] rates(List<Goal> goals, Portions portions, List<SeasonDay> days, LocalDate first) {
        double kept = goals.stream().mapToDouble(portions::upkeep).sum();
        double[] free =
                days.stream().mapToDouble(day -> day.minutes() * (1 - kept)).toArray();
        double[][] rates = new double[goals.size()][days.size()];
        for (int i : portions.byDate()) {
            Goal goal = goals.get(i);
            int until = (int) Math.min(days.size(), goal.days(first));
            double room = Arrays.stream(free, 0, until).sum();
            // What is wanted after the days that are planned has its part of them.
            double wanted = portions.beyondUpkeep(i) * until / goal.days(first);
            double share = room <= 0 ? 0 : Math.min(1, wanted / room);
            for (int d = 0; d < days.size(); d++) {
                double more = d < until ? share * free[d] : 0;
                free[d] -= more;
                rates[i][d] = portions.upkeep(goal) * days.get(d).minutes() + more;
            }
        }
        return rates;
    }

    private static List<SeasonDay.Share> shares(List<Goal> goals, int minutes, Map<Long, Double> owed, double portion) {
        if (minutes < LEAST_SHARE || goals.isEmpty()) {
            return List.of();
        }
        int places = Math.min(
                minutes / LEAST_SHARE, (int) Math.max(LEAST_PLACES, Math.min(DaysSections.MOST, minutes / portion)));
        List<Goal> chosen = goals.stream()
                .sorted(Comparator.comparingDouble((Goal goal) -> -owed.get(goal.id())))
                .filter(goal -> owed.get(goal.id()) > 0)
                .limit(places)
                .toList();
        if (chosen.isEmpty()) {
            chosen = List.of(goals.stream()
                    .max(Comparator.comparingDouble(goal -> owed.get(goal.id())))
                    .orElseThrow());
        }
        double all = chosen.stream()
                .mapToDouble(goal -> Math.max(1e-9, owed.get(goal.id())))
                .sum();
        List<SeasonDay.Share> shares = new ArrayList<>();
        int left = minutes;
        for (int i = 0; i < chosen.size(); i++) {
            Goal goal = chosen.get(i);
            int forOthers = LEAST_SHARE * (chosen.size() - 1 - i);
            int wanted = (int) Math.max(LEAST_SHARE, Math.round(minutes * Math.max(1e-9, owed.get(goal.id())) / all));
            int given = forOthers == 0 ? left : Math.min(wanted, left - forOthers);
            shares.add(new SeasonDay.Share(goal.id(), given));
            owed.merge(goal.id(), (double) -given, Double::sum);
            left -= given;
        }
        shares.sort(Comparator.comparingInt(SeasonDay.Share::minutes).reversed());
        return shares;
    }
}
