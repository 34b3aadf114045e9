package tachylim.server.repertoire;

import java.util.stream.IntStream;
import org.apache.commons.numbers.fraction.Fraction;
import tachylim.passage.Passage;
import tachylim.passage.Piece;

/** What a piece is called until its player names it: the bars or beats it covers, as counted on paper. */
final class PieceNames {

    /** The name of a piece that is the whole passage. */
    static final String WHOLE = "whole";

    private PieceNames() {}

    static String byBars(Piece piece, Passage music) {
        int first = barOf(music, piece.firstNote());
        int last = Math.max(first, barOf(music, Math.max(piece.firstNote(), piece.lastNote() - 1)));
        return first == last ? "bar " + first : "bars " + first + "–" + last;
    }

    static String byBeats(Piece piece, Passage music) {
        Fraction pickup = music.pickup();
        int first = (int) Math.floor(
                        onset(music, piece.firstNote()).subtract(pickup).doubleValue())
                + 1;
        int last =
                (int) Math.ceil(onset(music, piece.lastNote()).subtract(pickup).doubleValue());
        return last <= first ? "beat " + first : "beats " + first + "–" + last;
    }

    private static Fraction onset(Passage music, int note) {
        return music.notes().get(note).onset();
    }

    /** The bar a note lies in; a pickup is bar 0. */
    private static int barOf(Passage music, int note) {
        int bar = IntStream.range(0, music.bars())
                .filter(i -> music.barStart(i).compareTo(onset(music, note)) <= 0)
                .max()
                .orElse(0);
        return music.hasPickup() ? bar : bar + 1;
    }
}
