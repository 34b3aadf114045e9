package tachylim.load;

import tachylim.words.Refusal;

/**
 * Playing that no workout knows of, told by its kind and its minutes: how much it asks of a body is a rule of thumb, on the
 * scale on which a loose minute at 60% of the ceiling is 1.
 */
public enum AwayPractice {
    REHEARSAL(1.2),
    PERFORMANCE(1.8),
    LESSON(1.2),
    TEACHING(0.5),
    PRACTICE(1.2);

    /** The most minutes that are told at once. */
    public static final int MOST_MINUTES = 600;

    private final double perMinute;

    AwayPractice(double perMinute) {
        this.perMinute = perMinute;
    }

    /**
     * What so many minutes of it cost.
     *
     * @throws IllegalArgumentException if they are not 1 to {@value #MOST_MINUTES}
     */
    public Effort effort(int minutes) {
        if (minutes < 1 || minutes > MOST_MINUTES) {
            throw Refusal.of("refusal.elsewhere.give1ToMinutesNot", "mostMinutes", MOST_MINUTES, "minutes", minutes);
        }
        return new Effort(minutes * perMinute);
    }
}
