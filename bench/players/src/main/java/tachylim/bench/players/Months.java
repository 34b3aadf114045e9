package tachylim.bench.players;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.SplittableRandom;
import java.util.TreeMap;
import tachylim.ceiling.AwkwardBand;
import tachylim.ceiling.Band;
import tachylim.ceiling.Forecast;
import tachylim.method.School;
import tachylim.workout.Choices;

/** What comes of weeks of daily workouts: the ceiling in each school, bands found and made up, and the forecast. */
final class Months {

    private static final int DAYS = 40;
    private static final int BAND_DAYS = 28;

    private Months() {}

    /** Forty days of a school, of players who learn, tire, slip and have an awkward band. */
    static void schools(int players, long seed) {
        Kind kind = new Kind("forty days", Curve.LOGISTIC, Bursts.INDEPENDENT_TRANSITIONS, 0.06, 0.06, 0.1, 0.02, 0.006);
        for (School school : School.values()) {
            Figures end = new Figures();
            Figures middle = new Figures();
            BurstCount bursts = new BurstCount();
            for (int i = 0; i < players; i++) {
                SplittableRandom random = new SplittableRandom(seed * 300_007 + i);
                Player player = new Player(kind, random.split());
                double at = 0.8 + 0.15 * random.nextDouble();
                player.awkwardBetween(at, at + 0.05);
                Practice practice = new Practice(player, random.split(), Choices.usual(school), bursts);
                for (int day = 1; day <= DAYS; day++) {
                    practice.day();
                    if (day == DAYS / 2) {
                        middle.add(practice.belief().estimate().ceiling(), player.ceiling());
                    }
                    if (day < DAYS) {
                        practice.sleep();
                    }
                }
                end.add(practice.belief().estimate().ceiling(), player.ceiling());
            }
            System.out.printf("%s%n  20 days  %s%n  40 days  %s%n  %s%n", school.word(), middle, end, bursts);
        }
    }

    /** Bands that are there and bands that are not, after four weeks. */
    static void bands(int players, long seed) {
        for (Kind kind : Kind.ALL) {
            int alarms = 0;
            int hits = 0;
            for (int i = 0; i < players; i++) {
                alarms += bandsOf(kind, seed * 900_001 + i, false).isEmpty() ? 0 : 1;
                hits += bandsOf(kind, seed * 900_001 + i, true).isEmpty() ? 0 : 1;
            }
            System.out.printf(
                    Locale.ROOT,
                    "%s: false alarms %.1f%%, bands found %.0f%%%n",
                    kind.name(),
                    100.0 * alarms / players,
                    100.0 * hits / players);
        }
    }

    private static List<AwkwardBand> bandsOf(Kind kind, long seed, boolean awkward) {
        SplittableRandom random = new SplittableRandom(seed);
        Player player = new Player(kind, random.split());
        double at = 0.78 + 0.14 * random.nextDouble();
        if (awkward) {
            player.awkwardBetween(at, at + 0.05);
        }
        School school = random.nextBoolean() ? School.INTERVAL_BURSTS : School.STEADY_CLIMB;
        Practice practice = new Practice(player, random.split(), Choices.usual(school), Ear.DEAF);
        for (int day = 1; day <= BAND_DAYS; day++) {
            practice.day();
            practice.sleep();
        }
        return practice.bands();
    }

    /** Ten weeks of four workouts each: how often the interval of a forecast over four weeks holds what comes. */
    static void forecasts(int players, long seed) {
        int weeks = 10;
        int ahead = 28;
        for (Kind kind : Kind.ALL) {
            Map<Integer, int[]> held = new TreeMap<>();
            Figures width = new Figures();
            for (int i = 0; i < players; i++) {
                SplittableRandom random = new SplittableRandom(seed * 500_009 + i);
                Player player = new Player(kind, random.split());
                Practice practice = new Practice(player, random.split(), Choices.usual(), Ear.DEAF);
                List<Forecast> said = new ArrayList<>();
                List<Double> truth = new ArrayList<>();
                for (int day = 1; day <= 7 * weeks + ahead; day++) {
                    if (day <= 7 * weeks && day % 7 % 2 == 1) {
                        practice.day();
                        player.practised();
                    } else if (day % 7 % 2 == 1) {
                        player.practised();
                    }
                    if (day % 7 == 0) {
                        said.add(day <= 7 * weeks ? practice.forecast().orElse(null) : null);
                        truth.add(player.ceiling());
                    }
                    practice.night();
                }
                for (int week = 0; week < weeks; week++) {
                    if (said.get(week) != null) {
                        Band then = said.get(week).at(7L * (week + 1) - 1 + ahead);
                        double real = truth.get(week + ahead / 7);
                        int[] count = held.computeIfAbsent(week + 1, at -> new int[2]);
                        count[0]++;
                        count[1] +=
                                then.low().bpm() <= real && real <= then.high().bpm() ? 1 : 0;
                        if (week == weeks - 1) {
                            width.add(then, real);
                        }
                    }
                }
            }
            System.out.println(kind.name() + ", four weeks ahead, at week 10: " + width);
            held.forEach((week, count) -> System.out.printf(
                    Locale.ROOT, "  week %2d  held %3.0f%% of %d%n", week, 100.0 * count[1] / count[0], count[0]));
        }
    }
}
