package tachylim.notation.score;

import tachylim.words.Reason;

/**
 * Whoever reads a file may be called off by interrupting the thread: long loops ask here, and stop with a sentence
 * instead of going on for nobody.
 */
public final class Deadline {

    private Deadline() {}

    /**
     * @throws ScoreException if the thread was interrupted
     */
    public static void check() {
        if (Thread.currentThread().isInterrupted()) {
            throw new ScoreException(Reason.of("refusal.deadline.readingThisTakesTooLong"));
        }
    }
}
