package tachylim.notation.musicxml;

import jakarta.xml.bind.JAXBElement;
import java.util.Locale;
import java.util.Map;
import org.audiveris.proxymusic.Articulations;
import org.audiveris.proxymusic.Dynamics;
import org.audiveris.proxymusic.Fermata;
import org.audiveris.proxymusic.Fingering;
import org.audiveris.proxymusic.Lyric;
import org.audiveris.proxymusic.Notations;
import org.audiveris.proxymusic.Note;
import org.audiveris.proxymusic.Ornaments;
import org.audiveris.proxymusic.OtherPlacementText;
import org.audiveris.proxymusic.Slur;
import org.audiveris.proxymusic.StartStopContinue;
import org.audiveris.proxymusic.Syllabic;
import org.audiveris.proxymusic.Technical;
import org.audiveris.proxymusic.TextElementData;
import org.audiveris.proxymusic.Tied;
import org.audiveris.proxymusic.Tuplet;
import tachylim.notation.score.Omissions;
import tachylim.passage.Articulation;
import tachylim.passage.Inflection;
import tachylim.passage.Mark;
import tachylim.words.Reason;

/** What stands over and under a note of MusicXML. */
final class MusicXmlSigns {

    static final Map<String, Articulation> ARTICULATIONS = Map.of(
            "staccato",
            Articulation.STACCATO,
            "staccatissimo",
            Articulation.STACCATISSIMO,
            "spiccato",
            Articulation.STACCATISSIMO,
            "tenuto",
            Articulation.TENUTO,
            "accent",
            Articulation.ACCENT,
            "strong-accent",
            Articulation.MARCATO);

    private static final int MOST_SYLLABLE = 40;

    private final Omissions omissions;
    private Inflection over = Inflection.PLAIN;
    private int opened;
    private int closed;
    private String syllable = "";

    private MusicXmlSigns(Omissions omissions) {
        this.omissions = omissions;
    }

    static Inflection inflection(Note note, Omissions omissions) {
        if (note.getNotations().isEmpty() && note.getLyric().isEmpty()) {
            return Inflection.PLAIN;
        }
        MusicXmlSigns signs = new MusicXmlSigns(omissions);
        for (Notations notations : note.getNotations()) {
            notations.getTiedOrSlurOrTuplet().forEach(signs::notation);
        }
        for (int verse = 0; verse < note.getLyric().size(); verse++) {
            if (verse == 0) {
                signs.lyric(note.getLyric().get(0));
            } else {
                omissions.add(Reason.of("omitted.verses"));
            }
        }
        return new Inflection(
                signs.over.grace(),
                signs.over.articulations(),
                Math.min(signs.opened, Inflection.MOST_SLURS),
                Math.min(signs.closed, Inflection.MOST_SLURS),
                signs.over.marks(),
                signs.syllable);
    }

    private void notation(Object notation) {
        if (notation instanceof Slur slur) {
            opened += slur.getType() == StartStopContinue.START ? 1 : 0;
            closed += slur.getType() == StartStopContinue.STOP ? 1 : 0;
        } else if (notation instanceof Articulations articulations) {
            articulations.getAccentOrStrongAccentOrStaccato().forEach(this::articulation);
        } else if (notation instanceof Technical technical) {
            technical.getUpBowOrDownBowOrHarmonic().forEach(this::technical);
        } else if (notation instanceof Fermata) {
            over = over.with(Articulation.FERMATA);
        } else if (notation instanceof Dynamics) {
            omissions.add(Reason.of("omitted.dynamics"));
        } else if (notation instanceof Ornaments) {
            omissions.add(Reason.of("omitted.ornaments"));
        } else if (!(notation instanceof Tied) && !(notation instanceof Tuplet)) {
            omissions.add(Reason.of(
                    "omitted.signs", "name", notation.getClass().getSimpleName().toLowerCase(Locale.ROOT)));
        }
    }

    private void articulation(JAXBElement<?> element) {
        String name = element.getName().getLocalPart();
        Articulation articulation = ARTICULATIONS.get(name);
        if (articulation != null) {
            over = over.with(articulation);
        } else if (name.equals("breath-mark")) {
            over = over.with(Mark.BREATH);
        } else {
            omissions.add(Reason.of("omitted.articulations", "name", name));
        }
    }

    private void technical(JAXBElement<?> element) {
        String name = element.getName().getLocalPart();
        if (element.getValue() instanceof Fingering fingering && fingering.getValue() != null) {
            mark(Mark.Kind.FINGERING, fingering.getValue().strip().toUpperCase(Locale.ROOT));
        } else if (element.getValue() instanceof OtherPlacementText other
                && other.getValue() != null
                && Mark.Kind.STICKING.takes(other.getValue().strip())) {
            mark(Mark.Kind.STICKING, other.getValue().strip());
        } else if (name.equals("up-bow") || name.equals("down-bow")) {
            mark(Mark.Kind.STROKE, name.substring(0, name.indexOf('-')));
        } else {
            omissions.add(Reason.of("omitted.technical", "name", name));
        }
    }

    private void mark(Mark.Kind kind, String value) {
        String both = over.mark(kind)
                        .filter(before -> kind == Mark.Kind.FINGERING)
                        .map(Mark::value)
                        .orElse("")
                + value;
        if (kind.takes(both)) {
            over = over.with(new Mark(kind, both));
        } else {
            omissions.add(Reason.of("omitted.fingerings"));
        }
    }

    private void lyric(Lyric lyric) {
        StringBuilder text = new StringBuilder();
        boolean goesOn = false;
        for (Object part : lyric.getElisionAndSyllabicAndText()) {
            if (part instanceof TextElementData data && data.getValue() != null) {
                text.append(data.getValue().strip());
            } else if (part instanceof Syllabic syllabic) {
                goesOn = syllabic == Syllabic.BEGIN || syllabic == Syllabic.MIDDLE;
            }
        }
        String said = text.toString()
                .replaceAll("[\\\\*_|\"]", "")
                .replaceAll("\\s+", " ")
                .strip();
        if (!said.isEmpty()) {
            syllable = (said.length() > MOST_SYLLABLE ? said.substring(0, MOST_SYLLABLE) : said) + (goesOn ? "-" : "");
        }
    }
}
