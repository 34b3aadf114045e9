package tachylim.task;

import java.util.List;

/**
 * What a microphone measured of the passes that are answered, as far as it is evidence. This class is immutable.
 *
 * @param taken whether the answer is the one that was suggested, taken without a hand
 * @param power how much a word that was taken so counts, 0 to 1
 * @param passes each of the passes; none where no microphone listened
 */
public record Hearing(boolean taken, double power, List<Chances> passes) {

    /** No microphone listened. */
    public static final Hearing NONE = new Hearing(false, 1, List.of());

    /**
     * How likely what was measured is where the pass was clean, where it was rough and where it broke; all the same where that
     * could not be told.
     *
     * @param clean above 0 to 1
     * @param rough above 0 to 1
     * @param broke above 0 to 1
     */
    public record Chances(double clean, double rough, double broke) {

        /**
         * @throws IllegalArgumentException if one of them is no chance
         */
        public Chances {
            if (!(clean > 0 && clean <= 1 && rough > 0 && rough <= 1 && broke > 0 && broke <= 1)) {
                throw new IllegalArgumentException("No chances: " + clean + ", " + rough + ", " + broke);
            }
        }

        /** Whether it says anything. */
        public boolean tells() {
            return clean != rough || rough != broke;
        }
    }

    /**
     * @throws IllegalArgumentException if the power is out of range
     */
    public Hearing {
        if (!(power >= 0 && power <= 1)) {
            throw new IllegalArgumentException("A measured word counts up to once, not " + power + " times");
        }
        passes = List.copyOf(passes);
    }
}
