package tachylim.server.load;

import tachylim.load.Effort;
import tachylim.tempo.Tempo;

/**
 * Something played outside of a run.
 *
 * @param passageId the passage, null where it belongs to none
 * @param clientId an id of the browser's making, so that it counts once; null when it ticks off a choice
 * @param choiceId the chosen variation it ticks off, or null
 * @param tempo the tempo set
 * @param seconds how long it was played
 * @param effort what it cost
 * @param burstSeconds seconds of it above the ceiling
 */
public record Played(
        Long passageId,
        String clientId,
        Long choiceId,
        Tempo tempo,
        double seconds,
        Effort effort,
        double burstSeconds) {

    /** As written, along with the page. */
    public Played asWritten(Tempo ceiling) {
        return new Played(
                passageId, clientId, choiceId, tempo, seconds, effort, tempo.compareTo(ceiling) > 0 ? seconds : 0);
    }

    /** On the practice sheet; nobody is asked how tense it was, so it counts as played lightly. */
    public static Played onThePracticeSheet(
            long passageId, String clientId, Long choiceId, Tempo tempo, Tempo ceiling, double seconds) {
        return new Played(passageId, clientId, choiceId, tempo, seconds, Effort.unasked(seconds, tempo, ceiling), 0);
    }
}
