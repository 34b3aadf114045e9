package tachylim.bench.players;

import java.util.Locale;
import java.util.Map;
import java.util.SplittableRandom;
import java.util.TreeMap;
import tachylim.workout.Choices;

/** Plays many simulated players through the application's own practice, and prints how true the ceiling was. */
public final class Trials {

    /** Months of daily workouts are played by one player in so many. */
    private static final int MONTHS_ARE_LONG = 5;

    private Trials() {}

    /** Takes the number of players of each kind, 200 when none is given; a seed; and which part, all of them when none is given. */
    public static void main(String[] args) throws java.io.IOException {
        if (args.length == 2 && args[0].equals("takes")) {
            Takes.all(java.nio.file.Path.of(args[1]));
            return;
        }
        if (args.length == 2 && args[0].equals("recordings")) {
            Recordings.all(java.nio.file.Path.of(args[1]));
            return;
        }
        int players = args.length > 0 ? Integer.parseInt(args[0]) : 200;
        long seed = args.length > 1 ? Long.parseLong(args[1]) : 1;
        String what = args.length > 2 ? args[2] : "all";
        if (what.equals("all") || what.equals("ceiling")) {
            for (Kind kind : Kind.ALL) {
                tests(kind, players, seed);
                workouts(kind, players, seed);
            }
        }
        if (what.equals("tests")) {
            for (Kind kind : Kind.ALL) {
                tests(kind, players, seed);
            }
        }
        if (what.equals("all") || what.equals("tiring")) {
            Tiring.trial(players, seed);
        }
        if (what.equals("all") || what.equals("schools")) {
            Months.schools(players / MONTHS_ARE_LONG, seed);
        }
        if (what.equals("methods")) {
            Weeks.methods(players, seed);
        }
        if (what.equals("season")) {
            Seasons.all(players, seed);
        }
        if (what.equals("days")) {
            TenDays.all(seed);
            TenDays.noticed(players, seed);
        }
        if (what.equals("judging")) {
            Judging.trial(players, seed);
        }
        if (what.equals("enough")) {
            Enough.trial(players, seed);
        }
        if (what.equals("all") || what.equals("bands")) {
            Months.bands(players / MONTHS_ARE_LONG, seed);
        }
        if (what.equals("all") || what.equals("forecast")) {
            Months.forecasts(players / MONTHS_ARE_LONG, seed);
        }
    }

    private static void workouts(Kind kind, int players, long seed) {
        Map<Integer, Figures> after = new TreeMap<>(
                Map.of(1, new Figures(), 2, new Figures(), 3, new Figures(), 6, new Figures(), 12, new Figures()));
        BurstCount bursts = new BurstCount();
        for (int i = 0; i < players; i++) {
            SplittableRandom random = new SplittableRandom(seed * 100_003 + i);
            Player player = new Player(kind, random.split());
            Practice practice = new Practice(player, random.split(), Choices.usual(), bursts);
            for (int day = 1; day <= 12; day++) {
                practice.day();
                if (after.containsKey(day)) {
                    after.get(day).add(practice.belief().estimate().ceiling(), player.ceiling());
                }
                practice.sleep();
            }
        }
        System.out.println(kind.name());
        after.forEach((day, figures) -> System.out.printf(Locale.ROOT, "  %2d workouts  %s%n", day, figures));
        System.out.println("  " + bursts);
    }

    private static void tests(Kind kind, int players, long seed) {
        int[] points = {6, 8, 10, 12, 14};
        Map<Integer, Figures> test = new TreeMap<>();
        Map<Integer, Figures> usual = new TreeMap<>();
        Map<Integer, double[]> others = new TreeMap<>();
        for (int i = 0; i < players; i++) {
            SplittableRandom random = new SplittableRandom(seed * 700_001 + i);
            Player player = new Player(kind, random.split());
            player.wake();
            double guess = Searches.guess(player, random.split());
            Searches.Test adaptive = new Searches.Test(guess);
            Searches.Ladder ladder = new Searches.Ladder(guess);
            Searches.Staircase staircase = new Searches.Staircase(guess);
            for (int pass = 1; pass <= points[points.length - 1]; pass++) {
                adaptive.pass(player);
                ladder.pass(player);
                staircase.pass(player);
                int now = pass;
                if (java.util.Arrays.stream(points).anyMatch(point -> point == now)) {
                    test.computeIfAbsent(pass, at -> new Figures()).add(adaptive.band(), player.ceilingToday());
                    usual.computeIfAbsent(pass, at -> new Figures()).add(adaptive.usual(), player.ceiling());
                    double[] sums = others.computeIfAbsent(pass, at -> new double[2]);
                    sums[0] += Math.abs(ladder.ceiling() / player.ceilingToday() - 1) / players;
                    sums[1] += Math.abs(staircase.ceiling() / player.ceilingToday() - 1) / players;
                }
            }
        }
        System.out.println(kind.name() + ", the ceiling test, of its day");
        test.forEach((pass, figures) -> {
            double[] sums = others.get(pass);
            System.out.printf(
                    Locale.ROOT,
                    "  %2d passes  %s  ladder %4.1f%%  staircase %4.1f%%  %.1f times better%n",
                    pass,
                    figures,
                    100 * sums[0],
                    100 * sums[1],
                    Math.min(sums[0], sums[1]) / figures.meanError());
        });
        System.out.println(kind.name() + ", the ceiling test, of a usual day");
        usual.forEach((pass, figures) -> System.out.printf(Locale.ROOT, "  %2d passes  %s%n", pass, figures));
    }
}
