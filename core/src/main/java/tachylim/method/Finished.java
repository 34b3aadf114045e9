package tachylim.method;

import tachylim.tempo.Tempo;
import tachylim.words.Reason;

/** The position of a method that is over. */
record Finished(Reason why) implements Position {

    @Override
    public Move move() {
        return new Move.Finish(why);
    }

    @Override
    public Position after(Heard answer) {
        throw new IllegalStateException("This method is finished: " + why);
    }

    @Override
    public Position unjudged() {
        throw new IllegalStateException("This method is finished: " + why);
    }

    @Override
    public Position under(Tempo most, Reason because) {
        return this;
    }

    @Override
    public Position backedOff() {
        throw new IllegalStateException("This method is finished: " + why);
    }
}
