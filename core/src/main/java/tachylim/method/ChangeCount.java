package tachylim.method;

import java.util.Collections;
import java.util.List;
import tachylim.codec.Codec;
import tachylim.count.Change;
import tachylim.passage.Section;
import tachylim.task.Ask;
import tachylim.task.PassKind;
import tachylim.task.Pulse;
import tachylim.task.Task;
import tachylim.tempo.Tempo;
import tachylim.words.Reason;

/**
 * One change, over and over, without a click: how many are clean in a minute? The target tempo T with a change every b beats
 * needs T/b a minute. This class is immutable.
 *
 * @param tempo about how fast it is played, which its cost is told by, and which it never goes above
 * @param change the transition that is changed over, from 0
 * @param seconds how long a count lasts, 30 or 60
 * @param wanted how many clean ones are wanted in that time, 1 to 600
 * @param counts how many counts, 1 to 6
 */
public record ChangeCount(Tempo tempo, int change, int seconds, int wanted, int counts) implements Series {

    static final Codec<ChangeCount> CODEC = Codec.object(method -> new ChangeCount(
            method.get("tempo", Tempo.CODEC, ChangeCount::tempo),
            method.whole("change", ChangeCount::change),
            method.whole("seconds", ChangeCount::seconds),
            method.whole("wanted", ChangeCount::wanted),
            method.whole("counts", ChangeCount::counts)));

    private static final int USUAL_SECONDS = Change.MINUTE;
    private static final int USUAL_COUNTS = 2;
    private static final double BEATS_PER_CHANGE = 2;

    /**
     * @throws IllegalArgumentException if a setting is outside its range
     */
    public ChangeCount {
        tempo = Stride.notAbove(tempo);
        if (seconds != Change.HALF_A_MINUTE && seconds != Change.MINUTE) {
            throw new IllegalArgumentException("A count lasts 30 or 60 seconds, not " + seconds);
        }
        if (change < 0 || wanted < 1 || wanted > Ask.MOST || counts < 1 || counts > 6) {
            throw new IllegalArgumentException("1 to 6 counts of 1 to 600 changes");
        }
    }

    static ChangeCount at(Span span) {
        int transition =
                Math.max(0, Math.min(span.ground().notes() - 2, span.ground().weak()));
        return new ChangeCount(
                span.comfortable(),
                transition,
                USUAL_SECONDS,
                new Change(span.target(), BEATS_PER_CHANGE).needed(),
                span.setting().times(USUAL_COUNTS, 6));
    }

    @Override
    public School school() {
        return School.CHANGE_COUNT;
    }

    @Override
    public Reason promise() {
        return Reason.of("changes.promise", "seconds", seconds, "counts", counts, "wanted", wanted);
    }

    @Override
    public Tempo limit() {
        return tempo;
    }

    @Override
    public List<Line> lines() {
        Task task = Task.at(PassKind.CONTROLLED, tempo)
                .with(new Pulse.Free(tempo, seconds))
                .of(new Section(change, change + 1))
                .asking(Ask.count(wanted));
        Line count = new Line(task, Reason.of("changes.begin", "wanted", wanted, "seconds", seconds));
        return Collections.nCopies(counts, count);
    }
}
