package tachylim.bench.players;

import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.SplittableRandom;
import java.util.TreeMap;
import tachylim.method.School;
import tachylim.workout.Choices;

/** How true the ceiling is in each of several methods, of players who tire not at all, as usual, and doubly. */
final class Tiring {

    private static final List<School> SCHOOLS =
            List.of(School.INTERVAL_BURSTS, School.STEADY_CLIMB, School.SETBACK_LADDER);

    private static final int DAYS = 12;

    private Tiring() {}

    static void trial(int players, long seed) {
        for (double tiring : new double[] {1, 0, 2}) {
            for (School school : SCHOOLS) {
                ofSchool(school, Kind.ALL, tiring, players, seed);
            }
        }
        System.out.println("Flattering ears, and days that differ much");
        for (School school : SCHOOLS) {
            ofSchool(school, Kind.HARD, 1, players, seed);
        }
    }

    private static void ofSchool(School school, Kind[] of, double tiring, int players, long seed) {
        Map<Integer, Figures> after = new TreeMap<>(Map.of(3, new Figures(), 6, new Figures(), DAYS, new Figures()));
        Map<String, Figures> kinds = new TreeMap<>();
        int doubts = 0;
        for (Kind kind : of) {
            for (int i = 0; i < players; i++) {
                SplittableRandom random = new SplittableRandom(seed * 100_003 + i);
                Player player = new Player(kind, tiring, random.split());
                Practice practice = new Practice(player, random.split(), Choices.usual(school), Ear.DEAF);
                for (int day = 1; day <= DAYS; day++) {
                    practice.day();
                    if (after.containsKey(day)) {
                        after.get(day).add(practice.belief().estimate().ceiling(), player.ceiling());
                    }
                    if (day < DAYS) {
                        practice.sleep();
                    }
                }
                doubts += practice.doubts();
                kinds.computeIfAbsent(kind.name(), name -> new Figures())
                        .add(practice.belief().estimate().ceiling(), player.ceiling());
            }
        }
        System.out.printf(Locale.ROOT, "%s, tiring %.0f times as usual%n", school.word(), tiring);
        System.out.printf("  workouts that fitted no ceiling: %d of %d%n", doubts, DAYS * players * of.length);
        after.forEach((day, figures) -> System.out.printf(Locale.ROOT, "  %2d workouts  %s%n", day, figures));
        kinds.forEach((kind, figures) ->
                System.out.printf(Locale.ROOT, "     after %d, %-28s %s%n", DAYS, kind, figures));
    }
}
