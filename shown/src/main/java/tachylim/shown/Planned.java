package tachylim.shown;

import java.util.List;
import tachylim.codec.Codec;

/**
 * A workout as a page has planned it: the picture, and the blocks as they were composed.
 *
 * @param blocks what a player may put together otherwise
 */
public record Planned(Timeline timeline, List<BlockWish> blocks) {

    public static final Codec<Planned> CODEC = Codec.object(planned -> new Planned(
            planned.get("timeline", Timeline.CODEC, Planned::timeline),
            planned.get("blocks", BlockWish.CODEC.list(), Planned::blocks)));
}
