package tachylim.method;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import net.jqwik.api.Arbitraries;
import net.jqwik.api.Arbitrary;
import net.jqwik.api.Combinators;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.Provide;
import net.jqwik.api.constraints.DoubleRange;
import net.jqwik.api.constraints.IntRange;
import tachylim.task.Answer;
import tachylim.task.PassKind;
import tachylim.task.Tension;
import tachylim.task.Verdict;
import tachylim.tempo.Tempo;
import tachylim.words.Reason;

/** What holds for every method and every sequence of answers. */
class EveryMethodTest {

    private static final int ENOUGH = 700;

    @Property
    void itTerminates(@ForAll("methods") Method method, @ForAll("answers") List<Answer> answers) {
        Position position = method.opening();
        int passes = 0;
        while (play(position) != null) {
            position = position.after(answers.get(passes % answers.size()));
            assertThat(++passes).isLessThan(ENOUGH);
        }
    }

    @Property
    void itNeverGoesAboveItsLimitAndPlaysWholeTempos(
            @ForAll("methods") Method method, @ForAll("answers") List<Answer> answers) {
        Position position = method.opening();
        for (int i = 0; i < ENOUGH && play(position) != null; i++) {
            Move.Play play = play(position);
            assertThat(play.fastest()).isLessThanOrEqualTo(method.limit());
            assertThat(play.tempo()).isEqualTo(play.tempo().onMetronome());
            assertThat(play.why().saysNothing()).isFalse();
            position = position.after(answers.get(i % answers.size()));
        }
    }

    /** Tension that lowers is followed by something slower, and tension that holds by nothing faster, whoever is how strict. */
    @Property
    void noPolicyOfTensionIsPassed(
            @ForAll("methods") Method method,
            @ForAll("answers") List<Answer> answers,
            @ForAll boolean roughCounts,
            @ForAll boolean looseOnly) {
        Strictness strictness = new Strictness(roughCounts, looseOnly);
        Position position = method.opening();
        for (int i = 0; i < answers.size() && play(position) != null; i++) {
            Move.Play played = play(position);
            Heard heard = strictness.heard(played.kind(), answers.get(i));
            boolean measured = position.move() instanceof Move.Measure;
            position = position.after(heard);
            Move.Play next = play(position);
            if (next != null && heard.lowers()) {
                assertThat(next.fastest()).isLessThan(played.fastest());
            } else if (next != null && heard.holds() && !measured) {
                assertThat(next.fastest()).isLessThanOrEqualTo(played.fastest());
            }
        }
    }

    /** Who is tense again and again is not led on: two steps down in a row are the end, but of a warm-up. */
    @Property
    void twoStepsDownInARowAreTheEnd(
            @ForAll("methods") Method method, @ForAll("answers") List<Answer> answers, @ForAll Verdict verdict) {
        Position position = method.opening();
        for (int i = 0; i < answers.size() / 2 && play(position) != null; i++) {
            position = position.after(answers.get(i));
        }
        if (play(position) == null || play(position).kind() == PassKind.WARM_UP) {
            return;
        }
        for (int i = 0; i < 2 && play(position) != null; i++) {
            position = position.after(new Answer(verdict, Tension.GRIPPING));
        }
        assertThat(play(position)).isNull();
    }

    @Property
    void afterALockedHandThereIsNoBurst(
            @ForAll("methods") Method method, @ForAll("answers") List<Answer> answers, @ForAll Verdict verdict) {
        Position position = method.opening();
        for (int i = 0; i < answers.size() && play(position) != null; i++) {
            assertThat(position.after(new Answer(verdict, Tension.LOCKED)).move())
                    .isInstanceOf(Move.Finish.class);
            position = position.after(answers.get(i));
        }
    }

    /** Silence earns nothing and costs nothing, and it comes to an end all the same. */
    @Property
    void whatNobodySpeaksOfIsNoFasterAndEnds(@ForAll("methods") Method method) {
        Position position = method.opening();
        int passes = 0;
        while (play(position) != null) {
            assertThat(play(position).fastest()).isLessThanOrEqualTo(method.limit());
            position = position.unjudged();
            assertThat(++passes).isLessThan(ENOUGH);
        }
    }

    @Property
    void backingOffIsSlowerAndEnds(@ForAll("methods") Method method) {
        Position position = method.opening();
        int times = 0;
        while (play(position) != null) {
            Move.Play before = play(position);
            position = position.backedOff();
            if (play(position) != null) {
                assertThat(play(position).fastest()).isLessThan(before.fastest());
            }
            assertThat(++times).isLessThan(ENOUGH);
        }
    }

    /** What is learned elsewhere holds at every later step, and it still comes to an end. */
    @Property
    void underALowerTempoNothingIsFaster(
            @ForAll("methods") Method method,
            @ForAll("answers") List<Answer> answers,
            @ForAll @DoubleRange(min = 0.3, max = 1.1) double share,
            @ForAll @IntRange(min = 0, max = 20) int when) {
        Tempo most = Tempo.clamped(Math.floor(method.limit().bpm() * share));
        Position position = method.opening();
        for (int i = 0; i < ENOUGH && play(position) != null; i++) {
            if (i >= when) {
                position = position.under(most, Reason.text("It gripped there"));
                if (play(position) == null) {
                    break;
                }
                assertThat(play(position).fastest()).isLessThanOrEqualTo(most);
            }
            assertThat(i).isLessThan(ENOUGH - 1);
            position = position.after(answers.get(i % answers.size()));
        }
        assertThat(new Finished(Reason.text("It is over.")).under(most, Reason.NONE))
                .isEqualTo(new Finished(Reason.text("It is over.")));
    }

    /** Whatever is asked for, at the instrument or away from it, comes to an end, and says what to do for how long. */
    @Property
    void whatIsDoneAwayComesToAnEndToo(@ForAll("methods") Method method, @ForAll("answers") List<Answer> answers) {
        Position position = method.opening();
        for (int i = 0; !(position.move() instanceof Move.Finish); i++) {
            assertThat(i).isLessThan(ENOUGH);
            assertThat(position.move().why().saysNothing()).isFalse();
            if (position.move() instanceof Move.Away away) {
                assertThat(away.seconds()).isPositive();
                assertThat(position.after(new Answer(Verdict.CLEAN, Tension.LOCKED))
                                .move())
                        .isInstanceOf(Move.Finish.class);
                position = position.unjudged();
            } else {
                position = position.after(answers.get(i % answers.size()));
            }
        }
    }

    /** Every school is among those that are tried, and each wants something to be done. */
    @Property(tries = 1)
    void everySchoolIsTried() {
        for (School school : School.values()) {
            assertThat(school.core(Played.SPAN).opening().move())
                    .as(school.name())
                    .isNotInstanceOf(Move.Finish.class);
        }
        assertThat(School.STUDY_CARD.core(Played.SPAN).opening().move()).isInstanceOf(Move.Away.class);
    }

    /** What a position wants played; what it wants measured is measured as fast as it may be. */
    private static Move.Play play(Position position) {
        return position.move() instanceof Move.Measure measure
                ? new Move.Play(PassKind.PROBE, measure.limit(), measure.why())
                : position.move() instanceof Move.Play play ? play : null;
    }

    @Property
    void itIsTheSameWhenItIsReadBack(@ForAll("methods") Method method) {
        assertThat(School.METHOD.read(School.METHOD.write(method))).isEqualTo(method);
        assertThat(method.promise().saysNothing()).isFalse();
    }

    @Property
    void aSettingThatIsMissingIsNamed(@ForAll("methods") Method method) {
        Map<?, ?> written = (Map<?, ?>) School.METHOD.write(method);
        written.keySet().stream().filter(name -> !name.equals("method")).forEach(name -> {
            Map<Object, Object> fewer = new LinkedHashMap<>(written);
            fewer.remove(name);
            assertThatThrownBy(() -> School.METHOD.read(fewer)).hasMessageContaining((String) name);
        });
        assertThatThrownBy(() -> School.METHOD.read(Map.of("method", "nothing")))
                .hasMessageContaining("nothing");
    }

    @Provide
    Arbitrary<List<Answer>> answers() {
        return Combinators.combine(
                        Arbitraries.of(Verdict.class),
                        Arbitraries.of(Tension.class),
                        Arbitraries.integers().between(-1, 200))
                .as(Answer::new)
                .list()
                .ofMinSize(1)
                .ofMaxSize(60);
    }

    @Provide
    Arbitrary<Method> methods() {
        Arbitrary<Tempo> tempos = Arbitraries.doubles().between(40, 320).map(Tempo::of);
        Arbitrary<Method> climbs = Combinators.combine(
                        tempos,
                        Arbitraries.doubles().between(0.3, 1),
                        Arbitraries.integers().between(1, 6),
                        Arbitraries.doubles().between(0.005, 0.05).ofScale(3),
                        Arbitraries.integers().between(1, 120),
                        Arbitraries.of(true, false))
                .as((limit, share, clean, step, most, sets) -> new SteadyClimb(
                        Tempo.clamped(Math.floor(limit.bpm() * share)), limit, step, clean, most, sets));
        Arbitrary<Method> bursts = Combinators.combine(
                        tempos,
                        Arbitraries.doubles().between(0.55, 0.7),
                        Arbitraries.integers().between(1, 12),
                        Arbitraries.doubles().between(0.005, 0.05).ofScale(3))
                .as((ceiling, share, count, step) -> new IntervalBursts(
                        ceiling.times(share),
                        ceiling,
                        Tempo.clamped(Math.floor(ceiling.bpm()) + 2),
                        ceiling.times(IntervalBursts.HIGHEST),
                        step,
                        count));
        Arbitrary<Method> easy = tempos.list()
                .ofMinSize(1)
                .ofMaxSize(6)
                .map(list -> new EasyPasses(PassKind.CLOSING, list, Reason.text("Easy.")));
        Arbitrary<Method> cores = Combinators.combine(
                        Arbitraries.of(School.class),
                        tempos,
                        Arbitraries.doubles().between(0.6, 1),
                        Arbitraries.integers().between(1, 6),
                        Arbitraries.doubles().between(0.5, 1.3).optional(),
                        Arbitraries.doubles().between(0.95, 1.15),
                        Arbitraries.integers().between(2, 60))
                .as((school, top, share, clean, band, above, notes) -> school.core(new Span(
                        Tempo.clamped(Math.floor(top.bpm() * share)),
                        Tempo.of(Math.floor(top.bpm())),
                        Tempo.clamped(Math.floor(top.bpm() * 1.2)),
                        Tempo.of(Math.floor(top.bpm())),
                        Tempo.clamped(Math.floor(top.bpm() * above)),
                        Tempo.clamped(Math.floor(top.bpm() * 1.1)),
                        clean,
                        band.map(at -> new Span.Between(top.times(at), top.times(at * 1.06))),
                        band.map(at -> top.times(at * 0.9)),
                        Setting.NONE,
                        new Span.Ground(notes, Math.max(1, notes / 4), Math.max(1, notes / 4), 4, 4, notes / 2),
                        600)));
        return Arbitraries.oneOf(climbs, bursts, easy, cores);
    }
}
