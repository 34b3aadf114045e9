package tachylim.server.record;

import java.util.ArrayList;
import java.util.List;
import org.apache.commons.numbers.fraction.Fraction;
import tachylim.ceiling.Band;
import tachylim.ceiling.Estimate;
import tachylim.load.Condition;
import tachylim.load.Reserve;
import tachylim.method.EasyPasses;
import tachylim.method.IntervalBursts;
import tachylim.method.Method;
import tachylim.method.SteadyClimb;
import tachylim.notation.abc.AbcReader;
import tachylim.notation.abc.AbcWriter;
import tachylim.tempo.Tempo;
import tachylim.workout.Allowance;
import tachylim.workout.Block;
import tachylim.workout.Workout;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * A workout as it is kept: whole, with its music, so that a run means the same when the passage, the ceiling or the
 * planner has changed since.
 *
 * <p>Version 1 had no number; a tempo was an object with its figure under {@code bpm}. Version 2 has tempos as plain
 * figures, how the player came to the workout, what the estimate rests on, and the burst floor in force.
 */
public final class WorkoutDocument {

    private static final String OCTAVE_BY_OCTAVE = "%%propagate-accidentals octave\n";
    private static final int VERSION = 2;
    private static final JsonMapper JSON = new JsonMapper();

    private static final String EASY = "easy-passes";
    private static final String CLIMB = "steady-climb";
    private static final String BURSTS = "interval-bursts";

    private final JsonNode kept;

    private WorkoutDocument(JsonNode kept) {
        this.kept = kept;
    }

    public static String write(Workout workout) {
        Fraction beat = workout.music().beatUnit();
        ObjectNode doc = JSON.createObjectNode()
                .put("v", VERSION)
                .put("abc", AbcWriter.write(workout.music()))
                .put("beatUnit", beat.getNumerator() + "/" + beat.getDenominator())
                .put("target", workout.target().bpm());
        estimate(doc.putObject("estimate"), workout.estimate());
        workout.blocks().forEach(block -> write(doc.withArrayProperty("blocks").addObject(), block));
        doc.putObject("allowance")
                .put("effort", workout.allowance().effort())
                .put("burstSeconds", workout.allowance().burstSeconds())
                .put("playingSeconds", workout.allowance().playingSeconds());
        doc.putObject("condition")
                .put("reserve", workout.condition().reserve().level())
                .put("reserveK", workout.condition().reserve().k())
                .put("sinceBreak", workout.condition().sinceBreak());
        doc.put("caution", Kept.CAUTION.name(workout.caution()))
                .put("burstFloor", workout.caution().burstFloor());
        ArrayNode remarks = doc.putArray("remarks");
        workout.remarks().forEach(remarks::add);
        return doc.toString();
    }

    private static void estimate(ObjectNode doc, Estimate estimate) {
        band(doc.putObject("ease"), estimate.ease());
        band(doc.putObject("ceiling"), estimate.ceiling());
        band(doc.putObject("breakdown"), estimate.breakdown());
        doc.put("passes", estimate.passes()).put("enough", estimate.enoughEvidence());
    }

    private static void band(ObjectNode doc, Band band) {
        doc.put("low", band.low().bpm())
                .put("middle", band.middle().bpm())
                .put("high", band.high().bpm());
    }

    private static void write(ObjectNode doc, Block block) {
        doc.put("part", Kept.PART.name(block.part()))
                .put("seconds", block.seconds())
                .put("burstBeats", block.burstBeats())
                .put("why", block.why());
        write(doc.putObject("method"), block.method());
    }

    private static void write(ObjectNode doc, Method method) {
        if (method instanceof EasyPasses easy) {
            doc.put("method", EASY)
                    .put("kind", Kept.PASS_KIND.name(easy.kind()))
                    .put("why", easy.why());
            ArrayNode tempos = doc.putArray("tempos");
            easy.tempos().forEach(tempo -> tempos.add(tempo.bpm()));
        } else if (method instanceof SteadyClimb climb) {
            doc.put("method", CLIMB)
                    .put("start", climb.start().bpm())
                    .put("limit", climb.limit().bpm())
                    .put("step", climb.step())
                    .put("cleanInARow", climb.cleanInARow())
                    .put("mostPasses", climb.mostPasses());
        } else if (method instanceof IntervalBursts bursts) {
            doc.put("method", BURSTS)
                    .put("controlled", bursts.controlled().bpm())
                    .put("floor", bursts.floor().bpm())
                    .put("first", bursts.first().bpm())
                    .put("limit", bursts.limit().bpm())
                    .put("step", bursts.step())
                    .put("bursts", bursts.bursts());
        }
    }

    public static WorkoutDocument read(String json) {
        return new WorkoutDocument(JSON.readTree(json));
    }

    private boolean isFirstVersion() {
        return !kept.has("v");
    }

    /** What is shown of it, whatever has become of the rules. */
    public PlanOutline outline() {
        List<PlanOutline.BlockOutline> blocks = new ArrayList<>();
        kept.path("blocks")
                .forEach(block -> blocks.add(new PlanOutline.BlockOutline(
                        Kept.PART.value(block.path("part").asString()),
                        block.path("why").asString())));
        Estimate estimate = estimate();
        boolean enough = isFirstVersion()
                ? estimate.ceiling().giveOrTake() <= 0.08
                : kept.path("estimate").path("enough").asBoolean();
        double floor = isFirstVersion()
                ? kept.path("caution").asString().equals("CAUTIOUS") ? 0.7 : 0.5
                : kept.path("burstFloor").asDouble();
        return new PlanOutline(
                tempo(kept.path("target")).bpm(),
                estimate,
                enough,
                blocks,
                floor,
                kept.path("allowance").path("effort").asDouble(),
                remarks());
    }

    /** The workout itself, to be played on. */
    public Workout workout() {
        String[] beat = kept.path("beatUnit").asString().split("/");
        Fraction beatUnit = Fraction.of(Integer.parseInt(beat[0]), Integer.parseInt(beat[1]));
        List<Block> blocks = new ArrayList<>();
        kept.path("blocks")
                .forEach(block -> blocks.add(new Block(
                        Kept.PART.value(block.path("part").asString()),
                        method(block.path("method")),
                        block.path("seconds").asDouble(),
                        block.path("burstBeats").asInt(),
                        block.path("why").asString())));
        JsonNode allowance = kept.path("allowance");
        JsonNode condition = kept.path("condition");
        return new Workout(
                // As it was read when the first of them were written; what is written now reads the same either way.
                AbcReader.read(OCTAVE_BY_OCTAVE + kept.path("abc").asString()).passage(beatUnit),
                tempo(kept.path("target")),
                estimate(),
                blocks,
                new Allowance(
                        allowance.path("effort").asDouble(),
                        allowance.path("burstSeconds").asDouble(),
                        allowance.path("playingSeconds").asDouble()),
                isFirstVersion()
                        ? Condition.FRESH
                        : new Condition(
                                new Reserve(
                                        condition.path("reserve").asDouble(),
                                        condition.path("reserveK").asDouble()),
                                condition.path("sinceBreak").asDouble()),
                Kept.CAUTION.value(kept.path("caution").asString()),
                remarks());
    }

    private List<String> remarks() {
        List<String> remarks = new ArrayList<>();
        kept.path("remarks").forEach(remark -> remarks.add(remark.asString()));
        return remarks;
    }

    private Estimate estimate() {
        JsonNode estimate = kept.path("estimate");
        return new Estimate(
                band(estimate.path("ease")),
                band(estimate.path("ceiling")),
                band(estimate.path("breakdown")),
                estimate.path("passes").asDouble(0));
    }

    private static Band band(JsonNode band) {
        return new Band(tempo(band.path("low")), tempo(band.path("middle")), tempo(band.path("high")));
    }

    private static Tempo tempo(JsonNode figure) {
        return Tempo.of(figure.isObject() ? figure.path("bpm").asDouble() : figure.asDouble());
    }

    private static Method method(JsonNode doc) {
        String name = doc.path("method").asString();
        return switch (name) {
            case EASY -> {
                List<Tempo> tempos = new ArrayList<>();
                doc.path("tempos").forEach(tempo -> tempos.add(tempo(tempo)));
                yield new EasyPasses(
                        Kept.PASS_KIND.value(doc.path("kind").asString()),
                        tempos,
                        doc.path("why").asString());
            }
            case CLIMB ->
                new SteadyClimb(
                        tempo(doc.path("start")),
                        tempo(doc.path("limit")),
                        doc.path("step").asDouble(),
                        doc.path("cleanInARow").asInt(),
                        doc.path("mostPasses").asInt());
            case BURSTS ->
                new IntervalBursts(
                        tempo(doc.path("controlled")),
                        tempo(doc.path("floor")),
                        tempo(doc.path("first")),
                        tempo(doc.path("limit")),
                        doc.path("step").asDouble(),
                        doc.path("bursts").asInt());
            default -> throw new IllegalArgumentException("No method is kept under the name " + name);
        };
    }
}
