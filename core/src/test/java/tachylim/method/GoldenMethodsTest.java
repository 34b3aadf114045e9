package tachylim.method;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import tachylim.Golden;
import tachylim.task.Answer;
import tachylim.task.Tension;
import tachylim.task.Verdict;
import tachylim.tempo.Tempo;
import tachylim.words.Reason;

/**
 * Each method moves and speaks as it was written down, on many sections and after many answers. Whoever changes one on purpose
 * writes it anew ({@code mvn -pl core test -Dtest=GoldenMethodsTest -Dtachylim.golden.write=true}) and says so in the commit.
 */
class GoldenMethodsTest {

    private static final int SECTIONS = 100;
    private static final int MOST_PASSES = 90;
    private static final int BURSTS = 12;
    private static final WarmUpRoutine.Item MOVEMENT = new WarmUpRoutine.Item("Large, easy movement", 60, true);

    @ParameterizedTest
    @EnumSource(School.class)
    void itIsPlayedAsItWas(School school) throws IOException {
        String now = told(school);
        assertThat(now).isEqualTo(Golden.kept("method/golden-methods/" + school.word() + ".txt", now));
    }

    /** A line for each section: how often it is played, and a digest of all that it promises, does and says. */
    private static String told(School school) {
        StringBuilder all = new StringBuilder();
        for (int section = 0; section < SECTIONS; section++) {
            Random chance = new Random(1_000L * school.word().hashCode() + section);
            Method method = method(school, span(chance), chance);
            StringBuilder tale = new StringBuilder(method.promise().toString() + method.limit() + method.goesAbove());
            int passes = play(method, chance, tale);
            all.append(passes)
                    .append(" passes ")
                    .append(Golden.digest(tale.toString()))
                    .append('\n');
        }
        return all.toString();
    }

    /** Bursts are made by the planner, who knows what a day allows, and a warm-up has its player's lines; every other method by its school. */
    private static Method method(School school, Span span, Random chance) {
        if (school == School.WARM_UP_ROUTINE) {
            return new WarmUpRoutine(List.of(MOVEMENT), span.comfortable().times(0.6));
        }
        if (school != School.INTERVAL_BURSTS) {
            return school.core(span);
        }
        double first = Math.floor(span.ceiling().bpm()) + 1 + chance.nextInt(4);
        return new IntervalBursts(
                Tempo.clamped(Math.floor(span.ceiling().bpm() * (0.5 + 0.2 * chance.nextDouble()))),
                span.ceiling(),
                Tempo.of(first),
                Tempo.of(first + chance.nextInt(12)),
                0.01 + 0.03 * chance.nextDouble(),
                1 + chance.nextInt(BURSTS));
    }

    private static Span span(Random chance) {
        double top = Math.floor(40 + 160 * chance.nextDouble());
        double at = 0.8 + 0.2 * chance.nextDouble();
        int notes = 2 + chance.nextInt(60);
        return new Span(
                Tempo.of(Math.floor(top * (0.6 + 0.4 * chance.nextDouble()))),
                Tempo.of(top),
                Tempo.of(Math.floor(top * (1 + 0.2 * chance.nextDouble()))),
                Tempo.of(top + chance.nextInt(3)),
                Tempo.of(Math.floor(top * (0.98 + 0.14 * chance.nextDouble()))),
                Tempo.of(Math.floor(top * (1 + 0.3 * chance.nextDouble()))),
                1 + chance.nextInt(4),
                chance.nextInt(3) == 0
                        ? Optional.of(new Span.Between(Tempo.of(top * at), Tempo.of(top * at * 1.06)))
                        : Optional.empty(),
                Optional.empty(),
                Setting.NONE,
                new Span.Ground(
                        notes,
                        Math.max(1, notes / 4),
                        Math.max(1, notes / 4),
                        2 + chance.nextInt(3),
                        1 + chance.nextInt(6),
                        notes / 3),
                60 + chance.nextInt(900));
    }

    /** Plays on until it is over: mostly well, sometimes not, now and then tense, backed off, in silence, or held lower. */
    private static int play(Method method, Random chance, StringBuilder tale) {
        double good = 0.3 + 0.7 * chance.nextDouble();
        Position position = method.opening();
        for (int passes = 0; passes < MOST_PASSES; passes++) {
            tale.append(position.move()).append('\n');
            if (position.move() instanceof Move.Finish) {
                return passes;
            }
            int what = chance.nextInt(40);
            if (position.move() instanceof Move.Away || what == 0) {
                position = position.unjudged();
            } else if (what == 1) {
                position = position.backedOff();
            } else if (what == 2) {
                position = position.under(
                        Tempo.clamped(Math.floor(method.limit().bpm() * (0.7 + 0.35 * chance.nextDouble()))),
                        Reason.text("It was gripped there"));
            } else {
                position = position.after(answer(chance, good));
            }
        }
        return MOST_PASSES;
    }

    private static Answer answer(Random chance, double good) {
        Verdict verdict =
                chance.nextDouble() < good ? Verdict.CLEAN : chance.nextBoolean() ? Verdict.ROUGH : Verdict.BROKE;
        Tension tension = chance.nextInt(25) == 0
                ? Tension.values()[chance.nextInt(Tension.values().length)]
                : Tension.values()[chance.nextInt(3)];
        return new Answer(verdict, tension, chance.nextInt(3) == 0 ? -1 : chance.nextInt(12));
    }
}
