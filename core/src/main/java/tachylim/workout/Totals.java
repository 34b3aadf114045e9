package tachylim.workout;

import java.util.List;
import tachylim.task.PassKind;

/**
 * The sums of a stretch of steps. This class is immutable.
 *
 * @param playingSeconds seconds of playing
 * @param restSeconds seconds of rest
 * @param seconds seconds in all, with counting in and answering
 * @param notes notes played, all rounds counted
 * @param burstSeconds seconds of bursts
 * @param bursts how many bursts
 * @param passes how many passes
 * @param effort effort minutes
 */
public record Totals(
        double playingSeconds,
        double restSeconds,
        double seconds,
        int notes,
        double burstSeconds,
        int bursts,
        int passes,
        double effort) {

    /** The sums of {@code segments}; what was left without a word counts its time and effort, but is no pass. */
    public static Totals of(List<Segment> segments) {
        double playing = 0;
        double resting = 0;
        double all = 0;
        double burstSeconds = 0;
        double effort = 0;
        int notes = 0;
        int bursts = 0;
        int passes = 0;
        for (Segment segment : segments) {
            all += segment.seconds();
            effort += segment.after().effort() - segment.before().effort();
            if (segment.step() instanceof Pass pass) {
                playing += segment.after().playingSeconds() - segment.before().playingSeconds();
                burstSeconds +=
                        segment.after().burstSeconds() - segment.before().burstSeconds();
                if (segment.isPlayed()) {
                    passes += pass.ask().passes();
                    notes += segment.notes();
                    bursts += pass.kind() == PassKind.BURST ? 1 : 0;
                }
            } else {
                resting += segment.seconds();
            }
        }
        return new Totals(playing, resting, all, notes, burstSeconds, bursts, passes, effort);
    }
}
