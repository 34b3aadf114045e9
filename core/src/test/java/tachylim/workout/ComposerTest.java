package tachylim.workout;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import net.jqwik.api.constraints.IntRange;
import org.apache.commons.numbers.fraction.Fraction;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tachylim.ceiling.Known;
import tachylim.ceiling.Posterior;
import tachylim.load.Condition;
import tachylim.load.Effort;
import tachylim.method.School;
import tachylim.method.WarmUpRoutine;
import tachylim.passage.InstrumentFamily;
import tachylim.passage.Meter;
import tachylim.passage.PaperPattern;
import tachylim.passage.Passage;
import tachylim.task.Ask;
import tachylim.task.PassKind;
import tachylim.task.Verdict;
import tachylim.tempo.Tempo;
import tachylim.variation.Catalogue;
import tachylim.variation.Variation;
import tachylim.words.Reason;

class ComposerTest {

    private static final Allowance PLENTY = new Allowance(new Effort(600), 90, 12_000);

    private static Passage bars(int bars) {
        List<Integer> pattern = new ArrayList<>();
        for (int beat = 0; beat < 4 * bars; beat++) {
            pattern.add(4);
        }
        return new PaperPattern(new Meter(4, 4), Fraction.of(1, 4), 4, pattern).toPassage();
    }

    private static Theme theme(int index, int bars, double sd) {
        return Theme.of(bars(bars), Tempo.of(138 + 5 * index), Known.of(Posterior.prior(Tempo.of(124 - 6 * index), sd)))
                .climbedTo(Optional.of(Tempo.of(90)));
    }

    private static Workout session(int sections, int bars, int minutes, double sd, Allowance left) {
        List<Theme> themes = new ArrayList<>();
        for (int i = 0; i < sections; i++) {
            themes.add(theme(i, 1 + (bars + i) % 4, sd));
        }
        return Planner.plan(new Brief(themes, List.of(), minutes, Choices.usual(), left, Condition.FRESH, Reason.NONE));
    }

    @Property(tries = 150)
    void theMinutesAreFilledOrItIsSaidWhyNot(
            @ForAll @IntRange(min = 5, max = 120) int minutes,
            @ForAll @IntRange(min = 1, max = 6) int sections,
            @ForAll @IntRange(min = 1, max = 4) int bars,
            @ForAll @DoubleRange(min = 0.03, max = 0.22) double sd) {
        Workout workout = session(sections, bars, minutes, sd, PLENTY);
        double filled = secondsOf(workout) / (60.0 * minutes);
        assertThat(filled).isLessThanOrEqualTo(1);
        if (filled < Composer.FULL) {
            assertThat(workout.remarks()).anyMatch(remark -> remark.code().equals("less.planned"));
        }
        // Two hours of one bar are not planned, however much time there is.
        boolean wornOut =
                workout.remarks().stream().anyMatch(remark -> remark.toString().contains("less.passes"));
        assertThat(filled).isGreaterThan(wornOut ? 0.3 : 0.7);
    }

    /** Whatever the instrument, the method and the music: what is asked for is given within 8 in 100, or the rule is named. */
    @Property(tries = 150)
    void whatIsAskedForIsGivenOrTheRuleIsNamed(
            @ForAll School school,
            @ForAll InstrumentFamily family,
            @ForAll @IntRange(min = 5, max = 60) int minutes,
            @ForAll @IntRange(min = 2, max = 32) int beats,
            @ForAll @IntRange(min = 1, max = 4) int notes,
            @ForAll @DoubleRange(min = 60, max = 155) double ceiling,
            @ForAll @DoubleRange(min = 0.03, max = 0.22) double sd) {
        Workout workout = ofPaper(school, family, minutes, beats, notes, ceiling, sd);
        double filled = secondsOf(workout) / (60.0 * minutes);
        if (filled < Composer.FULL || filled > 2 - Composer.FULL) {
            assertThat(workout.remarks())
                    .as("%.2f of %d minutes by %s on %s", filled, minutes, school, family)
                    .anyMatch(remark -> RULES.contains(remark.code()));
        }
        // One section is enough for an hour: repetition is what stands in the way least.
        assertThat(workout.remarks())
                .as("%.2f of %d minutes by %s on %s", filled, minutes, school, family)
                .noneMatch(remark -> filled < 0.8 && remark.toString().contains("less.repetition"));
    }

    /** A workout on beats of so many even notes, on a fresh day. */
    private static Workout ofPaper(
            School school, InstrumentFamily family, int minutes, int beats, int notes, double ceiling, double sd) {
        Passage music = new PaperPattern(new Meter(4, 4), Fraction.of(1, 4), notes, Collections.nCopies(beats, notes))
                .toPassage();
        Theme theme = Theme.of(music, Tempo.of(1.2 * ceiling), Known.of(Posterior.prior(Tempo.of(ceiling), sd)));
        Allowance day = new Allowance(new Effort(60), 90, 5_400);
        return Planner.plan(Brief.on(theme, minutes, Choices.usual(school, family), day, Condition.FRESH, Reason.NONE));
    }

    /** Who rests as long as they play needs four minutes for a slow set: a break and one more are longer than what is left. */
    @Test
    void aBreakThatLeavesNoTimeForASlowSetIsNamed() {
        Workout workout = ofPaper(School.STEADY_CLIMB, InstrumentFamily.BRASS, 31, 2, 4, 60.01, 0.21);
        assertThat(workout.remarks())
                .hasToString("[less.planned {planned=22, wanted=31, because=less.break {minutes=5}}]");
    }

    /** Less was played than a break asks for, so that it fell away and left ten minutes empty: something is played in them. */
    @ParameterizedTest
    @CsvSource({"49, 2, 3, 61.11, 0.06", "53, 2, 1, 62.34, 0.03"})
    void theTimeOfABreakThatIsNotNeededIsPlayed(int minutes, int beats, int notes, double ceiling, double sd) {
        Workout workout = ofPaper(School.ARCH, InstrumentFamily.BRASS, minutes, beats, notes, ceiling, sd);
        assertThat(secondsOf(workout) / (60.0 * minutes)).isBetween(Composer.FULL, 1.0);
        assertThat(workout.remarks()).isEmpty();
    }

    /** The rests of a brass player make even the least of an easy workout longer than five minutes. */
    @Test
    void anEasyWorkoutThatIsLongerThanWasAskedSaysSo() {
        Workout workout = ofPaper(School.EASY, InstrumentFamily.BRASS, 5, 2, 1, 60, 0.03);
        assertThat(secondsOf(workout)).isGreaterThan(5 * 60 * 1.08);
        assertThat(workout.remarks()).extracting(Reason::code).containsOnlyOnce("more.easy");
    }

    private static double burstSeconds(Workout workout) {
        return Run.start(workout).ahead().stream()
                .filter(one -> one.step() instanceof Pass pass && pass.kind() == PassKind.BURST)
                .mapToDouble(one -> ((Pass) one.step()).playSeconds())
                .sum();
    }

    /** Speed has its dose: more of it in a longer workout, never more than a minute, and half of it for whoever is new. */
    @Test
    void burstsFollowTheMinutes() {
        Posterior belief =
                Posterior.fromBytes(Posterior.prior(Tempo.of(100), 0.03).toBytes(), 60);
        double before = 5;
        for (int minutes : new int[] {20, 30, 60}) {
            Workout known = Planner.plan(brief(List.of(belief), minutes));
            double seconds = burstSeconds(known);
            assertThat(seconds).as(minutes + " minutes").isBetween(before + 3, minutes + 0.0);
            before = seconds;
            Workout fresh = Planner.plan(brief(List.of(Posterior.prior(Tempo.of(100), 0.03)), minutes));
            assertThat(burstSeconds(fresh)).isLessThanOrEqualTo(minutes / 2.0);
        }
    }

    /** Not only the first is measured: what is not known, and what may be at its target unseen, are too. */
    @Test
    void anotherSectionIsMeasuredWhereThatTellsMost() {
        Posterior known =
                Posterior.fromBytes(Posterior.prior(Tempo.of(100), 0.025).toBytes(), 60);
        Posterior vague = Posterior.prior(Tempo.of(100), 0.15);
        Posterior near =
                Posterior.fromBytes(Posterior.prior(Tempo.of(119), 0.04).toBytes(), 60);
        assertThat(measured(known, known, known)).containsExactly(0);
        assertThat(measured(known, known, vague)).containsExactly(0, 2);
        assertThat(measured(known, near, known)).containsExactly(0, 1);
        Workout workout = Planner.plan(brief(List.of(known, vague), 30));
        assertThat(Run.start(workout).ahead())
                .filteredOn(one -> one.step() instanceof Pass pass
                        && pass.kind() == PassKind.PROBE
                        && workout.blocks().get(one.block()).theme() == 1)
                .hasSizeBetween(1, 2);
    }

    private static List<Integer> measured(Posterior... beliefs) {
        return Planner.plan(brief(List.of(beliefs), 40)).blocks().stream()
                .filter(block -> block.part() == Part.MEASURE)
                .map(Block::theme)
                .toList();
    }

    private static Brief brief(List<Posterior> beliefs, int minutes) {
        List<Theme> themes = new ArrayList<>();
        for (Posterior belief : beliefs) {
            themes.add(Theme.of(bars(1 + themes.size()), Tempo.of(120), Known.of(belief)));
        }
        return new Brief(themes, List.of(), minutes, Choices.usual(), PLENTY, Condition.FRESH, Reason.NONE);
    }

    private static final Set<String> RULES = Set.of("less.planned", "less.easy", "more.easy", "other.test");

    @Property(tries = 100)
    void noMoreThanSixAlikeFollowOneAnother(
            @ForAll @IntRange(min = 5, max = 120) int minutes, @ForAll @IntRange(min = 1, max = 4) int sections) {
        Object last = null;
        int alike = 0;
        for (Segment segment :
                Run.start(session(sections, 1, minutes, 0.05, PLENTY)).ahead()) {
            if (segment.step() instanceof Pass pass) {
                Object now = List.of(segment.block(), pass.kind(), pass.tempo());
                alike = now.equals(last)
                        ? alike + pass.ask().passes()
                        : pass.ask().passes();
                last = now;
                assertThat(alike).isLessThanOrEqualTo(6);
            }
        }
    }

    /** Both hands are busy: half an hour asks for about twenty answers, a set counting as one. */
    @Test
    void halfAnHourAsksForAboutTwentyAnswers() {
        for (int sections = 1; sections <= 3; sections++) {
            assertThat(Run.start(session(sections, 1, 30, 0.05, PLENTY)).ahead())
                    .filteredOn(segment ->
                            segment.step() instanceof Pass pass && pass.ask().kind() != Ask.Kind.NOTHING)
                    .hasSizeBetween(12, 24);
        }
    }

    @Test
    void itOpensWithTheNearGoalAndEndsOnSomethingElseThanTheCore() {
        Workout workout = session(3, 1, 45, 0.05, PLENTY);
        Block opener = block(workout, Part.OPENER);
        Block core = block(workout, Part.CORE);
        assertThat(core.theme()).isZero();
        assertThat(opener.theme()).isNotEqualTo(core.theme());
        assertThat(workout.blocks().get(workout.blocks().size() - 1).theme()).isNotEqualTo(core.theme());
        assertThat(workout.blocks()).extracting(Block::theme).contains(0, 1, 2);
        assertThat(block(workout, Part.MEASURE).theme()).isZero();
    }

    private static Block block(Workout workout, Part part) {
        return workout.blocks().stream()
                .filter(block -> block.part() == part)
                .findFirst()
                .orElseThrow();
    }

    @Test
    void neighbouringVariationsAreOfDifferentFamilies() {
        List<Block> variations = session(1, 2, 60, 0.05, PLENTY).blocks().stream()
                .filter(block -> block.part() == Part.PREPARE)
                .toList();
        assertThat(variations).hasSizeGreaterThan(4);
        assertThat(variations).extracting(block -> block.music().variation()).doesNotHaveDuplicates();
        List<Variation.Family> families = variations.stream()
                .map(block -> Catalogue.parse(block.music().variation()).family())
                .toList();
        for (int i = 1; i < families.size(); i++) {
            assertThat(families.get(i))
                    .as("the family of variation %d of %s", i, families)
                    .isNotEqualTo(families.get(i - 1));
        }
    }

    @Test
    void theVariationsThatAreWantedComeFirst() {
        Theme wanted = theme(0, 1, 0.05).in(List.of("backwards", "group.3"));
        Workout workout = Planner.plan(Brief.on(wanted, 30, Choices.usual(), PLENTY, Condition.FRESH, Reason.NONE));
        assertThat(workout.blocks())
                .filteredOn(block -> block.part() == Part.PREPARE)
                .extracting(block -> block.music().variation())
                .startsWith("backwards", "group.3");
    }

    /** The same three were first every day. */
    @Test
    void whatWasPlayedInTheLastDaysComesAfterAllElse() {
        List<String> first = groundwork(theme(0, 2, 0.05));
        assertThat(first).hasSizeGreaterThanOrEqualTo(2);
        List<String> next = groundwork(theme(0, 2, 0.05).lately(first));
        assertThat(next).hasSizeGreaterThanOrEqualTo(2).doesNotContainAnyElementsOf(first);
        // Where all were played, what was played longest ago comes first.
        List<String> all = tachylim.variation.Catalogue.candidates(
                        theme(0, 2, 0.05).music())
                .stream()
                .map(Variation::key)
                .toList();
        List<String> again = groundwork(theme(0, 2, 0.05).lately(all));
        assertThat(all.indexOf(again.get(0))).isGreaterThan(all.size() / 2);
    }

    private static List<String> groundwork(Theme theme) {
        return Planner.plan(Brief.on(theme, 30, Choices.usual(), PLENTY, Condition.FRESH, Reason.NONE))
                .blocks()
                .stream()
                .filter(block -> block.part() == Part.PREPARE)
                .map(block -> block.music().variation())
                .toList();
    }

    /** A day that allows little is not spent on variations before the core has had what it needs. */
    @Test
    void variationsTakeNothingFromWhatIsAskedFor() {
        Choices climb = Choices.usual(tachylim.method.School.STEADY_CLIMB);
        Allowance little = new Allowance(new Effort(40), 90, 3_000);
        Workout workout = Planner.plan(Brief.on(theme(0, 2, 0.05), 40, climb, little, Condition.FRESH, Reason.NONE));
        List<Sketch> asked = workout.brief().sketches().stream()
                .filter(sketch -> sketch.part() != Part.PREPARE)
                .toList();
        Workout without = Planner.plan(Brief.on(theme(0, 2, 0.05), 40, climb, little, Condition.FRESH, Reason.NONE)
                .with(asked));
        assertThat(core(workout))
                .isGreaterThan(20)
                .isCloseTo(core(without), org.assertj.core.api.Assertions.within(20.0));
    }

    private static double core(Workout workout) {
        return Run.start(workout).ahead().stream()
                .filter(segment -> segment.part() == Part.CORE)
                .mapToDouble(Segment::playedSeconds)
                .sum();
    }

    @Test
    void theLimitThatStandsInTheWayIsNamed() {
        assertThat(session(1, 1, 60, 0.05, new Allowance(new Effort(20), 90, 12_000))
                        .remarks())
                .anyMatch(remark -> remark.toString().contains("less.effort"));
        assertThat(session(1, 1, 60, 0.05, new Allowance(new Effort(600), 90, 1_200))
                        .remarks())
                .anyMatch(remark -> remark.toString().contains("less.playing"));
    }

    @Test
    void whatThePlayerHasPutTogetherIsDrawnAsItIs() {
        Choices choices = Choices.usual();
        List<Sketch> own = List.of(
                new Sketch(Part.WARM_UP, 0, "", 120, choices),
                new Sketch(Part.PREPARE, 0, "one-note", 200, choices),
                new Sketch(Part.PREPARE, 0, Music.keyOf(new tachylim.passage.Section(2, 6)), 100, choices));
        Workout workout = Planner.plan(Brief.on(theme(0, 2, 0.05), 30, choices, PLENTY, Condition.FRESH, Reason.NONE)
                .with(own));
        assertThat(workout.blocks()).extracting(Block::sketch).isEqualTo(own);
        assertThat(workout.blocks().get(2).music().notes().notes()).hasSize(5);
        assertThatThrownBy(() -> Brief.on(theme(0, 2, 0.05), 30, choices, PLENTY, Condition.FRESH, Reason.NONE)
                        .with(List.of(new Sketch(Part.CORE, 1, "", 100, choices))))
                .hasMessageContaining("refusal.brief.thereIsNoSectionInThis");
    }

    @Test
    void whatIsLearnedOfOneSectionIsNothingOfTheOther() {
        Workout workout = session(2, 1, 30, 0.1, PLENTY);
        Run run = Run.start(workout);
        while (!run.isDone()) {
            boolean far = run.blocks().get(run.block()).theme() == 0;
            run = run.after(
                    run.step() instanceof Rest rest
                            ? new Event.Rested(rest.seconds())
                            : new Event.Judged(Answers.to(
                                    run,
                                    new tachylim.task.Answer(
                                            far ? Verdict.ROUGH : Verdict.CLEAN, tachylim.task.Tension.LIGHT))));
        }
        assertThat(run.known(0).estimate().ceiling().middle())
                .isLessThan(workout.brief().themes().get(0).estimate().ceiling().middle());
        assertThat(run.known(1).estimate().ceiling().middle())
                .isGreaterThan(workout.brief()
                        .themes()
                        .get(1)
                        .estimate()
                        .ceiling()
                        .middle()
                        .times(0.99));
        assertThat(run.past())
                .filteredOn(segment -> segment.step() instanceof Pass pass && pass.kind() == PassKind.CLOSING)
                .isNotEmpty();
    }

    @Test
    void aWarmUpOfOnesOwnTakesItsTimeOutsideTheMinutes() {
        List<WarmUpRoutine.Item> lines = List.of(
                new WarmUpRoutine.Item("Shoulders", 300, false), new WarmUpRoutine.Item("Long strokes", 300, true));
        Workout own = Planner.plan(new Brief(
                List.of(theme(0, 2, 0.05)),
                List.of(),
                20,
                Choices.usual(),
                PLENTY,
                Condition.FRESH,
                lines,
                Reason.NONE));
        assertThat(own.blocks().get(0).method()).isInstanceOf(WarmUpRoutine.class);
        List<Segment> warmUp = Run.start(own).ahead().stream()
                .filter(segment -> segment.part() == Part.WARM_UP)
                .toList();
        assertThat(warmUp.stream().mapToDouble(Segment::seconds).sum()).isBetween(600.0, 630.0);
        assertThat(secondsOf(own)).isLessThanOrEqualTo(1200).isGreaterThan(1000);
        assertThat(Totals.of(warmUp).effort().minutes()).isPositive();
    }

    /** What a workout takes if all goes well, the warm-up not counted. */
    private static double secondsOf(Workout workout) {
        return Run.start(workout).ahead().stream()
                .filter(segment -> segment.part() != Part.WARM_UP)
                .mapToDouble(Segment::seconds)
                .sum();
    }

    /** On a day with little left every part has less of it, and no block stands in the plan in which nothing is played. */
    @Property(tries = 60)
    void onADayWithLittleLeftThereIsStillACoreAndNothingIsEmpty(
            @ForAll @IntRange(min = 6, max = 25) int effort, @ForAll @IntRange(min = 1, max = 3) int sections) {
        Workout workout = session(sections, 2, 40, 0.05, new Allowance(new Effort(effort), 90, 3_000));
        List<Segment> ahead = Run.start(workout).ahead();
        for (int block = 0; block < workout.blocks().size(); block++) {
            int at = block;
            if (workout.blocks().get(at).part() == Part.PREPARE) {
                assertThat(ahead).anyMatch(segment -> segment.block() == at && segment.step() instanceof Pass);
            }
        }
        for (int i = 1; i < ahead.size(); i++) {
            assertThat(isChange(ahead.get(i - 1)) && isChange(ahead.get(i))).isFalse();
        }
        if (effort >= 8) {
            assertThat(ahead).anyMatch(segment -> segment.part() == Part.CORE && segment.step() instanceof Pass);
        }
        assertThat(Totals.of(ahead).effort().minutes()).isLessThanOrEqualTo(effort + 1e-9);
    }

    private static boolean isChange(Segment segment) {
        return segment.step() instanceof Rest rest && rest.purpose() == Rest.Purpose.CHANGE;
    }
}
