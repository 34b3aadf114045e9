package tachylim.notation.abc;

import tachylim.words.Reason;

/** A place in an ABC text that moves forward and knows its line and column. */
final class AbcCursor {

    private final String text;
    private int at;
    private int lineStart;
    private int line = 1;

    AbcCursor(String text) {
        this.text = text;
    }

    boolean atEnd() {
        return at >= text.length();
    }

    boolean atLineStart() {
        return at == lineStart;
    }

    /** The character {@code ahead} places on, or a zero character beyond the end. */
    char peek(int ahead) {
        int place = at + ahead;
        return place < text.length() ? text.charAt(place) : '\0';
    }

    char peek() {
        return peek(0);
    }

    char next() {
        char c = text.charAt(at++);
        if (c == '\n') {
            line++;
            lineStart = at;
        }
        return c;
    }

    boolean take(char wanted) {
        if (peek() != wanted || atEnd()) {
            return false;
        }
        next();
        return true;
    }

    boolean atDigit() {
        return peek() >= '0' && peek() <= '9';
    }

    /** Reads a whole number of up to six digits. */
    int number() {
        int start = at;
        int value = 0;
        while (atDigit()) {
            if (at - start == 6) {
                throw error(Reason.of("refusal.abc.numberTooLong"));
            }
            value = value * 10 + (next() - '0');
        }
        return value;
    }

    /** The rest of the line, without its end. */
    String restOfLine() {
        StringBuilder rest = new StringBuilder();
        while (!atEnd() && peek() != '\n') {
            rest.append(next());
        }
        return rest.toString();
    }

    /** Everything up to {@code close}, which is taken too, or to the end of the line where it is never closed. */
    String untilOrEndOfLine(char close) {
        StringBuilder inside = new StringBuilder();
        while (!atEnd() && peek() != '\n') {
            char c = next();
            if (c == close) {
                break;
            }
            inside.append(c);
        }
        return inside.toString();
    }

    /** The rest of the line from {@code ahead} places on, which is not taken. */
    String lineAhead(int ahead) {
        int from = Math.min(text.length(), at + ahead);
        int end = text.indexOf('\n', from);
        return text.substring(from, end < 0 ? text.length() : end);
    }

    /** Passes over one sign, which may take two characters. */
    void skip() {
        if (Character.isHighSurrogate(next()) && Character.isLowSurrogate(peek())) {
            next();
        }
    }

    int line() {
        return line;
    }

    int column() {
        return at - lineStart + 1;
    }

    AbcException error(Reason reason) {
        String found = atEnd() ? "" : new String(Character.toChars(text.codePointAt(at)));
        return new AbcException(line, column(), found, reason);
    }
}
