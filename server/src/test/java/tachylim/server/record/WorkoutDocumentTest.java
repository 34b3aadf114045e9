package tachylim.server.record;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import org.apache.commons.numbers.fraction.Fraction;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import tachylim.ceiling.AwkwardBand;
import tachylim.ceiling.Known;
import tachylim.ceiling.Posterior;
import tachylim.method.School;
import tachylim.notation.abc.AbcReader;
import tachylim.passage.Meter;
import tachylim.passage.PaperPattern;
import tachylim.passage.Passage;
import tachylim.server.Practice;
import tachylim.shown.PlanOutline;
import tachylim.task.PassKind;
import tachylim.tempo.Tempo;
import tachylim.workout.Allowance;
import tachylim.workout.Brief;
import tachylim.workout.Choices;
import tachylim.workout.Part;
import tachylim.workout.Pass;
import tachylim.workout.Planner;
import tachylim.workout.Rest;
import tachylim.workout.Run;
import tachylim.workout.Segment;
import tachylim.workout.Workout;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** A workout that was kept means the same when it is read again. */
class WorkoutDocumentTest {

    private static final Posterior BELIEF = asKept(Posterior.prior(Tempo.of(124), 0.05));
    private static final Known KNOWN = Known.of(BELIEF, Optional.of(Tempo.of(118)))
            .besides(List.of(new AwkwardBand(Tempo.of(90), Tempo.of(95), 20, 0.5, 0.9)));

    private static Posterior asKept(Posterior belief) {
        return Posterior.fromBytes(belief.toBytes(), belief.passes());
    }

    private static Workout plan(Passage music, School school) {
        return Planner.plan(Brief.on(
                music,
                Tempo.of(138),
                KNOWN,
                25,
                Choices.usual(school),
                new Allowance(40, 90, 3_000),
                Optional.of(Tempo.of(96))));
    }

    @ParameterizedTest
    @EnumSource(School.class)
    void everySchoolReadsBackAndRunsTheSame(School school) {
        Workout workout = plan(AbcReader.read(Practice.KESTREL).passage(), school);
        String document = WorkoutDocument.write(workout);
        Workout again = WorkoutDocument.read(document).workout(Map.of(0, BELIEF));
        assertThat(again.blocks()).isEqualTo(workout.blocks());
        assertThat(again.brief().choices()).isEqualTo(workout.brief().choices());
        assertThat(WorkoutDocument.write(again)).isEqualTo(document);
        assertThat(Run.start(again).ahead()).isEqualTo(Run.start(workout).ahead());
    }

    @ParameterizedTest
    @CsvSource({"4/4, 1/4, 4", "6/8, 3/8, 3", "7/8, 1/8, 2", "2/2, 1/2, 5"})
    void notesOnPaperReadBackInTheirBeat(String meter, String beat, int perBeat) {
        String[] figures = meter.split("/");
        String[] unit = beat.split("/");
        Passage music = new PaperPattern(
                        new Meter(Integer.parseInt(figures[0]), Integer.parseInt(figures[1])),
                        Fraction.of(Integer.parseInt(unit[0]), Integer.parseInt(unit[1])),
                        2,
                        List.of(perBeat))
                .toPassage();
        Workout workout = plan(music, School.INTERVAL_BURSTS);
        assertThat(WorkoutDocument.read(WorkoutDocument.write(workout))
                        .workout(Map.of())
                        .music())
                .isEqualTo(music);
    }

    private static String golden(String name) {
        try (var in = WorkoutDocumentTest.class.getResourceAsStream("/stored/" + name)) {
            return new String(in.readAllBytes(), StandardCharsets.UTF_8).strip();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    @ParameterizedTest
    @CsvSource({
        "workout-1.json, false, 4, 110",
        "workout-2.json, false, 4, 110",
        "workout-3.json, false, 5, 124",
        "workout-4.json, false, 8, 124",
        "workout-5.json, false, 8, 124"
    })
    void everyVersionThatWasEverWrittenIsRead(String name, boolean enough, int blocks, double ceiling) {
        WorkoutDocument kept = WorkoutDocument.read(golden(name));
        Workout workout = kept.workout(Map.of());
        assertThat(workout.target()).isEqualTo(Tempo.of(138));
        assertThat(workout.music().notes()).hasSize(33);
        assertThat(workout.estimate().ceiling().middle().bpm()).isBetween(ceiling - 5, ceiling + 5);
        PlanOutline outline = kept.outline();
        assertThat(outline.burstFloor()).isEqualTo(0.5);
        assertThat(outline.enoughEvidence()).isEqualTo(enough);
        assertThat(outline.blocks())
                .extracting(PlanOutline.BlockOutline::part)
                .hasSize(blocks)
                .startsWith(Part.WARM_UP, Part.OPENER)
                .endsWith(Part.CORE, Part.CLOSER);
        assertThat(outline.blocks())
                .allSatisfy(block -> assertThat(block.target()).isPositive());
        assertThat(workout.blocks()).hasSize(blocks);
    }

    @Test
    void segmentsOfTheFirstVersionAreRead() {
        List<Segment> segments = SegmentDocument.readAll(golden("segments-1.json"));
        assertThat(segments).hasSizeGreaterThan(10).anyMatch(segment -> segment.step() instanceof Rest);
        assertThat(SegmentDocument.readAll(SegmentDocument.writeAll(segments))).isEqualTo(segments);
        assertThat(segments.get(0).step())
                .isInstanceOfSatisfying(
                        Pass.class, pass -> assertThat(pass.kind()).isEqualTo(PassKind.WARM_UP));
        assertThat(segments.get(segments.size() - 1).after().effort()).isGreaterThan(5);
    }

    /** What is written now is what the newest kept document looks like: a change of it needs a new version. */
    @Test
    void whatIsWrittenHasTheNamesOfTheNewestVersion() {
        var json = new JsonMapper();
        String now = WorkoutDocument.write(plan(AbcReader.read(Practice.KESTREL).passage(), School.INTERVAL_BURSTS));
        assertThat(names(json.readTree(now))).isEqualTo(names(json.readTree(golden("workout-5.json"))));
        Workout workout = WorkoutDocument.read(golden("workout-5.json")).workout(Map.of(0, BELIEF));
        String segments = SegmentDocument.writeAll(Run.start(workout).ahead());
        assertThat(names(json.readTree(segments))).isEqualTo(names(json.readTree(golden("segments-2.json"))));
    }

    private static Set<String> names(JsonNode node) {
        Set<String> names = new TreeSet<>();
        node.propertyStream().forEach(part -> {
            names.add(part.getKey());
            names.addAll(names(part.getValue()));
        });
        node.forEach(item -> names.addAll(names(item)));
        return names;
    }
}
