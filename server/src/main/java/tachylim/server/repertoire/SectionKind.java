package tachylim.server.repertoire;

import java.util.Map;
import tachylim.codec.Names;
import tachylim.server.record.EnumColumn;

/** What a section is to its passage. */
public enum SectionKind {
    /** One of the sections it is cut into. */
    SECTION,
    /** Neighbouring sections played as one. */
    JOIN,
    /** A transition with what stands around it. */
    DRILL;

    /** The names under which they are stored. */
    static final class Name extends EnumColumn<SectionKind> {

        Name() {
            super(new Names<>(SectionKind.class, Map.of(SECTION, "PIECE", JOIN, "JOIN", DRILL, "DRILL")));
        }
    }
}
