package tachylim.server.ceiling;

import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.data.domain.Limit;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tachylim.ceiling.Estimate;
import tachylim.ceiling.Evidence;
import tachylim.ceiling.Forecast;
import tachylim.ceiling.Heritage;
import tachylim.ceiling.Learning;
import tachylim.ceiling.Posterior;
import tachylim.ceiling.Smoother;
import tachylim.ceiling.TensionCurve;
import tachylim.ceiling.Tiring;
import tachylim.passage.Section;
import tachylim.server.account.SignedIn;
import tachylim.server.ceiling.PlayedPassRepository.OfSection;
import tachylim.task.Tension;
import tachylim.tempo.Tempo;

/** The standings of sections: what is believed of them, and how they have moved. */
@Service
public class StandingService {

    private static final int MOST_DAYS = 730;

    /** So many sections, those that were played last, tell how much a player tires. */
    private static final int TELLING = 8;

    private static final int MOST_FORGOTTEN = 500;

    private final BeliefRepository beliefs;
    private final CeilingDayRepository days;
    private final PlayedPassRepository passes;

    StandingService(BeliefRepository beliefs, CeilingDayRepository days, PlayedPassRepository passes) {
        this.beliefs = beliefs;
        this.days = days;
        this.passes = passes;
    }

    /** What is known of each section on a day, in two queries; the beliefs themselves are read only when asked for. */
    @Transactional(readOnly = true)
    public Map<Long, Standing> standings(SignedIn who, List<Subject> subjects, LocalDate day) {
        List<Long> ids = subjects.stream().map(Subject::sectionId).toList();
        if (ids.isEmpty()) {
            return Map.of();
        }
        Map<Long, EstimateOfDay> said = beliefs.said(who.accountId(), ids).stream()
                .collect(Collectors.toMap(EstimateOfDay::sectionId, Function.identity()));
        Map<Long, TensionCurve> asked = asked(who, subjects, said, day);
        Map<Long, Standing> standings = new HashMap<>();
        for (Subject subject : subjects) {
            EstimateOfDay known = said.get(subject.sectionId());
            TensionCurve tension = asked.get(subject.sectionId());
            Optional<Tempo> alert = tension != null
                    ? tension.tempoAt(TensionCurve.ALERT)
                    : Optional.ofNullable(known).flatMap(one -> one.alertOn(day));
            standings.put(
                    subject.sectionId(),
                    new Standing(
                            estimate(subject, known, day).under(alert),
                            alert,
                            known == null ? null : known.day(),
                            Optional.ofNullable(known).flatMap(EstimateOfDay::doubtedCeiling),
                            () -> belief(who, subject, day)));
        }
        return standings;
    }

    /** How tense the sections are of which that is not kept: those from before it was, and those grown from others. */
    private Map<Long, TensionCurve> asked(
            SignedIn who, List<Subject> subjects, Map<Long, EstimateOfDay> said, LocalDate day) {
        List<Subject> unknown = subjects.stream()
                .filter(subject -> {
                    EstimateOfDay known = said.get(subject.sectionId());
                    return known == null ? subject.grownFrom() != null : !known.feltKept();
                })
                .toList();
        return unknown.isEmpty()
                ? Map.of()
                : felt(who, unknown, day).entrySet().stream()
                        .collect(Collectors.toMap(Map.Entry::getKey, one -> TensionCurve.through(one.getValue())));
    }

    /** How tension has risen with tempo on a section lately. */
    @Transactional(readOnly = true)
    public TensionCurve tension(SignedIn who, Subject subject, LocalDate day) {
        return TensionCurve.through(felt(who, List.of(subject), day).getOrDefault(subject.sectionId(), List.of()));
    }

    /** Takes note of what was felt on a section that something is believed of. */
    @Transactional
    public void felt(SignedIn who, Subject subject, LocalDate day) {
        beliefs.findById(subject.sectionId())
                .ifPresent(belief -> belief.felt(tension(who, subject, day).tempoAt(TensionCurve.ALERT)));
    }

    /** What was said of a section when it was last played, brought to a day; a guess when it never was. */
    private Estimate estimate(Subject subject, EstimateOfDay known, LocalDate day) {
        if (known == null) {
            return Posterior.guessed(Tempo.of(subject.guessBpm()), guessSd(subject));
        }
        StoredEstimate said = known.estimate();
        return said.estimate(known.passes()).later(ChronoUnit.DAYS.between(known.day(), day), said.gain());
    }

    private Posterior belief(SignedIn who, Subject subject, LocalDate day) {
        return beliefs.findById(subject.sectionId())
                .map(belief -> belief.on(day))
                .orElseGet(() -> prior(who, subject));
    }

    @Transactional(readOnly = true)
    public Standing standing(SignedIn who, Subject subject, LocalDate day) {
        return standings(who, List.of(subject), day).get(subject.sectionId());
    }

    /** What was felt lately on each section, and on the one it has grown from at the same speed. */
    private Map<Long, List<TensionCurve.Felt>> felt(SignedIn who, List<Subject> subjects, LocalDate day) {
        List<Long> ids = subjects.stream()
                .flatMap(one -> Stream.of(one.sectionId(), one.grownFrom()))
                .filter(Objects::nonNull)
                .distinct()
                .toList();
        Map<Long, List<PlayedPassRepository.FeltPass>> bySection =
                passes.felt(who.accountId(), ids, day.minusDays(TensionCurve.DAYS)).stream()
                        .collect(Collectors.groupingBy(PlayedPassRepository.FeltPass::sectionId));
        return subjects.stream()
                .collect(Collectors.toMap(
                        Subject::sectionId,
                        one -> Stream.concat(
                                        felt(bySection.get(one.sectionId()), 1),
                                        felt(bySection.get(one.grownFrom()), one.tempoRatio()))
                                .toList()));
    }

    private static Stream<TensionCurve.Felt> felt(List<PlayedPassRepository.FeltPass> passes, double ratio) {
        return passes == null
                ? Stream.empty()
                : passes.stream().map(pass -> new TensionCurve.Felt(Tempo.of(pass.tempo()), felt(pass)).at(ratio));
    }

    /** Where an edge was marked, tension was at the edge at least. */
    private static Tension felt(PlayedPassRepository.FeltPass pass) {
        Tension said = Tension.of(pass.tension());
        return pass.edge() == null || said.atLeast(Tension.EDGE) ? said : Tension.EDGE;
    }

    /** A new section is one of a player who tires as they do. */
    private Posterior prior(SignedIn who, Subject subject) {
        return Posterior.prior(Tempo.of(subject.guessBpm()), guessSd(subject)).tiringLike(tiring(who));
    }

    /** How much playing tires a player, by the sections that were played last. */
    @Transactional(readOnly = true)
    public Tiring tiring(SignedIn who) {
        return Tiring.of(beliefs.findByAccountIdOrderByDayDesc(who.accountId(), Limit.of(TELLING)).stream()
                .map(belief -> belief.on(belief.day()))
                .toList());
    }

    /** Forgets how much playing tires a player, and what the ceilings owe to it: all else that is believed stays. */
    @Transactional
    public void forgetTiring(SignedIn who) {
        beliefs.findByAccountIdOrderByDayDesc(who.accountId(), Limit.of(MOST_FORGOTTEN))
                .forEach(belief -> belief.keep(belief.on(belief.day()).tiringLike(Tiring.USUAL)));
    }

    private static double guessSd(Subject subject) {
        return subject.guessPlayed() ? Posterior.PLAYED_SD : Posterior.GUESS_SD;
    }

    /** Learns from what was played at once, on its day. The section is the caller's to have checked. */
    @Transactional
    public void learn(SignedIn who, Subject subject, LocalDate day, List<Evidence> evidence) {
        StoredBelief belief = beliefs.findById(subject.sectionId())
                .orElseGet(() ->
                        beliefs.save(new StoredBelief(subject.sectionId(), who.accountId(), day, prior(who, subject))));
        LocalDate at = belief.dayOf(day);
        Posterior before = belief.on(at);
        CeilingDay today = days.findById(new CeilingDay.Key(subject.sectionId(), at))
                .orElseGet(() -> {
                    CeilingDay first = new CeilingDay(who.accountId(), subject.sectionId(), at);
                    first.morning(before);
                    return days.save(first);
                });
        Learning learning = belief.learning(at);
        for (Evidence one : evidence) {
            learning = learning.after(one);
        }
        Posterior learnt = learning.belief();
        belief.learned(learning, at);
        Optional<Tempo> alert = tension(who, subject, day).tempoAt(TensionCurve.ALERT);
        belief.felt(alert);
        today.record(learnt.estimate().under(alert), learnt);
    }

    /** Why a ceiling did not fit, as the player says. */
    public enum Because {
        /** A bad day: what was believed before holds. */
        TODAY,
        /** Other or harder music, or the hand is not what it was: what was heard holds. */
        MUSIC,
        /** The answers were off: what was believed before holds, and the log may be corrected. */
        ANSWERS
    }

    /** Settles a doubt; where there is none, nothing happens. */
    @Transactional
    public void settle(SignedIn who, Subject subject, LocalDate day, Because because) {
        StoredBelief belief = beliefs.findById(subject.sectionId()).orElse(null);
        if (belief == null || belief.doubted().isEmpty()) {
            return;
        }
        if (because == Because.MUSIC) {
            belief.settle();
            return;
        }
        Posterior before = belief.beforeDoubt();
        LocalDate at = belief.dayOf(day);
        belief.learned(before, at);
        Optional<Tempo> alert = tension(who, subject, day).tempoAt(TensionCurve.ALERT);
        days.findById(new CeilingDay.Key(subject.sectionId(), at))
                .ifPresent(today -> today.record(before.estimate().under(alert), before));
    }

    /**
     * Goes back to what was believed of a section before something was played, so that it can be learned anew from there.
     *
     * @param day the day of what was played; what was learned on later days is forgotten
     */
    @Transactional
    public void goBack(SignedIn who, Subject subject, LocalDate day, Posterior before) {
        beliefs.findById(subject.sectionId()).ifPresent(belief -> belief.learned(before, day));
        days.deleteByAccountIdAndSectionIdAndDayAfter(who.accountId(), subject.sectionId(), day);
        days.flush();
        days.findById(new CeilingDay.Key(subject.sectionId(), day))
                .ifPresent(today -> today.record(
                        before.estimate().under(tension(who, subject, day).tempoAt(TensionCurve.ALERT)), before));
    }

    /** What is believed of a section on a day. */
    @Transactional(readOnly = true)
    public Posterior believed(SignedIn who, Subject subject, LocalDate day) {
        return belief(who, subject, day);
    }

    /** A stretch of notes with the section whose belief is about it. */
    public record Known(long sectionId, Section notes) {}

    /** What is known of some stretches of one passage: what a new section of it may take over. */
    @Transactional(readOnly = true)
    public List<Heritage.Source> sources(SignedIn who, List<Known> stretches, LocalDate day) {
        Map<Long, StoredBelief> kept = beliefs
                .findByAccountIdAndSectionIdIn(
                        who.accountId(),
                        stretches.stream().map(Known::sectionId).toList())
                .stream()
                .collect(Collectors.toMap(StoredBelief::sectionId, Function.identity()));
        return stretches.stream()
                .filter(one -> kept.containsKey(one.sectionId()))
                .map(one -> new Heritage.Source(
                        one.notes(), kept.get(one.sectionId()).on(day)))
                .toList();
    }

    /**
     * Gives a section that is new what is known of the same notes, if anything is.
     *
     * @return whether anything was
     */
    @Transactional
    public boolean inherit(SignedIn who, long sectionId, Section notes, List<Heritage.Source> sources, LocalDate day) {
        Optional<Posterior> taken = Heritage.of(notes, sources);
        taken.ifPresent(belief -> beliefs.save(new StoredBelief(sectionId, who.accountId(), day, belief)));
        return taken.isPresent();
    }

    /** Gives a section that has grown out of another what was known of that, at the same notes a second. */
    @Transactional
    public boolean carry(SignedIn who, long from, long to, double ratio, double share, LocalDate day) {
        Optional<StoredBelief> known = beliefs.findByAccountIdAndSectionIdIn(who.accountId(), List.of(from)).stream()
                .findFirst();
        known.ifPresent(belief -> beliefs.save(
                new StoredBelief(to, who.accountId(), day, belief.on(day).carried(ratio, share))));
        return known.isPresent();
    }

    /** Which of some sections anything is known of. */
    @Transactional(readOnly = true)
    public Set<Long> known(SignedIn who, List<Long> sectionIds) {
        return beliefs.findByAccountIdAndSectionIdIn(who.accountId(), sectionIds).stream()
                .map(StoredBelief::sectionId)
                .collect(Collectors.toSet());
    }

    /** The most notes a second that were ever clean on each of some sections; those on which none were are missing. */
    @Transactional(readOnly = true)
    public Map<Long, Double> reachedRates(SignedIn who, Collection<Long> sectionIds) {
        return passes.fastestClean(who.accountId(), sectionIds).stream()
                .collect(Collectors.toMap(OfSection::sectionId, OfSection::figure));
    }

    /** The same as {@link #standings}, with the beliefs themselves at hand, since each will be asked for. */
    @Transactional(readOnly = true)
    public Map<Long, Standing> believed(SignedIn who, List<Subject> subjects, LocalDate day) {
        beliefs.findByAccountIdAndSectionIdIn(
                who.accountId(), subjects.stream().map(Subject::sectionId).toList());
        return standings(who, subjects, day);
    }

    /** The days on which a section was played, oldest first. */
    @Transactional(readOnly = true)
    public List<CeilingDay> history(SignedIn who, long sectionId) {
        List<CeilingDay> newestFirst =
                days.findByAccountIdAndSectionIdOrderByDayDesc(who.accountId(), sectionId, Limit.of(MOST_DAYS));
        List<CeilingDay> oldestFirst = new ArrayList<>(newestFirst);
        Collections.reverse(oldestFirst);
        return oldestFirst;
    }

    /** Where some sections are heading; those of which too little is known are missing. */
    @Transactional(readOnly = true)
    public Map<Long, Forecast> forecasts(SignedIn who, Collection<Long> sectionIds, LocalDate day) {
        Map<Long, Forecast> forecasts = new HashMap<>();
        measured(who, sectionIds, day)
                .forEach((section, days) -> Forecast.of(days).ifPresent(forecast -> forecasts.put(section, forecast)));
        return forecasts;
    }

    /** The days on which some sections were measured, in order; those never played are missing. */
    @Transactional(readOnly = true)
    public Map<Long, List<Forecast.Measured>> measured(SignedIn who, Collection<Long> sectionIds, LocalDate day) {
        return days
                .findByAccountIdAndSectionIdInAndDayGreaterThanEqualOrderByDayAsc(
                        who.accountId(), sectionIds, day.minusDays(MOST_DAYS))
                .stream()
                .collect(Collectors.groupingBy(
                        CeilingDay::sectionId, Collectors.mapping(CeilingDay::measured, Collectors.toList())));
    }

    /** The ceilings of some sections as they stood before {@code day}; those not played before it are missing. */
    @Transactional(readOnly = true)
    public Map<Long, Double> ceilingsBefore(SignedIn who, Collection<Long> sectionIds, LocalDate day) {
        return days.before(who.accountId(), sectionIds, day).stream()
                .collect(Collectors.toMap(CeilingDay::sectionId, CeilingDay::ceiling));
    }

    public static List<Smoother.Day> smoothed(List<CeilingDay> history) {
        return Smoother.smooth(history.stream()
                .map(day -> new Smoother.Day(day.day().toEpochDay(), day.logMean(), day.logVariance()))
                .toList());
    }
}
