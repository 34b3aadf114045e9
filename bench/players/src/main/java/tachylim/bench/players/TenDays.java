package tachylim.bench.players;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.LinkedList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.NavigableMap;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.Set;
import java.util.SplittableRandom;
import java.util.TreeMap;
import java.util.stream.IntStream;
import org.apache.commons.numbers.fraction.Fraction;
import tachylim.ceiling.Forecast;
import tachylim.ceiling.Known;
import tachylim.ceiling.Moments;
import tachylim.ceiling.Posterior;
import tachylim.load.Condition;
import tachylim.load.DayLoad;
import tachylim.load.Effort;
import tachylim.load.Guardrails;
import tachylim.load.History;
import tachylim.load.SymptomHistory;
import tachylim.method.School;
import tachylim.passage.InstrumentFamily;
import tachylim.passage.Meter;
import tachylim.passage.PaperPattern;
import tachylim.passage.Passage;
import tachylim.season.Candidate;
import tachylim.season.DaysSections;
import tachylim.season.Gains;
import tachylim.season.Goal;
import tachylim.season.Growth;
import tachylim.season.Importance;
import tachylim.season.Season;
import tachylim.task.PassKind;
import tachylim.tempo.Tempo;
import tachylim.words.Reason;
import tachylim.workout.Allowance;
import tachylim.workout.Block;
import tachylim.workout.Brief;
import tachylim.workout.Choices;
import tachylim.workout.Event;
import tachylim.workout.Part;
import tachylim.workout.Pass;
import tachylim.workout.Planner;
import tachylim.workout.Rest;
import tachylim.workout.Run;
import tachylim.workout.Segment;
import tachylim.workout.Theme;
import tachylim.workout.WhichMethod;

/**
 * Ten consecutive days of four players with several passages, chosen, planned and played as Today does, in words to be read as
 * a teacher would; and how much a day is like those before it.
 */
final class TenDays {

    private static final int DAYS = 10;
    private static final LocalDate FIRST = LocalDate.of(2026, 3, 2);
    private static final Kind KIND =
            new Kind("ten days", Curve.LOGISTIC, Bursts.INDEPENDENT_TRANSITIONS, 0.02, 0.06, 0.1, 0.02, 0.003);

    /** Neighbouring days may have so much in common, of passages, methods, order and groundwork. */
    private static final double MOST_ALIKE = 0.6;

    private TenDays() {}

    /** Somebody with some passages. */
    private record Who(String name, int minutes, List<Wanted> passages) {}

    /**
     * A passage as it is wanted.
     *
     * @param bars how long it is
     * @param gap how far its target is above the true ceiling, as a factor
     * @param days when it is needed; 0 without a date
     */
    private record Wanted(String title, int bars, double gap, int days) {}

    private static final Map<Part, String> CALLED = Map.of(
            Part.WARM_UP, "warm-up",
            Part.OPENER, "controlled",
            Part.PREPARE, "groundwork",
            Part.MEASURE, "measuring",
            Part.CORE, "main work",
            Part.CLOSER, "cool-down",
            Part.PERFORM, "performance",
            Part.STUDY, "study");

    private static final List<Who> PLAYERS = List.of(
            new Who("Odile, 25 minutes", 25, List.of(new Wanted("Kestrel Weather", 2, 1.18, 40), new Wanted("Tin Roof Toccata", 4, 1.1, 25), new Wanted("Nine Lanterns", 2, 0.97, 0))),
            new Who("Bram, 40 minutes", 40, List.of(new Wanted("Saltmarsh Study", 1, 1.25, 0), new Wanted("Gable Reel", 2, 1.12, 60), new Wanted("Low Tide", 4, 1.08, 12), new Wanted("Moth", 2, 1.02, 0), new Wanted("Sill", 1, 0.95, 0))),
            new Who("Ines, one passage, 20 minutes", 20, List.of(new Wanted("Ferry Bells", 2, 1.15, 0))),
            new Who("Teo, an hour", 60, List.of(new Wanted("Cold Harbour", 8, 1.2, 84), new Wanted("Two Kites", 2, 1.3, 30))));

    static void all(long seed) {
        double worst = 0;
        for (int i = 0; i < PLAYERS.size(); i++) {
            Life life = new Life(PLAYERS.get(i), KIND, true, new SplittableRandom(seed * 7_919 + i));
            System.out.printf("%n## %s%n%n", PLAYERS.get(i).name);
            for (int day = 0; day < DAYS; day++) {
                life.day(day);
            }
            worst = Math.max(worst, life.report());
        }
        System.out.printf(
                Locale.ROOT,
                "%nThe day most like the one before shares %.0f%% with it (mean over ten days); no more than %.0f%% is wanted: %s%n",
                100 * worst,
                100 * MOST_ALIKE,
                worst <= MOST_ALIKE ? "kept" : "MISSED");
    }

    /** Weeks of players who learn fast, with several passages near their targets: how soon it is seen that one is there. */
    static void noticed(int players, long seed) {
        Kind quick = new Kind(
                "quick", Curve.LOGISTIC, Bursts.INDEPENDENT_TRANSITIONS, 0.02, 0.06, 0.1, 0.02, 0.012);
        List<Piece> there = IntStream.range(0, players)
                .parallel()
                .mapToObj(i -> {
                    SplittableRandom random = new SplittableRandom(seed * 104_729 + i);
                    List<Wanted> wanted = IntStream.range(0, 3 + random.nextInt(2))
                            .mapToObj(k -> new Wanted(
                                    "passage " + k, 1 << random.nextInt(3), 1.02 + 0.05 * random.nextDouble(), 0))
                            .toList();
                    Life life = new Life(new Who("", 25 + 5 * random.nextInt(4), wanted), quick, false, random);
                    for (int day = 0; day < WEEKS * 7; day++) {
                        life.day(day);
                    }
                    return life.pieces;
                })
                .flatMap(List::stream)
                .filter(piece -> piece.reached >= 0 && piece.reached < WEEKS * 7 - 3)
                .toList();
        List<Integer> delays = there.stream()
                .map(piece -> piece.seen < 0 ? Integer.MAX_VALUE : piece.seen - piece.reached)
                .sorted()
                .toList();
        System.out.printf(
                Locale.ROOT,
                "%nOf %d passages that came to their target: seen within three days %.0f%%, within a week %.0f%%, more than three days too early %.0f%%, never %.0f%%%n",
                there.size(),
                100.0 * delays.stream().filter(one -> one <= 3).count() / there.size(),
                100.0 * delays.stream().filter(one -> one <= 7).count() / there.size(),
                100.0 * delays.stream().filter(one -> one < -3).count() / there.size(),
                100.0 * delays.stream().filter(one -> one == Integer.MAX_VALUE).count() / there.size());
    }

    private static final int WEEKS = 5;

    private static final class Piece {

        final Wanted wanted;
        final Player player;
        final Passage music;
        final Tempo target;
        final List<Gains.Day> days = new ArrayList<>();
        final List<Forecast.Measured> measured = new ArrayList<>();
        final LinkedHashSet<String> lately = new LinkedHashSet<>();
        final LinkedList<School> schools = new LinkedList<>();
        Posterior belief;
        Optional<Tempo> lastClimb = Optional.empty();
        int last = -1;
        int main = -1;
        int reached = -1;
        int seen = -1;

        Piece(Wanted wanted, Kind kind, SplittableRandom random) {
            this.wanted = wanted;
            this.player = new Player(kind, random.split());
            this.music = new PaperPattern(new Meter(4, 4), Fraction.of(1, 4), wanted.bars, List.of(4)).toPassage();
            this.target = Tempo.clamped(player.ceiling() * wanted.gap).onMetronome();
            this.belief = Posterior.prior(
                    Tempo.clamped(player.ceiling() * Math.exp(0.12 * Gauss.of(random))), Posterior.PLAYED_SD);
        }

        Tempo ceiling() {
            return belief.estimate().ceiling().middle();
        }
    }

    private static final class Life {

        private final Who who;
        private final boolean told;
        private final List<Piece> pieces = new ArrayList<>();
        private final NavigableMap<LocalDate, Effort> played = new TreeMap<>();
        private final List<Set<String>> plans = new ArrayList<>();

        Life(Who who, Kind kind, boolean told, SplittableRandom random) {
            this.who = who;
            this.told = told;
            who.passages.forEach(one -> pieces.add(new Piece(one, kind, random)));
            for (int ago = 1; ago <= 28; ago++) {
                played.put(FIRST.minusDays(ago), new Effort(who.minutes * 0.9));
            }
        }

        private Guardrails rails(int day) {
            return new Guardrails(
                    who.minutes,
                    SymptomHistory.NONE,
                    new History(FIRST.plusDays(day), played, Map.of(), new Effort(who.minutes)),
                    List.of(),
                    List.of());
        }

        void day(int day) {
            LocalDate today = FIRST.plusDays(day);
            Instant now = today.atStartOfDay().toInstant(ZoneOffset.UTC);
            Guardrails rails = rails(day);
            Season season = Season.plan(
                    goals(day), rails, Effort.NONE, now, null, new Season.Wishes(who.minutes, Set.of(), Map.of()));
            Allowance left = Allowance.of(rails.today(DayLoad.NONE, now));
            DaysSections chosen = DaysSections.of(
                    IntStream.range(0, pieces.size())
                            .mapToObj(i -> candidate(i, day, season.owed().get((long) i)))
                            .toList(),
                    who.minutes,
                    left.effort());
            List<Piece> about = chosen.chosen().stream()
                    .map(one -> pieces.get((int) one.section().id()))
                    .toList();
            List<Theme> themes = about.stream().map(piece -> theme(piece)).toList();
            Piece lead = about.get(0);
            WhichMethod which = WhichMethod.now(themes.get(0), daysLeft(lead, day), left, lead.schools);
            Run run = Run.start(Planner.plan(new Brief(
                    themes,
                    List.of(),
                    who.minutes,
                    Choices.usual(which.school()),
                    left,
                    Condition.FRESH,
                    List.of(),
                    Reason.NONE)));
            if (told) {
                tell(day, about, which, run);
            }
            play(day, about, run);
            lead.schools.addFirst(which.school());
        }

        private List<Goal> goals(int day) {
            Gains gains = Gains.of(pieces.stream().map(piece -> piece.days).toList());
            return IntStream.range(0, pieces.size())
                    .mapToObj(i -> new Goal(
                            i,
                            pieces.get(i).target,
                            pieces.get(i).ceiling(),
                            pieces.get(i).wanted.days == 0 ? null : FIRST.plusDays(pieces.get(i).wanted.days),
                            new Growth(
                                    pieces.get(i).belief.logCeiling(),
                                    gains.passages().get(i),
                                    gains.loss().mean(),
                                    Forecast.of(pieces.get(i).measured).isPresent()),
                            Importance.USUAL,
                            since(pieces.get(i), day)))
                    .toList();
        }

        private static OptionalLong since(Piece piece, int day) {
            return piece.last < 0 ? OptionalLong.empty() : OptionalLong.of(day - piece.last);
        }

        private static OptionalLong daysLeft(Piece piece, int day) {
            return piece.wanted.days <= day ? OptionalLong.empty() : OptionalLong.of(piece.wanted.days - day);
        }

        private Candidate candidate(int i, int day, double owed) {
            Piece piece = pieces.get(i);
            return new Candidate(
                    i,
                    i,
                    piece.target,
                    piece.ceiling(),
                    piece.belief.estimate().enoughEvidence(),
                    owed,
                    daysLeft(piece, day),
                    since(piece, day),
                    piece.main < 0 ? OptionalLong.empty() : OptionalLong.of(day - piece.main),
                    true,
                    InstrumentFamily.MALLET);
        }

        private static Theme theme(Piece piece) {
            List<String> latest = new ArrayList<>(piece.lately);
            Collections.reverse(latest);
            return Theme.of(piece.music, piece.target, Known.of(piece.belief))
                    .climbedTo(piece.lastClimb)
                    .lately(latest);
        }

        private void tell(int day, List<Piece> about, WhichMethod which, Run run) {
            List<Segment> ahead = run.ahead();
            Map<Integer, Double> seconds = new LinkedHashMap<>();
            ahead.forEach(one -> seconds.merge(one.block(), one.seconds(), Double::sum));
            List<String> blocks = new ArrayList<>();
            Set<String> plan = new HashSet<>();
            seconds.forEach((index, lasting) -> {
                Block block = run.blocks().get(index);
                String title = about.get(block.theme()).wanted.title;
                String in = block.music().variation().isEmpty() ? "" : " in " + block.music().variation();
                blocks.add(String.format(
                        Locale.ROOT,
                        "%s %s%s %.0f'",
                        CALLED.get(block.part()),
                        title,
                        in,
                        lasting / 60));
                if (block.part() == Part.PREPARE) {
                    plan.add(title + in);
                }
                if (block.part() == Part.CORE) {
                    plan.add(title + " by " + which.school());
                }
            });
            plan.add("first " + about.get(0).wanted.title);
            about.forEach(piece -> plan.add(piece.wanted.title));
            plans.add(plan);
            long bursts = ahead.stream()
                    .filter(one -> one.step() instanceof Pass pass && pass.kind() == PassKind.BURST)
                    .count();
            System.out.printf(
                    Locale.ROOT,
                    "- Day %d, %s: %s. %d bursts.%n  %s%n",
                    day + 1,
                    which.school().word(),
                    String.join(", ", about.stream()
                            .map(piece -> String.format(
                                    Locale.ROOT,
                                    "%s %.0f ± %.0f (in truth %.0f) of %.0f",
                                    piece.wanted.title,
                                    piece.ceiling().bpm(),
                                    piece.belief.estimate().ceiling().giveOrTake()
                                            * piece.ceiling().bpm(),
                                    piece.player.ceiling(),
                                    piece.target.bpm()))
                            .toList()),
                    bursts,
                    String.join("; ", blocks));
        }

        private void play(int day, List<Piece> about, Run begun) {
            Run run = begun;
            List<Moments> morning =
                    about.stream().map(piece -> piece.belief.logCeiling()).toList();
            while (!run.isDone()) {
                if (run.step() instanceof Rest rest) {
                    run = run.after(new Event.Rested(rest.seconds()));
                } else {
                    Piece piece = about.get(run.blocks().get(run.block()).theme());
                    run = run.after(Practice.event((Pass) run.step(), Practice.answer(run, piece.player, Ear.DEAF)));
                }
            }
            double[] effort = new double[about.size()];
            for (Segment segment : run.past()) {
                Block block = run.blocks().get(segment.block());
                Piece piece = about.get(block.theme());
                effort[block.theme()] += segment.effort().minutes();
                if (block.part() == Part.PREPARE && segment.step() instanceof Pass) {
                    piece.lately.remove(block.music().variation());
                    piece.lately.add(block.music().variation());
                }
                if (segment.part() == Part.CORE && segment.step() instanceof Pass) {
                    piece.main = day;
                }
                if (segment.part() == Part.OPENER && segment.step() instanceof Pass pass) {
                    piece.lastClimb = Optional.of(pass.tempo());
                }
            }
            for (int i = 0; i < about.size(); i++) {
                Piece piece = about.get(i);
                piece.belief = run.known(i).belief().orElseThrow();
                piece.measured.add(new Forecast.Measured(day, morning.get(i), piece.belief.logCeiling()));
                piece.days.add(new Gains.Day(
                        day, effort[i], piece.measured.get(piece.measured.size() - 1).own()));
                piece.last = day;
                piece.player.practised();
            }
            for (Piece piece : pieces) {
                if (piece.reached < 0 && piece.player.ceiling() >= piece.target.bpm()) {
                    piece.reached = day;
                }
                if (piece.seen < 0 && piece.ceiling().compareTo(piece.target) >= 0) {
                    piece.seen = day;
                }
                piece.player.wake();
                piece.belief = piece.belief.afterDays(1);
            }
            played.put(FIRST.plusDays(day), run.tally().effort());
        }

        /** What was noticed, what lay, and how much neighbouring days have in common. */
        double report() {
            double alike = 0;
            for (int day = 1; day < DAYS; day++) {
                Set<String> both = new HashSet<>(plans.get(day));
                both.retainAll(plans.get(day - 1));
                Set<String> either = new HashSet<>(plans.get(day));
                either.addAll(plans.get(day - 1));
                alike += both.size() / (double) either.size() / (DAYS - 1);
            }
            System.out.println();
            for (Piece piece : pieces) {
                System.out.printf(
                        Locale.ROOT,
                        "  %s: at its target in truth %s, seen %s; last played on day %d%n",
                        piece.wanted.title,
                        piece.reached < 0 ? "never" : "on day " + (piece.reached + 1),
                        piece.seen < 0 ? "never" : "on day " + (piece.seen + 1),
                        piece.last + 1);
            }
            System.out.printf(
                    Locale.ROOT,
                    "  Neighbouring days have %.0f%% in common; %d of %d plans differ.%n",
                    100 * alike,
                    new HashSet<>(plans).size(),
                    DAYS);
            return alike;
        }
    }
}
