package tachylim.ceiling;

import java.nio.ByteBuffer;
import java.util.Arrays;
import java.util.zip.DataFormatException;
import java.util.zip.Deflater;
import java.util.zip.Inflater;

/**
 * A belief as bytes, {@value #MOST_BYTES} at most: the weights of the morning and, if anything was heard since, how likely
 * that was, in rows of the same kind.
 *
 * <p>Each weight becomes one byte, the logarithm of its share of the largest in twelfths, so that it is off by 4% at
 * most and what weighs less than a hundred-thousandth of the largest is dropped. Rows are much like their neighbours, so
 * each byte is kept as its difference to the one before, and all is deflated. Where that is still too much, as in a wide
 * belief, only every second, fourth … place is kept and those between lie on a straight line of logarithms.
 */
final class BeliefBytes {

    static final int MOST_BYTES = 16_000;

    private static final byte EDITION = 2;
    private static final int LARGEST = 255;
    private static final double STEPS_PER_NAT = 12;

    /** ln of the share below which a weight is dropped. */
    private static final double LEAST = -11.5;

    /** The share that each level stands for. */
    private static final double[] SHARES = shares(0);

    /** The least share that is kept as each level. */
    private static final double[] LOWEST = shares(-0.5);

    private static double[] shares(double off) {
        double[] shares = new double[LARGEST + 1];
        for (int level = 0; level < shares.length; level++) {
            shares[level] = Math.exp((level - LARGEST + off) / STEPS_PER_NAT);
        }
        return shares;
    }

    private static final int HEADER = 2;
    private static final int ROOM_FOR_NOTHING_GAINED = 1_000;
    private static final int ROW_HEADER = 2 * Short.BYTES;
    private static final int ROWS_HEARD = Shape.COUNT / Shape.TRENDS.length;
    private static final int MOST_ROWS = Math.max(EarlierShape.COUNT, Shape.COUNT + ROWS_HEARD);

    private BeliefBytes() {}

    static byte[] of(Posterior belief) {
        double largest = 0;
        for (int shape = 0; shape < Shape.COUNT; shape++) {
            for (double weight : belief.morning(shape).weights()) {
                largest = Math.max(largest, weight);
            }
        }
        int stride = 1;
        byte[] bytes = bytes(belief, largest, stride);
        while (bytes.length > MOST_BYTES) {
            stride *= 2;
            bytes = bytes(belief, largest, stride);
        }
        return bytes;
    }

    private static byte[] bytes(Posterior belief, double largest, int stride) {
        ByteBuffer bytes = ByteBuffer.allocate(MOST_ROWS * (ROW_HEADER + Posterior.PLACES));
        for (int shape = 0; shape < Shape.COUNT; shape++) {
            put(bytes, thinned(belief.morning(shape), stride).trimmed(largest * Math.exp(LEAST)), largest);
        }
        DaysPasses heard = belief.heard();
        if (heard != null) {
            for (Row chances : heard.rows()) {
                // Whatever is unlikely stays possible: only together with the morning it says what to drop.
                put(bytes, thinned(chances, stride), 1);
            }
        }
        byte[] deflated = deflated(bytes);
        return ByteBuffer.allocate(HEADER + deflated.length)
                .put(EDITION)
                .put((byte) stride)
                .put(deflated)
                .array();
    }

    private static void put(ByteBuffer bytes, Row row, double largest) {
        bytes.putShort((short) row.weights().length).putShort((short) row.from());
        bytes.put(steps(row.weights(), largest));
    }

    /** The level of each weight, as the difference to the one before. */
    private static byte[] steps(double[] weights, double largest) {
        byte[] steps = new byte[weights.length];
        int before = 0;
        for (int i = 0; i < weights.length; i++) {
            int level = level(weights[i] / largest, before);
            steps[i] = (byte) (level - before);
            before = level;
        }
        return steps;
    }

    /** The level of a share, looked for from that of its neighbour, which is seldom far: a logarithm each is slower. */
    private static int level(double share, int near) {
        int level = near;
        while (level < LARGEST && share >= LOWEST[level + 1]) {
            level++;
        }
        while (level > 0 && share < LOWEST[level]) {
            level--;
        }
        return level;
    }

    private static byte[] deflated(ByteBuffer bytes) {
        Deflater deflater = new Deflater(Deflater.DEFAULT_COMPRESSION, true);
        try {
            deflater.setInput(bytes.array(), 0, bytes.position());
            deflater.finish();
            byte[] room = new byte[bytes.position() + ROOM_FOR_NOTHING_GAINED];
            return Arrays.copyOf(room, deflater.deflate(room));
        } finally {
            deflater.end();
        }
    }

    private static ByteBuffer inflated(byte[] kept) {
        Inflater inflater = new Inflater(true);
        try {
            inflater.setInput(kept, HEADER, kept.length - HEADER);
            byte[] room = new byte[MOST_ROWS * (ROW_HEADER + Posterior.PLACES)];
            return ByteBuffer.wrap(room, 0, inflater.inflate(room));
        } catch (DataFormatException broken) {
            throw new IllegalArgumentException("These " + kept.length + " bytes are no kept belief", broken);
        } finally {
            inflater.end();
        }
    }

    /** Every {@code stride}th place of a row, counted in strides. */
    private static Row thinned(Row row, int stride) {
        if (row.weights().length == 0 || stride == 1) {
            return row;
        }
        int from = (row.from() + stride - 1) / stride;
        int to = (row.to() - 1) / stride + 1;
        double[] weights = new double[Math.max(0, to - from)];
        for (int i = 0; i < weights.length; i++) {
            weights[i] = row.weights()[(from + i) * stride - row.from()];
        }
        return weights.length == 0 ? Row.EMPTY : new Row(from, weights);
    }

    static Posterior read(byte[] kept, double passes) {
        return readUnpacked(unpacked(kept), passes);
    }

    /** The same bytes no longer deflated, for who has nothing to inflate by: many more of them. */
    static byte[] unpacked(byte[] kept) {
        if (kept.length < HEADER || kept[0] != EDITION && kept[0] != EarlierShape.EDITION) {
            throw new IllegalArgumentException("These " + kept.length + " bytes are no kept belief");
        }
        ByteBuffer bytes = inflated(kept);
        return ByteBuffer.allocate(HEADER + bytes.remaining())
                .put(kept, 0, HEADER)
                .put(bytes)
                .array();
    }

    static Posterior readUnpacked(byte[] unpacked, double passes) {
        int stride = unpacked[1];
        ByteBuffer bytes = ByteBuffer.wrap(unpacked, HEADER, unpacked.length - HEADER);
        if (unpacked[0] == EarlierShape.EDITION) {
            return Posterior.normalised(EarlierShape.rows(rows(bytes, EarlierShape.COUNT, stride)), passes);
        }
        Posterior morning = Posterior.normalised(rows(bytes, Shape.COUNT, stride), passes);
        return bytes.hasRemaining() ? morning.hearing(rows(bytes, ROWS_HEARD, stride)) : morning;
    }

    private static Row[] rows(ByteBuffer bytes, int shapes, int stride) {
        Row[] rows = new Row[shapes];
        for (int shape = 0; shape < shapes; shape++) {
            int count = bytes.getShort();
            int from = bytes.getShort();
            int[] levels = new int[count];
            int level = 0;
            for (int i = 0; i < count; i++) {
                level = level + bytes.get() & LARGEST;
                levels[i] = level;
            }
            rows[shape] = filled(from, levels, stride);
        }
        return rows;
    }

    private static Row filled(int from, int[] levels, int stride) {
        if (levels.length == 0) {
            return Row.EMPTY;
        }
        double[] weights = new double[(levels.length - 1) * stride + 1];
        for (int kept = 0; kept < levels.length; kept++) {
            weights[kept * stride] = SHARES[levels[kept]];
        }
        for (int i = 0; stride > 1 && i < weights.length; i++) {
            if (i % stride > 0) {
                weights[i] = between(levels[i / stride], levels[i / stride + 1], (double) (i % stride) / stride);
            }
        }
        return new Row(from * stride, weights);
    }

    private static double between(int before, int after, double beyond) {
        double level = before * (1 - beyond) + after * beyond;
        return Math.exp((level - LARGEST) / STEPS_PER_NAT);
    }
}
