package tachylim.method;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import tachylim.codec.Codec;
import tachylim.task.Ask;
import tachylim.task.PassKind;
import tachylim.task.Task;
import tachylim.tempo.Tempo;
import tachylim.words.Reason;

/**
 * In the way that is sure, then in each way that is tried, at the same tempo: could they be told apart? This class is
 * immutable.
 *
 * @param tempos the tempos, 1 to 12
 * @param reference the way that is sure, in words
 * @param tried the way that is tried, in words
 * @param more further ways that are tried, up to 2
 */
public record ReferenceComparison(List<Tempo> tempos, Reason reference, Reason tried, List<Reason> more)
        implements Series {

    static final Codec<ReferenceComparison> CODEC = Codec.object(method -> new ReferenceComparison(
            method.get("tempos", Tempo.CODEC.list().required(), ReferenceComparison::tempos),
            method.get("reference", Reason.CODEC.required(), ReferenceComparison::reference),
            method.get("tried", Reason.CODEC.required(), ReferenceComparison::tried),
            method.get("more", Reason.CODEC.list().or(List.of()), ReferenceComparison::more)));

    private static final double[] USUAL = {0.6, 0.7, 0.8, 0.88, 0.94, 1};

    /** With several ways to be tried. */
    private static final double[] FEWER = {0.6, 0.75, 0.88, 1};

    /**
     * @throws IllegalArgumentException if there are too few tempos or too many
     */
    public ReferenceComparison {
        if (tempos.isEmpty() || tempos.size() > 12) {
            throw new IllegalArgumentException("A comparison has 1 to 12 tempos, not " + tempos.size());
        }
        more = List.copyOf(more);
        tempos = tempos.stream().map(Stride::notAbove).toList();
    }

    static ReferenceComparison over(Span span) {
        List<Tempo> tempos = new ArrayList<>();
        List<String> ways = span.setting().ways();
        for (double share : ways.size() > 2 ? FEWER : USUAL) {
            tempos.add(span.comfortable().times(share));
        }
        return ways.isEmpty()
                ? new ReferenceComparison(tempos, Reason.of("compare.reference"), Reason.of("compare.tried"), List.of())
                : new ReferenceComparison(
                        tempos,
                        Reason.text(ways.get(0)),
                        Reason.text(ways.get(1)),
                        ways.subList(2, ways.size()).stream().map(Reason::text).toList());
    }

    /** All ways that are tried. */
    private List<Reason> allTried() {
        return Stream.concat(Stream.of(tried), more.stream()).toList();
    }

    @Override
    public School school() {
        return School.REFERENCE_COMPARISON;
    }

    @Override
    public Reason promise() {
        Reason all = Reason.of(
                "compare.promise", "tempos", tempos.size(), "limit", limit(), "reference", reference, "tried", tried);
        for (Reason way : more) {
            all = all.then(Reason.of("compare.more", "way", way));
        }
        return all;
    }

    @Override
    public Tempo limit() {
        return tempos.stream().max(Tempo::compareTo).orElseThrow();
    }

    @Override
    public List<Line> lines() {
        List<Line> all = new ArrayList<>();
        for (Tempo tempo : tempos) {
            Task task = Task.at(PassKind.CONTROLLED, tempo);
            all.add(new Line(
                    task.in(reference).asking(Ask.NOTHING),
                    Reason.of("compare.first", "reference", reference, "tempo", tempo)));
            for (Reason way : allTried()) {
                all.add(new Line(
                        task.in(way).asking(Ask.MATCH), Reason.of("compare.then", "tried", way, "tempo", tempo)));
            }
        }
        return all;
    }
}
