package tachylim.server.repertoire;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import tachylim.ceiling.Heritage;
import tachylim.passage.MusicChange;
import tachylim.passage.Passage;
import tachylim.passage.Piece;
import tachylim.passage.Recut;
import tachylim.server.account.AccountService;
import tachylim.server.account.SignedIn;
import tachylim.server.ceiling.StandingService;
import tachylim.server.repertoire.PassageDtos.CutKind;
import tachylim.server.web.Refused;

/**
 * Keeps the pieces of passages, and what was learned of them with the notes: a piece that comes back is the one it was, a new
 * one takes over what is known of its notes, and a change of the music moves those that stayed.
 */
@Component
@Order(0)
class PieceKeeper implements FollowsMusic {

    private static final int MOST_PIECES = 400;

    private final PieceRepository pieces;
    private final StandingService standings;
    private final AccountService accounts;

    PieceKeeper(PieceRepository pieces, StandingService standings, AccountService accounts) {
        this.pieces = pieces;
        this.standings = standings;
        this.accounts = accounts;
    }

    /** Cuts anew: pieces that stay are left alone, others are put away or come back. */
    void cut(SignedIn who, StoredPassage passage, List<Piece> cut, CutKind kind, Passage music) {
        List<StoredPiece> all = ofThisEdition(passage);
        Set<Piece> wanted = new HashSet<>(cut);
        all.stream()
                .filter(piece -> piece.kind() == PieceKind.PIECE && !wanted.contains(piece.notes()))
                .forEach(StoredPiece::putAway);
        if (cut.size() > MOST_PIECES) {
            throw Refused.field(
                    "size",
                    "That makes " + cut.size() + " pieces; up to " + MOST_PIECES + " are kept. Choose a larger size.");
        }
        Known there = new Known(who, passage, all);
        for (Piece piece : cut) {
            keep(there, PieceKind.PIECE, name(piece, kind, music), piece);
        }
    }

    StoredPiece keep(SignedIn who, StoredPassage passage, PieceKind kind, String name, Piece notes) {
        return keep(new Known(who, passage, ofThisEdition(passage)), kind, name, notes);
    }

    /** The pieces of a passage there are or were, and what is known of them, asked for once and only when it is needed. */
    private final class Known {

        private final SignedIn who;
        private final StoredPassage passage;
        private final List<StoredPiece> pieces;
        private final LocalDate today;
        private List<Heritage.Source> sources;

        Known(SignedIn who, StoredPassage passage, List<StoredPiece> pieces) {
            this.who = who;
            this.passage = passage;
            this.pieces = pieces;
            this.today = accounts.today(who);
        }

        boolean givenTo(StoredPiece fresh) {
            if (sources == null) {
                sources = standings.sources(
                        who,
                        pieces.stream()
                                .map(piece -> new StandingService.Known(piece.id(), piece.notes()))
                                .toList(),
                        today);
            }
            return standings.inherit(who, fresh.id(), fresh.notes(), sources, today);
        }
    }

    /** A piece over some notes: the one there is or was, or a new one that takes over what is known of them. */
    private StoredPiece keep(Known known, PieceKind kind, String name, Piece notes) {
        Optional<StoredPiece> there = known.pieces.stream()
                .filter(piece -> piece.kind() == kind && piece.notes().equals(notes))
                .findFirst();
        there.ifPresent(StoredPiece::bringBack);
        return there.orElseGet(() -> {
            StoredPiece fresh = pieces.save(new StoredPiece(known.who.accountId(), known.passage, kind, name, notes));
            if (known.givenTo(fresh)) {
                known.pieces.stream()
                        .max(Comparator.comparingInt(piece -> shared(piece.notes(), notes)))
                        .ifPresent(from -> fresh.growFrom(from, 1));
            }
            return fresh;
        });
    }

    private static int shared(Piece one, Piece other) {
        return Math.min(one.lastNote(), other.lastNote()) - Math.max(one.firstNote(), other.firstNote());
    }

    List<StoredPiece> ofThisEdition(StoredPassage passage) {
        return pieces.findByAccountIdAndPassageIdAndEditionOrderByPlace(
                passage.accountId(), passage.id(), passage.edition());
    }

    private static String name(Piece piece, CutKind kind, Passage music) {
        return switch (kind) {
            case WHOLE -> PieceNames.WHOLE;
            case BARS, PHRASES, RESTS, BREATHS -> PieceNames.byBars(piece, music);
            case BEATS, HAND -> PieceNames.byBeats(piece, music);
        };
    }

    // Following the music

    /**
     * What becomes of a piece.
     *
     * @param notes its notes now; null when nothing of it is left
     * @param share the share of them that it had before
     * @param same whether it is the same piece, only elsewhere
     */
    private record Fate(StoredPiece piece, Piece notes, double share, boolean same) {

        boolean isForgotten() {
            return notes == null || MusicChange.isAnother(share);
        }
    }

    private List<Fate> fates(StoredPassage passage, MusicChange change) {
        List<StoredPiece> present = ofThisEdition(passage).stream()
                .filter(piece -> !piece.isPutAway())
                .toList();
        List<StoredPiece> cut = present.stream()
                .filter(piece -> piece.kind() == PieceKind.PIECE)
                .toList();
        List<Recut> recut = Recut.of(
                cut.stream().map(StoredPiece::notes).toList(),
                change.map(),
                change.after().notes().size());
        List<Fate> fates = new ArrayList<>();
        for (int i = 0; i < cut.size(); i++) {
            int index = i;
            Piece notes = recut.stream()
                    .filter(one -> one.from() == index)
                    .map(Recut::notes)
                    .findFirst()
                    .orElse(null);
            fates.add(fate(cut.get(i), notes, change));
        }
        present.stream()
                .filter(piece -> piece.kind() != PieceKind.PIECE)
                .forEach(extra -> fates.add(fate(extra, moved(extra.notes(), change), change)));
        return fates;
    }

    private static Piece moved(Piece notes, MusicChange change) {
        int first = change.map().fromNoteOn(notes.firstNote());
        int last = change.map().fromNoteOn(notes.lastNote());
        return last > first ? new Piece(first, last) : null;
    }

    private static Fate fate(StoredPiece piece, Piece notes, MusicChange change) {
        boolean sameBeat = change.isSameBeat();
        boolean same = sameBeat
                && notes != null
                && change.map().unchanged(piece.notes()).filter(notes::equals).isPresent();
        return new Fate(piece, notes, notes == null ? 0 : change.map().share(piece.notes(), notes), same);
    }

    @Override
    public List<String> lost(SignedIn who, StoredPassage passage, MusicChange change) {
        List<Fate> forgotten =
                fates(passage, change).stream().filter(Fate::isForgotten).toList();
        Set<Long> known = standings.known(
                who, forgotten.stream().map(fate -> fate.piece.id()).toList());
        return forgotten.stream()
                .filter(fate -> known.contains(fate.piece.id()) || fate.piece.kind() != PieceKind.PIECE)
                .map(fate -> fate.notes == null
                        ? "“" + fate.piece.name() + "” goes with its notes; what was played of it stays in the log."
                        : "“" + fate.piece.name() + "” has mostly new notes: its ceiling begins anew.")
                .toList();
    }

    @Override
    public void follow(SignedIn who, StoredPassage passage, MusicChange change) {
        List<Fate> fates = fates(passage, change);
        List<StoredPiece> away =
                ofThisEdition(passage).stream().filter(StoredPiece::isPutAway).toList();
        passage.nextEdition();
        boolean sameBeat = change.isSameBeat();
        away.forEach(piece -> change.map()
                .unchanged(piece.notes())
                .filter(notes -> sameBeat)
                .ifPresent(notes -> piece.move(notes, passage.edition())));
        for (Fate fate : fates) {
            if (fate.same) {
                fate.piece.move(fate.notes, passage.edition());
            } else {
                fate.piece.putAway();
                boolean gone = fate.notes == null || fate.isForgotten() && fate.piece.kind() != PieceKind.PIECE;
                if (!gone) {
                    succeed(who, passage, fate, change);
                }
            }
        }
    }

    /** Another piece in place of one whose notes changed, so that what was played stays with what it was played on. */
    private void succeed(SignedIn who, StoredPassage passage, Fate fate, MusicChange change) {
        StoredPiece fresh = new StoredPiece(who.accountId(), passage, fate.piece.kind(), fate.piece.name(), fate.notes);
        fresh.change(fate.piece.name(), fate.piece.difficulty());
        pieces.save(fresh);
        if (!fate.isForgotten()) {
            double ratio = change.map().tempoRatio(fate.piece.notes());
            fresh.growFrom(fate.piece, ratio);
            standings.carry(who, fate.piece.id(), fresh.id(), ratio, Math.min(1, fate.share), accounts.today(who));
        }
    }
}
