package tachylim.notation.score;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import org.apache.commons.numbers.fraction.Fraction;
import tachylim.passage.Articulation;
import tachylim.passage.Direction;
import tachylim.passage.Inflection;
import tachylim.passage.Key;
import tachylim.passage.Mark;
import tachylim.passage.Meter;
import tachylim.passage.Pitch;
import tachylim.words.Reason;

/** Gathers the notes of one voice in order of time, in whole notes, and keeps it to one line. */
public final class LineBuilder {

    private final Omissions omissions;
    private final List<LineNote> notes = new ArrayList<>();
    private final List<Pitch> grace = new ArrayList<>();

    public LineBuilder(Omissions omissions) {
        this.omissions = omissions;
    }

    public int size() {
        return notes.size();
    }

    public void grace(Pitch pitch) {
        grace.add(pitch);
    }

    /** A note; one that starts where the last one starts joins it as a chord, one that starts earlier has no place. */
    public void add(Fraction onset, Fraction duration, List<Pitch> pitches, Inflection inflection) {
        Deadline.check();
        LineNote last = last();
        if (last != null && onset.compareTo(last.onset()) < 0) {
            omissions.add(Reason.of("omitted.overlaps"));
            return;
        }
        if (last != null && onset.equals(last.onset())) {
            join(last, duration, pitches, inflection);
            return;
        }
        if (last != null && last.end().compareTo(onset) > 0) {
            replaceLast(last.lasting(onset.subtract(last.onset())));
        }
        notes.add(new LineNote(onset, duration, pitches, withGrace(inflection)));
        grace.clear();
    }

    private Inflection withGrace(Inflection over) {
        return grace.isEmpty()
                ? over
                : new Inflection(
                        grace,
                        over.articulations(),
                        over.slursOpened(),
                        over.slursClosed(),
                        over.marks(),
                        over.syllable());
    }

    private void join(LineNote chord, Fraction duration, List<Pitch> pitches, Inflection inflection) {
        List<Pitch> all = new ArrayList<>(chord.pitches());
        pitches.stream().filter(pitch -> !all.contains(pitch)).forEach(all::add);
        all.sort(Comparator.comparingInt(Pitch::midi));
        Fraction longer = chord.duration().compareTo(duration) >= 0 ? chord.duration() : duration;
        Inflection first = chord.inflection();
        replaceLast(new LineNote(chord.onset(), longer, all, first.isPlain() ? inflection : joined(first, inflection)));
    }

    /** What is over the other notes of a chord is over the chord; of two fingers the figures stand side by side. */
    private static Inflection joined(Inflection chord, Inflection note) {
        Inflection both = chord;
        for (Articulation articulation : note.articulations()) {
            both = both.with(articulation);
        }
        for (Mark mark : note.marks()) {
            if (both.mark(mark.kind()).isEmpty()) {
                both = both.with(mark);
            }
        }
        return both;
    }

    /** Whether the last note, {@code pitch} among its pitches, ends at {@code onset}, so that a tie can hold it. */
    public boolean holdsUntil(Fraction onset, Pitch pitch) {
        LineNote last = last();
        return last != null && last.end().equals(onset) && last.pitches().contains(pitch);
    }

    /** Whether {@code pitch} is struck at {@code onset} already. */
    public boolean strikesAt(Fraction onset, Pitch pitch) {
        LineNote last = last();
        return last != null && last.onset().equals(onset) && last.pitches().contains(pitch);
    }

    /** Whether {@code pitch} sounds at {@code onset} already. */
    public boolean soundsAt(Fraction onset, Pitch pitch) {
        LineNote last = last();
        return last != null
                && last.onset().compareTo(onset) <= 0
                && last.end().compareTo(onset) > 0
                && last.pitches().contains(pitch);
    }

    /** Lets the last note sound on; what stands over the note it is tied to, such as the end of a slur, stands over it. */
    public void hold(Fraction duration, Inflection over) {
        LineNote longer = last().lasting(last().duration().add(duration));
        replaceLast(over.isPlain() ? longer : longer.with(tied(longer.inflection(), over)));
    }

    private static Inflection tied(Inflection first, Inflection second) {
        Inflection both = joined(first, second);
        return new Inflection(
                both.grace(),
                both.articulations(),
                Math.min(Inflection.MOST_SLURS, first.slursOpened() + second.slursOpened()),
                Math.min(Inflection.MOST_SLURS, first.slursClosed() + second.slursClosed()),
                both.marks(),
                both.syllable().isEmpty() ? second.syllable() : both.syllable());
    }

    private LineNote last() {
        return notes.isEmpty() ? null : notes.get(notes.size() - 1);
    }

    private void replaceLast(LineNote note) {
        notes.set(notes.size() - 1, note);
    }

    /**
     * All of it as a line.
     *
     * @param barNumbers the numbers its bars carry; empty to have them counted
     * @param rhythmOnly whether its pitches mean nothing
     */
    public Line line(
            String part,
            String voice,
            Meter meter,
            Key key,
            List<Fraction> barLines,
            List<String> barNumbers,
            Fraction length,
            List<Direction> directions,
            boolean rhythmOnly) {
        List<LineNote> kept = rhythmOnly
                ? notes.stream()
                        .map(note -> new LineNote(note.onset(), note.duration(), List.of(), note.inflection()))
                        .toList()
                : notes;
        return barNumbers.isEmpty()
                ? Line.counted(part, voice, meter, key, barLines, kept, length, directions)
                : new Line(part, voice, meter, key, barLines, barNumbers, kept, length, directions);
    }
}
