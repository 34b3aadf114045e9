package tachylim.ceiling;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.SplittableRandom;
import tachylim.tempo.Tempo;

/**
 * Finds awkward bands: where success does not always fall with tempo.
 *
 * <p>The test. Of every run of neighbouring tempos no wider than {@value #WIDEST} in ln tempo the clean share is set
 * against that of the tempos just above, by the likelihood ratio of two shares against one. The largest ratio is the
 * statistic; it is set against that of {@value #REPLICATES} simulated histories of a player without a band. That player
 * plays the same tempos on the same days, with the falling success that fits the passes best (isotonic regression,
 * Barlow and others 1972) once each day's ceiling is taken out, and with days that differ by {@value #FORM}. A band is
 * said to be there when at most {@value #ALARM} of the simulated players look as odd.
 */
public final class AwkwardBands {

    /** It looks at the passes of so many days. */
    public static final int DAYS = 28;

    /** A band and what is above it are no wider than this, ln BPM. */
    private static final double WIDEST = 0.11;

    private static final int LEAST_IN_BAND = 6;
    private static final int LEAST_ABOVE = 5;
    private static final int LEAST_TEMPOS = 2;

    /** A ratio below this is not worth simulating for. */
    private static final double LEAST_RATIO = 5;

    private static final int REPLICATES = 199;
    private static final double ALARM = 0.03;
    private static final double FORM = 0.02;
    private static final int MOST_BANDS = 2;
    private static final long SEED = 18;

    private AwkwardBands() {}

    /**
     * A pass of the whole. This class is immutable.
     *
     * @param day days since any fixed day
     * @param tempo its tempo
     * @param ceiling the ceiling as it stood that day
     * @param clean whether it was clean
     */
    public record Tried(long day, Tempo tempo, Tempo ceiling, boolean clean) {}

    /**
     * The bands in some weeks of passes, the clearest first. Bursts and warm-ups do not belong there, nor do tired passes: what
     * goes wrong then would have gone well rested.
     */
    public static List<AwkwardBand> in(List<Tried> passes) {
        List<AwkwardBand> found = new ArrayList<>();
        List<Tried> rest = passes;
        while (found.size() < MOST_BANDS) {
            Optional<AwkwardBand> next = clearest(rest);
            if (next.isEmpty()) {
                break;
            }
            AwkwardBand band = next.get();
            found.add(band);
            rest = rest.stream().filter(one -> !band.holds(one.tempo)).toList();
        }
        return List.copyOf(found);
    }

    private static Optional<AwkwardBand> clearest(List<Tried> passes) {
        Ladder ladder = Ladder.of(passes);
        boolean[] went = new boolean[passes.size()];
        for (int i = 0; i < went.length; i++) {
            went[i] = passes.get(i).clean;
        }
        int[] clean = ladder.cleanOf(went);
        Best best = ladder.best(clean);
        if (best.ratio < LEAST_RATIO || !isOdd(passes, ladder, best.ratio)) {
            return Optional.empty();
        }
        return Optional.of(new AwkwardBand(
                ladder.tempos[best.from],
                ladder.tempos[best.to],
                best.passes,
                (double) best.clean / best.passes,
                (double) best.cleanAbove / best.passesAbove));
    }

    private static boolean isOdd(List<Tried> passes, Ladder ladder, double ratio) {
        double[] place = new double[passes.size()];
        int[] dayOf = new int[place.length];
        long[] days = passes.stream().mapToLong(Tried::day).distinct().sorted().toArray();
        for (int i = 0; i < place.length; i++) {
            place[i] = passes.get(i).tempo.log() - passes.get(i).ceiling.log();
            dayOf[i] = Arrays.binarySearch(days, passes.get(i).day);
        }
        Falling fit = Falling.through(place, passes);
        SplittableRandom random = new SplittableRandom(SEED);
        int most = (int) (ALARM * (REPLICATES + 1)) - 1;
        int asOdd = 0;
        double[] form = new double[days.length];
        boolean[] drawn = new boolean[place.length];
        for (int replicate = 0; replicate < REPLICATES; replicate++) {
            Arrays.setAll(form, day -> FORM * random.nextGaussian());
            for (int i = 0; i < place.length; i++) {
                drawn[i] = random.nextDouble() < fit.at(place[i] + form[dayOf[i]]);
            }
            if (ladder.best(ladder.cleanOf(drawn)).ratio >= ratio && ++asOdd > most) {
                return false;
            }
        }
        return true;
    }

    /** A run of tempos and what lies above it. */
    private record Best(double ratio, int from, int to, int passes, int clean, int passesAbove, int cleanAbove) {}

    /** The tempos that were played, slowest first, with the passes at each. */
    private static final class Ladder {

        private static final double[] TERMS = terms();

        private final Tempo[] tempos;
        private final double[] places;
        private final int[] counts;
        private final int[] rungs;

        private Ladder(Tempo[] tempos, int[] counts, int[] rungs) {
            this.tempos = tempos;
            this.places = Arrays.stream(tempos).mapToDouble(Tempo::log).toArray();
            this.counts = counts;
            this.rungs = rungs;
        }

        private static double[] terms() {
            double[] terms = new double[1_000];
            Arrays.setAll(terms, count -> count == 0 ? 0 : count * Math.log(count));
            return terms;
        }

        static Ladder of(List<Tried> passes) {
            Tempo[] tempos =
                    passes.stream().map(Tried::tempo).distinct().sorted().toArray(Tempo[]::new);
            int[] counts = new int[tempos.length];
            int[] rungs = new int[passes.size()];
            for (int i = 0; i < rungs.length; i++) {
                rungs[i] = Arrays.binarySearch(tempos, passes.get(i).tempo);
                counts[rungs[i]]++;
            }
            return new Ladder(tempos, counts, rungs);
        }

        int[] cleanOf(boolean[] passes) {
            int[] clean = new int[tempos.length];
            for (int i = 0; i < rungs.length; i++) {
                clean[rungs[i]] += passes[i] ? 1 : 0;
            }
            return clean;
        }

        /** The run that stands out most from what is above it. */
        Best best(int[] clean) {
            Best best = new Best(0, 0, 0, 0, 0, 0, 0);
            for (int from = 0; from < tempos.length; from++) {
                int passes = 0;
                int good = 0;
                for (int to = from; to < tempos.length && places[to] - places[from] <= WIDEST; to++) {
                    passes += counts[to];
                    good += clean[to];
                    if (passes >= LEAST_IN_BAND && to - from + 1 >= LEAST_TEMPOS) {
                        best = above(best, from, to, passes, good, clean);
                    }
                }
            }
            return best;
        }

        private Best above(Best soFar, int from, int to, int passes, int good, int[] clean) {
            Best best = soFar;
            int more = 0;
            int better = 0;
            for (int top = to + 1; top < tempos.length && places[top] - places[to] <= WIDEST; top++) {
                more += counts[top];
                better += clean[top];
                if (more >= LEAST_ABOVE && (long) good * more < (long) better * passes) {
                    double ratio =
                            2 * (share(good, passes) + share(better, more) - share(good + better, passes + more));
                    if (ratio > best.ratio) {
                        best = new Best(ratio, from, to, passes, good, more, better);
                    }
                }
            }
            return best;
        }

        /** The greatest ln likelihood of so many clean ones of so many. */
        private static double share(int clean, int of) {
            return term(clean) + term(of - clean) - term(of);
        }

        private static double term(int count) {
            return count < TERMS.length ? TERMS[count] : count * Math.log(count);
        }
    }

    /** The falling steps that fit some passes best: pools adjacent violators. */
    private static final class Falling {

        private final double[] from;
        private final double[] share;

        private Falling(double[] from, double[] share) {
            this.from = from;
            this.share = share;
        }

        static Falling through(double[] place, List<Tried> passes) {
            Integer[] order = new Integer[place.length];
            Arrays.setAll(order, i -> i);
            Arrays.sort(order, Comparator.comparingDouble(i -> place[i]));
            List<double[]> steps = new ArrayList<>();
            for (int i : order) {
                double[] step = {place[i], passes.get(i).clean ? 1 : 0, 1};
                while (!steps.isEmpty() && mean(steps.get(steps.size() - 1)) <= mean(step)) {
                    double[] before = steps.remove(steps.size() - 1);
                    step = new double[] {before[0], before[1] + step[1], before[2] + step[2]};
                }
                steps.add(step);
            }
            return new Falling(
                    steps.stream().mapToDouble(step -> step[0]).toArray(),
                    steps.stream().mapToDouble(Falling::mean).toArray());
        }

        private static double mean(double[] step) {
            return step[1] / step[2];
        }

        double at(double place) {
            int found = Arrays.binarySearch(from, place);
            return share[Math.max(0, found >= 0 ? found : -found - 2)];
        }
    }
}
