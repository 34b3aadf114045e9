package tachylim.server.repertoire;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Instant;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.data.domain.Limit;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tachylim.ceiling.Estimate;
import tachylim.ceiling.Weakest;
import tachylim.method.School;
import tachylim.notation.abc.AbcWriter;
import tachylim.passage.Mark;
import tachylim.passage.Passage;
import tachylim.passage.Section;
import tachylim.passage.SharedNotes;
import tachylim.season.Importance;
import tachylim.server.account.AccountService;
import tachylim.server.account.SignedIn;
import tachylim.server.ceiling.Sections;
import tachylim.server.ceiling.Standing;
import tachylim.server.ceiling.StandingService;
import tachylim.server.repertoire.PassageDtos.PassageDetail;
import tachylim.server.repertoire.PassageDtos.PassageDto;
import tachylim.server.repertoire.PassageDtos.Reading;
import tachylim.server.repertoire.PassageDtos.SectionDto;
import tachylim.server.web.Refused;
import tachylim.words.Reason;
import tachylim.words.Refusal;
import tachylim.workout.Choices;
import tachylim.workout.Segment;

/** Passages and their sections, as they are. */
@Service
public class RepertoireService implements Sections {

    private static final int MOST_SECTIONS = 2_000;
    private static final int MOST_PERFORMANCES = 24;
    private static final int MOST_NOTES_REMEMBERED = 60_000;
    static final int MOST_MARKS = 5_000;

    private final PassageRepository passages;
    private final SectionRepository sections;
    private final PerformanceRepository performances;
    private final NoteMarkRepository marks;
    private final StandingService standings;
    private final AccountService accounts;

    /** Music that was read lately: the same text is the same music. */
    private final Cache<MusicText, Passage> read = Caffeine.newBuilder()
            .maximumWeight(MOST_NOTES_REMEMBERED)
            .weigher((MusicText text, Passage music) -> music.notes().size())
            .build();

    RepertoireService(
            PassageRepository passages,
            SectionRepository sections,
            PerformanceRepository performances,
            NoteMarkRepository marks,
            StandingService standings,
            AccountService accounts) {
        this.passages = passages;
        this.sections = sections;
        this.performances = performances;
        this.marks = marks;
        this.standings = standings;
        this.accounts = accounts;
    }

    Reading read(MusicText text) {
        MusicText.Heard tune = text.read();
        Passage music = tune.passage();
        boolean paper = text.source() == Source.PAPER;
        return new Reading(
                music.notes().size(),
                music.bars(),
                music.meter().toString(),
                music.beatUnit().toString().replace(" ", ""),
                music.length().doubleValue(),
                music.quickestNotesPerBeat(),
                paper,
                AbcWriter.write(music),
                tune.warnings(),
                tune.leftOut());
    }

    /** Takes note of the method that the player chose for a passage; null where they follow the advice. */
    @Transactional
    public void choose(SignedIn who, StoredPassage passage, School school, LocalDate day) {
        boolean already = passage.chosen(day).map(StoredPassage.Chosen::school).orElse(null) == school;
        if (!already) {
            passages.choose(who.accountId(), passage.id(), school == null ? null : school.word(), day);
        }
    }

    /**
     * Changes what is wanted of a passage; what is null stays as it is.
     *
     * @param targetBpm the tempo it is wanted at
     * @param neededOn the day it is needed
     */
    @Transactional
    public void aim(SignedIn who, long passageId, Importance matters, Double targetBpm, LocalDate neededOn) {
        StoredPassage passage = passages.findByIdAndAccountIdAndPutAwayFalse(passageId, who.accountId())
                .orElseThrow(() -> Refused.notFound(Reason.of("refusal.repertoireService.thisPassageIsNotHere")));
        if (neededOn != null && neededOn.isBefore(accounts.today(who))) {
            throw Refused.field("neededOn", Reason.of("refusal.passageEditor.thatDateHasGoneByChoose"));
        }
        if (matters != null) {
            passage.matters(matters);
        }
        passage.aim(
                targetBpm == null ? passage.targetBpm() : targetBpm, neededOn == null ? passage.neededOn() : neededOn);
    }

    @Transactional(readOnly = true)
    public List<StoredSection> sections(SignedIn who) {
        return sections.findByAccountIdAndKindAndPutAwayFalseAndPassagePutAwayFalseOrderByPassageIdAscPlaceAsc(
                who.accountId(), SectionKind.SECTION, Limit.of(MOST_SECTIONS));
    }

    @Transactional(readOnly = true)
    public StoredSection section(SignedIn who, long id) {
        return sections.findByIdAndAccountIdAndPutAwayFalseAndPassagePutAwayFalse(id, who.accountId())
                .orElseThrow(() -> Refused.notFound(Reason.of("refusal.repertoireService.thisSectionIsNotHere")));
    }

    @Override
    @Transactional(readOnly = true)
    public Named named(SignedIn who, long id) {
        StoredSection section = section(who, id);
        return new Named(
                section.subject(),
                section.passage().id(),
                section.passage().title(),
                section.part(),
                section.passage().targetBpm(),
                section.passage().neededOn(),
                Segment.shareOf(Choices.LONGEST_BURST, music(section)));
    }

    @Override
    @Transactional(readOnly = true)
    public List<PartOf> parts(SignedIn who, long passageId) {
        return present(passage(who, passageId)).stream()
                .sorted(Comparator.comparing((StoredSection section) -> section.kind() != SectionKind.SECTION))
                .map(section -> new PartOf(section.subject(), section.part(), section.kind() == SectionKind.SECTION))
                .toList();
    }

    /** A section, put away or not, for what was begun while it was there. */
    @Transactional(readOnly = true)
    public StoredSection anySection(SignedIn who, long id) {
        return sections.findById(id)
                .filter(section -> section.accountId() == who.accountId())
                .orElseThrow(() -> Refused.notFound(Reason.of("refusal.repertoireService.thisSectionIsNotHere")));
    }

    /** Some sections that are worked on, in the order of their ids. */
    @Transactional(readOnly = true)
    public List<StoredSection> sections(SignedIn who, List<Long> ids) {
        Map<Long, StoredSection> found =
                sections.findByAccountIdAndIdInAndPutAwayFalseAndPassagePutAwayFalse(who.accountId(), ids).stream()
                        .collect(Collectors.toMap(StoredSection::id, section -> section));
        return ids.stream()
                .map(id -> Optional.ofNullable(found.get(id))
                        .orElseThrow(
                                () -> Refused.notFound(Reason.of("refusal.repertoireService.thisSectionIsNotHere"))))
                .toList();
    }

    /** Which of some sections are there to be worked on. */
    @Transactional(readOnly = true)
    public Set<Long> present(SignedIn who, Collection<Long> ids) {
        return sections
                .findByAccountIdAndIdInAndPutAwayFalseAndPassagePutAwayFalse(who.accountId(), List.copyOf(ids))
                .stream()
                .map(StoredSection::id)
                .collect(Collectors.toSet());
    }

    /** Sections by id, put away or not, for looking back. */
    @Transactional(readOnly = true)
    public Map<Long, StoredSection> sectionsById(SignedIn who, List<Long> ids) {
        return sections.findByAccountIdAndIdIn(who.accountId(), ids).stream()
                .collect(Collectors.toMap(StoredSection::id, section -> section));
    }

    /** The notes of a passage with the player's marks over them. */
    @Transactional(readOnly = true)
    public Passage music(StoredPassage passage) {
        return Pencil.over(plain(passage), marks(passage));
    }

    /** The notes of a passage as they were put down, read once as long as they are asked for. */
    private Passage plain(StoredPassage passage) {
        return read.get(passage.music(), MusicText::passage);
    }

    /** The marks that hold, the oldest first, with those they replaced. */
    @Transactional(readOnly = true)
    public List<NoteMark> marks(StoredPassage passage) {
        return marks.findByAccountIdAndPassageIdAndSupersededFalseOrderById(
                passage.accountId(), passage.id(), Limit.of(MOST_MARKS));
    }

    @Transactional
    public void mark(StoredPassage passage, int note, Mark.Kind kind, String value, String why, Instant at) {
        if (marks.countByAccountIdAndPassageId(passage.accountId(), passage.id()) >= MOST_MARKS) {
            throw Refused.field(
                    "value", Reason.of("refusal.repertoireService.thisPassageHasBeenMarked", "mostMarks", MOST_MARKS));
        }
        marks.save(new NoteMark(passage.accountId(), passage.id(), note, kind, value, why, at));
    }

    /** The notes of a section, as it is played. */
    @Transactional(readOnly = true)
    public Passage music(StoredSection section) {
        return within(music(section.passage()), section);
    }

    /** For each note of a section whether another section plays it too. */
    @Transactional(readOnly = true)
    public boolean[] shared(StoredSection wanted, StoredSection other) {
        StoredPassage passage = wanted.passage();
        boolean countedAlike = other.passage().id().equals(passage.id())
                && wanted.isOf(passage.edition())
                && other.isOf(passage.edition());
        return countedAlike
                ? SharedNotes.of(wanted.notes(), other.notes())
                : SharedNotes.of(within(plain(passage), wanted), within(plain(other.passage()), other));
    }

    private static Passage within(Passage whole, StoredSection section) {
        int last = Math.min(section.notes().lastNote(), whole.notes().size() - 1);
        return whole.excerpt(new Section(Math.min(section.notes().firstNote(), last), last));
    }

    /** The days on which something is needed or performed, from one to another. */
    @Transactional(readOnly = true)
    public List<LocalDate> needed(SignedIn who, LocalDate from, LocalDate to) {
        return Stream.concat(
                        passages.needed(who.accountId(), from, to).stream(),
                        performances(who, from).stream().map(Performance::day).filter(day -> !day.isAfter(to)))
                .distinct()
                .toList();
    }

    /** What is performed from a day on, the nearest first. */
    @Transactional(readOnly = true)
    public List<Performance> performances(SignedIn who, LocalDate from) {
        return performances.findByAccountIdAndDayGreaterThanEqualOrderByDayAscIdAsc(
                who.accountId(), from, Limit.of(MOST_PERFORMANCES));
    }

    /** Puts a performance down. */
    @Transactional
    public void perform(SignedIn who, String name, LocalDate day) {
        LocalDate today = accounts.today(who);
        if (day.isBefore(today) || day.isAfter(today.plusYears(2))) {
            throw Refused.field("day", Reason.of("refusal.repertoireService.giveADayFromTodayOnWithin"));
        }
        if (performances(who, today).size() >= MOST_PERFORMANCES) {
            throw Refused.field(
                    "name",
                    Reason.of(
                            "refusal.repertoireService.thereIsRoomForPerformances",
                            "mostPerformances",
                            MOST_PERFORMANCES));
        }
        performances.save(new Performance(who.accountId(), name.strip(), day));
    }

    @Transactional
    public void notPerformed(SignedIn who, long id) {
        performances.delete(performances
                .findByIdAndAccountId(id, who.accountId())
                .orElseThrow(() -> Refused.notFound(Reason.of("refusal.repertoireService.thisPerformanceIsNotHere"))));
    }

    /**
     * Looks whether a section that came from elsewhere is of the music it is said to be of.
     *
     * @throws IllegalArgumentException if it is not
     */
    @Transactional(readOnly = true)
    public void checkNotes(StoredSection section) {
        int notes = music(section.passage()).notes().size();
        if (section.isOf(section.passage().edition()) && section.notes().lastNote() >= notes) {
            throw Refusal.of("refusal.repertoireService.aSectionEndsBeyondIts");
        }
    }

    /** Every section that some passages were ever cut into, with its passage. */
    @Transactional(readOnly = true)
    public Map<Long, Long> everCut(SignedIn who, Collection<Long> passageIds) {
        return sections.everCut(who.accountId(), passageIds).stream()
                .collect(Collectors.toMap(SectionRepository.Cut::sectionId, SectionRepository.Cut::passageId));
    }

    @Transactional(readOnly = true)
    List<PassageDto> list(SignedIn who) {
        LocalDate today = accounts.today(who);
        List<StoredSection> all = sections(who);
        Map<Long, Standing> bySection = standings(who, all, today);
        Map<StoredPassage, List<StoredSection>> byPassage = all.stream()
                .collect(Collectors.groupingBy(StoredSection::passage, LinkedHashMap::new, Collectors.toList()));
        return byPassage.entrySet().stream()
                .map(entry -> dto(entry.getKey(), entry.getValue(), bySection, today))
                .toList();
    }

    private Map<Long, Standing> standings(SignedIn who, List<StoredSection> of, LocalDate day) {
        return standings.standings(who, of.stream().map(StoredSection::subject).toList(), day);
    }

    private static PassageDto dto(
            StoredPassage passage, List<StoredSection> parts, Map<Long, Standing> standings, LocalDate today) {
        List<SectionDto> dtos =
                parts.stream().map(section -> sectionDto(section, standings)).toList();
        LocalDate lastPlayed = dtos.stream()
                .map(SectionDto::lastPlayed)
                .filter(Objects::nonNull)
                .max(LocalDate::compareTo)
                .orElse(null);
        Long daysLeft = passage.neededOn() == null ? null : ChronoUnit.DAYS.between(today, passage.neededOn());
        int slowest = Weakest.of(parts.stream()
                .map(section -> standings.get(section.id()).estimate())
                .toList());
        return new PassageDto(
                passage.id(),
                passage.title(),
                passage.instrument(),
                passage.targetBpm(),
                passage.neededOn(),
                daysLeft,
                lastPlayed,
                dtos,
                parts.get(slowest).id());
    }

    private static SectionDto sectionDto(StoredSection section, Map<Long, Standing> standings) {
        Standing standing = standings.get(section.id());
        return new SectionDto(
                section.id(),
                section.name(),
                section.isWhole(),
                section.notes().firstNote(),
                section.notes().lastNote(),
                section.difficulty(),
                standing.dto(),
                standing.lastPlayed());
    }

    @Transactional(readOnly = true)
    public StoredPassage passage(SignedIn who, long id) {
        return passages.findByIdAndAccountIdAndPutAwayFalse(id, who.accountId())
                .orElseThrow(() -> Refused.notFound(Reason.of("refusal.repertoireService.thisPassageIsNotHere")));
    }

    @Transactional(readOnly = true)
    PassageDetail detail(SignedIn who, long id) {
        StoredPassage passage = passage(who, id);
        LocalDate today = accounts.today(who);
        List<StoredSection> parts = cut(passage);
        return new PassageDetail(
                dto(passage, parts, standings(who, parts, today), today),
                passage.music(),
                read(passage.music()),
                passage.version());
    }

    /** The most notes a second that were ever clean in each of some passages, however it was cut; 0 for none. */
    @Transactional(readOnly = true)
    public Map<Long, Double> reachedRates(SignedIn who, Collection<Long> passageIds) {
        Map<Long, Long> passageOf = everCut(who, passageIds);
        Map<Long, Double> reached = new HashMap<>();
        passageIds.forEach(id -> reached.put(id, 0.0));
        standings
                .reachedRates(who, passageOf.keySet())
                .forEach((section, rate) -> reached.merge(passageOf.get(section), rate, Math::max));
        return reached;
    }

    /** The sections a passage is cut into, in order. */
    @Transactional(readOnly = true)
    public List<StoredSection> cut(StoredPassage passage) {
        return present(passage).stream()
                .filter(section -> section.kind() == SectionKind.SECTION)
                .toList();
    }

    /** Its joins and transitions that are played on their own. */
    @Transactional(readOnly = true)
    public List<StoredSection> extras(StoredPassage passage) {
        return present(passage).stream()
                .filter(section -> section.kind() != SectionKind.SECTION)
                .toList();
    }

    private List<StoredSection> present(StoredPassage passage) {
        return sections.findByAccountIdAndPassageIdAndPutAwayFalseOrderByPlace(passage.accountId(), passage.id());
    }

    /** How fast each of some sections is today. */
    @Transactional(readOnly = true)
    public List<Estimate> estimates(SignedIn who, List<StoredSection> of) {
        Map<Long, Standing> known = standings(who, of, accounts.today(who));
        return of.stream().map(section -> known.get(section.id()).estimate()).toList();
    }

    /** Sections with how each stands. */
    @Transactional(readOnly = true)
    public List<SectionDto> dtos(SignedIn who, List<StoredSection> of) {
        Map<Long, Standing> known = standings(who, of, accounts.today(who));
        return of.stream().map(section -> sectionDto(section, known)).toList();
    }
}
