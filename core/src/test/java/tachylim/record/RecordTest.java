package tachylim.record;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.ValueSource;
import tachylim.ceiling.Posterior;
import tachylim.load.Caution;
import tachylim.method.School;
import tachylim.method.Strictness;
import tachylim.passage.Section;
import tachylim.task.Ask;
import tachylim.task.PassKind;
import tachylim.task.Pulse;
import tachylim.task.Task;
import tachylim.tempo.Tempo;
import tachylim.words.Reason;
import tachylim.workout.Choices;
import tachylim.workout.GoldenRuns;
import tachylim.workout.Segment;
import tachylim.workout.Theme;
import tachylim.workout.Workout;

/** What is stored reads back as it was, whatever it is. */
class RecordTest {

    @ParameterizedTest
    @ValueSource(ints = {0, 1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12, 13, 14, 15, 16, 17, 18, 19})
    void anyWorkoutReadsBackWithAllThatIsKnownOfItsSections(int number) {
        Workout workout = GoldenRuns.planned(number);
        Object stored = WorkoutCodec.WORKOUT.write(workout);
        Workout again = WorkoutCodec.WORKOUT.read(stored);
        assertThat(again.blocks()).isEqualTo(workout.blocks());
        assertThat(again.remarks()).isEqualTo(workout.remarks());
        assertThat(again.brief().choices()).isEqualTo(workout.brief().choices());
        assertThat(again.brief().allowance()).isEqualTo(workout.brief().allowance());
        assertThat(again.brief().condition()).isEqualTo(workout.brief().condition());
        assertThat(again.brief().minutes()).isEqualTo(workout.brief().minutes());
        assertThat(again.brief().routine()).isEqualTo(workout.brief().routine());
        assertThat(again.brief().spared()).isEqualTo(workout.brief().spared());
        List<Theme> themes = workout.brief().themes();
        for (int i = 0; i < themes.size(); i++) {
            Theme read = again.brief().themes().get(i);
            assertThat(read).usingRecursiveComparison().ignoringFields("known").isEqualTo(themes.get(i));
            assertThat(read.estimate()).isEqualTo(themes.get(i).estimate());
            assertThat(read.known().alert()).isEqualTo(themes.get(i).known().alert());
            assertThat(read.known().awkward()).isEqualTo(themes.get(i).known().awkward());
        }
        assertThat(WorkoutCodec.WORKOUT.write(again)).isEqualTo(stored);
    }

    @ParameterizedTest
    @ValueSource(ints = {3, 20, 40, 60, 80})
    void anyStepReadsBackWithWhatWasAnsweredAndWhatItCost(int number) {
        List<Segment> played = GoldenRuns.played(number);
        assertThat(played).isNotEmpty();
        assertThat(SegmentCodec.SEGMENT.list().read(SegmentCodec.SEGMENT.list().write(played)))
                .isEqualTo(played);
    }

    @Test
    void whatWasBelievedComesBackBesideTheWorkout() {
        Workout workout = GoldenRuns.planned(0);
        Posterior belief = Posterior.prior(Tempo.of(97), 0.04);
        Workout again = WorkoutCodec.workout(Map.of(0, belief)).read(WorkoutCodec.WORKOUT.write(workout));
        assertThat(again.brief().theme().known().belief()).containsSame(belief);
        assertThat(again.estimate().ceiling().middle().bpm()).isBetween(92.0, 102.0);
    }

    /** Nothing of it is as it is when nothing was chosen. */
    @Test
    void everyChoiceReadsBack() {
        Choices choices = new Choices(
                School.TAPER, 3, 1, 0.57, 1.08, 5, Caution.CAUTIOUS, "left thumb", new Strictness(true, true), true);
        assertThat(ChoicesCodec.CHOICES.read(ChoicesCodec.CHOICES.write(choices)))
                .isEqualTo(choices);
        Choices other = new Choices(
                School.ARCH, 4, 2, 0.61, 1.02, 2, Caution.USUAL, "right wrist", new Strictness(true, false), false);
        assertThat(ChoicesCodec.CHOICES.read(ChoicesCodec.CHOICES.write(other))).isEqualTo(other);
    }

    @ParameterizedTest
    @EnumSource(Pulse.Kind.class)
    void everyPulseReadsBack(Pulse.Kind kind) {
        Tempo tempo = Tempo.of(97.5);
        Pulse pulse = switch (kind) {
            case STEADY -> new Pulse.Steady(tempo);
            case RECOUNTED -> new Pulse.Recounted(tempo, 0.25);
            case SWITCHING -> new Pulse.Switching(tempo, 3, 5, 2);
            case GLIDING -> new Pulse.Gliding(tempo, Tempo.of(131), 37, 4);
            case DROPPING_OUT -> new Pulse.DroppingOut(tempo, 3, 2);
            case FREE -> new Pulse.Free(tempo, 45);
        };
        Task task = Task.at(PassKind.PROBE, tempo)
                .with(pulse)
                .of(new Section(3, 8))
                .in(Reason.text("down bows"))
                .asking(Ask.count(56));
        assertThat(TaskCodec.TASK.read(TaskCodec.TASK.write(task))).isEqualTo(task);
    }

    @Test
    void aDocumentOfANewerVersionIsRefusedByItsVersion() {
        Map<Object, Object> newer = new LinkedHashMap<>((Map<?, ?>) WorkoutCodec.WORKOUT.write(GoldenRuns.planned(1)));
        newer.put("v", 3);
        assertThatThrownBy(() -> WorkoutCodec.WORKOUT.read(newer)).hasMessageContaining("v is 3");
        newer.remove("v");
        assertThatThrownBy(() -> WorkoutCodec.WORKOUT.read(newer)).hasMessageContaining("v is missing");
    }

    @Test
    void whatIsNoSuchThingIsRefusedByItsPlace() {
        Map<Object, Object> spoilt = new LinkedHashMap<>((Map<?, ?>) WorkoutCodec.WORKOUT.write(GoldenRuns.planned(1)));
        spoilt.put("themes", "none");
        assertThatThrownBy(() -> WorkoutCodec.WORKOUT.read(spoilt)).hasMessageStartingWith("themes is no list");
    }
}
