package tachylim.server.load;

import tachylim.load.Effort;
import tachylim.tempo.Tempo;

/**
 * Something played on the bench.
 *
 * @param passageId the passage
 * @param clientId an id of the browser's making, so that it counts once; null when it ticks off a choice
 * @param choiceId the chosen version it ticks off, or null
 * @param tempo the tempo set
 * @param ceiling the ceiling of the passage today
 * @param seconds how long it was played
 */
public record Played(long passageId, String clientId, Long choiceId, Tempo tempo, Tempo ceiling, double seconds) {

    /** Nobody is asked how tense it was: it counts as played lightly. */
    double effort() {
        return Effort.unasked(seconds, tempo, ceiling);
    }
}
