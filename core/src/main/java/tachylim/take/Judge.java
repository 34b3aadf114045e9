package tachylim.take;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.stream.IntStream;
import tachylim.take.Measured.Suggested;
import tachylim.take.Measured.Transition;
import tachylim.take.Measured.Why;

/** Figures and verdict of the onsets of a take, by the limits of {@link Spread}. */
final class Judge {

    private static final double STOP = 0.35;
    private static final double STOP_IF_COARSE = 0.7;
    private static final double LEAST_DB = 5;
    private static final double LEAST_HEARD = 0.6;
    private static final double MOST_WRONG = 0.35;
    private static final double MOST_STOPS = 0.25;
    private static final double MOST_SLIPS = 0.15;
    private static final double FEW_SLIPS = 3;
    private static final double FAR_SLIP = 1.5;
    private static final double OF_ERROR = 0.8;
    private static final double OTHER_TEMPO = 0.015;
    private static final double COARSE = 0.6;
    private static final int LEFT_OFF = 2;

    private final Take take;
    private final List<Integer> wrong;
    private final List<Onset> onsets;
    private final int notes;

    private Judge(Take take, List<Integer> wrong, List<Onset> onsets) {
        this.take = take;
        this.wrong = wrong;
        this.onsets = onsets;
        this.notes = take.notes().size();
    }

    /**
     * What follows from the onsets of a take.
     *
     * @param wrong the notes that sounded otherwise than asked
     * @param overNoise by how many decibels the playing stands out of the noise
     * @param late how much later than it was sent the click was heard
     */
    static Measured of(Take take, List<Onset> onsets, List<Integer> wrong, double overNoise, OptionalDouble late) {
        Judge judge = new Judge(take, wrong, onsets);
        List<Integer> missing = judge.missing();
        double ratio = judge.ratio();
        List<Transition> transitions = judge.transitions(ratio);
        Found found = overNoise < LEAST_DB
                ? new Found(Suggested.CANNOT_TELL, Why.TOO_QUIET, -1)
                : judge.found(missing, ratio, transitions);
        return new Measured(
                found.verdict,
                found.why,
                found.where < 0 ? OptionalInt.empty() : OptionalInt.of(found.where),
                onsets,
                transitions,
                missing,
                wrong,
                1 / ratio,
                evenness(transitions),
                late);
    }

    private List<Integer> missing() {
        boolean[] heard = new boolean[notes];
        onsets.forEach(one -> heard[one.note()] = true);
        return IntStream.range(0, notes).filter(note -> !heard[note]).boxed().toList();
    }

    private record Found(Suggested verdict, Why why, int where) {}

    /** The median of what was played over what was asked, over half of each stretch that was played through. */
    private double ratio() {
        List<Double> ratios = new ArrayList<>();
        int first = 0;
        for (int i = 1; i <= onsets.size(); i++) {
            if (i < onsets.size() && isNext(i)) {
                continue;
            }
            int half = (i - first) / 2;
            for (int from = first; half > 0 && from + half < i; from++) {
                Onset one = onsets.get(from);
                Onset other = onsets.get(from + half);
                ratios.add((other.seconds() - one.seconds()) / (take.due(other.note()) - take.due(one.note())));
            }
            first = i;
        }
        return ratios.isEmpty()
                ? 1
                : Quiet.quantile(
                        ratios.stream().mapToDouble(Double::doubleValue).toArray(), 0.5);
    }

    private boolean isNext(int i) {
        Onset one = onsets.get(i);
        return one.note() == onsets.get(i - 1).note() + 1 && !one.stopped() && !one.again();
    }

    /** Whether it was halted before the next note, but too shortly to have stopped: then that note is late. */
    private boolean isHalt(int i, double ratio) {
        Onset one = onsets.get(i);
        Onset before = onsets.get(i - 1);
        return one.stopped()
                && one.note() == before.note() + 1
                && one.seconds() - before.seconds() <= take.interval(before.note()) * ratio + STOP;
    }

    private List<Transition> transitions(double ratio) {
        List<Transition> transitions = new ArrayList<>();
        double behind = 0;
        for (int i = 1; i < onsets.size(); i++) {
            if (!isNext(i) && !isHalt(i, ratio)) {
                behind = 0;
                continue;
            }
            double interval = take.interval(onsets.get(i - 1).note()) * ratio;
            double off = onsets.get(i).seconds() - onsets.get(i - 1).seconds() - interval;
            double sigma = Math.hypot(onsets.get(i).sigma(), onsets.get(i - 1).sigma());
            boolean slipped = Math.abs(off) > Spread.slip(interval, sigma);
            // One note displaced is late, and what hurries after it until that is made up for is early: that counts
            // once.
            boolean made = slipped && !(off < 0 && behind > 0);
            Transition before = transitions.isEmpty() ? null : transitions.get(transitions.size() - 1);
            if (made
                    && isNext(i)
                    && before != null
                    && isDisplaced(before, onsets.get(i - 1).note(), off, interval)) {
                transitions.set(transitions.size() - 1, slipped(before));
                made = false;
            }
            behind = slipped ? Math.max(0, off > 0 ? off : behind + off) : 0;
            transitions.add(new Transition(onsets.get(i).note(), off, sigma, interval, made));
        }
        return transitions;
    }

    /**
     * Whether it is the note before that was displaced: after a long note that is within its limit, and shows only in the short
     * transition that makes up for it.
     */
    private static boolean isDisplaced(Transition before, int from, double off, double interval) {
        return before.to() == from
                && !before.slipped()
                && before.off() * off < 0
                && Math.abs(before.off() + off) < Spread.slip(interval, before.sigma());
    }

    private static Transition slipped(Transition one) {
        return new Transition(one.to(), one.off(), one.sigma(), one.interval(), true);
    }

    private static OptionalDouble evenness(List<Transition> transitions) {
        double square = 0;
        double interval = 0;
        for (Transition one : transitions) {
            square += one.off() * one.off() - OF_ERROR * one.sigma() * one.sigma();
            interval += one.interval();
        }
        return transitions.size() < 2
                ? OptionalDouble.empty()
                : OptionalDouble.of(
                        Math.sqrt(Math.max(0, square / transitions.size())) / (interval / transitions.size()));
    }

    private Found found(List<Integer> missing, double ratio, List<Transition> transitions) {
        int last = onsets.stream().mapToInt(Onset::note).max().orElse(-1);
        long upTo = missing.stream().filter(note -> note < last).count();
        long stops = onsets.stream().filter(Onset::stopped).count();
        if (last < 0
                || last + 1 - upTo < LEAST_HEARD * (last + 1)
                || wrong.size() > MOST_WRONG * (last + 1)
                || stops > MOST_STOPS * (last + 1)) {
            return new Found(Suggested.CANNOT_TELL, Why.NOT_THIS, -1);
        }
        boolean coarse = isCoarse(transitions);
        double stop = coarse ? STOP_IF_COARSE : STOP;
        for (int i = 1; i < onsets.size(); i++) {
            Onset one = onsets.get(i);
            Onset before = onsets.get(i - 1);
            if (one.note() < before.note()) {
                return new Found(Suggested.BROKE, Why.WENT_BACK, one.note());
            }
            double asked = (take.due(one.note()) - take.due(before.note())) * ratio;
            if (one.stopped() && one.seconds() - before.seconds() > asked + stop) {
                return new Found(Suggested.BROKE, Why.STOPPED, one.note());
            }
        }
        if (notes - 1 - last >= LEFT_OFF) {
            return new Found(Suggested.BROKE, Why.LEFT_OFF, last + 1);
        }
        if (coarse) {
            // Where nobody can say when notes begin, nobody can say either that one did not.
            return new Found(Suggested.CANNOT_TELL, Why.TOO_COARSE, -1);
        }
        List<Transition> slips =
                transitions.stream().filter(Transition::slipped).toList();
        long again = onsets.stream().filter(Onset::again).count();
        long far = slips.stream()
                        .filter(one -> Math.abs(one.off()) > FAR_SLIP * Spread.slip(one.interval(), one.sigma()))
                        .count()
                + missing.size()
                + again
                + wrong.size();
        if (far >= Math.max(FEW_SLIPS, MOST_SLIPS * notes)) {
            return new Found(Suggested.BROKE, Why.MANY_SLIPS, -1);
        }
        if (!missing.isEmpty()) {
            return new Found(Suggested.ROUGH, Why.MISSING, missing.get(0));
        }
        if (!wrong.isEmpty()) {
            return new Found(Suggested.ROUGH, Why.WRONG, wrong.get(0));
        }
        if (again > 0) {
            return new Found(
                    Suggested.ROUGH,
                    Why.AGAIN,
                    onsets.stream()
                            .filter(Onset::again)
                            .findFirst()
                            .orElseThrow()
                            .note());
        }
        return timing(ratio, transitions, slips);
    }

    /** Whether half of the transitions are told too coarsely to say whether they are even. */
    private static boolean isCoarse(List<Transition> transitions) {
        double[] coarse = transitions.stream()
                .mapToDouble(one -> one.sigma() / Spread.uneven(one.interval()))
                .toArray();
        return Quiet.quantile(coarse, 0.5) > COARSE;
    }

    /** Where all notes are there, only their times are in question. */
    private static Found timing(double ratio, List<Transition> transitions, List<Transition> slips) {
        if (!slips.isEmpty()) {
            Transition worst = slips.stream()
                    .max(Comparator.comparingDouble(one -> Math.abs(one.off()) / Spread.of(one.interval())))
                    .orElseThrow();
            return new Found(Suggested.ROUGH, Why.SLIPPED, worst.to());
        }
        double square = transitions.stream()
                .mapToDouble(one -> (one.off() * one.off() - OF_ERROR * one.sigma() * one.sigma())
                        / Math.pow(Spread.uneven(one.interval()), 2))
                .average()
                .orElse(0);
        if (square > 1) {
            return new Found(Suggested.ROUGH, Why.UNEVEN, -1);
        }
        double interval =
                transitions.stream().mapToDouble(Transition::interval).average().orElse(1);
        double limit = OTHER_TEMPO
                + 2 * Math.sqrt(12) * Spread.of(interval) / (interval * Math.pow(Math.max(1, transitions.size()), 1.5));
        return Math.abs(1 / ratio - 1) > limit
                ? new Found(Suggested.ROUGH, ratio < 1 ? Why.RUSHED : Why.DRAGGED, -1)
                : new Found(Suggested.CLEAN, Why.EVEN, -1);
    }
}
