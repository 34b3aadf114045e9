package tachylim.load;

import tachylim.words.Refusal;

/**
 * Effort by how hard a workout felt: its minutes of playing times what the player says of it from 0 to 10, asked once at its
 * end (the workout rating of perceived exertion, Foster 2001). It is brought to the scale of {@link Effort}, where an easy
 * minute is 1: a workout that felt {@value #EASY} costs its minutes.
 */
public final class FeltEffort {

    /** What is said of easy playing. */
    public static final int EASY = 2;

    public static final int MOST = 10;

    private FeltEffort() {}

    /**
     * The effort of a workout.
     *
     * @param seconds how long it was played, not negative
     * @param rating how hard it felt, 0 to {@value #MOST}
     * @throws IllegalArgumentException if the rating is outside its range
     */
    public static Effort of(double seconds, int rating) {
        if (rating < 0 || rating > MOST) {
            throw Refusal.of("refusal.feltEffort.howHardItFeltIsToldFrom0To", "most", MOST, "rating", rating);
        }
        return new Effort(seconds / 60 * rating / EASY);
    }

    /**
     * What a day comes to by what was felt: on the day itself a workout costs the more of both, since saying that it was easy
     * is no more room today.
     *
     * @param day the effort of the whole day by tempo and tension
     * @param counted that of its rated workouts
     * @param felt the effort of the same workouts as they were felt
     * @param over whether the day is over
     */
    public static Effort ofDay(Effort day, Effort counted, Effort felt, boolean over) {
        double more = felt.minutes() - counted.minutes();
        return new Effort(Math.max(0, day.minutes() + (over ? more : Math.max(0, more))));
    }
}
