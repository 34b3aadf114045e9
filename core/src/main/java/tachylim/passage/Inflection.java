package tachylim.passage;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/**
 * What is written over, under and before a note: grace notes, articulations, slurs, marks and a syllable.
 *
 * <p>This class is immutable.
 *
 * @param grace pitches of the grace notes before it, in order
 * @param articulations how it is struck or held
 * @param slursOpened slurs that begin on it, 0 to {@value #MOST_SLURS}
 * @param slursClosed slurs that end on it, 0 to {@value #MOST_SLURS}
 * @param marks the player's decisions, at most one of each kind
 * @param syllable the word or syllable under it; empty for none
 */
public record Inflection(
        List<Pitch> grace,
        Set<Articulation> articulations,
        int slursOpened,
        int slursClosed,
        List<Mark> marks,
        String syllable) {

    /** Nothing but the note. */
    public static final Inflection PLAIN = new Inflection(List.of(), Set.of(), 0, 0, List.of(), "");

    /** The most slurs that begin or end on one note. */
    public static final int MOST_SLURS = 4;

    /**
     * @throws IllegalArgumentException if there are too many slurs or two marks of one kind
     */
    public Inflection {
        grace = List.copyOf(grace);
        articulations = Set.copyOf(articulations);
        marks = List.copyOf(marks);
        if (slursOpened < 0 || slursOpened > MOST_SLURS || slursClosed < 0 || slursClosed > MOST_SLURS) {
            throw new IllegalArgumentException("Up to " + MOST_SLURS + " slurs begin or end on a note");
        }
        if (marks.stream().map(Mark::kind).distinct().count() < marks.size()) {
            throw new IllegalArgumentException("A note has one mark of each kind");
        }
    }

    public boolean isPlain() {
        return equals(PLAIN);
    }

    /** The mark of a kind, if it is decided. */
    public Optional<Mark> mark(Mark.Kind kind) {
        return marks.stream().filter(mark -> mark.kind() == kind).findFirst();
    }

    /** With {@code mark} in the place of any of its kind. */
    public Inflection with(Mark mark) {
        List<Mark> now = new ArrayList<>(without(mark.kind()).marks);
        now.add(mark);
        now.sort((a, b) -> a.kind().compareTo(b.kind()));
        return new Inflection(grace, articulations, slursOpened, slursClosed, now, syllable);
    }

    /** Without a mark of {@code kind}. */
    public Inflection without(Mark.Kind kind) {
        return new Inflection(
                grace,
                articulations,
                slursOpened,
                slursClosed,
                marks.stream().filter(mark -> mark.kind() != kind).toList(),
                syllable);
    }

    /** Without any mark. */
    public Inflection unmarked() {
        return new Inflection(grace, articulations, slursOpened, slursClosed, List.of(), syllable);
    }

    /** With one more articulation. */
    public Inflection with(Articulation articulation) {
        Set<Articulation> now = EnumSet.of(articulation);
        now.addAll(articulations);
        return new Inflection(grace, now, slursOpened, slursClosed, marks, syllable);
    }

    /** Only the decisions: what still holds when the notes are played in another order or rhythm. */
    public Inflection decisions() {
        List<Mark> kept =
                marks.stream().filter(mark -> mark.kind() != Mark.Kind.BREATH).toList();
        return kept.isEmpty() ? PLAIN : new Inflection(List.of(), Set.of(), 0, 0, kept, "");
    }
}
