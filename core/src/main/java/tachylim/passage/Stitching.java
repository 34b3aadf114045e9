package tachylim.passage;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.stream.IntStream;

/**
 * How pieces are put together again: the order they are worked in, and the joins that follow from it.
 *
 * <p>First neighbours back to back, then fours that share a piece, then the whole. A join comes when the
 * last of its pieces has had its turn.
 */
public final class Stitching {

    private static final int FOUR = 4;

    private Stitching() {}

    /** Which piece comes first. */
    public enum Order {
        FIRST_TO_LAST,
        LAST_TO_FIRST,
        HARDEST_FIRST,
        /** From the piece that holds a given link to both sides. */
        OUTWARD
    }

    /** How much is joined. */
    public enum Stage {
        NEIGHBOURS,
        FOURS,
        WHOLE
    }

    /**
     * Pieces played as one. This class is immutable.
     *
     * @param stage how much is joined
     * @param firstPiece index of the first piece joined
     * @param lastPiece index of the last
     * @param notes the notes from the first to the last piece
     */
    public record Join(Stage stage, int firstPiece, int lastPiece, Piece notes) {}

    /**
     * The indexes of the pieces in the order they are worked.
     *
     * @param pieces the pieces, in the order of their notes
     * @param difficulty the difficulty of each
     * @param order the order wanted
     * @param link the link to start from, used by {@link Order#OUTWARD} only
     */
    public static List<Integer> order(List<Piece> pieces, List<Integer> difficulty, Order order, int link) {
        Comparator<Integer> first = switch (order) {
            case FIRST_TO_LAST -> Comparator.naturalOrder();
            case LAST_TO_FIRST -> Comparator.reverseOrder();
            case HARDEST_FIRST -> Comparator.comparing(difficulty::get, Comparator.reverseOrder());
            case OUTWARD -> Comparator.comparingInt(piece -> Math.abs(piece - holder(pieces, link)));
        };
        return IntStream.range(0, pieces.size()).boxed().sorted(first).toList();
    }

    private static int holder(List<Piece> pieces, int link) {
        return IntStream.range(0, pieces.size())
                .filter(i -> pieces.get(i).lastNote() > link)
                .findFirst()
                .orElse(0);
    }

    /** The joins that follow when {@code pieces} are worked in {@code order}; none for a single piece. */
    public static List<Join> joins(List<Piece> pieces, List<Integer> order) {
        List<Join> joins = new ArrayList<>(windows(pieces, order, Stage.NEIGHBOURS, 2, 1));
        if (pieces.size() > FOUR) {
            joins.addAll(windows(pieces, order, Stage.FOURS, FOUR, FOUR - 1));
        }
        if (pieces.size() > 2) {
            joins.add(join(pieces, Stage.WHOLE, 0, pieces.size() - 1));
        }
        return List.copyOf(joins);
    }

    private static List<Join> windows(List<Piece> pieces, List<Integer> order, Stage stage, int size, int step) {
        List<Join> windows = new ArrayList<>();
        for (int first = 0; first + 1 < pieces.size(); first += step) {
            int start = Math.max(0, Math.min(first, pieces.size() - size));
            windows.add(join(pieces, stage, start, Math.min(pieces.size() - 1, start + size - 1)));
        }
        return windows.stream()
                .distinct()
                .sorted(Comparator.comparingInt(join -> IntStream.rangeClosed(join.firstPiece, join.lastPiece)
                        .map(order::indexOf)
                        .max()
                        .orElse(0)))
                .toList();
    }

    private static Join join(List<Piece> pieces, Stage stage, int first, int last) {
        return new Join(
                stage,
                first,
                last,
                new Piece(pieces.get(first).firstNote(), pieces.get(last).lastNote()));
    }
}
