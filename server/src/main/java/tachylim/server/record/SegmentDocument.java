package tachylim.server.record;

import java.util.ArrayList;
import java.util.List;
import tachylim.load.Condition;
import tachylim.load.Reserve;
import tachylim.passage.Piece;
import tachylim.task.Answer;
import tachylim.task.Tension;
import tachylim.workout.Pass;
import tachylim.workout.Rest;
import tachylim.workout.Segment;
import tachylim.workout.Step;
import tachylim.workout.Tally;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * A step of a run as it was asked, answered and costed: what the past is read from. Version 1 is the first;
 * version 2 says how time was told, what was asked and what was told, where that is not as ever.
 */
public final class SegmentDocument {

    private static final int VERSION = 2;
    private static final JsonMapper JSON = new JsonMapper();

    private SegmentDocument() {}

    public static String write(Segment segment) {
        return node(segment).toString();
    }

    /** Several in a row: a plan as it was told. */
    public static String writeAll(List<Segment> segments) {
        ArrayNode all = JSON.createArrayNode();
        segments.forEach(segment -> all.add(node(segment)));
        return all.toString();
    }

    public static Segment read(String json) {
        return segment(JSON.readTree(json));
    }

    public static List<Segment> readAll(String json) {
        List<Segment> segments = new ArrayList<>();
        JSON.readTree(json).forEach(node -> segments.add(segment(node)));
        return segments;
    }

    private static ObjectNode node(Segment segment) {
        ObjectNode doc = JSON.createObjectNode()
                .put("v", VERSION)
                .put("part", Kept.PART.name(segment.part()))
                .put("block", segment.block())
                .put("start", segment.start())
                .put("seconds", segment.seconds())
                .put("why", segment.step().why());
        if (segment.step() instanceof Pass pass) {
            ObjectNode passed = doc.putObject("pass");
            TaskDocument.write(passed, pass.task());
            passed.put("firstNote", pass.notes().firstNote())
                    .put("lastNote", pass.notes().lastNote())
                    .put("beats", pass.beats())
                    .put("rounds", pass.rounds())
                    .put("countIn", pass.countIn());
        } else if (segment.step() instanceof Rest rest) {
            doc.putObject("rest").put("reason", Kept.REST.name(rest.reason())).put("seconds", rest.seconds());
        }
        if (segment.answer() != null) {
            doc.put("verdict", Kept.VERDICT.name(segment.answer().verdict()))
                    .put("tension", segment.answer().tension().ordinal());
            if (segment.answer().tells()) {
                doc.put("told", segment.answer().told());
            }
        }
        tally(doc.putObject("before"), segment.before());
        tally(doc.putObject("after"), segment.after());
        return doc;
    }

    private static void tally(ObjectNode doc, Tally tally) {
        doc.put("reserve", tally.reserve().level())
                .put("reserveK", tally.reserve().k())
                .put("sinceBreak", tally.sinceBreak())
                .put("effort", tally.effort())
                .put("burstSeconds", tally.burstSeconds())
                .put("playingSeconds", tally.playingSeconds())
                .put("elapsed", tally.elapsed())
                .put("leastSeconds", tally.leastSeconds())
                .put("tension", tally.tension().ordinal())
                .put("worstTension", tally.worstTension().ordinal());
    }

    private static Segment segment(JsonNode doc) {
        Answer answer = doc.has("verdict")
                ? new Answer(
                        Kept.VERDICT.value(doc.path("verdict").asString()),
                        Tension.of(doc.path("tension").asInt()),
                        doc.path("told").asDouble(Answer.NOTHING_TOLD))
                : null;
        return new Segment(
                step(doc),
                Kept.PART.value(doc.path("part").asString()),
                doc.path("block").asInt(),
                doc.path("start").asDouble(),
                doc.path("seconds").asDouble(),
                answer,
                tally(doc.path("before")),
                tally(doc.path("after")));
    }

    private static Step step(JsonNode doc) {
        String why = doc.path("why").asString();
        if (doc.has("rest")) {
            JsonNode rest = doc.path("rest");
            return new Rest(
                    Kept.REST.value(rest.path("reason").asString()),
                    rest.path("seconds").asDouble(),
                    why);
        }
        JsonNode pass = doc.path("pass");
        return new Pass(
                TaskDocument.read(pass),
                new Piece(pass.path("firstNote").asInt(), pass.path("lastNote").asInt()),
                pass.path("beats").asInt(),
                pass.path("rounds").asInt(),
                pass.path("countIn").asInt(),
                why);
    }

    private static Tally tally(JsonNode doc) {
        return new Tally(
                new Condition(
                        new Reserve(
                                doc.path("reserve").asDouble(),
                                doc.path("reserveK").asDouble()),
                        doc.path("sinceBreak").asDouble()),
                doc.path("effort").asDouble(),
                doc.path("burstSeconds").asDouble(),
                doc.path("playingSeconds").asDouble(),
                doc.path("elapsed").asDouble(),
                doc.path("leastSeconds").asDouble(),
                Tension.of(doc.path("tension").asInt()),
                Tension.of(doc.path("worstTension").asInt()));
    }
}
