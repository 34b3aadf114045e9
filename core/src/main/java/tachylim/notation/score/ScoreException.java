package tachylim.notation.score;

import tachylim.words.Reason;

/** Says why a file of music could not be read, as a reason for the person who has it. */
public final class ScoreException extends RuntimeException {

    private static final long serialVersionUID = 1L;

    private final transient Reason reason;

    public ScoreException(Reason reason) {
        super(reason.toString());
        this.reason = reason;
    }

    public Reason reason() {
        return reason;
    }
}
