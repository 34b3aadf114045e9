package tachylim.workout;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import net.jqwik.api.Arbitraries;
import net.jqwik.api.Arbitrary;
import net.jqwik.api.Combinators;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.Provide;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;
import tachylim.ceiling.Known;
import tachylim.ceiling.Posterior;
import tachylim.load.Condition;
import tachylim.load.Effort;
import tachylim.method.School;
import tachylim.method.Setting;
import tachylim.notation.abc.AbcReader;
import tachylim.passage.Passage;
import tachylim.task.Answer;
import tachylim.task.Verdict;
import tachylim.tempo.Tempo;
import tachylim.words.Reason;

/** What the player put in is played before what is composed, in its order, at what was set. */
class OwnBlocksTest {

    private static final Passage MUSIC = AbcReader.read("X:1\nM:4/4\nL:1/16\nQ:1/4=92\nK:C\nCDEF GABc dcBA GFED|")
            .passage();

    private static Brief brief(int minutes, double effort, Choices choices) {
        return new Brief(
                List.of(Theme.of(MUSIC, Tempo.of(138), Known.of(Posterior.prior(Tempo.of(116), 0.04)))),
                List.of(),
                minutes,
                choices,
                new Allowance(new Effort(effort), 90, 3_600),
                Condition.FRESH,
                Reason.NONE);
    }

    private static Sketch own(Part part, School school, String variation, double seconds, Setting setting) {
        return new Sketch(part, 0, variation, seconds, Choices.usual(school)).asOwn(setting);
    }

    private static Sketch own(Part part, School school, String variation) {
        return own(part, school, variation, 150, Setting.NONE);
    }

    private static Set<Integer> played(Workout workout) {
        return Run.start(workout).ahead().stream()
                .filter(segment -> segment.step() instanceof Pass)
                .map(Segment::block)
                .collect(Collectors.toSet());
    }

    /** A block as it was put in: whether a break comes before it is the plan's. */
    private static Sketch unbroken(Sketch one) {
        return new Sketch(
                one.part(),
                one.theme(),
                one.variation(),
                one.seconds(),
                one.choices(),
                one.own(),
                one.setting(),
                false);
    }

    private static List<Integer> places(Workout workout) {
        return IntStream.range(0, workout.blocks().size())
                .filter(i -> workout.blocks().get(i).sketch().own())
                .boxed()
                .toList();
    }

    /** A change count, switch bursts, two of four rhythms and a performance run were dropped while filler stayed. */
    @Test
    void everythingThatWasPutInIsPlayed() {
        List<Sketch> own = List.of(
                own(Part.PREPARE, School.INTERVAL_BURSTS, "same.2-1"),
                own(Part.PREPARE, School.INTERVAL_BURSTS, "same.1-2"),
                own(Part.PREPARE, School.INTERVAL_BURSTS, "same.3-1"),
                own(Part.PREPARE, School.INTERVAL_BURSTS, "same.1-3"),
                own(Part.CORE, School.CHANGE_COUNT, ""),
                own(Part.CORE, School.SWITCH_BURSTS, ""),
                own(Part.PERFORM, School.PERFORMANCE_RUN, ""));
        Workout workout = Planner.plan(brief(30, 60, Choices.usual()).with(own));
        assertThat(places(workout)).hasSize(own.size());
        assertThat(played(workout)).containsAll(places(workout));
        assertThat(workout.blocks().stream()
                        .map(Block::sketch)
                        .filter(Sketch::own)
                        .map(OwnBlocksTest::unbroken))
                .containsExactlyElementsOf(own);
        assertThat(workout.blocks().get(0).part()).isEqualTo(Part.WARM_UP);
    }

    @Test
    void whatWasTickedOnThePracticeSheetIsPlayed() {
        Theme ticked = Theme.of(MUSIC, Tempo.of(138), Known.of(Posterior.prior(Tempo.of(116), 0.04)))
                .in(List.of("same.2-1", "same.1-2", "same.3-1", "same.1-3"));
        Workout workout = Planner.plan(Brief.on(
                ticked, 20, Choices.usual(), new Allowance(new Effort(40), 90, 3_600), Condition.FRESH, Reason.NONE));
        assertThat(played(workout).stream()
                        .map(block -> workout.blocks().get(block).music().variation()))
                .contains("same.2-1", "same.1-2", "same.3-1", "same.1-3");
    }

    @Test
    void nothingButTheOwnBlocksIsThereAfterAWarmUpWhereThatIsWanted() {
        List<Sketch> mine =
                List.of(new Sketch(Part.WARM_UP, 0, "", 120, Choices.usual()), own(Part.CORE, School.ARCH, ""));
        Workout workout = Planner.plan(brief(30, 60, Choices.usual()).with(mine));
        assertThat(workout.blocks()).extracting(Block::part).containsExactly(Part.WARM_UP, Part.CORE);
    }

    @Test
    void whatCannotBePlayedSaysWhy() {
        Brief tired = new Brief(
                brief(30, 60, Choices.usual()).themes(),
                List.of(own(Part.CORE, School.GROWING_BURSTS, ""), own(Part.CORE, School.SWITCH_BURSTS, "")),
                30,
                Choices.usual(),
                new Allowance(new Effort(60), 2, 3_600),
                Condition.FRESH,
                Reason.NONE);
        Workout workout = Planner.plan(tired);
        List<Integer> unplayed = places(workout).stream()
                .filter(place -> !played(workout).contains(place))
                .toList();
        assertThat(unplayed).isNotEmpty();
        assertThat(unplayed)
                .allMatch(place -> workout.blocks().get(place).why().code().equals("block.unplayed"));
        assertThat(workout.remarks()).anyMatch(remark -> remark.code().equals("plan.unplayed"));
    }

    /** Whatever is put in: nothing that is composed is played where something that was chosen is not. */
    @Property(tries = 40)
    void chosenBlocksComeBeforeComposedOnes(
            @ForAll("blocks") List<Sketch> own,
            @ForAll @IntRange(min = 10, max = 60) int minutes,
            @ForAll @IntRange(min = 8, max = 90) int effort) {
        Workout workout = Planner.plan(brief(minutes, effort, Choices.usual()).with(own));
        Set<Integer> played = played(workout);
        List<Integer> places = places(workout);
        assertThat(workout.blocks().stream()
                        .map(Block::sketch)
                        .filter(Sketch::own)
                        .map(OwnBlocksTest::unbroken))
                .containsExactlyElementsOf(own);
        List<Integer> left = places.stream()
                .filter(place -> workout.blocks().get(place).part() != Part.STUDY && !played.contains(place))
                .toList();
        if (!left.isEmpty()) {
            // What still cannot be played could not be without anything that is composed either.
            List<Sketch> alone = new ArrayList<>(List.of(new Sketch(Part.WARM_UP, 0, "", 120, Choices.usual())));
            alone.addAll(own);
            Workout bare = Planner.plan(brief(minutes, effort, Choices.usual()).with(alone));
            long unplayable = places(bare).stream()
                    .filter(place -> bare.blocks().get(place).part() != Part.STUDY
                            && !played(bare).contains(place))
                    .count();
            assertThat(left.size()).isLessThanOrEqualTo((int) unplayable);
            assertThat(left)
                    .allMatch(place -> workout.blocks().get(place).why().code().equals("block.unplayed"));
        }
    }

    @Provide
    Arbitrary<List<Sketch>> blocks() {
        Arbitrary<Sketch> cores = Combinators.combine(
                        Arbitraries.of(School.class)
                                .filter(school -> school.makesCore()
                                        && school != School.STUDY_CARD
                                        && school != School.EASY
                                        && school != School.CEILING_TEST),
                        Arbitraries.integers().between(90, 360))
                .as((school, seconds) -> own(Part.CORE, school, "", seconds, Setting.NONE));
        Arbitrary<Sketch> rhythms = Arbitraries.of("same.2-1", "same.1-2", "same.3-1", "same.1-3")
                .map(key -> own(Part.PREPARE, School.INTERVAL_BURSTS, key));
        return Arbitraries.oneOf(cores, rhythms).list().ofMinSize(1).ofMaxSize(5);
    }

    // What is set

    private static Pass first(Workout workout, Part part) {
        return Run.start(workout).ahead().stream()
                .filter(segment -> segment.part() == part && segment.step() instanceof Pass)
                .map(segment -> (Pass) segment.step())
                .findFirst()
                .orElseThrow();
    }

    private static Setting tempo(Setting.Of of, double figure) {
        return new Setting(
                Optional.of(new Setting.Aim(of, figure)),
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                List.of());
    }

    private static Workout set(Part part, School school, Setting setting) {
        return Planner.plan(brief(30, 60, Choices.usual())
                .with(List.of(
                        new Sketch(Part.WARM_UP, 0, "", 120, Choices.usual()), own(part, school, "", 300, setting))));
    }

    @Test
    void halfTempoIsHalfTheTarget() {
        assertThat(first(set(Part.PREPARE, School.INTERVAL_BURSTS, tempo(Setting.Of.TARGET, 50)), Part.PREPARE)
                        .tempo())
                .isEqualTo(Tempo.of(69));
        assertThat(first(set(Part.CORE, School.PERFORMANCE_RUN, tempo(Setting.Of.BPM, 60)), Part.CORE)
                        .tempo())
                .isEqualTo(Tempo.of(60));
    }

    @Test
    void aBoundThatBitesSaysWhich() {
        Workout fast = set(Part.PREPARE, School.INTERVAL_BURSTS, tempo(Setting.Of.TARGET, 120));
        Block block = fast.blocks().get(1);
        assertThat(block.why().toString()).contains("bound.comfortable");
        assertThat(first(fast, Part.PREPARE).tempo())
                .isLessThanOrEqualTo(
                        block.music().estimate(fast.estimate()).comfortable().middle());
        Workout bursts = set(Part.CORE, School.GROWING_BURSTS, tempo(Setting.Of.BPM, 300));
        assertThat(bursts.blocks().get(1).why().toString()).contains("bound.bursts");
    }

    @Test
    void growingBurstsGoAtTheTargetWhereThatIsSafe() {
        Brief near = new Brief(
                List.of(Theme.of(MUSIC, Tempo.of(112), Known.of(Posterior.prior(Tempo.of(116), 0.04)))),
                List.of(
                        new Sketch(Part.WARM_UP, 0, "", 120, Choices.usual()),
                        own(Part.CORE, School.GROWING_BURSTS, "", 300, tempo(Setting.Of.TARGET, 100))),
                30,
                Choices.usual(),
                new Allowance(new Effort(60), 90, 3_600),
                Condition.FRESH,
                Reason.NONE);
        Pass burst = first(Planner.plan(near), Part.CORE);
        assertThat(burst.tempo()).isLessThanOrEqualTo(Tempo.of(112));
    }

    @Test
    void soManyPassesAreAskedForAndGivenTheirTime() {
        Setting twelve = new Setting(
                Optional.of(new Setting.Aim(Setting.Of.BPM, 60)),
                Optional.of(12),
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                List.of());
        Workout workout = Planner.plan(brief(30, 90, Choices.usual())
                .with(List.of(
                        new Sketch(Part.WARM_UP, 0, "", 120, Choices.usual()),
                        own(Part.PREPARE, School.INTERVAL_BURSTS, "", 60, twelve))));
        assertThat(Run.start(workout).ahead().stream()
                        .filter(segment -> segment.part() == Part.PREPARE && segment.step() instanceof Pass)
                        .mapToInt(Segment::passes)
                        .sum())
                .isEqualTo(12);
    }

    @Test
    void nothingIsMeasuredOnADayForReading() {
        Workout card = Planner.plan(brief(20, 60, Choices.usual(School.STUDY_CARD)));
        assertThat(card.blocks()).extracting(Block::part).contains(Part.CORE).doesNotContain(Part.MEASURE);
    }

    /** Brass players rest as long as they play. */
    @Test
    void everyPassIsFollowedByARestAsLongAsItselfWhereThatIsWanted() {
        Workout workout = Planner.plan(brief(20, 60, Choices.usual().resting(true)));
        List<Segment> ahead = Run.start(workout).ahead();
        for (int i = 1; i < ahead.size(); i++) {
            Segment before = ahead.get(i - 1);
            if (before.step() instanceof Pass) {
                assertThat(ahead.get(i).step()).as("after " + before.step()).isInstanceOf(Rest.class);
                assertThat(ahead.get(i).seconds()).isGreaterThanOrEqualTo(before.playedSeconds() - 1);
            }
        }
        assertThat(ahead.stream().filter(one -> one.step() instanceof Rest)).hasSizeGreaterThan(5);
    }

    /** Sung, by heart, with a distraction: it is asked for so, and says nothing of how fast the hands are. */
    @Test
    void aBlockIsAskedForInItsManner() {
        for (Setting.Manner manner : Setting.Manner.values()) {
            Setting set = new Setting(
                    Optional.empty(),
                    Optional.of(3),
                    Optional.empty(),
                    Optional.empty(),
                    Optional.empty(),
                    Optional.of(manner),
                    List.of());
            Workout workout = Planner.plan(
                    brief(30, 60, Choices.usual()).with(List.of(own(Part.PREPARE, School.STEADY_CLIMB, "", 150, set))));
            int block = places(workout).get(0);
            Run run = Run.start(workout);
            while (run.block() != block || !(run.step() instanceof Pass)) {
                run = run.after(
                        run.step() instanceof Rest rest
                                ? new Event.Rested(rest.seconds())
                                : new Event.Judged(((Pass) run.step()).ask().expected()));
            }
            assertThat(((Pass) run.step()).task().manner()).isEqualTo(Reason.of("manner." + manner));
            assertThat(run.after(new Event.Judged(((Pass) run.step()).ask().expected()))
                            .known()
                            .estimate())
                    .isEqualTo(run.known().estimate());
        }
    }

    /** The ways of a comparison are called as the player calls them. */
    @Test
    void aComparisonIsOfTheWaysThatWereNamed() {
        Setting set = new Setting(
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                List.of("slurred", "single", "double"));
        Workout workout = Planner.plan(brief(30, 60, Choices.usual())
                .with(List.of(own(Part.CORE, School.REFERENCE_COMPARISON, "", 600, set))));
        int block = places(workout).get(0);
        assertThat(Run.start(workout).ahead())
                .filteredOn(one -> one.block() == block && one.step() instanceof Pass)
                .extracting(one -> ((Pass) one.step()).task().manner())
                .startsWith(
                        Reason.text("slurred"), Reason.text("single"), Reason.text("double"), Reason.text("slurred"))
                .hasSizeGreaterThanOrEqualTo(9);
        assertThatThrownBy(() -> new Setting(
                        Optional.empty(),
                        Optional.empty(),
                        Optional.empty(),
                        Optional.empty(),
                        Optional.empty(),
                        Optional.empty(),
                        List.of("slurred", "slurred")))
                .hasMessageContaining("refusal.setting.ways");
    }

    /** Easy until loose: what is played is as long as is said, and never shorter than the burst before it. */
    @Test
    void freeBurstsLastAsLongAsIsSaid() {
        Workout workout = Planner.plan(brief(30, 60, Choices.usual())
                .with(List.of(own(Part.CORE, School.FREE_BURSTS, "", 300, Setting.NONE))));
        int block = places(workout).get(0);
        Run run = Run.start(workout);
        while (run.block() != block || !(run.step() instanceof Pass)) {
            run = run.after(
                    run.step() instanceof Rest rest
                            ? new Event.Rested(rest.seconds())
                            : new Event.Judged(((Pass) run.step()).ask().expected()));
        }
        Run easy = run;
        assertThatThrownBy(() -> easy.after(new Event.Judged(new Answer(Verdict.CLEAN, null, 2))))
                .hasMessageContaining("refusal.ask.looseAfter");
        Run loose = easy.after(new Event.Judged(new Answer(Verdict.CLEAN, null, 11)));
        assertThat(loose.past().get(loose.past().size() - 1).playedSeconds()).isEqualTo(11);
        while (!(loose.step() instanceof Pass)) {
            loose = loose.after(new Event.Rested(((Rest) loose.step()).seconds()));
        }
        Run messy = loose.after(new Event.Judged(new Answer(Verdict.ROUGH, null, 3)));
        assertThat(messy.tally().burstSeconds() - loose.tally().burstSeconds()).isEqualTo(3);
    }

    /** An articulation, some notes, a variation that would not have been composed: what was put in is played. */
    @Test
    void whatWouldNotHaveBeenComposedIsPlayedWhereItWasPutIn() {
        List<Sketch> own = List.of(
                own(Part.PREPARE, School.STEADY_CLIMB, "mode.slurred"),
                own(Part.PREPARE, School.STEADY_CLIMB, "notes.2-6"),
                own(Part.PREPARE, School.STEADY_CLIMB, ""));
        Workout workout = Planner.plan(brief(30, 60, Choices.usual()).with(own));
        assertThat(played(workout)).containsAll(places(workout));
        assertThat(places(workout).stream()
                        .map(place -> workout.blocks().get(place).sketch().variation()))
                .containsExactly("mode.slurred", "notes.2-6", "");
    }
}
