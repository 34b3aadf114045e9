package tachylim.server.account;

import java.util.List;
import tachylim.codec.Codec;
import tachylim.method.WarmUpRoutine;
import tachylim.passage.InstrumentFamily;

/**
 * What a player is used to on an instrument beside their first. This class is immutable.
 *
 * @param instrument which
 * @param minutes the minutes of a usual workout on it
 * @param routine the lines of its own warm-up; none when it is large, easy movement
 */
public record OtherInstrument(InstrumentFamily instrument, int minutes, List<WarmUpRoutine.Item> routine) {

    /** As they stand in the row of their player. */
    static final Codec<List<OtherInstrument>> CODEC = Codec.<OtherInstrument>object(one -> new OtherInstrument(
                    one.get(
                            "instrument",
                            Codec.TEXT.as(InstrumentFamily::valueOf, InstrumentFamily::name),
                            OtherInstrument::instrument),
                    one.whole("minutes", OtherInstrument::minutes),
                    WarmUpRoutine.items(one.text("routine", other -> WarmUpRoutine.text(other.routine())))))
            .list();

    public OtherInstrument {
        routine = List.copyOf(routine);
    }
}
