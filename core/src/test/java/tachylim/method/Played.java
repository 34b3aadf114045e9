package tachylim.method;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import tachylim.task.Answer;
import tachylim.tempo.Tempo;

/** Plays a method to its end for a test. */
final class Played {

    static final Span SPAN = new Span(
            Tempo.of(112),
            Tempo.of(124),
            Tempo.of(200),
            Tempo.of(124),
            Tempo.of(136),
            Tempo.of(138),
            3,
            Optional.empty(),
            Optional.empty(),
            Setting.NONE,
            new Span.Ground(33, 9, 9, 4, 4, 7),
            600);

    private Played() {}

    /** All that it wants to be played, when each is answered by {@code player}; at the most forty. */
    static List<Move.Play> by(Method method, Function<Move.Play, Answer> player) {
        List<Move.Play> plays = new ArrayList<>();
        for (Position at = method.opening(); at.move() instanceof Move.Play play && plays.size() < 40; ) {
            plays.add(play);
            at = at.after(player.apply(play));
        }
        return plays;
    }

    /** The same when all goes well. */
    static List<Move.Play> well(Method method) {
        return by(method, play -> play.task().ask().expected());
    }

    static List<Double> tempos(List<Move.Play> plays) {
        return plays.stream().map(play -> play.tempo().bpm()).toList();
    }
}
