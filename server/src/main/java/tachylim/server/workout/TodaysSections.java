package tachylim.server.workout;

import java.time.LocalDate;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;
import tachylim.server.account.SignedIn;
import tachylim.server.ceiling.Passes;
import tachylim.server.repertoire.RepertoireService;
import tachylim.server.repertoire.StoredSection;
import tachylim.workout.SectionLeft;

/**
 * What today still has of each section. Passes count for the notes that were played: a section cut anew, or a copy of a passage,
 * begins where the other left off.
 */
@Component
class TodaysSections {

    private final Passes passes;
    private final RepertoireService repertoire;

    TodaysSections(Passes passes, RepertoireService repertoire) {
        this.passes = passes;
        this.repertoire = repertoire;
    }

    /** What is left of some sections that are to be played in one workout. */
    Map<Long, SectionLeft> left(SignedIn who, List<StoredSection> sections, LocalDate day) {
        List<Passes.Had> had = passes.had(who, day);
        Map<Long, StoredSection> played = had.isEmpty()
                ? Map.of()
                : repertoire
                        .sectionsById(
                                who, had.stream().map(Passes.Had::sectionId).toList())
                        .values()
                        .stream()
                        .collect(Collectors.toMap(StoredSection::id, Function.identity()));
        Map<Long, SectionLeft> left = new HashMap<>();
        for (StoredSection section : sections) {
            List<SectionLeft.Had> today = had.stream()
                    .map(one -> new SectionLeft.Had(
                            shared(section, played.get(one.sectionId())),
                            one.passes().intValue(),
                            one.probes().intValue()))
                    .toList();
            int sharing = (int) sections.stream()
                    .filter(other -> isMostly(shared(section, other)))
                    .count();
            left.put(
                    section.id(),
                    SectionLeft.after(section.notes().size(), today).shared(Math.max(1, sharing)));
        }
        return left;
    }

    private boolean[] shared(StoredSection section, StoredSection other) {
        if (section.id().equals(other.id())) {
            boolean[] all = new boolean[section.notes().size()];
            Arrays.fill(all, true);
            return all;
        }
        return Arrays.copyOf(repertoire.shared(section, other), section.notes().size());
    }

    private static boolean isMostly(boolean[] shared) {
        int notes = 0;
        for (boolean one : shared) {
            notes += one ? 1 : 0;
        }
        return 2 * notes >= shared.length;
    }
}
