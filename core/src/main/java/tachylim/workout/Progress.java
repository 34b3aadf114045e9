package tachylim.workout;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;

/**
 * What was done in a run, and what it leaves. This class is immutable.
 *
 * @param putOffs bursts put off unplayed
 * @param tally what it cost
 * @param left what may still be done today
 * @param learnt what is known of each section now
 * @param past what was played and rested, in order
 */
record Progress(int putOffs, Tally tally, Allowance left, List<Learnt> learnt, List<Segment> past) {

    /** Before anything is played. */
    static Progress start(Brief brief) {
        return new Progress(
                0,
                Tally.start(brief.condition()),
                brief.allowance(),
                brief.themes().stream().map(Learnt::of).toList(),
                List.of());
    }

    Learnt of(Block block) {
        return learnt.get(block.theme());
    }

    /** Whether what was played of a section since the beginning does not fit what is believed of it. */
    boolean isInDoubt(int theme) {
        return learnt.get(theme).isInDoubt();
    }

    /** How many bursts were judged in a block. */
    int bursts(int block) {
        return (int) past.stream()
                .filter(segment -> segment.block() == block && segment.isJudgedBurst())
                .count();
    }

    Progress with(Segment segment, Block block) {
        List<Segment> longer = new ArrayList<>(past);
        longer.add(segment);
        Tally after = segment.after();
        List<Learnt> now = new ArrayList<>(learnt);
        now.set(
                block.theme(),
                of(block)
                        .from(
                                segment.evidence(block.music(), past),
                                segment.proven(block.music()),
                                segment.tooTense(block.music(), block.strictness())));
        return new Progress(
                putOffs,
                after,
                left.less(
                        after.effort().less(tally.effort()),
                        after.burstSeconds() - tally.burstSeconds(),
                        after.playingSeconds() - tally.playingSeconds()),
                List.copyOf(now),
                Collections.unmodifiableList(longer));
    }

    Progress putOff() {
        return new Progress(putOffs + 1, tally, left, learnt, past);
    }

    Progress under(Allowance today) {
        return new Progress(putOffs, tally, today, learnt, past);
    }

    /** The same, learning nothing from what is only expected. */
    Progress frozen() {
        return new Progress(
                putOffs, tally, left, learnt.stream().map(Learnt::frozen).toList(), past);
    }
}
