package tachylim.server.workout;

import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import java.util.List;
import org.apache.commons.numbers.fraction.Fraction;
import tachylim.ceiling.Estimate;
import tachylim.load.Caution;
import tachylim.method.EasyPasses;
import tachylim.method.IntervalBursts;
import tachylim.method.Method;
import tachylim.method.SteadyClimb;
import tachylim.notation.AbcReader;
import tachylim.notation.AbcWriter;
import tachylim.tempo.Tempo;
import tachylim.workout.Allowance;
import tachylim.workout.Block;
import tachylim.workout.Workout;
import tools.jackson.databind.json.JsonMapper;

/**
 * A workout as it is kept: whole, with its music, so that a run means the same when the passage, the
 * ceiling or the planner has changed since.
 */
record KeptWorkout(String abc, String beatUnit, Tempo target, Estimate estimate, List<Block> blocks,
        Allowance allowance, Caution caution, List<String> remarks) {

    /** Names the methods in JSON; core itself knows nothing of it. */
    @JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "method")
    @JsonSubTypes({
        @JsonSubTypes.Type(value = SteadyClimb.class, name = "steady-climb"),
        @JsonSubTypes.Type(value = IntervalBursts.class, name = "interval-bursts"),
        @JsonSubTypes.Type(value = EasyPasses.class, name = "easy-passes")
    })
    private interface NamedMethod {}

    private static final JsonMapper JSON =
            JsonMapper.builder().addMixIn(Method.class, NamedMethod.class).build();

    static String write(Workout workout) {
        Fraction beat = workout.music().beatUnit();
        return JSON.writeValueAsString(new KeptWorkout(AbcWriter.write(workout.music()),
                beat.getNumerator() + "/" + beat.getDenominator(), workout.target(), workout.estimate(),
                workout.blocks(), workout.allowance(), workout.caution(), workout.remarks()));
    }

    static Workout read(String json) {
        KeptWorkout kept = JSON.readValue(json, KeptWorkout.class);
        String[] beat = kept.beatUnit.split("/");
        Fraction beatUnit = Fraction.of(Integer.parseInt(beat[0]), Integer.parseInt(beat[1]));
        return new Workout(AbcReader.read(kept.abc).passage(beatUnit), kept.target, kept.estimate, kept.blocks,
                kept.allowance, kept.caution, kept.remarks);
    }
}
