package tachylim.variation;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.apache.commons.numbers.fraction.Fraction;
import tachylim.passage.Articulation;
import tachylim.passage.Inflection;
import tachylim.passage.Note;
import tachylim.passage.Passage;
import tachylim.passage.Pitch;
import tachylim.words.Reason;
import tachylim.words.Refusal;

/** Puts notes of a passage one after another into new music, with regular bars in the passage's meter. */
final class Weaver {

    private final Passage passage;
    private final List<Note> notes = new ArrayList<>();
    private final List<Integer> source = new ArrayList<>();
    private final Set<Integer> trained = new HashSet<>();
    private Fraction now;

    private Weaver(Passage passage, Fraction now) {
        this.passage = passage;
        this.now = now;
    }

    /** For music that begins at once, in bars of its own. */
    static Weaver anew(Passage passage) {
        return new Weaver(passage, Fraction.ZERO);
    }

    /** For music that begins where the passage begins, in its bars. */
    static Weaver inPlace(Passage passage) {
        return new Weaver(passage, passage.notes().get(0).onset());
    }

    /** Note {@code from} of the passage as written, for {@code gap} beats up to the next onset. */
    void play(int from, Fraction gap, boolean accent) {
        play(from, passage.notes().get(from).pitches(), gap, accent);
    }

    /** Other pitches with the rhythm and the decisions of note {@code from}. */
    void play(int from, List<Pitch> pitches, Fraction gap, boolean accent) {
        if (notes.size() >= Passage.MOST_NOTES) {
            throw Refusal.of("refusal.weaver.thisVariationWouldHaveMore", "mostNotes", Passage.MOST_NOTES);
        }
        Note written = passage.notes().get(from);
        Inflection over = written.inflection().decisions();
        notes.add(new Note(now, sounding(from, gap), pitches, accent ? over.with(Articulation.ACCENT) : over));
        source.add(from);
        now = now.add(gap);
    }

    /** A detached note keeps its share of sound and silence. */
    private Fraction sounding(int from, Fraction gap) {
        Fraction span = passage.span(from);
        Fraction duration = passage.notes().get(from).duration();
        return duration.equals(span) ? gap : gap.multiply(duration.divide(span));
    }

    void train(int transition) {
        trained.add(transition);
    }

    /** Holds the last note to the next beat, for at least {@code least} beats from its onset. */
    void holdToBeat(int least) {
        Note last = notes.get(notes.size() - 1);
        Fraction end = Fraction.of(Math.max(floor(last.onset()) + least, ceil(now)));
        if (end.subtract(last.onset()).compareTo(Fraction.of(least)) < 0) {
            end = end.add(1);
        }
        notes.set(notes.size() - 1, last.at(last.onset(), end.subtract(last.onset())));
        now = end;
    }

    /** Silence up to the next bar line, for at least one beat. */
    void restToBar() {
        Fraction bar = passage.barBeats();
        Fraction bars = now.add(1).divide(bar);
        now = bar.multiply(ceil(bars));
    }

    private static int ceil(Fraction place) {
        return (int) Math.ceil(place.doubleValue() - 1e-9);
    }

    private static int floor(Fraction place) {
        return (int) Math.floor(place.doubleValue() + 1e-9);
    }

    /** The music, barred in the meter of the passage from its first note on. */
    Rendering rendering(Fraction matchingShare, Reason remark) {
        Fraction bar = passage.barBeats();
        List<Fraction> lines = new ArrayList<>();
        for (Fraction line = bar; line.compareTo(now) < 0; line = line.add(bar)) {
            lines.add(line);
        }
        return rendering(lines, matchingShare, remark);
    }

    /** The music, barred as the passage is. */
    Rendering renderingWithItsBars(Fraction matchingShare, Reason remark) {
        return rendering(
                passage.barLines().stream()
                        .filter(line -> line.compareTo(now) < 0)
                        .toList(),
                matchingShare,
                remark);
    }

    private Rendering rendering(List<Fraction> lines, Fraction matchingShare, Reason remark) {
        Passage music = new Passage(passage.meter(), passage.beatUnit(), passage.key(), lines, notes, now);
        return new Rendering(music, source, trained, matchingShare, remark);
    }
}
