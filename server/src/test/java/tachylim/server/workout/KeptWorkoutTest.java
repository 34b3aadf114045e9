package tachylim.server.workout;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import org.apache.commons.numbers.fraction.Fraction;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import tachylim.ceiling.Posterior;
import tachylim.notation.AbcReader;
import tachylim.passage.Meter;
import tachylim.passage.PaperPattern;
import tachylim.passage.Passage;
import tachylim.server.Practice;
import tachylim.tempo.Tempo;
import tachylim.workout.Allowance;
import tachylim.workout.Brief;
import tachylim.workout.Choices;
import tachylim.workout.Planner;
import tachylim.workout.Run;
import tachylim.workout.School;
import tachylim.workout.Workout;

/** A workout that was kept means the same when it is read again. */
class KeptWorkoutTest {

    private static Workout plan(Passage music, School school) {
        Choices usual = Choices.usual();
        Choices choices = new Choices(school, usual.bursts(), usual.burstBeats(), usual.controlledShare(),
                usual.firstBurstShare(), usual.cleanInARow(), usual.caution(), usual.focus());
        return Planner.plan(new Brief(music, Tempo.of(138), Posterior.prior(Tempo.of(124), 0.05).estimate(), 25, choices,
                new Allowance(40, 90, 3_000), Optional.of(Tempo.of(96))));
    }

    @ParameterizedTest
    @EnumSource(School.class)
    void everySchoolReadsBackAndRunsTheSame(School school) {
        Workout workout = plan(AbcReader.read(Practice.KESTREL).passage(), school);
        Workout again = KeptWorkout.read(KeptWorkout.write(workout));
        assertThat(again).isEqualTo(workout);
        assertThat(Run.start(again).ahead()).isEqualTo(Run.start(workout).ahead());
    }

    @ParameterizedTest
    @CsvSource({"4/4, 1/4, 4", "6/8, 3/8, 3", "7/8, 1/8, 2", "2/2, 1/2, 5"})
    void notesOnPaperReadBackInTheirBeat(String meter, String beat, int perBeat) {
        String[] figures = meter.split("/");
        String[] unit = beat.split("/");
        Passage music = new PaperPattern(new Meter(Integer.parseInt(figures[0]), Integer.parseInt(figures[1])),
                Fraction.of(Integer.parseInt(unit[0]), Integer.parseInt(unit[1])), 2, List.of(perBeat)).toPassage();
        Workout workout = plan(music, School.INTERVAL_BURSTS);
        assertThat(KeptWorkout.read(KeptWorkout.write(workout)).music()).isEqualTo(music);
    }
}
