package tachylim.workout;

import java.util.LinkedHashSet;
import java.util.List;
import java.util.OptionalDouble;
import java.util.Set;
import org.apache.commons.numbers.fraction.Fraction;
import tachylim.method.Move;
import tachylim.passage.Note;
import tachylim.passage.Passage;
import tachylim.passage.Section;
import tachylim.task.Ask;
import tachylim.task.PassKind;
import tachylim.task.Pulse;
import tachylim.task.Task;

/**
 * Which notes a pass plays and for how long: the whole section, several times round when it is short, or
 * the beat or two of a burst, which moves through the section from burst to burst.
 */
final class Phrasing {

    /** A controlled pass of a short section goes round until it lasts about this many beats. */
    private static final int FULL_PASS_BEATS = 24;

    private static final int MOST_ROUNDS = 8;
    private static final double WARM_UP_SECONDS = 60;

    private final Passage music;
    private final List<Integer> weak;
    private final int bar;

    /**
     * @param weak the transitions of it that break most, from 0, the weakest first: bursts begin with them
     */
    Phrasing(Passage music, List<Integer> weak) {
        this.music = music;
        this.weak = weak;
        this.bar = Math.max(2, ceil(music.barBeats()));
    }

    Phrasing(Passage music) {
        this(music, List.of());
    }

    Pass pass(Move.Play play, int burstBeats, int burstsBefore) {
        Task task = play.task();
        OptionalDouble ownBeats = task.pulse().ownBeats();
        if (ownBeats.isPresent()) {
            return lasting(play, ownBeats.getAsDouble());
        }
        if (task.pulse().kind() == Pulse.Kind.SWITCHING || task.notes().isPresent() && play.kind() == PassKind.BURST) {
            return once(play);
        }
        if (task.ask().kind() == Ask.Kind.SLIPS) {
            // A performance has one attempt.
            return once(play);
        }
        return switch (play.kind()) {
            case BURST -> burst(play, burstBeats, burstsBefore);
            case WARM_UP -> warmUp(play);
            case CONTROLLED, PROBE, CLOSING -> rounds(play, FULL_PASS_BEATS, MOST_ROUNDS);
        };
    }

    private Section notes(Move.Play play) {
        return play.task().notes().orElse(new Section(0, music.notes().size() - 1));
    }

    private Pass rounds(Move.Play play, int wantedBeats, int most) {
        Section notes = notes(play);
        int each = rounds(padded(notes), wantedBeats, most);
        int rounds = each * play.task().ask().passes();
        return new Pass(play.task(), notes, beats(notes, rounds), rounds, bar, play.why());
    }

    /** Its notes from beginning to end. */
    private Pass once(Move.Play play) {
        Section notes = notes(play);
        return new Pass(play.task(), notes, beats(notes, 1), 1, bar, play.why());
    }

    /** Its notes round and round for as many beats as there are. */
    private Pass lasting(Move.Play play, double wanted) {
        Section notes = notes(play);
        int beats = Math.max(1, (int) Math.floor(wanted + 1e-9));
        int rounds = Math.max(1, (beats + padded(notes) - 1) / padded(notes));
        int countIn = play.task().pulse().kind() == Pulse.Kind.FREE ? 0 : bar;
        return new Pass(play.task(), notes, beats, rounds, countIn, play.why());
    }

    private int once(Section notes) {
        // Most passes play all of it: what that takes need not be cut out again and again.
        boolean all = notes.size() == music.notes().size();
        return Math.max(1, ceil(all ? music.length() : music.excerpt(notes).length()));
    }

    private int padded(Section notes) {
        return (once(notes) + bar - 1) / bar * bar;
    }

    /** How often all of it goes round in a full pass: what a pass is measured by. */
    int fullRounds() {
        return rounds(padded(new Section(0, music.notes().size() - 1)), FULL_PASS_BEATS, MOST_ROUNDS);
    }

    private static int rounds(int padded, int wantedBeats, int most) {
        return Math.max(1, Math.min(most, wantedBeats / padded));
    }

    private int beats(Section notes, int rounds) {
        return (rounds - 1) * padded(notes) + once(notes);
    }

    /** The pass with a round less, or with a pass of its set less; null when it goes round only once. */
    Pass shorter(Pass pass) {
        boolean set = pass.ask().passes() > 1;
        int rounds = pass.rounds() - (set ? pass.roundsEach() : 1);
        if (rounds < 1 || pass.beats() != beats(pass.notes(), pass.rounds())) {
            return null;
        }
        Task task = set ? pass.task().asking(Ask.set(pass.ask().passes() - 1)) : pass.task();
        return new Pass(task, pass.notes(), beats(pass.notes(), rounds), rounds, pass.countIn(), pass.why());
    }

    /** A minute of warming up; of a long section its beginning, so that the warm-up stays one. */
    private Pass warmUp(Move.Play play) {
        int wanted = Math.max(bar, (int) (WARM_UP_SECONDS * play.tempo().bpm() / 60));
        if (once(notes(play)) <= wanted) {
            return rounds(play, wanted, MOST_ROUNDS * 8);
        }
        int last = Math.max(0, firstNoteAt(Fraction.of(wanted)) - 1);
        return new Pass(play.task(), new Section(0, last), wanted, 1, bar, play.why());
    }

    /** A burst of {@code beats} beats and the note it lands on. */
    private Pass burst(Move.Play play, int beats, int burstsBefore) {
        List<Integer> windows = windows(beats);
        Fraction from = Fraction.of(windows.get(burstsBefore % windows.size()) * beats);
        Fraction to = from.add(beats);
        int first = firstNoteAt(from);
        int last = Math.max(firstNoteAt(to), Math.min(first + 1, music.notes().size() - 1));
        return new Pass(play.task(), new Section(first, last), beats, 1, bar, play.why());
    }

    /** The windows of so many beats, those with weak transitions first, the others from beginning to end. */
    private List<Integer> windows(int beats) {
        int count = Math.max(1, ceil(music.notes().get(music.notes().size() - 1).onset()) / beats);
        Set<Integer> order = new LinkedHashSet<>();
        for (int transition : weak) {
            if (transition >= 0 && transition < music.notes().size()) {
                order.add(Math.min(
                        count - 1, (int) (music.notes().get(transition).onset().doubleValue() / beats)));
            }
        }
        for (int window = 0; window < count; window++) {
            order.add(window);
        }
        return List.copyOf(order);
    }

    private int firstNoteAt(Fraction place) {
        int note = 0;
        for (Note candidate : music.notes()) {
            if (candidate.onset().compareTo(place) >= 0) {
                return note;
            }
            note++;
        }
        return note - 1;
    }

    private static int ceil(Fraction beats) {
        return (int) Math.ceil(beats.doubleValue() - 1e-9);
    }
}
