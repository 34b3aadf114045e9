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
            case WARM_UP -> warmUp(play);
            case CONTROLLED, PROBE, CLOSING -> rounds(play, FULL_PASS_BEATS, MOST_ROUNDS);
        };
    }

    private Pass rounds(Move.Play play, int wantedBeats, int most) {
        int rounds = Math.max(1, Math.min(most, wantedBeats / padded()));
        Piece all = new Piece(0, music.notes().size() - 1);
        return new Pass(play.kind(), play.tempo(), all, beats(rounds), rounds, bar, play.why());
    }

    private int once() {
        return Math.max(1, ceil(music.length()));
    }

    private int padded() {
        return (once() + bar - 1) / bar * bar;
    }

    private int beats(int rounds) {
        return (rounds - 1) * padded() + once();
    }

    /** The pass with a round less; null when it goes round only once. */
    Pass shorter(Pass pass) {
        int rounds = pass.rounds() - 1;
        return rounds < 1
                ? null
                : new Pass(pass.kind(), pass.tempo(), pass.notes(), beats(rounds), rounds, pass.countIn(), pass.why());
    }

    /** A minute of warming up; of a long piece its beginning, so that the warm-up stays one. */
    private Pass warmUp(Move.Play play) {
        int wanted = Math.max(bar, (int) (WARM_UP_SECONDS * play.tempo().bpm() / 60));
        if (once() <= wanted) {
            return rounds(play, wanted, MOST_ROUNDS * 8);
        }
        int last = Math.max(0, firstNoteAt(Fraction.of(wanted)) - 1);
        return new Pass(play.kind(), play.tempo(), new Piece(0, last), wanted, 1, bar, play.why());
    }

    /** A burst of {@code beats} beats and the note it lands on. */
    private Pass burst(Move.Play play, int beats, int burstsBefore) {
        int windows =
                Math.max(1, ceil(music.notes().get(music.notes().size() - 1).onset()) / beats);
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
