package tachylim.workout;

import tachylim.passage.Passage;
import tachylim.passage.Piece;
import tachylim.variant.Catalogue;
import tachylim.variant.Rendering;

/**
 * What a block plays: a piece as it is written, in a version, or some notes of it. This class is immutable.
 *
 * @param version which version, by its key; empty when as written
 * @param title what a player calls it; empty when as written
 * @param notes the notes as they are played
 * @param matching the tempo at which its quick notes come as fast as those of the piece at tempo 1
 * @param share the share of the piece's links that are quick in it, above 0 to 1
 */
public record Music(String version, String title, Passage notes, double matching, double share) {

    private static final String STRETCH = "notes.";

    /** A piece as it is written. */
    public static Music asWritten(Passage music) {
        return new Music("", "", music, 1, 1);
    }

    /** The key of some notes of a piece, for {@link #of}. */
    public static String keyOf(Piece stretch) {
        return STRETCH + stretch.firstNote() + "-" + stretch.lastNote();
    }

    /**
     * A piece in a version.
     *
     * @param key a key of {@link Catalogue}, one of {@link #keyOf}, or empty for as written
     * @throws IllegalArgumentException if there is no such version, or none of this music
     */
    public static Music of(Passage music, String key) {
        if (key.isEmpty()) {
            return asWritten(music);
        }
        double links = Math.max(1, music.notes().size() - 1);
        if (key.startsWith(STRETCH)) {
            Piece stretch = stretch(music, key);
            return new Music(
                    key,
                    "Notes " + (stretch.firstNote() + 1) + " to " + (stretch.lastNote() + 1),
                    music.excerpt(stretch),
                    1,
                    Math.max(1, stretch.size() - 1) / links);
        }
        var variant = Catalogue.parse(key);
        Rendering rendering = variant.of(music);
        return new Music(
                key,
                variant.title(),
                rendering.music(),
                rendering.matchingShare().doubleValue(),
                Math.max(1, rendering.driven().size()) / links);
    }

    private static Piece stretch(Passage music, String key) {
        String[] ends = key.substring(STRETCH.length()).split("-");
        try {
            Piece stretch = new Piece(Integer.parseInt(ends[0]), Integer.parseInt(ends[1]));
            if (stretch.lastNote() < music.notes().size()) {
                return stretch;
            }
        } catch (NumberFormatException | ArrayIndexOutOfBoundsException none) {
            // Said below, with what there is.
        }
        throw new IllegalArgumentException(
                "There are notes 0 to " + (music.notes().size() - 1) + " in this piece, so not " + key);
    }

    public boolean isAsWritten() {
        return version.isEmpty();
    }
}
