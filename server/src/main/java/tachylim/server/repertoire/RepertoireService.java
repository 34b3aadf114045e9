package tachylim.server.repertoire;

import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.stream.Collectors;
import org.springframework.data.domain.Limit;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tachylim.notation.AbcWriter;
import tachylim.passage.Cut;
import tachylim.passage.Mark;
import tachylim.passage.Passage;
import tachylim.passage.Piece;
import tachylim.server.account.AccountService;
import tachylim.server.account.SignedIn;
import tachylim.server.repertoire.PassageDtos.CutKind;
import tachylim.server.repertoire.PassageDtos.CutWish;
import tachylim.server.repertoire.PassageDtos.ExtraWish;
import tachylim.server.repertoire.PassageDtos.PassageDetail;
import tachylim.server.repertoire.PassageDtos.PassageDto;
import tachylim.server.repertoire.PassageDtos.PassageWish;
import tachylim.server.repertoire.PassageDtos.PieceDto;
import tachylim.server.repertoire.PassageDtos.PieceWish;
import tachylim.server.repertoire.PassageDtos.Reading;
import tachylim.server.standing.Standing;
import tachylim.server.standing.StandingService;
import tachylim.server.web.Refused;
import tachylim.tempo.Tempo;

/** Passages and their pieces. */
@Service
public class RepertoireService {

    /** Those put away are counted too. */
    static final int MOST_PASSAGES = 500;

    private static final int MOST_PIECES = 2_000;
    static final int MOST_MARKS = 5_000;
    private static final int MOST_EXTRAS = 100;

    private final PassageRepository passages;
    private final PieceRepository pieces;
    private final NoteMarkRepository marks;
    private final PieceKeeper keeper;
    private final List<FollowsMusic> followers;
    private final StorageService storage;
    private final StandingService standings;
    private final AccountService accounts;
    private final Clock clock;

    RepertoireService(
            PassageRepository passages,
            PieceRepository pieces,
            NoteMarkRepository marks,
            PieceKeeper keeper,
            List<FollowsMusic> followers,
            StorageService storage,
            StandingService standings,
            AccountService accounts,
            Clock clock) {
        this.passages = passages;
        this.pieces = pieces;
        this.marks = marks;
        this.keeper = keeper;
        this.followers = followers;
        this.storage = storage;
        this.standings = standings;
        this.accounts = accounts;
        this.clock = clock;
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

    /** A piece, put away or not, for what was begun while it was there. */
    @Transactional(readOnly = true)
    public StoredPiece anyPiece(SignedIn who, long id) {
        return pieces.findById(id)
                .filter(piece -> piece.accountId() == who.accountId())
                .orElseThrow(() -> Refused.notFound("This piece"));
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
        return Pencil.over(passage.music().passage(), marks(passage));
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
        Passage whole = music(piece.passage());
        int last = Math.min(piece.notes().lastNote(), whole.notes().size() - 1);
        return whole.excerpt(new Piece(Math.min(piece.notes().firstNote(), last), last));
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
        return new PassageDto(
                passage.id(),
                passage.title(),
                passage.instrument(),
                passage.targetBpm(),
                passage.neededOn(),
                daysLeft,
                lastPlayed,
                dtos,
                slowest(dtos));
    }

    /** The whole goes no faster than its slowest piece. */
    private static long slowest(List<PieceDto> pieces) {
        return pieces.stream()
                .min(Comparator.comparingDouble(
                        piece -> piece.estimate().ceiling().middle()))
                .orElseThrow()
                .id();
    }

    private static PieceDto pieceDto(StoredPiece piece, Map<Long, Standing> standings) {
        Standing standing = standings.get(piece.id());
        return new PieceDto(
                piece.id(),
                piece.name(),
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

    @Transactional
    long create(SignedIn who, PassageWish wish) {
        return create(who, wish, clock.instant());
    }

    /** As {@link #create}, at a given time. */
    @Transactional
    public long create(SignedIn who, PassageWish wish, Instant at) {
        if (wish.clientId() != null) {
            var there = passages.findByAccountIdAndClientId(who.accountId(), wish.clientId());
            if (there.isPresent()) {
                return there.get().id();
            }
        }
        if (passages.countByAccountId(who.accountId()) >= MOST_PASSAGES) {
            throw Refused.field(
                    "title",
                    "This account holds " + MOST_PASSAGES
                            + " passages, those put away counted. Put one away that was never played: it is deleted.");
        }
        storage.checkRoom(who);
        checkAim(wish, accounts.get(who).day(at));
        Passage music = wish.music().passage();
        StoredPassage passage = new StoredPassage(who.accountId(), wish.clientId(), guess(wish), wish.played(), at);
        write(passage, wish);
        passages.save(passage);
        keeper.cut(who, passage, Cut.whole(music), CutKind.WHOLE, music);
        return passage.id();
    }

    /** Without a tempo of the player's own, a new piece is guessed as the ceiling's prior does. */
    private static double guess(PassageWish wish) {
        return wish.cleanAt() != null
                ? wish.cleanAt()
                : StandingService.guess(Tempo.of(wish.targetBpm())).bpm();
    }

    private static void checkAim(PassageWish wish, LocalDate today) {
        if (wish.cleanAt() != null && wish.cleanAt() > wish.targetBpm()) {
            throw Refused.field(
                    "targetBpm",
                    "The target of " + Tempo.of(wish.targetBpm()) + " is below the " + Tempo.of(wish.cleanAt())
                            + " it is clean at already. Set a target at or above that.");
        }
        if (wish.neededOn() != null && wish.neededOn().isBefore(today) && wish.version() == 0) {
            throw Refused.field("neededOn", "That date has gone by. Choose today or later, or leave it open.");
        }
    }

    private static void write(StoredPassage passage, PassageWish wish) {
        passage.title(wish.title().strip());
        passage.instrument(wish.instrument());
        passage.aim(wish.targetBpm(), wish.neededOn());
        passage.music(wish.music());
    }

    @Transactional
    void change(SignedIn who, long id, PassageWish wish) {
        StoredPassage passage = passage(who, id);
        if (passage.version() != wish.version()) {
            throw Refused.conflict(
                    "changed",
                    "This passage was changed in another window. Your text is still here; load the page to see the other.");
        }
        checkAim(wish, accounts.today(who));
        storage.checkRoom(who);
        MusicChange change =
                MusicChange.of(passage.music().passage(), wish.music().passage());
        if (!change.map().isSame()) {
            follow(who, passage, change, Boolean.TRUE.equals(wish.confirmed()));
        }
        write(passage, wish);
    }

    /** Lets everything that is tied to the notes follow those that stay; what cannot is said before it is done. */
    private void follow(SignedIn who, StoredPassage passage, MusicChange change, boolean confirmed) {
        List<String> lost = followers.stream()
                .flatMap(one -> one.lost(who, passage, change).stream())
                .toList();
        if (!lost.isEmpty() && !confirmed) {
            throw Refused.conflict("music-changed", String.join(" ", lost)).with("lost", lost);
        }
        boolean other = change.stayed() < PieceKeeper.STILL_THE_SAME;
        Tempo guess = other
                ? StandingService.guess(Tempo.of(passage.targetBpm()))
                : Tempo.of(passage.guessBpm()).times(change.tempoRatio());
        passage.guess(guess.bpm(), passage.guessPlayed() && !other);
        followers.forEach(one -> one.follow(who, passage, change));
    }

    /** Puts a passage out of sight; one of which nothing was ever played is deleted. */
    @Transactional
    void putAway(SignedIn who, long id) {
        StoredPassage passage = passage(who, id);
        if (storage.isNeverPlayed(who, id)) {
            passages.delete(passage);
        } else {
            passage.putAway();
        }
    }

    /** The most notes a second that were ever clean in a passage, however it was cut. */
    @Transactional(readOnly = true)
    public double reachedRate(SignedIn who, StoredPassage passage) {
        return standings.reachedRate(
                who,
                pieces.findByAccountIdAndPassageId(who.accountId(), passage.id()).stream()
                        .map(StoredPiece::id)
                        .toList());
    }

    @Transactional
    public void cut(SignedIn who, long id, CutWish wish) {
        StoredPassage passage = passage(who, id);
        Passage music = music(passage);
        List<Piece> cut = switch (wish.kind()) {
            case WHOLE -> Cut.whole(music);
            case BARS -> Cut.atBars(music, wish.size());
            case BEATS -> Cut.byBeats(music, wish.size());
            case PHRASES -> Cut.atPhrases(music);
            case RESTS -> Cut.atRests(music);
            case BREATHS -> Cut.atBreaths(music);
            case HAND -> Refused.unlessValid("seams", () -> Cut.atNotes(music, wish.seams()));
        };
        if (cut.size() == 1 && wish.kind() != CutKind.WHOLE && wish.kind() != CutKind.HAND) {
            throw Refused.field("kind", nothingToCutAt(wish.kind()));
        }
        keeper.cut(who, passage, cut, wish.kind(), music);
    }

    private static String nothingToCutAt(CutKind kind) {
        return switch (kind) {
            case PHRASES ->
                "No slur or held note ends a phrase here. Write slurs, or cut by hand at the notes you choose.";
            case RESTS -> "There is no rest between these notes to cut at.";
            case BREATHS -> "No breath is marked yet. Mark breaths first, or cut by hand.";
            default -> "That leaves the passage in one piece; choose a smaller size.";
        };
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

    @Transactional
    PieceDto addExtra(SignedIn who, long id, ExtraWish wish) {
        StoredPassage passage = passage(who, id);
        int notes = passage.music().passage().notes().size();
        Piece wanted = Refused.unlessValid("firstNote", () -> new Piece(wish.firstNote(), wish.lastNote()));
        if (wish.lastNote() >= notes || wanted.size() < 2) {
            throw Refused.field("lastNote", "Choose two notes or more, up to note " + notes + ".");
        }
        List<StoredPiece> there = extras(passage);
        StoredPiece extra = there.stream()
                .filter(piece -> piece.notes().equals(wanted) && piece.kind() == wish.kind())
                .findFirst()
                .orElse(null);
        if (extra == null) {
            if (there.size() >= MOST_EXTRAS || wish.kind() == PieceKind.PIECE) {
                throw Refused.field("kind", "Up to " + MOST_EXTRAS + " joins and drills are kept besides the pieces.");
            }
            extra = keeper.keep(who, passage, wish.kind(), wish.name().strip(), wanted);
        }
        return pieceDto(extra, standings(who, List.of(extra), accounts.today(who)));
    }

    /** Pieces with how each stands. */
    @Transactional(readOnly = true)
    public List<PieceDto> dtos(SignedIn who, List<StoredPiece> of) {
        Map<Long, Standing> known = standings(who, of, accounts.today(who));
        return of.stream().map(piece -> pieceDto(piece, known)).toList();
    }

    @Transactional
    void changePiece(SignedIn who, long id, PieceWish wish) {
        piece(who, id).change(wish.name().strip(), wish.difficulty());
    }
}
