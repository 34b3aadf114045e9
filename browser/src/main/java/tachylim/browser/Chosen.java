package tachylim.browser;

import tachylim.load.Caution;
import tachylim.method.School;
import tachylim.method.Strictness;
import tachylim.workout.Choices;

/** What a player chose, as it stands in a kept workout and in a wish: only a method's name differs. */
final class Chosen {

    private Chosen() {}

    static Choices read(Doc doc, School school) {
        return new Choices(
                school,
                doc.at("bursts").whole(),
                doc.at("burstBeats").whole(),
                doc.at("controlledShare").number(),
                doc.at("firstBurstShare").number(),
                doc.at("cleanInARow").whole(),
                Caution.valueOf(doc.at("caution").text()),
                doc.at("focus").text(),
                new Strictness(doc.at("roughCounts").flag(), doc.at("looseOnly").flag()));
    }
}
