package tachylim.notation.midi;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.NavigableMap;
import java.util.Random;
import java.util.Set;
import java.util.TreeMap;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tachylim.notation.midi.MidiReader.Struck;
import tachylim.passage.Meter;

/** Where bar one begins in files that do not say so outright. */
class MidiPickupTest {

    private static final int QUARTER = 480;

    private final TreeMap<Long, Meter> meters = new TreeMap<>();

    private MidiPickup find(List<Struck> notes, Long... marks) {
        return new MidiPickup(QUARTER, meters, Set.of(), Set.of(marks), notes);
    }

    private static List<Struck> quarters(int count) {
        List<Struck> notes = new ArrayList<>();
        for (int i = 0; i < count; i++) {
            notes.add(new Struck((long) i * QUARTER, (long) (i + 1) * QUARTER, 60 + i % 12, 80));
        }
        return notes;
    }

    @ParameterizedTest
    @CsvSource({
        "1/4, 480, 4/4, 480",
        "3/8, 720, 4/4, 720",
        "4/4, 480, 4/4, 480",
        "4/4, 3360, 3/4, 1440",
        "4/4, 3840, 3/4, 0",
        "3/4, 1440, 6/8, 0",
    })
    void aMeterThatChangesSaysWhereBarsAre(String first, long at, String second, long pickup) {
        meters.put(0L, meter(first));
        meters.put(at, meter(second));
        assertThat(find(quarters(40)).ticks()).isEqualTo(pickup);
    }

    private static Meter meter(String text) {
        String[] figures = text.split("/");
        return new Meter(Integer.parseInt(figures[0]), Integer.parseInt(figures[1]));
    }

    @Test
    void marksStandAtBarLines() {
        assertThat(find(quarters(40), 960L, 960L + 1920 * 4).ticks()).isEqualTo(960);
        assertThat(find(quarters(40), 960L, 480L + 1920 * 4).ticks())
                .as("they do not agree")
                .isZero();
    }

    /** A tune of notes from a sixteenth to a half, whose bars begin after {@code pickup} eighths. */
    private static List<Struck> tune(Random random, int pickup, int bar, double accent, double noise) {
        List<Struck> notes = new ArrayList<>();
        int[] values = {1, 2, 2, 2, 4, 4, 3, 8};
        int end = pickup * 2 + 16 * bar;
        int at = 0;
        while (at < end) {
            int next = (at - 2 * pickup + bar * 4) / bar * bar + 2 * pickup - 3 * bar;
            int room = Math.max(1, (next > at ? next : at + bar) - at);
            int value = Math.min(room, values[random.nextInt(values.length)]);
            boolean first = Math.floorMod(at - 2 * pickup, bar) == 0;
            int loud = (int) Math.round(76 + (first ? accent : 0) + random.nextGaussian() * noise);
            long from = (long) at * QUARTER / 4;
            notes.add(new Struck(from, from + (long) value * QUARTER / 4, 60 + random.nextInt(20), loud));
            at += value;
        }
        return notes;
    }

    @Test
    void wherePlayingIsAccentedThePickupIsFoundOrNoneIsMadeUp() {
        int found = 0;
        for (int seed = 0; seed < 600; seed++) {
            int eighths = seed % 6;
            List<Struck> notes = tune(new Random(seed), eighths, 16, 14, 3);
            long ticks = new MidiPickup(QUARTER, new TreeMap<>(), Set.of(), Set.of(), notes).ticks();
            found += ticks == (long) eighths * QUARTER / 2 ? 1 : 0;
        }
        assertThat(found).isGreaterThan(570);
    }

    /** Tunes as they are sung, all as loud: the values of each bar in eighths, the pickup first. */
    @ParameterizedTest
    @CsvSource({
        "4, 4, 2, '2 | 4 4 | 2 2 4 | 6 2 | 4 2 2 | 4 4 | 2 2 2 2 | 6'",
        "3, 4, 2, '2 | 4 2 | 4 2 | 2 2 2 | 4 2 | 4 2 | 2 2 2 | 4 2 | 4'",
        "6, 8, 1, '1 | 2 1 2 1 | 3 2 1 | 2 1 2 1 | 5 1 | 2 1 2 1 | 3 2 1 | 1 1 1 2 1 | 5'",
        "4, 4, 4, '4 | 6 2 | 8 | 6 2 | 4 4 | 6 2 | 8 | 6 2 | 8'",
        "4, 4, 0, '4 4 | 2 2 4 | 6 2 | 8 | 4 4 | 2 2 4 | 6 2 | 8'",
        "3, 4, 0, '4 2 | 4 2 | 2 2 2 | 6 | 4 2 | 4 2 | 2 2 2 | 6'",
        "6, 8, 0, '2 1 2 1 | 3 3 | 2 1 2 1 | 6 | 2 1 2 1 | 3 3 | 1 1 1 2 1 | 6'",
        "2, 4, 1, '1 | 2 1 1 | 2 2 | 1 1 1 1 | 3 1 | 2 1 1 | 2 2 | 1 1 1 1 | 3'",
    })
    void howTheNotesLieTellsThePickupToo(int count, int unit, int eighths, String values) {
        meters.put(0L, new Meter(count, unit));
        List<Struck> notes = new ArrayList<>();
        long at = 0;
        for (String value : values.replace("|", " ").strip().split("\\s+")) {
            long lasts = Long.parseLong(value) * QUARTER / 2;
            notes.add(new Struck(at, at + lasts, 60, 80));
            at += lasts;
        }
        assertThat(find(notes).ticks()).isEqualTo((long) eighths * QUARTER / 2);
    }

    /** One tune in thousands looks by accident as if it had one; these six hundred, always the same, do not. */
    @Property(tries = 600, seed = "20260315")
    void noPickupIsMadeUpWhereNothingSpeaksForOne(@ForAll @IntRange(max = 1_000_000) int seed) {
        NavigableMap<Long, Meter> none = new TreeMap<>();
        List<Struck> notes = tune(new Random(seed), 0, 16, 0, seed % 3 * 6);
        assertThat(new MidiPickup(QUARTER, none, Set.of(), Set.of(), notes).ticks())
                .isZero();
    }
}
