package tachylim.method;

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
public record CrestAndSettle(Tempo crest, int cleanInARow, int sets) implements Method {

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

    static CrestAndSettle read(Settings kept) {
        return new CrestAndSettle(kept.tempo("crest"), kept.whole("cleanInARow"), kept.whole("sets"));
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
    public Settings settings() {
        return Settings.NONE
                .with("crest", crest)
                .with("cleanInARow", cleanInARow)
                .with("sets", sets);
    }

    @Override
    public String promise() {
        return "4% under " + crest + ", at " + start() + ", until it is easy; then up by 1% at a time.";
    }

    @Override
    public Tempo limit() {
        return crest;
    }

    @Override
    public Position opening() {
        return new At(start(), 1, crest, "Settle at " + start() + " until it is easy.");
    }

    private final class At implements Position {

        private final Tempo tempo;
        private final int set;
        private final Tempo most;
        private final String why;

        At(Tempo tempo, int set, Tempo most, String why) {
            this.tempo = tempo;
            this.set = set;
            this.most = most;
            this.why = why;
        }

        @Override
        public Move move() {
            return new Move.Play(Task.at(PassKind.CONTROLLED, tempo).asking(Ask.set(cleanInARow)), why);
        }

        @Override
        public Position after(Answer answer) {
            if (answer.tension() == Tension.LOCKED) {
                return new Finished("Locked at " + tempo + ": leave this now and let the hands recover.");
            }
            boolean gripping = answer.tension().atLeast(Tension.GRIPPING);
            if (gripping || answer.verdict() == Verdict.BROKE) {
                return lower((gripping ? "Gripping at " : "It broke at ") + tempo);
            }
            boolean easy =
                    answer.verdict() == Verdict.CLEAN && !answer.tension().atLeast(Tension.ALERT);
            if (easy && tempo.compareTo(most) >= 0) {
                return new Finished("Easy at " + most + ": settled.");
            }
            Tempo next = easy ? new Stride(STEP).up(tempo, most) : tempo;
            return to(
                    next,
                    easy ? "Easy at " + tempo + ", so up to " + next + "." : "Not easy yet: " + tempo + " again.");
        }

        private Position to(Tempo next, String reason) {
            return set >= sets
                    ? new Finished("All " + sets + " sets are played; the last was at " + tempo + ".")
                    : new At(next, set + 1, most, reason);
        }

        private Position lower(String because) {
            if (Stride.isSlowest(tempo)) {
                return new Finished(because + ": slower than this cannot be set.");
            }
            Tempo next = new Stride(STEP).down(tempo, 3);
            return to(next, because + ", so down to " + next + ".");
        }

        @Override
        public Position unjudged() {
            return to(tempo, "Nothing was said of the last: " + tempo + " again.");
        }

        @Override
        public Position backedOff() {
            return lower("You backed off from " + tempo);
        }

        @Override
        public Position under(Tempo lower, String because) {
            Tempo cap = Tempo.slower(most, Stride.notAbove(lower));
            boolean lowered = cap.compareTo(tempo) < 0;
            return new At(Tempo.slower(tempo, cap), set, cap, lowered ? because + ": " + cap + "." : why);
        }
    }
}
