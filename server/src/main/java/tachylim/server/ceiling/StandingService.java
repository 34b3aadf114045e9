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
import tachylim.ceiling.Posterior;
import tachylim.ceiling.Smoother;
import tachylim.ceiling.TensionCurve;
import tachylim.passage.Piece;
import tachylim.server.account.SignedIn;
import tachylim.server.ceiling.PlayedPassRepository.OfPiece;
import tachylim.task.Tension;
import tachylim.tempo.Tempo;

/** The standings of pieces: what is believed of them, and how they have moved. */
@Service
public class StandingService {

    private static final int MOST_DAYS = 730;

    private final BeliefRepository beliefs;
    private final CeilingDayRepository days;
    private final PlayedPassRepository passes;

    StandingService(BeliefRepository beliefs, CeilingDayRepository days, PlayedPassRepository passes) {
        this.beliefs = beliefs;
        this.days = days;
        this.passes = passes;
    }

    /** What is known of each piece on a day, in two queries; the beliefs themselves are read only when asked for. */
    @Transactional(readOnly = true)
    public Map<Long, Standing> standings(SignedIn who, List<Subject> subjects, LocalDate day) {
        List<Long> ids = subjects.stream().map(Subject::pieceId).toList();
        if (ids.isEmpty()) {
            return Map.of();
        }
        Map<Long, Said> said = beliefs.said(who.accountId(), ids).stream()
                .collect(Collectors.toMap(Said::pieceId, Function.identity()));
        Map<Long, TensionCurve> asked = asked(who, subjects, said, day);
        Map<Long, Standing> standings = new HashMap<>();
        for (Subject subject : subjects) {
            Said known = said.get(subject.pieceId());
            TensionCurve tension = asked.get(subject.pieceId());
            Optional<Tempo> alert = tension != null
                    ? tension.tempoAt(TensionCurve.ALERT)
                    : Optional.ofNullable(known).flatMap(one -> one.alertOn(day));
            standings.put(
                    subject.pieceId(),
                    new Standing(
                            estimate(subject, known, day).under(alert),
                            alert,
                            known == null ? null : known.day(),
                            () -> belief(subject, day)));
        }
        return standings;
    }

    /** How tense the pieces are of which that is not kept: those from before it was, and those grown from others. */
    private Map<Long, TensionCurve> asked(SignedIn who, List<Subject> subjects, Map<Long, Said> said, LocalDate day) {
        List<Subject> unknown = subjects.stream()
                .filter(subject -> {
                    Said known = said.get(subject.pieceId());
                    return known == null ? subject.grownFrom() != null : !known.feltKept();
                })
                .toList();
        return unknown.isEmpty()
                ? Map.of()
                : felt(who, unknown, day).entrySet().stream()
                        .collect(Collectors.toMap(Map.Entry::getKey, one -> TensionCurve.through(one.getValue())));
    }

    /** How tension has risen with tempo on a piece lately. */
    @Transactional(readOnly = true)
    public TensionCurve tension(SignedIn who, Subject subject, LocalDate day) {
        return TensionCurve.through(felt(who, List.of(subject), day).getOrDefault(subject.pieceId(), List.of()));
    }

    /** Takes note of what was felt on a piece that something is believed of. */
    @Transactional
    public void felt(SignedIn who, Subject subject, LocalDate day) {
        beliefs.findById(subject.pieceId())
                .ifPresent(belief -> belief.felt(tension(who, subject, day).tempoAt(TensionCurve.ALERT)));
    }

    /** What was said of a piece when it was last played, brought to a day; a guess when it never was. */
    private Estimate estimate(Subject subject, Said known, LocalDate day) {
        if (known == null) {
            return Posterior.guessed(Tempo.of(subject.guessBpm()), guessSd(subject));
        }
        KeptEstimate said = known.estimate();
        return said.estimate(known.passes()).later(ChronoUnit.DAYS.between(known.day(), day), said.gain());
    }

    private Posterior belief(Subject subject, LocalDate day) {
        return beliefs.findById(subject.pieceId()).map(belief -> belief.on(day)).orElseGet(() -> prior(subject));
    }

    @Transactional(readOnly = true)
    public Standing standing(SignedIn who, Subject subject, LocalDate day) {
        return standings(who, List.of(subject), day).get(subject.pieceId());
    }

    /** What was felt lately on each piece, and on the one it has grown from at the same speed. */
    private Map<Long, List<TensionCurve.Felt>> felt(SignedIn who, List<Subject> subjects, LocalDate day) {
        List<Long> ids = subjects.stream()
                .flatMap(one -> Stream.of(one.pieceId(), one.grownFrom()))
                .filter(Objects::nonNull)
                .distinct()
                .toList();
        Map<Long, List<PlayedPassRepository.FeltPass>> byPiece =
                passes.felt(who.accountId(), ids, day.minusDays(TensionCurve.DAYS)).stream()
                        .collect(Collectors.groupingBy(PlayedPassRepository.FeltPass::pieceId));
        return subjects.stream()
                .collect(Collectors.toMap(
                        Subject::pieceId,
                        one -> Stream.concat(
                                        felt(byPiece.get(one.pieceId()), 1),
                                        felt(byPiece.get(one.grownFrom()), one.tempoRatio()))
                                .toList()));
    }

    private static Stream<TensionCurve.Felt> felt(List<PlayedPassRepository.FeltPass> passes, double ratio) {
        return passes == null
                ? Stream.empty()
                : passes.stream()
                        .map(pass ->
                                new TensionCurve.Felt(Tempo.of(pass.tempo()), Tension.of(pass.tension())).at(ratio));
    }

    private static Posterior prior(Subject subject) {
        return Posterior.prior(Tempo.of(subject.guessBpm()), guessSd(subject));
    }

    private static double guessSd(Subject subject) {
        return subject.guessPlayed() ? Posterior.PLAYED_SD : Posterior.GUESS_SD;
    }

    /** Learns from what was played at once, on its day. The piece is the caller's to have checked. */
    @Transactional
    public void learn(SignedIn who, Subject subject, LocalDate day, List<Evidence> evidence) {
        StoredBelief belief = beliefs.findById(subject.pieceId())
                .orElseGet(
                        () -> beliefs.save(new StoredBelief(subject.pieceId(), who.accountId(), day, prior(subject))));
        LocalDate at = belief.dayOf(day);
        Posterior before = belief.on(at);
        CeilingDay today = days.findById(new CeilingDay.Key(subject.pieceId(), at))
                .orElseGet(() -> {
                    CeilingDay first = new CeilingDay(who.accountId(), subject.pieceId(), at);
                    first.morning(before);
                    return days.save(first);
                });
        Posterior learnt = before;
        for (Evidence one : evidence) {
            learnt = learnt.after(one);
        }
        belief.learned(learnt, at);
        Optional<Tempo> alert = tension(who, subject, day).tempoAt(TensionCurve.ALERT);
        belief.felt(alert);
        today.record(learnt.estimate().under(alert), learnt);
    }

    /**
     * Goes back to what was believed of a piece before something was played, so that it can be learned anew from there.
     *
     * @param day the day of what was played; what was learned on later days is forgotten
     */
    @Transactional
    public void goBack(SignedIn who, Subject subject, LocalDate day, Posterior before) {
        beliefs.findById(subject.pieceId()).ifPresent(belief -> belief.learned(before, day));
        days.deleteByAccountIdAndPieceIdAndDayAfter(who.accountId(), subject.pieceId(), day);
        days.flush();
        days.findById(new CeilingDay.Key(subject.pieceId(), day))
                .ifPresent(today -> today.record(
                        before.estimate().under(tension(who, subject, day).tempoAt(TensionCurve.ALERT)), before));
    }

    /** What is believed of a piece on a day. */
    @Transactional(readOnly = true)
    public Posterior believed(Subject subject, LocalDate day) {
        return belief(subject, day);
    }

    /** A stretch of notes with the piece whose belief is about it. */
    public record Known(long pieceId, Piece notes) {}

    /** What is known of some stretches of one passage: what a new piece of it may take over. */
    @Transactional(readOnly = true)
    public List<Heritage.Source> sources(SignedIn who, List<Known> stretches, LocalDate day) {
        Map<Long, StoredBelief> kept =
                beliefs
                        .findByAccountIdAndPieceIdIn(
                                who.accountId(),
                                stretches.stream().map(Known::pieceId).toList())
                        .stream()
                        .collect(Collectors.toMap(StoredBelief::pieceId, Function.identity()));
        return stretches.stream()
                .filter(one -> kept.containsKey(one.pieceId()))
                .map(one ->
                        new Heritage.Source(one.notes(), kept.get(one.pieceId()).on(day)))
                .toList();
    }

    /**
     * Gives a piece that is new what is known of the same notes, if anything is.
     *
     * @return whether anything was
     */
    @Transactional
    public boolean inherit(SignedIn who, long pieceId, Piece notes, List<Heritage.Source> sources, LocalDate day) {
        Optional<Posterior> taken = Heritage.of(notes, sources);
        taken.ifPresent(belief -> beliefs.save(new StoredBelief(pieceId, who.accountId(), day, belief)));
        return taken.isPresent();
    }

    /** Gives a piece that has grown out of another what was known of that, at the same notes a second. */
    @Transactional
    public boolean carry(SignedIn who, long from, long to, double ratio, double share, LocalDate day) {
        Optional<StoredBelief> known = beliefs.findByAccountIdAndPieceIdIn(who.accountId(), List.of(from)).stream()
                .findFirst();
        known.ifPresent(belief -> beliefs.save(
                new StoredBelief(to, who.accountId(), day, belief.on(day).carried(ratio, share))));
        return known.isPresent();
    }

    /** Which of some pieces anything is known of. */
    @Transactional(readOnly = true)
    public Set<Long> known(SignedIn who, List<Long> pieceIds) {
        return beliefs.findByAccountIdAndPieceIdIn(who.accountId(), pieceIds).stream()
                .map(StoredBelief::pieceId)
                .collect(Collectors.toSet());
    }

    /** The most notes a second that were ever clean on each of some pieces; those on which none were are missing. */
    @Transactional(readOnly = true)
    public Map<Long, Double> reachedRates(SignedIn who, Collection<Long> pieceIds) {
        return passes.fastestClean(who.accountId(), pieceIds).stream()
                .collect(Collectors.toMap(OfPiece::pieceId, OfPiece::figure));
    }

    /** The same as {@link #standings}, with the beliefs themselves at hand, since each will be asked for. */
    @Transactional(readOnly = true)
    public Map<Long, Standing> believed(SignedIn who, List<Subject> subjects, LocalDate day) {
        beliefs.findByAccountIdAndPieceIdIn(
                who.accountId(), subjects.stream().map(Subject::pieceId).toList());
        return standings(who, subjects, day);
    }

    /** The days on which a piece was played, oldest first. */
    @Transactional(readOnly = true)
    public List<CeilingDay> history(SignedIn who, long pieceId) {
        List<CeilingDay> newestFirst =
                days.findByAccountIdAndPieceIdOrderByDayDesc(who.accountId(), pieceId, Limit.of(MOST_DAYS));
        List<CeilingDay> oldestFirst = new ArrayList<>(newestFirst);
        Collections.reverse(oldestFirst);
        return oldestFirst;
    }

    /** What the days so far say of those to come, for those of some pieces that were played on enough of them. */
    @Transactional(readOnly = true)
    public Map<Long, Forecast> forecasts(SignedIn who, Collection<Long> pieceIds, LocalDate day) {
        Map<Long, List<CeilingDay>> played = days
                .findByAccountIdAndPieceIdInAndDayGreaterThanEqualOrderByDayAsc(
                        who.accountId(), pieceIds, day.minusDays(MOST_DAYS))
                .stream()
                .collect(Collectors.groupingBy(CeilingDay::pieceId));
        Map<Long, Forecast> forecasts = new HashMap<>();
        played.forEach((piece, ofPiece) -> Forecast.of(
                        ofPiece.stream().map(CeilingDay::measured).toList())
                .ifPresent(forecast -> forecasts.put(piece, forecast)));
        return forecasts;
    }

    /** The ceilings of some pieces as they stood before {@code day}; those not played before it are missing. */
    @Transactional(readOnly = true)
    public Map<Long, Double> ceilingsBefore(SignedIn who, Collection<Long> pieceIds, LocalDate day) {
        return days.before(who.accountId(), pieceIds, day).stream()
                .collect(Collectors.toMap(CeilingDay::pieceId, CeilingDay::ceiling));
    }

    public static List<Smoother.Day> smoothed(List<CeilingDay> history) {
        return Smoother.smooth(history.stream()
                .map(day -> new Smoother.Day(day.day().toEpochDay(), day.logMean(), day.logVariance()))
                .toList());
    }
}
