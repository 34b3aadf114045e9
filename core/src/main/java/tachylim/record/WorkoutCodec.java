package tachylim.record;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.apache.commons.numbers.fraction.Fraction;
import tachylim.ceiling.Posterior;
import tachylim.codec.Codec;
import tachylim.codec.Fields;
import tachylim.method.Probes;
import tachylim.method.School;
import tachylim.method.Setting;
import tachylim.method.WarmUpRoutine;
import tachylim.notation.abc.AbcReader;
import tachylim.notation.abc.AbcWriter;
import tachylim.passage.Passage;
import tachylim.tempo.Tempo;
import tachylim.words.Reason;
import tachylim.workout.Allowance;
import tachylim.workout.Block;
import tachylim.workout.Brief;
import tachylim.workout.SectionLeft;
import tachylim.workout.Sketch;
import tachylim.workout.Theme;
import tachylim.workout.Workout;

/**
 * How a planned workout stands in a document, with its music and its estimates, so that it reads the same after the
 * passage, the ceiling or the planner has changed. What was believed of each of its sections is stored apart.
 */
public final class WorkoutCodec {

    private static final int VERSION = 2;

    private WorkoutCodec() {}

    private static final Codec<Fraction> FRACTION = Codec.TEXT.as(
            text -> {
                String[] parts = text.split("/");
                return Fraction.of(Integer.parseInt(parts[0]), Integer.parseInt(parts[1]));
            },
            fraction -> fraction.getNumerator() + "/" + fraction.getDenominator());

    private static Passage music(Fields<Theme> theme) {
        Fraction beatUnit = theme.get("beatUnit", FRACTION, one -> one.music().beatUnit());
        return theme.get(
                "abc", Codec.TEXT.as(text -> AbcReader.read(text).passage(beatUnit), AbcWriter::write), Theme::music);
    }

    private static final Codec<Theme> THEME = Codec.object(theme -> new Theme(
            theme.get("piece", Codec.LONG, Theme::id),
            music(theme),
            theme.get("target", Tempo.CODEC, Theme::target),
            theme.get("known", EstimateCodec.KNOWN, Theme::known),
            theme.get("lastTempo", Tempo.CODEC.optional(), Theme::lastTempo),
            theme.number("reachedRate", Theme::reachedRate),
            theme.get("gripped", Tempo.CODEC.optional(), Theme::gripped),
            theme.get("weak", Codec.WHOLE.list(), Theme::weak),
            theme.get("versions", Codec.TEXT.list(), Theme::variations),
            theme.get("lately", Codec.TEXT.list().or(List.of()), Theme::lately),
            theme.get("modes", EstimateCodec.ESTIMATE.byName(), Theme::articulations),
            theme.get("edge", Tempo.CODEC.optional(), Theme::edge),
            theme.get("slowestChange", Tempo.CODEC.optional(), Theme::slowestChange),
            new SectionLeft(
                    theme.whole("passesLeft", one -> one.left().passes()),
                    theme.get(
                            "probesLeft",
                            Codec.WHOLE.or(Probes.MOST),
                            one -> one.left().probes()))));

    public static final Codec<Allowance> ALLOWANCE = Codec.object(allowance -> new Allowance(
            allowance.get("effort", SegmentCodec.EFFORT, Allowance::effort),
            allowance.number("burstSeconds", Allowance::burstSeconds),
            allowance.number("playingSeconds", Allowance::playingSeconds)));

    private static Brief brief(Fields<Workout> workout, Map<Integer, Posterior> beliefs) {
        return new Brief(
                believed(workout.get("themes", THEME.list(), one -> one.brief().themes()), beliefs),
                List.of(),
                workout.whole("minutes", one -> one.brief().minutes()),
                workout.get("choices", ChoicesCodec.CHOICES, one -> one.brief().choices()),
                workout.get("allowance", ALLOWANCE, Workout::allowance),
                workout.get("condition", ConditionCodec.CONDITION, Workout::condition),
                workout.get("routine", WarmUpRoutine.ITEMS, one -> one.brief().routine()),
                workout.get("spared", Reason.CODEC, one -> one.brief().spared()));
    }

    private static List<Theme> believed(List<Theme> themes, Map<Integer, Posterior> beliefs) {
        List<Theme> all = new ArrayList<>(themes);
        beliefs.forEach((place, belief) ->
                all.set(place, all.get(place).knowing(all.get(place).known().by(belief))));
        return all;
    }

    private static Codec<Block> block(List<Theme> themes) {
        return Codec.object(block -> {
            Sketch sketch = new Sketch(
                    block.get("part", StoredNames.PART, Block::part),
                    block.whole("theme", Block::theme),
                    block.text("version", one -> one.sketch().variation()),
                    block.number("seconds", Block::seconds),
                    block.get(
                            "choices", ChoicesCodec.CHOICES, one -> one.sketch().choices()),
                    block.get("own", Codec.FLAG.or(false), one -> one.sketch().own()),
                    block.get(
                            "setting",
                            Setting.CODEC.or(Setting.NONE),
                            one -> one.sketch().setting()),
                    block.get(
                            "rested", Codec.FLAG.or(false), one -> one.sketch().rested()));
            block.derived("title", Reason.CODEC, one -> one.music().title());
            block.derived("matching", Codec.NUMBER, one -> one.music().matching());
            return new Block(
                    sketch,
                    themes.get(sketch.theme()).in(sketch.variation()),
                    block.get("method", School.METHOD, Block::method),
                    block.get("why", Reason.CODEC, Block::why));
        });
    }

    /**
     * Workouts as they are stored.
     *
     * @param beliefs what was believed of each section when it was begun, by its place; where that is not there, nothing is
     *     learned of it
     */
    public static Codec<Workout> workout(Map<Integer, Posterior> beliefs) {
        return Codec.object(workout -> {
            workout.version(VERSION);
            Brief brief = brief(workout, beliefs);
            workout.derived("burstFloor", Codec.NUMBER, one -> one.caution().burstFloor());
            List<Block> blocks = workout.get("blocks", block(brief.themes()).list(), Workout::blocks);
            return new Workout(
                    brief.with(blocks.stream().map(Block::sketch).toList()),
                    blocks,
                    workout.get("remarks", Reason.CODEC.list(), Workout::remarks));
        });
    }

    /** Workouts of which nothing is learned. */
    public static final Codec<Workout> WORKOUT = workout(Map.of());
}
