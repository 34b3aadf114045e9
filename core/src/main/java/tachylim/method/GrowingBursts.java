package tachylim.method;

import tachylim.codec.Codec;
import tachylim.passage.Section;
import tachylim.task.Answer;
import tachylim.task.PassKind;
import tachylim.task.Task;
import tachylim.tempo.Tempo;

/**
 * A few notes at speed, then one more: from a transition outward, forward from the first note, or backward from the last.
 *
 * <p>A clean burst grows by a note; a broken one goes back by a note and names the transition that failed; the same transition failing
 * twice ends it. This class is immutable.
 *
 * @param tempo the tempo of all of them, which it never goes above
 * @param way how they grow
 * @param from the transition they grow from, from 0; the first or last note for the other ways
 * @param notes how many notes the section has, 2 or more
 * @param bursts how many bursts at the most, 1 to 40
 */
public record GrowingBursts(Tempo tempo, Way way, int from, int notes, int bursts)
        implements StateMachine<GrowingBursts.At> {

    private static final Codec<Way> WAY = Codec.TEXT.as(Way::valueOf, Way::name);

    static final Codec<GrowingBursts> CODEC = Codec.object(method -> new GrowingBursts(
            method.get("tempo", Tempo.CODEC, GrowingBursts::tempo),
            method.get("way", WAY, GrowingBursts::way),
            method.whole("from", GrowingBursts::from),
            method.whole("notes", GrowingBursts::notes),
            method.whole("bursts", GrowingBursts::bursts)));

    /** How bursts can grow. */
    public enum Way {
        OUTWARD("from the transition outward"),
        FORWARD("forward from the first note"),
        BACKWARD("backward from the last note");

        private final String words;

        Way(String words) {
            this.words = words;
        }
    }

    private static final double EASING = 0.96;
    private static final int USUAL_BURSTS = 14;

    /**
     * @throws IllegalArgumentException if a setting is outside its range
     */
    public GrowingBursts {
        tempo = Stride.notAbove(tempo);
        if (notes < 2 || from < 0 || from > notes - 2 || bursts < 1 || bursts > 40) {
            throw new IllegalArgumentException("Bursts grow from a transition of the section, 40 times at the most");
        }
    }

    static Method over(Span span) {
        if (!span.hasRoomAbove() || span.ground().notes() < 2) {
            return SteadyClimb.toCeiling(span);
        }
        Tempo tempo = Tempo.slower(span.highest(), span.target());
        int transition =
                Math.max(0, Math.min(span.ground().notes() - 2, span.ground().weak()));
        return new GrowingBursts(tempo, Way.OUTWARD, transition, span.ground().notes(), USUAL_BURSTS);
    }

    /** The k notes that are played when there are k of them. */
    public Section stretch(int k) {
        return switch (way) {
            case FORWARD -> new Section(0, k - 1);
            case BACKWARD -> new Section(notes - k, notes - 1);
            case OUTWARD -> {
                int first = Math.max(0, Math.min(from - (k - 1) / 2, notes - k));
                yield new Section(first, first + k - 1);
            }
        };
    }

    @Override
    public School school() {
        return School.GROWING_BURSTS;
    }

    @Override
    public String promise() {
        return "Two notes at " + tempo + ", then three, then four, " + way.words
                + "; where it breaks, the transition is named.";
    }

    @Override
    public Tempo limit() {
        return tempo;
    }

    /**
     * Where it stands.
     *
     * @param k how many notes are next
     * @param done bursts played
     * @param failed how many there were when it last broke; -1 when it has not
     */
    record At(int k, int done, int failed, Tempo now) {

        private At grown(int next, int failedNow) {
            return new At(next, done + 1, failedNow, now);
        }
    }

    @Override
    public Next<At> begin() {
        return Next.go(new At(2, 0, -1, tempo), "Two notes at " + tempo + ".");
    }

    @Override
    public Move move(At at, Tempo cap, String why) {
        return new Move.Play(Task.at(PassKind.BURST, at.now).of(stretch(at.k)), why);
    }

    @Override
    public Next<At> after(At at, Tempo cap, Answer answer) {
        int k = at.k;
        return switch (answer.verdict()) {
            case CLEAN ->
                k >= notes
                        ? Next.stop("All " + notes + " notes at " + at.now + ": it holds.")
                        : Next.go(at.grown(k + 1, at.failed), k + " notes are clean: " + (k + 1) + " now.");
            case ROUGH -> Next.go(at.grown(k, at.failed), "Not quite: " + k + " notes again.");
            case BROKE -> {
                String transition = "It broke with " + k + " notes, at the transition " + transition(k);
                int fewer = Math.max(2, k - 1);
                yield at.failed == k
                        ? Next.stop(transition + ", twice. Look at the hand there.")
                        : Next.go(at.grown(fewer, k), transition + ": back to " + fewer + ".");
            }
        };
    }

    /** Between the note that was added last and the one it was added to, as a player counts them. */
    private String transition(int k) {
        int first = stretch(k).firstNote();
        boolean addedBefore = k > 2 && first < stretch(k - 1).firstNote();
        int note = addedBefore ? first + 1 : stretch(k).lastNote();
        return "from note " + note + " to note " + (note + 1) + " of the section";
    }

    @Override
    public Next<At> slower(At at, Tempo cap, Cause cause) {
        Tempo lower = Tempo.slower(Stride.notAbove(at.now.times(EASING)), Stride.below(at.now));
        String because = cause == Cause.GRIPPING ? "Gripping with " + at.k + " notes" : cause.at(at.now);
        return Next.go(new At(at.k, at.done + 1, at.failed, lower), because + ", so slower, at " + lower + ".");
    }

    @Override
    public Next<At> unjudged(At at, Tempo cap) {
        return Next.go(at.grown(at.k, at.failed), "Nothing was said: " + at.k + " notes again.");
    }

    @Override
    public Next<At> under(At at, Tempo cap, String because, String why) {
        return cap.compareTo(at.now) < 0
                ? Next.go(new At(at.k, at.done, at.failed, cap), because + ": at " + cap + ".")
                : Next.go(at, why);
    }

    @Override
    public int done(At at) {
        return at.done;
    }

    @Override
    public int most() {
        return bursts;
    }
}
