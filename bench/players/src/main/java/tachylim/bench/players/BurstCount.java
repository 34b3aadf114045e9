package tachylim.bench.players;

import java.util.Locale;
import tachylim.task.Answer;
import tachylim.task.PassKind;

/** How bursts lay to the ceiling as it truly was. */
final class BurstCount implements Ear {

    private int all;
    private int below;
    private int above115;
    private int above125;

    @Override
    public void heard(PassKind kind, double seconds, double ratio, Answer answer) {
        if (kind == PassKind.BURST) {
            add(ratio);
        }
    }

    private void add(double ratio) {
        all++;
        below += ratio < 1 ? 1 : 0;
        above115 += ratio > 1.15 ? 1 : 0;
        above125 += ratio > 1.25 ? 1 : 0;
    }

    @Override
    public String toString() {
        return String.format(
                Locale.ROOT,
                "bursts %d: below the ceiling %.1f%%, above 115%% %.2f%%, above 125%% %.3f%%",
                all,
                100.0 * below / all,
                100.0 * above115 / all,
                100.0 * above125 / all);
    }
}
