package tachylim.server.load;

import java.time.LocalDate;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;
import tachylim.load.Cap;
import tachylim.load.Effort;
import tachylim.load.Limit;
import tachylim.load.Lowest;
import tachylim.server.account.SignedIn;
import tachylim.server.words.StoredReason;
import tachylim.words.Reason;

/** Holds today's caps where they were: they only move down, whatever is taken back, deleted or chosen otherwise. */
@Component
public class HeldCaps {

    /** What an insert of a held cap ends with: of one that is there for the same day the lower stays. */
    public static final String OR_THE_LOWER = """
             on duplicate key update
              why = if(day <> values(day) or cap > values(cap), values(why), why),
              cap = if(day <> values(day) or cap > values(cap), values(cap), cap),
              day = values(day)""";

    private final HeldCapRepository caps;

    HeldCaps(HeldCapRepository caps) {
        this.caps = caps;
    }

    /** The lowest that the caps of a day were when something was about to change them; empty when nothing was yet. */
    Optional<Lowest> lowest(SignedIn who, LocalDate day) {
        Map<Limit.Kind, HeldCap> held = caps.findByAccountIdAndDay(who.accountId(), day).stream()
                .collect(Collectors.toMap(HeldCap::kind, Function.identity()));
        HeldCap effort = held.get(Limit.Kind.EFFORT);
        return Optional.ofNullable(held.get(Limit.Kind.BURST_SECONDS))
                .map(bursts -> new Lowest(
                        Optional.ofNullable(effort)
                                .map(one -> new Cap(Cap.Rule.EARLIER, new Effort(one.cap()), one.why())),
                        new Limit(Limit.Kind.BURST_SECONDS, bursts.cap(), 0, bursts.why())));
    }

    /** Lets no cap of a day be more than it is now. */
    void hold(SignedIn who, LocalDate day, Lowest now) {
        now.effort()
                .ifPresent(
                        cap -> lower(who, Limit.Kind.EFFORT, day, cap.effort().minutes(), cap.why()));
        lower(
                who,
                Limit.Kind.BURST_SECONDS,
                day,
                now.bursts().cap(),
                now.bursts().why());
    }

    private void lower(SignedIn who, Limit.Kind kind, LocalDate day, double cap, Reason why) {
        caps.lower(who.accountId(), kind.name(), day, cap, StoredReason.written(why));
    }
}
