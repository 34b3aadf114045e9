package tachylim.notation;

/** Says why a file of music could not be read, in words for the person who has it. */
public final class ScoreException extends RuntimeException {

    private static final long serialVersionUID = 1L;

    ScoreException(String message) {
        super(message);
    }
}
