package tachylim.server.record;

import jakarta.persistence.AttributeConverter;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.Map;
import tachylim.load.Caution;
import tachylim.task.Ask;
import tachylim.task.PassKind;
import tachylim.task.Verdict;
import tachylim.workout.Done;
import tachylim.workout.Part;
import tachylim.workout.Rest;

/**
 * The names under which values are kept, in columns and documents alike. They are written out here once: renaming a
 * constant in the code changes nothing that is kept. A name never goes away and never gets another meaning.
 */
public final class Kept {

    private Kept() {}

    public static final Names<Part> PART = new Names<>(
            Part.class,
            Map.of(
                    Part.WARM_UP,
                    "WARM_UP",
                    Part.OPENER,
                    "OPENER",
                    Part.PREPARE,
                    "PREPARE",
                    Part.MEASURE,
                    "MEASURE",
                    Part.CORE,
                    "CORE",
                    Part.PERFORM,
                    "PERFORM",
                    Part.STUDY,
                    "STUDY",
                    Part.CLOSER,
                    "CLOSER"));

    public static final Names<PassKind> PASS_KIND = new Names<>(
            PassKind.class,
            Map.of(
                    PassKind.WARM_UP,
                    "WARM_UP",
                    PassKind.CONTROLLED,
                    "CONTROLLED",
                    PassKind.PROBE,
                    "PROBE",
                    PassKind.BURST,
                    "BURST",
                    PassKind.CLOSING,
                    "CLOSING"));

    public static final Names<Verdict> VERDICT =
            new Names<>(Verdict.class, Map.of(Verdict.CLEAN, "CLEAN", Verdict.ROUGH, "ROUGH", Verdict.BROKE, "BROKE"));

    public static final Names<Ask.Kind> ASK = new Names<>(
            Ask.Kind.class,
            Map.of(
                    Ask.Kind.VERDICT,
                    "VERDICT",
                    Ask.Kind.NOTHING,
                    "NOTHING",
                    Ask.Kind.SET,
                    "SET",
                    Ask.Kind.COUNT,
                    "COUNT",
                    Ask.Kind.EDGE,
                    "EDGE",
                    Ask.Kind.SLIPS,
                    "SLIPS",
                    Ask.Kind.MATCH,
                    "MATCH",
                    Ask.Kind.HELD,
                    "HELD"));

    public static final Names<Rest.Reason> REST = new Names<>(
            Rest.Reason.class,
            Map.of(
                    Rest.Reason.RECOVER,
                    "RECOVER",
                    Rest.Reason.CHANGE,
                    "CHANGE",
                    Rest.Reason.BREAK,
                    "BREAK",
                    Rest.Reason.AWAY,
                    "AWAY",
                    Rest.Reason.ASKED,
                    "ASKED"));

    public static final Names<Done.Cause> CAUSE = new Names<>(
            Done.Cause.class,
            Map.of(
                    Done.Cause.PLAYED,
                    "PLAYED",
                    Done.Cause.STOPPED,
                    "STOPPED",
                    Done.Cause.SYMPTOM,
                    "SYMPTOM",
                    Done.Cause.LEFT,
                    "LEFT",
                    Done.Cause.OUTDATED,
                    "OUTDATED"));

    public static final Names<Caution> CAUTION =
            new Names<>(Caution.class, Map.of(Caution.USUAL, "USUAL", Caution.CAUTIOUS, "CAUTIOUS"));

    /** The kept names of an enumeration, one for each of its constants. */
    public static final class Names<E extends Enum<E>> {

        private final Map<E, String> names;
        private final Map<String, E> values = new HashMap<>();

        public Names(Class<E> type, Map<E, String> names) {
            this.names = new EnumMap<>(names);
            names.forEach((value, name) -> values.put(name, value));
            if (this.names.size() != type.getEnumConstants().length || values.size() != names.size()) {
                throw new IllegalStateException("Each of " + type + " needs a name of its own to be kept under");
            }
        }

        public String name(E value) {
            return names.get(value);
        }

        /**
         * The value kept under {@code name}.
         *
         * @throws IllegalArgumentException if nothing was ever kept under it
         */
        public E value(String name) {
            E value = values.get(name);
            if (value == null) {
                throw new IllegalArgumentException("Nothing is kept under the name " + name);
            }
            return value;
        }
    }

    /** Keeps an enumeration in a column under its kept names. */
    public abstract static class Column<E extends Enum<E>> implements AttributeConverter<E, String> {

        private final Names<E> names;

        protected Column(Names<E> names) {
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
    }

    public static final class PartName extends Column<Part> {
        public PartName() {
            super(PART);
        }
    }

    public static final class PassKindName extends Column<PassKind> {
        public PassKindName() {
            super(PASS_KIND);
        }
    }

    public static final class VerdictName extends Column<Verdict> {
        public VerdictName() {
            super(VERDICT);
        }
    }

    public static final class CauseName extends Column<Done.Cause> {
        public CauseName() {
            super(CAUSE);
        }
    }
}
