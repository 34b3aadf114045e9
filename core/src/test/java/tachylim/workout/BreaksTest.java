package tachylim.workout;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import net.jqwik.api.Arbitraries;
import net.jqwik.api.Arbitrary;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.Provide;
import net.jqwik.api.constraints.IntRange;
import org.apache.commons.numbers.fraction.Fraction;
import org.junit.jupiter.api.Test;
import tachylim.ceiling.Known;
import tachylim.ceiling.Posterior;
import tachylim.load.Condition;
import tachylim.load.Effort;
import tachylim.load.Guardrails;
import tachylim.method.School;
import tachylim.passage.Meter;
import tachylim.passage.PaperPattern;
import tachylim.tempo.Tempo;
import tachylim.words.Reason;

class BreaksTest {

    private static final Allowance PLENTY = new Allowance(new Effort(200), 90, 9_000);

    private static List<Segment> ahead(School school, int bars, int minutes, Condition condition) {
        Theme theme = Theme.of(
                new PaperPattern(new Meter(4, 4), Fraction.of(1, 4), bars, List.of(4)).toPassage(),
                Tempo.of(126),
                Known.of(Posterior.prior(Tempo.of(104), 0.04)));
        return Run.start(Planner.plan(Brief.on(theme, minutes, Choices.usual(school), PLENTY, condition, Reason.NONE)))
                .ahead();
    }

    private static boolean isBreak(Segment segment) {
        return segment.step() instanceof Rest rest && rest.purpose() == Rest.Purpose.BREAK;
    }

    @Provide
    Arbitrary<School> schools() {
        return Arbitraries.of(
                School.INTERVAL_BURSTS, School.STEADY_CLIMB, School.SETBACK_LADDER, School.ARCH, School.SWITCH_BURSTS);
    }

    /** Nobody comes back after five minutes for the cool-down alone, nor puts the hands down in the middle of a block. */
    @Property(tries = 60)
    void aBreakIsBetweenTwoBlocksAndNotBeforeTheCloseAlone(
            @ForAll("schools") School school,
            @ForAll @IntRange(min = 1, max = 4) int bars,
            @ForAll @IntRange(min = 26, max = 45) int minutes) {
        List<Segment> ahead = ahead(school, bars, minutes, Condition.FRESH);
        for (int i = 0; i < ahead.size(); i++) {
            if (isBreak(ahead.get(i))) {
                assertThat(ahead.get(i).block()).isNotEqualTo(ahead.get(i - 1).block());
                assertThat(ahead.get(i).part()).isNotEqualTo(Part.CLOSER);
                assertThat(ahead.get(i).before().sinceBreak()).isBetween(600.0, Guardrails.UNBROKEN_SECONDS);
            }
        }
    }

    @Test
    void whatFitsBeforeABreakIsDueHasNone() {
        assertThat(ahead(School.INTERVAL_BURSTS, 2, 20, Condition.FRESH)).noneMatch(BreaksTest::isBreak);
        assertThat(ahead(School.STEADY_CLIMB, 2, 20, Condition.FRESH)).noneMatch(BreaksTest::isBreak);
    }

    @Test
    void anHourHasTwoBreaksAtTheMost() {
        for (School school : List.of(School.INTERVAL_BURSTS, School.STEADY_CLIMB)) {
            assertThat(ahead(school, 2, 60, Condition.FRESH).stream().filter(BreaksTest::isBreak))
                    .hasSizeBetween(1, 2);
        }
    }

    /** An hour on one passage comes back to what is fast, with other things between. */
    @Test
    void aClimbIsClimbedAgainWhereThereIsTime() {
        List<Segment> hour = ahead(School.STEADY_CLIMB, 2, 60, Condition.FRESH);
        List<Integer> climbs = hour.stream()
                .filter(one -> one.part() == Part.CORE)
                .map(Segment::block)
                .distinct()
                .toList();
        assertThat(climbs).hasSizeBetween(3, 4);
        for (int i = 1; i < climbs.size(); i++) {
            assertThat(climbs.get(i)).isGreaterThan(climbs.get(i - 1) + 1);
        }
        assertThat(ahead(School.STEADY_CLIMB, 2, 20, Condition.FRESH).stream()
                        .filter(one -> one.part() == Part.CORE)
                        .map(Segment::block)
                        .distinct())
                .hasSize(1);
    }
}
