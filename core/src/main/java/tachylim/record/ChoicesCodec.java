package tachylim.record;

import tachylim.codec.Codec;
import tachylim.method.School;
import tachylim.method.Strictness;
import tachylim.workout.Choices;

/** How what a player chose stands in a document. */
final class ChoicesCodec {

    private ChoicesCodec() {}

    static final Codec<Choices> CHOICES = Codec.object(choices -> new Choices(
            choices.get("school", School.CODEC, Choices::school),
            choices.whole("bursts", Choices::bursts),
            choices.whole("burstBeats", Choices::burstBeats),
            choices.number("controlledShare", Choices::controlledShare),
            choices.number("firstBurstShare", Choices::firstBurstShare),
            choices.whole("cleanInARow", Choices::cleanInARow),
            choices.get("caution", StoredNames.CAUTION, Choices::caution),
            choices.text("focus", Choices::focus),
            new Strictness(
                    choices.flag("roughCounts", one -> one.strictness().roughCounts()),
                    choices.flag("looseOnly", one -> one.strictness().looseOnly())),
            choices.get("restsAsPlayed", Codec.FLAG.or(false), Choices::restsAsPlayed)));
}
