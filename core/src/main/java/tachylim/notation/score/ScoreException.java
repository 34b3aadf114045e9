package tachylim.notation.score;

/** Says why a file of music could not be read, in words for the person who has it. */
public final class ScoreException extends RuntimeException {

    private static final long serialVersionUID = 1L;

    public ScoreException(String message) {
        super(message);
    }
}
