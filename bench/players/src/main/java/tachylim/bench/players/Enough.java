package tachylim.bench.players;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.NavigableMap;
import java.util.SplittableRandom;
import java.util.TreeMap;
import tachylim.load.Cap;
import tachylim.load.SymptomHistory;
import tachylim.load.DailyMinutes;
import tachylim.load.DayLoad;
import tachylim.load.Effort;
import tachylim.load.Guardrails;
import tachylim.load.History;
import tachylim.load.Limit;
import tachylim.load.SymptomRest;
import tachylim.method.School;
import tachylim.task.Tension;
import tachylim.workout.Allowance;
import tachylim.workout.Choices;
import tachylim.workout.Pass;
import tachylim.workout.Run;
import tachylim.workout.Segment;

/**
 * A hundred and twenty days of players who forget days, go away for weeks, hurt, have dates and change their minds about
 * their minutes, each day through guardrails, planner and run: whether any cap is passed, and which binds how often.
 */
final class Enough {

    private static final int DAYS = 120;
    private static final LocalDate FIRST = LocalDate.of(2026, 1, 5);
    private static final double ROUNDING = 1e-6;
    private static final School[] METHODS = {
        School.INTERVAL_BURSTS, School.STEADY_CLIMB, School.SWITCH_BURSTS, School.CREST_AND_SETTLE, School.ARCH
    };

    /** A cap counts as having bound when so much of it was used. */
    private static final double USED = 0.85;

    private int sessions;
    private int passedEffort;
    private int passedBursts;
    private int passedMinutes;
    private int passedWeeks;
    private int playedInRest;
    private int burstsTooEarly;
    private double most;
    private final Map<Cap.Rule, Integer> least = new EnumMap<>(Cap.Rule.class);
    private final Map<Cap.Rule, Integer> bound = new EnumMap<>(Cap.Rule.class);

    /** Plays some players, and prints what came of it. */
    static void trial(int players, long seed) {
        Enough all = new Enough();
        for (int i = 0; i < players; i++) {
            all.player(new SplittableRandom(seed * 7_919 + i), Kind.ALL[i % Kind.ALL.length]);
        }
        System.out.println(all);
    }

    private void player(SplittableRandom random, Kind kind) {
        Player player = new Player(kind, random.split());
        Practice practice = new Practice(player, random.split(), Choices.usual(), Ear.DEAF);
        NavigableMap<LocalDate, Effort> played = new TreeMap<>();
        Map<LocalDate, Double> bursts = new HashMap<>();
        DailyMinutes minutes = DailyMinutes.of(10 + random.nextInt(70), FIRST.minusDays(1));
        LocalDate away = FIRST.plusDays(random.nextInt(100));
        int awayFor = random.nextInt(28);
        List<LocalDate> dates =
                List.of(FIRST.plusDays(20 + random.nextInt(40)), FIRST.plusDays(70 + random.nextInt(50)));
        Instant symptom = null;
        boolean again = false;
        for (int n = 0; n < DAYS; n++) {
            LocalDate day = FIRST.plusDays(n);
            Instant now = day.atTime(18, 0).toInstant(ZoneOffset.UTC);
            if (random.nextInt(20) == 0) {
                minutes = minutes.asked(5 + random.nextInt(90), day);
            }
            boolean gone = !day.isBefore(away) && day.isBefore(away.plusDays(awayFor));
            if (gone || random.nextInt(7) == 0) {
                practice.night();
                continue;
            }
            History history = new History(day, played, bursts, Effort.planned(minutes.on(day)));
            Guardrails rails =
                    new Guardrails(minutes.on(day), care(symptom, again, now), history, dates, List.of());
            DayLoad load = session(practice, random, rails, now);
            check(rails, history, load, now);
            if (load.effort().isAny()) {
                played.put(day, load.effort());
                if (!load.worstTension().atLeast(Tension.GRIPPING)) {
                    bursts.put(day, load.burstSeconds());
                }
                practice.sleep();
            } else {
                practice.night();
            }
            if (load.worstTension() == Tension.LOCKED && random.nextInt(3) == 0 || random.nextInt(150) == 0) {
                again = symptom != null && SymptomHistory.isAgain(symptom, now);
                symptom = now;
            }
        }
    }

    private static SymptomHistory care(Instant symptom, boolean again, Instant now) {
        if (symptom == null) {
            return SymptomHistory.NONE;
        }
        Instant until = SymptomRest.after(symptom).until();
        return new SymptomHistory(symptom, until.isAfter(now) ? null : LocalDate.ofInstant(until, ZoneOffset.UTC), again);
    }

    /** Up to two workouts, the second by what the first has left. */
    private DayLoad session(Practice practice, SplittableRandom random, Guardrails rails, Instant now) {
        DayLoad load = DayLoad.NONE;
        for (int i = 0; i <= random.nextInt(2); i++) {
            Allowance left = Allowance.of(rails.today(load, now));
            if (rails.rest(now).isPresent() || !left.isWorthStarting()) {
                return load;
            }
            Run run = practice.day(Choices.usual(METHODS[random.nextInt(METHODS.length)]), left);
            sessions++;
            load = after(load, run);
        }
        return load;
    }

    private static DayLoad after(DayLoad before, Run run) {
        Effort effort = before.effort();
        double burstSeconds = before.burstSeconds();
        double playedSeconds = before.playedSeconds();
        Tension worst = before.worstTension();
        for (Segment segment : run.past()) {
            if (segment.step() instanceof Pass) {
                effort = effort.plus(segment.effort());
                burstSeconds += segment.burstSeconds();
                playedSeconds += segment.playedSeconds();
                worst = segment.after().tension().atLeast(worst) ? segment.after().tension() : worst;
            }
        }
        return new DayLoad(effort, burstSeconds, playedSeconds, worst);
    }

    private void check(Guardrails rails, History history, DayLoad load, Instant now) {
        Cap cap = rails.caps(now).get(0);
        least.merge(cap.rule(), 1, Integer::sum);
        if (load.effort().isMoreThan(cap.effort().times(USED))) {
            bound.merge(cap.rule(), 1, Integer::sum);
        }
        if (cap.effort().isAny()) {
            most = Math.max(most, load.effort().minutes() / cap.effort().minutes());
        }
        passedEffort += load.effort().minutes() > cap.effort().minutes() + ROUNDING ? 1 : 0;
        for (Limit limit : rails.today(DayLoad.NONE, now)) {
            if (limit.kind() == Limit.Kind.BURST_SECONDS) {
                passedBursts += load.burstSeconds() > limit.cap() + ROUNDING ? 1 : 0;
                burstsTooEarly += limit.cap() == 0 && load.burstSeconds() > ROUNDING ? 1 : 0;
            } else if (limit.kind() == Limit.Kind.PLAYING_MINUTES) {
                passedMinutes += load.playedSeconds() / 60 > limit.cap() + ROUNDING ? 1 : 0;
            }
        }
        playedInRest += rails.rest(now).isPresent() && load.effort().isAny() ? 1 : 0;
        if (rails.mostOfAWeek().isPresent()) {
            Effort before = before(history);
            Effort allowed = rails.mostOfAWeek().get().orMore(before.plus(Guardrails.LEAST_EFFORT));
            passedWeeks += before.plus(load.effort()).minutes() > allowed.minutes() + ROUNDING ? 1 : 0;
        }
    }

    private static Effort before(History history) {
        LocalDate today = history.today();
        return Effort.sum(history.played().subMap(today.minusDays(6), true, today, false).values().stream());
    }

    @Override
    public String toString() {
        StringBuilder text = new StringBuilder(String.format(
                Locale.ROOT,
                "%d workouts; passed: effort %d, bursts %d, minutes of playing %d, growth of the week %d; played in a rest %d,"
                        + " bursts where there are none %d; the most of a cap that was used: %.4f%n",
                sessions,
                passedEffort,
                passedBursts,
                passedMinutes,
                passedWeeks,
                playedInRest,
                burstsTooEarly,
                most));
        least.forEach((rule, days) -> text.append(String.format(
                Locale.ROOT,
                "  %-24s the least on %6d days, used up on %6d%n",
                rule.name(),
                days,
                bound.getOrDefault(rule, 0))));
        return text.toString();
    }
}
