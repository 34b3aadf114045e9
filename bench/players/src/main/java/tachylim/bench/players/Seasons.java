package tachylim.bench.players;

import java.time.DayOfWeek;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.NavigableMap;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.Set;
import java.util.SplittableRandom;
import java.util.TreeMap;
import java.util.stream.DoubleStream;
import java.util.stream.IntStream;
import tachylim.ceiling.Forecast;
import tachylim.ceiling.Moments;
import tachylim.load.Effort;
import tachylim.load.Guardrails;
import tachylim.load.History;
import tachylim.load.SymptomHistory;
import tachylim.season.Gains;
import tachylim.season.Goal;
import tachylim.season.Growth;
import tachylim.season.Importance;
import tachylim.season.Outlook;
import tachylim.season.Season;
import tachylim.season.SeasonDay;
import tachylim.tempo.Tempo;

/**
 * Seasons of twelve weeks with dates and layoffs: how much is ready by its date when minutes go where they are worth most, and
 * what becomes of the chances that are told, against three simpler rules on the same players. Workouts are not played here: a
 * day's minutes teach by a law of their own, and tell of the ceiling with an error.
 */
final class Seasons {

    private static final int DAYS = 84;
    private static final int BEFORE = 28;
    private static final int SEASONS = 10;
    private static final LocalDate FIRST = LocalDate.of(2026, 1, 5);
    private static final double NIGHT = 0.006;

    /** How far the true form of a day lies from the usual, ln tempo. */
    private static final double FORM = 0.018;

    private static final Map<String, Rule> RULES = new LinkedHashMap<>();

    static {
        RULES.put("most pressing first", Seasons::mostPressing);
        RULES.put("shares by need", Seasons::byNeed);
        RULES.put("equal shares", Seasons::equally);
        RULES.put("where worth most", Seasons::worthMost);
    }

    private Seasons() {}

    /** The minutes of a day by passage. */
    private interface Rule {
        double[] minutes(Life life, double minutes);
    }

    static void all(int players, long seed) {
        System.out.printf("%d players, %d seasons each.%n", players, SEASONS);
        Outcome told = null;
        for (Map.Entry<String, Rule> rule : RULES.entrySet()) {
            Outcome outcome = new Outcome();
            IntStream.range(0, players * SEASONS)
                    .parallel()
                    .mapToObj(i -> new Life(seed * 1_000_003 + i / SEASONS, i % SEASONS).lived(rule.getValue()))
                    .toList()
                    .forEach(outcome::add);
            outcome.print(rule.getKey());
            told = outcome;
        }
        told.printChances();
    }

    /** A passage whose truth is known. */
    private static final class Piece {

        double truth;
        double rate;
        double target;
        int date;
        Importance matters;
        double mean;
        double variance;
        int last = -100;
        final List<Gains.Day> days = new ArrayList<>();
        final List<Forecast.Measured> measured = new ArrayList<>();
        boolean ready;
    }

    /** A chance that was told, by the plan and as it goes, and what became of it. */
    private record Told(double chance, double goes, boolean came) {}

    /** One player's season. */
    private static final class Life {

        private final SplittableRandom random;
        private final List<Piece> pieces = new ArrayList<>();
        private final double tau;
        private final double loss;
        private final int usual;
        private final int layoff;
        private final int layoffDays;
        private final NavigableMap<LocalDate, Effort> played = new TreeMap<>();
        private final List<Told> told = new ArrayList<>();
        private final Map<Piece, List<double[]>> said = new HashMap<>();
        private int day = -BEFORE;
        private double tense;
        private double overlap;
        private int overlaps;
        private Set<Piece> yesterday = Set.of();

        Life(long player, int season) {
            SplittableRandom own = new SplittableRandom(player);
            double rate = 0.003 * Math.exp(0.5 * Gauss.of(own));
            tau = 5 + 9 * own.nextDouble();
            loss = 0.003 * own.nextDouble();
            usual = 15 + 5 * own.nextInt(7);
            random = new SplittableRandom(player * 31 + season);
            int count = 2 + random.nextInt(5);
            boolean lies = random.nextDouble() < 0.3;
            layoff = lies ? random.nextInt(DAYS) : -1000;
            layoffDays = 5 + random.nextInt(8);
            for (int i = 0; i < count; i++) {
                Piece piece = new Piece();
                piece.truth = Math.log(70 + 80 * random.nextDouble());
                piece.rate = rate * Math.exp(0.4 * Gauss.of(random));
                piece.target = piece.truth + 0.02 + 0.2 * random.nextDouble();
                piece.date = random.nextInt(5) == 0 ? -1 : 21 + random.nextInt(DAYS - 21);
                piece.matters = random.nextInt(3) == 0
                        ? (random.nextBoolean() ? Importance.MOST : Importance.LESS)
                        : Importance.USUAL;
                piece.variance = 0.15 * 0.15;
                piece.mean = piece.truth + 0.15 * Gauss.of(random);
                pieces.add(piece);
            }
        }

        LocalDate today() {
            return FIRST.plusDays(day);
        }

        Guardrails rails() {
            return new Guardrails(
                    usual, SymptomHistory.NONE, new History(today(), played, Map.of(), new Effort(usual)), List.of(), List.of());
        }

        Instant now() {
            return today().atStartOfDay().toInstant(ZoneOffset.UTC);
        }

        Life lived(Rule rule) {
            for (; day < DAYS; day++) {
                boolean missed = random.nextInt(7) == 0 || day >= layoff && day < layoff + layoffDays;
                double minutes = missed
                        ? 0
                        : Math.min(usual, rails().caps(now()).get(0).effort().minutes());
                double[] given = minutes < 4
                        ? new double[pieces.size()]
                        : (day < 0 ? (Rule) Seasons::equally : rule).minutes(this, minutes);
                practise(given, minutes);
                for (Piece piece : pieces) {
                    piece.ready |= piece.date == day && piece.truth >= piece.target;
                }
            }
            said.forEach((piece, chances) -> chances.forEach(
                    one -> told.add(new Told(one[0], one[1], piece.ready))));
            return this;
        }

        private void practise(double[] given, double minutes) {
            double form = FORM * Gauss.of(random);
            Set<Piece> today = new HashSet<>();
            for (int i = 0; i < given.length; i++) {
                Piece piece = pieces.get(i);
                piece.variance += NIGHT * NIGHT;
                double noise = Gauss.of(random);
                if (given[i] > 0) {
                    today.add(piece);
                    double error = 0.05 / Math.sqrt(Math.max(1, given[i] / 5));
                    tense += given[i] / 4 * share(piece.mean - piece.truth - form);
                    Moments morning = new Moments(piece.mean, piece.variance);
                    double seen = piece.truth + form + error * noise;
                    double gain = piece.variance / (piece.variance + error * error + FORM * FORM);
                    piece.mean += gain * (seen - piece.mean);
                    piece.variance *= 1 - gain;
                    Forecast.Measured one = new Forecast.Measured(
                            day + BEFORE, morning, new Moments(piece.mean, piece.variance));
                    piece.measured.add(one);
                    piece.days.add(new Gains.Day(day + BEFORE, given[i], one.own()));
                    piece.truth += piece.rate * (1 - Math.exp(-given[i] / tau));
                    piece.last = day;
                } else if (day - piece.last > 3) {
                    piece.truth -= loss;
                }
                piece.truth += 0.002 * Gauss.of(random);
            }
            if (minutes > 0) {
                played.put(today(), new Effort(minutes));
                if (day >= 0 && !yesterday.isEmpty() && pieces.size() > 2) {
                    Set<Piece> both = new HashSet<>(today);
                    both.retainAll(yesterday);
                    Set<Piece> either = new HashSet<>(today);
                    either.addAll(yesterday);
                    overlap += both.size() / (double) either.size();
                    overlaps++;
                }
                yesterday = today;
            }
        }

        /** The share of the fast minutes that are tense where a ceiling is taken for so much higher than it is. */
        private static double share(double error) {
            return 1 / (1 + Math.exp(-(7 * error - 0.5) / 0.3));
        }

        double daysLeft(Piece piece) {
            return piece.date < day ? DAYS : piece.date - day;
        }

        double need(Piece piece) {
            double weeks = piece.date < day ? 12 : Math.max(1, (piece.date - day) / 7.0);
            return Math.max(0.01, piece.target - piece.mean) / weeks;
        }
    }

    private static double[] equally(Life life, double minutes) {
        double[] given = new double[life.pieces.size()];
        // Four at the most, those that have lain longest.
        List<Integer> chosen = IntStream.range(0, given.length)
                .boxed()
                .sorted(Comparator.comparingInt(i -> life.pieces.get(i).last))
                .limit(Math.max(1, Math.min(4, (int) (minutes / 5))))
                .toList();
        chosen.forEach(i -> given[i] = minutes / chosen.size());
        return given;
    }

    private static double[] mostPressing(Life life, double minutes) {
        double[] given = new double[life.pieces.size()];
        given[IntStream.range(0, given.length)
                .boxed()
                .max(Comparator.comparingDouble(i -> life.need(life.pieces.get(i))))
                .orElseThrow()] = minutes;
        return given;
    }

    private static double[] byNeed(Life life, double minutes) {
        double all = life.pieces.stream().mapToDouble(life::need).sum();
        return life.pieces.stream()
                .mapToDouble(piece -> minutes * life.need(piece) / all)
                .toArray();
    }

    private static double[] worthMost(Life life, double minutes) {
        List<Piece> pieces = life.pieces;
        Gains gains = Gains.of(pieces.stream().map(piece -> piece.days).toList());
        List<Goal> goals = new ArrayList<>();
        for (int i = 0; i < pieces.size(); i++) {
            Piece piece = pieces.get(i);
            Optional<Forecast> forecast = Forecast.of(piece.measured);
            goals.add(new Goal(
                    i,
                    Tempo.of(Math.exp(piece.target)),
                    Tempo.of(Math.exp(piece.mean)),
                    piece.date < life.day ? null : FIRST.plusDays(piece.date),
                    new Growth(
                            new Moments(piece.mean, piece.variance),
                            gains.passages().get(i),
                            gains.loss().mean(),
                            forecast.isPresent()),
                    piece.matters,
                    piece.last < -99 ? OptionalLong.empty() : OptionalLong.of(life.day - piece.last)));
        }
        // The player knows that about one day in seven is missed.
        Season season = Season.plan(
                goals,
                life.rails(),
                Effort.NONE,
                life.now(),
                null,
                new Season.Wishes(life.usual, Set.of(DayOfWeek.SUNDAY), Map.of(life.today(), life.usual)));
        if (life.day % 7 == 0) {
            for (int i = 0; i < pieces.size(); i++) {
                Piece piece = pieces.get(i);
                Outlook outlook = season.outlooks().get(i);
                if (outlook.chance().isPresent() && piece.date - life.day >= 7) {
                    double goes = Forecast.of(piece.measured)
                            .orElseThrow()
                            .chance(Tempo.of(Math.exp(piece.target)), life.day + BEFORE + piece.date - life.day);
                    life.said
                            .computeIfAbsent(piece, at -> new ArrayList<>())
                            .add(new double[] {outlook.chance().getAsDouble(), goes});
                }
            }
        }
        double[] given = new double[pieces.size()];
        double planned = Math.max(1, season.days().get(0).minutes());
        for (SeasonDay.Share share : season.days().get(0).shares()) {
            given[(int) share.goal()] = share.minutes() * minutes / planned;
        }
        return given;
    }

    /** Of all seasons by one rule. */
    private static final class Outcome {

        private double dated;
        private double ready;
        private double weighed;
        private double weighedReady;
        private double gap;
        private double tense;
        private double overlap;
        private int overlaps;
        private int seasons;
        private final List<Told> told = new ArrayList<>();

        void add(Life life) {
            seasons++;
            for (Piece piece : life.pieces) {
                if (piece.date >= 0) {
                    double weight = piece.matters == Importance.MOST ? 4 : piece.matters == Importance.USUAL ? 2 : 1;
                    dated++;
                    weighed += weight;
                    ready += piece.ready ? 1 : 0;
                    weighedReady += piece.ready ? weight : 0;
                }
                gap += Math.max(0, piece.target - piece.truth) / life.pieces.size();
            }
            tense += life.tense;
            overlap += life.overlap;
            overlaps += life.overlaps;
            told.addAll(life.told);
        }

        void print(String name) {
            System.out.printf(
                    Locale.ROOT,
                    "%-20s ready by their date %4.1f%%, weighed %4.1f%%; left of the gap %4.1f%%; tense %4.1f min; the same passages as the day before %3.0f%%%n",
                    name,
                    100 * ready / dated,
                    100 * weighedReady / weighed,
                    100 * gap / seasons,
                    tense / seasons,
                    100 * overlap / Math.max(1, overlaps));
        }

        void printChances() {
            System.out.printf("%nChances told, a week or more before, and what became of them%n");
            for (int tenth = 0; tenth < 10; tenth++) {
                int from = tenth;
                List<Told> some = told.stream()
                        .filter(one -> Math.min(9, (int) (10 * one.chance)) == from)
                        .toList();
                if (!some.isEmpty()) {
                    System.out.printf(
                            Locale.ROOT,
                            "  told %3.0f%%  came %3.0f%%  of %d%n",
                            100 * some.stream().mapToDouble(Told::chance).average().orElseThrow(),
                            100.0 * some.stream().filter(Told::came).count() / some.size(),
                            some.size());
                }
            }
            double came = told.stream().filter(Told::came).count() / (double) told.size();
            System.out.printf(
                    Locale.ROOT,
                    "Brier score: by the plan %.3f, as it goes %.3f, always the mean %.3f%n",
                    brier(told.stream().mapToDouble(one -> off(one.chance, one.came))),
                    brier(told.stream().mapToDouble(one -> off(one.goes, one.came))),
                    brier(told.stream().mapToDouble(one -> off(came, one.came))));
        }

        private static double off(double chance, boolean came) {
            return (chance - (came ? 1 : 0)) * (chance - (came ? 1 : 0));
        }

        private static double brier(DoubleStream squares) {
            return squares.average().orElse(0);
        }
    }
}
