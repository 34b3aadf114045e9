package tachylim.server.record;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;
import tachylim.codec.Codec;
import tachylim.shown.BlockWish;
import tachylim.shown.EventDto;
import tachylim.shown.Moment;
import tachylim.shown.PlanBasis;
import tachylim.shown.PlanWish;
import tachylim.shown.Planned;
import tachylim.shown.RunBasis;
import tachylim.shown.Timeline;
import tools.jackson.databind.json.JsonMapper;

/**
 * What a page and the server tell each other says the same on both sides: every field, set to a value unlike its default, is
 * found again, whether the API's library wrote it and the page's codec reads it, or the other way round.
 */
class BothWaysTest {

    private static final JsonMapper JSON = new JsonMapper();

    static Stream<Arguments> told() {
        return Stream.of(
                Arguments.of(BlockWish.class, BlockWish.CODEC),
                Arguments.of(EventDto.class, EventDto.CODEC),
                Arguments.of(Moment.class, Moment.CODEC),
                Arguments.of(Planned.class, Planned.CODEC),
                Arguments.of(PlanBasis.class, PlanBasis.CODEC),
                Arguments.of(PlanWish.class, PlanWish.CODEC),
                Arguments.of(Timeline.class, Timeline.CODEC),
                Arguments.of(RunBasis.class, RunBasis.CODEC));
    }

    @ParameterizedTest
    @MethodSource("told")
    <R> void whatTheServerWritesThePageReads(Class<R> type, Codec<R> codec) {
        R value = new Filled().of(type);
        assertThat(Documents.read(codec, JSON.writeValueAsString(value))).isEqualTo(value);
    }

    @ParameterizedTest
    @MethodSource("told")
    <R> void whatThePageWritesTheServerReads(Class<R> type, Codec<R> codec) {
        R value = new Filled().of(type);
        assertThat(JSON.readValue(Documents.write(codec, value), type)).isEqualTo(value);
    }

    /** Both write the same names: neither has a field that the other lacks, not even one that is null. */
    @ParameterizedTest
    @MethodSource("told")
    <R> void bothWriteTheSame(Class<R> type, Codec<R> codec) {
        R value = new Filled().of(type);
        assertThat(JSON.readTree(Documents.write(codec, value)))
                .isEqualTo(JSON.readTree(JSON.writeValueAsString(value)));
    }

    @ParameterizedTest
    @MethodSource("told")
    <R> void aFieldThatIsNoSuchThingIsNamed(Class<R> type, Codec<R> codec) {
        Map<?, ?> tree = (Map<?, ?>) codec.write(new Filled().of(type));
        List<Object> plain = new ArrayList<>(tree.keySet());
        plain.removeIf(name -> tree.get(name) instanceof List);
        for (Object name : plain) {
            Map<Object, Object> spoilt = new java.util.LinkedHashMap<>(tree);
            spoilt.put(name, List.of());
            assertThatThrownBy(() -> codec.read(spoilt))
                    .isInstanceOf(IllegalArgumentException.class)
                    .hasMessageStartingWith(name + " ");
        }
    }
}
