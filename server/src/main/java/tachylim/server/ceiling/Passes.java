package tachylim.server.ceiling;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.NavigableMap;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.springframework.data.domain.Limit;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import tachylim.ceiling.Articulations;
import tachylim.ceiling.AwkwardBand;
import tachylim.ceiling.AwkwardBands;
import tachylim.ceiling.Estimate;
import tachylim.ceiling.Evidence;
import tachylim.ceiling.Known;
import tachylim.ceiling.Posterior;
import tachylim.method.School;
import tachylim.method.Strictness;
import tachylim.server.account.SignedIn;
import tachylim.server.ceiling.PlayedPassRepository.OfSection;
import tachylim.task.PassKind;
import tachylim.task.Verdict;
import tachylim.tempo.Tempo;
import tachylim.workout.Block;
import tachylim.workout.Music;
import tachylim.workout.Pass;
import tachylim.workout.Run;
import tachylim.workout.Segment;

/** All passes that were played: kept as they come, learned from, and asked about by whoever needs them. */
@Component
public class Passes {

    /** An edge that was marked longer ago says nothing of the next arch. */
    private static final int LATELY = 7;

    private static final int EDGE_DAYS = 28;

    private static final Limit MOST = Limit.of(2_000);
    private static final int MOST_LOOKED_AT = 2_000;

    /** The first way after all articulations, in the order of the letters. */
    private static final String PAST_ARTICULATIONS = "mode/";

    private static final Limit MOST_ARTICULATED = Limit.of(400);

    private final PlayedPassRepository passes;
    private final StoredCeilingTestRepository tests;
    private final StandingService standings;
    private final Cache<Looked, List<AwkwardBand>> bands =
            Caffeine.newBuilder().maximumSize(MOST_LOOKED_AT).build();

    Passes(PlayedPassRepository passes, StoredCeilingTestRepository tests, StandingService standings) {
        this.passes = passes;
        this.tests = tests;
        this.standings = standings;
    }

    /**
     * One pass of a run: which run, which of its events, and when.
     *
     * @param history whether it came so late that it counts for its day, and says nothing of a ceiling
     */
    public record Place(long runId, int ordinal, LocalDate day, Instant at, boolean history) {}

    /**
     * Keeps a pass of a run, and lets its section's ceiling learn from it.
     *
     * @param run the run with it
     * @param index which of its segments it is
     */
    @Transactional
    public void keep(SignedIn who, Subject subject, Place place, Run run, int index) {
        Segment segment = run.past().get(index);
        Block block = run.blocks().get(segment.block());
        Pass pass = (Pass) segment.step();
        for (int turn = 0; turn < segment.passes(); turn++) {
            passes.save(new PlayedPass(who.accountId(), subject.sectionId(), place, segment, block.music(), turn));
        }
        Known known = run.known(block.theme());
        if (place.history()) {
            return;
        }
        List<Evidence> evidence = segment.evidence(block.music(), run.past().subList(0, index)).stream()
                .filter(known::tells)
                .toList();
        if (evidence.isEmpty()) {
            standings.felt(who, subject, place.day());
        } else {
            standings.learn(who, subject, place.day(), evidence);
        }
        boolean test = run.workout().brief().choices().school() == School.CEILING_TEST;
        if (test && pass.kind() == PassKind.PROBE) {
            known.belief().ifPresent(belief -> measured(who, subject, place, belief));
        }
    }

    private void measured(SignedIn who, Subject subject, Place place, Posterior belief) {
        StoredCeilingTest test = tests.findById(place.runId())
                .orElseGet(
                        () -> new StoredCeilingTest(place.runId(), who.accountId(), subject.sectionId(), place.day()));
        test.measured(belief);
        tests.save(test);
    }

    /** Whether a run was a ceiling test that measured something, and has a result to look at. */
    @Transactional(readOnly = true)
    public boolean isTest(SignedIn who, long runId) {
        return tests.existsByRunIdAndAccountId(runId, who.accountId());
    }

    /** The bands of tempos that go wrong more often than faster ones, by the last weeks, of each of some sections. */
    @Transactional(readOnly = true)
    public Map<Long, List<AwkwardBand>> awkward(SignedIn who, Collection<Long> sectionIds, LocalDate day) {
        Map<Long, List<AwkwardBands.Tried>> tried = new HashMap<>();
        sectionIds.forEach(id -> tried.put(id, new ArrayList<>()));
        for (PlayedPassRepository.Whole one :
                passes.wholes(who.accountId(), sectionIds, day.minusDays(AwkwardBands.DAYS), Evidence.TIRED_BELOW)) {
            tried.get(one.sectionId())
                    .add(new AwkwardBands.Tried(
                            one.day().toEpochDay(),
                            Tempo.of(one.tempo()),
                            Tempo.of(one.ceiling()),
                            one.verdict() == Verdict.CLEAN));
        }
        Map<Long, List<AwkwardBand>> found = new HashMap<>();
        // To look for bands is to simulate; the same passes have the same bands.
        tried.forEach((id, ofSection) -> found.put(
                id,
                bands.get(new Looked(id, ofSection.size(), ofSection.hashCode()), same -> AwkwardBands.in(ofSection))));
        return found;
    }

    /** The judged passes of a section in articulations, by their names, the oldest first. */
    @Transactional(readOnly = true)
    public Map<String, List<Articulations.Tried>> articulated(SignedIn who, long sectionId) {
        Map<String, List<Articulations.Tried>> articulations = new TreeMap<>();
        for (PlayedPassRepository.Articulated one : passes.articulated(
                who.accountId(), sectionId, Music.ARTICULATION, PAST_ARTICULATIONS, MOST_ARTICULATED)) {
            articulations
                    .computeIfAbsent(Music.articulationOf(one.way()), none -> new ArrayList<>())
                    .add(0, new Articulations.Tried(Tempo.of(one.tempo()), one.verdict(), one.recovery()));
        }
        return articulations;
    }

    /** How fast a section is in the articulations that it was played in. */
    @Transactional(readOnly = true)
    public Map<String, Estimate> articulations(SignedIn who, long sectionId, Estimate section) {
        Map<String, Estimate> estimates = new TreeMap<>();
        articulated(who, sectionId)
                .forEach((articulation, tried) -> estimates.put(articulation, Articulations.of(section, tried)));
        return estimates;
    }

    private record Looked(long sectionId, int passes, int digest) {}

    /** Takes over a tension that was put right. */
    @Transactional
    public void felt(SignedIn who, Subject subject, Place place, Segment segment) {
        List<PlayedPass> played =
                passes.findByAccountIdAndRunIdAndOrdinal(who.accountId(), place.runId(), place.ordinal());
        if (!played.isEmpty()) {
            played.forEach(pass -> pass.felt(segment));
            passes.flush();
            standings.felt(who, subject, place.day());
        }
    }

    /** Takes over what is now said of a segment that is over. */
    @Transactional
    public void corrected(SignedIn who, long runId, int ordinal, Segment segment) {
        passes.findByAccountIdAndRunIdAndOrdinal(who.accountId(), runId, ordinal)
                .forEach(pass -> pass.corrected(segment));
        passes.flush();
    }

    /** The runs from one on in which a section was played, in their order. */
    @Transactional(readOnly = true)
    public List<Long> runsOf(SignedIn who, long sectionId, long from) {
        return passes.runsOf(who.accountId(), sectionId, from);
    }

    /** Takes back a pass that counted as left without a word. */
    @Transactional
    public void forget(SignedIn who, long runId, int ordinal) {
        passes.deleteAll(passes.findByAccountIdAndRunIdAndOrdinal(who.accountId(), runId, ordinal));
        passes.flush();
    }

    @Transactional(readOnly = true)
    public List<PlayedPass> ofRuns(long accountId, Collection<Long> runIds) {
        return passes.findByAccountIdAndRunIdIn(accountId, runIds);
    }

    /** Each day's sums, oldest first. */
    @Transactional(readOnly = true)
    public List<DaySums> days(SignedIn who, LocalDate from, LocalDate to) {
        return passes.days(who.accountId(), from, to);
    }

    /** How many passes of a day a section has had, warming up not counted, and how many of these measured. */
    public record Had(Long sectionId, Long passes, Long probes) {}

    /** What each section that was played on a day has had, put away or not. */
    @Transactional(readOnly = true)
    public List<Had> had(SignedIn who, LocalDate day) {
        return passes.had(who.accountId(), day);
    }

    /** The day on which each of some sections last had the main work of a workout; those that never had are missing. */
    @Transactional(readOnly = true)
    public Map<Long, LocalDate> lastMainWork(SignedIn who, Collection<Long> sectionIds) {
        return passes.lastMain(who.accountId(), sectionIds).stream()
                .collect(Collectors.toMap(PlayedPassRepository.LastDay::sectionId, PlayedPassRepository.LastDay::day));
    }

    /** The variations in which some sections were played in the week before a day, the latest first. */
    @Transactional(readOnly = true)
    public Map<Long, List<String>> lately(SignedIn who, Collection<Long> sectionIds, LocalDate day) {
        return passes.varied(who.accountId(), sectionIds, day.minusDays(LATELY), day).stream()
                .collect(Collectors.groupingBy(
                        PlayedPassRepository.Varied::sectionId,
                        Collectors.mapping(PlayedPassRepository.Varied::way, Collectors.toList())));
    }

    /** The effort that each section has had on each day from one on. */
    @Transactional(readOnly = true)
    public Map<Long, NavigableMap<LocalDate, Double>> efforts(SignedIn who, LocalDate from) {
        Map<Long, NavigableMap<LocalDate, Double>> efforts = new HashMap<>();
        passes.efforts(who.accountId(), from)
                .forEach(one -> efforts.computeIfAbsent(one.sectionId(), at -> new TreeMap<>())
                        .put(one.day(), one.effort()));
        return efforts;
    }

    /** Passes of some sections as written that broke after {@code day}, newest first. */
    @Transactional(readOnly = true)
    public List<PlayedPass> brokenAfter(SignedIn who, Collection<Long> sectionIds, LocalDate day) {
        return passes.brokenAfter(who.accountId(), sectionIds, day, MOST);
    }

    /** The slowest tempo of a day at which a hand was too tense by some strictness, of those of some sections on which one was. */
    @Transactional(readOnly = true)
    public Map<Long, Tempo> tooTense(SignedIn who, Collection<Long> sectionIds, LocalDate day, Strictness strictness) {
        return tempos(passes.slowest(
                who.accountId(), sectionIds, day, strictness.lowersFrom().ordinal()));
    }

    /** Where tension reached its edge on some sections on the last day it was marked there, in a few weeks. */
    @Transactional(readOnly = true)
    public Map<Long, Tempo> lastEdges(SignedIn who, Collection<Long> sectionIds, LocalDate day) {
        return passes.edges(who.accountId(), sectionIds, day.minusDays(EDGE_DAYS)).stream()
                .collect(Collectors.toMap(
                        PlayedPassRepository.DaysEdges::sectionId,
                        marked -> Tempo.of(marked.mean()),
                        (earlier, later) -> later));
    }

    private static Map<Long, Tempo> tempos(List<PlayedPassRepository.OfSection> figures) {
        return figures.stream().collect(Collectors.toMap(OfSection::sectionId, one -> Tempo.of(one.figure())));
    }

    /** Where the last climb ended on those of some sections that have had one: the tempo of its last pass. */
    @Transactional(readOnly = true)
    public Map<Long, Tempo> lastClimbs(SignedIn who, Collection<Long> sectionIds) {
        return tempos(passes.lastClimbs(who.accountId(), sectionIds));
    }
}
