package tachylim.server.demo;

import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.List;
import java.util.Map;
import org.springframework.stereotype.Component;
import tachylim.passage.Mark;
import tachylim.passage.Readiness;
import tachylim.server.account.SignedIn;
import tachylim.server.bench.BenchDtos.MarkWish;
import tachylim.server.bench.MarkService;
import tachylim.server.bench.ModeService;
import tachylim.server.bench.ReadinessService;
import tachylim.server.bench.VariantService;

/** What the demo's player did on the bench: sticks decided, links that break, versions chosen, what is ready. */
@Component
class DemoBench {

    private static final int DECIDED = 62;
    private static final double MINUTES = 8;

    /** The turn over the bar line and the flat, where Kestrel Weather breaks, and how many days ago it did. */
    private static final Map<Integer, List<Integer>> BREAKS =
            Map.of(18, List.of(2, 5, 9), 35, List.of(1, 2, 4, 6), 36, List.of(3), 46, List.of(12));

    private static final Map<Readiness, Integer> REACHED = Map.of(
            Readiness.FINGERING_DECIDED,
            DECIDED,
            Readiness.ARTICULATION_DECIDED,
            58,
            Readiness.BREATHS_FIXED,
            58,
            Readiness.COUNTED,
            60,
            Readiness.SLOW_AND_CLEAN,
            3,
            Readiness.IN_PAIRS,
            2);

    private final MarkService marks;
    private final ModeService modes;
    private final ReadinessService readiness;
    private final VariantService variants;

    DemoBench(MarkService marks, ModeService modes, ReadinessService readiness, VariantService variants) {
        this.marks = marks;
        this.modes = modes;
        this.readiness = readiness;
        this.variants = variants;
    }

    /** Prepares {@code kestrel} as if over the ten weeks, and decides only the sticking of the {@code others}. */
    void prepare(SignedIn odile, long kestrel, List<Long> others, LocalDate today, ZoneId zone) {
        var decided = today.minusDays(DECIDED)
                .atTime(LocalTime.of(18, 20))
                .atZone(zone)
                .toInstant();
        for (int note = 0; note < 16; note++) {
            String why = note == 0 ? "right leads up, left takes the low note" : "";
            marks.mark(
                    odile,
                    kestrel,
                    new MarkWish(note, Mark.Kind.STICKING, note % 2 == 0 ? "R" : "L", why, false),
                    decided);
        }
        modes.want(odile, kestrel, "alternate, right first");
        REACHED.forEach((item, daysAgo) -> readiness.set(odile, kestrel, item, true, today.minusDays(daysAgo)));
        BREAKS.forEach((link, days) ->
                days.forEach(daysAgo -> variants.broke(odile, kestrel, link, today.minusDays(daysAgo))));
        for (int daysAgo = 2; daysAgo >= 0; daysAgo--) {
            LocalDate day = today.minusDays(daysAgo);
            variants.choose(odile, kestrel, daysAgo == 0 ? MINUTES : MINUTES / 4, day);
            if (daysAgo > 0) {
                variants.playedAll(odile, kestrel, day);
            }
        }
        others.forEach(
                passage -> readiness.set(odile, passage, Readiness.FINGERING_DECIDED, true, today.minusDays(DECIDED)));
    }
}
