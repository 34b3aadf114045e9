package tachylim.notation.musicxml;

import jakarta.xml.bind.JAXBElement;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import org.apache.commons.numbers.fraction.Fraction;
import org.audiveris.proxymusic.Attributes;
import org.audiveris.proxymusic.Backup;
import org.audiveris.proxymusic.BackwardForward;
import org.audiveris.proxymusic.Barline;
import org.audiveris.proxymusic.DirectionType;
import org.audiveris.proxymusic.FormattedTextId;
import org.audiveris.proxymusic.Forward;
import org.audiveris.proxymusic.Metronome;
import org.audiveris.proxymusic.Note;
import org.audiveris.proxymusic.Sound;
import org.audiveris.proxymusic.StartStop;
import org.audiveris.proxymusic.StartStopDiscontinue;
import org.audiveris.proxymusic.Time;
import tachylim.notation.score.BarNumbersBuilder;
import tachylim.notation.score.Line;
import tachylim.notation.score.Omissions;
import tachylim.notation.score.ScoreException;
import tachylim.passage.Direction;
import tachylim.passage.Direction.RepeatSign;
import tachylim.passage.Key;
import tachylim.passage.Meter;
import tachylim.passage.Pitch;
import tachylim.words.Reason;

/** One part of a MusicXML score while its measures are read: a line for each of its voices. */
final class MusicXmlPart {

    private static final int MOST_NOTES = 400_000;
    private static final int MOST_WORDS = 80;
    private final String name;
    private final Omissions omissions;
    private final MusicXmlVoices voices;
    private final MusicXmlClock clock = new MusicXmlClock();
    private final BarNumbersBuilder numbers = new BarNumbersBuilder();
    private final Set<Pitch> unpitchedPlaces = new LinkedHashSet<>();
    private final List<Fraction> barLines = new ArrayList<>();
    private final List<Direction> directions = new ArrayList<>();

    private Fraction division = Fraction.of(1, 4);
    private Meter meter = new Meter(4, 4);
    private Key key = Key.NONE;
    private Meter firstMeter;
    private Key firstKey;
    private Fraction end = Fraction.ZERO;
    private Fraction lastOnset = Fraction.ZERO;
    private String lastVoice = "1";
    private boolean pitched;
    private int notes;

    MusicXmlPart(String name, Omissions omissions) {
        this.name = name;
        this.omissions = omissions;
        this.voices = new MusicXmlVoices(omissions);
    }

    /**
     * Its next measure.
     *
     * @param number its number; empty where it has none
     * @param isImplicit whether the number is not printed, since the measure goes on with the one before
     * @param measure its items
     */
    void take(String number, boolean isImplicit, List<Object> measure) {
        if (firstMeter != null) {
            barLines.add(end);
        }
        count(number, isImplicit);
        clock.begin(end);
        List<Barline> closing = new ArrayList<>();
        for (Object item : measure) {
            if (item instanceof Attributes attributes) {
                attributes(attributes);
            } else if (item instanceof Note note) {
                begin();
                note(note);
            } else if (item instanceof Backup backup) {
                clock.back(length(backup.getDuration()));
            } else if (item instanceof Forward forward) {
                clock.forward(length(forward.getDuration()));
            } else if (item instanceof org.audiveris.proxymusic.Direction direction) {
                direction(direction);
            } else if (item instanceof Sound sound) {
                sound(sound);
            } else if (item instanceof Barline barline) {
                closing.add(barline);
            } else {
                omissions.add(named(item));
            }
        }
        begin();
        voices.endMeasure();
        clock.end(meter.bar(), division);
        closing.forEach(this::barline);
        end = clock.reached();
    }

    private void count(String number, boolean isImplicit) {
        boolean isPickup = isImplicit && barLines.isEmpty() && number.matches("\\d+");
        if (isImplicit && !isPickup) {
            numbers.goesOn();
        } else {
            numbers.next(number.isBlank() ? String.valueOf(barLines.size() + 1) : number);
        }
    }

    private static Reason named(Object item) {
        return switch (item.toString()) {
            case "harmony" -> Reason.of("omitted.chordNames");
            case "figured-bass" -> Reason.of("omitted.figuredBasses");
            case "print" -> Reason.of("omitted.breaks");
            default -> Reason.of("omitted.items", "name", item);
        };
    }

    private void begin() {
        if (firstMeter == null) {
            firstMeter = meter;
            firstKey = key;
        }
    }

    // Meter, key and lengths

    private void attributes(Attributes attributes) {
        if (attributes.getDivisions() != null && attributes.getDivisions().signum() > 0) {
            division = Fraction.of(1, 4).divide(MusicXmlValues.number(attributes.getDivisions()));
        }
        attributes.getTime().stream().findFirst().ifPresent(this::time);
        attributes.getKey().stream().findFirst().ifPresent(this::key);
        if (!attributes.getTranspose().isEmpty()) {
            omissions.add(Reason.of("omitted.transpositions"));
        }
        attributes.getStaffDetails().stream()
                .filter(details -> details.getCapo() != null)
                .forEach(details -> omissions.add(Reason.of("omitted.capos")));
    }

    private void time(Time time) {
        String beats = null;
        Meter read = null;
        for (JAXBElement<String> figure : time.getTimeSignature()) {
            if (figure.getName().getLocalPart().equals("beats")) {
                beats = figure.getValue();
            } else if (beats != null && read == null) {
                read = meter(beats, figure.getValue());
            }
        }
        if (read == null) {
            omissions.add(Reason.of("omitted.meters", "meter", meter));
            return;
        }
        if (firstMeter != null && !read.equals(meter)) {
            directions.add(new Direction.MeterChange(clock.start(), read));
        }
        meter = read;
    }

    /** Composite figures such as 3+2 are counted together. */
    private static Meter meter(String beats, String unit) {
        try {
            int count = 0;
            for (String part : beats.split("\\+")) {
                count += Integer.parseInt(part.strip());
            }
            return new Meter(count, Integer.parseInt(unit.strip()));
        } catch (IllegalArgumentException unreadable) {
            return null;
        }
    }

    private void key(org.audiveris.proxymusic.Key written) {
        if (written.getFifths() == null || Math.abs(written.getFifths().intValue()) > 7) {
            omissions.add(Reason.of("omitted.oddKeys"));
            return;
        }
        Key read = new Key(written.getFifths().intValue());
        if (firstKey != null && !read.equals(key)) {
            directions.add(new Direction.KeyChange(clock.now(), read));
        }
        key = read;
    }

    private Fraction length(BigDecimal duration) {
        return duration == null || duration.signum() <= 0
                ? Fraction.ZERO
                : MusicXmlValues.number(duration).multiply(division);
    }

    // Notes

    private void note(Note note) {
        if (++notes > MOST_NOTES) {
            throw new ScoreException(
                    Reason.of("refusal.musicXmlPart.aPartOfThisScoreHasMore", "mostNotes", MOST_NOTES));
        }
        boolean inChord = note.getChord() != null;
        String voice = voice(note, inChord);
        voices.know(voice);
        Pitch pitch = pitch(note);
        if (note.getGrace() != null) {
            if (pitch != null) {
                voices.grace(voice, pitch);
            }
            return;
        }
        Fraction counted = length(note.getDuration());
        Fraction duration = MusicXmlValues.exact(note, counted, division);
        Fraction onset = inChord ? lastOnset : clock.now();
        if (note.getCue() != null) {
            omissions.add(Reason.of("omitted.cueNotes"));
        } else if (pitch != null && duration.compareTo(Fraction.ZERO) > 0) {
            voices.sound(
                    voice,
                    pitch,
                    onset,
                    duration,
                    has(note, StartStop.STOP),
                    has(note, StartStop.START),
                    MusicXmlSigns.inflection(note, omissions));
        }
        if (!inChord) {
            lastOnset = clock.now();
            lastVoice = voice;
            clock.play(counted, duration);
        }
    }

    /** A later note of a chord need not name its voice again. */
    private String voice(Note note, boolean inChord) {
        String named = note.getVoice() == null ? "" : note.getVoice().strip();
        return !named.isEmpty() ? named : inChord ? lastVoice : "1";
    }

    private static boolean has(Note note, StartStop type) {
        return note.getTie().stream().anyMatch(tie -> tie.getType() == type);
    }

    private Pitch pitch(Note note) {
        if (note.getPitch() != null && note.getPitch().getStep() != null) {
            pitched = true;
            BigDecimal alter = note.getPitch().getAlter();
            int whole = alter == null ? 0 : alter.intValue();
            if (alter != null && alter.stripTrailingZeros().scale() > 0) {
                omissions.add(Reason.of("omitted.microtones"));
            }
            return checked(
                    note.getPitch().getStep().value().charAt(0),
                    whole,
                    note.getPitch().getOctave());
        }
        if (note.getUnpitched() != null) {
            var step = note.getUnpitched().getDisplayStep();
            Integer octave = note.getUnpitched().getDisplayOctave();
            Pitch place = step == null
                    ? new Pitch('B', 0, 4)
                    : checked(step.value().charAt(0), 0, octave == null ? 4 : octave);
            unpitchedPlaces.add(place);
            return place;
        }
        return null;
    }

    private static Pitch checked(char letter, int alter, int octave) {
        if (Math.abs(alter) > 2 || octave < -1 || octave > 9) {
            throw new ScoreException(
                    Reason.of("refusal.musicXmlPart.thisScoreHoldsANoteOutside", "letter", letter, "octave", octave));
        }
        return new Pitch(letter, alter, octave);
    }

    // Directions and bar lines

    private void direction(org.audiveris.proxymusic.Direction direction) {
        boolean hasMetronome = false;
        for (DirectionType type : direction.getDirectionType()) {
            if (type.getMetronome() != null) {
                hasMetronome |= metronome(type.getMetronome());
            } else if (!type.getWordsOrSymbol().isEmpty()) {
                type.getWordsOrSymbol().forEach(this::words);
            } else {
                omissions.add(named(type));
            }
        }
        if (direction.getSound() != null && !hasMetronome) {
            sound(direction.getSound());
        }
    }

    private static Reason named(DirectionType type) {
        return !type.getDynamics().isEmpty()
                ? Reason.of("omitted.dynamics")
                : type.getWedge() != null
                        ? Reason.of("omitted.hairpins")
                        : type.getPedal() != null
                                ? Reason.of("omitted.pedalMarks")
                                : !type.getRehearsal().isEmpty()
                                        ? Reason.of("omitted.rehearsalMarks")
                                        : !type.getSegno().isEmpty()
                                                        || !type.getCoda().isEmpty()
                                                ? Reason.of("omitted.jumps")
                                                : type.getOctaveShift() != null
                                                        ? Reason.of("omitted.octaveLines")
                                                        : Reason.of("omitted.directions");
    }

    private void words(Object words) {
        if (words instanceof FormattedTextId text
                && text.getValue() != null
                && !text.getValue().isBlank()) {
            String said = text.getValue().strip().replaceAll("\\s+", " ").replace('"', '\'');
            directions.add(new Direction.Words(
                    clock.now(), said.length() > MOST_WORDS ? said.substring(0, MOST_WORDS) : said));
        }
    }

    private boolean metronome(Metronome mark) {
        Fraction unit = MusicXmlValues.of(mark.getBeatUnit());
        String figure = mark.getPerMinute() == null
                ? ""
                : String.valueOf(mark.getPerMinute().getValue());
        if (unit == null
                || !figure.strip().matches("\\d{1,3}(\\.\\d{1,3})?")
                || Double.parseDouble(figure.strip()) < 1) {
            omissions.add(Reason.of("omitted.tempoMarks"));
            return false;
        }
        tempo(MusicXmlValues.dotted(unit, mark.getBeatUnitDot().size()), Double.parseDouble(figure.strip()));
        return true;
    }

    private void sound(Sound sound) {
        if (sound.getTempo() != null
                && sound.getTempo().doubleValue() >= 1
                && sound.getTempo().doubleValue() <= 1000) {
            tempo(Fraction.of(1, 4), sound.getTempo().doubleValue());
        }
        if (sound.getDacapo() != null || sound.getDalsegno() != null || sound.getTocoda() != null) {
            omissions.add(Reason.of("omitted.jumps"));
        }
    }

    private void tempo(Fraction unit, double bpm) {
        directions.add(new Direction.TempoMark(clock.now(), unit, bpm));
    }

    private void barline(Barline barline) {
        if (barline.getEnding() != null && barline.getEnding().getType() == StartStopDiscontinue.START) {
            for (String number : String.valueOf(barline.getEnding().getNumber()).split("[,\\s]+")) {
                if (number.matches("[1-9]")) {
                    directions.add(new RepeatSign(clock.start(), RepeatSign.Kind.ENDING, Integer.parseInt(number)));
                }
            }
        }
        if (barline.getRepeat() != null) {
            boolean back = barline.getRepeat().getDirection() == BackwardForward.BACKWARD;
            int times = barline.getRepeat().getTimes() == null
                    ? 2
                    : Math.max(2, Math.min(9, barline.getRepeat().getTimes().intValue()));
            directions.add(
                    back
                            ? new RepeatSign(clock.reached(), RepeatSign.Kind.END, times)
                            : new RepeatSign(clock.start(), RepeatSign.Kind.START, 0));
        }
        if (!barline.getFermata().isEmpty()) {
            omissions.add(Reason.of("omitted.barFermatas"));
        }
    }

    List<Line> lines() {
        boolean rhythmOnly = !pitched && unpitchedPlaces.size() <= 1;
        List<Line> lines = new ArrayList<>();
        voices.sounding()
                .forEach((voice, builder) -> lines.add(builder.line(
                        name,
                        voices.count() == 1 ? "" : voice,
                        firstMeter,
                        firstKey,
                        barLines,
                        numbers.list(),
                        end,
                        directions,
                        rhythmOnly)));
        return lines;
    }
}
