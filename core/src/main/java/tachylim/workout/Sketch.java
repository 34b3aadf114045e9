package tachylim.workout;

import tachylim.method.Setting;
import tachylim.words.Refusal;

/**
 * What a block is to be, before what is known says how: the player's part of a plan. This class is immutable.
 *
 * @param part where in the workout it stands
 * @param theme which of the workout's sections it is about, from 0
 * @param variation the variation it is played in, by its key; empty when as written
 * @param seconds the time it may take, rests included, above 0
 * @param choices what is chosen about it
 * @param own whether the player put it in: what is composed gives way to it
 * @param setting what the player set of it
 * @param rested whether a break comes before it
 */
public record Sketch(
        Part part,
        int theme,
        String variation,
        double seconds,
        Choices choices,
        boolean own,
        Setting setting,
        boolean rested) {

    /**
     * @throws IllegalArgumentException if it has no time
     */
    public Sketch {
        if (!(seconds > 0) || theme < 0) {
            throw Refusal.of("refusal.sketch.aBlockTakesMoreThanSeconds", "seconds", seconds);
        }
    }

    /** One that is composed. */
    public Sketch(Part part, int theme, String variation, double seconds, Choices choices) {
        this(part, theme, variation, seconds, choices, false, Setting.NONE, false);
    }

    /** The same as the player's own. */
    public Sketch asOwn(Setting set) {
        return new Sketch(part, theme, variation, seconds, choices, true, set, rested);
    }

    /** The same with a break before it. */
    Sketch afterBreak() {
        return new Sketch(part, theme, variation, seconds, choices, own, setting, true);
    }

    /** The same with other time. */
    Sketch lasting(double time) {
        return new Sketch(part, theme, variation, time, choices, own, setting, rested);
    }
}
