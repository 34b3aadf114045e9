package tachylim.method;

import tachylim.codec.Codec;
import tachylim.task.Ask;
import tachylim.task.PassKind;
import tachylim.task.Task;
import tachylim.task.Tension;
import tachylim.task.Verdict;
import tachylim.tempo.Tempo;
import tachylim.words.Reason;

/**
 * From the highest tempo that is just playable drop 4%, stay until it is easy, and only then go up by 1% at a time.
 *
 * <p>Easy is a row of clean passes with a tension of 1 at the most; the row is one set. What breaks or grips goes down by
 * three steps. This class is immutable.
 *
 * @param crest the tempo that is just playable, which it never goes above
 * @param cleanInARow clean passes that make it easy, 1 to 6
 * @param sets how many sets at the most, 1 to 40
 */
public record CrestAndSettle(Tempo crest, int cleanInARow, int sets) implements StateMachine<CrestAndSettle.At> {

    static final Codec<CrestAndSettle> CODEC = Codec.object(method -> new CrestAndSettle(
            method.get("crest", Tempo.CODEC, CrestAndSettle::crest),
            method.whole("cleanInARow", CrestAndSettle::cleanInARow),
            method.whole("sets", CrestAndSettle::sets)));

    private static final double DROP = 0.96;
    private static final double STEP = 0.01;
    private static final int USUAL_SETS = 10;

    /**
     * @throws IllegalArgumentException if a setting is outside its range
     */
    public CrestAndSettle {
        crest = Stride.notAbove(crest);
        if (cleanInARow < 1 || cleanInARow > 6 || sets < 1 || sets > 40) {
            throw new IllegalArgumentException("It settles in 1 to 40 sets of 1 to 6 passes");
        }
    }

    static CrestAndSettle at(Span span) {
        return new CrestAndSettle(
                span.top(), Math.min(6, span.cleanInARow()), span.setting().times(USUAL_SETS, 40));
    }

    /** Where it settles first. */
    public Tempo start() {
        return Tempo.slower(crest.times(DROP).onMetronome(), crest);
    }

    @Override
    public School school() {
        return School.CREST_AND_SETTLE;
    }

    @Override
    public Reason promise() {
        return Reason.of("crest.promise", "crest", crest, "start", start());
    }

    @Override
    public Tempo limit() {
        return crest;
    }

    /**
     * Where it stands.
     *
     * @param done sets played
     */
    record At(Tempo tempo, int done) {}

    @Override
    public Next<At> begin() {
        return Next.go(new At(start(), 0), Reason.of("crest.begin", "start", start()));
    }

    @Override
    public Move move(At at, Tempo cap, Reason why) {
        return new Move.Play(Task.at(PassKind.CONTROLLED, at.tempo).asking(Ask.set(cleanInARow)), why);
    }

    @Override
    public Next<At> after(At at, Tempo cap, Heard answer) {
        if (answer.verdict() == Verdict.BROKE) {
            return slower(at, cap, Cause.BROKE);
        }
        if (answer.verdict() != Verdict.CLEAN || answer.tension().atLeast(Tension.ALERT)) {
            return to(at, at.tempo, Reason.of("crest.notYet", "tempo", at.tempo));
        }
        if (at.tempo.compareTo(cap) >= 0) {
            return Next.stop(Reason.of("crest.settled", "tempo", cap));
        }
        Tempo next = new Stride(STEP).up(at.tempo, cap);
        return to(at, next, Reason.of("crest.up", "tempo", at.tempo, "next", next));
    }

    private static Next<At> to(At at, Tempo next, Reason reason) {
        return Next.go(new At(next, at.done + 1), reason);
    }

    @Override
    public Next<At> slower(At at, Tempo cap, Cause cause) {
        Tempo next = new Stride(STEP).down(at.tempo, 3);
        return Stride.isSlowest(at.tempo)
                ? Next.stop(Reason.of("slowest.after", "cause", cause.at(at.tempo)))
                : Next.down(
                        new At(next, at.done + 1), Reason.of("method.down", "cause", cause.at(at.tempo), "next", next));
    }

    @Override
    public Next<At> unjudged(At at, Tempo cap) {
        return to(at, at.tempo, Reason.of("method.unjudged", "tempo", at.tempo));
    }

    @Override
    public Next<At> under(At at, Tempo cap, Reason because, Reason why) {
        return cap.compareTo(at.tempo) < 0
                ? Next.go(new At(cap, at.done), Reason.of("method.under", "because", because, "tempo", cap))
                : Next.go(at, why);
    }

    @Override
    public int done(At at) {
        return at.done;
    }

    @Override
    public int most() {
        return sets;
    }
}
