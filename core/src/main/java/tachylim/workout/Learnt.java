package tachylim.workout;

import java.util.Optional;
import java.util.stream.Stream;
import tachylim.ceiling.Evidence;
import tachylim.ceiling.Known;
import tachylim.tempo.Tempo;

/**
 * What is known of one section now. This class is immutable.
 *
 * @param known how fast it is
 * @param proven the fastest tempo at which the whole was clean
 * @param gripped the slowest tempo at which a hand was too tense today
 * @param doubtedBefore whether its ceiling was in doubt already when the run began
 */
record Learnt(Known known, Optional<Tempo> proven, Optional<Tempo> gripped, boolean doubtedBefore) {

    static Learnt of(Theme theme) {
        return new Learnt(
                theme.known(),
                Optional.empty(),
                theme.gripped(),
                theme.known().doubted().isPresent());
    }

    Learnt from(Iterable<Evidence> evidence, Optional<Tempo> proved, Optional<Tempo> grip) {
        Known now = known;
        for (Evidence one : evidence) {
            now = now.after(one);
        }
        return new Learnt(
                now,
                Stream.of(proven, proved).flatMap(Optional::stream).max(Tempo::compareTo),
                Stream.of(gripped, grip).flatMap(Optional::stream).min(Tempo::compareTo),
                doubtedBefore);
    }

    /** Whether what was played since the beginning does not fit what was believed. */
    boolean isInDoubt() {
        return !doubtedBefore && known.doubted().isPresent();
    }

    /** The same, learning nothing from what is only expected. */
    Learnt frozen() {
        return new Learnt(known.frozen(), proven, gripped, doubtedBefore);
    }
}
