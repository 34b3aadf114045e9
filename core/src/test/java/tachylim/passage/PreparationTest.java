package tachylim.passage;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.junit.jupiter.api.Test;
import tachylim.passage.Preparation.Broken;
import tachylim.passage.Preparation.Entry;
import tachylim.words.Reason;

/** What was reached is the player's word until a later day takes it back. */
class PreparationTest {

    private static final LocalDate DAY = LocalDate.of(2026, 3, 2);

    private static Entry reached(Readiness item, int day) {
        return new Entry(item, true, Reason.NONE, DAY.plusDays(day));
    }

    private static Entry lost(Readiness item, int day, String why) {
        return new Entry(item, false, Reason.text(why), DAY.plusDays(day));
    }

    private static Preparation.State state(Preparation preparation, Readiness item) {
        return preparation.items().get(item.ordinal());
    }

    @Test
    void theNewestDayOfAnItemCounts() {
        Preparation now = Preparation.of(List.of(
                reached(Readiness.COUNTED, 0),
                reached(Readiness.FROM_MEMORY, 1),
                lost(Readiness.COUNTED, 2, "taken back"),
                lost(Readiness.WHOLE, 3, "never reached")));
        assertThat(now.reached()).containsExactly(Readiness.FROM_MEMORY);
        assertThat(state(now, Readiness.COUNTED).reachedOn()).isEqualTo(DAY);
        assertThat(state(now, Readiness.COUNTED).lostOn()).isEqualTo(DAY.plusDays(2));
        assertThat(state(now, Readiness.COUNTED).why()).isEqualTo(Reason.text("taken back"));
        assertThat(state(now, Readiness.WHOLE).lostOn())
                .as("what was never reached cannot be lost")
                .isNull();
    }

    @Test
    void aLaterSlowPassThatBrokeTakesSlowAndCleanAwayOnItsDay() {
        Preparation kept = Preparation.of(List.of(reached(Readiness.SLOW_AND_CLEAN, 3), reached(Readiness.COUNTED, 3)));
        assertThat(kept.breaksMatterAfter()).contains(DAY.plusDays(3));
        List<Broken> broken = List.of(
                new Broken(DAY.plusDays(9), 0.8),
                new Broken(DAY.plusDays(6), 0.85),
                new Broken(DAY.plusDays(5), 0.95),
                new Broken(DAY.plusDays(3), 0.5));
        Preparation now = kept.after(broken, false);
        assertThat(state(now, Readiness.SLOW_AND_CLEAN).lostOn()).isEqualTo(DAY.plusDays(6));
        assertThat(state(now, Readiness.SLOW_AND_CLEAN).reachedOn()).isEqualTo(DAY.plusDays(3));
        assertThat(now.reached()).containsExactly(Readiness.COUNTED);
        assertThat(now.open()).contains(Readiness.SLOW_AND_CLEAN).doesNotContain(Readiness.COUNTED);
    }

    @Test
    void onlyAPassOfTheWholeTakesTheWholeAway() {
        Preparation kept = Preparation.of(List.of(reached(Readiness.WHOLE, 0)));
        List<Broken> broken = List.of(new Broken(DAY.plusDays(1), 0.9));
        assertThat(kept.after(broken, false).isReached(Readiness.WHOLE)).isTrue();
        assertThat(kept.after(broken, true).isReached(Readiness.WHOLE)).isFalse();
    }

    @Test
    void whatNoBreakCanTakeAsksForNone() {
        assertThat(Preparation.of(List.of(reached(Readiness.COUNTED, 0))).breaksMatterAfter())
                .isEmpty();
    }

    @Test
    void aChangedMarkOpensWhatRestsOnIt() {
        Preparation kept = Preparation.of(List.of(
                reached(Readiness.FINGERING_DECIDED, 0),
                reached(Readiness.BREATHS_FIXED, 0),
                reached(Readiness.WHOLE, 0)));
        assertThat(kept.openedByChanging(Mark.Kind.STICKING)).containsExactly(Readiness.FINGERING_DECIDED);
        assertThat(kept.openedByChanging(Mark.Kind.BREATH)).containsExactly(Readiness.BREATHS_FIXED);
    }

    @Property(tries = 200)
    void everyItemIsEitherReachedOrOpen(@ForAll int seed) {
        Random random = new Random(seed);
        List<Entry> entries = new ArrayList<>();
        for (int day = 0; day < 30; day++) {
            Readiness item = Readiness.values()[random.nextInt(Readiness.values().length)];
            entries.add(random.nextBoolean() ? reached(item, day) : lost(item, day, "why"));
        }
        Preparation now = Preparation.of(entries);
        assertThat(now.reached()).noneMatch(now.open()::contains);
        assertThat(now.reached().size() + now.open().size()).isEqualTo(Readiness.values().length);
        assertThat(now.items())
                .allSatisfy(state -> assertThat(state.lostOn() == null || state.reachedOn() != null)
                        .isTrue());
    }
}
