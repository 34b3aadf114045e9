package tachylim.record;

import tachylim.codec.Codec;
import tachylim.task.Hearing;
import tachylim.task.Hearing.Chances;

/** How what a microphone measured stands in a document, as far as it is evidence. */
public final class HearingCodec {

    private static final Codec<Chances> CHANCES = Codec.object(chances -> new Chances(
            chances.number("clean", Chances::clean),
            chances.number("rough", Chances::rough),
            chances.number("broke", Chances::broke)));

    public static final Codec<Hearing> HEARING = Codec.object(heard -> new Hearing(
            heard.flag("taken", Hearing::taken),
            heard.number("power", Hearing::power),
            heard.get("passes", CHANCES.list(), Hearing::passes)));

    private HearingCodec() {}
}
