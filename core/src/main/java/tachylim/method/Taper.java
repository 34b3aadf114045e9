package tachylim.method;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;
import tachylim.task.Ask;
import tachylim.task.PassKind;
import tachylim.task.Task;
import tachylim.tempo.Tempo;

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
public record Taper(Tempo from, Tempo to, int tempos, int first, int last) implements Method {

    private static final double USUAL_FROM = 0.6;
    private static final int USUAL_TEMPOS = 6;
    private static final int USUAL_FIRST = 8;
    private static final int USUAL_LAST = 2;

    /**
     * @throws IllegalArgumentException if a setting is outside its range
     */
    public Taper {
        from = from.onMetronome();
        to = Stride.notAbove(to);
        if (from.compareTo(to) > 0) {
            throw new IllegalArgumentException("It goes up from " + from + ", so not to " + to);
        }
        if (tempos < 2 || tempos > 12 || first < 1 || first > 30 || last < 1 || last > 30) {
            throw new IllegalArgumentException("2 to 12 tempos have 1 to 30 repetitions each");
        }
    }

    static Taper over(Span span) {
        Tempo from = Tempo.slower(span.top().times(USUAL_FROM).onMetronome(), Stride.notAbove(span.top()));
        return new Taper(from, span.top(), USUAL_TEMPOS, USUAL_FIRST, USUAL_LAST);
    }

    static Taper read(Settings kept) {
        return new Taper(
                kept.tempo("from"), kept.tempo("to"), kept.whole("tempos"), kept.whole("first"), kept.whole("last"));
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
    public Settings settings() {
        return Settings.NONE
                .with("from", from)
                .with("to", to)
                .with("tempos", tempos)
                .with("first", first)
                .with("last", last);
    }

    @Override
    public String promise() {
        return first + " times at " + from + ", thinning out to " + last + " at " + to + ", over " + tempos
                + " tempos.";
    }

    @Override
    public Tempo limit() {
        return to;
    }

    @Override
    public Position opening() {
        List<Series.Said> all = new ArrayList<>();
        IntStream.range(0, tempos)
                .forEach(j -> all.add(new Series.Said(
                        Task.at(PassKind.CONTROLLED, tempo(j)).asking(Ask.set(repetitions(j))),
                        repetitions(j) + (repetitions(j) == 1 ? " time at " : " times at ") + tempo(j) + ", " + (j + 1)
                                + " of " + tempos + ".")));
        return Series.of(all, "Thinned out to " + to + ".");
    }
}
