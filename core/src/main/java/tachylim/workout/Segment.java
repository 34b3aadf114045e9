package tachylim.workout;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import tachylim.ceiling.Evidence;
import tachylim.load.Effort;
import tachylim.method.Strictness;
import tachylim.passage.Passage;
import tachylim.task.Answer;
import tachylim.task.Ask;
import tachylim.task.Hearing;
import tachylim.task.PassKind;
import tachylim.task.Pulse;
import tachylim.task.Tension;
import tachylim.task.Verdict;
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
     * What it says about the ceiling of the section that {@code music} comes from: the share of a full pass that was quick, as
     * it went, at the tempo at which the section as written has them as quick. A warm-up, a rest, and what was left without a
     * word say nothing; nor does what is played in an articulation or another way, without a click or at a gliding tempo. Each pass of a set
     * speaks for itself. Slow passes alike say less and less: they share the day's form, and whatever is awkward at that
     * tempo.
     *
     * @param before what was played before it in the same run
     */
    public List<Evidence> evidence(Music music, List<Segment> before) {
        if (answer == null || music.isArticulated() || !(step instanceof Pass pass) || !speaks(pass)) {
            return List.of();
        }
        Evidence once = Evidence.of(
                music.asWritten(pass.tempo()),
                answer.verdict(),
                this.before.recovery().level(),
                this.before.playedToday() / 60,
                music.share() * share(pass, music));
        Hearing heard = answer.heard();
        if (heard.taken() && heard.power() == 0) {
            return List.of();
        }
        boolean slow = pass.kind() == PassKind.CONTROLLED;
        int alike = slow ? likeIt(pass, before) : 0;
        if (pass.ask().kind() != Ask.Kind.SET) {
            return List.of(heard(slow ? once.again(alike) : once, heard, 0));
        }
        int passes = pass.ask().of();
        int clean = (int) Math.round(answer.told());
        List<Evidence> each = new ArrayList<>();
        for (int i = 0; i < passes; i++) {
            Evidence one = i < clean ? once.saying(Verdict.CLEAN) : once.saying(Verdict.ROUGH);
            Evidence counted = slow ? one.oneOf(passes, alike) : one;
            // Of a set a hand says how many were clean, and a microphone which.
            each.add(heard.taken() ? heard(counted, heard, i) : counted);
        }
        return each;
    }

    /** The same as it was heard, where it was. */
    private static Evidence heard(Evidence said, Hearing heard, int pass) {
        if (pass >= heard.passes().size()) {
            return said;
        }
        Hearing.Chances chances = heard.passes().get(pass);
        return heard.taken() ? said.measured(chances, heard.power()) : said.besides(chances);
    }

    /**
     * The same with another answer, given long after: what was played stays played, and costs what it costs at the tension
     * that is now said of it.
     *
     * @param now the answer; null when nothing is to be said of it any more
     */
    public Segment corrected(Answer now) {
        Tension tension = now == null ? after.tension() : now.tension();
        boolean said = now == null ? after.tensionSaid() : now.saysTension();
        Effort effort = before.effort()
                .plus(new Effort(effort().minutes() * Effort.factor(tension) / Effort.factor(after.tension())));
        return new Segment(step, part, block, start, seconds, now, before, after.corrected(effort, tension, said));
    }

    private static boolean speaks(Pass pass) {
        return pass.kind() != PassKind.WARM_UP
                && pass.task().manner().saysNothing()
                && pass.pulse().kind() != Pulse.Kind.FREE
                && pass.pulse().kind() != Pulse.Kind.GLIDING
                && pass.ask().kind() != Ask.Kind.MATCH
                && pass.ask().kind() != Ask.Kind.LOOSE
                && pass.ask().kind() != Ask.Kind.COUNT;
    }

    /** How much of a full pass was played quickly: fewer transitions are easier, and so is going round less often. */
    private static double share(Pass pass, Music music) {
        double rounds = (double) pass.roundsEach() / new Phrasing(music.notes()).fullRounds();
        return pass.pulse() instanceof Pulse.Switching switching
                ? rounds * Math.min(1.0, (double) switching.quick() / Math.max(1, pass.beats()))
                : rounds
                        * transitions(pass.notes().size())
                        / transitions(music.notes().notes().size());
    }

    /** How many passes like it there were in its block. */
    private int likeIt(Pass pass, List<Segment> before) {
        return before.stream()
                .filter(one -> one.answer != null
                        && one.block == block
                        && one.step instanceof Pass other
                        && other.kind() == pass.kind()
                        && other.tempo().equals(pass.tempo()))
                .mapToInt(one -> ((Pass) one.step).ask().passes())
                .sum();
    }

    /** The tempo at which the whole of a section was clean, and not by force; empty of everything else. */
    Optional<Tempo> proven(Music music) {
        return answer != null
                        && step instanceof Pass pass
                        && speaks(pass)
                        && music.isAsWritten()
                        && answer.verdict() == Verdict.CLEAN
                        && !answer.tension().atLeast(Tension.GRIPPING)
                        && pass.pulse().kind() != Pulse.Kind.SWITCHING
                        && pass.notes().size() == music.notes().notes().size()
                ? Optional.of(pass.tempo())
                : Optional.empty();
    }

    /** The tempo of the section as written at which a hand was too tense by the player's strictness; empty of everything else. */
    Optional<Tempo> tooTense(Music music, Strictness strictness) {
        return saysTension() && step instanceof Pass && strictness.lowers(after.tension())
                ? Optional.of(tempoAsWritten(music))
                : Optional.empty();
    }

    /** How fast it went: up to the edge that was marked, or else to the fastest there was. */
    private Tempo reached(Pass pass) {
        Tempo fastest = pass.pulse().fastest();
        return answer != null && pass.ask().kind() == Ask.Kind.EDGE && answer.told() > 0
                ? Tempo.slower(fastest, Tempo.clamped(answer.told()))
                : fastest;
    }

    /** The tempo of the section as written at which the edge was marked; empty where none was. */
    public Optional<Tempo> edge(Music music) {
        return answer != null && step instanceof Pass pass && pass.ask().kind() == Ask.Kind.EDGE && answer.told() > 0
                ? Optional.of(tempoAsWritten(music))
                : Optional.empty();
    }

    /** Whether anything was said of tension; otherwise it is assumed. */
    public boolean saysTension() {
        return after.tensionSaid();
    }

    boolean isJudgedBurst() {
        return answer != null && step instanceof Pass pass && pass.kind() == PassKind.BURST;
    }

    /** The share of a full pass of {@code music} that some beats of it are, on average. */
    public static double shareOf(int beats, Passage music) {
        return Math.min(1, beats / Math.max(1, music.length().doubleValue())) / new Phrasing(music).fullRounds();
    }

    /** The transitions between some notes; a single note counts as one. */
    private static int transitions(int notes) {
        return Math.max(1, notes - 1);
    }

    /** How many passes were played and answered together; 1 of whatever else there is. */
    public int passes() {
        return step instanceof Pass pass ? pass.ask().passes() : 1;
    }

    /** How one of its passes went, from 0; null where nothing was said. Of a set the clean ones come first. */
    public Verdict verdict(int turn) {
        if (answer == null) {
            return null;
        }
        boolean set = step instanceof Pass pass && pass.ask().kind() == Ask.Kind.SET;
        return !set ? answer.verdict() : turn < answer.told() ? Verdict.CLEAN : Verdict.ROUGH;
    }

    /** The tempo of the section as written at which its notes come as fast as the quickest that were played here. */
    public Tempo tempoAsWritten(Music music) {
        return music.asWritten(reached((Pass) step));
    }

    /** In which way it was played: empty as written, a variation by its key, and a dash after either for another pulse or articulation. */
    public String way(Music music) {
        Pass pass = (Pass) step;
        boolean plain = pass.kind() == PassKind.WARM_UP || speaks(pass);
        return plain ? music.variation() : music.variation() + "-";
    }

    /** Seconds it was played. */
    public double playedSeconds() {
        return after.playingSeconds() - before.playingSeconds();
    }

    /** Seconds of it that are burst time. */
    public double burstSeconds() {
        return after.burstSeconds() - before.burstSeconds();
    }

    /** What it cost. */
    public Effort effort() {
        return after.effort().less(before.effort());
    }

    /** Whether it was played to its end, whatever was said of it. */
    public boolean isPlayed() {
        return step instanceof Pass pass && (answer != null || playedSeconds() >= pass.playSeconds() - 1e-6);
    }

    /** How many notes were played, rounds counted. */
    public int notes() {
        return isPlayed() ? ((Pass) step).notes().size() * ((Pass) step).rounds() : 0;
    }
}
