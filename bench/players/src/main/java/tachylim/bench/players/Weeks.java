package tachylim.bench.players;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedList;
import java.util.List;
import java.util.Locale;
import java.util.OptionalLong;
import java.util.SplittableRandom;
import java.util.function.BooleanSupplier;
import java.util.function.IntFunction;
import java.util.stream.IntStream;
import tachylim.load.DayLoad;
import tachylim.load.Guardrails;
import tachylim.load.Recovery;
import tachylim.method.School;
import tachylim.task.Answer;
import tachylim.task.PassKind;
import tachylim.task.Tension;
import tachylim.task.Verdict;
import tachylim.tempo.Tempo;
import tachylim.workout.Allowance;
import tachylim.workout.Choices;
import tachylim.workout.Run;
import tachylim.workout.WhichMethod;

/**
 * Twelve weeks of practice on five days a week: by each method, by the one that is recommended each day, and by two habits
 * that need no application.
 */
final class Weeks {

    private static final int WEEKS = 12;
    private static final int DAYS_A_WEEK = 5;
    private static final Kind KIND =
            new Kind("twelve weeks", Curve.LOGISTIC, Bursts.INDEPENDENT_TRANSITIONS, 0, 0.06, 0.1, 0.02, 0);

    /** What works at the tempo of a section; counting, comparing and reading are for other things. */
    private static final List<School> METHODS = Arrays.stream(School.values())
            .filter(school -> school.isFast()
                    && school != School.CHANGE_COUNT
                    && school != School.REFERENCE_COMPARISON
                    && school != School.CEILING_TEST)
            .toList();

    private Weeks() {}

    static void methods(int players, long seed) {
        for (Learning learning : Learning.values()) {
            System.out.printf("%nWhat teaches: %s. %d players, %d weeks.%n", learning.title, players, WEEKS);
            System.out.printf(
                    "%-22s %9s %8s %8s %9s %7s %6s%n",
                    "", "reached", "weeks", "gained", "clean", "tense", "caps");
            for (School school : METHODS) {
                print(school.word(), learning, players, seed, (practice, lately) -> school);
            }
            print("as recommended", learning, players, seed, Weeks::recommended);
            printHabit("at target, no rests", learning, players, seed, false);
            printHabit("+5 each time", learning, players, seed, true);
        }
    }

    /** How a day's method is found. */
    private interface Choice {
        School today(Practice practice, LinkedList<School> lately);
    }

    private static School recommended(Practice practice, LinkedList<School> lately) {
        return WhichMethod.now(practice.theme(), OptionalLong.empty(), allowance(practice.minutes()), lately)
                .school();
    }

    private static Allowance allowance(int minutes) {
        return Allowance.of(new Guardrails(minutes, null).today(DayLoad.NONE, Instant.EPOCH));
    }

    /** What is told of one who practises so. */
    private static final class Diary implements Ear {

        private final Learning learning;
        private double worth;
        private double clean;
        private double judged;
        private double tenseSeconds;

        Diary(Learning learning) {
            this.learning = learning;
        }

        @Override
        public void heard(PassKind kind, double seconds, double ratio, Answer answer) {
            worth += learning.worth(seconds, ratio, answer);
            judged++;
            clean += answer.verdict() == Verdict.CLEAN ? 1 : 0;
            tenseSeconds += answer.tension().atLeast(Tension.EDGE) ? seconds : 0;
        }

        double taught() {
            double taught = worth;
            worth = 0;
            return taught;
        }
    }

    private static void print(String name, Learning learning, int players, long seed, Choice choice) {
        played(players, i -> {
                    SplittableRandom random = new SplittableRandom(seed * 200_003 + i);
                    Player player = new Player(KIND, random.split());
                    Diary diary = new Diary(learning);
                    Practice practice = new Practice(player, random.split(), Choices.usual(), diary);
                    LinkedList<School> lately = new LinkedList<>();
                    return weeks(player, practice, diary, () -> {
                        Allowance left = allowance(practice.minutes());
                        School school = choice.today(practice, lately);
                        lately.addFirst(school);
                        return isOver(practice.day(Choices.usual(school), left), left);
                    });
                })
                .print(name);
    }

    /** Somebody with a metronome: the whole again and again for as long as there is time, never resting. */
    private static void printHabit(String name, Learning learning, int players, long seed, boolean climbing) {
        played(players, i -> {
                    SplittableRandom random = new SplittableRandom(seed * 200_003 + i);
                    Player player = new Player(KIND, random.split());
                    Diary diary = new Diary(learning);
                    // The same section, target and minutes as the others have.
                    Practice practice = new Practice(player, random.split(), Choices.usual(), diary);
                    return weeks(player, practice, diary, () -> {
                        playOn(player, practice, diary, climbing);
                        return false;
                    });
                })
                .print(name);
    }

    /** All players, as many at once as there are processors. */
    private static Result played(int players, IntFunction<Told> one) {
        Result all = new Result();
        IntStream.range(0, players).parallel().mapToObj(one).toList().forEach(all::add);
        return all;
    }

    /** What is told of one player. */
    private record Told(Way way, Diary diary, int violations) {}

    /** Twelve weeks of a player, where a day says whether it went over its caps. */
    private static Told weeks(Player player, Practice practice, Diary diary, BooleanSupplier practised) {
        Way way = new Way(player, practice.target());
        int violations = 0;
        for (int day = 0; day < 7 * WEEKS; day++) {
            if (day % 7 < DAYS_A_WEEK) {
                violations += practised.getAsBoolean() ? 1 : 0;
                player.learns(Learning.gain(diary.taught(), way.come()));
            }
            way.slept(day);
            practice.night();
        }
        return new Told(way, diary, violations);
    }

    private static boolean isOver(Run run, Allowance left) {
        double little = 1e-6;
        return run.tally().effort().minutes() > left.effort().minutes() + little
                || run.tally().burstSeconds() > left.burstSeconds() + little
                || run.tally().playingSeconds() > left.playingSeconds() + little;
    }

    private static final double PASS_BEATS = 24;

    private static void playOn(Player player, Practice practice, Diary diary, boolean climbing) {
        Recovery recovery = Recovery.full();
        double target = practice.target().bpm();
        double tempo = climbing ? 0.6 * target : target;
        double left = practice.minutes() * 60.0;
        while (left > 0) {
            double seconds = PASS_BEATS * 60 / tempo;
            double ratio = tempo / player.ceilingToday();
            Answer answer = player.play(Tempo.of(tempo), 1, recovery.level(), 0);
            diary.heard(PassKind.CONTROLLED, seconds, ratio, answer);
            recovery = recovery.afterPlaying(ratio / COMFORTABLE, seconds);
            left -= seconds + 4;
            if (climbing) {
                tempo = answer.verdict() == Verdict.BROKE ? Math.max(30, tempo - 10) : Math.min(target, tempo + 5);
            }
        }
    }

    /** The comfortable tempo lies about so far under the ceiling. */
    private static final double COMFORTABLE = 0.92;

    /** How far a player has come. */
    private static final class Way {

        private final Player player;
        private final Tempo target;
        private final double begun;
        private int arrived = Integer.MAX_VALUE;

        Way(Player player, Tempo target) {
            this.player = player;
            this.target = target;
            this.begun = player.ceiling();
        }

        double come() {
            return player.ceiling() / begun - 1;
        }

        void slept(int day) {
            if (arrived == Integer.MAX_VALUE && player.ceiling() >= target.bpm()) {
                arrived = day + 1;
            }
        }
    }

    /** Of all who practised so. */
    private static final class Result {

        private final List<Integer> arrivals = new ArrayList<>();
        private double gained;
        private double clean;
        private double judged;
        private double tenseSeconds;
        private int violations;

        void add(Told one) {
            arrivals.add(one.way.arrived);
            gained += one.way.come();
            clean += one.diary.clean;
            judged += one.diary.judged;
            tenseSeconds += one.diary.tenseSeconds;
            violations += one.violations;
        }

        /** Weeks are the median of all: of those who never arrived it is not known, and said so. */
        void print(String name) {
            int players = arrivals.size();
            long arrived =
                    arrivals.stream().filter(day -> day < Integer.MAX_VALUE).count();
            int median = arrivals.stream().sorted().skip(players / 2).findFirst().orElseThrow();
            System.out.printf(
                    Locale.ROOT,
                    "%-22s %8.0f%% %8s %+7.1f%% %8.0f%% %7.1f %6d%n",
                    name,
                    100.0 * arrived / players,
                    median == Integer.MAX_VALUE ? "> " + WEEKS : String.format(Locale.ROOT, "%.1f", median / 7.0),
                    100 * gained / players,
                    100 * clean / judged,
                    tenseSeconds / 60 / players / WEEKS,
                    violations);
        }
    }
}
