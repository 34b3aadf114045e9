package tachylim.bench.players;

import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.SplittableRandom;
import java.util.TreeMap;
import java.util.stream.IntStream;
import tachylim.take.Confusion;
import tachylim.take.Measured.Suggested;
import tachylim.task.Ask;
import tachylim.task.Answer;
import tachylim.task.Verdict;
import tachylim.workout.Choices;

/** Players who judge by ear, by a microphone, or by both: what the ceiling comes to for each. */
final class Judging {

    /** Who says how a pass went. */
    enum By {
        EAR,
        MICROPHONE,
        BOTH
    }

    /** One pass in so many cannot be told by a microphone. */
    private static final double CANNOT_TELL = 0.08;

    /** How often a microphone says clean, rough and broke of each: a good one, and one in a poor room. */
    private static final double[][] GOOD = {{0.8, 0.19, 0.01}, {0.05, 0.83, 0.12}, {0.01, 0.14, 0.85}};

    private static final double[][] POOR = {{0.45, 0.5, 0.05}, {0.08, 0.72, 0.2}, {0.02, 0.2, 0.78}};

    private final By by;
    private final double flattering;
    private final double[][] microphone;
    private final SplittableRandom random;
    private Confusion confusion = Confusion.usual();

    /**
     * @param flattering the share of rough passes that the player calls clean
     */
    Judging(By by, double flattering, double[][] microphone, SplittableRandom random) {
        this.by = by;
        this.flattering = flattering;
        this.microphone = microphone;
        this.random = random;
    }

    /** What is answered of passes that went like this; nothing where they count as played. */
    Optional<Answer> say(Ask ask, List<Answer> truth) {
        List<Answer> called = truth.stream().map(this::called).toList();
        Answer word = called.size() == 1 ? called.get(0) : Answer.together(called);
        if (by == By.EAR) {
            return Optional.of(word);
        }
        List<Suggested> measured =
                truth.stream().map(one -> measured(one.verdict())).toList();
        // The first are confirmed by hand, so that it is known how well this microphone hears.
        boolean byHand = by == By.BOTH || confusion.takes() < Confusion.ENOUGH;
        if (byHand) {
            Answer heard = word.heard(confusion.hearing(measured, false));
            // Of a set nobody says which of its passes were clean.
            if (measured.size() == 1) {
                confusion = confusion.after(word.verdict(), measured.get(0), 1);
            }
            return Optional.of(heard);
        }
        if (measured.contains(Suggested.CANNOT_TELL)) {
            return Optional.empty();
        }
        List<Answer> heard = IntStream.range(0, measured.size())
                .mapToObj(i -> new Answer(verdict(measured.get(i)), truth.get(i).felt()))
                .toList();
        Answer taken = heard.size() == 1 ? heard.get(0) : Answer.together(heard);
        return taken.verdict() == Verdict.CLEAN && !confusion.mayRaise()
                ? Optional.empty()
                : Optional.of(taken.heard(confusion.hearing(measured, true)));
    }

    private Answer called(Answer truth) {
        return truth.verdict() == Verdict.ROUGH && random.nextDouble() < flattering
                ? new Answer(Verdict.CLEAN, truth.felt())
                : truth;
    }

    private Suggested measured(Verdict truth) {
        if (random.nextDouble() < CANNOT_TELL) {
            return Suggested.CANNOT_TELL;
        }
        double[] row = microphone[truth.ordinal()];
        double at = random.nextDouble();
        return at < row[0] ? Suggested.CLEAN : at < row[0] + row[1] ? Suggested.ROUGH : Suggested.BROKE;
    }

    private static Verdict verdict(Suggested measured) {
        return Verdict.valueOf(measured.name());
    }

    static void trial(int players, long seed) {
        Kind usual = Kind.ALL[2];
        for (double flattering : new double[] {0.1, 0.33}) {
            for (By by : By.values()) {
                for (double[][] microphone : by == By.EAR ? new double[][][] {GOOD} : new double[][][] {GOOD, POOR}) {
                    Map<Integer, Figures> after =
                            new TreeMap<>(Map.of(3, new Figures(), 6, new Figures(), 12, new Figures()));
                    for (int i = 0; i < players; i++) {
                        SplittableRandom random = new SplittableRandom(seed * 500_009 + i);
                        Kind kind = new Kind(
                                usual.name(),
                                usual.curve(),
                                usual.bursts(),
                                usual.leastLapse(),
                                usual.mostLapse(),
                                0,
                                usual.wobble(),
                                usual.learning());
                        Player player = new Player(kind, random.split());
                        Practice practice = new Practice(player, random.split(), Choices.usual(), Ear.DEAF)
                                .judgedBy(new Judging(by, flattering, microphone, random.split()));
                        for (int day = 1; day <= 12; day++) {
                            practice.day();
                            if (after.containsKey(day)) {
                                after.get(day).add(practice.belief().estimate().ceiling(), player.ceiling());
                            }
                            practice.sleep();
                        }
                    }
                    System.out.printf(
                            Locale.ROOT,
                            "%2.0f%% of rough called clean, by %s%s%n",
                            100 * flattering,
                            by.name().toLowerCase(Locale.ROOT),
                            by == By.EAR ? "" : microphone == GOOD ? ", good microphone" : ", poor room");
                    after.forEach((day, figures) -> System.out.printf(Locale.ROOT, "  %2d workouts  %s%n", day, figures));
                }
            }
        }
    }
}
