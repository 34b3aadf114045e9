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
import org.junit.jupiter.params.provider.ValueSource;
import tachylim.ceiling.AwkwardBand;
import tachylim.ceiling.Known;
import tachylim.ceiling.Posterior;
import tachylim.load.Effort;
import tachylim.method.School;
import tachylim.notation.abc.AbcReader;
import tachylim.passage.Meter;
import tachylim.passage.PaperPattern;
import tachylim.passage.Passage;
import tachylim.record.SegmentCodec;
import tachylim.record.WorkoutCodec;
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
class StoredDocumentsTest {

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
                new Allowance(new Effort(40), 90, 3_000),
                Optional.of(Tempo.of(96))));
    }

    @ParameterizedTest
    @EnumSource(School.class)
    void everySchoolReadsBackAndRunsTheSame(School school) {
        Workout workout = plan(AbcReader.read(Practice.KESTREL).passage(), school);
        String document = Documents.write(WorkoutCodec.WORKOUT, workout);
        Workout again = Documents.read(WorkoutCodec.workout(Map.of(0, BELIEF)), document);
        assertThat(again.blocks()).isEqualTo(workout.blocks());
        assertThat(again.brief().choices()).isEqualTo(workout.brief().choices());
        assertThat(Documents.write(WorkoutCodec.WORKOUT, again)).isEqualTo(document);
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
        assertThat(Documents.read(WorkoutCodec.WORKOUT, Documents.write(WorkoutCodec.WORKOUT, workout))
                        .music())
                .isEqualTo(music);
    }

    private static String golden(String name) {
        try (var in = StoredDocumentsTest.class.getResourceAsStream("/stored/" + name)) {
            return new String(in.readAllBytes(), StandardCharsets.UTF_8).strip();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** Documents as each version wrote them: whatever becomes of the code, they are read. */
    @ParameterizedTest
    @ValueSource(ints = {1, 2})
    void aStoredWorkoutIsRead(int version) {
        String stored = golden("workout-" + version + ".json");
        Workout workout = Documents.read(WorkoutCodec.WORKOUT, stored);
        assertThat(workout.target()).isEqualTo(Tempo.of(138));
        assertThat(workout.music().notes()).hasSize(33);
        assertThat(workout.estimate().ceiling().middle().bpm()).isBetween(119.0, 129.0);
        PlanOutline outline = PlanOutline.read(Documents.tree(stored));
        assertThat(outline.burstFloor()).isEqualTo(0.5);
        assertThat(outline.enoughEvidence()).isFalse();
        assertThat(outline.effortLeft()).isEqualTo(new Effort(40));
        assertThat(outline.estimate()).isEqualTo(workout.estimate());
        assertThat(outline.blocks())
                .hasSameSizeAs(workout.blocks())
                .extracting(PlanOutline.BlockOutline::part)
                .startsWith(Part.WARM_UP, Part.OPENER)
                .endsWith(Part.CORE, Part.CLOSER);
        // The first version stored a variation's title as a sentence, which is said as it stands.
        assertThat(outline)
                .usingRecursiveComparison()
                .ignoringFieldsMatchingRegexes(version == 1 ? "blocks.variation.*" : "none")
                .isEqualTo(PlanOutline.of(Run.start(workout)));
    }

    @ParameterizedTest
    @ValueSource(ints = {1, 2})
    void storedStepsAreRead(int version) {
        List<Segment> segments = Documents.read(SegmentCodec.SEGMENT.list(), golden("segments-" + version + ".json"));
        assertThat(segments).hasSizeGreaterThan(10).anyMatch(segment -> segment.step() instanceof Rest);
        assertThat(segments.get(0).step())
                .isInstanceOfSatisfying(
                        Pass.class, pass -> assertThat(pass.kind()).isEqualTo(PassKind.WARM_UP));
        assertThat(segments.get(segments.size() - 1).after().effort().minutes()).isGreaterThan(5);
    }

    /** What is written now is what the stored documents look like: a change of it needs a new version. */
    @Test
    void whatIsWrittenHasTheNamesOfTheNewestVersion() {
        Workout workout = plan(AbcReader.read(Practice.KESTREL).passage(), School.INTERVAL_BURSTS);
        String now = Documents.write(WorkoutCodec.WORKOUT, workout);
        String segments =
                Documents.write(SegmentCodec.SEGMENT.list(), Run.start(workout).ahead());
        var json = new JsonMapper();
        assertThat(names(json.readTree(now))).isEqualTo(names(json.readTree(golden("workout-2.json"))));
        assertThat(names(json.readTree(segments))).isEqualTo(names(json.readTree(golden("segments-2.json"))));
    }

    /** The names in a document; the parts of a reason are its own, and depend on what it says. */
    private static Set<String> names(JsonNode node) {
        Set<String> names = new TreeSet<>();
        node.propertyStream().forEach(part -> {
            names.add(part.getKey());
            if (!part.getKey().equals("values")) {
                names.addAll(names(part.getValue()));
            }
        });
        if (node.isArray()) {
            node.forEach(item -> names.addAll(names(item)));
        }
        return names;
    }
}
