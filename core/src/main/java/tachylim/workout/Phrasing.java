package tachylim.workout;

import org.apache.commons.numbers.fraction.Fraction;
import tachylim.method.Move;
import tachylim.method.PassKind;
import tachylim.passage.Note;
import tachylim.passage.Passage;
import tachylim.passage.Piece;

/**
 * Which notes a pass plays and for how long: the whole piece, several times round when it is short, or
 * the beat or two of a burst, which moves through the piece from burst to burst.
 */
final class Phrasing {

    /** A controlled pass of a short piece goes round until it lasts about this many beats. */
    private static final int FULL_PASS_BEATS = 24;

    private static final int MOST_ROUNDS = 8;
    private static final double WARM_UP_SECONDS = 60;

    private final Passage music;
    private final int bar;

    Phrasing(Passage music) {
        this.music = music;
        this.bar = Math.max(2, ceil(music.barBeats()));
    }

    Pass pass(Move.Play play, int burstBeats, int burstsBefore) {
        return switch (play.kind()) {
            case BURST -> burst(play, burstBeats, burstsBefore);
            case WARM_UP -> rounds(play, (int) (WARM_UP_SECONDS * play.tempo().bpm() / 60), MOST_ROUNDS * 8);
            case CONTROLLED, CLOSING -> rounds(play, FULL_PASS_BEATS, MOST_ROUNDS);
        };
    }

    private Pass rounds(Move.Play play, int wantedBeats, int most) {
        int once = Math.max(1, ceil(music.length()));
        int padded = (once + bar - 1) / bar * bar;
        int rounds = Math.max(1, Math.min(most, wantedBeats / padded));
        int beats = rounds == 1 ? once : (rounds - 1) * padded + once;
        Piece all = new Piece(0, music.notes().size() - 1);
        return new Pass(play.kind(), play.tempo(), all, beats, rounds, bar, play.why());
    }

    /** A burst of {@code beats} beats and the note it lands on. */
    private Pass burst(Move.Play play, int beats, int burstsBefore) {
        int windows = Math.max(1, ceil(music.notes().get(music.notes().size() - 1).onset()) / beats);
        Fraction from = Fraction.of(burstsBefore % windows * beats);
        Fraction to = from.add(beats);
        int first = firstNoteAt(from);
        int last = Math.max(firstNoteAt(to), Math.min(first + 1, music.notes().size() - 1));
        return new Pass(PassKind.BURST, play.tempo(), new Piece(first, last), beats, 1, bar, play.why());
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
