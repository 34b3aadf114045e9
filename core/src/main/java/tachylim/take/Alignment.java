package tachylim.take;

import static tachylim.take.Fit.NONE;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.List;
import java.util.stream.IntStream;

/**
 * Which note begins where: the best way through what was asked, by segments from left to right, with ways to swallow a note, to
 * play it again, to stop, and to go on, back or further (dynamic programming over segments; Rabiner 1989 for the states,
 * the moves and their costs are our own).
 */
final class Alignment {

    private static final int MOST_SWALLOWED = Fit.FURTHEST - 1;
    private static final double AGAIN = 8;
    private static final double AGAIN_WITHOUT_ATTACK = 5;
    private static final double AGAIN_AT_LAST = 4;
    private static final double LOST = 4;
    private static final double GOES_ON = 1;
    private static final double GOES_BACK = 7;
    private static final double GOES_FURTHER = 9;
    private static final double BACK_WITHOUT_ATTACK = 3;
    private static final double MOST_FOR_THE_END = 3;
    private static final double GIVES_UP = 8;
    private static final double DROPPED = 18;
    private static final int MOST_MISSED_AT_FIRST = 3;

    /** Nobody goes further back than this, or further on, but to begin again. */
    private static final int FAR = 48;

    private final Fit fit;
    private final int notes;
    private final int count;

    /** By note and moment. */
    private final double[][] score;

    /** The moments at which a note may begin on a way that is not dropped, in order, and how many these are. */
    private final int[][] alive;

    private final int[] alives;

    /** By note, at the moment that is looked at and at the one before. */
    private double[] lost;

    private double[] lostBefore;

    /** By moment and note. */
    private final int[][] before;

    private final int[][] lostSince;

    /** The best way to where a note begins, and where from. */
    private double most;

    private int from;

    private Alignment(Fit fit, int notes) {
        this.fit = fit;
        this.notes = notes;
        this.count = fit.moments();
        this.score = new double[notes][count];
        this.alive = new int[notes][count];
        this.alives = new int[notes];
        this.lost = new double[notes];
        this.lostBefore = new double[notes];
        this.before = new int[count][notes];
        this.lostSince = new int[count][notes];
        Arrays.fill(lost, NONE);
    }

    /**
     * A note that was played.
     *
     * @param note which of those that were asked
     * @param frame where it begins, in frames of {@link Tones}
     * @param again whether it was played before, right before it
     * @param stopped whether the playing had stopped before it
     */
    record Played(int note, int frame, boolean again, boolean stopped) {}

    /** The notes as they were played, by what is asked at this tempo and at the one that comes of it. */
    static List<Played> of(Take take, Clicks clicks, Attacks attacks, Tones tones, double ratio) {
        return of(new Fit(take, clicks, attacks, tones, ratio, false), take);
    }

    /** The same where nobody knows when the playing begins. */
    static List<Played> anywhere(Take take, Clicks clicks, Attacks attacks, Tones tones) {
        return of(new Fit(take, clicks, attacks, tones, 1, true), take);
    }

    private static List<Played> of(Fit fit, Take take) {
        Alignment alignment = new Alignment(fit, take.notes().size());
        alignment.run();
        return alignment.traced();
    }

    private void run() {
        // What going back or further would start from: the best of all that stopped so far, by where they stopped.
        int[] upTo = new int[notes];
        int[] since = new int[notes];
        for (int c = 0; c < count; c++) {
            double[] spent = lostBefore;
            lostBefore = lost;
            lost = spent;
            stoppedBest(upTo, since);
            for (int note = 0; note < notes; note++) {
                most = note <= MOST_MISSED_AT_FIRST ? fit.first(note, c) : NONE;
                from = -1;
                goOn(note, c);
                playAgain(note, c);
                if (c > 0) {
                    afterStop(note, c, note - 1, GOES_ON);
                    afterStop(note, c, upTo[note], GOES_FURTHER);
                    afterStop(note, c, since[note], GOES_BACK + BACK_WITHOUT_ATTACK * weak(c));
                }
                score[note][c] = most + fit.begins(note, c);
                before[c][note] = from;
            }
            double top = NONE;
            for (int note = 0; note < notes; note++) {
                stop(note, c);
                top = Math.max(top, lost[note] + enters(note));
            }
            for (int note = 0; note < notes; note++) {
                if (score[note][c] > NONE && score[note][c] >= top - DROPPED) {
                    alive[note][alives[note]++] = c;
                }
                if (lost[note] < top - DROPPED) {
                    lost[note] = NONE;
                }
            }
        }
    }

    /** What it costs to stop at a note; at the last one it is what is asked for. */
    private double enters(int note) {
        return note == notes - 1 ? 0 : LOST;
    }

    /** How weak the attack at a moment is, 0 to 1. */
    private double weak(int c) {
        return Math.max(0, 1 - fit.attack(c) / 0.5);
    }

    /** For each note the best stop from which it may be gone on to, and the best from which it may be gone back to; −1 for none. */
    private void stoppedBest(int[] upTo, int[] since) {
        Arrays.fill(upTo, -1);
        Arrays.fill(since, -1);
        for (int stop = 0; stop < notes; stop++) {
            if (lostBefore[stop] == NONE) {
                continue;
            }
            for (int note = Math.max(0, stop - FAR); note <= stop; note++) {
                since[note] = better(stop, since[note]);
            }
            since[0] = better(stop, since[0]);
            for (int note = stop + 2; note <= Math.min(notes - 1, stop + FAR); note++) {
                upTo[note] = better(stop, upTo[note]);
            }
        }
    }

    private int better(int stop, int other) {
        return other < 0 || lostBefore[stop] > lostBefore[other] ? stop : other;
    }

    private void take(double way, int place) {
        if (way > most) {
            most = way;
            from = place;
        }
    }

    /** From the note before, or from one further back where notes were swallowed. */
    private void goOn(int note, int c) {
        for (int skipped = 0; skipped <= MOST_SWALLOWED && note - 1 - skipped >= 0; skipped++) {
            int previous = note - 1 - skipped;
            double asked = fit.asked(previous, note);
            for (int i = alives[previous] - 1; i >= 0; i--) {
                int p = alive[previous][i];
                if (fit.between(p, c) >= 2 * asked + 0.2) {
                    break;
                }
                if (fit.isApart(p, c, asked)) {
                    take(
                            score[previous][p]
                                    + fit.sounds(previous, p, c)
                                    + fit.lasts(p, c, previous, note)
                                    - skipped * fit.skip(),
                            previous * count + p);
                }
            }
        }
    }

    private void playAgain(int note, int c) {
        double asked = fit.asked(note, note + 1);
        double cost = AGAIN + AGAIN_WITHOUT_ATTACK * weak(c) + (note == notes - 1 ? AGAIN_AT_LAST : 0);
        for (int i = alives[note] - 1; i >= 0 && fit.between(alive[note][i], c) < 1.5 * asked; i--) {
            int p = alive[note][i];
            take(score[note][p] + fit.sounds(note, p, c) + fit.lasts(p, c, note, note + 1) - cost, note * count + p);
        }
    }

    /** After the playing had stopped at a note; −1 where there is none. */
    private void afterStop(int note, int c, int stopped, double cost) {
        if (stopped >= 0 && lostBefore[stopped] > NONE) {
            take(lostBefore[stopped] + fit.idle(c - 1, c) - cost, -2 - (stopped * count + c - 1));
        }
    }

    private void stop(int note, int c) {
        lost[note] = NONE;
        if (c > 0 && lostBefore[note] > NONE) {
            int since = lostSince[c - 1][note];
            lost[note] = lostBefore[note] + (note == notes - 1 ? fit.over(since, c - 1, c) : fit.idle(c - 1, c));
            lostSince[c][note] = since;
        }
        double asked = fit.asked(note, note + 1);
        for (int i = alives[note] - 1; i >= 0 && fit.between(alive[note][i], c) < 2 * asked + 0.2; i--) {
            int p = alive[note][i];
            if (fit.between(p, c) >= 0.5 * asked) {
                double way = score[note][p] + fit.sounds(note, p, c) - enters(note);
                if (way > lost[note]) {
                    lost[note] = way;
                    lostSince[c][note] = p;
                }
            }
        }
    }

    /** The best way to an end; one on which somebody goes back and gives up before that place is reached again is dearer. */
    private List<Played> traced() {
        List<Played> best = List.of();
        double most = NONE;
        for (int note = notes - 1; note >= 0 && count > 0; note--) {
            double way = lost[note] - Math.min(MOST_FOR_THE_END, (notes - 1 - note) * fit.skip());
            if (way <= most) {
                continue;
            }
            List<Played> played = to(note);
            double all = way - (isGivenUp(played) ? GIVES_UP : 0);
            if (all > most) {
                most = all;
                best = played;
            }
        }
        return best;
    }

    private static boolean isGivenUp(List<Played> played) {
        int furthest = played.stream().mapToInt(Played::note).max().orElse(0);
        int last = played.get(played.size() - 1).note();
        boolean wentBack = IntStream.range(1, played.size())
                .anyMatch(i -> played.get(i).note() < played.get(i - 1).note());
        return wentBack && last < furthest;
    }

    /** The way to the last note that was played. */
    private List<Played> to(int end) {
        List<Played> played = new ArrayList<>();
        int note = end;
        int c = lostSince[count - 1][note];
        while (true) {
            int back = before[c][note];
            boolean stopped = back <= -2;
            boolean again = back >= 0 && back / count == note;
            played.add(new Played(note, fit.frame(c), again, stopped));
            if (back == -1) {
                break;
            }
            int place = stopped ? -2 - back : back;
            note = place / count;
            c = stopped ? lostSince[place % count][note] : place % count;
        }
        Collections.reverse(played);
        return played;
    }
}
