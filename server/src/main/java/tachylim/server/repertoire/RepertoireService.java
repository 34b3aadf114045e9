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
import tachylim.notation.abc.AbcWriter;
import tachylim.passage.Mark;
import tachylim.passage.Passage;
import tachylim.passage.Piece;
import tachylim.passage.SharedNotes;
import tachylim.server.account.AccountService;
import tachylim.server.account.SignedIn;
import tachylim.server.ceiling.Pieces;
import tachylim.server.ceiling.Standing;
import tachylim.server.ceiling.StandingService;
import tachylim.server.repertoire.PassageDtos.PassageDetail;
import tachylim.server.repertoire.PassageDtos.PassageDto;
import tachylim.server.repertoire.PassageDtos.PieceDto;
import tachylim.server.repertoire.PassageDtos.Reading;
import tachylim.server.web.Refused;
import tachylim.workout.Choices;
import tachylim.workout.Segment;

/** Passages and their pieces, as they are. */
@Service
public class RepertoireService implements Pieces {

    private static final int MOST_PIECES = 2_000;
    private static final int MOST_PERFORMANCES = 24;
    private static final int MOST_NOTES_REMEMBERED = 60_000;
    static final int MOST_MARKS = 5_000;

    private final PassageRepository passages;
    private final PieceRepository pieces;
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
            PieceRepository pieces,
            PerformanceRepository performances,
            NoteMarkRepository marks,
            StandingService standings,
            AccountService accounts) {
        this.passages = passages;
        this.pieces = pieces;
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

    @Transactional(readOnly = true)
    public List<StoredPiece> pieces(SignedIn who) {
        return pieces.findByAccountIdAndKindAndPutAwayFalseAndPassagePutAwayFalseOrderByPassageIdAscPlaceAsc(
                who.accountId(), PieceKind.PIECE, Limit.of(MOST_PIECES));
    }

    @Transactional(readOnly = true)
    public StoredPiece piece(SignedIn who, long id) {
        return pieces.findByIdAndAccountIdAndPutAwayFalseAndPassagePutAwayFalse(id, who.accountId())
                .orElseThrow(() -> Refused.notFound("This piece"));
    }

    @Override
    @Transactional(readOnly = true)
    public Named named(SignedIn who, long id) {
        StoredPiece piece = piece(who, id);
        return new Named(
                piece.subject(),
                piece.passage().id(),
                piece.passage().title(),
                piece.part(),
                piece.passage().targetBpm(),
                piece.passage().neededOn(),
                Segment.shareOf(Choices.LONGEST_BURST, music(piece)));
    }

    @Override
    @Transactional(readOnly = true)
    public List<PartOf> parts(SignedIn who, long passageId) {
        return present(passage(who, passageId)).stream()
                .sorted(Comparator.comparing((StoredPiece piece) -> piece.kind() != PieceKind.PIECE))
                .map(piece -> new PartOf(piece.subject(), piece.part(), piece.kind() == PieceKind.PIECE))
                .toList();
    }

    /** A piece, put away or not, for what was begun while it was there. */
    @Transactional(readOnly = true)
    public StoredPiece anyPiece(SignedIn who, long id) {
        return pieces.findById(id)
                .filter(piece -> piece.accountId() == who.accountId())
                .orElseThrow(() -> Refused.notFound("This piece"));
    }

    /** Some pieces that are worked on, in the order of their ids. */
    @Transactional(readOnly = true)
    public List<StoredPiece> pieces(SignedIn who, List<Long> ids) {
        Map<Long, StoredPiece> found =
                pieces.findByAccountIdAndIdInAndPutAwayFalseAndPassagePutAwayFalse(who.accountId(), ids).stream()
                        .collect(Collectors.toMap(StoredPiece::id, piece -> piece));
        return ids.stream()
                .map(id -> Optional.ofNullable(found.get(id)).orElseThrow(() -> Refused.notFound("This piece")))
                .toList();
    }

    /** Which of some pieces are there to be worked on. */
    @Transactional(readOnly = true)
    public Set<Long> present(SignedIn who, Collection<Long> ids) {
        return pieces
                .findByAccountIdAndIdInAndPutAwayFalseAndPassagePutAwayFalse(who.accountId(), List.copyOf(ids))
                .stream()
                .map(StoredPiece::id)
                .collect(Collectors.toSet());
    }

    /** Pieces by id, put away or not, for looking back. */
    @Transactional(readOnly = true)
    public Map<Long, StoredPiece> piecesById(SignedIn who, List<Long> ids) {
        return pieces.findByAccountIdAndIdIn(who.accountId(), ids).stream()
                .collect(Collectors.toMap(StoredPiece::id, piece -> piece));
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
                    "value", "This passage has been marked " + MOST_MARKS + " times; that is all it holds.");
        }
        marks.save(new NoteMark(passage.accountId(), passage.id(), note, kind, value, why, at));
    }

    /** The notes of a piece, as it is played. */
    @Transactional(readOnly = true)
    public Passage music(StoredPiece piece) {
        return within(music(piece.passage()), piece);
    }

    /** For each note of a piece whether another piece plays it too. */
    @Transactional(readOnly = true)
    public boolean[] shared(StoredPiece wanted, StoredPiece other) {
        StoredPassage passage = wanted.passage();
        boolean countedAlike = other.passage().id().equals(passage.id())
                && wanted.isOf(passage.edition())
                && other.isOf(passage.edition());
        return countedAlike
                ? SharedNotes.of(wanted.notes(), other.notes())
                : SharedNotes.of(within(plain(passage), wanted), within(plain(other.passage()), other));
    }

    private static Passage within(Passage whole, StoredPiece piece) {
        int last = Math.min(piece.notes().lastNote(), whole.notes().size() - 1);
        return whole.excerpt(new Piece(Math.min(piece.notes().firstNote(), last), last));
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
            throw Refused.field("day", "Give a day from today on, within two years.");
        }
        if (performances(who, today).size() >= MOST_PERFORMANCES) {
            throw Refused.field("name", "There is room for " + MOST_PERFORMANCES + " performances.");
        }
        performances.save(new Performance(who.accountId(), name.strip(), day));
    }

    @Transactional
    public void notPerformed(SignedIn who, long id) {
        performances.delete(performances
                .findByIdAndAccountId(id, who.accountId())
                .orElseThrow(() -> Refused.notFound("This performance")));
    }

    /**
     * Looks whether a piece that came from elsewhere is of the music it is said to be of.
     *
     * @throws IllegalArgumentException if it is not
     */
    @Transactional(readOnly = true)
    public void checkNotes(StoredPiece piece) {
        int notes = music(piece.passage()).notes().size();
        if (piece.isOf(piece.passage().edition()) && piece.notes().lastNote() >= notes) {
            throw new IllegalArgumentException("A piece ends beyond its passage");
        }
    }

    /** Every piece that some passages were ever cut into, with its passage. */
    @Transactional(readOnly = true)
    public Map<Long, Long> everCut(SignedIn who, Collection<Long> passageIds) {
        return pieces.everCut(who.accountId(), passageIds).stream()
                .collect(Collectors.toMap(PieceRepository.Cut::pieceId, PieceRepository.Cut::passageId));
    }

    @Transactional(readOnly = true)
    List<PassageDto> list(SignedIn who) {
        LocalDate today = accounts.today(who);
        List<StoredPiece> all = pieces(who);
        Map<Long, Standing> byPiece = standings(who, all, today);
        Map<StoredPassage, List<StoredPiece>> byPassage = all.stream()
                .collect(Collectors.groupingBy(StoredPiece::passage, LinkedHashMap::new, Collectors.toList()));
        return byPassage.entrySet().stream()
                .map(entry -> dto(entry.getKey(), entry.getValue(), byPiece, today))
                .toList();
    }

    private Map<Long, Standing> standings(SignedIn who, List<StoredPiece> of, LocalDate day) {
        return standings.standings(who, of.stream().map(StoredPiece::subject).toList(), day);
    }

    private static PassageDto dto(
            StoredPassage passage, List<StoredPiece> parts, Map<Long, Standing> standings, LocalDate today) {
        List<PieceDto> dtos =
                parts.stream().map(piece -> pieceDto(piece, standings)).toList();
        LocalDate lastPlayed = dtos.stream()
                .map(PieceDto::lastPlayed)
                .filter(Objects::nonNull)
                .max(LocalDate::compareTo)
                .orElse(null);
        Long daysLeft = passage.neededOn() == null ? null : ChronoUnit.DAYS.between(today, passage.neededOn());
        int slowest = Weakest.of(parts.stream()
                .map(piece -> standings.get(piece.id()).estimate())
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

    private static PieceDto pieceDto(StoredPiece piece, Map<Long, Standing> standings) {
        Standing standing = standings.get(piece.id());
        return new PieceDto(
                piece.id(),
                piece.name(),
                piece.isWhole(),
                piece.notes().firstNote(),
                piece.notes().lastNote(),
                piece.difficulty(),
                standing.dto(),
                standing.lastPlayed());
    }

    @Transactional(readOnly = true)
    public StoredPassage passage(SignedIn who, long id) {
        return passages.findByIdAndAccountIdAndPutAwayFalse(id, who.accountId())
                .orElseThrow(() -> Refused.notFound("This passage"));
    }

    @Transactional(readOnly = true)
    PassageDetail detail(SignedIn who, long id) {
        StoredPassage passage = passage(who, id);
        LocalDate today = accounts.today(who);
        List<StoredPiece> parts = cut(passage);
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
                .forEach((piece, rate) -> reached.merge(passageOf.get(piece), rate, Math::max));
        return reached;
    }

    /** The pieces a passage is cut into, in order. */
    @Transactional(readOnly = true)
    public List<StoredPiece> cut(StoredPassage passage) {
        return present(passage).stream()
                .filter(piece -> piece.kind() == PieceKind.PIECE)
                .toList();
    }

    /** Its joins and links that are played on their own. */
    @Transactional(readOnly = true)
    public List<StoredPiece> extras(StoredPassage passage) {
        return present(passage).stream()
                .filter(piece -> piece.kind() != PieceKind.PIECE)
                .toList();
    }

    private List<StoredPiece> present(StoredPassage passage) {
        return pieces.findByAccountIdAndPassageIdAndPutAwayFalseOrderByPlace(passage.accountId(), passage.id());
    }

    /** How fast each of some pieces is today. */
    @Transactional(readOnly = true)
    public List<Estimate> estimates(SignedIn who, List<StoredPiece> of) {
        Map<Long, Standing> known = standings(who, of, accounts.today(who));
        return of.stream().map(piece -> known.get(piece.id()).estimate()).toList();
    }

    /** Pieces with how each stands. */
    @Transactional(readOnly = true)
    public List<PieceDto> dtos(SignedIn who, List<StoredPiece> of) {
        Map<Long, Standing> known = standings(who, of, accounts.today(who));
        return of.stream().map(piece -> pieceDto(piece, known)).toList();
    }
}
