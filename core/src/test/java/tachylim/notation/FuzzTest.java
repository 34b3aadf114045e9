package tachylim.notation;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.Arrays;
import java.util.List;
import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.Size;
import org.apache.commons.numbers.fraction.Fraction;
import org.junit.jupiter.api.Assertions;
import tachylim.notation.abc.AbcException;
import tachylim.notation.abc.AbcReader;
import tachylim.notation.abc.AbcTune;
import tachylim.notation.abc.AbcWriter;
import tachylim.notation.midi.MidiWriter;
import tachylim.notation.musicxml.MusicXmlWriter;
import tachylim.notation.score.Movement;
import tachylim.notation.score.Score;
import tachylim.notation.score.ScoreException;
import tachylim.notation.score.Wishes;
import tachylim.passage.Meter;
import tachylim.passage.PaperPattern;
import tachylim.passage.Passage;
import tachylim.tempo.Tempo;

/** Broken and hostile files: a sentence, and never a crash, a hang or growth without bound. */
class FuzzTest {

    /** Far longer than any of these files takes; only a hang reaches it. */
    private static final Duration LONG = Duration.ofSeconds(60);

    private static final Passage PASSAGE = AbcReader.read(
                    "M:3/4\nL:1/16\nK:Eb\n!3!GABc (3def [CE]4 | {d}e4- e4 z4 |: F12 :|\nw: a-b c")
            .passage();
    private static final List<byte[]> GOOD = List.of(
            MusicXmlWriter.write("Good", List.of(new Movement("", PASSAGE))),
            MidiWriter.write(List.of(new Movement("", PASSAGE)), Tempo.of(90)),
            AbcWriter.tune(PASSAGE, 1, "Good").getBytes(StandardCharsets.UTF_8));
    private static final String ALPHABET = "ABCabcz|:[](){}<>^_=,'-/0123456789 \n\"!+.~&%XKMLVQTw";

    private static void survives(byte[] file) {
        Assertions.assertTimeoutPreemptively(LONG, () -> {
            try {
                Score score = Format.read(file, Wishes.NONE);
                assertThat(score.lines()).isNotEmpty();
                long notes = score.lines().stream()
                        .mapToLong(line -> line.notes().size())
                        .sum();
                assertThat(notes).isLessThan(500_000);
            } catch (ScoreException refused) {
                assertThat(refused.getMessage()).isNotBlank();
            }
        });
    }

    @Property(tries = 300)
    void aFileWithBytesChangedIsReadOrRefused(@ForAll long seed) {
        Random random = new Random(seed);
        byte[] file = GOOD.get(random.nextInt(GOOD.size())).clone();
        for (int i = 0; i < 1 + random.nextInt(12); i++) {
            file[random.nextInt(file.length)] = (byte) random.nextInt(256);
        }
        survives(file);
    }

    @Property(tries = 150)
    void aFileThatBreaksOffOrRepeatsItselfIsReadOrRefused(@ForAll long seed) {
        Random random = new Random(seed);
        byte[] file = GOOD.get(random.nextInt(GOOD.size()));
        int from = random.nextInt(file.length);
        int to = from + random.nextInt(file.length - from);
        byte[] spliced = new byte[file.length + to - from];
        System.arraycopy(file, 0, spliced, 0, to);
        System.arraycopy(file, from, spliced, to, file.length - from);
        survives(spliced);
        survives(Arrays.copyOf(file, from));
    }

    @Property(tries = 300)
    void bytesOfAnyKindAreRefused(@ForAll @Size(max = 200) byte[] file) {
        survives(file);
    }

    @Property(tries = 500)
    void anyTextOfAbcIsReadOrSaysWhereItStopped(@ForAll long seed) {
        Random random = new Random(seed);
        StringBuilder text = new StringBuilder("X:1\nK:C\n");
        for (int i = 0; i < random.nextInt(300); i++) {
            text.append(ALPHABET.charAt(random.nextInt(ALPHABET.length())));
        }
        survives(text.toString().getBytes(StandardCharsets.UTF_8));
        try {
            AbcTune tune = AbcReader.read(text.toString());
            assertThat(tune.line().notes()).isNotEmpty();
        } catch (AbcException stopped) {
            assertThat(stopped.line()).isPositive();
            assertThat(stopped.column()).isPositive();
        }
    }

    @Property(tries = 60)
    void paperOfAnySizeIsWrittenAndRead(@ForAll long seed) {
        Random random = new Random(seed);
        List<Integer> beats = random.ints(1 + random.nextInt(8), 1, 13).boxed().toList();
        Passage paper = new PaperPattern(new Meter(4, 4), Fraction.of(1, 4), 1 + random.nextInt(16), beats).toPassage();
        assertThat(AbcReader.read(AbcWriter.write(paper)).passage(paper.beatUnit()))
                .isEqualTo(paper);
    }
}
