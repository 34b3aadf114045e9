package tachylim.method;

import tachylim.codec.Codec;
import tachylim.tempo.Tempo;
import tachylim.words.Reason;

/**
 * A few whole passes that measure where the ceiling is: as probes in the midst of a workout, or as a test of its own.
 *
 * <p>Each is played at the tempo that says most, which whoever knows the ceiling so far finds. It is over when all are
 * played, when the ceiling is known well enough, and after the first that is too tense: a hand that grips measures
 * nothing but itself. Backing off ends it too. This class is immutable.
 *
 * @param limit the tempo it never goes above, whole on a metronome
 * @param passes how many at the most, 1 to {@value #MOST}
 * @param enough how well the ceiling has to be known for nothing to be left to measure, as a share either way
 */
public record Probes(Tempo limit, int passes, double enough) implements StateMachine<Integer> {

    static final Codec<Probes> CODEC = Codec.object(method -> new Probes(
            method.get("limit", Tempo.CODEC, Probes::limit),
            method.whole("passes", Probes::passes),
            method.number("enough", Probes::enough)));

    /** The passes of a test of its own. */
    public static final int MOST = 14;

    /** The passes in a workout, and the one more while the ceiling is not known well. */
    public static final int USUAL = 3;

    public static final int WHEN_UNSURE = 4;

    /** The passes of a section that is not what a workout is mainly about. */
    public static final int OF_ANOTHER = 2;

    /** A ceiling that is known to so much either way need not be measured. */
    public static final double ENOUGH = 0.02;

    /**
     * @throws IllegalArgumentException if a setting is outside its range
     */
    public Probes {
        limit = Stride.notAbove(limit);
        if (passes < 1 || passes > MOST) {
            throw new IllegalArgumentException("A ceiling is measured by 1 to " + MOST + " passes, not " + passes);
        }
        if (!(enough >= 0 && enough < 1)) {
            throw new IllegalArgumentException("Enough is a share of the ceiling below 1, not " + enough);
        }
    }

    /** The ceiling test of a section that is played up to a tempo. */
    static Probes test(Span span) {
        return new Probes(span.reach(), MOST, ENOUGH);
    }

    @Override
    public School school() {
        return School.CEILING_TEST;
    }

    @Override
    public Reason promise() {
        return Reason.of("probes.promise", "passes", passes, "limit", limit);
    }

    @Override
    public Next<Integer> begin() {
        return Next.go(0, Reason.NONE);
    }

    @Override
    public Move move(Integer at, Tempo cap, Reason why) {
        return new Move.Measure(cap, enough, Reason.of("probes.one", "number", at + 1, "passes", passes));
    }

    @Override
    public Next<Integer> after(Integer at, Tempo cap, Heard answer) {
        return unjudged(at, cap);
    }

    @Override
    public Next<Integer> unjudged(Integer at, Tempo cap) {
        return Next.go(at + 1, Reason.NONE);
    }

    @Override
    public Next<Integer> slower(Integer at, Tempo cap, Cause cause) {
        return Next.stop(cause == Cause.BACKED_OFF ? Reason.of("probes.backedOff") : Reason.of("probes.tense"));
    }

    @Override
    public int done(Integer at) {
        return at;
    }

    @Override
    public int most() {
        return passes;
    }
}
