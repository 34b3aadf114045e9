package tachylim.shown;

import java.util.List;
import java.util.Map;
import tachylim.ceiling.Estimate;
import tachylim.codec.Codec;
import tachylim.method.School;
import tachylim.record.EstimateCodec;
import tachylim.record.StoredNames;
import tachylim.record.WorkoutCodec;
import tachylim.shown.PlanOutline.BlockOutline;
import tachylim.words.Reason;
import tachylim.workout.Part;

/**
 * The outline of a stored workout: its methods and choices are not read, so that what has become of them since does not
 * matter. Nothing is written by it.
 */
final class StoredOutline {

    private StoredOutline() {}

    /** How fast a section was, and whether that was held to be known. */
    private record How(Estimate estimate, boolean enough) {

        private static final Codec<How> CODEC = Codec.object(how -> new How(
                how.get("estimate", EstimateCodec.ESTIMATE, How::estimate), how.get("estimate", ENOUGH, How::enough)));
    }

    private record Theme(double target, How how) {

        private static final Codec<Theme> CODEC = Codec.object(
                theme -> new Theme(theme.number("target", Theme::target), theme.get("known", How.CODEC, Theme::how)));
    }

    private record Block(Part part, int theme, Reason title, double matching, School method, Reason why) {

        private static final Codec<Block> CODEC = Codec.object(block -> new Block(
                block.get("part", StoredNames.PART, Block::part),
                block.whole("theme", Block::theme),
                block.get("title", Reason.CODEC, Block::title),
                block.number("matching", Block::matching),
                block.get("method", METHOD, Block::method),
                block.get("why", Reason.CODEC, Block::why)));

        private BlockOutline outline(Theme about) {
            return new BlockOutline(
                    part, theme, title, method, why, about.target * matching, about.how.estimate.times(matching));
        }
    }

    private static final Codec<Boolean> ENOUGH = member("enough", Codec.FLAG);

    private static final Codec<School> METHOD = member("method", School.CODEC);

    private static <V> Codec<V> member(String name, Codec<V> codec) {
        return Codec.of(codec::write, node -> codec.read(((Map<?, ?>) node).get(name)));
    }

    private static final Codec<PlanOutline> WORKOUT = Codec.object(workout -> {
        List<Theme> themes = workout.get("themes", Theme.CODEC.list(), one -> List.of());
        How main = themes.get(0).how;
        return new PlanOutline(
                themes.get(0).target,
                main.estimate,
                main.enough,
                workout.get("blocks", Block.CODEC.list(), one -> List.<Block>of()).stream()
                        .map(block -> block.outline(themes.get(block.theme)))
                        .toList(),
                workout.number("burstFloor", PlanOutline::burstFloor),
                workout.get("allowance", WorkoutCodec.ALLOWANCE, one -> null).effort(),
                workout.get("remarks", Reason.CODEC.list(), PlanOutline::remarks));
    });

    static PlanOutline read(Object tree) {
        return WORKOUT.read(tree);
    }
}
