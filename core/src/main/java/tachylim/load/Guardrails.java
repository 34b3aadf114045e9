package tachylim.load;

import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import tachylim.task.Tension;
import tachylim.words.Reason;

/**
 * Today's limits, from what the player usually plays, what the last weeks have been, what lies ahead, and what today has
 * been so far. Of the rules for effort the one that allows least sets the cap, and is named.
 *
 * <p>These are guardrails by rule of thumb, not forecasts of injury. This class is immutable.
 *
 * @param usualMinutes the minutes the player usually plays, {@value DailyMinutes#LEAST} to
 *     {@value DailyMinutes#MOST}
 * @param symptoms what a reported symptom means for today
 * @param history the days before
 * @param performances the days on which something is needed
 * @param ordered limits that somebody gave
 * @param told the days before with what was told of them today as well: that may lower today's caps, and raises those of
 *     tomorrow; empty where nothing was
 * @param lowest the lowest that today's caps have been; empty while nothing has changed them
 */
public record Guardrails(
        int usualMinutes,
        SymptomHistory symptoms,
        History history,
        Collection<LocalDate> performances,
        List<Ordered> ordered,
        Optional<History> told,
        Optional<Lowest> lowest) {

    /** Seconds of fast playing a day at first. */
    public static final double BURST_SECONDS = 90;

    /** Playing without a break, in seconds, and the break it then needs. */
    public static final double UNBROKEN_SECONDS = 25 * 60;

    public static final double BREAK_SECONDS = 5 * 60;

    /** Passes of one section a day, its warm-up not counted: beyond that hands repeat and learn little. A rule of thumb. */
    public static final int PASSES_OF_A_SECTION = 240;

    /** Playing time may exceed the usual minutes by this much, since effort is the stricter measure. */
    private static final double PLAYING_ROOM = 1.25;

    /** A day may have so much of a usual one. */
    static final double MOST_OF_USUAL = 1.5;

    /** Fewer days with playing in four weeks say nothing of a usual one. */
    static final int LEAST_DAYS = 5;

    /** The last seven days may have so much of the mean of the three weeks before. */
    public static final double MOST_GROWTH = 1.15;

    private static final int WEEKS_BEFORE = 3;

    /** The least that keeps hands in shape: no rule about averages allows less, since each would feed on itself. */
    public static final Effort LEAST_EFFORT = new Effort(8);

    /** Fast playing that was taken well: so much of the first cap used, and each such day adds so much of it, up to double. */
    private static final double TOLERATED_SHARE = 0.66;

    private static final double BURST_GROWTH = 0.05;

    /**
     * @throws IllegalArgumentException if the minutes are outside 5..600
     */
    public Guardrails {
        DailyMinutes.checked(usualMinutes);
        performances = List.copyOf(performances);
        ordered = List.copyOf(ordered);
    }

    /** Those of a day whose caps were not changed. */
    public Guardrails(
            int usualMinutes,
            SymptomHistory symptoms,
            History history,
            Collection<LocalDate> performances,
            List<Ordered> ordered) {
        this(usualMinutes, symptoms, history, performances, ordered, Optional.empty(), Optional.empty());
    }

    /** Those of a player of whom nothing is known yet. */
    public Guardrails(int usualMinutes, Instant lastSymptom) {
        this(
                usualMinutes,
                new SymptomHistory(lastSymptom, null, false),
                History.none(LocalDate.EPOCH, Effort.planned(usualMinutes)),
                List.of(),
                List.of());
    }

    /** The rest after a symptom, if there still is one. */
    public Optional<SymptomRest> rest(Instant now) {
        return Optional.ofNullable(symptoms.lastSymptom())
                .map(SymptomRest::after)
                .filter(rest -> rest.until().isAfter(now));
    }

    /** All limits of the day, the one with the largest used share first: that one is reached before the others. */
    public List<Limit> today(DayLoad day, Instant now) {
        return List.of(effort(day, now), bursts(day), minutes(day)).stream()
                .sorted(Comparator.comparingDouble(Limit::share).reversed())
                .toList();
    }

    /** What is said where something may be played outside a workout: empty while today has room. */
    public Optional<Reason> caution(DayLoad day, Instant now) {
        return today(day, now).stream()
                .filter(limit -> limit.kind() != Limit.Kind.BURST_SECONDS && limit.left() <= 0)
                .findFirst()
                .map(limit -> Reason.of(
                        "refusal.usedUp",
                        "unit",
                        limit.kind().unit(),
                        "used",
                        Math.round(limit.used()),
                        "cap",
                        Math.round(limit.cap())));
    }

    /**
     * Those of the day after, when today has come to so much effort: what lies ahead is looked at by the same rules.
     *
     * @param restOver the day on which the rest after a symptom is over; null when there was none
     */
    public Guardrails after(Effort effort, LocalDate restOver) {
        History later = told.orElse(history).after(effort);
        boolean over = restOver != null && !restOver.isAfter(later.today());
        return new Guardrails(
                usualMinutes,
                new SymptomHistory(symptoms.lastSymptom(), over ? restOver : null, symptoms.burstsLocked()),
                later,
                performances,
                ordered);
    }

    private Limit effort(DayLoad day, Instant now) {
        Cap least = caps(now).get(0);
        return new Limit(
                Limit.Kind.EFFORT, least.effort().minutes(), day.effort().minutes(), least.why());
    }

    /** Every rule that caps the effort of today, the one that allows least first. */
    public List<Cap> caps(Instant now) {
        List<Cap> caps = new ArrayList<>();
        if (rest(now).isPresent()) {
            caps.add(new Cap(
                    Cap.Rule.SYMPTOM, Effort.NONE, Reason.of("cap.symptom", "hours", SymptomRest.LENGTH.toHours())));
        }
        caps.add(new Cap(Cap.Rule.OWN, Effort.planned(usualMinutes), Reason.of("cap.own", "minutes", usualMinutes)));
        Optional<Return> back = backAsKnown();
        back.ifPresent(one -> caps.add(new Cap(Cap.Rule.RETURN, one.cap(), one.why())));
        if (back.isEmpty()) {
            average().ifPresent(caps::add);
            week().ifPresent(caps::add);
        }
        usualDay().ifPresent(caps::add);
        taper().ifPresent(caps::add);
        orders(Limit.Kind.EFFORT).forEach(one -> caps.add(new Cap(Cap.Rule.ORDERED, new Effort(one.cap()), one.why())));
        asTold().ifPresent(other -> lower(caps, other.caps(now)));
        List<Cap> sorted = new ArrayList<>(
                caps.stream().sorted(Comparator.comparing(Cap::effort)).toList());
        lowest.flatMap(Lowest::effort)
                .filter(earlier -> sorted.get(0).effort().isMoreThan(earlier.effort()))
                .ifPresent(
                        earlier -> sorted.add(0, new Cap(Cap.Rule.EARLIER, earlier.effort(), onlyDown(earlier.why()))));
        return List.copyOf(sorted);
    }

    /** Those of a day of which all was told in time. */
    private Optional<Guardrails> asTold() {
        return told.map(days -> new Guardrails(usualMinutes, symptoms, days, performances, ordered));
    }

    /** With what is lower by each rule. */
    private static void lower(List<Cap> caps, List<Cap> others) {
        for (Cap other : others) {
            Optional<Cap> same =
                    caps.stream().filter(cap -> cap.rule() == other.rule()).findFirst();
            if (same.isEmpty() || same.get().effort().isMoreThan(other.effort())) {
                same.ifPresent(caps::remove);
                caps.add(other);
            }
        }
    }

    private static Reason onlyDown(Reason why) {
        return Reason.of("cap.onlyDown", "why", why);
    }

    /** What today's caps are at the most from now on. */
    public Lowest lowest(DayLoad day, Instant now) {
        Optional<Cap> effort = caps(now).stream()
                .filter(cap -> cap.rule() != Cap.Rule.OWN && cap.rule() != Cap.Rule.SYMPTOM)
                .findFirst();
        return new Lowest(
                lowest.flatMap(Lowest::effort)
                        .filter(earlier -> effort.isEmpty() || effort.get().rule() == Cap.Rule.EARLIER)
                        .or(() -> effort),
                lowest.map(Lowest::bursts)
                        .filter(earlier ->
                                earlier.cap() <= burstsByTheRules(day).cap())
                        .orElseGet(() -> burstsByTheRules(day)));
    }

    /** The return that today is in, if it is. */
    public Optional<Return> back() {
        Optional<Return> late = asTold().flatMap(Guardrails::back);
        Optional<Return> known = backAsKnown();
        return late.isPresent()
                        && (known.isEmpty()
                                || known.get().cap().isMoreThan(late.get().cap()))
                ? late
                : known;
    }

    private Optional<Return> backAsKnown() {
        Optional<Return> symptom =
                Optional.ofNullable(symptoms.restOver()).flatMap(over -> Return.afterSymptom(history, over));
        Optional<Return> layoff = Return.afterLayoff(history);
        return symptom.isPresent()
                        && (layoff.isEmpty()
                                || layoff.get().cap().isMoreThan(symptom.get().cap()))
                ? symptom
                : layoff;
    }

    private Optional<Cap> average() {
        if (history.days() < History.WEEK) {
            return Optional.empty();
        }
        Baselines averages = history.baselines();
        return Optional.of(new Cap(
                Cap.Rule.AVERAGE,
                LEAST_EFFORT.orMore(averages.mostToday()),
                Reason.of(
                        "cap.average",
                        "week",
                        averages.week(),
                        "month",
                        averages.month(),
                        "ratio",
                        Baselines.MOST_RATIO)));
    }

    private Optional<Cap> usualDay() {
        return history.median(history.today(), LEAST_DAYS)
                .map(median -> new Cap(
                        Cap.Rule.USUAL_DAY,
                        LEAST_EFFORT.orMore(median.times(MOST_OF_USUAL)),
                        Reason.of("cap.usualDay", "usual", median)));
    }

    /** What seven days may come to; empty where nothing is asked of their growth. */
    public Optional<Effort> mostOfAWeek() {
        return mayAWeekGrow() ? Optional.of(weeksBefore().times(MOST_GROWTH)) : Optional.empty();
    }

    private boolean mayAWeekGrow() {
        return history.days() >= History.MONTH && !Return.isNear(history);
    }

    private Effort weeksBefore() {
        return new Effort(history.sum(History.MONTH - 1, History.WEEK).minutes() / WEEKS_BEFORE);
    }

    /** Weeks of a layoff are nothing to grow from: there the return has led back to a usual day by its own steps. */
    private Optional<Cap> week() {
        if (!mayAWeekGrow()) {
            return Optional.empty();
        }
        Effort before = weeksBefore();
        Effort since = history.sum(History.WEEK - 1, 1);
        return Optional.of(new Cap(
                Cap.Rule.WEEK,
                LEAST_EFFORT.orMore(before.times(MOST_GROWTH).less(since)),
                Reason.of(
                        "cap.week",
                        "before",
                        Math.round(before.minutes()),
                        "percent",
                        Math.round(100 * MOST_GROWTH),
                        "since",
                        Math.round(since.minutes()))));
    }

    private Optional<Cap> taper() {
        Effort own = Effort.planned(usualMinutes);
        Effort usual = own.orLess(history.median(history.today(), LEAST_DAYS).orElse(own));
        return Taper.before(performances, history.today())
                .map(taper -> new Cap(
                        Cap.Rule.TAPER,
                        usual.times(taper.share()),
                        Reason.of(
                                "cap.taper",
                                "days",
                                taper.daysLeft(),
                                "percent",
                                Math.round(100 * taper.share()),
                                "usual",
                                Math.round(usual.minutes()))));
    }

    private List<Ordered> orders(Limit.Kind kind) {
        return ordered.stream().filter(one -> one.kind() == kind).toList();
    }

    private Limit bursts(DayLoad day) {
        Limit now = burstsByTheRules(day);
        return lowest.map(Lowest::bursts)
                .filter(earlier -> earlier.cap() < now.cap())
                .map(earlier ->
                        new Limit(Limit.Kind.BURST_SECONDS, earlier.cap(), day.burstSeconds(), onlyDown(earlier.why())))
                .orElse(now);
    }

    private Limit burstsByTheRules(DayLoad day) {
        Limit ours = asTold().map(other -> other.burstsByTheRules(day))
                .filter(other -> other.cap() < ownBursts(day).cap())
                .orElseGet(() -> ownBursts(day));
        return orders(Limit.Kind.BURST_SECONDS).stream()
                .min(Comparator.comparingDouble(Ordered::cap))
                .filter(one -> one.cap() < ours.cap())
                .map(one -> new Limit(Limit.Kind.BURST_SECONDS, one.cap(), day.burstSeconds(), one.why()))
                .orElse(ours);
    }

    private Limit ownBursts(DayLoad day) {
        if (day.worstTension() == Tension.LOCKED) {
            return noBursts(day, Reason.of("bursts.locked"));
        }
        if (symptoms.burstsLocked()) {
            return noBursts(day, Reason.of("bursts.twoSymptoms", "days", SymptomHistory.AGAIN_DAYS));
        }
        Optional<Return> back = back();
        if (back.isPresent() && back.get().isTooEarlyForBursts()) {
            return noBursts(day, Reason.of("bursts.comingBack"));
        }
        Optional<Taper> taper = Taper.before(performances, history.today());
        if (taper.isPresent() && taper.get().isTooLateForBursts()) {
            return noBursts(day, Reason.of("bursts.taper", "days", taper.get().daysLeft()));
        }
        long well = history.tolerated(TOLERATED_SHARE * BURST_SECONDS);
        double cap = BURST_SECONDS * Math.min(2, 1 + BURST_GROWTH * well);
        return new Limit(
                Limit.Kind.BURST_SECONDS,
                cap,
                day.burstSeconds(),
                well == 0
                        ? Reason.of("bursts.first", "seconds", Math.round(BURST_SECONDS))
                        : Reason.of(
                                "bursts.well",
                                "seconds",
                                Math.round(BURST_SECONDS),
                                "percent",
                                Math.round(100 * BURST_GROWTH),
                                "well",
                                well));
    }

    private static Limit noBursts(DayLoad day, Reason why) {
        return new Limit(Limit.Kind.BURST_SECONDS, 0, day.burstSeconds(), why);
    }

    private Limit minutes(DayLoad day) {
        double own = usualMinutes * PLAYING_ROOM;
        Optional<Ordered> given = orders(Limit.Kind.PLAYING_MINUTES).stream()
                .min(Comparator.comparingDouble(Ordered::cap))
                .filter(one -> one.cap() < own);
        return new Limit(
                Limit.Kind.PLAYING_MINUTES,
                given.map(Ordered::cap).orElse(own),
                day.playedSeconds() / 60,
                given.map(Ordered::why)
                        .orElse(Reason.of(
                                "cap.playing",
                                "percent",
                                Math.round(100 * (PLAYING_ROOM - 1)),
                                "minutes",
                                usualMinutes)));
    }
}
