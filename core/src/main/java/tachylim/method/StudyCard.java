package tachylim.method;

import tachylim.codec.Codec;
import tachylim.tempo.Tempo;
import tachylim.words.Reason;

/**
 * Work away from the instrument: reading in silence, imagining, the body first. This class is immutable.
 *
 * @param what what to do
 * @param seconds for how long, 30 to 1800
 */
public record StudyCard(Reason what, double seconds) implements StateMachine<Integer> {

    static final Codec<StudyCard> CODEC = Codec.object(method -> new StudyCard(
            method.get("what", Reason.CODEC.required(), StudyCard::what),
            method.number("seconds", StudyCard::seconds)));

    private static final Reason USUAL = Reason.of("study.read");
    private static final double SHORTEST = 30;
    private static final double LONGEST = 1800;

    /**
     * @throws IllegalArgumentException if it lasts too short or too long, or says nothing
     */
    public StudyCard {
        if (what.saysNothing() || !(seconds >= SHORTEST && seconds <= LONGEST)) {
            throw new IllegalArgumentException("A study card says what to do for 30 to 1800 seconds");
        }
    }

    static StudyCard usual(Span span) {
        return new StudyCard(USUAL, Math.min(LONGEST, Math.max(SHORTEST, span.seconds())));
    }

    @Override
    public School school() {
        return School.STUDY_CARD;
    }

    @Override
    public Reason promise() {
        return Reason.of("study.promise", "minutes", Math.round(seconds / 60), "what", what);
    }

    @Override
    public Tempo limit() {
        return Tempo.of(Tempo.MIN);
    }

    @Override
    public Next<Integer> begin() {
        return Next.go(0, what);
    }

    @Override
    public Move move(Integer at, Tempo cap, Reason why) {
        return new Move.Away(seconds, what);
    }

    @Override
    public Next<Integer> after(Integer at, Tempo cap, Heard answer) {
        return unjudged(at, cap);
    }

    @Override
    public Next<Integer> unjudged(Integer at, Tempo cap) {
        return Next.go(at + 1, what);
    }

    @Override
    public Next<Integer> slower(Integer at, Tempo cap, Cause cause) {
        return unjudged(at, cap);
    }

    @Override
    public int done(Integer at) {
        return at;
    }

    @Override
    public int most() {
        return 1;
    }
}
