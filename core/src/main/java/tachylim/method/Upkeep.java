package tachylim.method;

import tachylim.codec.Codec;
import tachylim.task.Ask;
import tachylim.task.PassKind;
import tachylim.task.Task;
import tachylim.task.Verdict;
import tachylim.tempo.Tempo;
import tachylim.words.Reason;

/**
 * What is done with a section that has reached its target: once through at that tempo as if somebody listened, and easy
 * passes between, so that it stays.
 *
 * <p>Each performance follows an easy pass. Two that go wrong in a row end it, as does the first that grips, since
 * nothing has to be proved any more. Backing off makes all that follow slower. This class is immutable.
 *
 * @param easy the tempo of the easy passes, below the target
 * @param target the tempo of the performances
 * @param performances how many, 1 to 12
 */
public record Upkeep(Tempo easy, Tempo target, int performances) implements StateMachine<Upkeep.At> {

    static final Codec<Upkeep> CODEC = Codec.object(method -> new Upkeep(
            method.get("easy", Tempo.CODEC, Upkeep::easy),
            method.get("target", Tempo.CODEC, Upkeep::target),
            method.whole("performances", Upkeep::performances)));

    private static final int USUAL = 4;
    private static final double EASY_SHARE = 0.62;
    private static final double EASING = 0.95;

    /**
     * @throws IllegalArgumentException if a setting is outside its range or the easy tempo not below the target
     */
    public Upkeep {
        target = Stride.notAbove(target);
        easy = easy.onMetronome();
        if (easy.compareTo(target) >= 0) {
            throw new IllegalArgumentException("Easy passes at " + easy + " lie under the target of " + target);
        }
        if (performances < 1 || performances > 12) {
            throw new IllegalArgumentException("There are 1 to 12 performances, not " + performances);
        }
    }

    static Method at(Span span) {
        Tempo easy = span.top().times(EASY_SHARE).onMetronome();
        return easy.compareTo(Stride.notAbove(span.top())) < 0
                ? new Upkeep(easy, span.top(), span.setting().times(USUAL, 12))
                : EasyPasses.under(span);
    }

    @Override
    public School school() {
        return School.UPKEEP;
    }

    @Override
    public Reason promise() {
        return Reason.of("upkeep.promise", "times", performances, "target", target, "easy", easy);
    }

    @Override
    public Tempo limit() {
        return target;
    }

    /**
     * Where it stands.
     *
     * @param slow the tempo of the easy passes
     * @param fast that of the performances
     * @param performing whether a performance is next
     * @param done performances played
     * @param wrong performances in a row that did not go well
     */
    record At(Tempo slow, Tempo fast, boolean performing, int done, int wrong) {}

    @Override
    public Next<At> begin() {
        return Next.go(new At(easy, target, false, 0, 0), Reason.of("upkeep.begin", "easy", easy, "target", target));
    }

    @Override
    public Move move(At at, Tempo cap, Reason why) {
        Task once = Task.at(PassKind.CONTROLLED, at.performing ? at.fast : at.slow);
        return new Move.Play(at.performing ? once : once.asking(Ask.NOTHING), why);
    }

    @Override
    public Next<At> after(At at, Tempo cap, Heard answer) {
        if (!at.performing || answer.verdict() == Verdict.CLEAN) {
            return next(at, 0);
        }
        return at.wrong + 1 >= 2 ? Next.stop(Reason.of("upkeep.twoBad")) : next(at, at.wrong + 1);
    }

    @Override
    public Next<At> unjudged(At at, Tempo cap) {
        return next(at, at.wrong);
    }

    private static Next<At> next(At at, int wrong) {
        return at.performing
                ? Next.go(
                        new At(at.slow, at.fast, false, at.done + 1, wrong), Reason.of("upkeep.easy", "easy", at.slow))
                : Next.go(
                        new At(at.slow, at.fast, true, at.done, at.wrong),
                        Reason.of("upkeep.through", "tempo", at.fast));
    }

    @Override
    public Next<At> tense(At at, Tempo cap, Heard answer) {
        return Next.stop(Reason.of("upkeep.tense"));
    }

    @Override
    public Next<At> slower(At at, Tempo cap, Cause cause) {
        Tempo slow = Tempo.slower(at.slow.times(EASING).onMetronome(), Stride.below(at.slow));
        Tempo fast = Tempo.slower(at.fast.times(EASING).onMetronome(), Stride.below(at.fast));
        return Next.go(
                new At(slow, fast, at.performing, at.done, at.wrong),
                Reason.of("upkeep.backedOff", "tempo", (at.performing ? fast : slow)));
    }

    @Override
    public Tempo easiest(At at, Tempo cap) {
        return at.slow;
    }

    @Override
    public Next<At> under(At at, Tempo cap, Reason because, Reason why) {
        return cap.compareTo(at.fast) < 0
                ? Next.go(
                        new At(at.slow, cap, at.performing, at.done, at.wrong),
                        at.performing ? Reason.of("method.under", "because", because, "tempo", cap) : why)
                : Next.go(at, why);
    }

    @Override
    public boolean isTooLow(At at) {
        return at.fast.compareTo(at.slow) <= 0;
    }

    @Override
    public int done(At at) {
        return at.done;
    }

    @Override
    public int most() {
        return performances;
    }
}
