package tachylim.bench;

import java.util.List;
import java.util.concurrent.TimeUnit;
import org.apache.commons.numbers.fraction.Fraction;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;
import tachylim.notation.abc.AbcWriter;
import tachylim.passage.Meter;
import tachylim.passage.PaperPattern;
import tachylim.passage.Passage;
import tachylim.variation.Catalogue;

/** All variations of a passage of 64 notes: wanted in under 50 ms. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Fork(1)
@Warmup(iterations = 3, time = 1)
@Measurement(iterations = 5, time = 1)
public class VariationBenchmark {

    private final Passage passage = new PaperPattern(new Meter(4, 4), Fraction.of(1, 4), 4, List.of(4)).toPassage();

    @Benchmark
    public int variations() {
        return Catalogue.of(passage).size();
    }

    @Benchmark
    public int variationsWrittenForEngraving() {
        return Catalogue.of(passage).values().stream().mapToInt(rendering -> AbcWriter.write(rendering.music()).length()).sum();
    }
}
