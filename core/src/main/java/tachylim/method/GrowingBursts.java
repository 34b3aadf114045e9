package tachylim.method;

import tachylim.passage.Piece;
import tachylim.task.Answer;
import tachylim.task.PassKind;
import tachylim.task.Task;
import tachylim.task.Tension;
import tachylim.task.Verdict;
import tachylim.tempo.Tempo;

/**
 * A few notes at speed, then one more: from a link outward, forward from the first note, or backward from the last.
 *
 * <p>A clean burst grows by a note; a broken one goes back by a note and names the link that failed; the same link failing
 * twice ends it. This class is immutable.
 *
 * @param tempo the tempo of all of them, which it never goes above
 * @param way how they grow
 * @param from the link they grow from, from 0; the first or last note for the other ways
 * @param notes how many notes the piece has, 2 or more
 * @param bursts how many bursts at the most, 1 to 40
 */
public record GrowingBursts(Tempo tempo, Way way, int from, int notes, int bursts) implements Method {

    /** How bursts can grow. */
    public enum Way {
        OUTWARD("from the link outward"),
        FORWARD("forward from the first note"),
        BACKWARD("backward from the last note");

        private final String words;

        Way(String words) {
            this.words = words;
        }
    }

    private static final int USUAL_BURSTS = 14;

    /**
     * @throws IllegalArgumentException if a setting is outside its range
     */
    public GrowingBursts {
        tempo = Stride.notAbove(tempo);
        if (notes < 2 || from < 0 || from > notes - 2 || bursts < 1 || bursts > 40) {
            throw new IllegalArgumentException("Bursts grow from a link of the piece, 40 times at the most");
        }
    }

    static Method over(Span span) {
        if (!span.hasRoomAbove() || span.ground().notes() < 2) {
            return SteadyClimb.toCeiling(span);
        }
        Tempo tempo = Tempo.slower(span.highest(), span.target());
        int link = Math.max(0, Math.min(span.ground().notes() - 2, span.ground().weak()));
        return new GrowingBursts(tempo, Way.OUTWARD, link, span.ground().notes(), USUAL_BURSTS);
    }

    static GrowingBursts read(Settings kept) {
        return new GrowingBursts(
                kept.tempo("tempo"),
                Way.valueOf(kept.text("way")),
                kept.whole("from"),
                kept.whole("notes"),
                kept.whole("bursts"));
    }

    /** The k notes that are played when there are k of them. */
    public Piece stretch(int k) {
        return switch (way) {
            case FORWARD -> new Piece(0, k - 1);
            case BACKWARD -> new Piece(notes - k, notes - 1);
            case OUTWARD -> {
                int first = Math.max(0, Math.min(from - (k - 1) / 2, notes - k));
                yield new Piece(first, first + k - 1);
            }
        };
    }

    @Override
    public boolean goesAbove() {
        return true;
    }

    @Override
    public School school() {
        return School.GROWING_BURSTS;
    }

    @Override
    public Settings settings() {
        return Settings.NONE
                .with("tempo", tempo)
                .with("way", way.name())
                .with("from", from)
                .with("notes", notes)
                .with("bursts", bursts);
    }

    @Override
    public String promise() {
        return "Two notes at " + tempo + ", then three, then four, " + way.words
                + "; where it breaks, the link is named.";
    }

    @Override
    public Tempo limit() {
        return tempo;
    }

    @Override
    public Position opening() {
        return new At(2, 0, -1, tempo, "Two notes at " + tempo + ".");
    }

    private final class At implements Position {

        private final int k;
        private final int done;
        private final int failed;
        private final Tempo now;
        private final String why;

        At(int k, int done, int failed, Tempo now, String why) {
            this.k = k;
            this.done = done;
            this.failed = failed;
            this.now = now;
            this.why = why;
        }

        @Override
        public Move move() {
            return new Move.Play(Task.at(PassKind.BURST, now).of(stretch(k)), why);
        }

        @Override
        public Position after(Answer answer) {
            if (answer.tension() == Tension.LOCKED) {
                return new Finished("Locked: no more bursts today.");
            }
            if (answer.tension().atLeast(Tension.GRIPPING)) {
                return slower("Gripping with " + k + " notes");
            }
            if (answer.verdict() == Verdict.BROKE) {
                String link = "It broke with " + k + " notes, at the link " + link();
                return failed == k
                        ? new Finished(link + ", twice. Look at the hand there.")
                        : to(Math.max(2, k - 1), k, link + ": back to " + Math.max(2, k - 1) + ".");
            }
            if (answer.verdict() == Verdict.ROUGH) {
                return to(k, failed, "Not quite: " + k + " notes again.");
            }
            return k >= notes
                    ? new Finished("All " + notes + " notes at " + now + ".")
                    : to(k + 1, failed, k + " notes are clean: " + (k + 1) + " now.");
        }

        /** Between the note that was added last and the one it was added to, as a player counts them. */
        private String link() {
            int first = stretch(k).firstNote();
            boolean addedBefore = k > 2 && first < stretch(k - 1).firstNote();
            int from = addedBefore ? first + 1 : stretch(k).lastNote();
            return "from note " + from + " to note " + (from + 1) + " of the piece";
        }

        private Position to(int next, int failedAt, String reason) {
            return done + 1 >= bursts
                    ? new Finished("All " + bursts + " bursts are played; they had grown to " + k + " notes.")
                    : new At(next, done + 1, failedAt, now, reason);
        }

        private Position slower(String because) {
            if (Stride.isSlowest(now) || done + 1 >= bursts) {
                return new Finished(because + ": enough for today.");
            }
            Tempo lower = Tempo.slower(Stride.notAbove(now.times(0.96)), Stride.below(now));
            return new At(k, done + 1, failed, lower, because + ", so slower, at " + lower + ".");
        }

        @Override
        public Position unjudged() {
            return to(k, failed, "Nothing was said: " + k + " notes again.");
        }

        @Override
        public Position backedOff() {
            return slower("You backed off from " + now);
        }

        @Override
        public Position under(Tempo lower, String because) {
            Tempo cap = Tempo.slower(now, Stride.notAbove(lower));
            return cap.equals(now) ? this : new At(k, done, failed, cap, because + ": at " + cap + ".");
        }
    }
}
