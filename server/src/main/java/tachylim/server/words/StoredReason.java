package tachylim.server.words;

import jakarta.persistence.AttributeConverter;
import tachylim.server.record.Documents;
import tachylim.words.Reason;
import tools.jackson.core.JacksonException;

/** A reason in a column: its document, or an empty text; of rows that hold anything else, what they hold. */
public final class StoredReason implements AttributeConverter<Reason, String> {

    @Override
    public String convertToDatabaseColumn(Reason reason) {
        return reason == null ? null : written(reason);
    }

    @Override
    public Reason convertToEntityAttribute(String column) {
        if (column == null) {
            return null;
        }
        try {
            return column.startsWith("{") ? Documents.read(Reason.CODEC, column) : Reason.text(column);
        } catch (IllegalArgumentException | JacksonException noReason) {
            return Reason.text(column);
        }
    }

    /** A reason as it stands in a column. */
    public static String written(Reason reason) {
        return reason.saysNothing() ? "" : Documents.write(Reason.CODEC, reason);
    }
}
