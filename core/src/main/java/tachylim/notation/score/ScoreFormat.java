package tachylim.notation.score;

import java.util.List;
import tachylim.tempo.Tempo;

/**
 * A kind of file that music is read from and written to. Each lives in a room of its own and is named in one line of
 * {@code tachylim.notation.Format}; nothing else knows it.
 */
public interface ScoreFormat {

    /** Its name, such as {@code MIDI}. */
    String title();

    /** What the names of files that are written end in, such as {@code mid}. */
    String ending();

    /** What the names of files end in that may be read, the one that is written among them. */
    default List<String> endings() {
        return List.of(ending());
    }

    /** Its media type. */
    String mediaType();

    /** Whether its times are recorded ones, so that they are drawn to a grid and bar one may be set. */
    default boolean isRecorded() {
        return false;
    }

    /** Whether {@code file} is one of these, told from its first bytes. */
    boolean isOf(byte[] file);

    /**
     * Reads a file.
     *
     * @throws ScoreException if it cannot be read, with a sentence for its owner
     */
    Score read(byte[] file, Wishes wishes);

    /**
     * Writes a file.
     *
     * @param title its heading
     * @param movements the music, one after another
     * @param tempo how fast it goes, where the file has to say so
     */
    byte[] write(String title, List<Movement> movements, Tempo tempo);

    /** Builds what reading needs and takes long, so that the first file does not wait for it. */
    default void prepare() {}
}
