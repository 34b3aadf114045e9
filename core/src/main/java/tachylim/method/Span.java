package tachylim.method;

import java.util.Optional;
import tachylim.tempo.Rounding;
import tachylim.tempo.Tempo;

/**
 * What a method is made from: the tempos between which the core of a workout moves, whole on a metronome, and the music it
 * is about. This class is immutable.
 *
 * @param comfortable where it starts: as fast as is surely clean, not above the top
 * @param top what it never goes above: the ceiling, or the target where that is slower
 * @param reach what measuring never goes above
 * @param ceiling the ceiling as it is believed
 * @param highest the fastest that a burst may be
 * @param target what is wanted
 * @param cleanInARow clean passes that earn a step, 1 or more
 * @param awkward the band of tempos that goes wrong more often than what is around it; empty when there is none
 * @param edge where tension reached its edge when that was marked last; empty when it never was
 * @param setting what the player set of it; the tempos above go by it already
 * @param ground the music
 * @param seconds the time there is, above 0
 */
public record Span(
        Tempo comfortable,
        Tempo top,
        Tempo reach,
        Tempo ceiling,
        Tempo highest,
        Tempo target,
        int cleanInARow,
        Optional<Between> awkward,
        Optional<Tempo> edge,
        Setting setting,
        Ground ground,
        double seconds) {

    /** Two tempos and all between them. This class is immutable. */
    public record Between(Tempo from, Tempo to) {}

    /**
     * As much of a section as a method has to know. This class is immutable.
     *
     * @param notes how many notes it has, 1 or more
     * @param beats how many beats it lasts, 1 or more
     * @param passBeats how many beats a pass of it lasts, which goes round several times where it is short
     * @param bar the beats of a bar, 1 or more
     * @param perBeat notes a beat in its quickest places, above 0
     * @param weak the transition that breaks most, from 0; that in its midst when none is known
     */
    public record Ground(int notes, int beats, int passBeats, int bar, double perBeat, int weak) {}

    /** Whether there is room for bursts between the ceiling and what is safe, or they are wanted at a tempo of their own. */
    public boolean hasRoomAbove() {
        return setting.tempo().isPresent() || highest.compareTo(Tempo.clamped(Rounding.below(ceiling.bpm()) + 1)) >= 0;
    }
}
