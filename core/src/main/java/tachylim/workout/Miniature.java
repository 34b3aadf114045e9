package tachylim.workout;

import java.util.Collections;
import java.util.List;
import org.apache.commons.numbers.fraction.Fraction;
import tachylim.ceiling.Known;
import tachylim.ceiling.Posterior;
import tachylim.load.Condition;
import tachylim.load.Effort;
import tachylim.method.School;
import tachylim.passage.Meter;
import tachylim.passage.PaperPattern;
import tachylim.passage.Passage;
import tachylim.task.PassKind;
import tachylim.tempo.Tempo;
import tachylim.words.Reason;

/** How a method moves, as a picture in small: a few minutes of it on two bars of even notes, all clean. */
public final class Miniature {

    private static final double SECONDS = 300;
    private static final Tempo TARGET = Tempo.of(138);
    private static final Tempo CEILING = Tempo.of(124);
    private static final Allowance PLENTY = new Allowance(new Effort(600), 90, 12_000);

    private Miniature() {}

    /**
     * A stretch at one tempo.
     *
     * @param kind what it is for
     * @param tempo in BPM
     * @param seconds how long, above 0
     */
    public record Stretch(PassKind kind, double tempo, double seconds) {}

    /** The stretches of a method one after another, rests left out; none of one in which nothing is played. */
    public static List<Stretch> of(School school) {
        Choices choices = Choices.usual(school);
        Theme theme = Theme.of(music(), TARGET, Known.of(Posterior.prior(CEILING, 0.04)));
        Brief brief = Brief.on(theme, 20, choices, PLENTY, Condition.FRESH, Reason.NONE)
                .with(List.of(new Sketch(Part.CORE, 0, "", SECONDS, choices)));
        return Run.start(Planner.plan(brief)).ahead().stream()
                .filter(segment -> segment.step() instanceof Pass)
                .flatMap(segment -> stretches((Pass) segment.step()).stream())
                .toList();
    }

    private static List<Stretch> stretches(Pass pass) {
        return pass.paces(pass.playSeconds()).stream()
                .map(pace -> new Stretch(pass.kind(), pace.tempo().bpm(), pace.seconds()))
                .toList();
    }

    private static Passage music() {
        return new PaperPattern(new Meter(2, 4), Fraction.of(1, 4), 2, Collections.nCopies(4, 4)).toPassage();
    }
}
