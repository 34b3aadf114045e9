package tachylim.task;

import java.util.Objects;
import java.util.Optional;
import tachylim.passage.Section;
import tachylim.tempo.Tempo;
import tachylim.words.Reason;

/**
 * What one step asks. This class is immutable.
 *
 * @param kind what it is for
 * @param pulse how time is told
 * @param notes which notes of its music; empty where the kind of pass says it: all of it, or the next beats of a burst
 * @param manner how it is played, where it is not as usual
 * @param ask what is asked when it was played
 */
public record Task(PassKind kind, Pulse pulse, Optional<Section> notes, Reason manner, Ask ask) {

    public Task {
        Objects.requireNonNull(kind, "kind");
        Objects.requireNonNull(pulse, "pulse");
        Objects.requireNonNull(notes, "notes");
        Objects.requireNonNull(manner, "manner");
        Objects.requireNonNull(ask, "ask");
    }

    /** A pass at one tempo, judged. */
    public static Task at(PassKind kind, Tempo tempo) {
        return new Task(kind, new Pulse.Steady(tempo), Optional.empty(), Reason.NONE, Ask.VERDICT);
    }

    public Task asking(Ask other) {
        return new Task(kind, pulse, notes, manner, other);
    }

    public Task with(Pulse other) {
        return new Task(kind, other, notes, manner, ask);
    }

    public Task of(Section stretch) {
        return new Task(kind, pulse, Optional.of(stretch), manner, ask);
    }

    public Task in(Reason way) {
        return new Task(kind, pulse, notes, way, ask);
    }

    /** The tempo it is set by. */
    public Tempo tempo() {
        return pulse.set();
    }
}
