package tachylim.server.words;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import tachylim.words.Reason;

/** Reasons in columns. */
class StoredReasonTest {

    private final StoredReason stored = new StoredReason();

    @Test
    void aReasonReadsBackWithItsParts() {
        Reason reason = Reason.of("cap.onlyDown", "why", Reason.of("cap.own", "minutes", 40));
        assertThat(stored.convertToEntityAttribute(stored.convertToDatabaseColumn(reason)))
                .isEqualTo(reason);
        assertThat(stored.convertToDatabaseColumn(Reason.NONE)).isEmpty();
        assertThat(stored.convertToEntityAttribute("")).isEqualTo(Reason.NONE);
        assertThat(stored.convertToDatabaseColumn(null)).isNull();
        assertThat(stored.convertToEntityAttribute(null)).isNull();
    }

    @ParameterizedTest
    @ValueSource(strings = {"taken back", "{", "{}", "{\"code\":\"a\"}", "{\"code\":1,\"values\":{}}"})
    void whatIsNoReasonIsSaidAsItStands(String column) {
        assertThat(stored.convertToEntityAttribute(column)).isEqualTo(Reason.text(column));
    }
}
