package tachylim.server.count;

import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.springframework.data.domain.Limit;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tachylim.count.Change;
import tachylim.count.Count;
import tachylim.count.Trend;
import tachylim.passage.Note;
import tachylim.server.account.SignedIn;
import tachylim.server.count.CountDtos.ChangeDto;
import tachylim.server.count.CountDtos.ChangeWish;
import tachylim.server.count.CountDtos.CountDto;
import tachylim.server.count.CountDtos.CountWish;
import tachylim.server.count.CountDtos.CountsView;
import tachylim.server.load.LoadService;
import tachylim.server.load.Played;
import tachylim.server.load.PracticeLog;
import tachylim.server.load.Today;
import tachylim.server.repertoire.RepertoireService;
import tachylim.server.repertoire.StoredPassage;
import tachylim.server.repertoire.StoredSection;
import tachylim.server.web.Refused;
import tachylim.tempo.Tempo;
import tachylim.words.Reason;

/** Changes that are counted, and what was counted of them. */
@Service
public class CountService {

    private static final int MOST_CHANGES = 60;
    private static final int DAYS_SHOWN = 90;
    private static final int COUNTS_SHOWN = 600;

    private final CountedChangeRepository changes;
    private final TakenCountRepository taken;
    private final RepertoireService repertoire;
    private final LoadService load;
    private final PracticeLog practice;
    private final Clock clock;

    CountService(
            CountedChangeRepository changes,
            TakenCountRepository taken,
            RepertoireService repertoire,
            LoadService load,
            PracticeLog practice,
            Clock clock) {
        this.changes = changes;
        this.taken = taken;
        this.repertoire = repertoire;
        this.load = load;
        this.practice = practice;
        this.clock = clock;
    }

    @Transactional
    public CountsView view(SignedIn who) {
        Today today = load.today(who);
        Map<Long, Double> best = taken.best(who.accountId()).stream()
                .collect(Collectors.toMap(
                        TakenCountRepository.Best::getChangeId, TakenCountRepository.Best::getPerMinute));
        Map<Long, List<Count>> counts = new LinkedHashMap<>();
        taken.findByAccountIdAndDayGreaterThanEqualOrderByDayDescIdDesc(
                        who.accountId(), today.day().minusDays(DAYS_SHOWN), Limit.of(COUNTS_SHOWN))
                .forEach(one -> counts.computeIfAbsent(one.changeId(), none -> new ArrayList<>())
                        .add(one.count()));
        counts.values().forEach(Collections::reverse);
        List<ChangeDto> all =
                changes.findByAccountIdOrderBySongAscIdAsc(who.accountId(), Limit.of(MOST_CHANGES)).stream()
                        .map(one -> dto(one, best.get(one.id()), counts.getOrDefault(one.id(), List.of())))
                        .toList();
        return new CountsView(today.day(), today.caution(), today.closed(), songs(all), all);
    }

    private static ChangeDto dto(CountedChange one, Double best, List<Count> counts) {
        Change change = one.change();
        Trend trend = counts.isEmpty() ? null : Trend.of(counts);
        return new ChangeDto(
                one.id(),
                one.name(),
                one.song(),
                change.target().bpm(),
                change.beats(),
                one.passageId(),
                one.transition(),
                change.needed(),
                best,
                trend == null ? null : change.keepsUpWith(trend.now()),
                trend == null ? Reason.of("count.never") : sentence(change, trend),
                counts.stream()
                        .map(count -> new CountDto(count.day(), count.seconds(), count.clean(), count.perMinute()))
                        .toList());
    }

    private static Reason sentence(Change change, Trend trend) {
        Reason now = Reason.of(
                "count.lately", "now", Math.round(trend.now()), "tempo", Math.round(change.keepsUpWith(trend.now())));
        if (trend.gained().isEmpty()) {
            return now;
        }
        long gained = Math.round(trend.gained().getAsDouble());
        return now.then(
                gained < 0 ? Reason.of("count.fewer", "fewer", -gained) : Reason.of("count.gained", "more", gained));
    }

    /** A song goes no faster than its slowest change. */
    private static List<Reason> songs(List<ChangeDto> all) {
        return all.stream()
                .filter(change -> !change.song().isEmpty() && change.tempo() != null)
                .collect(Collectors.groupingBy(ChangeDto::song, LinkedHashMap::new, Collectors.toList()))
                .entrySet()
                .stream()
                .filter(song -> song.getValue().size() > 1)
                .map(song -> {
                    ChangeDto slowest = song.getValue().stream()
                            .min(Comparator.comparingDouble(ChangeDto::tempo))
                            .orElseThrow();
                    return Reason.of(
                            "count.song",
                            "song",
                            song.getKey(),
                            "tempo",
                            Math.round(slowest.tempo()),
                            "change",
                            slowest.name());
                })
                .toList();
    }

    @Transactional
    public void add(SignedIn who, ChangeWish wish) {
        Change change = Refused.unlessValid("target", () -> new Change(Tempo.of(wish.target()), wish.beats()));
        checkRoom(who);
        changes.save(new CountedChange(
                who.accountId(), wish.name().strip(), wish.song().strip(), change, clock.instant()));
    }

    /** What was counted of a transition in a workout stands with its other counts; there its cost is counted already. */
    @Transactional
    public void countedInWorkout(
            SignedIn who, StoredPassage passage, int transition, String clientId, Count count, Instant at) {
        boolean room = changes.countByAccountId(who.accountId()) < MOST_CHANGES
                || changes.findFirstByAccountIdAndPassageIdAndTransition(who.accountId(), passage.id(), transition)
                        .isPresent();
        if (!room || taken.existsByAccountIdAndClientId(who.accountId(), clientId)) {
            return;
        }
        add(who, passage.id(), transition);
        changes.findFirstByAccountIdAndPassageIdAndTransition(who.accountId(), passage.id(), transition)
                .ifPresent(change -> taken.save(new TakenCount(who.accountId(), change.id(), clientId, count, at)));
    }

    /** Counts a transition of a passage from now on, at the tempo and as often as the music has it; once. */
    @Transactional
    public void add(SignedIn who, long passageId, int transition) {
        StoredPassage passage = repertoire.passage(who, passageId);
        List<Note> notes = repertoire.music(passage).notes();
        if (transition < 0 || transition >= notes.size() - 1) {
            throw Refused.notFound(Reason.of("refusal.countService.thisChangeIsNotHere"));
        }
        if (changes.findFirstByAccountIdAndPassageIdAndTransition(who.accountId(), passageId, transition)
                .isPresent()) {
            return;
        }
        Change change = Change.between(notes.get(transition), notes.get(transition + 1), Tempo.of(passage.targetBpm()));
        checkRoom(who);
        String name = (transition + 1) + "→" + (transition + 2);
        String song = passage.title()
                .substring(0, Math.min(LONGEST_SONG, passage.title().length()));
        changes.save(new CountedChange(who.accountId(), name, song, change, clock.instant()).in(passageId, transition));
    }

    private static final int LONGEST_SONG = 60;

    private void checkRoom(SignedIn who) {
        if (changes.countByAccountId(who.accountId()) >= MOST_CHANGES) {
            throw Refused.field(
                    "name", Reason.of("refusal.countService.thereIsRoomForChangesTake", "mostChanges", MOST_CHANGES));
        }
    }

    /** How fast the slowest change of each of some sections keeps up, by what was counted of late; those without one are missing. */
    @Transactional(readOnly = true)
    public Map<Long, Tempo> slowest(SignedIn who, List<StoredSection> sections, LocalDate today) {
        Map<CountedChange, List<Count>> counted = new LinkedHashMap<>();
        taken.ofTransitions(
                        who.accountId(),
                        sections.stream()
                                .map(one -> one.passage().id())
                                .distinct()
                                .toList(),
                        today.minusDays(DAYS_SHOWN),
                        Limit.of(COUNTS_SHOWN))
                .forEach(one -> counted.computeIfAbsent(one.change(), none -> new ArrayList<>())
                        .add(one.taken().count()));
        Map<Long, Tempo> slowest = new HashMap<>();
        for (StoredSection section : sections) {
            counted.entrySet().stream()
                    .filter(one -> isOf(one.getKey(), section))
                    .map(one ->
                            one.getKey().change().tempo(Trend.of(one.getValue()).now()))
                    .min(Comparator.naturalOrder())
                    .ifPresent(tempo -> slowest.put(section.id(), tempo));
        }
        return slowest;
    }

    private static boolean isOf(CountedChange change, StoredSection section) {
        return section.passage().id().equals(change.passageId())
                && change.transition() >= section.notes().firstNote()
                && change.transition() < section.notes().lastNote();
    }

    @Transactional
    public void delete(SignedIn who, long id) {
        changes.delete(change(who, id));
    }

    private CountedChange change(SignedIn who, long id) {
        return changes.findByIdAndAccountId(id, who.accountId())
                .orElseThrow(() -> Refused.notFound(Reason.of("refusal.countService.thisChangeIsNotHere")));
    }

    /** Counts are practice: they count for the day, and there are none in the rest after a symptom. */
    @Transactional
    public void count(SignedIn who, long id, CountWish wish) {
        CountedChange counted = change(who, id);
        if (taken.existsByAccountIdAndClientId(who.accountId(), wish.clientId())) {
            return;
        }
        double secondsAgo = wish.secondsAgo() == null ? 0 : wish.secondsAgo();
        Instant at = clock.instant().minusMillis((long) (1000 * secondsAgo));
        Count count = Refused.unlessValid(
                "seconds", () -> new Count(load.today(who, at).day(), wish.seconds(), wish.clean()));
        Double best = taken.bestOf(id);
        Change change = counted.change();
        practice.played(
                who,
                new Played(
                        null,
                        wish.clientId(),
                        null,
                        change.tempo(count.perMinute()),
                        count.seconds(),
                        change.effort(count, best == null ? 0 : best),
                        0),
                secondsAgo);
        taken.save(new TakenCount(who.accountId(), id, wish.clientId(), count, at));
    }

    /** How many counts there were on each of some days. */
    @Transactional(readOnly = true)
    public Map<LocalDate, Long> days(SignedIn who, LocalDate from, LocalDate to) {
        return taken.days(who.accountId(), from, to).stream()
                .collect(Collectors.toMap(TakenCountRepository.OnDay::getDay, TakenCountRepository.OnDay::getCounts));
    }
}
