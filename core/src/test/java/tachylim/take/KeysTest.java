package tachylim.take;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import tachylim.passage.InstrumentFamily;
import tachylim.take.Measured.Suggested;
import tachylim.take.Measured.Why;
import tachylim.take.Recorded.Found;

/** Sixteen keys, eight a second, as an instrument itself tells them. */
class KeysTest {

    private static final int[] MELODY = {60, 62, 64, 65, 67, 65, 64, 62, 60, 64, 67, 72, 71, 69, 67, 65};
    private static final double INTERVAL = 0.125;
    private static final double START = 2;

    private static Take take() {
        List<Asked> notes = IntStream.range(0, MELODY.length)
                .mapToObj(i -> new Asked(i / 4.0, 0.25, List.of(MELODY[i])))
                .toList();
        return new Take(new float[0], 8_000, notes, 120, START, List.of(), InstrumentFamily.KEYBOARD);
    }

    private static List<Struck> even(double from) {
        return new ArrayList<>(IntStream.range(0, MELODY.length)
                .mapToObj(i -> new Struck(from + i * INTERVAL, MELODY[i], 80, 0))
                .toList());
    }

    private static Struck moved(Struck one, double seconds) {
        return new Struck(one.seconds() + seconds, one.pitch(), one.velocity(), one.channel());
    }

    @Test
    void anEvenPassIsCleanAndItsTimesAreExact() {
        Measured measured = Keys.listen(take(), even(START + 0.03));
        assertThat(measured.verdict()).isEqualTo(Suggested.CLEAN);
        assertThat(measured.onsets())
                .extracting(Onset::note)
                .containsExactlyElementsOf(
                        IntStream.range(0, MELODY.length).boxed().toList());
        assertThat(measured.evenness().orElseThrow()).isLessThan(0.001);
        assertThat(measured.tempoRatio()).isCloseTo(1, within(1e-9));
        assertThat(measured.sure()).isEqualTo(1);
    }

    @Test
    void aLateKeySlipsAtItsPlace() {
        List<Struck> struck = even(START);
        struck.set(9, moved(struck.get(9), 0.045));
        Measured measured = Keys.listen(take(), struck);
        assertThat(measured.why()).isEqualTo(Why.SLIPPED);
        assertThat(measured.where()).hasValue(9);
    }

    @Test
    void aKeyLeftOutIsMissing() {
        List<Struck> struck = even(START);
        struck.remove(6);
        Measured measured = Keys.listen(take(), struck);
        assertThat(measured.missing()).containsExactly(6);
        assertThat(measured.verdict()).isEqualTo(Suggested.ROUGH);
    }

    @Test
    void anotherKeyIsWrongAndNothingElse() {
        List<Struck> struck = even(START);
        struck.set(4, new Struck(struck.get(4).seconds(), 66, 80, 0));
        Measured measured = Keys.listen(take(), struck);
        assertThat(measured.wrong()).containsExactly(4);
        assertThat(measured.missing()).isEmpty();
        assertThat(measured.why()).isEqualTo(Why.WRONG);
    }

    @Test
    void aKeyTouchedBesidesIsNoNote() {
        List<Struck> struck = even(START);
        struck.add(new Struck(START + 5.5 * INTERVAL, 61, 20, 0));
        Measured measured = Keys.listen(take(), struck);
        assertThat(measured.missing()).isEmpty();
        assertThat(measured.onsets()).hasSize(MELODY.length);
    }

    @Test
    void whoStopsOrGoesBackBreaks() {
        List<Struck> stopped = new ArrayList<>(even(START).subList(0, 8));
        even(START + 1.2).subList(8, 16).forEach(stopped::add);
        assertThat(Keys.listen(take(), stopped)).satisfies(measured -> {
            assertThat(measured.why()).isEqualTo(Why.STOPPED);
            assertThat(measured.where()).hasValue(8);
        });
        List<Struck> back = new ArrayList<>(even(START).subList(0, 10));
        even(START + 1).subList(4, 16).forEach(back::add);
        assertThat(Keys.listen(take(), back).why()).isEqualTo(Why.WENT_BACK);
    }

    @Test
    void chordsAreOneNoteAndALackingKeyIsHeard() {
        List<Asked> notes = IntStream.range(0, 8)
                .mapToObj(i -> new Asked(i / 2.0, 0.5, List.of(48 + i, 60 + i)))
                .toList();
        Take take = new Take(new float[0], 8_000, notes, 120, START, List.of(), InstrumentFamily.KEYBOARD);
        List<Struck> struck = new ArrayList<>();
        for (int i = 0; i < 8; i++) {
            struck.add(new Struck(START + i / 4.0, 48 + i, 70, 0));
            struck.add(new Struck(START + i / 4.0 + 0.012, 60 + i, 80, 1));
        }
        assertThat(Keys.listen(take, struck).verdict()).isEqualTo(Suggested.CLEAN);
        assertThat(Hands.together(struck, Hands.by(Hands.Apart.CHANNEL, 0, struck))
                        .orElseThrow())
                .isCloseTo(0.012, within(1e-6));
        assertThat(Hands.together(struck, Hands.by(Hands.Apart.SPLIT, 58, struck))
                        .orElseThrow())
                .isCloseTo(0.012, within(1e-6));
        struck.remove(9);
        assertThat(Keys.listen(take, struck).wrong()).containsExactly(4);
    }

    @Test
    void padsAreARhythmAndTheLaterStickIsTold() {
        List<Struck> struck = IntStream.range(0, MELODY.length)
                .mapToObj(i -> new Struck(START + i * INTERVAL + (i % 2) * 0.01, i % 2 == 0 ? 38 : 40, 90, 9))
                .toList();
        Measured measured = Keys.listen(take(), struck);
        assertThat(measured.wrong()).isEmpty();
        assertThat(measured.missing()).isEmpty();
        assertThat(Hands.inTurn(measured, struck, Hands.by(Hands.Apart.SPLIT, 39, struck))
                        .orElseThrow())
                .isCloseTo(0.01, within(0.001));
        assertThat(Hands.together(struck, Hands.by(Hands.Apart.SPLIT, 39, struck)))
                .isEmpty();
    }

    @Test
    void passesOneAfterAnotherAreFound() {
        List<Struck> struck = Stream.of(0.5, 4.0, 6.2, 30.0)
                .flatMap(from -> even(from).stream())
                .toList();
        List<Found> found = Keys.passes(take(), struck);
        assertThat(found).extracting(Found::seconds).containsExactly(0.5, 4.0, 6.2, 30.0);
        assertThat(found).allMatch(one -> one.measured().verdict() == Suggested.CLEAN);
    }

    @Test
    void aFalseStartIsAPassThatBroke() {
        List<Struck> struck = new ArrayList<>(even(0.5).subList(0, 7));
        struck.addAll(even(3));
        List<Found> found = Keys.passes(take(), struck);
        assertThat(found).extracting(Found::seconds).containsExactly(0.5, 3.0);
        assertThat(found.get(0).measured().verdict()).isEqualTo(Suggested.BROKE);
        assertThat(found.get(1).measured().verdict()).isEqualTo(Suggested.CLEAN);
    }

    @Test
    void anotherTuneAndNothingAreNoPasses() {
        Random random = new Random(3);
        List<Struck> other = IntStream.range(0, 40)
                .mapToObj(i -> new Struck(i * 0.31 + random.nextDouble() * 0.1, 30 + random.nextInt(70), 60, 0))
                .toList();
        assertThat(Keys.listen(take(), other).verdict()).isNotEqualTo(Suggested.CLEAN);
        assertThat(Keys.passes(take(), List.of())).isEmpty();
        assertThat(Keys.listen(take(), List.of()).verdict()).isEqualTo(Suggested.CANNOT_TELL);
    }

    /** Whatever was struck before is none of a pass: its time is told from its own beginning. */
    @ParameterizedTest
    @ValueSource(doubles = {-3, 0, 0.4, 100})
    void movingAllKeysMovesNothingElse(double seconds) {
        List<Struck> struck = even(START);
        struck.set(5, moved(struck.get(5), 0.03));
        Measured here = Keys.listen(take(), struck);
        Measured there = Keys.listen(
                take(), struck.stream().map(one -> moved(one, seconds)).toList());
        assertThat(there.verdict()).isEqualTo(here.verdict());
        assertThat(there.evenness().orElseThrow()).isCloseTo(here.evenness().orElseThrow(), within(1e-9));
    }

    @Test
    void passesOfASetAreHeardOneByOne() {
        List<List<Asked>> passes = IntStream.range(0, 3)
                .mapToObj(pass -> take().notes().stream()
                        .map(note -> new Asked(note.beat() + 4 * pass, note.beats(), note.pitches()))
                        .toList())
                .toList();
        List<Struck> struck = new ArrayList<>();
        struck.addAll(even(START));
        struck.addAll(even(START + 2));
        struck.addAll(even(START + 4));
        struck.remove(20);
        List<Measured> measured = Keys.listen(take(), passes, struck);
        assertThat(measured)
                .extracting(Measured::verdict)
                .containsExactly(Suggested.CLEAN, Suggested.ROUGH, Suggested.CLEAN);
    }

    @Test
    void tooMuchIsRefused() {
        List<Struck> many = IntStream.range(0, Keys.MOST + 1)
                .mapToObj(i -> new Struck(i, 60, 60, 0))
                .toList();
        assertThatThrownBy(() -> Keys.listen(take(), many)).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> new Struck(0, 128, 60, 0)).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> new Struck(0, 60, 0, 0)).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> new Struck(Double.NaN, 60, 1, 0)).isInstanceOf(IllegalArgumentException.class);
    }
}
