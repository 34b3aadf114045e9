package tachylim.method;

import tachylim.codec.Codec;
import tachylim.task.Ask;
import tachylim.task.PassKind;
import tachylim.task.Pulse;
import tachylim.task.Task;
import tachylim.tempo.Tempo;
import tachylim.words.Reason;

/**
 * Without a click: easy playing, then as fast as is clean until it gets messy or time is up, then easy until loose. What was
 * played is as long as the player says.
 *
 * <p>The easy playing lasts at least as long as the burst before it. A burst that got messy makes the next ones shorter; a
 * gripping one ends them. This class is immutable.
 *
 * @param easy about the tempo of the easy playing, below the fast one
 * @param fast about the tempo of the bursts, which their cost is told by
 * @param seconds how long a burst may last, 2 to 30
 * @param loose how long the easy playing lasts, at least as long as a burst and up to 180
 * @param bursts how many, 1 to 12
 */
public record FreeBursts(Tempo easy, Tempo fast, double seconds, double loose, int bursts)
        implements StateMachine<FreeBursts.At> {

    static final Codec<FreeBursts> CODEC = Codec.object(method -> new FreeBursts(
            method.get("easy", Tempo.CODEC, FreeBursts::easy),
            method.get("fast", Tempo.CODEC, FreeBursts::fast),
            method.number("seconds", FreeBursts::seconds),
            method.number("loose", FreeBursts::loose),
            method.whole("bursts", FreeBursts::bursts)));

    private static final double EASING = 0.95;
    private static final double USUAL_EASY = 0.5;
    private static final double USUAL_SECONDS = 6;
    private static final double USUAL_LOOSE = 30;
    private static final int USUAL_BURSTS = 5;
    private static final double SHORTEST = 2;

    /**
     * @throws IllegalArgumentException if a setting is outside its range or the tempos out of order
     */
    public FreeBursts {
        easy = easy.onMetronome();
        fast = Stride.notAbove(fast);
        if (easy.compareTo(fast) >= 0) {
            throw new IllegalArgumentException("Easy playing at " + easy + " is slower than bursts at " + fast);
        }
        if (!(seconds >= SHORTEST && seconds <= 30 && loose >= seconds && loose <= 180) || bursts < 1 || bursts > 12) {
            throw new IllegalArgumentException("1 to 12 bursts of 2 to 30 seconds, with as much easy playing between");
        }
    }

    static Method over(Span span) {
        Tempo fast = Stride.notAbove(Tempo.slower(span.highest(), span.ceiling().times(1.05)));
        Tempo easy = Tempo.slower(span.comfortable(), fast).times(USUAL_EASY).onMetronome();
        Setting set = span.setting();
        return span.hasRoomAbove() && easy.compareTo(fast) < 0
                ? new FreeBursts(
                        easy,
                        fast,
                        set.fastSeconds().orElse(USUAL_SECONDS),
                        set.easySeconds().orElse(USUAL_LOOSE),
                        set.times(USUAL_BURSTS, 12))
                : SteadyClimb.toCeiling(span);
    }

    @Override
    public School school() {
        return School.FREE_BURSTS;
    }

    @Override
    public Reason promise() {
        return Reason.of(
                "free.promise",
                "loose",
                Math.round(loose),
                "seconds",
                Math.round(seconds),
                "tempo",
                fast,
                "times",
                bursts);
    }

    @Override
    public Tempo limit() {
        return fast;
    }

    /**
     * Where it stands.
     *
     * @param done bursts played
     * @param length how long the next may last, in seconds
     * @param quick about the tempo of the bursts now
     * @param slow that of the easy playing
     */
    record At(boolean bursting, int done, double length, Tempo quick, Tempo slow) {}

    @Override
    public Next<At> begin() {
        return Next.go(new At(false, 0, seconds, fast, easy), Reason.of("free.begin"));
    }

    @Override
    public Move move(At at, Tempo cap, Reason why) {
        Task task = at.bursting
                ? Task.at(PassKind.BURST, at.quick)
                        .with(new Pulse.Free(at.quick, at.length))
                        .asking(Ask.HELD)
                : Task.at(PassKind.CONTROLLED, at.slow)
                        .with(new Pulse.Free(at.slow, loose))
                        .asking(Ask.loose((int) Math.ceil(at.length)));
        return new Move.Play(task, why);
    }

    @Override
    public Next<At> after(At at, Tempo cap, Heard answer) {
        boolean messy = answer.told() > 0 && answer.told() < at.length;
        if (!at.bursting || !messy) {
            return unjudged(at, cap);
        }
        return easy(
                at, Math.max(SHORTEST, answer.told()), Reason.of("free.messy", "seconds", Math.round(answer.told())));
    }

    @Override
    public Next<At> unjudged(At at, Tempo cap) {
        return at.bursting
                ? easy(at, at.length, Reason.of("free.easy"))
                : Next.go(
                        new At(true, at.done, at.length, at.quick, at.slow),
                        Reason.of("free.fast", "seconds", Math.round(at.length)));
    }

    private static Next<At> easy(At at, double length, Reason reason) {
        return Next.go(new At(false, at.done + 1, length, at.quick, at.slow), reason);
    }

    @Override
    public Next<At> tense(At at, Tempo cap, Heard answer) {
        return Next.stop(Reason.of("free.tense"));
    }

    @Override
    public Next<At> slower(At at, Tempo cap, Cause cause) {
        Tempo now = at.bursting ? at.quick : at.slow;
        Tempo lower = Tempo.slower(Stride.notAbove(now.times(EASING)), Stride.below(now));
        return Next.go(
                at.bursting
                        ? new At(true, at.done, at.length, lower, at.slow)
                        : new At(false, at.done, at.length, at.quick, lower),
                Reason.of("free.backedOff", "tempo", lower));
    }

    @Override
    public Tempo easiest(At at, Tempo cap) {
        return at.slow;
    }

    @Override
    public Next<At> under(At at, Tempo cap, Reason because, Reason why) {
        return Next.go(new At(at.bursting, at.done, at.length, Tempo.slower(at.quick, cap), at.slow), why);
    }

    @Override
    public boolean isTooLow(At at) {
        return at.quick.compareTo(at.slow) <= 0;
    }

    @Override
    public int done(At at) {
        return at.done;
    }

    @Override
    public int most() {
        return bursts;
    }
}
