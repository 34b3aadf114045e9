package tachylim.bench.players;

import tachylim.task.Answer;
import tachylim.task.Tension;

/**
 * What makes a simulated player faster. Nobody knows which of these is right, so each method is played under all of them:
 * what holds under one only is a property of that one.
 */
enum Learning {
    /** Clean playing near the ceiling. */
    NEAR_THE_EDGE("clean playing near the ceiling") {
        @Override
        double worth(double ratio) {
            double off = Math.log(ratio) / 0.15;
            return Math.exp(-off * off / 2);
        }
    },
    /** Clean notes, however slow. */
    CLEAN_NOTES("clean notes at any tempo") {
        @Override
        double worth(double ratio) {
            return ratio;
        }
    },
    /** Having played fast: nothing well below the ceiling teaches anything. */
    SPEED("speed itself") {
        @Override
        double worth(double ratio) {
            return 4 * Math.max(0, ratio - 0.85);
        }
    };

    /** What a workout of so many minutes' worth teaches half of the most that a workout can. */
    private static final double HALF = 6;

    /** The most that a workout adds to the ceiling, as a share. */
    private static final double MOST = 0.012;

    final String title;

    Learning(String title) {
        this.title = title;
    }

    /** What a minute of clean, loose playing at so much of the ceiling is worth. */
    abstract double worth(double ratio);

    /** What a pass is worth, in minutes. What broke is learned too, and so is gripping. */
    double worth(double seconds, double ratio, Answer answer) {
        double quality =
                switch (answer.verdict()) {
                    case CLEAN -> 1;
                    case ROUGH -> 0.3;
                    case BROKE -> -0.5;
                };
        double minutes = seconds / 60 * worth(ratio);
        if (answer.tension().atLeast(Tension.GRIPPING)) {
            return -0.5 * minutes;
        }
        return minutes * (answer.tension() == Tension.EDGE ? Math.min(quality, 0.7) : quality);
    }

    /** How much a workout's worth adds to the ceiling: less and less, and less the further a player has come. */
    static double gain(double worth, double come) {
        double learned = Math.max(0, worth);
        return MOST * learned / (learned + HALF) * Math.max(0, 1 - come / 0.6);
    }
}
