package tachylim.method;

import tachylim.codec.Codec;
import tachylim.task.Ask;
import tachylim.task.PassKind;
import tachylim.task.Pulse;
import tachylim.task.Task;
import tachylim.tempo.Tempo;
import tachylim.words.Reason;

/**
 * Smoothly faster, on for a while, and back: the top is where tension reaches the edge, found while playing.
 *
 * <p>The edge that is marked is the top of the next glide, and the next arch begins from it. Gripping lowers it by a tenth. This class is immutable.
 *
 * @param from the tempo of both ends
 * @param to the top, above it, which it never goes above
 * @param up seconds up, and as many back, 5 to 300
 * @param hold seconds at the top, 0 to 120
 * @param glides how many, 1 to 12
 */
public record Arch(Tempo from, Tempo to, double up, double hold, int glides) implements StateMachine<Arch.At> {

    static final Codec<Arch> CODEC = Codec.object(method -> new Arch(
            method.get("from", Tempo.CODEC, Arch::from),
            method.get("to", Tempo.CODEC, Arch::to),
            method.number("up", Arch::up),
            method.number("hold", Arch::hold),
            method.whole("glides", Arch::glides)));

    private static final double EASING = 0.9;
    private static final double USUAL_FROM = 0.55;
    private static final double USUAL_UP = 40;
    private static final double USUAL_HOLD = 6;
    private static final int MOST_GLIDES = 12;

    /** The next arch looks this far beyond the edge that was marked last. */
    private static final double PAST_EDGE = 1.04;

    /** Seconds around a glide: counting in at the slow end, and the answer. */
    private static final double AROUND = 16;

    /**
     * @throws IllegalArgumentException if a setting is outside its range or the tempos out of order
     */
    public Arch {
        from = from.onMetronome();
        to = Stride.notAbove(to);
        if (from.compareTo(to) >= 0) {
            throw new IllegalArgumentException("It glides up from " + from + ", so not to " + to);
        }
        if (!(up >= 5 && up <= 300 && hold >= 0 && hold <= 120) || glides < 1 || glides > MOST_GLIDES) {
            throw new IllegalArgumentException("1 to 12 glides take 5 to 300 seconds either way");
        }
    }

    static Method over(Span span) {
        Tempo top = span.edge()
                .filter(edge -> span.setting().tempo().isEmpty())
                .map(edge -> Tempo.slower(edge.times(PAST_EDGE).onMetronome(), span.top()))
                .orElse(span.top());
        Tempo from = top.times(USUAL_FROM).onMetronome();
        double up = span.setting().upSeconds().orElseGet(() -> up(span.seconds()));
        return from.compareTo(Stride.notAbove(top)) < 0
                ? new Arch(from, top, up, USUAL_HOLD, span.setting().times(glides(span.seconds(), up), MOST_GLIDES))
                : EasyPasses.under(span);
    }

    /** As many glides as there is time for. */
    private static int glides(double seconds, double up) {
        return (int) Math.max(1, Math.min(MOST_GLIDES, seconds / (2 * up + USUAL_HOLD + AROUND)));
    }

    /** The usual glide, shorter where there is no time for it with counting in and answering. */
    private static double up(double seconds) {
        return Math.max(5, Math.min(USUAL_UP, Math.floor((seconds - USUAL_HOLD - AROUND) / 2)));
    }

    @Override
    public School school() {
        return School.ARCH;
    }

    @Override
    public Reason promise() {
        return Reason.of("arch.promise", "glides", glides, "from", from, "to", to, "seconds", Math.round(up));
    }

    @Override
    public Tempo limit() {
        return to;
    }

    /**
     * Where it stands.
     *
     * @param top the top of the next glide
     * @param done glides played
     */
    record At(Tempo top, int done) {}

    @Override
    public Next<At> begin() {
        return Next.go(new At(to, 0), Reason.of("arch.begin", "to", to));
    }

    @Override
    public Move move(At at, Tempo cap, Reason why) {
        Pulse pulse = new Pulse.Gliding(from, at.top, up, hold);
        return new Move.Play(Task.at(PassKind.CONTROLLED, from).with(pulse).asking(Ask.EDGE), why);
    }

    @Override
    public Next<At> after(At at, Tempo cap, Heard answer) {
        if (!(answer.told() > 0 && answer.told() < at.top.bpm())) {
            return unjudged(at, cap);
        }
        Tempo edge = Tempo.clamped(Math.floor(answer.told()));
        return Next.go(new At(edge, at.done + 1), Reason.of("arch.edge", "edge", edge));
    }

    @Override
    public Next<At> unjudged(At at, Tempo cap) {
        return Next.go(new At(at.top, at.done + 1), Reason.of("arch.again", "to", at.top));
    }

    @Override
    public Next<At> slower(At at, Tempo cap, Cause cause) {
        Tempo next = Tempo.slower(Stride.notAbove(at.top.times(EASING)), Stride.below(at.top));
        return Next.go(new At(next, at.done + 1), Reason.of("arch.slower", "cause", cause.at(at.top), "to", next));
    }

    @Override
    public Tempo easiest(At at, Tempo cap) {
        return at.top;
    }

    @Override
    public Next<At> under(At at, Tempo cap, Reason because, Reason why) {
        return cap.compareTo(at.top) < 0
                ? Next.go(new At(cap, at.done), Reason.of("arch.under", "because", because, "to", cap))
                : Next.go(at, why);
    }

    @Override
    public boolean isTooLow(At at) {
        return at.top.compareTo(from) <= 0;
    }

    @Override
    public int done(At at) {
        return at.done;
    }

    @Override
    public int most() {
        return glides;
    }
}
