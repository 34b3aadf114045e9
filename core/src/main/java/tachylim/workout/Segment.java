package tachylim.workout;

import java.util.List;
import java.util.Optional;
import tachylim.ceiling.Evidence;
import tachylim.method.Answer;
import tachylim.method.PassKind;
import tachylim.method.Tension;
import tachylim.method.Verdict;
import tachylim.passage.Passage;
import tachylim.tempo.Tempo;

/**
 * A step in its place in time, for drawing: played with its answer, or planned. This class is
 * immutable.
 *
 * @param step the pass or rest
 * @param part the part of the workout it belongs to
 * @param block the index of its block
 * @param start seconds from the start of the workout
 * @param seconds how long it lasts, for a pass with the time to answer
 * @param answer what was answered; null when planned, and for rests
 * @param before the tally at its start
 * @param after the tally at its end
 */
public record Segment(
        Step step, Part part, int block, double start, double seconds, Answer answer, Tally before, Tally after) {

    /**
     * What it says about the ceiling of {@code music}: the share of the links that were played, as they went. A warm-up, a
     * rest, and what was left without a word say nothing. Slow passes alike say less and less: they share the day's form, and
     * whatever is awkward at that tempo.
     *
     * @param before what was played before it in the same run
     */
    public Optional<Evidence> evidence(Passage music, List<Segment> before) {
        if (answer == null || !(step instanceof Pass pass) || pass.kind() == PassKind.WARM_UP) {
            return Optional.empty();
        }
        double share = (double) links(pass.notes().size()) / links(music.notes().size());
        Evidence evidence = Evidence.of(
                pass.tempo(), answer.verdict(), this.before.reserve().level(), share);
        return Optional.of(pass.kind() == PassKind.CONTROLLED ? evidence.again(likeIt(pass, before)) : evidence);
    }

    private static int likeIt(Pass pass, List<Segment> before) {
        return (int) before.stream()
                .filter(one -> one.answer != null
                        && one.step instanceof Pass other
                        && other.kind() == pass.kind()
                        && other.tempo().equals(pass.tempo()))
                .count();
    }

    /** The tempo at which the whole of {@code music} was clean, and not by force; empty of everything else. */
    Optional<Tempo> proven(Passage music) {
        return answer != null
                        && step instanceof Pass pass
                        && answer.verdict() == Verdict.CLEAN
                        && !answer.tension().atLeast(Tension.GRIPPING)
                        && pass.notes().size() == music.notes().size()
                ? Optional.of(pass.tempo())
                : Optional.empty();
    }

    /** The tempo at which a hand gripped; empty of everything else. */
    Optional<Tempo> gripped() {
        return answer != null && step instanceof Pass pass && answer.tension().atLeast(Tension.GRIPPING)
                ? Optional.of(pass.tempo())
                : Optional.empty();
    }

    boolean isJudgedBurst() {
        return answer != null && step instanceof Pass pass && pass.kind() == PassKind.BURST;
    }

    /** The share of the links of {@code music} that some beats of it have, on average. */
    public static double shareOf(int beats, Passage music) {
        return Math.min(1, beats / Math.max(1, music.length().doubleValue()));
    }

    /** The links between some notes; a single note counts as one. */
    private static int links(int notes) {
        return Math.max(1, notes - 1);
    }

    /** Seconds it was played. */
    public double playedSeconds() {
        return after.playingSeconds() - before.playingSeconds();
    }

    /** Effort minutes it cost. */
    public double effort() {
        return after.effort() - before.effort();
    }

    /** How many notes were played and judged, rounds counted. */
    public int notes() {
        return answer != null && step instanceof Pass pass ? pass.notes().size() * pass.rounds() : 0;
    }
}
