package tachylim.record;

import java.nio.ByteBuffer;
import java.util.ArrayList;
import java.util.List;
import tachylim.take.Measured.Transition;

/** The transitions of a measured pass as bytes, nine of each: which one, tenths of milliseconds, and whether it slipped. */
public final class TransitionBytes {

    /** A pass of more transitions is kept up to here. */
    public static final int MOST = 2_000;

    private static final int EACH = 9;
    private static final double TENTHS = 10_000;

    private TransitionBytes() {}

    public static byte[] of(List<Transition> transitions) {
        int count = Math.min(MOST, transitions.size());
        ByteBuffer bytes = ByteBuffer.allocate(EACH * count);
        for (Transition one : transitions.subList(0, count)) {
            bytes.putShort((short) one.to())
                    .putShort(tenths(one.off()))
                    .putShort(tenths(one.sigma()))
                    .putShort(tenths(one.interval() * 1_000 / TENTHS))
                    .put((byte) (one.slipped() ? 1 : 0));
        }
        return bytes.array();
    }

    /**
     * The transitions of bytes.
     *
     * @throws IllegalArgumentException if they are none
     */
    public static List<Transition> read(byte[] kept) {
        if (kept.length % EACH != 0) {
            throw new IllegalArgumentException(kept.length + " bytes are no transitions");
        }
        ByteBuffer bytes = ByteBuffer.wrap(kept);
        List<Transition> transitions = new ArrayList<>();
        while (bytes.hasRemaining()) {
            int to = bytes.getShort();
            double off = bytes.getShort() / TENTHS;
            double sigma = bytes.getShort() / TENTHS;
            double interval = bytes.getShort() / 1_000.0;
            transitions.add(new Transition(to, off, sigma, interval, bytes.get() != 0));
        }
        return transitions;
    }

    private static short tenths(double seconds) {
        return (short) Math.max(Short.MIN_VALUE, Math.min(Short.MAX_VALUE, Math.round(seconds * TENTHS)));
    }
}
