package tachylim.record;

import tachylim.codec.Codec;
import tachylim.load.Condition;
import tachylim.load.Recovery;
import tachylim.task.Tension;

/** How a player's condition stands in a document. */
final class ConditionCodec {

    private ConditionCodec() {}

    private static final Codec<Recovery> RECOVERY = Codec.object(
            recovery -> new Recovery(recovery.number("level", Recovery::level), recovery.number("k", Recovery::k)));

    static final Codec<Condition> CONDITION = Codec.object(condition -> new Condition(
            condition.get("reserve", RECOVERY, Condition::recovery),
            condition.number("sinceBreak", Condition::sinceBreak),
            condition.number("unbroken", Condition::unbroken),
            condition.get("worst", SegmentCodec.TENSION.or(Tension.LOOSE), Condition::worst),
            condition.get("playedSeconds", Codec.NUMBER.or(0.0), Condition::playedSeconds)));
}
