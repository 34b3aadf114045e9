package tachylim.server.record;

import java.util.Optional;
import tachylim.passage.Piece;
import tachylim.task.Ask;
import tachylim.task.Pulse;
import tachylim.task.Task;
import tachylim.tempo.Tempo;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * What a step asks, as it is kept in the document of its segment: the kind, the tempo, and whatever is not as ever. The
 * first segments had nothing but those two.
 */
final class TaskDocument {

    private TaskDocument() {}

    static void write(ObjectNode doc, Task task) {
        doc.put("kind", Kept.PASS_KIND.name(task.kind()))
                .put("tempo", task.tempo().bpm());
        if (!(task.pulse() instanceof Pulse.Steady)) {
            pulse(doc.putObject("pulse"), task.pulse());
        }
        if (!task.mode().isEmpty()) {
            doc.put("mode", task.mode());
        }
        if (!task.ask().equals(Ask.VERDICT)) {
            doc.put("ask", Kept.ASK.name(task.ask().kind()))
                    .put("of", task.ask().of());
        }
        task.notes().ifPresent(notes -> doc.put("askedFirst", notes.firstNote()).put("askedLast", notes.lastNote()));
    }

    private static void pulse(ObjectNode doc, Pulse pulse) {
        if (pulse instanceof Pulse.Recounted recounted) {
            doc.put("is", "recounted").put("beatsPerClick", recounted.beatsPerClick());
        } else if (pulse instanceof Pulse.Switching switching) {
            doc.put("is", "switching")
                    .put("spread", switching.spread())
                    .put("from", switching.from())
                    .put("quick", switching.quick());
        } else if (pulse instanceof Pulse.Gliding gliding) {
            doc.put("is", "gliding")
                    .put("top", gliding.top().bpm())
                    .put("up", gliding.up())
                    .put("hold", gliding.hold());
        } else if (pulse instanceof Pulse.DroppingOut dropping) {
            doc.put("is", "dropping-out").put("with", dropping.with()).put("without", dropping.without());
        } else if (pulse instanceof Pulse.Free free) {
            doc.put("is", "free").put("seconds", free.seconds());
        }
    }

    static Task read(JsonNode doc) {
        Tempo tempo = Tempo.of(doc.path("tempo").asDouble());
        return new Task(
                Kept.PASS_KIND.value(doc.path("kind").asString()),
                doc.has("pulse") ? pulse(doc.path("pulse"), tempo) : new Pulse.Steady(tempo),
                doc.has("askedFirst")
                        ? Optional.of(new Piece(
                                doc.path("askedFirst").asInt(),
                                doc.path("askedLast").asInt()))
                        : Optional.empty(),
                doc.path("mode").asString(""),
                doc.has("ask")
                        ? new Ask(
                                Kept.ASK.value(doc.path("ask").asString()),
                                doc.path("of").asInt())
                        : Ask.VERDICT);
    }

    private static Pulse pulse(JsonNode doc, Tempo tempo) {
        return switch (doc.path("is").asString()) {
            case "recounted" ->
                new Pulse.Recounted(tempo, doc.path("beatsPerClick").asDouble());
            case "switching" ->
                new Pulse.Switching(
                        tempo,
                        doc.path("spread").asInt(),
                        doc.path("from").asInt(),
                        doc.path("quick").asInt());
            case "gliding" ->
                new Pulse.Gliding(
                        tempo,
                        Tempo.of(doc.path("top").asDouble()),
                        doc.path("up").asDouble(),
                        doc.path("hold").asDouble());
            case "dropping-out" ->
                new Pulse.DroppingOut(
                        tempo, doc.path("with").asInt(), doc.path("without").asInt());
            case "free" -> new Pulse.Free(tempo, doc.path("seconds").asDouble());
            default -> throw new IllegalArgumentException("No pulse is kept as " + doc.path("is"));
        };
    }
}
