package tachylim.server.repertoire;

import tachylim.passage.NoteMap;
import tachylim.passage.Passage;
import tachylim.passage.Piece;

/**
 * The notes of a passage being changed: before, after, and which stayed.
 */
public record MusicChange(Passage before, Passage after, NoteMap map) {

    static MusicChange of(Passage before, Passage after) {
        return new MusicChange(before, after, NoteMap.between(before, after));
    }

    private static Piece whole(Passage music) {
        return new Piece(0, music.notes().size() - 1);
    }

    /** The share of the notes there are now that were there before, or of those before that stayed, whichever is less. */
    public double stayed() {
        double of = map.share(whole(before), whole(after));
        return of * Math.min(1, (double) after.notes().size() / before.notes().size());
    }

    /** The tempo now over the tempo before at the same notes a second. */
    double tempoRatio() {
        return map.tempoRatio(whole(before));
    }
}
