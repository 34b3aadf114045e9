package tachylim.method;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import tachylim.task.Ask;
import tachylim.tempo.Tempo;

/** A method reaches the tempo that it says it leads to, when all is clean. */
class GoalTest {

    private static Span span(int comfortable, int top, double seconds, int passBeats) {
        return new Span(
                Tempo.of(comfortable),
                Tempo.of(top),
                Tempo.of(top),
                Tempo.of(top),
                Tempo.of(top),
                Tempo.of(top),
                3,
                Optional.empty(),
                Optional.empty(),
                Setting.NONE,
                new Span.Ground(32, 8, passBeats, 4, 4, 7),
                seconds);
    }

    private static Tempo fastest(List<Move.Play> plays) {
        return plays.stream()
                .map(Move.Play::fastest)
                .max(Comparator.naturalOrder())
                .orElseThrow();
    }

    /** What goes above the ceiling has no room to here, and climbs; a routine makes no core. */
    @ParameterizedTest
    @EnumSource(
            value = School.class,
            mode = EnumSource.Mode.EXCLUDE,
            names = {"INTERVAL_BURSTS", "SWITCH_BURSTS", "FREE_BURSTS", "GROWING_BURSTS", "WARM_UP_ROUTINE"})
    void whatIsPlayedIsCalledWhatWasChosen(School school) {
        assertThat(school.core(span(88, 124, 900, 16)).school()).isEqualTo(school);
    }

    @ParameterizedTest
    @EnumSource(
            value = School.class,
            names = {
                "STEADY_CLIMB",
                "SETBACK_LADDER",
                "TAPER",
                "ARCH",
                "PULSE_LADDER",
                "CREST_AND_SETTLE",
                "TEMPO_SWEEP"
            })
    void itsLimitIsReached(School school) {
        for (int comfortable : new int[] {112, 100, 88}) {
            Method method = school.core(span(comfortable, 124, 900, 16));
            assertThat(fastest(Played.well(method))).as("from " + comfortable).isEqualTo(method.limit());
        }
    }

    /** It stopped at the fourth of six tempos: what is slow has fewer repetitions where there is little time. */
    @Property(tries = 200)
    void thinningOutReachesItsGoalInTheTimeThereIs(
            @ForAll @IntRange(min = 60, max = 160) int top,
            @ForAll @IntRange(min = 90, max = 1_200) int seconds,
            @ForAll @IntRange(min = 4, max = 24) int passBeats) {
        Method method = School.TAPER.core(span(top - 10, top, seconds, passBeats));
        List<Move.Play> plays = Played.well(method);
        assertThat(plays.get(plays.size() - 1).tempo()).isEqualTo(Tempo.of(top));
        double taken = plays.stream()
                .mapToDouble(
                        play -> play.tempo().secondsFor(passesOf(play.task().ask()) * passBeats))
                .sum();
        boolean shortest = plays.size() == 2;
        assertThat(taken <= seconds || shortest).isTrue();
    }

    private static int passesOf(Ask ask) {
        return ask.passes();
    }
}
