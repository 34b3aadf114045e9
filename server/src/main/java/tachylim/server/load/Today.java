package tachylim.server.load;

import java.time.LocalDate;
import java.time.ZoneId;
import java.util.List;
import tachylim.load.Cap;
import tachylim.load.Condition;
import tachylim.load.DayLoad;
import tachylim.load.Limit;
import tachylim.load.SymptomRest;
import tachylim.server.web.ProblemCode;
import tachylim.server.web.Refused;
import tachylim.server.words.Words;
import tachylim.words.Reason;
import tachylim.workout.Allowance;

/**
 * Where a day stands against its limits.
 *
 * @param day the player's day
 * @param ahead what the days from it on are planned by
 * @param zone where it is counted
 * @param done what was done on it
 * @param limits all limits, the binding one first
 * @param caps every rule that caps the effort of it, the one that allows least first
 * @param adviceWanted whether bursts are closed until the player has had advice
 * @param rest the rest after a symptom, or null
 * @param lastPlayed the last day before it on which anything was played; null when there was none
 * @param condition how the player comes to whatever is played next
 * @param spared why today is for easy playing without measuring; nothing to say on other days
 * @param full what is said when the day has no room left; empty while it has
 */
public record Today(
        LocalDate day,
        LoadService.Ahead ahead,
        ZoneId zone,
        DayLoad done,
        List<Limit> limits,
        List<Cap> caps,
        boolean adviceWanted,
        SymptomRest rest,
        LocalDate lastPlayed,
        Condition condition,
        Reason spared,
        String full) {

    public Limit limit(Limit.Kind kind) {
        return limit(limits, kind);
    }

    public Allowance allowance() {
        return Allowance.of(limits);
    }

    private static Limit limit(List<Limit> limits, Limit.Kind kind) {
        return limits.stream().filter(limit -> limit.kind() == kind).findFirst().orElseThrow();
    }

    /** What is said of the rest after a symptom; empty when there is none. */
    public String restSentence() {
        return rest == null ? "" : Words.spoken().say(rest.reason(zone));
    }

    /** What speaks against playing now; empty when nothing does. */
    public String caution() {
        return rest == null ? full : restSentence();
    }

    /** Whether nothing that is played on the pages counts any more: {@link #caution} says why. */
    public boolean closed() {
        return rest != null
                || limits.stream().anyMatch(limit -> limit.kind() != Limit.Kind.BURST_SECONDS && limit.isClosed());
    }

    /** Refuses to let anything be played in the rest after a symptom. */
    public void checkMayPlay() {
        if (rest != null) {
            throw Refused.conflict(ProblemCode.SYMPTOM_REST, rest.reason(zone)).with("until", rest.until());
        }
    }

    public LoadDto dto() {
        return new LoadDto(
                day, limits.stream().map(LimitDto::of).toList(), rest == null ? null : rest.until(), restSentence());
    }
}
