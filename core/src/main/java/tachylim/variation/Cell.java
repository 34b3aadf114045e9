package tachylim.variation;

import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.apache.commons.numbers.core.ArithmeticUtils;
import org.apache.commons.numbers.fraction.Fraction;
import tachylim.words.Reason;
import tachylim.words.Refusal;

/**
 * A rhythm laid over {@code k} consecutive equal notes: how long each lasts in relation to the others.
 *
 * <p>With weights {@code w1..wk}, {@code W = Σw} and the smallest {@code m}, a cell played in the time of
 * its plain notes has its quick notes as fast as the plain passage at target {@code T} when the tempo is
 * {@code v* = T·k·m/W}, the matching tempo. This class is immutable.
 *
 * @param weights 2 to {@value #MOST_NOTES} whole numbers from 1 to {@value #MOST_WEIGHT}, not all alike,
 *     without a common divisor
 */
public record Cell(List<Integer> weights) {

    /** The most notes of a cell. */
    public static final int MOST_NOTES = 12;

    /** The greatest weight. */
    public static final int MOST_WEIGHT = 12;

    private static final int FINEST_TAPPED = 4;

    /**
     * @throws IllegalArgumentException if there are too few or too many weights, one is out of range, or all
     *     are alike
     */
    public Cell {
        if (weights.size() < 2 || weights.size() > MOST_NOTES) {
            throw Refusal.of("refusal.cell.aCellHas2ToNotesNot", "mostNotes", MOST_NOTES, "weights", weights.size());
        }
        for (int weight : weights) {
            if (weight < 1 || weight > MOST_WEIGHT) {
                throw Refusal.of("refusal.cell.aWeightLiesBetween1AndNot", "mostWeight", MOST_WEIGHT, "weight", weight);
            }
        }
        int divisor = weights.stream().reduce(0, ArithmeticUtils::gcd);
        weights = weights.stream().map(weight -> weight / divisor).toList();
        if (weights.stream().distinct().count() == 1) {
            throw Refusal.of("refusal.cell.allNotesOfThisCellAreAlike");
        }
    }

    /** The cell of these weights. */
    public static Cell of(Integer... weights) {
        return new Cell(List.of(weights));
    }

    /**
     * Reads a cell as players write it, such as {@code 2-1-1}.
     *
     * @throws IllegalArgumentException if it is no such list
     */
    public static Cell parse(String text) {
        List<Integer> weights = new ArrayList<>();
        for (String part : text.strip().split("[-–\\s,:]+")) {
            if (!part.matches("\\d{1,3}")) {
                throw Refusal.of("refusal.cell.aCellIsWrittenAsWeights", "text", Reason.shortened(text));
            }
            weights.add(Integer.valueOf(part));
        }
        return new Cell(weights);
    }

    /**
     * The cell that was tapped: the smallest whole numbers that fit the gaps, with the quickest between 1 and
     * {@value #FINEST_TAPPED}.
     *
     * @param seconds when each tap came; one more than the notes of the cell, the last closing its last gap
     * @throws IllegalArgumentException if the taps are out of order or make no cell
     */
    public static Cell tapped(List<Double> seconds) {
        double[] gaps = IntStream.range(1, seconds.size())
                .mapToDouble(i -> seconds.get(i) - seconds.get(i - 1))
                .toArray();
        if (gaps.length < 2 || gaps.length > MOST_NOTES) {
            throw Refusal.of("refusal.cell.tap3ToTimesOnceForEachNote", "mostNotes", MOST_NOTES + 1);
        }
        double least =
                IntStream.range(0, gaps.length).mapToDouble(i -> gaps[i]).min().orElse(0);
        if (!(least > 0.02)) {
            throw Refusal.of("refusal.cell.twoTapsCameAtTheSameTime");
        }
        List<Integer> best = null;
        double bestError = Double.MAX_VALUE;
        for (int smallest = 1; smallest <= FINEST_TAPPED; smallest++) {
            double unit = least / smallest;
            double error = 0;
            List<Integer> weights = new ArrayList<>();
            for (double gap : gaps) {
                int weight = (int) Math.max(1, Math.min(MOST_WEIGHT, Math.round(gap / unit)));
                error += Math.abs(Math.log(gap / (weight * unit)));
                weights.add(weight);
            }
            // A finer reading has to be clearly better, or every uneven tap becomes a complicated cell.
            if (error < bestError * 0.5 - 1e-9 && error + 0.04 * gaps.length < bestError || best == null) {
                best = weights;
                bestError = error;
            }
        }
        return new Cell(best);
    }

    /** How many notes it has. */
    public int size() {
        return weights.size();
    }

    /** The sum of its weights. */
    public int sum() {
        return weights.stream().mapToInt(Integer::intValue).sum();
    }

    /** Its smallest weight. */
    public int smallest() {
        return Collections.min(weights);
    }

    /** The matching tempo over the target when it is played in the time of the plain notes: {@code k·m/W}. */
    public Fraction matchingShare() {
        return Fraction.of(size() * smallest(), sum());
    }

    /** Whether the note at {@code place} of the cell is one of its quick ones. */
    public boolean isQuick(int place) {
        return weights.get(place) == smallest();
    }

    /** This cell and its rotations, each once. */
    public List<Cell> rotations() {
        LinkedHashSet<Cell> all = new LinkedHashSet<>();
        for (int start = 0; start < size(); start++) {
            List<Integer> turned = new ArrayList<>(weights);
            Collections.rotate(turned, -start);
            all.add(new Cell(turned));
        }
        return List.copyOf(all);
    }

    /** As players write it: {@code 2-1-1}. */
    @Override
    public String toString() {
        return weights.stream().map(String::valueOf).collect(Collectors.joining("-"));
    }
}
