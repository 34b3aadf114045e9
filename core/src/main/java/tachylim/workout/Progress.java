package tachylim.workout;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;

/**
 * What was done in a run, and what it leaves. This class is immutable.
 *
 * @param bursts bursts judged
 * @param putOffs bursts put off unplayed
 * @param tally what it cost
 * @param left what may still be done today
 * @param past what was played and rested, in order
 */
record Progress(int bursts, int putOffs, Tally tally, Allowance left, List<Segment> past) {

    Progress with(Segment segment, boolean judgedBurst) {
        List<Segment> longer = new ArrayList<>(past);
        longer.add(segment);
        Tally after = segment.after();
        return new Progress(
                bursts + (judgedBurst ? 1 : 0),
                putOffs,
                after,
                left.less(
                        after.effort() - tally.effort(),
                        after.burstSeconds() - tally.burstSeconds(),
                        after.playingSeconds() - tally.playingSeconds()),
                Collections.unmodifiableList(longer));
    }

    Progress putOff() {
        return new Progress(bursts, putOffs + 1, tally, left, past);
    }

    Progress under(Allowance today) {
        return new Progress(bursts, putOffs, tally, today, past);
    }
}
