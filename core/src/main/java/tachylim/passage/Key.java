package tachylim.passage;

/**
 * A key signature: how many sharps (positive) or flats (negative) stand at the clef.
 *
 * <p>This class is immutable.
 *
 * @param fifths −7 to 7
 */
public record Key(int fifths) {

    /** The most sharps or flats a signature has. */
    public static final int MOST = 7;

    /** No sharps or flats. */
    public static final Key NONE = new Key(0);

    private static final String SHARPS = "FCGDAEB";
    private static final String[] MAJOR_NAMES = {
        "Cb", "Gb", "Db", "Ab", "Eb", "Bb", "F", "C", "G", "D", "A", "E", "B", "F#", "C#"
    };

    /**
     * @throws IllegalArgumentException if {@code fifths} is outside −7..7
     */
    public Key {
        if (Math.abs(fifths) > MOST) {
            throw new IllegalArgumentException("A key has up to seven sharps or flats, not " + fifths);
        }
    }

    /** The alteration this key gives to a letter: −1, 0 or 1. */
    public int alterOf(char letter) {
        int place = SHARPS.indexOf(letter);
        if (fifths > 0 && place < fifths) {
            return 1;
        }
        if (fifths < 0 && place >= 7 + fifths) {
            return -1;
        }
        return 0;
    }

    /** The name of the major key with this signature, as ABC writes it. */
    public String majorName() {
        return MAJOR_NAMES[fifths + 7];
    }
}
