package tachylim.take;

import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.List;
import java.util.stream.IntStream;
import tachylim.take.Recorded.Found;

/**
 * Measures what an instrument itself tells: when each key was struck, which and how hard. What is struck together is one chord;
 * chords are laid against what was asked by the cheapest way of matching them, leaving notes out, putting notes in, playing one again
 * and going back (edit distance; Wagner and Fischer 1974, with moves of our own).
 */
public final class Keys {

    /** A longer list of keys is not measured. */
    public static final int MOST = 20_000;

    /** Keys struck within this are a chord, where the music leaves room for that, in seconds. */
    private static final double TOGETHER = 0.04;

    private static final double OF_INTERVAL = 0.4;

    /** A wire tells a key no later than this, one standard deviation in seconds. */
    static final double SIGMA = 0.001;

    /** Where fewer of the keys than this are among those that were asked, they are pads, or a part that was set otherwise. */
    private static final double LEAST_ASKED = 0.3;

    private static final double OTHER_PITCH = 2;
    private static final double PART_OF_CHORD = 0.7;
    private static final double LEFT_OUT = 2.2;
    private static final double PUT_IN = 2;
    private static final double PLAYED_AGAIN = 2.5;
    private static final double GOES_BACK = 4;
    private static final double BEGINS_AGAIN = 2.5;
    private static final double OVER = 1.2;
    private static final double MOST_OFF = 1.6;
    private static final int MOST_LEFT_OUT = 4;

    /** So many chords that are no notes may stand between two that are. */
    private static final int MOST_PUT_IN = 6;

    /** Chords by notes: more is too long to be laid against each other. */
    private static final long MOST_PLACES = 4_000_000;

    private static final double STOPS = 0.35;

    /** What is usual is what so many attacks stay under. */
    private static final double USUAL = 0.7;

    private final Take take;
    private final List<Chord> chords;
    private final int notes;
    private final boolean pitched;

    /** What was struck at once. */
    private record Chord(double seconds, List<Integer> pitches, double velocity) {}

    /** A chord that is a note of those that were asked. */
    private record Matched(int chord, int note, boolean again) {}

    private Keys(Take take, List<Chord> chords, boolean pitched) {
        this.take = take;
        this.chords = chords;
        this.notes = take.notes().size();
        this.pitched = pitched;
    }

    /**
     * What was measured of one pass.
     *
     * @param take what was asked; it has no sound
     * @param struck in the order in which they were struck
     * @throws IllegalArgumentException if there are more than {@value #MOST}
     */
    public static Measured listen(Take take, List<Struck> struck) {
        Keys keys = of(take, struck);
        return keys.measured(keys.matched());
    }

    /** What was measured of each of several passes that were played one after another, as those of a set are. */
    public static List<Measured> listen(Take take, List<List<Asked>> passes, List<Struck> struck) {
        List<Measured> all = new ArrayList<>();
        for (int i = 0; i < passes.size(); i++) {
            Take pass = take.pass(passes.get(i), 0);
            double from = i == 0 ? Double.NEGATIVE_INFINITY : middle(take.pass(passes.get(i - 1), 0), pass);
            double to =
                    i + 1 == passes.size() ? Double.POSITIVE_INFINITY : middle(pass, take.pass(passes.get(i + 1), 0));
            all.add(listen(
                    pass,
                    struck.stream()
                            .filter(one -> one.seconds() >= from && one.seconds() < to)
                            .toList()));
        }
        return all;
    }

    /** Between the last note of a pass and the first of the next. */
    private static double middle(Take pass, Take next) {
        return (pass.due(pass.notes().size() - 1) + next.due(0)) / 2;
    }

    /**
     * The passes of a recording of keys: nobody says when they begin.
     *
     * @param take the notes of one pass; it has no sound
     */
    public static List<Found> passes(Take take, List<Struck> struck) {
        Keys keys = of(take, struck);
        List<Matched> matched = keys.matched();
        List<Found> found = new ArrayList<>();
        int first = 0;
        for (int i = 1; i <= matched.size(); i++) {
            if (i == matched.size() || keys.beginsAgain(matched.get(i - 1), matched.get(i))) {
                Measured measured = keys.measured(matched.subList(first, i));
                if (Recorded.isOne(take, measured)) {
                    found.add(new Found(measured.onsets().get(0).seconds(), measured));
                }
                first = i;
            }
        }
        return found;
    }

    private boolean beginsAgain(Matched before, Matched one) {
        return one.note() < before.note() && (one.note() <= 1 || before.note() == notes - 1);
    }

    private static Keys of(Take take, List<Struck> struck) {
        if (struck.size() > MOST) {
            throw new IllegalArgumentException("More than " + MOST + " keys");
        }
        boolean[] asked = new boolean[Struck.HIGHEST + 1];
        take.notes().forEach(note -> note.pitches().forEach(pitch -> asked[pitch] = true));
        long known = struck.stream().filter(key -> asked[key.pitch()]).count();
        boolean pitched = take.isPitched() && known >= LEAST_ASKED * struck.size();
        List<Chord> chords = chords(struck, together(take));
        if ((long) chords.size() * take.notes().size() > MOST_PLACES) {
            throw new IllegalArgumentException(
                    chords.size() + " chords of " + take.notes().size() + " notes");
        }
        return new Keys(take, chords, pitched);
    }

    private static double together(Take take) {
        double shortest = IntStream.range(1, take.notes().size())
                .mapToDouble(note -> take.interval(note - 1))
                .min()
                .orElse(1);
        return Math.min(TOGETHER, OF_INTERVAL * shortest);
    }

    private static List<Chord> chords(List<Struck> struck, double together) {
        List<Struck> inOrder = struck.stream()
                .sorted(Comparator.comparingDouble(Struck::seconds))
                .toList();
        List<Chord> chords = new ArrayList<>();
        int first = 0;
        for (int i = 1; i <= inOrder.size(); i++) {
            boolean over = i == inOrder.size()
                    || inOrder.get(i).seconds() - inOrder.get(first).seconds() > together;
            if (over) {
                List<Struck> chord = inOrder.subList(first, i);
                chords.add(new Chord(
                        chord.stream().mapToDouble(Struck::seconds).average().orElseThrow(),
                        chord.stream().map(Struck::pitch).distinct().sorted().toList(),
                        chord.stream().mapToInt(Struck::velocity).max().orElseThrow()));
                first = i;
            }
        }
        return chords;
    }

    /** What it costs to take a chord for a note. */
    private double unlike(Chord chord, int note) {
        List<Integer> asked = take.notes().get(note).pitches();
        if (!pitched
                || chord.pitches().equals(asked.stream().distinct().sorted().toList())) {
            return 0;
        }
        return asked.stream().anyMatch(chord.pitches()::contains) ? PART_OF_CHORD : OTHER_PITCH;
    }

    /** What it costs that so long lies between two notes, where it is their interval that was asked. */
    private double off(int chord, int before, int note, int noteBefore) {
        double asked = take.due(note) - take.due(noteBefore);
        double played = chords.get(chord).seconds() - chords.get(before).seconds();
        return Math.min(MOST_OFF, 2 * Math.abs(played - asked) / Math.max(asked, 2 * TOGETHER));
    }

    /** The cheapest way to have come to each chord as each note, the last chord that is a note being that one. */
    private List<Matched> matched() {
        int count = chords.size();
        double[][] cost = new double[count][notes];
        int[][] from = new int[count][notes];
        // The cheapest of all later notes is what going back starts from.
        int[][] since = new int[count][notes];
        double best = Double.MAX_VALUE;
        int end = -1;
        for (int chord = 0; chord < count; chord++) {
            for (int note = 0; note < notes; note++) {
                reach(cost, from, since, chord, note);
                double all = cost[chord][note]
                        + PUT_IN * (count - 1 - chord)
                        + Math.min(LEFT_OUT * 2, LEFT_OUT * (notes - 1 - note));
                if (all < best) {
                    best = all;
                    end = chord * notes + note;
                }
            }
            for (int note = notes - 1; note >= 0; note--) {
                boolean later = note + 1 < notes && cost[chord][since[chord][note + 1]] < cost[chord][note];
                since[chord][note] = later ? since[chord][note + 1] : note;
            }
        }
        List<Matched> matched = new ArrayList<>();
        for (int at = end; at >= 0; at = from[at / notes][at % notes]) {
            int before = from[at / notes][at % notes];
            matched.add(new Matched(at / notes, at % notes, before >= 0 && before % notes == at % notes));
        }
        Collections.reverse(matched);
        return matched;
    }

    private void reach(double[][] cost, int[][] from, int[][] since, int chord, int note) {
        double best = PUT_IN * chord + LEFT_OUT * note;
        int way = -1;
        for (int before = Math.max(0, chord - 1 - MOST_PUT_IN); before < chord; before++) {
            double putIn = PUT_IN * (chord - 1 - before);
            for (int other = Math.max(0, note - 1 - MOST_LEFT_OUT); other < note; other++) {
                double on =
                        cost[before][other] + putIn + LEFT_OUT * (note - other - 1) + off(chord, before, note, other);
                if (on < best) {
                    best = on;
                    way = before * notes + other;
                }
            }
            double again = cost[before][note] + putIn + PLAYED_AGAIN;
            if (again < best) {
                best = again;
                way = before * notes + note;
            }
            if (note < notes - 1) {
                int other = since[before][note + 1];
                double back = cost[before][other] + putIn + back(other, note);
                if (back < best) {
                    best = back;
                    way = before * notes + other;
                }
                double over = cost[before][notes - 1] + putIn + back(notes - 1, note);
                if (over < best) {
                    best = over;
                    way = before * notes + notes - 1;
                }
            }
        }
        cost[chord][note] = best + unlike(chords.get(chord), note);
        from[chord][note] = way;
    }

    /** What it costs to go back to a note: little where all was played, and more in the middle. */
    private double back(int other, int note) {
        if (other == notes - 1) {
            return OVER + LEFT_OUT * note;
        }
        return note <= 1 ? BEGINS_AGAIN + LEFT_OUT * note : GOES_BACK;
    }

    private Measured measured(List<Matched> matched) {
        double[] loud = matched.stream()
                .mapToDouble(one -> chords.get(one.chord()).velocity())
                .toArray();
        double usual = Math.max(1, Quiet.quantile(loud, USUAL));
        List<Onset> onsets = new ArrayList<>();
        List<Integer> wrong = new ArrayList<>();
        for (int i = 0; i < matched.size(); i++) {
            Matched one = matched.get(i);
            Chord chord = chords.get(one.chord());
            onsets.add(new Onset(
                    one.note(),
                    chord.seconds(),
                    SIGMA,
                    20 * Math.log10(chord.velocity() / usual),
                    one.again(),
                    i > 0 && stopped(matched.get(i - 1), one)));
            if (unlike(chord, one.note()) > 0 && !wrong.contains(one.note())) {
                wrong.add(one.note());
            }
        }
        return Listener.judged(take, onsets, wrong);
    }

    private boolean stopped(Matched before, Matched one) {
        double asked = Math.abs(take.due(one.note()) - take.due(before.note()));
        return chords.get(one.chord()).seconds() - chords.get(before.chord()).seconds() > asked + STOPS
                || one.note() < before.note();
    }
}
