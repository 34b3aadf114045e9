package tachylim.server.record;

import jakarta.persistence.AttributeConverter;
import tachylim.codec.Names;
import tachylim.record.StoredNames;
import tachylim.task.PassKind;
import tachylim.task.Verdict;
import tachylim.workout.Done;
import tachylim.workout.Part;

/** Stores an enumeration in a column under its stored names. */
public abstract class EnumColumn<E extends Enum<E>> implements AttributeConverter<E, String> {

    private final Names<E> names;

    protected EnumColumn(Names<E> names) {
        this.names = names;
    }

    @Override
    public String convertToDatabaseColumn(E value) {
        return value == null ? null : names.name(value);
    }

    @Override
    public E convertToEntityAttribute(String name) {
        return name == null ? null : names.value(name);
    }

    public static final class PartName extends EnumColumn<Part> {
        public PartName() {
            super(StoredNames.PART);
        }
    }

    public static final class PassKindName extends EnumColumn<PassKind> {
        public PassKindName() {
            super(StoredNames.PASS_KIND);
        }
    }

    public static final class VerdictName extends EnumColumn<Verdict> {
        public VerdictName() {
            super(StoredNames.VERDICT);
        }
    }

    public static final class CauseName extends EnumColumn<Done.Cause> {
        public CauseName() {
            super(StoredNames.CAUSE);
        }
    }
}
