package tachylim.workout;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalInt;
import java.util.stream.IntStream;

/**
 * Where in a workout its break is: between two blocks, from where the rest can be played at one go, and not in the middle of
 * one, or with nothing but the close after it.
 */
final class Breaks {

    /** A break is not taken before so many seconds were played. */
    private static final double EARLIEST = 600;

    private Breaks() {}

    /**
     * The sketches, with a break before one of them where one is due on the way that is not planned yet.
     *
     * @param ahead what comes of the sketches if all goes well
     * @param unbroken how long may be played without a break, in seconds
     */
    static List<Sketch> placed(List<Sketch> sketches, List<Segment> ahead, double unbroken) {
        OptionalInt due = IntStream.range(0, ahead.size())
                .filter(i -> isBreak(ahead.get(i)))
                .filter(i -> !sketches.get(ahead.get(i).block()).rested())
                .findFirst();
        if (due.isEmpty()) {
            return sketches;
        }
        int torn = ahead.get(due.getAsInt()).block();
        int last = IntStream.range(0, torn)
                .filter(block -> sketches.get(block).rested())
                .max()
                .orElse(0);
        int at = IntStream.rangeClosed(last + 1, torn)
                .filter(block -> lasting(ahead, last, block) >= EARLIEST)
                .filter(block -> lasting(ahead, block, sketches.size()) <= unbroken)
                .findFirst()
                .orElse(torn);
        List<Sketch> placed = new ArrayList<>(sketches);
        if (lasting(ahead, last, at) >= EARLIEST) {
            placed.set(at, placed.get(at).afterBreak());
        }
        return placed;
    }

    private static boolean isBreak(Segment segment) {
        return segment.step() instanceof Rest rest && rest.purpose() == Rest.Purpose.BREAK;
    }

    /** What the blocks from one to before another take, without their breaks. */
    private static double lasting(List<Segment> ahead, int from, int to) {
        return ahead.stream()
                .filter(one -> one.block() >= from && one.block() < to && !isBreak(one))
                .mapToDouble(Segment::seconds)
                .sum();
    }
}
