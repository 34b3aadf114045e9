package tachylim.passage;

/**
 * A written pitch: a letter, an alteration and an octave, spelled as the player reads it.
 *
 * <p>Octave 4 starts at middle C. This class is immutable.
 *
 * @param letter one of {@code C D E F G A B}
 * @param alter semitones of alteration, −2 (double flat) to 2 (double sharp)
 * @param octave scientific octave, 4 for the one that starts at middle C, −1 to 9
 */
public record Pitch(char letter, int alter, int octave) {

    private static final String LETTERS = "CDEFGAB";
    private static final int[] SEMITONES = {0, 2, 4, 5, 7, 9, 11};

    /**
     * @throws IllegalArgumentException if a part is outside its range
     */
    public Pitch {
        if (LETTERS.indexOf(letter) < 0) {
            throw new IllegalArgumentException("No such note letter: " + letter);
        }
        if (alter < -2 || alter > 2) {
            throw new IllegalArgumentException("An alteration lies between -2 and 2, not at " + alter);
        }
        if (octave < -1 || octave > 9) {
            throw new IllegalArgumentException("An octave lies between -1 and 9, not at " + octave);
        }
    }

    /** The MIDI key number, 60 for middle C. */
    public int midi() {
        return 12 * (octave + 1) + SEMITONES[LETTERS.indexOf(letter)] + alter;
    }

    /**
     * How a key on a keyboard is spelled in {@code key}: as the signature has it, else with the signature's
     * kind of alteration, sharps where it has none.
     *
     * @param midi the MIDI key number, 0 to 127
     */
    public static Pitch ofMidi(int midi, Key key) {
        int octave = midi / 12 - 1;
        for (int alter : key.fifths() < 0 ? new int[] {0, -1, 1} : new int[] {0, 1, -1}) {
            for (char letter : LETTERS.toCharArray()) {
                boolean inKey = key.alterOf(letter) == alter;
                if (inKey && new Pitch(letter, alter, octave).midi() == midi) {
                    return new Pitch(letter, alter, octave);
                }
            }
        }
        int first = key.fifths() < 0 ? -1 : 1;
        for (int alter : new int[] {0, first, -first}) {
            for (char letter : LETTERS.toCharArray()) {
                if (new Pitch(letter, alter, octave).midi() == midi) {
                    return new Pitch(letter, alter, octave);
                }
            }
        }
        throw new IllegalArgumentException("There is no key " + midi + " on a keyboard");
    }
}
