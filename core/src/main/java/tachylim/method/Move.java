package tachylim.method;

import tachylim.task.PassKind;
import tachylim.task.Task;
import tachylim.tempo.Tempo;
import tachylim.words.Reason;

/** What a method wants next: another pass, or to be over. */
public sealed interface Move {

    /** Why, in with its numbers. */
    Reason why();

    /**
     * Play something. This class is immutable.
     *
     * @param task what, its tempo whole on a metronome
     * @param why the reason
     */
    record Play(Task task, Reason why) implements Move {

        /** A pass at one tempo, judged. */
        public Play(PassKind kind, Tempo tempo, Reason why) {
            this(Task.at(kind, tempo), why);
        }

        /** The same in a manner, where it is a slow pass that has none of its own. */
        public Play in(Reason manner) {
            return manner.saysNothing()
                            || task.kind() != PassKind.CONTROLLED
                            || !task.manner().saysNothing()
                    ? this
                    : new Play(task.in(manner), why);
        }

        public PassKind kind() {
            return task.kind();
        }

        /** The tempo it is set by. */
        public Tempo tempo() {
            return task.tempo();
        }

        /** The fastest tempo in it. */
        public Tempo fastest() {
            return task.pulse().fastest();
        }
    }

    /**
     * Measure: play the whole at the tempo that says most about the ceiling, which depends on all that is known and is
     * found by whoever knows it. This class is immutable.
     *
     * @param limit the tempo it never goes above
     * @param enough how sure the ceiling is at the most, as a share either way, for anything to be left to measure
     * @param why the reason
     */
    record Measure(Tempo limit, double enough, Reason why) implements Move {}

    /**
     * Put the instrument down for something else. This class is immutable.
     *
     * @param seconds for how long
     * @param why what to do
     */
    record Away(double seconds, Reason why) implements Move {}

    /**
     * The method is done. This class is immutable.
     *
     * @param why the reason
     */
    record Finish(Reason why) implements Move {

        /** Why it is done when all of it was played. */
        static Reason complete(int passes) {
            return Reason.of("method.allPlayed", "passes", passes);
        }

        /** Whether all of it was played. */
        public boolean isComplete() {
            return why.code().equals("method.allPlayed");
        }
    }
}
