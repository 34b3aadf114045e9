package tachylim.method;

import java.util.Collections;
import java.util.List;
import tachylim.codec.Codec;
import tachylim.task.Ask;
import tachylim.task.PassKind;
import tachylim.task.Task;
import tachylim.tempo.Tempo;
import tachylim.words.Reason;

/**
 * A little under the ceiling today, a few times and no more; tomorrow it is tested. This class is immutable.
 *
 * @param tempo the tempo, 4% under the ceiling, which it never goes above
 * @param sets how many sets, 1 to 6
 * @param passes passes in each, 1 to 6
 */
public record SettleOvernight(Tempo tempo, int sets, int passes) implements Series {

    static final Codec<SettleOvernight> CODEC = Codec.object(method -> new SettleOvernight(
            method.get("tempo", Tempo.CODEC, SettleOvernight::tempo),
            method.whole("sets", SettleOvernight::sets),
            method.whole("passes", SettleOvernight::passes)));

    private static final double UNDER = 0.96;
    private static final int USUAL_SETS = 2;
    private static final int USUAL_PASSES = 3;

    /**
     * @throws IllegalArgumentException if a setting is outside its range
     */
    public SettleOvernight {
        tempo = Stride.notAbove(tempo);
        if (sets < 1 || sets > 6 || passes < 1 || passes > 6) {
            throw new IllegalArgumentException("It settles in 1 to 6 sets of 1 to 6 passes");
        }
    }

    static SettleOvernight under(Span span) {
        return new SettleOvernight(
                span.top().times(UNDER), USUAL_SETS, span.setting().times(USUAL_PASSES, 6));
    }

    @Override
    public School school() {
        return School.SETTLE_OVERNIGHT;
    }

    @Override
    public Reason promise() {
        return Reason.of("overnight.promise", "times", sets * passes, "tempo", tempo);
    }

    @Override
    public Tempo limit() {
        return tempo;
    }

    @Override
    public List<Line> lines() {
        Line set = new Line(
                Task.at(PassKind.CONTROLLED, tempo).asking(Ask.set(passes)),
                Reason.of("overnight.begin", "tempo", tempo));
        return Collections.nCopies(sets, set);
    }
}
