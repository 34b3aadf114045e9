package tachylim.method;

import java.util.Collections;
import java.util.List;
import tachylim.task.Answer;
import tachylim.task.Ask;
import tachylim.task.PassKind;
import tachylim.task.Task;
import tachylim.task.Tension;
import tachylim.task.Verdict;
import tachylim.tempo.Tempo;

/**
 * A few passes well within reach, at set tempos: for warming up and for closing.
 *
 * <p>A broken or gripping pass makes all that follow slower; a locked hand ends it. A warm-up cannot be
 * backed out of: as slow as can be set, it is still played. This class is immutable.
 *
 * @param kind {@link PassKind#WARM_UP} or {@link PassKind#CLOSING}
 * @param tempos the tempo of each pass, 1 to 20 of them
 * @param why the reason for these tempos, one sentence
 */
public record EasyPasses(PassKind kind, List<Tempo> tempos, String why) implements Method {

    /** How much slower a pass gets after one that broke or gripped. */
    private static final double EASING = 0.9;

    /** Loose playing lies this far under ease. */
    private static final double LOOSE = 0.7;

    private static final int LOOSE_PASSES = 10;

    /** No more than so many passes alike make a set. */
    private static final int MOST_ALIKE = 6;

    /**
     * @throws IllegalArgumentException if the kind is another one or the number of passes out of range
     */
    public EasyPasses {
        if (kind != PassKind.WARM_UP && kind != PassKind.CLOSING) {
            throw new IllegalArgumentException("Easy passes warm up or close, they are no " + kind);
        }
        if (tempos.isEmpty() || tempos.size() > 20) {
            throw new IllegalArgumentException("There are 1 to 20 easy passes, not " + tempos.size());
        }
        tempos = tempos.stream().map(Tempo::onMetronome).toList();
    }

    /** Loose playing where a span begins, far below it. */
    static EasyPasses under(Span span) {
        return new EasyPasses(
                PassKind.CLOSING, Collections.nCopies(LOOSE_PASSES, span.ease().times(LOOSE)), "Easy and loose.");
    }

    static EasyPasses read(Settings kept) {
        return new EasyPasses(PassKind.valueOf(kept.text("kind")), kept.tempos("tempos"), kept.text("why"));
    }

    @Override
    public School school() {
        return School.EASY;
    }

    @Override
    public Settings settings() {
        return Settings.NONE.with("kind", kind.name()).with("why", why).with("tempos", tempos);
    }

    @Override
    public String promise() {
        return why;
    }

    @Override
    public Position opening() {
        return new Next(0, limit(), why);
    }

    @Override
    public Tempo limit() {
        return tempos.stream().max(Tempo::compareTo).orElseThrow();
    }

    private final class Next implements Position {

        private final int index;
        private final Tempo cap;
        private final String reason;

        Next(int index, Tempo cap, String reason) {
            this.index = index;
            this.cap = cap;
            this.reason = reason;
        }

        private Tempo tempo() {
            return Tempo.slower(tempos.get(index), cap);
        }

        @Override
        public Move move() {
            Task task = Task.at(kind, tempo());
            return new Move.Play(task.asking(kind == PassKind.WARM_UP ? Ask.NOTHING : Ask.set(alike())), reason);
        }

        /** How many of one tempo follow one another: they are answered at once. */
        private int alike() {
            int next = index + 1;
            while (kind != PassKind.WARM_UP
                    && next < tempos.size()
                    && next - index < MOST_ALIKE
                    && tempos.get(next).equals(tempos.get(index))) {
                next++;
            }
            return next - index;
        }

        private Position finished() {
            return new Finished(kind == PassKind.WARM_UP ? "Warm." : "Ended on something that works.");
        }

        @Override
        public Position unjudged() {
            return index + alike() >= tempos.size() ? finished() : new Next(index + alike(), cap, why);
        }

        @Override
        public Position after(Answer answer) {
            if (answer.tension() == Tension.LOCKED) {
                return new Finished("Locked: stop here and let the hands hang.");
            }
            int next = index + alike();
            if (next >= tempos.size()) {
                return finished();
            }
            boolean ease = answer.verdict() == Verdict.BROKE || answer.tension().atLeast(Tension.GRIPPING);
            return ease ? eased(next, "Easier than planned, since the last was not loose.") : new Next(next, cap, why);
        }

        /** Slower than the pass before, and no faster again after that. */
        private Position eased(int next, String because) {
            if (Stride.isSlowest(tempo()) && kind == PassKind.WARM_UP && next < tempos.size()) {
                return new Next(next, tempo(), "Slower than this cannot be set: play it as easily as you can.");
            }
            if (Stride.isSlowest(tempo())) {
                return new Finished("Slower than this cannot be set: stop here.");
            }
            return new Next(next, Tempo.clamped(Math.floor(tempo().bpm() * EASING)), because);
        }

        @Override
        public Position under(Tempo most, String because) {
            Tempo lower = Stride.notAbove(most);
            return lower.compareTo(tempo()) >= 0
                    ? new Next(index, Tempo.slower(cap, lower), reason)
                    : new Next(index, lower, because + ": " + lower + ".");
        }

        @Override
        public Position backedOff() {
            return eased(index, "You backed off.");
        }
    }
}
