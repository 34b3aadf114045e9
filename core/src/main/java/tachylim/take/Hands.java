package tachylim.take;

import java.util.Comparator;
import java.util.List;
import java.util.OptionalDouble;
import java.util.function.ToIntFunction;
import java.util.stream.IntStream;

/** How two hands, or two sticks, lie in time against each other, where an instrument tells which key each strikes. */
public final class Hands {

    /** How a player tells one hand from the other. */
    public enum Apart {
        /** The other hand plays a channel of its own: every one but the first that is heard. */
        CHANNEL,
        /** The other hand plays from a key on. */
        SPLIT
    }

    /** Struck within this is together, in seconds. */
    private static final double TOGETHER = 0.05;

    private static final int FEWEST = 3;

    private Hands() {}

    /** Which hand strikes each key, 0 or 1. */
    public static ToIntFunction<Struck> by(Apart apart, int split, List<Struck> struck) {
        int first = struck.isEmpty() ? 0 : struck.get(0).channel();
        return switch (apart) {
            case CHANNEL -> key -> key.channel() == first ? 0 : 1;
            case SPLIT -> key -> key.pitch() < split ? 0 : 1;
        };
    }

    /**
     * How much later the other hand, hand 1, strikes where both strike together.
     *
     * @return the median, in seconds, below 0 where it is the earlier; empty where they seldom do
     */
    public static OptionalDouble together(List<Struck> struck, ToIntFunction<Struck> hand) {
        List<Struck> inOrder = struck.stream()
                .sorted(Comparator.comparingDouble(Struck::seconds))
                .toList();
        double[] later = IntStream.range(1, inOrder.size())
                .filter(i -> hand.applyAsInt(inOrder.get(i)) != hand.applyAsInt(inOrder.get(i - 1)))
                .filter(i -> inOrder.get(i).seconds() - inOrder.get(i - 1).seconds() <= TOGETHER)
                .mapToDouble(i -> (hand.applyAsInt(inOrder.get(i)) == 1 ? 1 : -1)
                        * (inOrder.get(i).seconds() - inOrder.get(i - 1).seconds()))
                .toArray();
        return later.length < FEWEST ? OptionalDouble.empty() : OptionalDouble.of(Quiet.quantile(later, 0.5));
    }

    /**
     * How much later hand 1 comes where the hands take turns: what its notes are late by less what those of the other are, half
     * of it being the displacement of each.
     *
     * @return in seconds, below 0 where it is the earlier; empty where they seldom take turns
     */
    public static OptionalDouble inTurn(Measured measured, List<Struck> struck, ToIntFunction<Struck> hand) {
        double[][] off = new double[2][];
        for (int which = 0; which < 2; which++) {
            int of = which;
            off[which] = measured.transitions().stream()
                    .filter(one -> handAt(measured, one.to(), struck, hand) == of
                            && handAt(measured, one.to() - 1, struck, hand) == 1 - of)
                    .mapToDouble(Measured.Transition::off)
                    .toArray();
        }
        return off[0].length < FEWEST || off[1].length < FEWEST
                ? OptionalDouble.empty()
                : OptionalDouble.of((Quiet.quantile(off[1], 0.5) - Quiet.quantile(off[0], 0.5)) / 2);
    }

    private static int handAt(Measured measured, int note, List<Struck> struck, ToIntFunction<Struck> hand) {
        return measured.onsets().stream()
                .filter(onset -> onset.note() == note)
                .findFirst()
                .flatMap(onset -> struck.stream()
                        .min(Comparator.comparingDouble(key -> Math.abs(key.seconds() - onset.seconds()))))
                .map(hand::applyAsInt)
                .orElse(-1);
    }
}
