package tachylim.server.take;

import java.time.LocalDate;
import tachylim.passage.InstrumentFamily;

/**
 * Which pass was measured.
 *
 * @param runId the workout; null where it was played elsewhere
 * @param music which edition of the passage's notes it was
 * @param firstNote which note of the passage its first is
 * @param notes how many it has, once round
 * @param way in which variation or other way; empty when as written
 * @param tempo of the section as written, in BPM
 */
public record MeasuredPlace(
        Long runId,
        int ordinal,
        long sectionId,
        long passageId,
        int music,
        LocalDate day,
        InstrumentFamily instrument,
        int firstNote,
        int notes,
        String way,
        double tempo) {}
