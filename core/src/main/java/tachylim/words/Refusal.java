package tachylim.words;

/**
 * What cannot be, with the reason as data: thrown where what a player gave is outside of what it may be. The exception's
 * message is for engineers; what is said to the player is in the catalogues.
 */
public final class Refusal extends IllegalArgumentException {

    private static final long serialVersionUID = 1L;

    private final transient Reason reason;

    private Refusal(Reason reason) {
        super(reason.toString());
        this.reason = reason;
    }

    /** A refusal with the values that its message asks for, each after its name. */
    public static Refusal of(String code, Object... namesAndValues) {
        return new Refusal(Reason.of(code, namesAndValues));
    }

    public static Refusal of(Reason reason) {
        return new Refusal(reason);
    }

    /** The same, caused by something else. */
    public Refusal because(Throwable cause) {
        initCause(cause);
        return this;
    }

    public Reason reason() {
        return reason;
    }
}
