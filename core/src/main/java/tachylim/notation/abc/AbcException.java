package tachylim.notation.abc;

/**
 * Says where reading ABC stopped and why, in words for the person who typed it.
 */
public final class AbcException extends RuntimeException {

    private final int line;
    private final int column;
    private final String found;

    AbcException(int line, int column, String found, String message) {
        super(message);
        this.line = line;
        this.column = column;
        this.found = found;
    }

    /** The same, in another line. */
    AbcException at(int elsewhere) {
        return new AbcException(elsewhere, column, found, getMessage());
    }

    /** The line it stopped in, from 1. */
    public int line() {
        return line;
    }

    /** The column it stopped at, from 1. */
    public int column() {
        return column;
    }

    /** The character it stopped at; empty at the end of the text. */
    public String found() {
        return found;
    }
}
