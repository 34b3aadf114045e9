package tachylim.server.workout;

import java.time.LocalDate;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;
import tachylim.server.account.SignedIn;
import tachylim.server.ceiling.Passes;
import tachylim.server.repertoire.RepertoireService;
import tachylim.server.repertoire.StoredPiece;
import tachylim.workout.PieceLeft;

/**
 * What today still has of each piece. Passes count for the notes that were played: a section cut anew, or a copy of a passage,
 * begins where the other left off.
 */
@Component
class TodaysPieces {

    private final Passes passes;
    private final RepertoireService repertoire;

    TodaysPieces(Passes passes, RepertoireService repertoire) {
        this.passes = passes;
        this.repertoire = repertoire;
    }

    /** What is left of some pieces that are to be played in one workout. */
    Map<Long, PieceLeft> left(SignedIn who, List<StoredPiece> pieces, LocalDate day) {
        List<Passes.Had> had = passes.had(who, day);
        Map<Long, StoredPiece> played = had.isEmpty()
                ? Map.of()
                : repertoire
                        .piecesById(who, had.stream().map(Passes.Had::pieceId).toList())
                        .values()
                        .stream()
                        .collect(Collectors.toMap(StoredPiece::id, Function.identity()));
        Map<Long, PieceLeft> left = new HashMap<>();
        for (StoredPiece piece : pieces) {
            List<PieceLeft.Had> today = had.stream()
                    .map(one -> new PieceLeft.Had(
                            shared(piece, played.get(one.pieceId())),
                            one.passes().intValue(),
                            one.probes().intValue()))
                    .toList();
            int sharing = (int) pieces.stream()
                    .filter(other -> isMostly(shared(piece, other)))
                    .count();
            left.put(piece.id(), PieceLeft.after(piece.notes().size(), today).shared(Math.max(1, sharing)));
        }
        return left;
    }

    private boolean[] shared(StoredPiece piece, StoredPiece other) {
        if (piece.id().equals(other.id())) {
            boolean[] all = new boolean[piece.notes().size()];
            Arrays.fill(all, true);
            return all;
        }
        return Arrays.copyOf(repertoire.shared(piece, other), piece.notes().size());
    }

    private static boolean isMostly(boolean[] shared) {
        int notes = 0;
        for (boolean one : shared) {
            notes += one ? 1 : 0;
        }
        return 2 * notes >= shared.length;
    }
}
