package tachylim.bench.players;

/** How the chance of a slip that tempo causes rises with ln tempo over the ceiling, in units of the player's width. */
enum Curve {
    LOGISTIC {
        @Override
        double slips(double z) {
            return 1 / (1 + Math.exp(-z));
        }
    },
    NORMAL {
        @Override
        double slips(double z) {
            return 1 / (1 + Math.exp(-1.5976 * z * SPREAD - 0.07056 * Math.pow(z * SPREAD, 3)));
        }
    },
    /** Steep below and with a long foot: how fast it goes wrong grows as a power of the tempo. */
    WEIBULL {
        @Override
        double slips(double z) {
            return 1 - Math.exp(-Math.exp(z * SPREAD - 0.37));
        }
    };

    /** Brings the three to about the same slope. */
    private static final double SPREAD = 0.6;

    abstract double slips(double z);
}
