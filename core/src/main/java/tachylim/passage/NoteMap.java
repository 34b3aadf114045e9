package tachylim.passage;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import org.apache.commons.numbers.fraction.Fraction;

/**
 * Which notes of a passage stayed when its music was changed, and where they are now.
 *
 * <p>Notes are matched by their pitches, in order, as many as possible (a longest common subsequence, Hunt and
 * Szymanski 1977); on paper, where no note has a pitch, by their number. The rhythm may differ: a note that is
 * now shorter is still that note. This class is immutable.
 */
public final class NoteMap {

    private static final int GONE = -1;

    private final Passage before;
    private final Passage after;
    private final int[] places;

    private NoteMap(Passage before, Passage after, int[] places) {
        this.before = before;
        this.after = after;
        this.places = places;
    }

    /** Which notes of {@code before} are in {@code after}. */
    public static NoteMap between(Passage before, Passage after) {
        return new NoteMap(before, after, places(before.notes(), after.notes()));
    }

    private static int[] places(List<Note> from, List<Note> to) {
        int[] places = new int[from.size()];
        Arrays.fill(places, GONE);
        int head = 0;
        while (head < Math.min(from.size(), to.size()) && same(from.get(head), to.get(head))) {
            places[head] = head;
            head++;
        }
        int tail = 0;
        while (tail < Math.min(from.size(), to.size()) - head
                && same(from.get(from.size() - 1 - tail), to.get(to.size() - 1 - tail))) {
            tail++;
            places[from.size() - tail] = to.size() - tail;
        }
        between(from.subList(head, from.size() - tail), to.subList(head, to.size() - tail), head, places);
        return places;
    }

    private static void between(List<Note> from, List<Note> to, int offset, int[] places) {
        int[][] longest = new int[from.size() + 1][to.size() + 1];
        for (int i = from.size() - 1; i >= 0; i--) {
            for (int j = to.size() - 1; j >= 0; j--) {
                longest[i][j] = same(from.get(i), to.get(j))
                        ? longest[i + 1][j + 1] + 1
                        : Math.max(longest[i + 1][j], longest[i][j + 1]);
            }
        }
        int i = 0;
        int j = 0;
        while (i < from.size() && j < to.size()) {
            if (same(from.get(i), to.get(j))) {
                places[offset + i++] = offset + j++;
            } else if (longest[i + 1][j] >= longest[i][j + 1]) {
                i++;
            } else {
                j++;
            }
        }
    }

    private static boolean same(Note one, Note other) {
        return one.pitches().equals(other.pitches());
    }

    /** Where note {@code note} is now; empty when it is gone. */
    public Optional<Integer> note(int note) {
        return note < places.length && places[note] != GONE ? Optional.of(places[note]) : Optional.empty();
    }

    /** Where the transition from {@code transition} to the next note is now; empty when the two are neighbours no more. */
    public Optional<Integer> transition(int transition) {
        return transition + 1 < places.length
                        && places[transition] != GONE
                        && places[transition + 1] == places[transition] + 1
                ? Optional.of(places[transition])
                : Optional.empty();
    }

    /** Where a stretch is now, if all its notes stayed as they were, in the rhythm they had. */
    public Optional<Section> unchanged(Section stretch) {
        boolean linked = stretch.lastNote() < places.length
                && IntStream.range(stretch.firstNote(), stretch.lastNote())
                        .allMatch(transition -> transition(transition)
                                .filter(now -> before.gap(transition).equals(after.gap(now)))
                                .isPresent());
        return linked && places[stretch.firstNote()] != GONE
                ? Optional.of(new Section(places[stretch.firstNote()], places[stretch.lastNote()]))
                : Optional.empty();
    }

    /** Whether every note stayed, in its rhythm and its place, and none came. */
    public boolean isSame() {
        return before.notes().size() == after.notes().size()
                && before.beatUnit().equals(after.beatUnit())
                && unchanged(new Section(0, before.notes().size() - 1)).isPresent();
    }

    /** How many notes are gone. */
    public int gone() {
        return (int) Arrays.stream(places).filter(place -> place == GONE).count();
    }

    /** The first note that stayed at or after {@code note}, by its new place; the last of the music if none did. */
    public int fromNoteOn(int note) {
        return IntStream.range(note, places.length)
                .map(i -> places[i])
                .filter(place -> place != GONE)
                .findFirst()
                .orElse(after.notes().size() - 1);
    }

    /** The share of the notes of {@code now} that were in {@code then}, 0 to 1. */
    public double share(Section then, Section now) {
        long stayed = IntStream.rangeClosed(then.firstNote(), Math.min(then.lastNote(), places.length - 1))
                .map(i -> places[i])
                .filter(place -> place >= now.firstNote() && place <= now.lastNote())
                .count();
        return (double) stayed / now.size();
    }

    /**
     * The tempo now over the tempo then at which the transitions of {@code then} that stayed come as fast, in notes a
     * second: by their mean and by the quickest of them, the slower of the two.
     *
     * @return a ratio above 0; 1 where no transition stayed
     */
    public double tempoRatio(Section then) {
        double gapsThen = 0;
        double gapsNow = 0;
        Fraction quickestThen = null;
        Fraction quickestNow = null;
        for (int transition = then.firstNote(); transition < then.lastNote(); transition++) {
            Optional<Integer> now = transition(transition);
            if (now.isPresent()) {
                Fraction gapThen = before.gap(transition);
                Fraction gapNow = after.gap(now.get());
                gapsThen += gapThen.doubleValue();
                gapsNow += gapNow.doubleValue();
                quickestThen = lesser(quickestThen, gapThen);
                quickestNow = lesser(quickestNow, gapNow);
            }
        }
        return quickestThen == null
                ? 1
                : Math.min(gapsNow / gapsThen, quickestNow.divide(quickestThen).doubleValue());
    }

    private static Fraction lesser(Fraction one, Fraction other) {
        return one == null || other.compareTo(one) < 0 ? other : one;
    }
}
