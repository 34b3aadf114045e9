package tachylim.server.workout;

import com.fasterxml.jackson.annotation.JsonProperty;
import java.util.Optional;
import tachylim.shown.BlockWish;
import tachylim.shown.PlanWish;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.DeserializationFeature;
import tools.jackson.databind.json.JsonMapper;

/** How what was wished of a workout is stored: under the names of the first release. */
public final class StoredWish {

    /** What was stored before there was a choice is as if it had not been chosen. */
    private static final JsonMapper JSON = JsonMapper.builder()
            .disable(DeserializationFeature.FAIL_ON_NULL_FOR_PRIMITIVES)
            .disable(DeserializationFeature.FAIL_ON_UNKNOWN_PROPERTIES)
            .addMixIn(PlanWish.class, Stored.class)
            .addMixIn(BlockWish.class, StoredBlock.class)
            .build();

    private interface Stored {

        @JsonProperty("pieceId")
        long sectionId();
    }

    private interface StoredBlock {

        @JsonProperty("version")
        String variation();
    }

    private StoredWish() {}

    public static String written(PlanWish wish) {
        return JSON.writeValueAsString(wish);
    }

    /** Empty where it cannot be read any more, because a method or a part has gone. */
    public static Optional<PlanWish> read(String stored) {
        try {
            return Optional.of(JSON.readValue(stored, PlanWish.class));
        } catch (JacksonException gone) {
            return Optional.empty();
        }
    }
}
