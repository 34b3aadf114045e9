package tachylim.method;

import tachylim.tempo.Tempo;

/** What a method wants next: another pass, or to be over. */
public sealed interface Move {

    /** Why, in one sentence with its numbers. */
    String why();

    /**
     * Play a pass. This class is immutable.
     *
     * @param kind what the pass is for
     * @param tempo the tempo to set, whole on a metronome
     * @param why the reason, one sentence
     */
    record Play(PassKind kind, Tempo tempo, String why) implements Move {}

    /**
     * Measure: play the whole at the tempo that says most about the ceiling, which depends on all that is known and is
     * found by whoever knows it. This class is immutable.
     *
     * @param limit the tempo it never goes above
     * @param enough how sure the ceiling is at the most, as a share either way, for anything to be left to measure
     * @param why the reason, one sentence
     */
    record Measure(Tempo limit, double enough, String why) implements Move {}

    /**
     * The method is done. This class is immutable.
     *
     * @param why the reason, one sentence
     */
    record Finish(String why) implements Move {}
}
