package tachylim.notation.abc;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.apache.commons.numbers.fraction.Fraction;
import tachylim.notation.score.Glyph;
import tachylim.notation.score.Spelling;
import tachylim.passage.Direction;
import tachylim.passage.Direction.RepeatSign;
import tachylim.passage.Inflection;
import tachylim.passage.Key;
import tachylim.passage.Meter;
import tachylim.passage.Note;
import tachylim.passage.Passage;
import tachylim.passage.Pitch;

/**
 * Writes a passage as ABC for engraving and keeping: lengths split at bar lines and into values that can be
 * written, ties, tuplets, beams by the beat, repeats, and accidentals only where the bar needs them. A
 * passage without pitches is written on one line.
 */
public final class AbcWriter {

    private static final Fraction UNIT = Fraction.of(1, 8);
    private static final int BASS_BELOW = 55;

    private final Passage passage;
    private final StringBuilder abc = new StringBuilder();
    private final Map<String, Integer> accidentals = new HashMap<>();
    private final List<Integer> places = new ArrayList<>();
    private final List<String> syllables = new ArrayList<>();
    private Key key;

    private AbcWriter(Passage passage) {
        this.passage = passage;
        this.key = passage.key();
    }

    /**
     * A passage in ABC. This class is immutable.
     *
     * @param abc the text
     * @param places for each note the index of its first note letter, or of the bracket of its chord, in the text
     */
    public record Written(String abc, List<Integer> places) {

        public Written {
            places = List.copyOf(places);
        }
    }

    /** The passage as ABC, with a unit length of 1/8. */
    public static String write(Passage passage) {
        return written(passage, 1, "").abc;
    }

    /** The passage as ABC with the place of each note in the text. */
    public static Written engraving(Passage passage) {
        return written(passage, 1, "");
    }

    /** The passage as tune {@code number} of a file, under {@code title}. */
    public static String tune(Passage passage, int number, String title) {
        return written(passage, number, title).abc;
    }

    private static Written written(Passage passage, int number, String title) {
        AbcWriter writer = new AbcWriter(passage);
        return new Written(writer.tune(number, title), writer.places);
    }

    private String tune(int number, String title) {
        abc.append("X:").append(number).append('\n');
        if (!title.isEmpty()) {
            abc.append("T:").append(title.replaceAll("\\s+", " ").strip()).append('\n');
        }
        abc.append("M:").append(passage.meter()).append("\nL:1/8\n");
        openingTempo();
        abc.append("K:")
                .append(passage.isPaper() ? "C clef=perc stafflines=1" : key.majorName() + clef())
                .append('\n');
        List<Spelling.Bar> bars = Spelling.of(passage);
        for (int bar = 0; bar < bars.size(); bar++) {
            accidentals.clear();
            bar(bars.get(bar));
            barLine(bars.get(bar).end(), bar == bars.size() - 1);
        }
        abc.append('\n');
        words();
        return abc.toString();
    }

    private void openingTempo() {
        passage.directions().stream()
                .filter(direction -> direction instanceof Direction.TempoMark
                        && direction.at().equals(Fraction.ZERO))
                .findFirst()
                .ifPresent(direction -> abc.append("Q:")
                        .append(tempo((Direction.TempoMark) direction))
                        .append('\n'));
    }

    private static String tempo(Direction.TempoMark mark) {
        String bpm = mark.bpm() == Math.rint(mark.bpm())
                ? String.valueOf((long) mark.bpm())
                : AbcFigure.hundredths(mark.bpm());
        return mark.unit().getNumerator() + "/" + mark.unit().getDenominator() + "=" + bpm;
    }

    private String clef() {
        double mean = passage.notes().stream()
                .flatMap(note -> note.pitches().stream())
                .mapToInt(Pitch::midi)
                .average()
                .orElse(60);
        return mean < BASS_BELOW ? " clef=bass" : "";
    }

    private void bar(Spelling.Bar bar) {
        Meter meter = Direction.meterAt(bar.start().divide(passage.beatUnit()), passage.meter(), passage.directions());
        boolean pickup = passage.hasPickup() && bar.start().equals(Fraction.ZERO);
        Fraction firstBeat = pickup ? bar.end().subtract(meter.bar()) : bar.start();
        int beat = Integer.MIN_VALUE;
        for (Glyph glyph : bar.glyphs()) {
            // Beams stop with the beat of the meter, however it is counted, and also where no value starts on it.
            int now = (int) Math.floor(
                    glyph.start().subtract(firstBeat).divide(meter.usualBeat()).doubleValue());
            if (now != beat) {
                abc.append(' ');
                beat = now;
            }
            directions(glyph.start());
            tuplet(glyph);
            if (glyph.first() && glyph.note() != null) {
                before(glyph.note().inflection());
            }
            symbol(glyph);
            length(glyph.written());
            if (glyph.isTiedOn()) {
                abc.append('-');
            }
            if (glyph.last() && glyph.note() != null) {
                abc.append(")".repeat(glyph.note().inflection().slursClosed()));
            }
        }
    }

    private void directions(Fraction wholes) {
        Fraction place = wholes.divide(passage.beatUnit());
        for (Direction direction : passage.directions()) {
            if (direction.at().equals(place)) {
                direction(direction, place);
            }
        }
    }

    private void direction(Direction direction, Fraction place) {
        if (direction instanceof Direction.MeterChange change) {
            abc.append("[M:").append(change.meter()).append(']');
        } else if (direction instanceof Direction.KeyChange change) {
            key = change.key();
            abc.append("[K:").append(key.majorName()).append(']');
        } else if (direction instanceof Direction.TempoMark mark && !place.equals(Fraction.ZERO)) {
            abc.append("[Q:").append(tempo(mark)).append(']');
        } else if (direction instanceof Direction.Words words) {
            abc.append("\"^").append(plain(words.text())).append('"');
        } else if (direction instanceof RepeatSign sign
                && sign.kind() == RepeatSign.Kind.START
                && place.equals(Fraction.ZERO)) {
            abc.append("|: ");
        } else if (direction instanceof RepeatSign sign && sign.kind() == RepeatSign.Kind.ENDING) {
            abc.append('[').append(sign.number()).append(' ');
        }
    }

    private static String plain(String text) {
        return text.replace('"', '\'').replaceAll("\\s+", " ");
    }

    private void tuplet(Glyph glyph) {
        Glyph.Tuplet tuplet = glyph.tuplet();
        if (tuplet != null && tuplet.place() == 0) {
            abc.append('(')
                    .append(tuplet.notes())
                    .append(':')
                    .append(tuplet.time())
                    .append(':')
                    .append(tuplet.size());
        }
    }

    private void before(Inflection over) {
        abc.append("(".repeat(over.slursOpened()));
        over.marks().forEach(mark -> abc.append(AbcSigns.of(mark)));
        over.articulations().stream().sorted().forEach(articulation -> abc.append(AbcSigns.of(articulation)));
        if (!over.grace().isEmpty()) {
            abc.append('{');
            over.grace().forEach(this::pitch);
            abc.append('}');
        }
    }

    private void symbol(Glyph glyph) {
        Note note = glyph.note();
        if (note == null) {
            abc.append('z');
            return;
        }
        if (glyph.first()) {
            places.add(abc.length());
        }
        syllables.add(glyph.first() ? note.inflection().syllable() : "");
        if (note.pitches().isEmpty()) {
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
        String letter = String.valueOf(pitch.letter());
        int inKey = key.alterOf(pitch.letter());
        // An accidental holds in its own octave for some readers and in every octave for others: both must hear the
        // same.
        boolean heard = pitch.alter() == accidentals.getOrDefault(place, inKey)
                && pitch.alter() == accidentals.getOrDefault(letter, inKey);
        if (!heard) {
            abc.append(
                    switch (pitch.alter()) {
                        case -2 -> "__";
                        case -1 -> "_";
                        case 0 -> "=";
                        case 1 -> "^";
                        default -> "^^";
                    });
            accidentals.put(place, pitch.alter());
            accidentals.put(letter, pitch.alter());
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

    /** The bar line at {@code wholes} with the repeats that meet there. */
    private void barLine(Fraction wholes, boolean last) {
        Fraction place = wholes.divide(passage.beatUnit());
        int ends = 0;
        boolean starts = false;
        for (Direction direction : passage.directions()) {
            if (direction instanceof RepeatSign sign && sign.at().equals(place)) {
                ends = sign.kind() == RepeatSign.Kind.END ? Math.max(2, sign.number()) : ends;
                starts |= sign.kind() == RepeatSign.Kind.START;
            }
        }
        if (ends == 0 && !starts) {
            abc.append(last ? " |]" : " | ");
        } else {
            abc.append(' ')
                    .append(":".repeat(Math.max(0, ends - 1)))
                    .append('|')
                    .append(starts ? ":" : "")
                    .append(' ');
        }
    }

    private void words() {
        if (syllables.stream().allMatch(String::isEmpty)) {
            return;
        }
        abc.append("w:");
        boolean joined = false;
        for (String syllable : syllables) {
            abc.append(joined ? "" : " ").append(AbcSigns.syllable(syllable));
            joined = syllable.endsWith("-");
        }
        abc.append('\n');
    }
}
