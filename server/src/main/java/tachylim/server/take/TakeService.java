package tachylim.server.take;

import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.time.temporal.TemporalAdjusters;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.TreeMap;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.springframework.data.domain.Limit;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tachylim.passage.InstrumentFamily;
import tachylim.passage.Passage;
import tachylim.server.account.AccountService;
import tachylim.server.account.SignedIn;
import tachylim.server.repertoire.RepertoireService;
import tachylim.server.repertoire.StoredPassage;
import tachylim.server.repertoire.StoredSection;
import tachylim.shown.MeasuredDto;
import tachylim.take.Confusion;
import tachylim.take.Evenness;
import tachylim.take.Measured.Suggested;
import tachylim.take.Measured.Transition;
import tachylim.task.Verdict;
import tachylim.workout.Music;

/** Keeps what was measured of passes, and tells how even they were and how far a microphone is trusted. */
@Service
public class TakeService {

    /** Passes measured longer ago give no trouble any more. */
    private static final int TROUBLE_DAYS = 28;

    private static final Limit LATELY = Limit.of(200);

    private final MeasuredPassRepository measured;
    private final RepertoireService repertoire;
    private final AccountService accounts;

    TakeService(MeasuredPassRepository measured, RepertoireService repertoire, AccountService accounts) {
        this.measured = measured;
        this.repertoire = repertoire;
        this.accounts = accounts;
    }

    /**
     * Keeps what was measured of the passes of a step.
     *
     * @param said what was said of each of them; null where nothing was
     * @param byHand whether a hand said so
     */
    @Transactional
    public void keep(SignedIn who, MeasuredPlace place, List<MeasuredDto> passes, List<Verdict> said, boolean byHand) {
        for (int turn = 0; turn < passes.size(); turn++) {
            MeasuredDto pass = passes.get(turn);
            measured.save(new MeasuredPass(
                    who.accountId(),
                    place,
                    turn,
                    pass,
                    turn < said.size() ? said.get(turn) : null,
                    byHand,
                    inPassage(pass, place)));
        }
    }

    /** Whether anything measured is kept of an event of a run. */
    @Transactional(readOnly = true)
    public boolean has(SignedIn who, long runId, int ordinal) {
        return measured.existsByAccountIdAndRunIdAndOrdinal(who.accountId(), runId, ordinal);
    }

    /** By the notes of the passage they lead to, whichever round it was; from one round to the next is no transition of it. */
    private static List<Transition> inPassage(MeasuredDto pass, MeasuredPlace place) {
        List<Transition> transitions = new ArrayList<>();
        pass.transitions().forEach(one -> {
            int to = one.to() % place.notes();
            if (to > 0) {
                transitions.add(one.transition(place.firstNote() + to));
            }
        });
        pass.missing().stream()
                .map(note -> note % place.notes())
                .filter(to -> to > 0)
                .forEach(to -> transitions.add(new Transition(place.firstNote() + to, 0, 0, 0, true)));
        return transitions;
    }

    /**
     * What was measured of a step.
     *
     * @param clean how many of its passes were measured as clean
     * @param verdict what was measured where it is one pass
     * @param evenness how much its intervals differ, as a share of them; null where too few were measured
     */
    public record OfStep(int passes, int clean, Suggested verdict, Double evenness) {}

    /** What was measured of a workout's steps, by the ordinals of their answers. */
    @Transactional(readOnly = true)
    public Map<Integer, OfStep> ofRun(SignedIn who, long runId) {
        Map<Integer, List<MeasuredPass>> byOrdinal =
                measured.findByAccountIdAndRunIdOrderByOrdinalAscTurnAsc(who.accountId(), runId).stream()
                        .collect(Collectors.groupingBy(MeasuredPass::ordinal));
        Map<Integer, OfStep> steps = new HashMap<>();
        byOrdinal.forEach((ordinal, passes) -> {
            OptionalDouble evenness = Evenness.of(transitions(passes), 1, Integer.MAX_VALUE);
            steps.put(
                    ordinal,
                    new OfStep(
                            passes.size(),
                            (int) passes.stream()
                                    .filter(one -> one.measured() == Suggested.CLEAN)
                                    .count(),
                            passes.size() == 1 ? passes.get(0).measured() : null,
                            evenness.isPresent() ? evenness.getAsDouble() : null));
        });
        return steps;
    }

    private static final int EVEN_DAYS = 28;

    /** The fastest tempo at which a section was measured clean as written, in the last weeks; null where it never was. */
    @Transactional(readOnly = true)
    TakeDtos.EvenUpTo evenUpTo(SignedIn who, long sectionId) {
        StoredSection section = repertoire.section(who, sectionId);
        return measured
                .findByAccountIdAndPassageIdAndSectionIdAndWayAndMeasuredAndDayGreaterThanEqualOrderByTempoDesc(
                        who.accountId(),
                        section.passage().id(),
                        sectionId,
                        "",
                        Suggested.CLEAN,
                        accounts.today(who).minusDays(EVEN_DAYS),
                        Limit.of(1))
                .stream()
                .map(one -> new TakeDtos.EvenUpTo(one.tempo(), one.evenness(), EVEN_DAYS))
                .findFirst()
                .orElse(new TakeDtos.EvenUpTo(null, null, EVEN_DAYS));
    }

    /** How even each passage was this week and the week before: the passages that were measured in this one. */
    @Transactional(readOnly = true)
    List<TakeDtos.PassageWeek> week(SignedIn who) {
        LocalDate monday = monday(accounts.today(who));
        Map<Long, List<MeasuredPass>> byPassage = measured
                .findByAccountIdAndDayGreaterThanEqualAndWayOrderByDayDescIdDesc(
                        who.accountId(), monday.minusWeeks(1), "", MOST)
                .stream()
                .filter(one -> one.measured() != Suggested.CANNOT_TELL)
                .collect(Collectors.groupingBy(MeasuredPass::passageId, TreeMap::new, Collectors.toList()));
        Map<Long, String> titles = repertoire.sections(who).stream()
                .map(StoredSection::passage)
                .collect(Collectors.toMap(StoredPassage::id, StoredPassage::title, (one, other) -> one));
        List<TakeDtos.PassageWeek> week = new ArrayList<>();
        byPassage.forEach((passage, passes) -> {
            List<MeasuredPass> now =
                    passes.stream().filter(one -> !one.day().isBefore(monday)).toList();
            List<MeasuredPass> before =
                    passes.stream().filter(one -> one.day().isBefore(monday)).toList();
            OptionalDouble was = Evenness.of(transitions(before), 1, Integer.MAX_VALUE);
            if (titles.containsKey(passage)) {
                Evenness.of(transitions(now), 1, Integer.MAX_VALUE)
                        .ifPresent(is -> week.add(new TakeDtos.PassageWeek(
                                passage,
                                titles.get(passage),
                                is,
                                was.isPresent() ? was.getAsDouble() : null,
                                now.size())));
            }
        });
        return week;
    }

    /** How often the microphone hears what a player says, on an instrument. */
    @Transactional(readOnly = true)
    public Confusion confusion(SignedIn who, InstrumentFamily instrument) {
        Confusion confusion = Confusion.usual();
        for (MeasuredPassRepository.Confirmed one : measured.confirmed(who.accountId(), instrument)) {
            confusion = confusion.after(one.said(), one.measured(), one.times());
        }
        return confusion;
    }

    /** The transitions of some passages that slipped in two of the last four passes as written, bursts on some notes among them, from 0. */
    @Transactional(readOnly = true)
    public Map<Long, List<Integer>> troubled(SignedIn who, Collection<StoredPassage> passages, LocalDate today) {
        Map<Long, Integer> editions = new HashMap<>();
        passages.forEach(passage -> editions.put(passage.id(), passage.edition()));
        Map<Long, List<List<Transition>>> byPassage = new HashMap<>();
        measured.asWritten(who.accountId(), editions.keySet(), today.minusDays(TROUBLE_DAYS), LATELY).stream()
                .filter(one -> one.music() == editions.get(one.passageId()))
                .forEach(one -> byPassage
                        .computeIfAbsent(one.passageId(), none -> new ArrayList<>())
                        .add(one.transitions()));
        Map<Long, List<Integer>> troubled = new HashMap<>();
        byPassage.forEach((passage, passes) -> troubled.put(
                passage,
                Evenness.troubled(passes).stream().map(note -> note - 1).toList()));
        return troubled;
    }

    /** Weeks that are looked back over. */
    private static final int WEEKS = 26;

    private static final Limit MOST = Limit.of(1_500);

    /** Bars are told of two at a time, as they are practised. */
    private static final int BARS = 2;

    /** How even a passage was, over its last weeks. */
    @Transactional(readOnly = true)
    TakeDtos.EvennessDto evenness(SignedIn who, long passageId) {
        StoredPassage passage = repertoire.passage(who, passageId);
        LocalDate today = accounts.today(who);
        List<MeasuredPass> passes = measured
                .findByAccountIdAndPassageIdAndDayGreaterThanEqualOrderByDayDescIdDesc(
                        who.accountId(), passageId, today.minusWeeks(WEEKS), MOST)
                .stream()
                .filter(one -> one.music() == passage.edition() && one.measured() != Suggested.CANNOT_TELL)
                .toList();
        List<MeasuredPass> asWritten =
                passes.stream().filter(one -> one.way().isEmpty()).toList();
        Passage music = repertoire.music(passage);
        return new TakeDtos.EvennessDto(
                weeks(asWritten),
                bars(asWritten, music),
                ways(passes),
                troubled(who, List.of(passage), today).getOrDefault(passageId, List.of()));
    }

    private static LocalDate monday(LocalDate day) {
        return day.with(TemporalAdjusters.previousOrSame(DayOfWeek.MONDAY));
    }

    private static List<List<Transition>> transitions(List<MeasuredPass> passes) {
        return passes.stream().map(MeasuredPass::transitions).toList();
    }

    private static List<TakeDtos.WeekDto> weeks(List<MeasuredPass> passes) {
        List<TakeDtos.WeekDto> weeks = new ArrayList<>();
        passes.stream()
                .collect(Collectors.groupingBy(one -> monday(one.day()), TreeMap::new, Collectors.toList()))
                .forEach((monday, ofWeek) -> Evenness.of(transitions(ofWeek), 1, Integer.MAX_VALUE)
                        .ifPresent(evenness ->
                                weeks.add(new TakeDtos.WeekDto(monday, evenness, evenUpTo(ofWeek), ofWeek.size()))));
        return weeks;
    }

    private static Double evenUpTo(List<MeasuredPass> passes) {
        return passes.stream()
                .filter(one -> one.measured() == Suggested.CLEAN)
                .map(MeasuredPass::tempo)
                .max(Comparator.naturalOrder())
                .orElse(null);
    }

    private static List<TakeDtos.BarsDto> bars(List<MeasuredPass> passes, Passage music) {
        if (passes.isEmpty()) {
            return List.of();
        }
        LocalDate last = passes.get(0).day();
        LocalDate first = passes.get(passes.size() - 1).day();
        long half = ChronoUnit.DAYS.between(first, last) / 2;
        List<MeasuredPass> now = passes.stream()
                .filter(one -> one.day().isAfter(first.plusDays(half)))
                .toList();
        List<MeasuredPass> before = passes.stream()
                .filter(one -> !one.day().isAfter(first.plusDays(half)))
                .toList();
        List<TakeDtos.BarsDto> bars = new ArrayList<>();
        for (int bar = 0; bar < music.bars(); bar += BARS) {
            int from = Math.max(1, firstNote(music, bar));
            int to = firstNote(music, bar + BARS) - 1;
            int lastBar = Math.min(music.bars(), bar + BARS);
            OptionalDouble was = Evenness.of(transitions(before), from, to);
            OptionalDouble is = Evenness.of(transitions(now), from, to);
            if (was.isPresent() && is.isPresent()) {
                bars.add(new TakeDtos.BarsDto(bar + 1, lastBar, first, was.getAsDouble(), is.getAsDouble()));
            }
        }
        return bars;
    }

    /** The first note at or after the beginning of a bar; past the last bar, one more than there are. */
    private static int firstNote(Passage music, int bar) {
        int notes = music.notes().size();
        if (bar >= music.bars()) {
            return notes;
        }
        double from = music.barStart(bar).doubleValue();
        return IntStream.range(0, notes)
                .filter(note -> music.notes().get(note).onset().doubleValue() >= from - 1e-9)
                .findFirst()
                .orElse(notes);
    }

    private static List<TakeDtos.WayDto> ways(List<MeasuredPass> passes) {
        List<TakeDtos.WayDto> ways = new ArrayList<>();
        passes.stream()
                .collect(Collectors.groupingBy(MeasuredPass::way, TreeMap::new, Collectors.toList()))
                .forEach((way, inIt) -> Evenness.of(transitions(inIt), 1, Integer.MAX_VALUE)
                        .ifPresent(evenness ->
                                ways.add(new TakeDtos.WayDto(way, Music.nameOf(way), evenness, inIt.size()))));
        ways.sort(Comparator.comparingDouble(TakeDtos.WayDto::evenness));
        return ways;
    }
}
