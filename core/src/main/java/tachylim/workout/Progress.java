package tachylim.workout;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import tachylim.ceiling.Known;
import tachylim.passage.Passage;
import tachylim.tempo.Tempo;

/**
 * What was done in a run, and what it leaves. This class is immutable.
 *
 * @param bursts bursts judged
 * @param putOffs bursts put off unplayed
 * @param tally what it cost
 * @param left what may still be done today
 * @param known how fast the piece is, as far as that is known by now
 * @param proven the fastest tempo at which the whole was clean
 * @param gripped the slowest tempo at which a hand gripped today
 * @param past what was played and rested, in order
 */
record Progress(
        int bursts,
        int putOffs,
        Tally tally,
        Allowance left,
        Known known,
        Optional<Tempo> proven,
        Optional<Tempo> gripped,
        List<Segment> past) {

    /** Before anything is played. */
    static Progress start(Brief brief) {
        return new Progress(
                0,
                0,
                Tally.start(brief.condition()),
                brief.allowance(),
                brief.known(),
                Optional.empty(),
                brief.gripped(),
                List.of());
    }

    Progress with(Segment segment, Passage music) {
        List<Segment> longer = new ArrayList<>(past);
        longer.add(segment);
        Tally after = segment.after();
        return new Progress(
                bursts + (segment.isJudgedBurst() ? 1 : 0),
                putOffs,
                after,
                left.less(
                        after.effort() - tally.effort(),
                        after.burstSeconds() - tally.burstSeconds(),
                        after.playingSeconds() - tally.playingSeconds()),
                segment.evidence(music, past).map(known::after).orElse(known),
                fastest(proven, segment.proven(music)),
                slowest(gripped, segment.gripped()),
                Collections.unmodifiableList(longer));
    }

    Progress putOff() {
        return new Progress(bursts, putOffs + 1, tally, left, known, proven, gripped, past);
    }

    Progress under(Allowance today) {
        return new Progress(bursts, putOffs, tally, today, known, proven, gripped, past);
    }

    /** The same, learning nothing from what is only expected. */
    Progress frozen() {
        return new Progress(bursts, putOffs, tally, left, known.frozen(), proven, gripped, past);
    }

    private static Optional<Tempo> fastest(Optional<Tempo> one, Optional<Tempo> other) {
        return Stream.of(one, other).flatMap(Optional::stream).max(Tempo::compareTo);
    }

    private static Optional<Tempo> slowest(Optional<Tempo> one, Optional<Tempo> other) {
        return Stream.of(one, other).flatMap(Optional::stream).min(Tempo::compareTo);
    }
}
