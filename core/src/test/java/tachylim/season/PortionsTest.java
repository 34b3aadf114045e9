package tachylim.season;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.LocalDate;
import java.util.Arrays;
import java.util.List;
import java.util.OptionalLong;
import java.util.stream.IntStream;
import net.jqwik.api.Arbitraries;
import net.jqwik.api.Arbitrary;
import net.jqwik.api.Combinators;
import net.jqwik.api.ForAll;
import net.jqwik.api.From;
import net.jqwik.api.Property;
import net.jqwik.api.Provide;
import net.jqwik.api.constraints.IntRange;
import net.jqwik.api.constraints.Size;
import org.junit.jupiter.api.Test;
import tachylim.ceiling.Moments;
import tachylim.tempo.Tempo;

class PortionsTest {

    private static final LocalDate FIRST = LocalDate.of(2026, 5, 4);

    private record Wanted(double target, int days, double rate, Importance matters) {

        Goal goal(int id) {
            return new Goal(
                    id,
                    Tempo.of(target),
                    Tempo.of(100),
                    days == 0 ? null : FIRST.plusDays(days),
                    new Growth(new Moments(Math.log(100), 0.0009), new Moments(rate, 1e-6), 0.0015, true),
                    matters,
                    OptionalLong.of(1));
        }
    }

    @Provide
    Arbitrary<Wanted> wanted() {
        return Combinators.combine(
                        Arbitraries.doubles().between(90, 140),
                        Arbitraries.integers().between(0, 50),
                        Arbitraries.doubles().between(0, 0.006).ofScale(4),
                        Arbitraries.of(Importance.values()))
                .as(Wanted::new);
    }

    private static List<Goal> goals(List<Wanted> wanted) {
        return IntStream.range(0, wanted.size())
                .mapToObj(i -> wanted.get(i).goal(i))
                .toList();
    }

    private static double[] days(int minutes, int days) {
        double[] all = new double[days];
        Arrays.fill(all, minutes);
        return all;
    }

    /** What is due by each date, upkeep and all, fits the days before it. */
    @Property(tries = 200)
    void whatIsDueFitsTheDaysBeforeIt(
            @ForAll @Size(min = 1, max = 6) List<@From("wanted") Wanted> wanted,
            @ForAll @IntRange(min = 4, max = 60) int minutes) {
        List<Goal> goals = goals(wanted);
        Portions portions = new Portions(goals, days(minutes, 58), FIRST);
        double kept = goals.stream().mapToDouble(portions::upkeep).sum();
        assertThat(kept).isLessThanOrEqualTo(0.5 + 1e-9);
        for (Goal by : goals) {
            double due = 0;
            for (int i = 0; i < goals.size(); i++) {
                due += goals.get(i).days(FIRST) <= by.days(FIRST) ? portions.beyondUpkeep(i) : 0;
            }
            assertThat(due).isLessThanOrEqualTo(portions.most(by) * (1 - kept) + 1e-6);
        }
        assertThat(portions.portion()).isBetween(4.0, 8.0);
    }

    /** Nothing is kept back while it would be worth something to somebody who has room for it. */
    @Property(tries = 100)
    void noPortionThatIsWorthSomethingIsKeptBack(
            @ForAll @Size(min = 1, max = 5) List<@From("wanted") Wanted> wanted,
            @ForAll @IntRange(min = 8, max = 40) int minutes) {
        List<Goal> goals = goals(wanted);
        Portions portions = new Portions(goals, days(minutes, 58), FIRST);
        double kept = goals.stream().mapToDouble(portions::upkeep).sum();
        double given = 0;
        double last = 0;
        boolean wants = false;
        for (int i = 0; i < goals.size(); i++) {
            given += portions.beyondUpkeep(i);
            last = Math.max(last, portions.most(goals.get(i)));
            boolean latest = goals.get(i).days(FIRST)
                    == goals.stream().mapToLong(goal -> goal.days(FIRST)).max().orElseThrow();
            wants |= latest && wanted.get(i).target() > 130 && wanted.get(i).rate() > 0.001;
        }
        if (wants) {
            assertThat(given).isCloseTo(last * (1 - kept), within(portions.portion()));
        }
    }

    /** One portion alone moves the chance of a far passage by nothing: what all of them do is what counts. */
    @Test
    void aFarPassageThatCanBeReadyIsGivenWhatItTakes() {
        Goal far = new Wanted(113, 45, 0.005, Importance.USUAL).goal(0);
        Goal there = new Wanted(98, 45, 0.005, Importance.USUAL).goal(1);
        Portions portions = new Portions(List.of(far, there), days(16, 58), FIRST);
        assertThat(portions.beyondUpkeep(0)).isGreaterThan(3 * portions.beyondUpkeep(1));
    }

    @Test
    void withoutMinutesOrPassagesNothingIsGiven() {
        Portions none = new Portions(List.of(new Wanted(120, 20, 0.003, Importance.MOST).goal(0)), days(0, 28), FIRST);
        assertThat(none.beyondUpkeep(0)).isZero();
        assertThat(new Portions(List.of(), days(30, 28), FIRST).portion()).isBetween(4.0, 8.0);
    }
}
