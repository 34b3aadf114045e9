package tachylim.ceiling;

import java.util.Arrays;
import tachylim.tempo.Tempo;

/**
 * The filter as it stands in the books, cell by cell with nothing left out: slow, and what the fast one is compared
 * with.
 */
final class PlainFilter {

    private static final double FORM = 0.0225;

    private final double[][] weights = new double[Shape.COUNT][Posterior.PLACES];

    /** What was believed this morning, and how likely what was heard since is. */
    private final double[][] morning = new double[Shape.COUNT][];

    private final double[][] heard = new double[Shape.COUNT][Posterior.PLACES];

    PlainFilter(Tempo ceiling, double sd) {
        for (int shape = 0; shape < Shape.COUNT; shape++) {
            for (int place = 0; place < Posterior.PLACES; place++) {
                double off = (model(shape, place).ceiling() - ceiling.log()) / sd;
                weights[shape][place] = Shape.prior(shape) * Math.exp(-off * off / 2);
            }
        }
        normalise();
        wake();
    }

    private void wake() {
        for (int shape = 0; shape < Shape.COUNT; shape++) {
            morning[shape] = weights[shape].clone();
            Arrays.fill(heard[shape], 1);
        }
    }

    private static CeilingModel model(int shape, int place) {
        Shape of = Shape.of(shape);
        return new CeilingModel(Math.log(16) + 0.0125 * place, of.s(), of.delta(), of.lapse());
    }

    private void normalise() {
        double sum = 0;
        for (double[] row : weights) {
            for (double weight : row) {
                sum += weight;
            }
        }
        for (double[] row : weights) {
            for (int place = 0; place < row.length; place++) {
                row[place] /= sum;
            }
        }
    }

    void learn(Evidence evidence) {
        for (int shape = 0; shape < Shape.COUNT; shape++) {
            double hardness = Math.pow(evidence.share(), Shape.of(shape).gamma());
            for (int place = 0; place < Posterior.PLACES; place++) {
                double x = evidence.tempo().log() + Shape.of(shape).tiring() * evidence.tired();
                double chance = model(shape, place).chance(evidence.verdict(), x, hardness);
                heard[shape][place] *= Math.pow(chance, evidence.power());
            }
            for (int place = 0; place < Posterior.PLACES; place++) {
                weights[shape][place] = morning[shape][place] * onAUsualDay(heard[shape], place);
            }
        }
        normalise();
    }

    private static double onAUsualDay(double[] today, int place) {
        int reach = (int) Math.ceil(3 * FORM / 0.0125);
        double sum = 0;
        double all = 0;
        for (int near = Math.max(0, place - reach); near <= Math.min(today.length - 1, place + reach); near++) {
            double chance = Math.exp(-Math.pow((near - place) * 0.0125 / FORM, 2) / 2);
            sum += chance * today[near];
            all += chance;
        }
        return sum / all;
    }

    /** How fast today is, as a share of a usual day. */
    double form() {
        double[][] usual = new double[Shape.COUNT][];
        double before = meanLogCeiling();
        for (int shape = 0; shape < Shape.COUNT; shape++) {
            usual[shape] = weights[shape];
            double[] any = gaussian(morning[shape], FORM);
            weights[shape] = new double[Posterior.PLACES];
            for (int place = 0; place < Posterior.PLACES; place++) {
                weights[shape][place] = any[place] * heard[shape][place];
            }
        }
        normalise();
        double form = Math.exp(meanLogCeiling() - before);
        System.arraycopy(usual, 0, weights, 0, usual.length);
        return form;
    }

    /** A night within the week: the place wanders by 0.6% and moves by the trend, which may change. */
    void night() {
        double[][] before = new double[Shape.COUNT][];
        for (int shape = 0; shape < Shape.COUNT; shape++) {
            before[shape] = overnight(weights[shape], Shape.of(shape).trend());
        }
        for (int shape = 0; shape < Shape.COUNT; shape++) {
            int first = shape - Shape.trend(shape);
            double prior = Shape.TREND_PRIOR[Shape.trend(shape)];
            for (int place = 0; place < Posterior.PLACES; place++) {
                double all = 0;
                for (int trend = 0; trend < Shape.TRENDS.length; trend++) {
                    all += before[first + trend][place];
                }
                weights[shape][place] = 0.97 * before[shape][place] + 0.03 * prior * all;
            }
        }
        normalise();
        wake();
    }

    /** Three places with the mean and the variance of the night. */
    private static double[] overnight(double[] row, double shift) {
        double variance = Math.max(0.006 * 0.006, Math.abs(shift) * 0.0125 - shift * shift);
        double square = (variance + shift * shift) / (0.0125 * 0.0125);
        double up = square / 2 + shift / 0.0125 / 2;
        double down = square / 2 - shift / 0.0125 / 2;
        double[] next = new double[row.length];
        for (int place = 0; place < row.length; place++) {
            next[Math.max(0, place - 1)] += down * row[place];
            next[place] += (1 - up - down) * row[place];
            next[Math.min(row.length - 1, place + 1)] += up * row[place];
        }
        return next;
    }

    private static double[] gaussian(double[] row, double sd) {
        int reach = (int) Math.ceil(4 * sd / 0.0125);
        double total = 0;
        for (int i = -reach; i <= reach; i++) {
            total += Math.exp(-Math.pow(i * 0.0125 / sd, 2) / 2);
        }
        double[] next = new double[row.length];
        for (int place = 0; place < row.length; place++) {
            for (int i = -reach; i <= reach; i++) {
                double chance = Math.exp(-Math.pow(i * 0.0125 / sd, 2) / 2) / total;
                next[Math.max(0, Math.min(row.length - 1, place + i))] += row[place] * chance;
            }
        }
        return next;
    }

    double meanLogCeiling() {
        double mean = 0;
        for (int shape = 0; shape < Shape.COUNT; shape++) {
            for (int place = 0; place < Posterior.PLACES; place++) {
                mean += weights[shape][place] * model(shape, place).ceiling();
            }
        }
        return mean;
    }

    double varianceLogCeiling() {
        double mean = meanLogCeiling();
        double variance = 0;
        for (int shape = 0; shape < Shape.COUNT; shape++) {
            for (int place = 0; place < Posterior.PLACES; place++) {
                variance += weights[shape][place] * Math.pow(model(shape, place).ceiling() - mean, 2);
            }
        }
        return variance;
    }

    double cleanAt(Tempo tempo, double tired) {
        double clean = 0;
        for (int shape = 0; shape < Shape.COUNT; shape++) {
            for (int place = 0; place < Posterior.PLACES; place++) {
                clean += weights[shape][place]
                        * model(shape, place)
                                .clean(tempo.log() + Shape.of(shape).tiring() * tired);
            }
        }
        return clean;
    }
}
