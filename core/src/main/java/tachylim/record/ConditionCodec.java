package tachylim.record;

import tachylim.codec.Codec;
import tachylim.load.Condition;
import tachylim.load.Reserve;
import tachylim.task.Tension;

/** How a player's condition stands in a document. */
final class ConditionCodec {

    private ConditionCodec() {}

    private static final Codec<Reserve> RESERVE = Codec.object(
            reserve -> new Reserve(reserve.number("level", Reserve::level), reserve.number("k", Reserve::k)));

    static final Codec<Condition> CONDITION = Codec.object(condition -> new Condition(
            condition.get("reserve", RESERVE, Condition::reserve),
            condition.number("sinceBreak", Condition::sinceBreak),
            condition.number("unbroken", Condition::unbroken),
            condition.get("worst", SegmentCodec.TENSION.or(Tension.LOOSE), Condition::worst)));
}
