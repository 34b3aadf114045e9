package tachylim.method;

import java.util.List;
import java.util.stream.IntStream;
import tachylim.codec.Codec;
import tachylim.task.Ask;
import tachylim.task.PassKind;
import tachylim.task.Task;
import tachylim.tempo.Tempo;
import tachylim.words.Reason;

/**
 * Many slow repetitions that thin out to a few fast ones.
 *
 * <p>Tempos lie in equal ratios; repetitions fall geometrically, {@code R_j = round(a·(z/a)^(j/(m−1)))}. Those of a tempo are
 * one set. What grips makes all that follows slower. This class is immutable.
 *
 * @param from the first tempo, below the last
 * @param to the last tempo
 * @param tempos how many tempos there are, m, 2 to 12
 * @param first repetitions at the first, a, 1 to 30
 * @param last repetitions at the last, z, 1 to 30
 */
public record ThinningOut(Tempo from, Tempo to, int tempos, int first, int last) implements Series {

    static final Codec<ThinningOut> CODEC = Codec.object(method -> new ThinningOut(
            method.get("from", Tempo.CODEC, ThinningOut::from),
            method.get("to", Tempo.CODEC, ThinningOut::to),
            method.whole("tempos", ThinningOut::tempos),
            method.whole("first", ThinningOut::first),
            method.whole("last", ThinningOut::last)));

    private static final double USUAL_FROM = 0.6;
    private static final int USUAL_TEMPOS = 6;
    private static final int USUAL_FIRST = 8;
    private static final int USUAL_LAST = 2;
    private static final int FEWEST_TEMPOS = 2;

    /** What a set takes besides its passes. */
    private static final int COUNT_IN_BEATS = 4;

    private static final double ANSWER_SECONDS = 5;

    /**
     * @throws IllegalArgumentException if a setting is outside its range
     */
    public ThinningOut {
        from = from.onMetronome();
        to = Stride.notAbove(to);
        if (from.compareTo(to) > 0) {
            throw new IllegalArgumentException("It goes up from " + from + ", so not to " + to);
        }
        if (tempos < 2 || tempos > 12 || first < 1 || first > 30 || last < 1 || last > 30) {
            throw new IllegalArgumentException("2 to 12 tempos have 1 to 30 repetitions each");
        }
    }

    static ThinningOut over(Span span) {
        Tempo from = Tempo.slower(span.top().times(USUAL_FROM).onMetronome(), Stride.notAbove(span.top()));
        int first = span.setting().times(USUAL_FIRST, USUAL_LAST, 30);
        ThinningOut whole = new ThinningOut(from, span.top(), USUAL_TEMPOS, first, USUAL_LAST);
        return whole.within(span.seconds(), span.ground().passBeats());
    }

    /** So much shorter that it reaches its goal in the time there is: fewer repetitions of what is slow, then fewer tempos. */
    private ThinningOut within(double seconds, int beats) {
        ThinningOut shorter = this;
        while (shorter.seconds(beats) > seconds && (shorter.first > USUAL_LAST || shorter.tempos > FEWEST_TEMPOS)) {
            shorter = shorter.first > USUAL_LAST
                    ? new ThinningOut(from, to, shorter.tempos, shorter.first - 1, USUAL_LAST)
                    : new ThinningOut(from, to, shorter.tempos - 1, shorter.first, USUAL_LAST);
        }
        return shorter;
    }

    /** What it takes, each set counted in and answered. */
    private double seconds(int beats) {
        return IntStream.range(0, tempos)
                .mapToDouble(j -> tempo(j).secondsFor(repetitions(j) * beats + COUNT_IN_BEATS) + ANSWER_SECONDS)
                .sum();
    }

    /** The j-th tempo, from 0. */
    public Tempo tempo(int j) {
        return Tempo.slower(
                Tempo.clamped(Math.round(from.bpm() * Math.pow(to.ratioTo(from), (double) j / (tempos - 1)))), to);
    }

    /** How often the j-th is repeated. */
    public int repetitions(int j) {
        return (int) Math.max(1, Math.round(first * Math.pow((double) last / first, (double) j / (tempos - 1))));
    }

    @Override
    public School school() {
        return School.TAPER;
    }

    @Override
    public Reason promise() {
        return Reason.of("thinning.promise", "first", first, "from", from, "last", last, "to", to, "tempos", tempos);
    }

    @Override
    public Tempo limit() {
        return to;
    }

    @Override
    public List<Line> lines() {
        return IntStream.range(0, tempos).mapToObj(this::line).toList();
    }

    private Line line(int j) {
        int times = repetitions(j);
        return new Line(
                Task.at(PassKind.CONTROLLED, tempo(j)).asking(Ask.set(times)),
                Reason.of("thinning.line", "times", times, "tempo", tempo(j), "number", j + 1, "tempos", tempos));
    }
}
