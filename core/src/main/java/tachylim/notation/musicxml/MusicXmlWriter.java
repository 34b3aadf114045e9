package tachylim.notation.musicxml;

import java.io.ByteArrayOutputStream;
import java.math.BigDecimal;
import java.math.BigInteger;
import java.math.RoundingMode;
import java.util.List;
import org.apache.commons.numbers.core.ArithmeticUtils;
import org.apache.commons.numbers.fraction.Fraction;
import org.audiveris.proxymusic.Attributes;
import org.audiveris.proxymusic.BackwardForward;
import org.audiveris.proxymusic.Barline;
import org.audiveris.proxymusic.Clef;
import org.audiveris.proxymusic.ClefSign;
import org.audiveris.proxymusic.DirectionType;
import org.audiveris.proxymusic.Empty;
import org.audiveris.proxymusic.Ending;
import org.audiveris.proxymusic.FormattedTextId;
import org.audiveris.proxymusic.Metronome;
import org.audiveris.proxymusic.ObjectFactory;
import org.audiveris.proxymusic.PartList;
import org.audiveris.proxymusic.PartName;
import org.audiveris.proxymusic.PerMinute;
import org.audiveris.proxymusic.Print;
import org.audiveris.proxymusic.Repeat;
import org.audiveris.proxymusic.RightLeftMiddle;
import org.audiveris.proxymusic.ScorePart;
import org.audiveris.proxymusic.ScorePartwise;
import org.audiveris.proxymusic.Sound;
import org.audiveris.proxymusic.StaffDetails;
import org.audiveris.proxymusic.StartStopDiscontinue;
import org.audiveris.proxymusic.Time;
import org.audiveris.proxymusic.Work;
import org.audiveris.proxymusic.YesNo;
import org.audiveris.proxymusic.util.Marshalling;
import tachylim.notation.score.Glyph;
import tachylim.notation.score.Movement;
import tachylim.notation.score.Spelling;
import tachylim.passage.Direction;
import tachylim.passage.Direction.RepeatSign;
import tachylim.passage.Key;
import tachylim.passage.Meter;
import tachylim.passage.Passage;
import tachylim.passage.Pitch;

/** Writes music as MusicXML 4.0: one part, its movements one after another, each on a new line. */
public final class MusicXmlWriter {

    private static final int BASS_BELOW = 55;

    private final ObjectFactory make = new ObjectFactory();
    private final ScorePartwise.Part part = make.createScorePartwisePart();
    private int number;

    private MusicXmlWriter() {}

    /**
     * The movements as a MusicXML file.
     *
     * @param title the title of the whole
     */
    public static byte[] write(String title, List<Movement> movements) {
        return new MusicXmlWriter().score(title, movements);
    }

    private byte[] score(String title, List<Movement> movements) {
        ScorePartwise score = make.createScorePartwise();
        score.setVersion("4.0");
        Work work = make.createWork();
        work.setWorkTitle(title);
        score.setWork(work);
        ScorePart listed = make.createScorePart();
        listed.setId("P1");
        PartName name = make.createPartName();
        name.setValue(title);
        listed.setPartName(name);
        PartList list = make.createPartList();
        list.getPartGroupOrScorePart().add(listed);
        score.setPartList(list);
        part.setId(listed);
        score.getPart().add(part);
        for (Movement movement : movements) {
            movement(movement, movements.size() > 1);
        }
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try {
            Marshalling.marshal(score, out, false, 2);
        } catch (Marshalling.MarshallingException broken) {
            throw new IllegalStateException(broken);
        }
        return out.toByteArray();
    }

    private void movement(Movement movement, boolean ofSeveral) {
        Passage music = movement.music();
        List<Spelling.Bar> bars = Spelling.of(music);
        int divisions = bars.stream()
                .flatMap(bar -> bar.glyphs().stream())
                .mapToInt(glyph -> glyph.sounding().multiply(4).getDenominator())
                .reduce(1, ArithmeticUtils::lcm);
        MusicXmlNotes notes = new MusicXmlNotes(make, divisions);
        for (int i = 0; i < bars.size(); i++) {
            ScorePartwise.Part.Measure measure = make.createScorePartwisePartMeasure();
            measure.setNumber(String.valueOf(music.hasPickup() && number == 0 ? 0 : ++number));
            if (i == 0 && music.hasPickup()) {
                measure.setImplicit(YesNo.YES);
            }
            part.getMeasure().add(measure);
            List<Object> items = measure.getNoteOrBackupOrForward();
            if (i == 0) {
                opening(items, music, movement.title(), ofSeveral, divisions);
            }
            bar(items, bars.get(i), music, notes);
        }
    }

    private void opening(List<Object> items, Passage music, String title, boolean ofSeveral, int divisions) {
        if (ofSeveral && number > 1) {
            Print print = make.createPrint();
            print.setNewSystem(YesNo.YES);
            items.add(print);
        }
        Attributes attributes = attributes(music.key(), music.meter());
        attributes.setDivisions(BigDecimal.valueOf(divisions));
        Clef clef = make.createClef();
        boolean paper = music.isPaper();
        boolean bass = !paper && mean(music) < BASS_BELOW;
        clef.setSign(paper ? ClefSign.PERCUSSION : bass ? ClefSign.F : ClefSign.G);
        if (!paper) {
            clef.setLine(BigInteger.valueOf(bass ? 4 : 2));
        }
        attributes.getClef().add(clef);
        if (paper) {
            StaffDetails details = make.createStaffDetails();
            details.setStaffLines(BigInteger.ONE);
            attributes.getStaffDetails().add(details);
        }
        items.add(attributes);
        if (ofSeveral && !title.isEmpty()) {
            items.add(words(title));
        }
    }

    private static double mean(Passage music) {
        return music.notes().stream()
                .flatMap(note -> note.pitches().stream())
                .mapToInt(Pitch::midi)
                .average()
                .orElse(60);
    }

    private Attributes attributes(Key key, Meter meter) {
        Attributes attributes = make.createAttributes();
        if (key != null) {
            org.audiveris.proxymusic.Key signature = make.createKey();
            signature.setFifths(BigInteger.valueOf(key.fifths()));
            attributes.getKey().add(signature);
        }
        if (meter != null) {
            Time time = make.createTime();
            time.getTimeSignature().add(make.createTimeBeats(String.valueOf(meter.count())));
            time.getTimeSignature().add(make.createTimeBeatType(String.valueOf(meter.unit())));
            attributes.getTime().add(time);
        }
        return attributes;
    }

    private void bar(List<Object> items, Spelling.Bar bar, Passage music, MusicXmlNotes notes) {
        leftBarline(items, bar, music);
        for (Glyph glyph : bar.glyphs()) {
            directions(items, glyph.start().divide(music.beatUnit()), music);
            notes.write(items, glyph);
        }
        for (Direction direction : music.directions()) {
            if (direction instanceof RepeatSign sign
                    && sign.kind() == RepeatSign.Kind.END
                    && isAt(sign, bar.end(), music)) {
                Barline line = make.createBarline();
                line.setLocation(RightLeftMiddle.RIGHT);
                line.setRepeat(repeat(BackwardForward.BACKWARD));
                line.getRepeat().setTimes(BigInteger.valueOf(Math.max(2, sign.number())));
                items.add(line);
            }
        }
    }

    private static boolean isAt(Direction direction, Fraction wholes, Passage music) {
        return direction.at().multiply(music.beatUnit()).equals(wholes);
    }

    private void leftBarline(List<Object> items, Spelling.Bar bar, Passage music) {
        Barline line = make.createBarline();
        line.setLocation(RightLeftMiddle.LEFT);
        for (Direction direction : music.directions()) {
            if (direction instanceof RepeatSign sign && isAt(sign, bar.start(), music)) {
                if (sign.kind() == RepeatSign.Kind.START) {
                    line.setRepeat(repeat(BackwardForward.FORWARD));
                } else if (sign.kind() == RepeatSign.Kind.ENDING) {
                    Ending ending = line.getEnding() == null ? make.createEnding() : line.getEnding();
                    ending.setNumber(
                            ending.getNumber() == null ? "" + sign.number() : ending.getNumber() + "," + sign.number());
                    ending.setType(StartStopDiscontinue.START);
                    line.setEnding(ending);
                }
            }
        }
        if (line.getRepeat() != null || line.getEnding() != null) {
            items.add(line);
        }
    }

    private Repeat repeat(BackwardForward way) {
        Repeat repeat = make.createRepeat();
        repeat.setDirection(way);
        return repeat;
    }

    private void directions(List<Object> items, Fraction place, Passage music) {
        for (Direction direction : music.directions()) {
            if (!direction.at().equals(place)) {
                continue;
            }
            if (direction instanceof Direction.MeterChange change) {
                items.add(attributes(null, change.meter()));
            } else if (direction instanceof Direction.KeyChange change) {
                items.add(attributes(change.key(), null));
            } else if (direction instanceof Direction.Words words) {
                items.add(words(words.text()));
            } else if (direction instanceof Direction.TempoMark mark) {
                items.add(tempo(mark));
            }
        }
    }

    private org.audiveris.proxymusic.Direction words(String text) {
        FormattedTextId words = make.createFormattedTextId();
        words.setValue(text);
        DirectionType type = make.createDirectionType();
        type.getWordsOrSymbol().add(words);
        org.audiveris.proxymusic.Direction direction = make.createDirection();
        direction.getDirectionType().add(type);
        return direction;
    }

    private org.audiveris.proxymusic.Direction tempo(Direction.TempoMark mark) {
        Metronome metronome = make.createMetronome();
        boolean dotted = mark.unit().getNumerator() == 3;
        Fraction plain = dotted ? mark.unit().multiply(Fraction.of(2, 3)) : mark.unit();
        metronome.setBeatUnit(MusicXmlNotes.TYPES.getOrDefault(plain, "quarter"));
        if (dotted) {
            metronome.getBeatUnitDot().add(new Empty());
        }
        PerMinute perMinute = make.createPerMinute();
        perMinute.setValue(BigDecimal.valueOf(mark.bpm()).stripTrailingZeros().toPlainString());
        metronome.setPerMinute(perMinute);
        DirectionType type = make.createDirectionType();
        type.setMetronome(metronome);
        Sound sound = make.createSound();
        sound.setTempo(BigDecimal.valueOf(mark.bpm() * mark.unit().doubleValue() * 4)
                .setScale(4, RoundingMode.HALF_UP)
                .stripTrailingZeros());
        org.audiveris.proxymusic.Direction direction = make.createDirection();
        direction.getDirectionType().add(type);
        direction.setSound(sound);
        return direction;
    }
}
