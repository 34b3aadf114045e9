package tachylim.ceiling;

import tachylim.tempo.Tempo;

/**
 * The filter as it stands in the books, cell by cell with nothing left out: slow, and what the fast one is compared
 * with.
 */
final class PlainFilter {

    private final double[][] weights = new double[Shape.COUNT][Posterior.PLACES];

    PlainFilter(Tempo ceiling, double sd) {
        for (int shape = 0; shape < Shape.COUNT; shape++) {
            for (int place = 0; place < Posterior.PLACES; place++) {
                double off = (model(shape, place).ceiling() - ceiling.log()) / sd;
                weights[shape][place] = Shape.prior(shape) * Math.exp(-off * off / 2);
            }
        }
        normalise();
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
                double chance = model(shape, place)
                        .chance(evidence.verdict(), evidence.tempo().log(), hardness);
                weights[shape][place] *= Math.pow(chance, evidence.power());
            }
        }
        normalise();
    }

    /** A night within the week: the place wanders by 1% and moves by the trend, which may change. */
    void night() {
        double[][] before = new double[Shape.COUNT][];
        for (int shape = 0; shape < Shape.COUNT; shape++) {
            before[shape] = spread(weights[shape], Shape.of(shape).trend());
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
    }

    private static double[] spread(double[] row, double shift) {
        int reach = (int) Math.ceil((4 * 0.01 + Math.abs(shift)) / 0.0125);
        double total = 0;
        for (int i = -reach; i <= reach; i++) {
            total += gauss(i, shift);
        }
        double[] next = new double[row.length];
        for (int place = 0; place < row.length; place++) {
            for (int i = -reach; i <= reach; i++) {
                next[Math.max(0, Math.min(row.length - 1, place + i))] += row[place] * gauss(i, shift) / total;
            }
        }
        return next;
    }

    private static double gauss(int steps, double shift) {
        return Math.exp(-Math.pow((steps * 0.0125 - shift) / 0.01, 2) / 2);
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

    double cleanAt(Tempo tempo) {
        double clean = 0;
        for (int shape = 0; shape < Shape.COUNT; shape++) {
            for (int place = 0; place < Posterior.PLACES; place++) {
                clean += weights[shape][place] * model(shape, place).clean(tempo.log());
            }
        }
        return clean;
    }
}
