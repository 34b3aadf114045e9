package tachylim.season;

import java.time.LocalDate;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.stream.IntStream;
import tachylim.ceiling.Forecast;

/**
 * How the minutes of a season go to its passages: where they are worth most. A passage of importance w is worth
 * {@code w·(P(target in control by its date) + 0.25·share of the gap closed)}. Portion after portion goes to the passage with
 * the greatest mean worth over any further number of portions, since one portion alone moves the chance of a far passage by
 * nothing (the concave envelope), as far as those due by each date fit the days before it. None is left lying: each has its
 * upkeep, a portion at its spacing, first. What cannot be ready in time is worth its gap alone, so that it is served when the
 * others are safe.
 */
final class Portions {

    /** A portion is worth sitting down for, and no more than a hand keeps fresh for. */
    private static final double SHORTEST = 4;

    private static final double LONGEST = 8;

    /** A day has about so many. */
    private static final double A_DAY = 4;

    private static final double WORTH_OF_GAP = 0.25;

    /** What is worth less than this is worth nothing. */
    private static final double LEAST_WORTH = 1e-9;

    /** Of all minutes, so much at the most goes to upkeep. */
    private static final double MOST_UPKEEP = 0.5;

    private final List<Goal> goals;
    private final double[] minutes;
    private final LocalDate first;
    private final double usual;
    private final double portion;
    private final double upkeep;
    private final double[][] worth;
    private final int[] given;

    /** The passages by their dates, the earliest first, and the portions there are until each. */
    private final int[] byDate;

    private final int[] rooms;

    /**
     * @param goals the passages
     * @param minutes the minutes of each day, from the first on
     */
    Portions(List<Goal> goals, double[] minutes, LocalDate first) {
        this.goals = goals;
        this.minutes = minutes;
        this.first = first;
        this.usual =
                Arrays.stream(minutes).filter(one -> one >= SHORTEST).average().orElse(SHORTEST);
        this.portion = Math.max(SHORTEST, Math.min(LONGEST, usual / A_DAY));
        double wanted = goals.stream().mapToDouble(this::spaced).sum();
        this.upkeep = wanted <= 0 ? 1 : Math.min(1, MOST_UPKEEP * usual / wanted);
        this.given = new int[goals.size()];
        double kept = goals.stream().mapToDouble(this::upkeep).sum();
        this.rooms = goals.stream()
                .mapToInt(goal -> (int) (most(goal) * (1 - kept) / portion))
                .toArray();
        this.byDate = IntStream.range(0, goals.size())
                .boxed()
                .sorted(Comparator.comparingLong(i -> goals.get(i).days(first)))
                .mapToInt(i -> i)
                .toArray();
        this.worth = new double[goals.size()][];
        for (int i = 0; i < worth.length; i++) {
            worth[i] = worth(goals.get(i), rooms[i]);
        }
        give();
    }

    /** The minutes of one portion. */
    double portion() {
        return portion;
    }

    /** The passages by their dates, the earliest first. */
    int[] byDate() {
        return byDate.clone();
    }

    /** The share of a day's minutes that is a passage's upkeep. */
    double upkeep(Goal goal) {
        return upkeep * spaced(goal) / usual;
    }

    /** The minutes that a passage has until its date beyond its upkeep. */
    double beyondUpkeep(int goal) {
        return given[goal] * portion;
    }

    /** All minutes until a passage's date, as if there were no other. */
    double most(Goal goal) {
        long until = goal.days(first);
        return beyond(
                until,
                Arrays.stream(minutes)
                        .limit(until)
                        .filter(one -> one >= SHORTEST)
                        .sum());
    }

    /** The minutes until a passage's date if all had the same. */
    double equalShare(Goal goal) {
        return most(goal) / goals.size();
    }

    /** The days of practice until a passage's date. */
    double days(Goal goal) {
        long until = goal.days(first);
        long inside = Arrays.stream(minutes)
                .limit(until)
                .filter(one -> one >= SHORTEST)
                .count();
        return Math.max(1, beyond(until, inside));
    }

    /** Days beyond those that are planned are like the mean of those that are. */
    private double beyond(long until, double inside) {
        return until <= minutes.length ? inside : inside * until / Math.max(1, minutes.length);
    }

    /** What each number of portions is worth. */
    private double[] worth(Goal goal, int room) {
        double[] table = new double[room + 1];
        double gap = goal.target().log() - goal.growth().level().mean();
        double without = goal.growth().level().mean();
        double days = days(goal);
        double kept = upkeep(goal) * most(goal);
        boolean hopeless =
                Growth.chance(goal.growth().byPortions(most(goal), portion, days), goal.target()) < Forecast.UNLIKELY;
        for (int k = 0; k < table.length; k++) {
            var then = goal.growth().byPortions(kept + k * portion, portion, days);
            double closed = gap <= 0 ? 1 : Math.max(0, Math.min(1, (then.mean() - without) / gap));
            double chance = hopeless ? 0 : Growth.chance(then, goal.target());
            table[k] = goal.matters().weight() * (chance + WORTH_OF_GAP * closed);
        }
        return table;
    }

    /** The mean worth of the further portions of a passage that are worth most on average, and how many those are. */
    private record Further(double each, int portions) {}

    private void give() {
        Further[] further = new Further[given.length];
        while (true) {
            int[] slack = slack();
            int best = -1;
            double most = LEAST_WORTH;
            for (int i = 0; i < given.length; i++) {
                if (further[i] == null || further[i].portions > slack[i]) {
                    further[i] = further(i, slack[i]);
                }
                if (further[i].each > most) {
                    most = further[i].each;
                    best = i;
                }
            }
            if (best < 0) {
                return;
            }
            given[best]++;
            further[best] = null;
        }
    }

    private Further further(int goal, int slack) {
        double most = 0;
        int portions = 0;
        double now = worth[goal][given[goal]];
        for (int k = 1; k <= slack; k++) {
            double each = (worth[goal][given[goal] + k] - now) / k;
            if (each > most) {
                most = each;
                portions = k;
            }
        }
        return new Further(most, portions);
    }

    /** The minutes a day that keep a passage from lying for longer than it should. */
    private double spaced(Goal goal) {
        return portion / Candidate.spacing(goal.isUpToTempo());
    }

    /** How many portions more each passage can have before the days before some date are full. */
    private int[] slack() {
        int[] slack = new int[given.length];
        int due = Arrays.stream(given).sum();
        int least = Integer.MAX_VALUE;
        for (int place = byDate.length - 1; place >= 0; place--) {
            int goal = byDate[place];
            // Those due on one day share its room: what is due is counted from the last of them.
            least = Math.min(least, rooms[goal] - due);
            slack[goal] = Math.max(0, Math.min(least, worth[goal].length - 1 - given[goal]));
            due -= given[goal];
        }
        return slack;
    }
}
