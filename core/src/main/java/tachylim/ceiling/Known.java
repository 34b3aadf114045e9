package tachylim.ceiling;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.atomic.AtomicReference;
import java.util.stream.Stream;
import tachylim.tempo.Rounding;
import tachylim.tempo.Tempo;
import tachylim.words.Reason;

/**
 * What is known of a section, to plan with and to learn on from: the belief about its ceiling, the tempo above which
 * tension says that it is no longer comfortable, and the estimate that follows from both. The estimate is that of a usual day;
 * what is planned follows today's form. This class is immutable.
 */
public final class Known {

    /** The share of clean passes above a band at which what is above it is in control. */
    private static final double CLEAN_ABOVE = 0.8;

    /** A day that differs by less from a usual one is not worth a word. */
    private static final double LEAST_FORM = 0.015;

    private final Posterior belief;
    private final Tempo alert;
    private final Estimate estimate;
    private final List<AwkwardBand> awkward;
    private final boolean learning;
    private final Surprise surprise;

    /** The last probe that was asked for: a plan and its preview ask several times before anything more is known. */
    private final AtomicReference<Probed> probed = new AtomicReference<>();

    private record Probed(Tempo safe, Tempo limit, Tempo tempo) {}

    private Known(
            Posterior belief,
            Tempo alert,
            Estimate estimate,
            List<AwkwardBand> awkward,
            boolean learning,
            Surprise surprise) {
        this.belief = belief;
        this.alert = alert;
        this.estimate = estimate;
        this.awkward = List.copyOf(awkward);
        this.learning = learning;
        this.surprise = surprise;
    }

    /**
     * What is known by a belief.
     *
     * @param alert the tempo at which tension reaches {@link TensionCurve#ALERT}, if that is known
     */
    public static Known of(Posterior belief, Optional<Tempo> alert) {
        return of(belief, alert.orElse(null), List.of(), Surprise.NONE);
    }

    /** What is known by a belief when nobody was asked how tense it was. */
    public static Known of(Posterior belief) {
        return of(belief, null, List.of(), Surprise.NONE);
    }

    private static Known of(Posterior belief, Tempo alert, List<AwkwardBand> awkward, Surprise surprise) {
        return new Known(belief, alert, belief.estimate().under(Optional.ofNullable(alert)), awkward, true, surprise);
    }

    /** The same, where some bands of tempos go wrong for a reason of their own: they say nothing of the ceiling. */
    public Known besides(List<AwkwardBand> bands) {
        return new Known(belief, alert, estimate, bands, learning, surprise);
    }

    /** An estimate whose belief was not kept: it says what it said, and learns nothing. */
    public static Known said(Estimate estimate) {
        return said(estimate, Optional.empty(), List.of());
    }

    /** The same, with the tempo above which tension says that it is no longer comfortable, and with the bands that are awkward. */
    public static Known said(Estimate estimate, Optional<Tempo> alert, List<AwkwardBand> awkward) {
        return new Known(null, alert.orElse(null), estimate, awkward, false, Surprise.NONE);
    }

    /** The same known by a belief. */
    public Known by(Posterior found) {
        return of(found, alert, awkward, surprise);
    }

    /** The ceiling that does not fit what was heard; empty as long as it does. */
    public Optional<Tempo> doubted() {
        return surprise.doubted();
    }

    /** The same in doubt already, of the ceiling that was believed before. */
    public Known doubting(Optional<Tempo> ceiling) {
        return new Known(belief, alert, estimate, awkward, learning, new Surprise(surprise.log(), ceiling));
    }

    public Estimate estimate() {
        return estimate;
    }

    /** How fast today is, as a share of a usual day: 1 where nothing was heard today. */
    public double form() {
        return belief == null ? 1 : belief.form();
    }

    /** How today compares with a usual day, in words; nothing to say where that is no more than a usual day is known to be. */
    public Reason formSentence() {
        double off = form() - 1;
        return Math.abs(off) < LEAST_FORM
                ? Reason.NONE
                : Reason.of("today.form", "percent", Math.round(100 * Math.abs(off)), "over", off > 0);
    }

    /** The estimate to plan by: that of a usual day with today's form. */
    public Estimate today() {
        double form = form();
        return form == 1 ? estimate : estimate.times(form).under(alert());
    }

    /** How surely the ceiling of today is known, half of its 80% interval as a share of it: surer than that of a usual day. */
    public double giveOrTakeToday() {
        return belief == null
                ? estimate.ceiling().giveOrTake()
                : belief.estimateOfToday().ceiling().giveOrTake();
    }

    /** The belief it comes from; empty when only the estimate was kept. */
    public Optional<Posterior> belief() {
        return Optional.ofNullable(belief);
    }

    /** The tempo at which tension reaches {@link TensionCurve#ALERT}, if that is known. */
    public Optional<Tempo> alert() {
        return Optional.ofNullable(alert);
    }

    /** What is known after one more pass. */
    public Known after(Evidence evidence) {
        if (!learning || !tells(evidence)) {
            return this;
        }
        Learning now = new Learning(belief, surprise).after(evidence);
        return of(now.belief(), alert, awkward, now.surprise());
    }

    /** Whether a pass says something of the ceiling: one in an awkward band only says that it is awkward. */
    public boolean tells(Evidence evidence) {
        return awkward.stream().noneMatch(band -> band.holds(evidence.tempo()));
    }

    /** The bands of tempos that are awkward. */
    public List<AwkwardBand> awkward() {
        return awkward;
    }

    /** The same, learning nothing from what is only expected. */
    public Known frozen() {
        Known same = new Known(belief, alert, estimate, awkward, false, surprise);
        same.probed.set(probed.get());
        return same;
    }

    /**
     * The tempo at which a whole pass says most about the ceiling.
     *
     * @param proven the fastest tempo that was clean already, if any was
     * @param limit what must not be passed
     */
    public Tempo probe(Optional<Tempo> proven, Tempo limit) {
        Tempo safe = safe(proven);
        if (belief == null) {
            return Tempo.slower(safe, limit).onMetronome();
        }
        if (!learning) {
            return expected(safe, limit);
        }
        Probed last = probed.get();
        if (last == null || !last.safe.equals(safe) || !last.limit.equals(limit)) {
            last = new Probed(safe, limit, Probe.next(belief, safe, limit, awkward));
            probed.set(last);
        }
        return last.tempo;
    }

    /** The fastest tempo that is easy, was clean already, or lies above a band that was overcome. */
    private Tempo safe(Optional<Tempo> proven) {
        return Stream.concat(
                        proven.stream(),
                        Stream.concat(Stream.of(estimate.comfortable().middle()), overcome()))
                .max(Comparator.naturalOrder())
                .orElseThrow();
    }

    /** About where a probe would be, for drawing what is only expected: to look for the best is work. */
    private Tempo expected(Tempo safe, Tempo limit) {
        Tempo reach = Tempo.slower(safe.times(Probe.REACH), limit);
        return Tempo.clamped(
                Rounding.below(Tempo.slower(reach, estimate.ceiling().middle()).bpm()));
    }

    /** Bands above which it was clean: they are no place to stop at. */
    private Stream<Tempo> overcome() {
        return awkward.stream().filter(band -> band.cleanAbove() >= CLEAN_ABOVE).map(AwkwardBand::to);
    }
}
