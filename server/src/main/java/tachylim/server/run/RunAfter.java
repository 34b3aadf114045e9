package tachylim.server.run;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tachylim.server.account.SignedIn;
import tachylim.server.ceiling.Standing;
import tachylim.server.ceiling.StandingService;
import tachylim.server.load.LoadService;
import tachylim.server.load.Today;
import tachylim.server.repertoire.PassageDtos.SectionDto;
import tachylim.server.repertoire.PassageEditor;
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
    private final PassageEditor editor;

    RunAfter(
            RunService runs,
            PlanService plans,
            RepertoireService repertoire,
            StandingService standings,
            TransitionService transitions,
            LoadService load,
            PassageEditor editor) {
        this.runs = runs;
        this.plans = plans;
        this.repertoire = repertoire;
        this.standings = standings;
        this.transitions = transitions;
        this.load = load;
        this.editor = editor;
    }

    /** Makes what broke in a workout into sections to work on: those around its transitions, in the order of the music. */
    @Transactional
    List<SectionDto> drills(SignedIn who, long id) {
        StoredRun stored = runs.get(who, id);
        if (!stored.isOfThisEdition()) {
            return List.of();
        }
        List<StoredSection> sections = new ArrayList<>(repertoire
                .sectionsById(
                        who,
                        plans.get(who, stored.workoutId()).workout(Map.of()).brief().themes().stream()
                                .map(stored::sectionOf)
                                .toList())
                .values());
        Map<Long, StoredSection> made = new LinkedHashMap<>();
        for (StoredSection section : sections) {
            for (int note : transitions.brokeOn(who, section, stored.day())) {
                int transition = section.notes().firstNote() + note - 2;
                editor.around(who, section.passage(), transition).ifPresent(drill -> made.put(drill.id(), drill));
            }
        }
        return repertoire.dtos(who, List.copyOf(made.values()));
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
        Map<Long, Standing> known = standings.believed(
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
                            standing.known().formSentence(),
                            transitions.brokeOn(who, section, stored.day()),
                            transitions.repeated(who, section.passage(), stored.day()).entrySet().stream()
                                    .map(one -> new Repeated(one.getKey(), one.getValue()))
                                    .toList(),
                            plans.opensAt(who, section, standing, today).bpm());
                })
                .toList();
    }
}
