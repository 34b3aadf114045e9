package tachylim.workout;

import java.util.List;
import tachylim.passage.Passage;
import tachylim.passage.Section;
import tachylim.task.Ask;
import tachylim.task.PassKind;
import tachylim.task.Pulse;
import tachylim.task.Task;
import tachylim.tempo.Tempo;
import tachylim.words.Reason;

/**
 * A step in which something is played, once or several times round. This class is immutable.
 *
 * @param task what is asked
 * @param notes the notes played, as part of its block's music
 * @param beats how many beats are played in all, rounds included
 * @param rounds how often it goes round without stopping
 * @param countIn beats counted before it, a bar
 * @param why the reason
 */
public record Pass(Task task, Section notes, int beats, int rounds, int countIn, Reason why) implements Step {

    /** How much of a probe counts as fast playing. */
    static final double PROBE_SHARE = 1 / 3.0;

    /** A pass at one tempo, judged. */
    public Pass(PassKind kind, Tempo tempo, Section notes, int beats, int rounds, int countIn, Reason why) {
        this(Task.at(kind, tempo), notes, beats, rounds, countIn, why);
    }

    public PassKind kind() {
        return task.kind();
    }

    public Pulse pulse() {
        return task.pulse();
    }

    public Ask ask() {
        return task.ask();
    }

    /** The tempo set. */
    public Tempo tempo() {
        return task.tempo();
    }

    /** How often its notes go round in each of the passes that are answered at once. */
    public int roundsEach() {
        return Math.max(1, rounds / ask().passes());
    }

    /** Notes a second in its quickest places, of {@code music}. */
    public double rate(Passage music) {
        return pulse().fastest().rate(music.excerpt(notes).quickestNotesPerBeat());
    }

    /** What is played as it is written to its click: where notes are spread over several clicks, longer. */
    public Passage written(Passage music) {
        Passage played = music.excerpt(notes);
        return pulse() instanceof Pulse.Switching switching ? Spread.of(played, switching) : played;
    }

    /** The beats from one time round to the next; of what is played once, all of them. */
    public double roundBeats(Passage played) {
        return rounds == 1 ? beats : (beats - Math.ceil(played.length().doubleValue() - 1e-9)) / (rounds - 1);
    }

    /** Seconds of counting in. */
    public double countInSeconds() {
        return tempo().secondsFor(countIn);
    }

    /** Seconds of playing. */
    public double playSeconds() {
        return pulse().lasting(beats);
    }

    /** Seconds of it that count as fast playing. */
    public double burstSeconds() {
        return burstSeconds(playSeconds());
    }

    /**
     * Seconds of fast playing in its first seconds: those of a burst, and of a probe {@value #PROBE_SHARE}, since it is played
     * near the ceiling and not above it. A rule of thumb.
     */
    double burstSeconds(double played) {
        return switch (kind()) {
            case BURST ->
                Math.min(
                        played,
                        pulse() instanceof Pulse.Switching switching ? switching.quickSeconds() : playSeconds());
            case PROBE -> PROBE_SHARE * played;
            case WARM_UP, CONTROLLED, CLOSING -> 0;
        };
    }

    /** Its first seconds of playing, as stretches at one tempo each. */
    List<Pulse.Pace> paces(double seconds) {
        if (seconds <= 0) {
            return List.of();
        }
        List<Pulse.Pace> all = pulse().paces(pulse().ownBeats().orElse(beats));
        if (all.size() == 1) {
            return List.of(new Pulse.Pace(seconds, all.get(0).tempo()));
        }
        return Paces.first(all, seconds);
    }

    @Override
    public double seconds() {
        return countInSeconds() + playSeconds();
    }
}
