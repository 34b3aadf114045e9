package tachylim.take;

/**
 * A key, pad or string that an instrument itself tells of. This class is immutable.
 *
 * @param seconds when it was struck
 * @param pitch its pitch as a MIDI number, 0 to 127
 * @param velocity how hard, 1 to 127
 * @param channel on which channel it was told, 0 to 15
 */
public record Struck(double seconds, int pitch, int velocity, int channel) {

    static final int HIGHEST = 127;

    /**
     * @throws IllegalArgumentException if it is no key of a keyboard, or was not struck
     */
    public Struck {
        if (pitch < 0 || pitch > HIGHEST || velocity < 1 || velocity > HIGHEST || !Double.isFinite(seconds)) {
            throw new IllegalArgumentException("A key " + pitch + " struck at " + velocity + ", " + seconds + " s");
        }
    }
}
