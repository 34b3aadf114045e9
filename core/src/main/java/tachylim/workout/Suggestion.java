package tachylim.workout;

import java.util.List;
import java.util.Optional;
import tachylim.take.Measured;
import tachylim.take.Measured.Suggested;
import tachylim.take.Measured.Transition;
import tachylim.task.Answer;
import tachylim.task.Ask;
import tachylim.task.Verdict;

/** The answer that is suggested by what was measured of a step's passes. The player's own word is always taken instead. */
public final class Suggestion {

    private Suggestion() {}

    /**
     * What would be answered.
     *
     * @param ask what is asked of the step
     * @param passes what was measured of each of its passes
     * @return empty where that cannot be told, or where it is asked what only the player knows
     */
    public static Optional<Answer> of(Ask ask, List<Measured> passes) {
        if (passes.isEmpty() || passes.stream().anyMatch(pass -> pass.verdict() == Suggested.CANNOT_TELL)) {
            return Optional.empty();
        }
        return switch (ask.kind()) {
            case VERDICT -> Optional.of(new Answer(verdict(passes.get(0)), null));
            case SET -> Optional.of(Answer.ofSet(clean(passes), ask.of(), null));
            case SLIPS -> Optional.of(new Answer(verdict(passes.get(0)), null, slips(passes.get(0))));
            case NOTHING, COUNT, EDGE, MATCH, HELD, LOOSE -> Optional.empty();
        };
    }

    /**
     * What may be answered when the player says nothing to it. Until the microphone is known to hear well, it may say that a
     * pass went wrong and never that it went well: a tempo is not raised on its word alone.
     *
     * @param trusted whether enough of what was heard of this player was confirmed
     * @return empty where nothing may be said: then the pass counts as played, and unjudged
     */
    public static Optional<Answer> alone(Ask ask, List<Measured> passes, boolean trusted) {
        return of(ask, passes).filter(answer -> mayBeTaken(answer, trusted));
    }

    /** Whether an answer may be taken without a hand. */
    public static boolean mayBeTaken(Answer answer, boolean trusted) {
        return trusted || answer.verdict() != Verdict.CLEAN;
    }

    private static int clean(List<Measured> passes) {
        return (int) passes.stream()
                .filter(pass -> pass.verdict() == Suggested.CLEAN)
                .count();
    }

    private static long slips(Measured pass) {
        return pass.transitions().stream().filter(Transition::slipped).count()
                + pass.missing().size()
                + pass.wrong().size();
    }

    /** The verdict of a measured pass that could be told. */
    static Verdict verdict(Measured pass) {
        return switch (pass.verdict()) {
            case CLEAN -> Verdict.CLEAN;
            case ROUGH -> Verdict.ROUGH;
            case BROKE -> Verdict.BROKE;
            case CANNOT_TELL -> throw new IllegalArgumentException("It cannot be told how this pass went");
        };
    }
}
