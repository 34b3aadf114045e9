package tachylim.ceiling;

/**
 * The weights of one shape over the places of the curve: a stretch of the places, since far from the truth nothing
 * weighs anything. This class is immutable as long as nobody keeps its array.
 *
 * @param from the first place of the stretch
 * @param weights the weight at each place of it, not negative; empty when the whole shape weighs nothing
 */
record Row(int from, double[] weights) {

    static final Row EMPTY = new Row(0, new double[0]);

    int to() {
        return from + weights.length;
    }

    double sum() {
        double sum = 0;
        for (double weight : weights) {
            sum += weight;
        }
        return sum;
    }

    /** The same, without the ends that weigh less than {@code least}. */
    Row trimmed(double least) {
        return trimmed(least, 1);
    }

    /** The same times a factor, without the ends that weigh less than {@code least} before. */
    Row trimmed(double least, double factor) {
        int first = 0;
        int end = weights.length;
        while (first < end && weights[first] < least) {
            first++;
        }
        while (end > first && weights[end - 1] < least) {
            end--;
        }
        return first == end ? EMPTY : scaled(first, end, factor);
    }

    /** The same as {@link #trimmed}, in the array of a row that nobody else has, unless an eighth of it is to be trimmed. */
    Row scaledInPlace(double least, double factor) {
        int eighth = weights.length / 8;
        if (weights.length == 0 || weights[eighth] < least || weights[weights.length - 1 - eighth] < least) {
            return trimmed(least, factor);
        }
        for (int i = 0; i < weights.length; i++) {
            weights[i] *= factor;
        }
        return this;
    }

    Row times(double factor) {
        return scaled(0, weights.length, factor);
    }

    private Row scaled(int first, int end, double factor) {
        double[] scaled = new double[end - first];
        for (int i = 0; i < scaled.length; i++) {
            scaled[i] = weights[first + i] * factor;
        }
        return new Row(from + first, scaled);
    }

    /** The first place at which one of some rows weighs anything. */
    static int first(Row... rows) {
        int first = Integer.MAX_VALUE;
        for (Row row : rows) {
            first = row.weights.length > 0 ? Math.min(first, row.from) : first;
        }
        return first;
    }

    /** The place after the last at which one of some rows weighs anything. */
    static int end(Row... rows) {
        int end = 0;
        for (Row row : rows) {
            end = row.weights.length > 0 ? Math.max(end, row.to()) : end;
        }
        return end;
    }

    /** These weights where there are chances, times those. */
    Row weighed(Row chances) {
        return weighed(chances.from, chances.to(), chances.weights);
    }

    /** The same with the chances of the places from {@code start} to before {@code stop}, the first of them first. */
    Row weighed(int start, int stop, double[] chances) {
        int first = Math.max(from, start);
        int end = Math.min(to(), stop);
        if (first >= end) {
            return EMPTY;
        }
        double[] weighed = new double[end - first];
        for (int i = 0; i < weighed.length; i++) {
            weighed[i] = weights[first - from + i] * chances[first - start + i];
        }
        return new Row(first, weighed);
    }

    /** The weights of several shapes at each place together. */
    static Row sum(Row... rows) {
        int from = first(rows);
        int to = end(rows);
        if (from >= to) {
            return EMPTY;
        }
        double[] weights = new double[to - from];
        for (Row row : rows) {
            double[] own = row.weights();
            int first = row.from() - from;
            for (int i = 0; i < own.length; i++) {
                weights[first + i] += own[i];
            }
        }
        return new Row(from, weights);
    }
}
