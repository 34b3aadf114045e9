package tachylim.variation;

import java.util.ArrayList;
import java.util.List;
import org.apache.commons.numbers.fraction.Fraction;
import tachylim.passage.Key;
import tachylim.passage.Passage;
import tachylim.passage.Pitch;
import tachylim.words.Reason;

/**
 * The rhythm on a scale of the key, up an octave and down again, with one fixed note between its steps.
 *
 * <p>The scale starts on the keynote at or below the lowest note. This class is immutable.
 *
 * @param high whether the fixed note lies an octave above the scale's start, or an octave below it
 */
public record Drone(boolean high) implements Variation {

    private static final String LETTERS = "CDEFGAB";
    private static final int OCTAVE = 7;

    @Override
    public Family family() {
        return Family.RHYTHM;
    }

    @Override
    public String key() {
        return (high ? VariationKind.DRONE_HIGH : VariationKind.DRONE_LOW).key();
    }

    @Override
    public Reason title() {
        return Reason.of("variation.drone", "high", high);
    }

    @Override
    public Rendering of(Passage passage) {
        List<Pitch> scale = scale(passage);
        Pitch start = scale.get(0);
        Pitch fixed = new Pitch(start.letter(), start.alter(), start.octave() + (high ? 1 : -1));
        List<Pitch> steps = new ArrayList<>(scale);
        if (high) {
            // The octave is the fixed note itself.
            steps.remove(steps.size() - 1);
        }
        for (int i = steps.size() - 2; i > 0; i--) {
            steps.add(steps.get(i));
        }
        Weaver weaver = Weaver.inPlace(passage);
        for (int note = 0; note < passage.notes().size(); note++) {
            Pitch pitch = note % 2 == 0 ? steps.get(note / 2 % steps.size()) : fixed;
            weaver.play(note, List.of(pitch), passage.span(note), false);
        }
        return weaver.renderingWithItsBars(Fraction.ONE, Reason.of("variation.drone.remark"));
    }

    private static List<Pitch> scale(Passage passage) {
        Key key = passage.key();
        char keynote = key.majorName().charAt(0);
        int lowest = passage.notes().stream()
                .flatMap(note -> note.pitches().stream())
                .mapToInt(Pitch::midi)
                .min()
                .orElse(60);
        int octave = 8;
        while (octave > 0 && new Pitch(keynote, key.alterOf(keynote), octave).midi() > lowest) {
            octave--;
        }
        List<Pitch> scale = new ArrayList<>();
        int first = LETTERS.indexOf(keynote);
        for (int step = 0; step <= OCTAVE; step++) {
            char letter = LETTERS.charAt((first + step) % OCTAVE);
            scale.add(new Pitch(letter, key.alterOf(letter), octave + (first + step) / OCTAVE));
        }
        return scale;
    }
}
