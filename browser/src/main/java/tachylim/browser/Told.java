package tachylim.browser;

import tachylim.shown.BandDto;
import tachylim.shown.EstimateDto;
import tachylim.shown.Moment;
import tachylim.shown.Relief;
import tachylim.workout.Sketch;

/** What is shown, as the server writes it. */
final class Told {

    private static final double LEAST_SECONDS = 10;

    private Told() {}

    static Out of(Moment moment) {
        return new Out()
                .put("step", of(moment.step()))
                .put("part", moment.part())
                .put("blockWhy", moment.blockWhy())
                .put("block", moment.block())
                .put("theme", moment.theme())
                .put("version", moment.version())
                .put("method", moment.method())
                .put("target", moment.target())
                .put("upcoming", moment.upcoming())
                .put("answered", moment.answered() == null ? null : of(moment.answered()))
                .put("at", moment.at())
                .put("relief", of(moment.relief()))
                .put("secondsToBreak", moment.secondsToBreak());
    }

    private static Out of(Moment.AnsweredDto answered) {
        return new Out()
                .put("verdict", answered.verdict())
                .put("tension", answered.tension())
                .put("tempo", answered.tempo());
    }

    private static Out of(Moment.StepDto step) {
        return new Out()
                .put("why", step.why())
                .put("pass", step.pass() == null ? null : of(step.pass()))
                .put("rest", step.rest() == null ? null : of(step.rest()))
                .put("ended", step.ended());
    }

    private static Out of(Moment.RestDto rest) {
        return new Out().put("reason", rest.reason()).put("seconds", rest.seconds());
    }

    private static Out of(Moment.PassDto pass) {
        return new Out()
                .put("kind", pass.kind())
                .put("tempo", pass.tempo())
                .put("beats", pass.beats())
                .put("rounds", pass.rounds())
                .put("countIn", pass.countIn())
                .put("seconds", pass.seconds())
                .put("metronome", pass.metronome())
                .put("fastest", pass.fastest())
                .put("pulse", pass.pulse())
                .put("mode", pass.mode())
                .put("ask", pass.ask())
                .put("askOf", pass.askOf())
                .put("notesPerSecond", pass.notesPerSecond())
                .put("abc", pass.abc())
                .put("places", pass.places(), place -> place)
                .put("bare", pass.bare())
                .put("beatOf", pass.beatOf(), beat -> beat)
                .put("bars", pass.bars(), beat -> beat)
                .put("roundBeats", pass.roundBeats())
                .put("firstLink", pass.firstLink())
                .put("wholePiece", pass.wholePiece())
                .put("number", pass.number())
                .put("of", pass.of())
                .put(
                        "clicks",
                        pass.clicks(),
                        click -> new Out().put("seconds", click.seconds()).put("kind", click.kind()));
    }

    /** A block as a player may put it together otherwise; the API gives none less than ten seconds. */
    static Out of(Sketch sketch) {
        return new Out()
                .put("part", sketch.part())
                .put("theme", sketch.theme())
                .put("version", sketch.version())
                .put("seconds", Math.max(LEAST_SECONDS, sketch.seconds()))
                .put("school", sketch.choices().school());
    }

    static Out of(Relief relief) {
        return new Out()
                .put("seconds", relief.seconds())
                .put("target", relief.target())
                .put("estimate", of(relief.estimate()))
                .put("stretches", relief.stretches(), Told::of)
                .put("blocks", relief.blocks(), Told::of)
                .put("burstFloor", relief.burstFloor())
                .put("effortBefore", relief.effortBefore())
                .put("effortCap", relief.effortCap())
                .put("effortWhy", relief.effortWhy())
                .put("totals", of(relief.totals()))
                .put("remarks", relief.remarks(), Out::quoted);
    }

    private static Out of(Relief.StretchDto stretch) {
        return new Out()
                .put("form", stretch.form())
                .put("block", stretch.block())
                .put("start", stretch.start())
                .put("seconds", stretch.seconds())
                .put("countIn", stretch.countIn())
                .put("tempo", stretch.tempo())
                .put("fastest", stretch.fastest())
                .put("pulse", stretch.pulse())
                .put("counted", stretch.counted())
                .put("passes", stretch.passes())
                .put("rest", stretch.rest())
                .put("played", stretch.played())
                .put("verdict", stretch.verdict())
                .put("tension", stretch.tension())
                .put("reserveBefore", stretch.reserveBefore())
                .put("reserveAfter", stretch.reserveAfter())
                .put("effortAfter", stretch.effortAfter())
                .put("why", stretch.why());
    }

    private static Out of(Relief.BlockDto block) {
        return new Out()
                .put("part", block.part())
                .put("theme", block.theme())
                .put("version", block.version())
                .put("method", block.method())
                .put("why", block.why())
                .put("start", block.start())
                .put("end", block.end())
                .put("target", block.target())
                .put("estimate", of(block.estimate()));
    }

    private static Out of(Relief.TotalsDto totals) {
        return new Out()
                .put("playingSeconds", totals.playingSeconds())
                .put("restSeconds", totals.restSeconds())
                .put("seconds", totals.seconds())
                .put("notes", totals.notes())
                .put("burstSeconds", totals.burstSeconds())
                .put("bursts", totals.bursts())
                .put("passes", totals.passes())
                .put("clean", totals.clean())
                .put("rough", totals.rough())
                .put("broke", totals.broke())
                .put("effort", totals.effort());
    }

    private static Out of(EstimateDto estimate) {
        return new Out()
                .put("ease", of(estimate.ease()))
                .put("ceiling", of(estimate.ceiling()))
                .put("breakdown", of(estimate.breakdown()))
                .put("enoughEvidence", estimate.enoughEvidence());
    }

    private static Out of(BandDto band) {
        return new Out().put("low", band.low()).put("middle", band.middle()).put("high", band.high());
    }
}
