package tachylim.method;

import tachylim.task.Answer;
import tachylim.tempo.Tempo;

/**
 * Work away from the instrument: reading in silence, imagining, the body first. This class is immutable.
 *
 * @param what what to do, one sentence
 * @param seconds for how long, 30 to 1800
 */
public record StudyCard(String what, double seconds) implements Method {

    private static final String USUAL = "Read it in silence from beginning to end, and hear every note.";
    private static final double SHORTEST = 30;
    private static final double LONGEST = 1800;

    /**
     * @throws IllegalArgumentException if it lasts too short or too long, or says nothing
     */
    public StudyCard {
        if (what.isBlank() || !(seconds >= SHORTEST && seconds <= LONGEST)) {
            throw new IllegalArgumentException("A study card says what to do for 30 to 1800 seconds");
        }
    }

    static StudyCard usual(Span span) {
        return new StudyCard(USUAL, Math.min(LONGEST, Math.max(SHORTEST, span.seconds())));
    }

    static StudyCard read(Settings kept) {
        return new StudyCard(kept.text("what"), kept.number("seconds"));
    }

    @Override
    public School school() {
        return School.STUDY_CARD;
    }

    @Override
    public Settings settings() {
        return Settings.NONE.with("what", what).with("seconds", seconds);
    }

    @Override
    public String promise() {
        return Math.round(seconds / 60) + " min away from the instrument. " + what;
    }

    @Override
    public Tempo limit() {
        return Tempo.of(Tempo.MIN);
    }

    @Override
    public Position opening() {
        return new Reading();
    }

    private final class Reading implements Position {

        @Override
        public Move move() {
            return new Move.Away(seconds, what);
        }

        @Override
        public Position after(Answer answer) {
            return unjudged();
        }

        @Override
        public Position unjudged() {
            return new Finished("Studied.");
        }

        @Override
        public Position backedOff() {
            return unjudged();
        }

        @Override
        public Position under(Tempo most, String because) {
            return this;
        }
    }
}
