package tachylim.ceiling;

import tachylim.task.Hearing.Chances;
import tachylim.task.Verdict;

/**
 * What was said of a pass, by the player, a microphone or both: how likely that is where it was clean, rough or broken. What a
 * player says alone is taken as it is. Beside a measured word it is known to err as ears do: a tenth of what is rough is called
 * clean. This class is immutable.
 *
 * @param clean how likely it is said of a clean pass, 0 to 1
 * @param rough of a rough one
 * @param broke of a broken one
 */
public record Word(double clean, double rough, double broke) {

    /** How often a player says each verdict, by how the pass was: clean, rough, broke. */
    private static final double[][] EARS = {{0.98, 0.02, 0.001}, {0.1, 0.85, 0.05}, {0.01, 0.09, 0.9}};

    /** What a player says. */
    public static Word of(Verdict verdict) {
        return switch (verdict) {
            case CLEAN -> new Word(1, 0, 0);
            case ROUGH -> new Word(0, 1, 0);
            case BROKE -> new Word(0, 0, 1);
        };
    }

    /** What a microphone measured, and nobody said otherwise. */
    public static Word measured(Chances chances) {
        return new Word(chances.clean(), chances.rough(), chances.broke());
    }

    /** What a player said of a pass that was measured. */
    public static Word both(Verdict said, Chances chances) {
        int word = said.ordinal();
        return new Word(
                EARS[0][word] * chances.clean(), EARS[1][word] * chances.rough(), EARS[2][word] * chances.broke());
    }

    /** Whether it is one verdict and surely that. */
    boolean isPlain() {
        return clean + rough + broke == 1 && (clean == 1 || rough == 1 || broke == 1);
    }

    /** How likely it is where the chances of the verdicts are these. */
    double chance(double ofClean, double ofRough, double ofBroke) {
        return clean * ofClean + rough * ofRough + broke * ofBroke;
    }
}
