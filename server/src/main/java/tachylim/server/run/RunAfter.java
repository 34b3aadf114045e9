package tachylim.server.run;

import java.util.List;
import java.util.Map;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tachylim.server.account.SignedIn;
import tachylim.server.ceiling.Standing;
import tachylim.server.ceiling.StandingService;
import tachylim.server.load.LoadService;
import tachylim.server.load.Today;
import tachylim.server.repertoire.RepertoireService;
import tachylim.server.repertoire.StoredSection;
import tachylim.server.run.RunDtos.AfterSection;
import tachylim.server.run.RunDtos.Repeated;
import tachylim.server.sheet.TransitionService;
import tachylim.server.workout.PlanService;
import tachylim.shown.BandDto;
import tachylim.tempo.Tempo;
import tachylim.workout.Theme;

/** What a workout has moved: of each of its sections the ceiling before and now, where it broke, and where it goes on. */
@Service
class RunAfter {

    private final RunService runs;
    private final PlanService plans;
    private final RepertoireService repertoire;
    private final StandingService standings;
    private final TransitionService transitions;
    private final LoadService load;

    RunAfter(
            RunService runs,
            PlanService plans,
            RepertoireService repertoire,
            StandingService standings,
            TransitionService transitions,
            LoadService load) {
        this.runs = runs;
        this.plans = plans;
        this.repertoire = repertoire;
        this.standings = standings;
        this.transitions = transitions;
        this.load = load;
    }

    /** The sections in the order of the workout; those that were put away since are left out, and so are workouts by other rules. */
    @Transactional(readOnly = true)
    List<AfterSection> of(SignedIn who, long id) {
        StoredRun stored = runs.get(who, id);
        if (!stored.isOfThisEdition()) {
            return List.of();
        }
        Today today = load.today(who);
        List<Theme> themes =
                plans.get(who, stored.workoutId()).workout(Map.of()).brief().themes();
        List<Long> ids = themes.stream().map(stored::sectionOf).toList();
        Map<Long, StoredSection> sections = repertoire.sectionsById(who, ids);
        Map<Long, Standing> known = standings.standings(
                who, sections.values().stream().map(StoredSection::subject).toList(), today.day());
        return themes.stream()
                .filter(theme -> sections.containsKey(stored.sectionOf(theme)))
                .map(theme -> {
                    StoredSection section = sections.get(stored.sectionOf(theme));
                    Standing standing = known.get(section.id());
                    return new AfterSection(
                            section.id(),
                            section.passage().title(),
                            section.part(),
                            BandDto.of(theme.estimate().ceiling()),
                            BandDto.of(standing.estimate().ceiling()),
                            standing.doubted().map(Tempo::bpm).orElse(null),
                            transitions.brokeOn(who, section, stored.day()),
                            transitions.repeated(who, section.passage(), stored.day()).entrySet().stream()
                                    .map(one -> new Repeated(one.getKey(), one.getValue()))
                                    .toList(),
                            plans.opensAt(who, section, standing, today).bpm());
                })
                .toList();
    }
}
