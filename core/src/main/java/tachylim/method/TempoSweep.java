package tachylim.method;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.stream.IntStream;
import tachylim.codec.Codec;
import tachylim.task.PassKind;
import tachylim.task.Task;
import tachylim.tempo.Tempo;
import tachylim.words.Reason;

/**
 * The same at six to ten tempos in no order, to see where it works and where it does not. This class is immutable.
 *
 * @param tempos the tempos in the order they are played, 2 to 12
 */
public record TempoSweep(List<Tempo> tempos) implements Series {

    static final Codec<TempoSweep> CODEC = Codec.object(
            method -> new TempoSweep(method.get("tempos", Tempo.CODEC.list().required(), TempoSweep::tempos)));

    private static final int USUAL = 8;
    private static final double USUAL_FROM = 0.7;

    /**
     * @throws IllegalArgumentException if there are too few tempos or too many
     */
    public TempoSweep {
        if (tempos.size() < 2 || tempos.size() > 12) {
            throw new IllegalArgumentException("A sweep has 2 to 12 tempos, not " + tempos.size());
        }
        tempos = tempos.stream().map(Stride::notAbove).toList();
    }

    /** Tempos evenly between two thirds of the comfortable tempo and the top, in an order that depends on them alone. */
    static TempoSweep over(Span span) {
        Tempo from = Tempo.slower(span.comfortable().times(USUAL_FROM).onMetronome(), span.top());
        List<Tempo> tempos = new ArrayList<>();
        int many = span.setting().times(USUAL, 2, 12);
        for (int i = 0; i < many; i++) {
            double share = Math.pow(span.top().ratioTo(from), (double) i / (many - 1));
            tempos.add(Tempo.slower(from.times(share).onMetronome(), span.top()));
        }
        return new TempoSweep(shuffled(tempos, Math.round(span.top().bpm())));
    }

    /** In no order, but in the same one wherever it is drawn: by a linear congruential generator (Lehmer's, modulo 2^31 - 1). */
    private static List<Tempo> shuffled(List<Tempo> tempos, long seed) {
        List<Tempo> order = new ArrayList<>(tempos);
        long state = seed;
        for (int last = order.size() - 1; last > 0; last--) {
            state = state * 48_271 % 2_147_483_647;
            Collections.swap(order, last, (int) (state % (last + 1)));
        }
        return order;
    }

    @Override
    public School school() {
        return School.TEMPO_SWEEP;
    }

    @Override
    public Reason promise() {
        return Reason.of("sweep.promise", "tempos", tempos.size(), "limit", limit());
    }

    @Override
    public Tempo limit() {
        return tempos.stream().max(Tempo::compareTo).orElseThrow();
    }

    @Override
    public List<Line> lines() {
        return IntStream.range(0, tempos.size())
                .mapToObj(i -> new Line(
                        Task.at(PassKind.CONTROLLED, tempos.get(i)),
                        Reason.of("sweep.line", "number", i + 1, "tempos", tempos.size(), "tempo", tempos.get(i))))
                .toList();
    }
}
