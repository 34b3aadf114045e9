package tachylim.method;

import java.util.List;
import tachylim.codec.Codec;
import tachylim.task.Ask;
import tachylim.task.PassKind;
import tachylim.task.Task;
import tachylim.tempo.Tempo;
import tachylim.words.Reason;

/**
 * From beginning to end without stopping, as if somebody listened: small slips pass, real breakdowns become work. This
 * class is immutable.
 *
 * @param tempo the tempo, which it never goes above
 */
public record PerformanceRun(Tempo tempo) implements Series {

    static final Codec<PerformanceRun> CODEC =
            Codec.object(method -> new PerformanceRun(method.get("tempo", Tempo.CODEC, PerformanceRun::tempo)));

    public PerformanceRun {
        tempo = Stride.notAbove(tempo);
    }

    static PerformanceRun at(Span span) {
        return new PerformanceRun(span.top());
    }

    @Override
    public School school() {
        return School.PERFORMANCE_RUN;
    }

    @Override
    public Reason promise() {
        return Reason.of("perform.promise", "tempo", tempo);
    }

    @Override
    public Tempo limit() {
        return tempo;
    }

    @Override
    public List<Line> lines() {
        return List.of(new Line(
                Task.at(PassKind.CONTROLLED, tempo).asking(Ask.SLIPS), Reason.of("perform.begin", "tempo", tempo)));
    }
}
