package tachylim.notation;

import java.io.ByteArrayOutputStream;
import java.math.BigDecimal;
import java.math.BigInteger;
import java.math.RoundingMode;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.apache.commons.numbers.core.ArithmeticUtils;
import org.apache.commons.numbers.fraction.Fraction;
import org.audiveris.proxymusic.Articulations;
import org.audiveris.proxymusic.Attributes;
import org.audiveris.proxymusic.BackwardForward;
import org.audiveris.proxymusic.Barline;
import org.audiveris.proxymusic.BreathMark;
import org.audiveris.proxymusic.Clef;
import org.audiveris.proxymusic.ClefSign;
import org.audiveris.proxymusic.DirectionType;
import org.audiveris.proxymusic.Empty;
import org.audiveris.proxymusic.EmptyPlacement;
import org.audiveris.proxymusic.Ending;
import org.audiveris.proxymusic.Fermata;
import org.audiveris.proxymusic.Fingering;
import org.audiveris.proxymusic.FormattedTextId;
import org.audiveris.proxymusic.Grace;
import org.audiveris.proxymusic.Lyric;
import org.audiveris.proxymusic.Metronome;
import org.audiveris.proxymusic.Notations;
import org.audiveris.proxymusic.Note;
import org.audiveris.proxymusic.NoteType;
import org.audiveris.proxymusic.ObjectFactory;
import org.audiveris.proxymusic.OtherPlacementText;
import org.audiveris.proxymusic.PartList;
import org.audiveris.proxymusic.PartName;
import org.audiveris.proxymusic.PerMinute;
import org.audiveris.proxymusic.Print;
import org.audiveris.proxymusic.Repeat;
import org.audiveris.proxymusic.Rest;
import org.audiveris.proxymusic.RightLeftMiddle;
import org.audiveris.proxymusic.ScorePart;
import org.audiveris.proxymusic.ScorePartwise;
import org.audiveris.proxymusic.Slur;
import org.audiveris.proxymusic.Sound;
import org.audiveris.proxymusic.StaffDetails;
import org.audiveris.proxymusic.StartStop;
import org.audiveris.proxymusic.StartStopContinue;
import org.audiveris.proxymusic.StartStopDiscontinue;
import org.audiveris.proxymusic.Step;
import org.audiveris.proxymusic.StrongAccent;
import org.audiveris.proxymusic.Syllabic;
import org.audiveris.proxymusic.Technical;
import org.audiveris.proxymusic.TextElementData;
import org.audiveris.proxymusic.Tie;
import org.audiveris.proxymusic.Tied;
import org.audiveris.proxymusic.TiedType;
import org.audiveris.proxymusic.Time;
import org.audiveris.proxymusic.TimeModification;
import org.audiveris.proxymusic.Tuplet;
import org.audiveris.proxymusic.Unpitched;
import org.audiveris.proxymusic.Work;
import org.audiveris.proxymusic.YesNo;
import org.audiveris.proxymusic.util.Marshalling;
import tachylim.passage.Articulation;
import tachylim.passage.Direction;
import tachylim.passage.Direction.RepeatSign;
import tachylim.passage.Inflection;
import tachylim.passage.Key;
import tachylim.passage.Mark;
import tachylim.passage.Meter;
import tachylim.passage.Passage;
import tachylim.passage.Pitch;

/** Writes music as MusicXML 4.0: one part, its sections one after another, each on a new line. */
public final class MusicXmlWriter {

    private static final Map<Fraction, String> TYPES = Map.ofEntries(Map.entry(Fraction.of(4), "long"),
            Map.entry(Fraction.of(2), "breve"), Map.entry(Fraction.ONE, "whole"), Map.entry(Fraction.of(1, 2), "half"),
            Map.entry(Fraction.of(1, 4), "quarter"), Map.entry(Fraction.of(1, 8), "eighth"), Map.entry(Fraction.of(1, 16), "16th"),
            Map.entry(Fraction.of(1, 32), "32nd"), Map.entry(Fraction.of(1, 64), "64th"), Map.entry(Fraction.of(1, 128), "128th"),
            Map.entry(Fraction.of(1, 256), "256th"), Map.entry(Fraction.of(1, 512), "512th"), Map.entry(Fraction.of(1, 1024), "1024th"));
    private static final int BASS_BELOW = 55;

    private final ObjectFactory make = new ObjectFactory();
    private final ScorePartwise.Part part = make.createScorePartwisePart();
    private final Map<Integer, Integer> slurs = new HashMap<>();
    private int slursOpen;
    private int divisions;
    private int number;

    private MusicXmlWriter() {}

    /**
     * The sections as a MusicXML file.
     *
     * @param title the title of the whole
     */
    public static byte[] write(String title, List<Section> sections) {
        return new MusicXmlWriter().score(title, sections);
    }

    private byte[] score(String title, List<Section> sections) {
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
        for (Section section : sections) {
            section(section, sections.size() > 1);
        }
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try {
            Marshalling.marshal(score, out, false, 2);
        } catch (Marshalling.MarshallingException broken) {
            throw new IllegalStateException(broken);
        }
        return out.toByteArray();
    }

    private void section(Section section, boolean ofSeveral) {
        Passage music = section.music();
        List<Spelling.Bar> bars = Spelling.of(music);
        divisions = bars.stream()
                .flatMap(bar -> bar.glyphs().stream())
                .mapToInt(glyph -> glyph.sounding().multiply(4).getDenominator())
                .reduce(1, ArithmeticUtils::lcm);
        slurs.clear();
        slursOpen = 0;
        for (int i = 0; i < bars.size(); i++) {
            ScorePartwise.Part.Measure measure = make.createScorePartwisePartMeasure();
            measure.setNumber(String.valueOf(music.hasPickup() && number == 0 ? 0 : ++number));
            if (i == 0 && music.hasPickup()) {
                measure.setImplicit(YesNo.YES);
            }
            part.getMeasure().add(measure);
            List<Object> items = measure.getNoteOrBackupOrForward();
            if (i == 0) {
                opening(items, music, section.title(), ofSeveral);
            }
            bar(items, bars.get(i), music);
        }
    }

    private void opening(List<Object> items, Passage music, String title, boolean ofSeveral) {
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
        return music.notes().stream().flatMap(note -> note.pitches().stream()).mapToInt(Pitch::midi).average().orElse(60);
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

    private void bar(List<Object> items, Spelling.Bar bar, Passage music) {
        leftBarline(items, bar, music);
        for (Glyph glyph : bar.glyphs()) {
            directions(items, glyph.start().divide(music.beatUnit()), music);
            glyph(items, glyph);
        }
        for (Direction direction : music.directions()) {
            if (direction instanceof RepeatSign sign && sign.kind() == RepeatSign.Kind.END && isAt(sign, bar.end(), music)) {
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
                    ending.setNumber(ending.getNumber() == null ? "" + sign.number() : ending.getNumber() + "," + sign.number());
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
        metronome.setBeatUnit(TYPES.getOrDefault(plain, "quarter"));
        if (dotted) {
            metronome.getBeatUnitDot().add(new Empty());
        }
        PerMinute perMinute = make.createPerMinute();
        perMinute.setValue(BigDecimal.valueOf(mark.bpm()).stripTrailingZeros().toPlainString());
        metronome.setPerMinute(perMinute);
        DirectionType type = make.createDirectionType();
        type.setMetronome(metronome);
        Sound sound = make.createSound();
        sound.setTempo(BigDecimal.valueOf(mark.bpm() * mark.unit().doubleValue() * 4).setScale(4, RoundingMode.HALF_UP)
                .stripTrailingZeros());
        org.audiveris.proxymusic.Direction direction = make.createDirection();
        direction.getDirectionType().add(type);
        direction.setSound(sound);
        return direction;
    }

    // Notes

    private void glyph(List<Object> items, Glyph glyph) {
        if (glyph.note() == null) {
            Note rest = value(glyph);
            rest.setRest(new Rest());
            items.add(rest);
            return;
        }
        if (glyph.first()) {
            glyph.note().inflection().grace().forEach(pitch -> items.add(grace(pitch)));
        }
        List<Pitch> pitches = glyph.note().pitches();
        for (int i = 0; i < Math.max(1, pitches.size()); i++) {
            Note head = value(glyph);
            if (i > 0) {
                head.setChord(new Empty());
            }
            if (pitches.isEmpty()) {
                Unpitched unpitched = make.createUnpitched();
                unpitched.setDisplayStep(Step.E);
                unpitched.setDisplayOctave(4);
                head.setUnpitched(unpitched);
            } else {
                head.setPitch(pitch(pitches.get(i)));
            }
            ties(head, glyph);
            Notations notations = notations(head, glyph, i == 0);
            if (!notations.getTiedOrSlurOrTuplet().isEmpty()) {
                head.getNotations().add(notations);
            }
            if (i == 0 && glyph.first() && !glyph.note().inflection().syllable().isEmpty()) {
                head.getLyric().add(lyric(glyph.note().inflection().syllable()));
            }
            items.add(head);
        }
    }

    private Note value(Glyph glyph) {
        Note note = make.createNote();
        note.setDuration(BigDecimal.valueOf(glyph.sounding().multiply(4 * divisions).intValue()));
        note.setVoice("1");
        int top = glyph.written().getNumerator();
        int dots = Integer.bitCount(top) - 1;
        Fraction plain = Fraction.of(Integer.highestOneBit(top), glyph.written().getDenominator());
        NoteType type = make.createNoteType();
        type.setValue(TYPES.getOrDefault(plain, "1024th"));
        note.setType(type);
        for (int i = 0; i < dots; i++) {
            note.getDot().add(new EmptyPlacement());
        }
        if (glyph.tuplet() != null) {
            TimeModification modification = make.createTimeModification();
            modification.setActualNotes(BigInteger.valueOf(glyph.tuplet().notes()));
            modification.setNormalNotes(BigInteger.valueOf(glyph.tuplet().time()));
            note.setTimeModification(modification);
        }
        return note;
    }

    private Note grace(Pitch pitch) {
        Note note = make.createNote();
        note.setGrace(new Grace());
        note.setPitch(pitch(pitch));
        note.setVoice("1");
        NoteType type = make.createNoteType();
        type.setValue("eighth");
        note.setType(type);
        return note;
    }

    private org.audiveris.proxymusic.Pitch pitch(Pitch pitch) {
        org.audiveris.proxymusic.Pitch written = make.createPitch();
        written.setStep(Step.fromValue(String.valueOf(pitch.letter())));
        if (pitch.alter() != 0) {
            written.setAlter(BigDecimal.valueOf(pitch.alter()));
        }
        written.setOctave(pitch.octave());
        return written;
    }

    private void ties(Note head, Glyph glyph) {
        if (!glyph.first()) {
            head.getTie().add(tie(StartStop.STOP));
        }
        if (!glyph.last()) {
            head.getTie().add(tie(StartStop.START));
        }
    }

    private Tie tie(StartStop type) {
        Tie tie = make.createTie();
        tie.setType(type);
        return tie;
    }

    private Notations notations(Note head, Glyph glyph, boolean lowest) {
        Notations notations = make.createNotations();
        List<Object> all = notations.getTiedOrSlurOrTuplet();
        head.getTie().forEach(tie -> {
            Tied tied = make.createTied();
            tied.setType(tie.getType() == StartStop.START ? TiedType.START : TiedType.STOP);
            all.add(tied);
        });
        if (!lowest) {
            return notations;
        }
        Inflection over = glyph.note().inflection();
        if (glyph.last()) {
            for (int i = 0; i < over.slursClosed() && slursOpen > 0; i++) {
                all.add(slur(StartStopContinue.STOP, slursOpen--));
            }
        }
        if (glyph.first()) {
            for (int i = 0; i < over.slursOpened(); i++) {
                all.add(slur(StartStopContinue.START, ++slursOpen));
            }
        }
        tuplet(all, glyph);
        if (glyph.first()) {
            decisions(all, over);
        }
        return notations;
    }

    private Slur slur(StartStopContinue type, int level) {
        Slur slur = make.createSlur();
        slur.setType(type);
        slur.setNumber(Math.min(16, level));
        return slur;
    }

    private void tuplet(List<Object> all, Glyph glyph) {
        Glyph.Tuplet place = glyph.tuplet();
        if (place != null && (place.place() == 0 || place.place() == place.size() - 1)) {
            Tuplet tuplet = make.createTuplet();
            tuplet.setType(place.place() == 0 ? StartStop.START : StartStop.STOP);
            tuplet.setNumber(1);
            all.add(tuplet);
        }
    }

    private void decisions(List<Object> all, Inflection over) {
        Articulations articulations = make.createArticulations();
        over.articulations().stream().sorted().forEach(articulation -> articulation(articulations, articulation));
        Technical technical = make.createTechnical();
        for (Mark mark : over.marks()) {
            mark(articulations, technical, mark);
        }
        if (!technical.getUpBowOrDownBowOrHarmonic().isEmpty()) {
            all.add(technical);
        }
        if (!articulations.getAccentOrStrongAccentOrStaccato().isEmpty()) {
            all.add(articulations);
        }
        if (over.articulations().contains(Articulation.FERMATA)) {
            all.add(new Fermata());
        }
    }

    private void articulation(Articulations to, Articulation articulation) {
        var all = to.getAccentOrStrongAccentOrStaccato();
        switch (articulation) {
            case STACCATO -> all.add(make.createArticulationsStaccato(new EmptyPlacement()));
            case STACCATISSIMO -> all.add(make.createArticulationsStaccatissimo(new EmptyPlacement()));
            case TENUTO -> all.add(make.createArticulationsTenuto(new EmptyPlacement()));
            case ACCENT -> all.add(make.createArticulationsAccent(new EmptyPlacement()));
            case MARCATO -> all.add(make.createArticulationsStrongAccent(new StrongAccent()));
            case FERMATA -> {
                // It stands beside the articulations, not among them.
            }
        }
    }

    private void mark(Articulations articulations, Technical technical, Mark mark) {
        var all = technical.getUpBowOrDownBowOrHarmonic();
        switch (mark.kind()) {
            case FINGERING -> {
                Fingering fingering = make.createFingering();
                fingering.setValue(mark.value());
                all.add(make.createTechnicalFingering(fingering));
            }
            case STICKING -> {
                OtherPlacementText text = make.createOtherPlacementText();
                text.setValue(mark.value());
                all.add(make.createTechnicalOtherTechnical(text));
            }
            case STROKE -> all.add(mark.value().equals("up")
                    ? make.createTechnicalUpBow(new EmptyPlacement())
                    : make.createTechnicalDownBow(new EmptyPlacement()));
            case BREATH -> articulations.getAccentOrStrongAccentOrStaccato().add(make.createArticulationsBreathMark(new BreathMark()));
        }
    }

    private Lyric lyric(String syllable) {
        boolean goesOn = syllable.endsWith("-");
        Lyric lyric = make.createLyric();
        lyric.setNumber("1");
        TextElementData text = make.createTextElementData();
        text.setValue(goesOn ? syllable.substring(0, syllable.length() - 1) : syllable);
        lyric.getElisionAndSyllabicAndText().add(goesOn ? Syllabic.BEGIN : Syllabic.SINGLE);
        lyric.getElisionAndSyllabicAndText().add(text);
        return lyric;
    }
}
