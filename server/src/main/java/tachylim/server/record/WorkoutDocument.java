package tachylim.server.record;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.apache.commons.numbers.fraction.Fraction;
import tachylim.ceiling.AwkwardBand;
import tachylim.ceiling.Band;
import tachylim.ceiling.Estimate;
import tachylim.ceiling.Known;
import tachylim.ceiling.Posterior;
import tachylim.load.Caution;
import tachylim.load.Condition;
import tachylim.load.Reserve;
import tachylim.method.Method;
import tachylim.method.School;
import tachylim.method.Settings;
import tachylim.notation.abc.AbcReader;
import tachylim.notation.abc.AbcWriter;
import tachylim.tempo.Tempo;
import tachylim.workout.Allowance;
import tachylim.workout.Block;
import tachylim.workout.Brief;
import tachylim.workout.Choices;
import tachylim.workout.Part;
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
 * figures, how the player came to the workout, what the estimate rests on, and the burst floor in force. Version 3 has the
 * wish it was planned from, since a run draws its later blocks again; what was believed is kept beside it.
 */
public final class WorkoutDocument {

    private static final String OCTAVE_BY_OCTAVE = "%%propagate-accidentals octave\n";
    private static final int VERSION = 3;
    private static final JsonMapper JSON = new JsonMapper();

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
        brief(doc.putObject("brief"), workout.brief());
        doc.put("caution", Kept.CAUTION.name(workout.caution()))
                .put("burstFloor", workout.caution().burstFloor());
        ArrayNode remarks = doc.putArray("remarks");
        workout.remarks().forEach(remarks::add);
        return doc.toString();
    }

    private static void brief(ObjectNode doc, Brief brief) {
        Choices choices = brief.choices();
        doc.put("minutes", brief.minutes())
                .put("school", choices.school().word())
                .put("bursts", choices.bursts())
                .put("burstBeats", choices.burstBeats())
                .put("controlledShare", choices.controlledShare())
                .put("firstBurstShare", choices.firstBurstShare())
                .put("cleanInARow", choices.cleanInARow())
                .put("focus", choices.focus())
                .put("lastTempo", bpm(brief.lastTempo()))
                .put("reachedRate", brief.reachedRate())
                .put("gripped", bpm(brief.gripped()))
                .put("spared", brief.spared())
                .put("alert", bpm(brief.known().alert()));
        ArrayNode awkward = doc.putArray("awkward");
        brief.known()
                .awkward()
                .forEach(band -> awkward.addObject()
                        .put("from", band.from().bpm())
                        .put("to", band.to().bpm())
                        .put("passes", band.passes())
                        .put("clean", band.clean())
                        .put("cleanAbove", band.cleanAbove()));
    }

    private static Double bpm(Optional<Tempo> tempo) {
        return tempo.map(Tempo::bpm).orElse(null);
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
        doc.put("method", method.school().word());
        method.settings().values().forEach((name, value) -> doc.set(name, JSON.valueToTree(value)));
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

    /**
     * The workout itself, to be played on.
     *
     * @param belief what was believed when it was begun; empty when that is not kept, and then nothing is learned
     */
    public Workout workout(Optional<Posterior> belief) {
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
        return new Workout(brief(beatUnit, blocks, belief), blocks, remarks());
    }

    private Brief brief(Fraction beatUnit, List<Block> blocks, Optional<Posterior> belief) {
        JsonNode allowance = kept.path("allowance");
        JsonNode condition = kept.path("condition");
        JsonNode brief = kept.path("brief");
        Optional<Tempo> alert = tempoIfAny(brief.path("alert"));
        return new Brief(
                // As it was read when the first of them were written; what is written now reads the same either way.
                AbcReader.read(OCTAVE_BY_OCTAVE + kept.path("abc").asString()).passage(beatUnit),
                tempo(kept.path("target")),
                belief.map(known -> Known.of(known, alert))
                        .orElseGet(() -> Known.said(estimate()))
                        .besides(awkward(brief)),
                hasBrief() ? brief.path("minutes").asInt() : Brief.MINIMUM_DOSE,
                choices(blocks),
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
                tempoIfAny(brief.path("lastTempo")),
                brief.path("reachedRate").asDouble(0),
                tempoIfAny(brief.path("gripped")),
                brief.path("spared").asString(""));
    }

    private boolean hasBrief() {
        return kept.has("brief");
    }

    /** What was chosen; of the first versions only what their blocks tell is known. */
    private Choices choices(List<Block> blocks) {
        Caution caution = Kept.CAUTION.value(kept.path("caution").asString());
        JsonNode brief = kept.path("brief");
        Choices usual = Choices.usual();
        return hasBrief()
                ? new Choices(
                        School.of(brief.path("school").asString()),
                        brief.path("bursts").asInt(),
                        brief.path("burstBeats").asInt(),
                        brief.path("controlledShare").asDouble(),
                        brief.path("firstBurstShare").asDouble(),
                        brief.path("cleanInARow").asInt(),
                        caution,
                        brief.path("focus").asString())
                : new Choices(
                        blocks.stream()
                                .filter(block -> block.part() == Part.CORE)
                                .map(block -> block.method().school())
                                .findFirst()
                                .orElse(School.EASY),
                        usual.bursts(),
                        usual.burstBeats(),
                        usual.controlledShare(),
                        usual.firstBurstShare(),
                        usual.cleanInARow(),
                        caution,
                        usual.focus());
    }

    private static List<AwkwardBand> awkward(JsonNode brief) {
        List<AwkwardBand> bands = new ArrayList<>();
        brief.path("awkward")
                .forEach(band -> bands.add(new AwkwardBand(
                        tempo(band.path("from")),
                        tempo(band.path("to")),
                        band.path("passes").asInt(),
                        band.path("clean").asDouble(),
                        band.path("cleanAbove").asDouble())));
        return bands;
    }

    private static Optional<Tempo> tempoIfAny(JsonNode figure) {
        return figure.isNumber() ? Optional.of(tempo(figure)) : Optional.empty();
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
        Settings settings = Settings.NONE;
        for (Map.Entry<String, JsonNode> setting : doc.properties()) {
            settings = settings.with(setting.getKey(), setting(setting.getValue()));
        }
        return School.read(doc.path("method").asString(), settings);
    }

    /** A setting as it is kept: words, a number, numbers, or a tempo as the first documents wrote it. */
    private static Object setting(JsonNode kept) {
        if (kept.isString()) {
            return kept.asString();
        }
        if (kept.isArray()) {
            return kept.values().stream().map(tempo -> tempo(tempo).bpm()).toList();
        }
        return kept.isObject() ? tempo(kept).bpm() : kept.asDouble();
    }
}
