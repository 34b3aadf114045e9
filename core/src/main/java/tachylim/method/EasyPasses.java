package tachylim.method;

import java.util.Collections;
import java.util.List;
import tachylim.codec.Codec;
import tachylim.task.Ask;
import tachylim.task.PassKind;
import tachylim.task.Task;
import tachylim.task.Verdict;
import tachylim.tempo.Tempo;
import tachylim.words.Reason;

/**
 * A few passes well within reach, at set tempos: for warming up and for closing.
 *
 * <p>A broken or gripping pass makes all that follow slower; a locked hand ends it. A warm-up cannot be
 * backed out of: as slow as can be set, it is still played. This class is immutable.
 *
 * @param kind {@link PassKind#WARM_UP} or {@link PassKind#CLOSING}
 * @param tempos the tempo of each pass, 1 to 20 of them
 * @param why the reason for these tempos
 */
public record EasyPasses(PassKind kind, List<Tempo> tempos, Reason why) implements StateMachine<Integer> {

    private static final Codec<PassKind> KIND = Codec.TEXT.as(PassKind::valueOf, PassKind::name);

    static final Codec<EasyPasses> CODEC = Codec.object(method -> new EasyPasses(
            method.get("kind", KIND, EasyPasses::kind),
            method.get("tempos", Tempo.CODEC.list().required(), EasyPasses::tempos),
            method.get("why", Reason.CODEC.required(), EasyPasses::why)));

    /** How much slower a pass gets after one that broke or gripped. */
    private static final double EASING = 0.9;

    /** Loose playing lies this far under the comfortable tempo. */
    private static final double LOOSE = 0.7;

    private static final int LOOSE_PASSES = 10;

    /** No more of them are in a block. */
    public static final int MOST = 20;

    /** No more than so many passes alike make a set. */
    private static final int MOST_ALIKE = 6;

    /**
     * @throws IllegalArgumentException if the kind is another one or the number of passes out of range
     */
    public EasyPasses {
        if (kind != PassKind.WARM_UP && kind != PassKind.CLOSING) {
            throw new IllegalArgumentException("Easy passes warm up or close, they are no " + kind);
        }
        if (tempos.isEmpty() || tempos.size() > MOST) {
            throw new IllegalArgumentException("There are 1 to " + MOST + " easy passes, not " + tempos.size());
        }
        tempos = tempos.stream().map(Tempo::onMetronome).toList();
    }

    /** Loose playing where a span begins, far below it. */
    static EasyPasses under(Span span) {
        return new EasyPasses(
                PassKind.CLOSING,
                Collections.nCopies(LOOSE_PASSES, span.comfortable().times(LOOSE)),
                Reason.of("easy.loose"));
    }

    @Override
    public School school() {
        return School.EASY;
    }

    @Override
    public Reason promise() {
        return why;
    }

    @Override
    public Tempo limit() {
        return tempos.stream().max(Tempo::compareTo).orElseThrow();
    }

    @Override
    public Next<Integer> begin() {
        return Next.go(0, why);
    }

    private Tempo tempo(int at, Tempo cap) {
        return Tempo.slower(tempos.get(at), cap);
    }

    @Override
    public Move move(Integer at, Tempo cap, Reason reason) {
        Task task = Task.at(kind, tempo(at, cap));
        return new Move.Play(task.asking(isWarmUp() ? Ask.NOTHING : Ask.set(alike(at))), reason);
    }

    @Override
    public boolean isWarmUp() {
        return kind == PassKind.WARM_UP;
    }

    /** How many of one tempo follow one another: they are answered at once. */
    private int alike(int at) {
        int next = at + 1;
        while (!isWarmUp()
                && next < tempos.size()
                && next - at < MOST_ALIKE
                && tempos.get(next).equals(tempos.get(at))) {
            next++;
        }
        return next - at;
    }

    @Override
    public Next<Integer> unjudged(Integer at, Tempo cap) {
        return Next.go(at + alike(at), why);
    }

    @Override
    public Next<Integer> after(Integer at, Tempo cap, Heard answer) {
        return answer.verdict() == Verdict.BROKE ? slower(at, cap, Cause.BROKE) : unjudged(at, cap);
    }

    /** Slower than the pass before, and no faster again after that. */
    @Override
    public Next<Integer> slower(Integer at, Tempo cap, Cause cause) {
        boolean left = cause == Cause.BACKED_OFF;
        Tempo now = tempo(at, cap);
        Reason because = left ? Reason.of("easy.backedOff") : Reason.of("easy.easier");
        if (Stride.isSlowest(now)) {
            if (!isWarmUp()) {
                return Next.stop(Reason.of("easy.slowest"));
            }
            because = Reason.of("easy.slowestOn");
        }
        return (left ? Next.go(at, because) : Next.down(at + alike(at), because))
                .notAbove(Tempo.clamped(Math.floor(now.bpm() * EASING)));
    }

    /** A warm-up is played however slow it has to be. */
    @Override
    public Tempo easiest(Integer at, Tempo cap) {
        return isWarmUp() ? Tempo.of(Tempo.MAX) : tempo(at, cap);
    }

    @Override
    public Next<Integer> under(Integer at, Tempo cap, Reason because, Reason reason) {
        return Next.go(
                at,
                cap.compareTo(tempos.get(at)) < 0
                        ? Reason.of("method.under", "because", because, "tempo", cap)
                        : reason);
    }

    @Override
    public int done(Integer at) {
        return at;
    }

    @Override
    public int most() {
        return tempos.size();
    }
}
