package tachylim.notation.abc;

import tachylim.words.Reason;

/**
 * Says where reading ABC stopped and why, as a reason for the person who typed it.
 */
public final class AbcException extends RuntimeException {

    private final int line;
    private final int column;
    private final String found;
    private final transient Reason reason;

    AbcException(int line, int column, String found, Reason reason) {
        super(reason.toString());
        this.reason = reason;
        this.line = line;
        this.column = column;
        this.found = found;
    }

    /** The same, in another line. */
    AbcException at(int elsewhere) {
        return new AbcException(elsewhere, column, found, reason);
    }

    /** The line it stopped in, from 1. */
    public int line() {
        return line;
    }

    /** The column it stopped at, from 1. */
    public int column() {
        return column;
    }

    public Reason reason() {
        return reason;
    }

    /** The character it stopped at; empty at the end of the text. */
    public String found() {
        return found;
    }
}
