package tachylim.server.run;

import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import java.util.List;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import tachylim.server.account.SignedIn;
import tachylim.server.repertoire.PassageDtos.SectionDto;
import tachylim.server.run.RunDtos.AfterSection;
import tachylim.server.run.RunDtos.Beginning;
import tachylim.server.run.RunDtos.EventWish;
import tachylim.server.run.RunDtos.HeardRun;
import tachylim.server.run.RunDtos.NoteWish;
import tachylim.server.run.RunDtos.RatingWish;
import tachylim.server.run.RunDtos.RunView;
import tachylim.server.run.RunDtos.TakeOver;
import tachylim.server.web.ChangesNoCap;
import tachylim.server.workout.Drafting;
import tachylim.shown.RunBasis;

@RestController
@RequestMapping("/api/runs")
@Tag(name = "run")
class RunController {

    private final RunService runs;
    private final RunBases scores;
    private final RunAfter after;
    private final Drafting drafting;

    RunController(RunService runs, RunBases scores, RunAfter after, Drafting drafting) {
        this.drafting = drafting;
        this.runs = runs;
        this.scores = scores;
        this.after = after;
    }

    @PostMapping
    @ResponseStatus(HttpStatus.CREATED)
    @ChangesNoCap("what is begun takes of what there is")
    RunView begin(@AuthenticationPrincipal SignedIn who, @Valid @RequestBody Beginning beginning) {
        long id = drafting.inTurn(() -> runs.begin(who, beginning.plan(), beginning.holder(), beginning.ending()));
        return runs.view(who, id, beginning.holder());
    }

    @GetMapping("/{id}")
    RunView get(@AuthenticationPrincipal SignedIn who, @PathVariable long id, @RequestParam String holder) {
        return runs.view(who, id, holder);
    }

    @GetMapping("/{id}/score")
    RunBasis score(@AuthenticationPrincipal SignedIn who, @PathVariable long id) {
        return scores.of(who, id);
    }

    /** Makes what broke in a run into sections to work on; the same ones when it is asked again. */
    @ChangesNoCap("nothing is played")
    @PostMapping("/{id}/drills")
    List<SectionDto> drills(@AuthenticationPrincipal SignedIn who, @PathVariable long id) {
        return after.drills(who, id);
    }

    @GetMapping("/{id}/after")
    List<AfterSection> after(@AuthenticationPrincipal SignedIn who, @PathVariable long id) {
        return after.of(who, id);
    }

    @GetMapping("/{id}/events")
    HeardRun heard(@AuthenticationPrincipal SignedIn who, @PathVariable long id) {
        return scores.heard(who, id);
    }

    @PostMapping("/{id}/events")
    @ChangesNoCap("what is played takes of what there is; what comes late is held where it is kept")
    RunView record(@AuthenticationPrincipal SignedIn who, @PathVariable long id, @Valid @RequestBody EventWish event) {
        return runs.record(who, id, event);
    }

    @PostMapping("/{id}/holder")
    @ChangesNoCap("another window, the same workout")
    RunView takeOver(@AuthenticationPrincipal SignedIn who, @PathVariable long id, @Valid @RequestBody TakeOver wish) {
        runs.takeOver(who, id, wish.holder());
        return runs.view(who, id, wish.holder());
    }

    /** How hard a workout felt, once it is over, on its own day. */
    @PutMapping("/{id}/rating")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void felt(@AuthenticationPrincipal SignedIn who, @PathVariable long id, @Valid @RequestBody RatingWish wish) {
        runs.felt(who, id, wish.rating());
    }

    @PutMapping("/{id}/note")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    @ChangesNoCap("words")
    void note(@AuthenticationPrincipal SignedIn who, @PathVariable long id, @Valid @RequestBody NoteWish wish) {
        runs.note(who, id, wish.note());
    }
}
