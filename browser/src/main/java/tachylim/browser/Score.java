package tachylim.browser;

import java.util.ArrayList;
import java.util.Base64;
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
import tachylim.method.WarmUpRoutine;
import tachylim.notation.abc.AbcReader;
import tachylim.passage.Passage;
import tachylim.tempo.Tempo;
import tachylim.workout.Allowance;
import tachylim.workout.Block;
import tachylim.workout.Brief;
import tachylim.workout.Choices;
import tachylim.workout.Part;
import tachylim.workout.Sketch;
import tachylim.workout.Theme;
import tachylim.workout.Workout;

/** A workout as the server hands it to a page: the document it keeps, with what was believed of each piece. */
final class Score {

    private final Doc plan;
    private final Map<Integer, Posterior> beliefs = new HashMap<>();

    Score(Doc score) {
        this.plan = Doc.parse(score.at("workout").text());
        score.at("beliefs")
                .items()
                .forEach(belief -> beliefs.put(
                        belief.at("theme").whole(),
                        Posterior.fromBytes(
                                Base64.getDecoder().decode(belief.at("weights").text()),
                                belief.at("passes").number())));
    }

    Workout workout() {
        Brief brief = brief();
        List<Block> blocks = plan.at("blocks").items().stream()
                .map(block -> {
                    Sketch sketch = sketch(block);
                    return new Block(
                            sketch,
                            brief.themes().get(sketch.theme()).in(sketch.version()),
                            method(block.at("method")),
                            block.at("why").text());
                })
                .toList();
        return new Workout(
                brief,
                blocks,
                plan.at("remarks").items().stream().map(Doc::text).toList());
    }

    /** What it is planned from. */
    Brief brief() {
        List<Theme> themes = new ArrayList<>();
        plan.at("themes").items().forEach(theme -> themes.add(theme(theme, beliefs.get(themes.size()))));
        Doc condition = plan.at("condition");
        return new Brief(
                themes,
                plan.at("blocks").items().stream().map(Score::sketch).toList(),
                plan.at("minutes").whole(),
                choices(plan.at("choices")),
                allowance(plan.at("allowance")),
                new Condition(
                        new Reserve(
                                condition.at("reserve").number(),
                                condition.at("reserveK").number()),
                        condition.at("sinceBreak").number(),
                        condition.at("unbroken").number(Guardrails.UNBROKEN_SECONDS)),
                WarmUpRoutine.items(plan.at("routine").text()),
                plan.at("spared").text());
    }

    static Allowance allowance(Doc doc) {
        return new Allowance(
                doc.at("effort").number(),
                doc.at("burstSeconds").number(),
                doc.at("playingSeconds").number());
    }

    private static Sketch sketch(Doc block) {
        return new Sketch(
                Part.valueOf(block.at("part").text()),
                block.at("theme").whole(),
                block.at("version").text(),
                block.at("seconds").number(),
                choices(block.at("choices")));
    }

    private static Choices choices(Doc doc) {
        return Chosen.read(doc, School.of(doc.at("school").text()));
    }

    private static Theme theme(Doc doc, Posterior belief) {
        Optional<Tempo> alert = tempo(doc.at("alert"));
        Known known = (belief == null ? Known.said(estimate(doc.at("estimate"))) : Known.of(belief, alert))
                .besides(doc.at("awkward").items().stream().map(Score::band).toList());
        Map<String, Estimate> modes = new HashMap<>();
        doc.at("modes")
                .names()
                .forEach(mode -> modes.put(mode, estimate(doc.at("modes").at(mode))));
        return new Theme(
                (long) doc.at("piece").number(),
                music(doc),
                Tempo.of(doc.at("target").number()),
                known,
                tempo(doc.at("lastTempo")),
                doc.at("reachedRate").number(),
                tempo(doc.at("gripped")),
                doc.at("weak").items().stream().map(Doc::whole).toList(),
                doc.at("versions").items().stream().map(Doc::text).toList(),
                modes,
                doc.at("passesLeft").whole());
    }

    private static Passage music(Doc doc) {
        String[] beat = doc.at("beatUnit").text().split("/");
        return AbcReader.read("%%propagate-accidentals octave\n" + doc.at("abc").text())
                .passage(Fraction.of(Integer.parseInt(beat[0]), Integer.parseInt(beat[1])));
    }

    private static AwkwardBand band(Doc doc) {
        return new AwkwardBand(
                Tempo.of(doc.at("from").number()),
                Tempo.of(doc.at("to").number()),
                doc.at("passes").whole(),
                doc.at("clean").number(),
                doc.at("cleanAbove").number());
    }

    private static Estimate estimate(Doc doc) {
        return new Estimate(
                tempos(doc.at("ease")),
                tempos(doc.at("ceiling")),
                tempos(doc.at("breakdown")),
                doc.at("passes").number(0));
    }

    private static Band tempos(Doc doc) {
        return new Band(
                Tempo.of(doc.at("low").number()),
                Tempo.of(doc.at("middle").number()),
                Tempo.of(doc.at("high").number()));
    }

    private static Optional<Tempo> tempo(Doc doc) {
        return doc.isThere() ? Optional.of(Tempo.of(doc.number())) : Optional.empty();
    }

    private static Method method(Doc doc) {
        Settings settings = Settings.NONE;
        for (String name : doc.names()) {
            settings = settings.with(name, doc.at(name).setting());
        }
        return School.read(doc.at("method").text(), settings);
    }
}
