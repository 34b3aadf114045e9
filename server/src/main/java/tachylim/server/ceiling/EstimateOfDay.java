package tachylim.server.ceiling;

import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.Optional;
import tachylim.ceiling.TensionCurve;
import tachylim.tempo.Tempo;

/**
 * What a belief said when its section was last played, without the belief.
 *
 * @param day the day it was played
 * @param passes the evidence it rests on
 * @param estimate what it said
 * @param alert the tempo above which tension says that it is no longer comfortable, in BPM; null where it does not say so
 * @param feltKept whether that was kept; otherwise it is not known what tension says
 * @param doubted the ceiling that is in doubt, in BPM; null where none is
 */
record EstimateOfDay(
        Long sectionId,
        LocalDate day,
        double passes,
        StoredEstimate estimate,
        Double alert,
        boolean feltKept,
        Double doubted) {

    /** The ceiling that what was heard does not fit, until it is said why. */
    Optional<Tempo> doubtedCeiling() {
        return Optional.ofNullable(doubted).map(Tempo::of);
    }

    /** What was felt is of today for so long only. */
    Optional<Tempo> alertOn(LocalDate today) {
        return Optional.ofNullable(alert)
                .filter(at -> ChronoUnit.DAYS.between(day, today) <= TensionCurve.DAYS)
                .map(Tempo::of);
    }
}
