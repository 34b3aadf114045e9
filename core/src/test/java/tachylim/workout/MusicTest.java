package tachylim.workout;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import org.apache.commons.numbers.fraction.Fraction;
import org.junit.jupiter.api.Test;
import tachylim.ceiling.Estimate;
import tachylim.ceiling.Evidence;
import tachylim.ceiling.Known;
import tachylim.ceiling.Posterior;
import tachylim.load.Condition;
import tachylim.load.Effort;
import tachylim.method.School;
import tachylim.method.Strictness;
import tachylim.passage.Meter;
import tachylim.passage.PaperPattern;
import tachylim.passage.Passage;
import tachylim.passage.Section;
import tachylim.task.Answer;
import tachylim.task.Ask;
import tachylim.task.PassKind;
import tachylim.task.Pulse;
import tachylim.task.Task;
import tachylim.task.Tension;
import tachylim.task.Verdict;
import tachylim.tempo.Tempo;
import tachylim.words.Reason;

class MusicTest {

    private static final Passage BAR =
            new PaperPattern(new Meter(4, 4), Fraction.of(1, 4), 1, List.of(4, 4, 4, 4)).toPassage();

    private static Segment played(Task task, Music music, Answer answer) {
        Pass pass = new Pass(
                task,
                new Section(0, music.notes().notes().size() - 1),
                4,
                task.ask().passes(),
                4,
                Reason.text("Because."));
        Tally none = Tally.start(Condition.FRESH);
        Tally after = answer == null
                ? none
                : none.played(
                        pass, Known.of(Posterior.prior(Tempo.of(100), 0.04)).estimate(), answer);
        return new Segment(pass, Part.PREPARE, 0, 0, 10, answer, none, after);
    }

    /** A full pass of a bar goes round so often; here it is played once. */
    private static final int ROUNDS = 6;

    /** Of two bars it does half as often. */
    private static final int LONG_ROUNDS = 3;

    private static List<Evidence> evidence(Task task, Music music, Answer answer) {
        return played(task, music, answer).evidence(music, List.of());
    }

    @Test
    void aVariationSpeaksAtTheTempoAtWhichItsQuickNotesMatch() {
        Music dotted = Music.of(BAR, "same.2-1");
        assertThat(dotted.title().code()).isEqualTo("variation.longShort");
        assertThat(dotted.share()).isLessThan(1);
        Evidence said = evidence(Task.at(PassKind.CONTROLLED, Tempo.of(80)), dotted, Answer.expected())
                .get(0);
        assertThat(said.tempo().bpm()).isCloseTo(80 / dotted.matching(), within(1e-9));
        assertThat(said.share()).isCloseTo(dotted.share() / LONG_ROUNDS, within(1e-9));
    }

    @Test
    void someNotesSpeakForTheirTransitionsAlone() {
        Music stretch = Music.of(BAR, Music.keyOf(new Section(4, 8)));
        assertThat(stretch.notes().notes()).hasSize(5);
        double transitions = BAR.notes().size() - 1;
        assertThat(evidence(Task.at(PassKind.CONTROLLED, Tempo.of(80)), stretch, Answer.expected())
                        .get(0)
                        .share())
                .isCloseTo(4 / transitions / ROUNDS, within(1e-9));
        assertThatThrownBy(() -> Music.of(BAR, "notes.4-400"))
                .hasMessageContaining("refusal.music.thereAreNotes0ToInThis");
        assertThatThrownBy(() -> Music.of(BAR, "notes.x")).hasMessageContaining("refusal.music.thereAreNotes0ToInThis");
        assertThatThrownBy(() -> Music.of(BAR, "nothing"))
                .hasMessageContaining("refusal.catalogue.thereIsNoVariationCalled");
    }

    @Test
    void eachPassOfASetSpeaksForItself() {
        Task set = Task.at(PassKind.CLOSING, Tempo.of(80)).asking(Ask.set(4));
        List<Evidence> said = evidence(set, Music.asWritten(BAR), Answer.ofSet(3, 4, Tension.LIGHT));
        assertThat(said)
                .extracting(Evidence::verdict)
                .containsExactly(Verdict.CLEAN, Verdict.CLEAN, Verdict.CLEAN, Verdict.ROUGH);
        assertThat(said).allSatisfy(one -> assertThat(one.power()).isEqualTo(1));
    }

    @Test
    void otherWaysOtherTimesAndSilenceSayNothingOfTheCeiling() {
        Task pass = Task.at(PassKind.CONTROLLED, Tempo.of(80));
        Music plain = Music.asWritten(BAR);
        assertThat(evidence(pass, plain, null)).isEmpty();
        assertThat(evidence(pass.in(Reason.text("slurred")), plain, Answer.expected()))
                .isEmpty();
        assertThat(evidence(pass.with(new Pulse.Free(Tempo.of(80), 10)), plain, Answer.expected()))
                .isEmpty();
        assertThat(evidence(pass.with(new Pulse.Gliding(Tempo.of(80), Tempo.of(90), 10, 0)), plain, Answer.expected()))
                .isEmpty();
        assertThat(evidence(pass.asking(Ask.count(9)), plain, new Answer(Verdict.CLEAN, Tension.LIGHT, 9)))
                .isEmpty();
        assertThat(evidence(Task.at(PassKind.WARM_UP, Tempo.of(50)), plain, Answer.expected()))
                .isEmpty();
    }

    @Test
    void aGripIsRememberedAtTheTempoOfTheSectionAsWritten() {
        Music dotted = Music.of(BAR, "same.2-1");
        Answer grip = new Answer(Verdict.ROUGH, Tension.GRIPPING);
        assertThat(played(Task.at(PassKind.CONTROLLED, Tempo.of(60)), dotted, grip)
                        .tooTense(dotted, Strictness.USUAL)
                        .orElseThrow()
                        .bpm())
                .isCloseTo(60 / dotted.matching(), within(1e-9));
    }

    /** Another use of the hand has another ceiling, and says nothing of the section as it is usually played. */
    @Test
    void anArticulationHasACeilingOfItsOwn() {
        Estimate own = Posterior.prior(Tempo.of(90), 0.05).estimate();
        Theme theme = Theme.of(BAR, Tempo.of(120), Known.of(Posterior.prior(Tempo.of(110), 0.05)));
        Music tried = theme.besides(Map.of("double tongue", own)).in("mode.double tongue");
        assertThat(tried.title()).isEqualTo(Reason.text("double tongue"));
        assertThat(tried.notes()).isEqualTo(BAR);
        assertThat(tried.estimate(theme.estimate())).isEqualTo(own);
        assertThat(evidence(Task.at(PassKind.CONTROLLED, Tempo.of(80)), tried, Answer.expected()))
                .isEmpty();
        assertThat(theme.in("mode.pizzicato").estimate(theme.estimate()).isVague())
                .isTrue();
        assertThat(theme.in("").isArticulated()).isFalse();
        assertThatThrownBy(() -> theme.in("mode. ")).hasMessageContaining("refusal.music.anArticulationHasAName");
    }

    @Test
    void aBlockInAnArticulationIsPlannedByTheArticulationsOwnCeiling() {
        Estimate own = Posterior.prior(Tempo.of(80), 0.03).estimate();
        Theme theme = Theme.of(BAR, Tempo.of(120), Known.of(Posterior.prior(Tempo.of(110), 0.03)))
                .besides(Map.of("three to a bow", own));
        Sketch sketch = new Sketch(Part.CORE, 0, "mode.three to a bow", 300, Choices.usual(School.STEADY_CLIMB));
        Run run = Run.start(Planner.plan(Brief.on(
                        theme,
                        20,
                        sketch.choices(),
                        new Allowance(new Effort(40), 60, 2_400),
                        Condition.FRESH,
                        Reason.NONE)
                .with(List.of(sketch))));
        assertThat(run.ahead())
                .filteredOn(segment -> segment.step() instanceof Pass)
                .isNotEmpty()
                .allSatisfy(
                        segment -> assertThat(((Pass) segment.step()).tempo().bpm())
                                .isLessThanOrEqualTo(own.ceiling().middle().bpm()));
        Run after = run.after(new Event.Judged(new Answer(Verdict.BROKE, Tension.LIGHT)));
        assertThat(after.known().estimate()).isEqualTo(run.known().estimate());
        assertThat(after.past().get(0).way(run.blocks().get(0).music())).isEqualTo("mode.three to a bow");
    }

    @Test
    void everyWayOfPlayingHasItsName() {
        assertThat(Music.nameOf("")).isEqualTo(Reason.NONE);
        assertThat(Music.nameOf("-")).isEqualTo(Reason.NONE);
        assertThat(Music.nameOf("mode.legato")).isEqualTo(Reason.text("legato"));
        assertThat(Music.nameOf(Music.keyOf(new Section(2, 6))))
                .isEqualTo(Reason.of("music.notes", "from", 3, "to", 7));
    }
}
