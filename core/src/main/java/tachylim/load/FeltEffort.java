package tachylim.load;

/**
 * Effort by how hard a session felt: its minutes of playing times what the player says of it from 0 to 10, asked once at its
 * end (the session rating of perceived exertion, Foster 2001). It is brought to the scale of {@link Effort}, where an easy
 * minute is 1: a session that felt {@value #EASY} costs its minutes.
 */
public final class FeltEffort {

    /** What is said of easy playing. */
    public static final int EASY = 2;

    public static final int MOST = 10;

    private FeltEffort() {}

    /**
     * The effort of a session.
     *
     * @param seconds how long it was played, not negative
     * @param rating how hard it felt, 0 to {@value #MOST}
     * @throws IllegalArgumentException if the rating is outside its range
     */
    public static Effort of(double seconds, int rating) {
        if (rating < 0 || rating > MOST) {
            throw new IllegalArgumentException("How hard it felt is told from 0 to " + MOST + ", not by " + rating);
        }
        return new Effort(seconds / 60 * rating / EASY);
    }

    /**
     * What a day comes to by what was felt: on the day itself a session costs the more of both, since saying that it was easy
     * is no more room today.
     *
     * @param counted the effort of its rated sessions by tempo and tension
     * @param felt the effort of the same sessions as they were felt
     * @param over whether the day is over
     * @return the effort minutes that have to be added to the day's, below 0 when it felt easier
     */
    public static double correction(Effort counted, Effort felt, boolean over) {
        double more = felt.minutes() - counted.minutes();
        return over ? more : Math.max(0, more);
    }
}
