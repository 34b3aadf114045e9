package tachylim.method;

import tachylim.codec.Codec;
import tachylim.passage.Section;
import tachylim.task.PassKind;
import tachylim.task.Task;
import tachylim.tempo.Tempo;
import tachylim.words.Reason;

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
        OUTWARD,
        FORWARD,
        BACKWARD
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
        return new GrowingBursts(
                tempo,
                Way.OUTWARD,
                transition,
                span.ground().notes(),
                span.setting().times(USUAL_BURSTS, 40));
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
    public Reason promise() {
        return Reason.of("growing.promise", "tempo", tempo, "way", way);
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
        return Next.go(new At(2, 0, -1, tempo), Reason.of("growing.begin", "tempo", tempo));
    }

    @Override
    public Move move(At at, Tempo cap, Reason why) {
        return new Move.Play(Task.at(PassKind.BURST, at.now).of(stretch(at.k)), why);
    }

    @Override
    public Next<At> after(At at, Tempo cap, Heard answer) {
        int k = at.k;
        return switch (answer.verdict()) {
            case CLEAN ->
                answer.holds()
                        ? Next.go(at.grown(k, at.failed), Reason.of("growing.edge", "notes", k))
                        : k >= notes
                                ? Next.stop(Reason.of("growing.holds", "notes", notes, "tempo", at.now))
                                : Next.go(
                                        at.grown(k + 1, at.failed),
                                        Reason.of("growing.more", "notes", k, "more", k + 1));
            case ROUGH -> Next.go(at.grown(k, at.failed), Reason.of("growing.again", "notes", k));
            case BROKE -> {
                int from = noteBefore(k);
                int fewer = Math.max(2, k - 1);
                yield at.failed == k
                        ? Next.stop(Reason.of("growing.twice", "notes", k, "from", from, "to", from + 1))
                        : Next.go(
                                at.grown(fewer, k),
                                Reason.of("growing.back", "notes", k, "from", from, "to", from + 1, "fewer", fewer));
            }
        };
    }

    /** The first note of the transition that was added last, as a player counts them. */
    private int noteBefore(int k) {
        int first = stretch(k).firstNote();
        boolean addedBefore = k > 2 && first < stretch(k - 1).firstNote();
        return addedBefore ? first + 1 : stretch(k).lastNote();
    }

    @Override
    public Next<At> slower(At at, Tempo cap, Cause cause) {
        Tempo lower = Tempo.slower(Stride.notAbove(at.now.times(EASING)), Stride.below(at.now));
        Reason because = cause.at(at.now);
        return Next.go(
                new At(at.k, at.done + 1, at.failed, lower),
                Reason.of("growing.slower", "because", because, "tempo", lower));
    }

    @Override
    public Next<At> unjudged(At at, Tempo cap) {
        return Next.go(at.grown(at.k, at.failed), Reason.of("growing.unjudged", "notes", at.k));
    }

    @Override
    public Next<At> under(At at, Tempo cap, Reason because, Reason why) {
        return cap.compareTo(at.now) < 0
                ? Next.go(
                        new At(at.k, at.done, at.failed, cap),
                        Reason.of("method.under", "because", because, "tempo", cap))
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
