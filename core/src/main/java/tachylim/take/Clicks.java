package tachylim.take;

import java.util.Arrays;
import java.util.List;
import java.util.OptionalDouble;

/**
 * The click as it is heard in a take: how much later than it was sent, and what it sounds like in that room. Whatever comes again
 * with every click of the count-in is the click; nothing else does.
 */
final class Clicks {

    /** A click is looked for so long after it was sent, in seconds. */
    private static final double LATEST = 0.4;

    private static final int FEWEST = 2;

    /** Power is averaged over so long, in seconds. */
    private static final double SMOOTH = 0.0015;

    /** It stands out of what is heard before it by so much in power. */
    private static final double STANDS_OUT = 6;

    /** Its beginning is the direct sound and no echo: the earliest that is nearly as strong as any. */
    private static final double NEARLY = 0.5;

    private static final double BEFORE = 0.002;
    private static final double AFTER = 0.15;
    private static final int SHIFT = 6;
    private static final double LEAST_GAIN = 0.4;
    private static final double MOST_GAIN = 2.2;

    /** It sounds so long before and after its place, the longer while that is not known, in seconds. */
    private static final double SOUNDS_BEFORE = 0.05;

    private static final double SOUNDS_AFTER = 0.12;
    private static final double SOUNDS_SOMEWHERE = 0.25;

    /** A click that explains less of what is heard at its place is not taken away. */
    private static final double LEAST_EXPLAINED = 0.04;

    private final List<Double> sent;
    private final double late;
    private final double usually;
    private final double[] sample;

    private Clicks(List<Double> sent, double late, double usually, double[] sample) {
        this.sent = sent;
        this.late = late;
        this.usually = usually;
        this.sample = sample;
    }

    /** How much later than it was sent a click is heard, in seconds; empty where it is not heard. */
    OptionalDouble late() {
        return Double.isNaN(late) ? OptionalDouble.empty() : OptionalDouble.of(late);
    }

    /** How much later than it was sent a click would be heard: as it is, or else as it usually was; empty where nobody knows. */
    OptionalDouble expected() {
        return late().isPresent() || Double.isNaN(usually) ? late() : OptionalDouble.of(usually);
    }

    /** The same where clicks were heard so much later before, in other takes by the same way. */
    Clicks usually(OptionalDouble seconds) {
        return new Clicks(sent, late, seconds.orElse(Double.NaN), sample);
    }

    static Clicks none() {
        return unheard(List.of());
    }

    private static Clicks unheard(List<Double> sent) {
        return new Clicks(sent, Double.NaN, Double.NaN, new double[0]);
    }

    /** The same on a clock that begins later. */
    Clicks later(double from) {
        return new Clicks(sent.stream().map(click -> click - from).toList(), late, usually, sample);
    }

    /** Whether a click may be sounding at a time. */
    boolean sounds(double at) {
        double place = late().orElse(0);
        double after = late().isPresent() ? SOUNDS_AFTER : SOUNDS_SOMEWHERE;
        return sent.stream().anyMatch(click -> at > click + place - SOUNDS_BEFORE && at < click + place + after);
    }

    static Clicks in(Take take, Signal signal) {
        Clicks unheard = unheard(take.clicks());
        double first = take.due(0);
        List<Double> counting =
                take.clicks().stream().filter(click -> click < first - 0.05).toList();
        if (counting.size() < FEWEST) {
            return unheard;
        }
        double[] again = again(counting, signal);
        int most = 0;
        for (int lag = 0; lag < again.length; lag++) {
            most = again[lag] > again[most] ? lag : most;
        }
        int from = most;
        for (int lag = 0; lag < most; lag++) {
            if (again[lag] >= NEARLY * again[most]) {
                from = lag;
                break;
            }
        }
        if (again[from] < STANDS_OUT * before(counting, signal)) {
            return unheard;
        }
        // Half of its own height is where it begins: a click is loudest at once.
        double top = topNear(again, from);
        int begin = from;
        while (begin > 0 && again[begin - 1] > top / 4) {
            begin--;
        }
        double late = begin / signal.rate();
        return new Clicks(take.clicks(), late, Double.NaN, sample(counting, signal, late));
    }

    private static double topNear(double[] again, int from) {
        double top = 0;
        for (int lag = from; lag < Math.min(again.length, from + 64); lag++) {
            top = Math.max(top, again[lag]);
        }
        return top;
    }

    /** The power that comes with each click of the count-in, by how much later it is heard: what the weakest of them has. */
    private static double[] again(List<Double> counting, Signal signal) {
        double[] least = new double[(int) (LATEST * signal.rate())];
        Arrays.fill(least, Double.MAX_VALUE);
        int half = Math.max(1, (int) (SMOOTH * signal.rate() / 2));
        for (double click : counting) {
            int start = (int) Math.round(click * signal.rate());
            double sum = 0;
            for (int at = start - half; at < start + half; at++) {
                sum += square(signal, at);
            }
            for (int lag = 0; lag < least.length; lag++) {
                sum += square(signal, start + lag + half) - square(signal, start + lag - half - 1);
                least[lag] = Math.min(least[lag], Math.max(0, sum) / (2 * half + 1));
            }
        }
        return least;
    }

    private static double square(Signal signal, int at) {
        return at < 0 || at >= signal.samples().length ? 0 : signal.samples()[at] * signal.samples()[at];
    }

    /** The power right before the clicks are sent. */
    private static double before(List<Double> counting, Signal signal) {
        double[] powers = counting.stream()
                .mapToDouble(click -> {
                    int end = (int) (click * signal.rate());
                    int from = (int) Math.max(0, end - 0.05 * signal.rate());
                    double sum = 0;
                    for (int at = from; at < end; at++) {
                        sum += square(signal, at);
                    }
                    return sum / Math.max(1, end - from);
                })
                .toArray();
        return Quiet.quantile(powers, 0.5) + 1e-12;
    }

    /** The mean of the clicks of the count-in, faded out at its end. */
    private static double[] sample(List<Double> counting, Signal signal, double late) {
        double[] sample = new double[(int) ((BEFORE + AFTER) * signal.rate())];
        for (double click : counting) {
            int start = (int) Math.round((click + late - BEFORE) * signal.rate());
            for (int i = 0; i < sample.length; i++) {
                int at = start + i;
                sample[i] += at < 0 || at >= signal.samples().length ? 0 : signal.samples()[at] / counting.size();
            }
        }
        for (int i = sample.length / 2; i < sample.length; i++) {
            sample[i] *= 2.0 * (sample.length - i) / sample.length;
        }
        return sample;
    }

    /** The signal without the clicks, as far as they sound like those of the count-in. */
    Signal without(Signal signal) {
        if (sample.length == 0) {
            return signal;
        }
        float[] left = signal.samples().clone();
        double own = Timing.product(sample, sample);
        for (double click : sent) {
            int start = (int) Math.round((click + late - BEFORE) * signal.rate());
            double best = 0;
            int place = start;
            for (int shift = -SHIFT; shift <= SHIFT; shift++) {
                double match = match(left, start + shift);
                if (match > best) {
                    best = match;
                    place = start + shift;
                }
            }
            double gain = Math.min(MOST_GAIN, best / own);
            double explained = best * best / (own * power(left, place));
            if (gain < LEAST_GAIN || explained < LEAST_EXPLAINED) {
                continue;
            }
            for (int i = Math.max(0, -place); i < sample.length && place + i < left.length; i++) {
                left[place + i] -= (float) (gain * sample[i]);
            }
        }
        return new Signal(left, signal.rate());
    }

    private double match(float[] samples, int place) {
        double sum = 0;
        for (int i = Math.max(0, -place); i < sample.length && place + i < samples.length; i++) {
            sum += samples[place + i] * sample[i];
        }
        return sum;
    }

    private double power(float[] samples, int place) {
        double sum = 1e-12;
        for (int i = Math.max(0, -place); i < sample.length && place + i < samples.length; i++) {
            sum += samples[place + i] * samples[place + i];
        }
        return sum;
    }
}
