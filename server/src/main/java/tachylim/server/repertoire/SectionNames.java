package tachylim.server.repertoire;

import java.util.stream.IntStream;
import org.apache.commons.numbers.fraction.Fraction;
import tachylim.passage.Passage;
import tachylim.passage.Section;
import tachylim.server.words.Words;

/** What a section is called until its player names it: the bars or beats it covers, as counted on paper. */
final class SectionNames {

    /** The name of a section that is the whole passage. */
    static final String WHOLE = "whole";

    private SectionNames() {}

    static String byBars(Section section, Passage music) {
        int first = barOf(music, section.firstNote());
        int last = Math.max(first, barOf(music, Math.max(section.firstNote(), section.lastNote() - 1)));
        return named("section.bars", first, last);
    }

    static String byBeats(Section section, Passage music) {
        Fraction pickup = music.pickup();
        int first = (int) Math.floor(
                        onset(music, section.firstNote()).subtract(pickup).doubleValue())
                + 1;
        int last = (int)
                Math.ceil(onset(music, section.lastNote()).subtract(pickup).doubleValue());
        return named("section.beats", first, Math.max(first, last));
    }

    private static String named(String code, int first, int last) {
        return Words.spoken().say(code, "first", first, "last", last, "both", first == last ? 1 : 2);
    }

    private static Fraction onset(Passage music, int note) {
        return music.notes().get(note).onset();
    }

    /** The bar a note lies in; a pickup is bar 0. */
    private static int barOf(Passage music, int note) {
        int bar = IntStream.range(0, music.bars())
                .filter(i -> music.barStart(i).compareTo(onset(music, note)) <= 0)
                .max()
                .orElse(0);
        return music.hasPickup() ? bar : bar + 1;
    }
}
