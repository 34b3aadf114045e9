package tachylim.browser;

import java.util.List;
import tachylim.method.School;
import tachylim.workout.Brief;
import tachylim.workout.Choices;
import tachylim.workout.Part;
import tachylim.workout.Sketch;

/** What a player asks of a session, as the page sends it to the server too. */
final class Wish {

    private final Doc doc;

    Wish(Doc doc) {
        this.doc = doc;
    }

    /** The session that is wished for, of the pieces and on the day that {@code known} is about. */
    Brief over(Brief known) {
        Choices choices = Chosen.read(doc, School.valueOf(doc.at("school").text()));
        List<Sketch> sketches = doc.at("blocks").items().stream()
                .map(block -> new Sketch(
                        Part.valueOf(block.at("part").text()),
                        block.at("theme").whole(),
                        block.at("version").text(),
                        block.at("seconds").number(),
                        choices.by(School.valueOf(block.at("school").text()))))
                .toList();
        return new Brief(
                known.themes(),
                sketches,
                doc.at("minutes").whole(),
                choices,
                known.allowance(),
                known.condition(),
                known.routine(),
                known.spared());
    }
}
