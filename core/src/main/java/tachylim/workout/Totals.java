package tachylim.workout;

import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import tachylim.load.Effort;
import tachylim.task.PassKind;
import tachylim.task.Verdict;

/**
 * The sums of a stretch of steps. This class is immutable.
 *
 * @param playingSeconds seconds of playing
 * @param restSeconds seconds of rest
 * @param seconds seconds in all, with counting in and answering
 * @param notes notes played, all rounds counted
 * @param burstSeconds seconds of fast playing
 * @param bursts how many bursts
 * @param passes how many passes
 * @param clean how many of them were clean; one of a set as any other
 * @param rough how many were rough
 * @param broke how many broke
 * @param effort what they cost
 */
public record Totals(
        double playingSeconds,
        double restSeconds,
        double seconds,
        int notes,
        double burstSeconds,
        int bursts,
        int passes,
        int clean,
        int rough,
        int broke,
        Effort effort) {

    /** The sums of {@code segments}; what was left without a word counts its time and effort, but is no pass. */
    public static Totals of(List<Segment> segments) {
        double playing = 0;
        double resting = 0;
        double all = 0;
        double burstSeconds = 0;
        Effort effort = Effort.NONE;
        int notes = 0;
        int bursts = 0;
        int passes = 0;
        Map<Verdict, Integer> verdicts = new EnumMap<>(Verdict.class);
        for (Segment segment : segments) {
            all += segment.seconds();
            effort = effort.plus(segment.effort());
            if (segment.step() instanceof Pass pass) {
                playing += segment.playedSeconds();
                burstSeconds += segment.burstSeconds();
                for (int turn = 0; turn < segment.passes() && segment.verdict(turn) != null; turn++) {
                    verdicts.merge(segment.verdict(turn), 1, (some, more) -> some + more);
                }
                if (segment.isPlayed()) {
                    passes += segment.passes();
                    notes += segment.notes();
                    bursts += pass.kind() == PassKind.BURST ? 1 : 0;
                }
            } else {
                resting += segment.seconds();
            }
        }
        return new Totals(
                playing,
                resting,
                all,
                notes,
                burstSeconds,
                bursts,
                passes,
                verdicts.getOrDefault(Verdict.CLEAN, 0),
                verdicts.getOrDefault(Verdict.ROUGH, 0),
                verdicts.getOrDefault(Verdict.BROKE, 0),
                effort);
    }
}
