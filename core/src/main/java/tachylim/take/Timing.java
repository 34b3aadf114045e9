package tachylim.take;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import tachylim.passage.InstrumentFamily;

/**
 * Where exactly the notes of an alignment begin: by the attack, and by the old sound handing over to the new one, each with the
 * error it is likely to have, put together by their precision.
 */
final class Timing {

    private static final double MOST_WITHIN = 0.045;
    private static final double SHARE_WITHIN = 0.45;
    private static final double BY_FLUX = 0.0006;
    private static final double LEAST_BY_FLUX = 0.0015;
    private static final double MOST_BY_FLUX = 0.020;
    private static final double HANDING_OVER = 0.0035;

    /** Reeds speak slowly. */
    private static final double REED_HANDING_OVER = 0.007;

    /** What is blown or bowed begins no more sharply than this. */
    private static final double SUNG = 0.003;

    private static final double RISING = 0.008;
    private static final double LONG_WINDOW = 1.6;
    private static final double TOO_ALIKE = 0.93;
    private static final double MOST_GROWTH = 3;

    /** On bows both ways err together, so that where they differ they err by more than they differ. */
    private static final double BOWED_GROWTH = 1.5;

    private static final double FAR_APART = 3;
    private static final double SOFT = 0.011;

    /** What is struck begins sharply even where it is soft. */
    private static final double SOFT_STRUCK = 0.005;

    /** Breath and bow begin a tone slowly out of silence. */
    private static final double OUT_OF_SILENCE = 0.020;

    /** A note on the pitch of the one before, without an attack, may begin anywhere around there: a share of its interval. */
    private static final double UNHEARD = 0.2;

    private static final double WEAK_FLUX = 0.004;

    private final Take take;
    private final Attacks attacks;
    private final Tones tones;

    private Timing(Take take, Attacks attacks, Tones tones) {
        this.take = take;
        this.attacks = attacks;
        this.tones = tones;
    }

    /** A time with its likely error; empty in that it is no number. */
    private record Guess(double at, double sigma, boolean rising) {

        static final Guess NONE = new Guess(Double.NaN, Double.NaN, false);

        boolean isNone() {
            return Double.isNaN(at);
        }
    }

    static List<Onset> of(Take take, Attacks attacks, Tones tones, List<Alignment.Played> played) {
        return new Timing(take, attacks, tones).onsets(played);
    }

    private List<Onset> onsets(List<Alignment.Played> played) {
        int count = played.size();
        Guess[] byFlux = new Guess[count];
        Guess[] bySound = new Guess[count];
        for (int i = 0; i < count; i++) {
            byFlux[i] = byFlux(played, i);
            bySound[i] = bySound(played, i);
        }
        double handing = median(byFlux, bySound, false);
        double rising = median(byFlux, bySound, true);
        double disagreement = growth(byFlux, bySound, handing, rising);
        double growth = take.family() == InstrumentFamily.BOWED ? Math.pow(disagreement, BOWED_GROWTH) : disagreement;
        List<Onset> onsets = new ArrayList<>();
        for (int i = 0; i < count; i++) {
            Alignment.Played one = played.get(i);
            Guess flux = byFlux[i];
            Guess sound = bySound[i];
            Guess exact = sound.isNone()
                    ? flux
                    : together(
                            flux, new Guess(sound.at + (sound.rising ? rising : handing), sound.sigma, sound.rising));
            double sigma = Math.max(least(played, i, flux, sound), growth * exact.sigma);
            onsets.add(new Onset(one.note(), exact.at, sigma, tones.attack(one.frame()), one.again(), one.stopped()));
        }
        return onsets;
    }

    /** The least that the time of a note is off by, however sharply it seems to begin. */
    private double least(List<Alignment.Played> played, int i, Guess flux, Guess sound) {
        Alignment.Played one = played.get(i);
        double least = isSung() ? SUNG : 0;
        boolean soft = i == 0 || one.stopped() || sound.isNone() && take.isPitched();
        if (!soft || flux.sigma <= LEAST_BY_FLUX * 2) {
            return least;
        }
        boolean repeated = i > 0
                && !one.stopped()
                && tones.soundOf(played.get(i - 1).note()) == tones.soundOf(one.note())
                && flux.sigma > WEAK_FLUX;
        double interval = repeated ? (one.frame() - played.get(i - 1).frame()) * tones.seconds() : 0;
        double floor = take.rings() ? SOFT_STRUCK : isSung() && (i == 0 || one.stopped()) ? OUT_OF_SILENCE : SOFT;
        return Math.max(floor, UNHEARD * interval);
    }

    private boolean isSung() {
        return switch (take.family()) {
            case WIND, BRASS, BOWED, FREE_REED -> true;
            case PLUCKED, KEYBOARD, MALLET, OTHER -> false;
        };
    }

    private Guess byFlux(List<Alignment.Played> played, int i) {
        double at = played.get(i).frame() * tones.seconds();
        double interval = Double.MAX_VALUE;
        if (i > 0) {
            interval = Math.min(interval, at - played.get(i - 1).frame() * tones.seconds());
        }
        if (i + 1 < played.size()) {
            interval = Math.min(interval, played.get(i + 1).frame() * tones.seconds() - at);
        }
        double[] exact = attacks.exactly(at, Math.min(MOST_WITHIN, SHARE_WITHIN * interval));
        double sigma =
                exact[1] <= 0 ? MOST_BY_FLUX : Math.max(LEAST_BY_FLUX, Math.min(MOST_BY_FLUX, BY_FLUX / exact[1]));
        return new Guess(exact[0], sigma, false);
    }

    /** Where the sound before hands over to this one: where the power of the one passes that of the other. */
    private Guess bySound(List<Alignment.Played> played, int i) {
        if (!take.isPitched() || i == 0 || played.get(i).stopped()) {
            return Guess.NONE;
        }
        int old = tones.soundOf(played.get(i - 1).note());
        int now = tones.soundOf(played.get(i).note());
        if (old == now || product(tones.template(old), tones.template(now)) > TOO_ALIKE) {
            return Guess.NONE;
        }
        int frame = played.get(i).frame();
        int reach = (int) Math.max(
                3,
                Math.min(
                        0.06 / tones.seconds(), 0.5 * (frame - played.get(i - 1).frame())));
        int end = i + 1 < played.size() ? played.get(i + 1).frame() : tones.frames();
        int from = Math.max(played.get(i - 1).frame(), frame - 2 * reach);
        int to = Math.min(tones.frames() - 1, Math.min(end, frame + 2 * reach));
        double[][] parts = new double[to - from + 1][];
        for (int at = from; at <= to; at++) {
            parts[at - from] = split(tones.spectrum(at), tones.template(old), tones.template(now));
        }
        double oldBefore = level(parts, 0, frame - reach / 2 - from, 0);
        double nowAfter = level(parts, frame + reach / 2 - from, parts.length, 1);
        double oldAfter = level(parts, frame + reach / 2 - from, parts.length, 0);
        if (oldBefore <= 0 || nowAfter <= 0) {
            return Guess.NONE;
        }
        boolean ringsOn = oldAfter > 0.4 * oldBefore;
        double longer = tones.isLongWindow() ? LONG_WINDOW : 1;
        for (int at = Math.max(from + 1, frame - reach); at <= Math.min(to, frame + reach); at++) {
            double here = crossing(parts[at - from], oldBefore, nowAfter, ringsOn);
            double before = crossing(parts[at - 1 - from], oldBefore, nowAfter, ringsOn);
            if (before < 0 && here >= 0) {
                double within = before / (before - here);
                return new Guess(
                        (at - 1 + within) * tones.seconds(), longer * (ringsOn ? RISING : handingOver()), ringsOn);
            }
        }
        return Guess.NONE;
    }

    private double handingOver() {
        return take.family() == InstrumentFamily.FREE_REED ? REED_HANDING_OVER : HANDING_OVER;
    }

    private static double crossing(double[] parts, double old, double now, boolean ringsOn) {
        double share = parts[1] / now;
        double left = parts[0] / old;
        return ringsOn ? share - 0.25 : share * share - left * left;
    }

    private static double level(double[][] parts, int from, int to, int which) {
        double sum = 0;
        int count = 0;
        for (int i = Math.max(0, from); i < Math.min(parts.length, to); i++) {
            sum += parts[i][which];
            count++;
        }
        return count == 0 ? 0 : sum / count;
    }

    /** How much of two templates is in a spectrum, neither below nothing. */
    private static double[] split(float[] heard, double[] old, double[] now) {
        double a = 0;
        double b = 0;
        double both = product(old, now);
        for (int bin = 0; bin < old.length; bin++) {
            a += heard[bin] * old[bin];
            b += heard[bin] * now[bin];
        }
        double det = 1 - both * both;
        double ofOld = (a - both * b) / det;
        double ofNow = (b - both * a) / det;
        return ofOld < 0
                ? new double[] {0, Math.max(0, b)}
                : ofNow < 0 ? new double[] {Math.max(0, a), 0} : new double[] {ofOld, ofNow};
    }

    static double product(double[] one, double[] other) {
        double sum = 0;
        for (int i = 0; i < one.length; i++) {
            sum += one[i] * other[i];
        }
        return sum;
    }

    /** The constant between the two ways of timing, in this take. */
    private static double median(Guess[] byFlux, Guess[] bySound, boolean rising) {
        double[] differences = new double[byFlux.length];
        int count = 0;
        for (int i = 0; i < byFlux.length; i++) {
            if (!bySound[i].isNone() && bySound[i].rising == rising) {
                differences[count++] = byFlux[i].at - bySound[i].at;
            }
        }
        return Quiet.quantile(Arrays.copyOf(differences, count), 0.5);
    }

    /** By how much the two ways disagree more than they should. */
    private static double growth(Guess[] byFlux, Guess[] bySound, double handing, double rising) {
        double[] off = new double[byFlux.length];
        int count = 0;
        for (int i = 0; i < byFlux.length; i++) {
            if (!bySound[i].isNone()) {
                double difference = byFlux[i].at - bySound[i].at - (bySound[i].rising ? rising : handing);
                off[count++] = Math.abs(difference) / Math.hypot(byFlux[i].sigma, bySound[i].sigma);
            }
        }
        return count < 4
                ? 1
                : Math.max(1, Math.min(MOST_GROWTH, 1.48 * Quiet.quantile(Arrays.copyOf(off, count), 0.5)));
    }

    private static Guess together(Guess one, Guess other) {
        if (Math.abs(one.at - other.at) > FAR_APART * Math.hypot(one.sigma, other.sigma)) {
            Guess better = one.sigma <= other.sigma ? one : other;
            return new Guess(better.at, Math.max(better.sigma, Math.abs(one.at - other.at) / FAR_APART), better.rising);
        }
        double ofOne = 1 / (one.sigma * one.sigma);
        double ofOther = 1 / (other.sigma * other.sigma);
        return new Guess(
                (one.at * ofOne + other.at * ofOther) / (ofOne + ofOther), 1 / Math.sqrt(ofOne + ofOther), false);
    }
}
