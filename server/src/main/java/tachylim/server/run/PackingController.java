package tachylim.server.run;

import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import tachylim.server.account.SignedIn;
import tachylim.server.run.RunDtos.BegunAway;
import tachylim.server.run.RunDtos.PackedDto;
import tachylim.server.run.RunDtos.RunView;
import tachylim.server.web.ChangesNoCap;
import tachylim.server.workout.Drafting;
import tachylim.shown.PlanWish;

/** Workouts that are taken along, and begun where there is no network. */
@RestController
@RequestMapping("/api/packed")
@Tag(name = "run")
class PackingController {

    private final PackingService packing;
    private final RunService runs;
    private final Drafting drafting;

    PackingController(PackingService packing, RunService runs, Drafting drafting) {
        this.packing = packing;
        this.runs = runs;
        this.drafting = drafting;
    }

    @PostMapping
    @ResponseStatus(HttpStatus.CREATED)
    @ChangesNoCap("nothing is begun")
    PackedDto pack(@AuthenticationPrincipal SignedIn who, @Valid @RequestBody PlanWish plan) {
        return drafting.inTurn(() -> packing.pack(who, plan));
    }

    /** The run of a packed workout: begun when it was, and once, however often it is asked for. */
    @PostMapping("/{id}/run")
    @ChangesNoCap("what was begun takes of what there was")
    RunView begun(@AuthenticationPrincipal SignedIn who, @PathVariable long id, @Valid @RequestBody BegunAway begun) {
        return runs.view(who, packing.begun(who, id, begun.holder(), begun.secondsAgo()), begun.holder());
    }
}
