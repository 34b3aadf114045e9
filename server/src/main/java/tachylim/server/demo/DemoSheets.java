package tachylim.server.demo;

import java.util.List;
import java.util.Map;
import org.springframework.stereotype.Component;
import tachylim.passage.Mark;
import tachylim.passage.Readiness;
import tachylim.server.account.SignedIn;
import tachylim.server.sheet.ArticulationService;
import tachylim.server.sheet.ChoiceService;
import tachylim.server.sheet.MarkService;
import tachylim.server.sheet.PracticeSheetDtos.MarkWish;
import tachylim.server.sheet.PracticeSheetService;
import tachylim.server.sheet.ReadinessService;
import tachylim.server.sheet.TransitionService;

/** What the demo's player did on the practice sheet: sticks decided, transitions that break, variations chosen, what is ready. */
@Component
class DemoSheets {

    private static final int DECIDED = 62;
    private static final double MINUTES = 8;

    /** Variations were chosen for the last days, today among them. */
    private static final int CHOSEN_DAYS = 3;

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
    private final ArticulationService articulations;
    private final ReadinessService readiness;
    private final TransitionService transitions;
    private final ChoiceService choices;
    private final PracticeSheetService practiceSheet;

    DemoSheets(
            MarkService marks,
            ArticulationService articulations,
            ReadinessService readiness,
            TransitionService transitions,
            ChoiceService choices,
            PracticeSheetService practiceSheet) {
        this.marks = marks;
        this.articulations = articulations;
        this.readiness = readiness;
        this.transitions = transitions;
        this.choices = choices;
        this.practiceSheet = practiceSheet;
    }

    /** What is done on one day to {@code kestrel}, and to the {@code others}, whose sticking alone is decided. */
    void day(SignedIn odile, long kestrel, List<Long> others, int daysAgo) {
        if (daysAgo == DECIDED) {
            decide(odile, kestrel);
            others.forEach(passage -> readiness.set(odile, passage, Readiness.FINGERING_DECIDED, true));
        }
        REACHED.forEach((item, day) -> {
            if (day == daysAgo) {
                readiness.set(odile, kestrel, item, true);
            }
        });
        BREAKS.forEach((transition, days) -> {
            if (days.contains(daysAgo)) {
                transitions.broke(odile, kestrel, transition);
            }
        });
        if (daysAgo < CHOSEN_DAYS) {
            choose(odile, kestrel, daysAgo);
        }
    }

    private void decide(SignedIn odile, long kestrel) {
        for (int note = 0; note < 16; note++) {
            String why = note == 0 ? "right leads up, left takes the low note" : "";
            marks.mark(odile, kestrel, new MarkWish(note, Mark.Kind.STICKING, note % 2 == 0 ? "R" : "L", why, false));
        }
        articulations.want(odile, kestrel, "alternate, right first");
    }

    /** Variations for the day: for today a longer choice that is still to be played. */
    private void choose(SignedIn odile, long kestrel, int daysAgo) {
        choices.choose(odile, kestrel, daysAgo == 0 ? MINUTES : MINUTES / 4);
        if (daysAgo > 0) {
            practiceSheet.view(odile, kestrel).today().forEach(one -> choices.played(odile, kestrel, one.id(), true));
        }
    }
}
