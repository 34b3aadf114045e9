package tachylim.notation.musicxml;

import java.math.BigDecimal;
import java.math.BigInteger;
import java.util.List;
import java.util.Map;
import org.apache.commons.numbers.fraction.Fraction;
import org.audiveris.proxymusic.Articulations;
import org.audiveris.proxymusic.BreathMark;
import org.audiveris.proxymusic.Empty;
import org.audiveris.proxymusic.EmptyPlacement;
import org.audiveris.proxymusic.Fermata;
import org.audiveris.proxymusic.Fingering;
import org.audiveris.proxymusic.Grace;
import org.audiveris.proxymusic.Lyric;
import org.audiveris.proxymusic.Notations;
import org.audiveris.proxymusic.Note;
import org.audiveris.proxymusic.NoteType;
import org.audiveris.proxymusic.ObjectFactory;
import org.audiveris.proxymusic.OtherPlacementText;
import org.audiveris.proxymusic.Rest;
import org.audiveris.proxymusic.Slur;
import org.audiveris.proxymusic.StartStop;
import org.audiveris.proxymusic.StartStopContinue;
import org.audiveris.proxymusic.Step;
import org.audiveris.proxymusic.StrongAccent;
import org.audiveris.proxymusic.Syllabic;
import org.audiveris.proxymusic.Technical;
import org.audiveris.proxymusic.TextElementData;
import org.audiveris.proxymusic.Tie;
import org.audiveris.proxymusic.Tied;
import org.audiveris.proxymusic.TiedType;
import org.audiveris.proxymusic.TimeModification;
import org.audiveris.proxymusic.Tuplet;
import org.audiveris.proxymusic.Unpitched;
import tachylim.notation.score.Glyph;
import tachylim.passage.Articulation;
import tachylim.passage.Inflection;
import tachylim.passage.Mark;
import tachylim.passage.Pitch;

/** Writes notes and rests, with what stands over and under them, as elements of a measure of MusicXML. */
final class MusicXmlNotes {

    /** The names of the values that have a sign of their own. */
    static final Map<Fraction, String> TYPES = Map.ofEntries(
            Map.entry(Fraction.of(4), "long"),
            Map.entry(Fraction.of(2), "breve"),
            Map.entry(Fraction.ONE, "whole"),
            Map.entry(Fraction.of(1, 2), "half"),
            Map.entry(Fraction.of(1, 4), "quarter"),
            Map.entry(Fraction.of(1, 8), "eighth"),
            Map.entry(Fraction.of(1, 16), "16th"),
            Map.entry(Fraction.of(1, 32), "32nd"),
            Map.entry(Fraction.of(1, 64), "64th"),
            Map.entry(Fraction.of(1, 128), "128th"),
            Map.entry(Fraction.of(1, 256), "256th"),
            Map.entry(Fraction.of(1, 512), "512th"),
            Map.entry(Fraction.of(1, 1024), "1024th"));

    private final ObjectFactory make;
    private final int divisions;
    private int slursOpen;

    /**
     * @param divisions how many parts a quarter note's duration is counted in
     */
    MusicXmlNotes(ObjectFactory make, int divisions) {
        this.make = make;
        this.divisions = divisions;
    }

    /** Adds what stands on the page for {@code glyph} to the items of its measure. */
    void write(List<Object> items, Glyph glyph) {
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
        note.setDuration(
                BigDecimal.valueOf(glyph.sounding().multiply(4 * divisions).intValue()));
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
            case STROKE ->
                all.add(
                        mark.value().equals("up")
                                ? make.createTechnicalUpBow(new EmptyPlacement())
                                : make.createTechnicalDownBow(new EmptyPlacement()));
            case BREATH ->
                articulations
                        .getAccentOrStrongAccentOrStaccato()
                        .add(make.createArticulationsBreathMark(new BreathMark()));
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
