package tachylim.shown;

import java.util.List;
import tachylim.codec.Codec;
import tachylim.take.Struck;

/** A key that was struck, as a page tells it. */
public final class StruckDto {

    public static final Codec<List<Struck>> CODEC = Codec.<Struck>object(struck -> new Struck(
                    struck.number("seconds", Struck::seconds),
                    struck.whole("pitch", Struck::pitch),
                    struck.whole("velocity", Struck::velocity),
                    struck.whole("channel", Struck::channel)))
            .list();

    private StruckDto() {}
}
