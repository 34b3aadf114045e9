package tachylim.method;

import tachylim.codec.Codec;
import tachylim.task.Answer;
import tachylim.task.Ask;
import tachylim.task.PassKind;
import tachylim.task.Task;
import tachylim.task.Tension;
import tachylim.task.Verdict;
import tachylim.tempo.Tempo;

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
        return new CrestAndSettle(span.top(), Math.min(6, span.cleanInARow()), USUAL_SETS);
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
    public String promise() {
        return "4% under " + crest + ", at " + start() + ", until it is easy; then up by 1% at a time.";
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
        return Next.go(new At(start(), 0), "Settle at " + start() + " until it is easy.");
    }

    @Override
    public Move move(At at, Tempo cap, String why) {
        return new Move.Play(Task.at(PassKind.CONTROLLED, at.tempo).asking(Ask.set(cleanInARow)), why);
    }

    @Override
    public Next<At> after(At at, Tempo cap, Answer answer) {
        if (answer.verdict() == Verdict.BROKE) {
            return slower(at, cap, Cause.BROKE);
        }
        if (answer.verdict() != Verdict.CLEAN || answer.tension().atLeast(Tension.ALERT)) {
            return to(at, at.tempo, "Not easy yet: " + at.tempo + " again.");
        }
        if (at.tempo.compareTo(cap) >= 0) {
            return Next.stop("Easy at " + cap + ": settled.");
        }
        Tempo next = new Stride(STEP).up(at.tempo, cap);
        return to(at, next, "Easy at " + at.tempo + ", so up to " + next + ".");
    }

    private static Next<At> to(At at, Tempo next, String reason) {
        return Next.go(new At(next, at.done + 1), reason);
    }

    @Override
    public Next<At> slower(At at, Tempo cap, Cause cause) {
        Tempo next = new Stride(STEP).down(at.tempo, 3);
        return Stride.isSlowest(at.tempo)
                ? Next.stop(cause.at(at.tempo) + ": slower than this cannot be set.")
                : to(at, next, cause.at(at.tempo) + ", so down to " + next + ".");
    }

    @Override
    public Next<At> unjudged(At at, Tempo cap) {
        return to(at, at.tempo, "Nothing was said of the last: " + at.tempo + " again.");
    }

    @Override
    public Next<At> under(At at, Tempo cap, String because, String why) {
        return cap.compareTo(at.tempo) < 0
                ? Next.go(new At(cap, at.done), because + ": " + cap + ".")
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
