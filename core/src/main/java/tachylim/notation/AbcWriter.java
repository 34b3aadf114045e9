package tachylim.notation;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.apache.commons.numbers.fraction.Fraction;
import tachylim.passage.Note;
import tachylim.passage.Passage;
import tachylim.passage.Pitch;

/**
 * Writes a passage as ABC for engraving: lengths split at bar lines and into values that can be
 * written, ties, tuplets, beams by the beat, and accidentals only where the bar needs them. A passage
 * without pitches is written on one line.
 */
public final class AbcWriter {

    private static final Fraction UNIT = Fraction.of(1, 8);
    private static final int BASS_BELOW = 55;

    private final Passage passage;
    private final StringBuilder abc = new StringBuilder();
    private final Map<String, Integer> accidentals = new HashMap<>();

    private AbcWriter(Passage passage) {
        this.passage = passage;
    }

    /** One bar's worth of sound or silence, in whole notes; a null note is a rest. */
    private record Value(Note note, Fraction start, Fraction length, boolean tiedOn) {}

    /** The passage as ABC, with a unit length of 1/8. */
    public static String write(Passage passage) {
        return new AbcWriter(passage).tune();
    }

    private String tune() {
        abc.append("X:1\nM:").append(passage.meter()).append("\nL:1/8\nK:");
        abc.append(isPaper() ? "C clef=perc stafflines=1" : passage.key().majorName() + clef()).append('\n');
        List<Value> values = values();
        int bar = 0;
        int at = 0;
        while (at < values.size()) {
            Fraction end = barEnd(bar);
            int next = at;
            while (next < values.size() && values.get(next).start().compareTo(end) < 0) {
                next++;
            }
            accidentals.clear();
            bar(values.subList(at, next), inWholes(passage.barStart(bar)));
            bar++;
            at = next;
            abc.append(at < values.size() ? " | " : " |]");
        }
        return abc.append('\n').toString();
    }

    private boolean isPaper() {
        return passage.notes().stream().allMatch(note -> note.pitches().isEmpty());
    }

    private String clef() {
        double mean = passage.notes().stream()
                .flatMap(note -> note.pitches().stream())
                .mapToInt(Pitch::midi)
                .average()
                .orElse(60);
        return mean < BASS_BELOW ? " clef=bass" : "";
    }

    private Fraction inWholes(Fraction beats) {
        return beats.multiply(passage.beatUnit());
    }

    private Fraction barEnd(int bar) {
        return inWholes(bar < passage.barLines().size() ? passage.barLines().get(bar) : passage.length());
    }

    /** Notes and the rests between them, cut at the bar lines. */
    private List<Value> values() {
        List<Value> values = new ArrayList<>();
        Fraction at = Fraction.ZERO;
        for (Note note : passage.notes()) {
            Fraction onset = inWholes(note.onset());
            cutAtBars(values, null, at, onset);
            cutAtBars(values, note, onset, inWholes(note.end()));
            at = inWholes(note.end());
        }
        cutAtBars(values, null, at, inWholes(passage.length()));
        return values;
    }

    private void cutAtBars(List<Value> values, Note note, Fraction from, Fraction to) {
        Fraction start = from;
        for (Fraction line : passage.barLines()) {
            Fraction place = inWholes(line);
            if (place.compareTo(start) > 0 && place.compareTo(to) < 0) {
                values.add(new Value(note, start, place.subtract(start), note != null));
                start = place;
            }
        }
        if (start.compareTo(to) < 0) {
            values.add(new Value(note, start, to.subtract(start), false));
        }
    }

    private void bar(List<Value> values, Fraction barStart) {
        int at = 0;
        while (at < values.size()) {
            breakBeam(values.get(at), barStart);
            int group = tupletSize(values, at);
            if (group == 0) {
                plain(values.get(at));
                at++;
            } else {
                tuplet(values.subList(at, at + group), barStart);
                at += group;
            }
        }
    }

    /** A space before every value that starts on a beat, or lies across one: beams stop there. */
    private void breakBeam(Value value, Fraction barStart) {
        Fraction beats = value.start().subtract(barStart).divide(passage.beatUnit());
        if (beats.getDenominator() == 1) {
            abc.append(' ');
        }
    }

    /** How many values from {@code at} on form a tuplet; 0 where a plain value stands. */
    private static int tupletSize(List<Value> values, int at) {
        if (isBinary(values.get(at).length())) {
            return 0;
        }
        Fraction sum = Fraction.ZERO;
        int size = 0;
        while (at + size < values.size()) {
            sum = sum.add(values.get(at + size).length());
            size++;
            if (isBinary(sum)) {
                return size;
            }
        }
        return size;
    }

    private static boolean isBinary(Fraction length) {
        return Integer.bitCount(length.getDenominator()) == 1;
    }

    private void tuplet(List<Value> values, Fraction barStart) {
        int odd = 1;
        for (Value value : values) {
            int part = value.length().getDenominator();
            while (part % 2 == 0) {
                part /= 2;
            }
            odd = Math.max(odd, part);
        }
        int inTimeOf = Integer.highestOneBit(odd);
        abc.append('(').append(odd).append(':').append(inTimeOf).append(':').append(values.size());
        Fraction ratio = Fraction.of(odd, inTimeOf);
        for (int i = 0; i < values.size(); i++) {
            Value value = values.get(i);
            if (i > 0) {
                breakBeam(value, barStart);
            }
            symbol(value.note());
            length(value.length().multiply(ratio));
            if (value.tiedOn()) {
                abc.append('-');
            }
        }
    }

    private void plain(Value value) {
        Fraction left = value.length();
        while (left.compareTo(Fraction.ZERO) > 0) {
            Fraction part = largestWritable(left);
            left = left.subtract(part);
            symbol(value.note());
            length(part);
            boolean more = left.compareTo(Fraction.ZERO) > 0;
            if (value.note() != null && (more || value.tiedOn())) {
                abc.append('-');
            }
        }
    }

    /** A length with one, or dotted, note head: 1, 3 or 7 times a power of two. */
    private static Fraction largestWritable(Fraction length) {
        int top = length.getNumerator();
        int odd = top >> Integer.numberOfTrailingZeros(top);
        if (odd == 1 || odd == 3 || odd == 7) {
            return length;
        }
        return Fraction.of(Integer.highestOneBit(top), length.getDenominator());
    }

    private void symbol(Note note) {
        if (note == null) {
            abc.append('z');
        } else if (note.pitches().isEmpty()) {
            abc.append('B');
        } else if (note.pitches().size() == 1) {
            pitch(note.pitches().get(0));
        } else {
            abc.append('[');
            note.pitches().forEach(this::pitch);
            abc.append(']');
        }
    }

    private void pitch(Pitch pitch) {
        String place = pitch.letter() + "" + pitch.octave();
        int heard = accidentals.getOrDefault(place, passage.key().alterOf(pitch.letter()));
        if (pitch.alter() != heard) {
            abc.append(switch (pitch.alter()) {
                case -2 -> "__";
                case -1 -> "_";
                case 0 -> "=";
                case 1 -> "^";
                default -> "^^";
            });
            accidentals.put(place, pitch.alter());
        }
        boolean upper = pitch.octave() >= 5;
        abc.append(upper ? Character.toLowerCase(pitch.letter()) : pitch.letter());
        abc.append((upper ? "'" : ",").repeat(upper ? pitch.octave() - 5 : 4 - pitch.octave()));
    }

    private void length(Fraction wholes) {
        Fraction units = wholes.divide(UNIT);
        if (units.getNumerator() != 1) {
            abc.append(units.getNumerator());
        }
        if (units.getDenominator() != 1) {
            abc.append('/').append(units.getDenominator());
        }
    }
}
