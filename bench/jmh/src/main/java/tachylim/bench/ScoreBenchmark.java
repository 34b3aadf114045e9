package tachylim.bench;

import tachylim.notation.score.Wishes;

import java.nio.charset.StandardCharsets;
import java.util.concurrent.TimeUnit;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;
import tachylim.notation.Format;

/**
 * A score of 200 pages read in: wanted in under 3 s within 512 MB, the first as the first file of the day and the
 * second after it. The binding is built beforehand, as the server does behind its start; what it takes is measured too.
 */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.SingleShotTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Fork(value = 3, jvmArgs = "-Xmx512m")
@Warmup(iterations = 0)
@Measurement(iterations = 2)
public class ScoreBenchmark {

    private static final int PAGES = 200;
    private static final int BARS_A_PAGE = 20;
    private static final int PARTS = 4;
    private static final int NOTES_A_BAR = 8;

    private byte[] score;

    @Setup
    public void write() {
        StringBuilder xml = new StringBuilder("<?xml version=\"1.0\" encoding=\"UTF-8\"?>\n<score-partwise version=\"4.0\"><part-list>");
        for (int part = 1; part <= PARTS; part++) {
            xml.append("<score-part id=\"P").append(part).append("\"><part-name>Part ").append(part).append("</part-name></score-part>");
        }
        xml.append("</part-list>");
        for (int part = 1; part <= PARTS; part++) {
            xml.append("<part id=\"P").append(part).append("\">");
            for (int bar = 1; bar <= PAGES * BARS_A_PAGE; bar++) {
                xml.append("<measure number=\"").append(bar).append("\">");
                if (bar == 1) {
                    xml.append("<attributes><divisions>2</divisions><key><fifths>1</fifths></key>"
                            + "<time><beats>4</beats><beat-type>4</beat-type></time></attributes>");
                }
                for (int note = 0; note < NOTES_A_BAR; note++) {
                    xml.append("<note><pitch><step>").append("CDEFGAB".charAt((bar + note) % 7)).append("</step><octave>4</octave></pitch>"
                            + "<duration>1</duration><voice>1</voice><type>eighth</type></note>");
                }
                xml.append("</measure>");
            }
            xml.append("</part>");
        }
        score = xml.append("</score-partwise>").toString().getBytes(StandardCharsets.UTF_8);
        long before = System.nanoTime();
        Format.prepare();
        System.out.printf("(the binding took %d ms) ", (System.nanoTime() - before) / 1_000_000);
    }

    @Benchmark
    public int twoHundredPages() {
        return Format.read(score, Wishes.NONE).lines().size();
    }
}
