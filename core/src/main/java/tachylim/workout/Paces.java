package tachylim.workout;

import java.util.ArrayList;
import java.util.List;
import tachylim.task.Pulse.Pace;

/** Stretches of playing, one after another. */
final class Paces {

    private Paces() {}

    /** The first {@code seconds} of them; the last goes on as long as there is something left. */
    static List<Pace> first(List<Pace> all, double seconds) {
        List<Pace> first = new ArrayList<>();
        double left = seconds;
        for (int i = 0; i < all.size() && left > 0; i++) {
            Pace pace = all.get(i);
            double played = i == all.size() - 1 ? left : Math.min(left, pace.seconds());
            first.add(new Pace(played, pace.tempo()));
            left -= played;
        }
        return first;
    }
}
