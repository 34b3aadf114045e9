package tachylim.server.record;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.apache.commons.numbers.fraction.Fraction;
import tachylim.ceiling.AwkwardBand;
import tachylim.ceiling.Band;
import tachylim.ceiling.Estimate;
import tachylim.ceiling.Known;
import tachylim.ceiling.Posterior;
import tachylim.load.Condition;
import tachylim.load.Guardrails;
import tachylim.load.Reserve;
import tachylim.method.Method;
import tachylim.method.School;
import tachylim.method.Settings;
import tachylim.method.Strictness;
import tachylim.method.WarmUpRoutine;
import tachylim.notation.abc.AbcReader;
import tachylim.notation.abc.AbcWriter;
import tachylim.passage.Passage;
import tachylim.shown.PlanOutline;
import tachylim.tempo.Tempo;
import tachylim.workout.Allowance;
import tachylim.workout.Block;
import tachylim.workout.Brief;
import tachylim.workout.Choices;
import tachylim.workout.Music;
import tachylim.workout.Sketch;
import tachylim.workout.Theme;
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
 * wish it was planned from, since a run draws its later blocks again; what was believed is kept beside it. Version 4
 * has several pieces, and blocks that say which of them they play, in which version and by which choices. Version 5 says
 * how strict they are with slips and tension, by which lines one is warmed up, and how long may be
 * played without a break.
 */
public final class WorkoutDocument {

    private static final String OCTAVE_BY_OCTAVE = "%%propagate-accidentals octave\n";
    private static final int VERSION = 5;
    private static final JsonMapper JSON = new JsonMapper();

    private final JsonNode kept;

    private WorkoutDocument(JsonNode kept) {
        this.kept = kept;
    }

    public static String write(Workout workout) {
        ObjectNode doc = JSON.createObjectNode().put("v", VERSION);
        workout.brief()
                .themes()
                .forEach(theme -> theme(doc.withArrayProperty("themes").addObject(), theme));
        workout.blocks().forEach(block -> write(doc.withArrayProperty("blocks").addObject(), block));
        doc.putObject("allowance")
                .put("effort", workout.allowance().effort())
                .put("burstSeconds", workout.allowance().burstSeconds())
                .put("playingSeconds", workout.allowance().playingSeconds());
        doc.putObject("condition")
                .put("reserve", workout.condition().reserve().level())
                .put("reserveK", workout.condition().reserve().k())
                .put("sinceBreak", workout.condition().sinceBreak())
                .put("unbroken", workout.condition().unbroken());
        doc.put("minutes", workout.brief().minutes())
                .put("spared", workout.brief().spared())
                .put("routine", WarmUpRoutine.text(workout.brief().routine()));
        choices(doc.putObject("choices"), workout.brief().choices());
        doc.put("caution", Kept.CAUTION.name(workout.caution()))
                .put("burstFloor", workout.caution().burstFloor());
        ArrayNode remarks = doc.putArray("remarks");
        workout.remarks().forEach(remarks::add);
        return doc.toString();
    }

    private static void theme(ObjectNode doc, Theme theme) {
        Fraction beat = theme.music().beatUnit();
        doc.put("piece", theme.id())
                .put("abc", AbcWriter.write(theme.music()))
                .put("beatUnit", beat.getNumerator() + "/" + beat.getDenominator())
                .put("target", theme.target().bpm())
                .put("lastTempo", bpm(theme.lastTempo()))
                .put("reachedRate", theme.reachedRate())
                .put("gripped", bpm(theme.gripped()))
                .put("passesLeft", theme.passesLeft())
                .put("alert", bpm(theme.known().alert()));
        estimate(doc.putObject("estimate"), theme.estimate());
        ArrayNode weak = doc.putArray("weak");
        theme.weak().forEach(weak::add);
        ArrayNode versions = doc.putArray("versions");
        theme.versions().forEach(versions::add);
        theme.modes()
                .forEach((mode, estimate) ->
                        estimate(doc.withObjectProperty("modes").putObject(mode), estimate));
        ArrayNode awkward = doc.putArray("awkward");
        theme.known()
                .awkward()
                .forEach(band -> awkward.addObject()
                        .put("from", band.from().bpm())
                        .put("to", band.to().bpm())
                        .put("passes", band.passes())
                        .put("clean", band.clean())
                        .put("cleanAbove", band.cleanAbove()));
    }

    private static void choices(ObjectNode doc, Choices choices) {
        doc.put("school", choices.school().word())
                .put("bursts", choices.bursts())
                .put("burstBeats", choices.burstBeats())
                .put("controlledShare", choices.controlledShare())
                .put("firstBurstShare", choices.firstBurstShare())
                .put("cleanInARow", choices.cleanInARow())
                .put("caution", Kept.CAUTION.name(choices.caution()))
                .put("focus", choices.focus())
                .put("roughCounts", choices.strictness().roughCounts())
                .put("looseOnly", choices.strictness().looseOnly());
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
                .put("theme", block.theme())
                .put("version", block.music().version())
                .put("title", block.music().title())
                .put("matching", block.music().matching())
                .put("seconds", block.seconds())
                .put("why", block.why());
        choices(doc.putObject("choices"), block.sketch().choices());
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

    private boolean hasThemes() {
        return kept.has("themes");
    }

    /** What is shown of it, whatever has become of the rules. */
    public PlanOutline outline() {
        JsonNode main = hasThemes() ? kept.path("themes").get(0) : kept;
        Estimate estimate = estimate(main.path("estimate"));
        boolean enough = isFirstVersion()
                ? estimate.ceiling().giveOrTake() <= 0.08
                : main.path("estimate").path("enough").asBoolean();
        double floor = isFirstVersion()
                ? kept.path("caution").asString().equals("CAUTIOUS") ? 0.7 : 0.5
                : kept.path("burstFloor").asDouble();
        List<PlanOutline.BlockOutline> blocks = new ArrayList<>();
        kept.path("blocks")
                .forEach(block -> blocks.add(outline(
                        block,
                        hasThemes()
                                ? kept.path("themes").get(block.path("theme").asInt())
                                : kept)));
        return new PlanOutline(
                tempo(main.path("target")).bpm(),
                estimate,
                enough,
                blocks,
                floor,
                kept.path("allowance").path("effort").asDouble(),
                remarks());
    }

    private static PlanOutline.BlockOutline outline(JsonNode block, JsonNode theme) {
        double matching = block.path("matching").asDouble(1);
        return new PlanOutline.BlockOutline(
                Kept.PART.value(block.path("part").asString()),
                block.path("theme").asInt(0),
                block.path("title").asString(""),
                block.has("choices")
                        ? School.of(block.path("method").path("method").asString())
                                .title()
                        : "",
                block.path("why").asString(),
                tempo(theme.path("target")).bpm() * matching,
                estimate(theme.path("estimate")).times(matching));
    }

    /**
     * The workout itself, to be played on.
     *
     * @param beliefs what was believed of each piece when it was begun; where that is not kept, nothing is learned
     */
    public Workout workout(Map<Integer, Posterior> beliefs) {
        return hasThemes() ? ofThemes(beliefs) : ofOnePiece();
    }

    private Workout ofThemes(Map<Integer, Posterior> beliefs) {
        List<Theme> themes = new ArrayList<>();
        kept.path("themes").forEach(theme -> themes.add(theme(theme, Optional.ofNullable(beliefs.get(themes.size())))));
        List<Block> blocks = new ArrayList<>();
        kept.path("blocks").forEach(block -> {
            Sketch sketch = new Sketch(
                    Kept.PART.value(block.path("part").asString()),
                    block.path("theme").asInt(),
                    block.path("version").asString(""),
                    block.path("seconds").asDouble(),
                    choices(block.path("choices")));
            blocks.add(new Block(
                    sketch,
                    themes.get(sketch.theme()).in(sketch.version()),
                    method(block.path("method")),
                    block.path("why").asString()));
        });
        Brief brief = new Brief(
                themes,
                blocks.stream().map(Block::sketch).toList(),
                kept.path("minutes").asInt(),
                choices(kept.path("choices")),
                allowance(),
                condition(),
                WarmUpRoutine.items(kept.path("routine").asString("")),
                kept.path("spared").asString(""));
        return new Workout(brief, blocks, remarks());
    }

    private static Theme theme(JsonNode doc, Optional<Posterior> belief) {
        Optional<Tempo> alert = tempoIfAny(doc.path("alert"));
        Known known = belief.map(one -> Known.of(one, alert))
                .orElseGet(() -> Known.said(estimate(doc.path("estimate"))))
                .besides(awkward(doc));
        List<Integer> weak = new ArrayList<>();
        doc.path("weak").forEach(link -> weak.add(link.asInt()));
        List<String> versions = new ArrayList<>();
        doc.path("versions").forEach(key -> versions.add(key.asString()));
        Map<String, Estimate> modes = new HashMap<>();
        doc.path("modes").properties().forEach(mode -> modes.put(mode.getKey(), estimate(mode.getValue())));
        return new Theme(
                doc.path("piece").asLong(0),
                music(doc),
                tempo(doc.path("target")),
                known,
                tempoIfAny(doc.path("lastTempo")),
                doc.path("reachedRate").asDouble(0),
                tempoIfAny(doc.path("gripped")),
                weak,
                versions,
                modes,
                doc.path("passesLeft").asInt(Guardrails.PASSES_OF_A_PIECE));
    }

    private static Passage music(JsonNode doc) {
        String[] beat = doc.path("beatUnit").asString().split("/");
        Fraction beatUnit = Fraction.of(Integer.parseInt(beat[0]), Integer.parseInt(beat[1]));
        // As it was read when the first of them were written; what is written now reads the same either way.
        return AbcReader.read(OCTAVE_BY_OCTAVE + doc.path("abc").asString()).passage(beatUnit);
    }

    private static Choices choices(JsonNode doc) {
        return new Choices(
                School.of(doc.path("school").asString()),
                doc.path("bursts").asInt(),
                doc.path("burstBeats").asInt(),
                doc.path("controlledShare").asDouble(),
                doc.path("firstBurstShare").asDouble(),
                doc.path("cleanInARow").asInt(),
                Kept.CAUTION.value(doc.path("caution").asString()),
                doc.path("focus").asString(),
                new Strictness(
                        doc.path("roughCounts").asBoolean(false),
                        doc.path("looseOnly").asBoolean(false)));
    }

    private Allowance allowance() {
        JsonNode allowance = kept.path("allowance");
        return new Allowance(
                allowance.path("effort").asDouble(),
                allowance.path("burstSeconds").asDouble(),
                allowance.path("playingSeconds").asDouble());
    }

    private Condition condition() {
        JsonNode condition = kept.path("condition");
        return isFirstVersion()
                ? Condition.FRESH
                : new Condition(
                        new Reserve(
                                condition.path("reserve").asDouble(),
                                condition.path("reserveK").asDouble()),
                        condition.path("sinceBreak").asDouble(),
                        condition.path("unbroken").asDouble(Guardrails.UNBROKEN_SECONDS));
    }

    // Before there were sessions of several pieces

    /** A workout of one piece: by other rules than today's, so that its runs are only looked back at. */
    private Workout ofOnePiece() {
        List<Block> blocks = new ArrayList<>();
        Music music = Music.asWritten(music(kept));
        JsonNode brief = kept.path("brief");
        Choices choices = brief.isMissingNode() ? fewChoices() : choices(withCaution(brief));
        kept.path("blocks").forEach(block -> {
            Sketch sketch = new Sketch(
                    Kept.PART.value(block.path("part").asString()),
                    0,
                    "",
                    block.path("seconds").asDouble(),
                    choices);
            blocks.add(new Block(
                    sketch,
                    music,
                    method(block.path("method")),
                    block.path("why").asString()));
        });
        Theme theme = new Theme(
                0,
                music.notes(),
                tempo(kept.path("target")),
                Known.said(estimate(kept.path("estimate"))).besides(awkward(brief)),
                tempoIfAny(brief.path("lastTempo")),
                brief.path("reachedRate").asDouble(0),
                tempoIfAny(brief.path("gripped")),
                List.of(),
                List.of(),
                Map.of(),
                Guardrails.PASSES_OF_A_PIECE);
        return new Workout(
                new Brief(
                        List.of(theme),
                        blocks.stream().map(Block::sketch).toList(),
                        brief.path("minutes").asInt(Brief.MINIMUM_DOSE),
                        choices,
                        allowance(),
                        condition(),
                        brief.path("spared").asString("")),
                blocks,
                remarks());
    }

    private ObjectNode withCaution(JsonNode brief) {
        return ((ObjectNode) brief.deepCopy())
                .put("caution", kept.path("caution").asString());
    }

    /** What was chosen; of the first versions only what their blocks tell is known. */
    private Choices fewChoices() {
        Choices usual = Choices.usual();
        School school = School.EASY;
        int beats = usual.burstBeats();
        for (JsonNode block : kept.path("blocks")) {
            beats = block.path("burstBeats").asInt(beats);
            if (block.path("part").asString().equals("CORE")) {
                school = School.of(block.path("method").path("method").asString());
            }
        }
        return new Choices(
                school,
                usual.bursts(),
                beats,
                usual.controlledShare(),
                usual.firstBurstShare(),
                usual.cleanInARow(),
                Kept.CAUTION.value(kept.path("caution").asString()),
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

    private static Estimate estimate(JsonNode estimate) {
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
