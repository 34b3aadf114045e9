package tachylim.method;

import tachylim.codec.Codec;
import tachylim.task.PassKind;
import tachylim.task.Pulse;
import tachylim.task.Task;
import tachylim.tempo.Tempo;
import tachylim.words.Reason;

/**
 * A notch faster at a time, and when the click gets too quick to follow it counts more notes: the notes do not jump.
 *
 * <p>With p notes to a click at r notes a second the click is at 60·r/p. It passes to twice as many notes when it is above
 * {@code highest}, if what results is at least {@code lowest}. A rough pass stays, a broken or gripping one goes two
 * steps down. It stops where it blurs, and is taken up there another day. This class is immutable.
 *
 * @param start the first tempo, of the music's own beats
 * @param limit the tempo it never goes above
 * @param perBeat notes a beat, 0.25 to 16: one of them to a click at first, if the click can be so quick
 * @param lowest the slowest that a click may be, in clicks a minute, 20 to 200
 * @param highest the quickest, above twice the slowest or equal
 * @param passes how many at the most, 1 to 100
 */
public record PulseLadder(Tempo start, Tempo limit, double perBeat, double lowest, double highest, int passes)
        implements StateMachine<PulseLadder.At> {

    static final Codec<PulseLadder> CODEC = Codec.object(method -> new PulseLadder(
            method.get("start", Tempo.CODEC, PulseLadder::start),
            method.get("limit", Tempo.CODEC, PulseLadder::limit),
            method.number("perBeat", PulseLadder::perBeat),
            method.number("lowest", PulseLadder::lowest),
            method.number("highest", PulseLadder::highest),
            method.whole("passes", PulseLadder::passes)));

    private static final double STEP = 0.02;
    private static final double USUAL_LOWEST = 60;
    private static final double USUAL_HIGHEST = 200;
    private static final double USUAL_START = 0.75;
    private static final int USUAL_PASSES = 20;

    /**
     * @throws IllegalArgumentException if a setting is outside its range
     */
    public PulseLadder {
        start = start.onMetronome();
        limit = Stride.notAbove(limit);
        if (start.compareTo(limit) > 0) {
            throw new IllegalArgumentException("The ladder starts at " + start + ", above its limit of " + limit);
        }
        if (!(perBeat >= 0.25 && perBeat <= 16) || !(lowest >= 20 && lowest <= 200) || !(highest >= 2 * lowest)) {
            throw new IllegalArgumentException("A click is at 20 a minute or more, and at the most twice that or more");
        }
        if (passes < 1 || passes > 100) {
            throw new IllegalArgumentException("A ladder has 1 to 100 passes, not " + passes);
        }
    }

    static PulseLadder over(Span span) {
        Tempo start = Tempo.slower(span.comfortable().times(USUAL_START).onMetronome(), span.top());
        double perBeat = Math.min(16, Math.max(0.25, span.ground().perBeat()));
        return new PulseLadder(
                start,
                span.top(),
                perBeat,
                USUAL_LOWEST,
                USUAL_HIGHEST,
                span.setting().times(passes(start, span.top()), 100));
    }

    /** As many as lead from one tempo to another by a step each, and the usual number at the least. */
    private static int passes(Tempo from, Tempo to) {
        return Math.max(USUAL_PASSES, new Stride(STEP).steps(from, to) + 1);
    }

    /** The beats that go to a click at a tempo, when so many went to it before. */
    double beatsPerClick(Tempo tempo, double before) {
        double beats = before;
        while (tempo.bpm() / beats > highest && tempo.bpm() / (2 * beats) >= lowest && beats < 8) {
            beats *= 2;
        }
        return beats;
    }

    private double first() {
        return Math.max(0.125, 1 / perBeat);
    }

    @Override
    public School school() {
        return School.PULSE_LADDER;
    }

    @Override
    public Reason promise() {
        return Reason.of("pulse.promise", "start", start, "highest", Math.round(highest));
    }

    /**
     * Where it stands.
     *
     * @param beats the beats that go to a click
     * @param done passes played
     */
    record At(Tempo tempo, double beats, int done) {}

    @Override
    public Next<At> begin() {
        return Next.go(new At(start, beatsPerClick(start, first()), 0), Reason.NONE);
    }

    @Override
    public Move move(At at, Tempo cap, Reason why) {
        Pulse.Recounted pulse = new Pulse.Recounted(at.tempo, at.beats);
        long notes = Math.round(at.beats * perBeat);
        return new Move.Play(
                Task.at(PassKind.CONTROLLED, at.tempo).with(pulse),
                why.then(Reason.of("pulse.click", "notes", notes, "clicks", Math.round(pulse.clicksPerMinute()))));
    }

    @Override
    public Next<At> after(At at, Tempo cap, Heard answer) {
        return switch (answer.verdict()) {
            case BROKE -> slower(at, cap, Cause.BROKE);
            case ROUGH -> to(at, at.tempo, Reason.of("pulse.slip", "tempo", at.tempo));
            case CLEAN ->
                answer.holds()
                        ? to(at, at.tempo, Reason.of("pulse.tense", "tempo", at.tempo))
                        : at.tempo.compareTo(cap) >= 0
                                ? Next.stop(Reason.of("pulse.top", "tempo", cap))
                                : to(
                                        at,
                                        new Stride(STEP).up(at.tempo, cap),
                                        Reason.of("pulse.clean", "tempo", at.tempo));
        };
    }

    private Next.Go<At> to(At at, Tempo next, Reason reason) {
        return Next.go(new At(next, beatsPerClick(next, at.beats), at.done + 1), reason);
    }

    @Override
    public Next<At> slower(At at, Tempo cap, Cause cause) {
        if (Stride.isSlowest(at.tempo)) {
            return Next.stop(Reason.of("slowest"));
        }
        Reason why = cause == Cause.BACKED_OFF
                ? Reason.of("pulse.backedOff")
                : Reason.of("pulse.slower", "cause", cause.at(at.tempo));
        Next.Go<At> go = to(at, new Stride(STEP).down(at.tempo, 2), why);
        return Next.down(go.state(), go.why());
    }

    @Override
    public Next<At> unjudged(At at, Tempo cap) {
        return to(at, at.tempo, Reason.of("pulse.unjudged"));
    }

    @Override
    public Next<At> under(At at, Tempo cap, Reason because, Reason why) {
        return cap.compareTo(at.tempo) < 0
                ? Next.go(new At(cap, at.beats, at.done), Reason.of("method.under", "because", because, "tempo", cap))
                : Next.go(at, why);
    }

    @Override
    public int done(At at) {
        return at.done;
    }

    @Override
    public int mostMisses() {
        return 3;
    }

    @Override
    public int most() {
        return passes;
    }
}
