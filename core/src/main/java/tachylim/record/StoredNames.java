package tachylim.record;

import java.util.Map;
import tachylim.codec.Names;
import tachylim.load.Caution;
import tachylim.take.Measured;
import tachylim.task.Ask;
import tachylim.task.PassKind;
import tachylim.task.Verdict;
import tachylim.workout.Done;
import tachylim.workout.Part;
import tachylim.workout.Rest;

/** The names under which values are stored, in columns and documents alike, written out once. */
public final class StoredNames {

    private StoredNames() {}

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
                    "HELD",
                    Ask.Kind.LOOSE,
                    "LOOSE"));

    public static final Names<Rest.Purpose> REST = new Names<>(
            Rest.Purpose.class,
            Map.of(
                    Rest.Purpose.RECOVER,
                    "RECOVER",
                    Rest.Purpose.CHANGE,
                    "CHANGE",
                    Rest.Purpose.BREAK,
                    "BREAK",
                    Rest.Purpose.AWAY,
                    "AWAY",
                    Rest.Purpose.ASKED,
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

    public static final Names<Measured.Suggested> MEASURED = new Names<>(
            Measured.Suggested.class,
            Map.of(
                    Measured.Suggested.CLEAN,
                    "CLEAN",
                    Measured.Suggested.ROUGH,
                    "ROUGH",
                    Measured.Suggested.BROKE,
                    "BROKE",
                    Measured.Suggested.CANNOT_TELL,
                    "CANNOT_TELL"));

    public static final Names<Measured.Why> WHY_MEASURED = new Names<>(
            Measured.Why.class,
            Map.ofEntries(
                    Map.entry(Measured.Why.EVEN, "EVEN"),
                    Map.entry(Measured.Why.SLIPPED, "SLIPPED"),
                    Map.entry(Measured.Why.UNEVEN, "UNEVEN"),
                    Map.entry(Measured.Why.RUSHED, "RUSHED"),
                    Map.entry(Measured.Why.DRAGGED, "DRAGGED"),
                    Map.entry(Measured.Why.MISSING, "MISSING"),
                    Map.entry(Measured.Why.AGAIN, "AGAIN"),
                    Map.entry(Measured.Why.WRONG, "WRONG"),
                    Map.entry(Measured.Why.STOPPED, "STOPPED"),
                    Map.entry(Measured.Why.WENT_BACK, "WENT_BACK"),
                    Map.entry(Measured.Why.LEFT_OFF, "LEFT_OFF"),
                    Map.entry(Measured.Why.MANY_SLIPS, "MANY_SLIPS"),
                    Map.entry(Measured.Why.TOO_QUIET, "TOO_QUIET"),
                    Map.entry(Measured.Why.NOT_THIS, "NOT_THIS"),
                    Map.entry(Measured.Why.TOO_COARSE, "TOO_COARSE")));
}
