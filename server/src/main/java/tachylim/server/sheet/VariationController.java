package tachylim.server.sheet;

import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.DeleteMapping;
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
import tachylim.server.sheet.PracticeSheetDtos.CauseView;
import tachylim.server.sheet.PracticeSheetDtos.CauseWish;
import tachylim.server.sheet.PracticeSheetDtos.CellDto;
import tachylim.server.sheet.PracticeSheetDtos.ChoiceWish;
import tachylim.server.sheet.PracticeSheetDtos.KeyDto;
import tachylim.server.sheet.PracticeSheetDtos.PlayedWish;
import tachylim.server.sheet.PracticeSheetDtos.PracticeWish;
import tachylim.server.sheet.PracticeSheetDtos.Sheet;
import tachylim.server.sheet.PracticeSheetDtos.Taps;
import tachylim.server.sheet.PracticeSheetDtos.TransitionView;
import tachylim.server.sheet.PracticeSheetDtos.WholeVariation;
import tachylim.server.web.ChangesNoCap;
import tachylim.server.web.Refused;
import tachylim.variation.Cell;
import tachylim.variation.VariationKind;

@RestController
@RequestMapping("/api")
@Tag(name = "variations")
class VariationController {

    private final VariationService variations;
    private final TransitionService transitions;
    private final ChoiceService choices;

    VariationController(VariationService variations, TransitionService transitions, ChoiceService choices) {
        this.variations = variations;
        this.transitions = transitions;
        this.choices = choices;
    }

    @GetMapping("/passages/{id}/variations")
    Sheet sheet(
            @AuthenticationPrincipal SignedIn who,
            @PathVariable long id,
            @RequestParam(required = false) Integer first,
            @RequestParam(required = false) Integer last,
            @RequestParam(required = false) Double bpm,
            @RequestParam(defaultValue = "false") boolean whole) {
        return variations.sheet(who, id, first, last, bpm, whole);
    }

    @GetMapping("/passages/{id}/variations/{key}")
    WholeVariation variation(
            @AuthenticationPrincipal SignedIn who,
            @PathVariable long id,
            @PathVariable String key,
            @RequestParam(required = false) Integer first,
            @RequestParam(required = false) Integer last,
            @RequestParam(required = false) Double bpm) {
        return variations.variation(who, id, key, first, last, bpm);
    }

    /** The key of the variation with a cell of the player's own, written as weights. */
    @GetMapping("/cells")
    KeyDto own(@RequestParam String weights, @RequestParam(defaultValue = "false") boolean stretched) {
        Cell cell = Refused.unlessValid("weights", () -> Cell.parse(weights));
        return new KeyDto((stretched ? VariationKind.STRETCHED : VariationKind.SAME).key(cell));
    }

    /** The cell that was tapped; nothing is kept. */
    @ChangesNoCap("nothing is kept")
    @PostMapping("/cells")
    CellDto tapped(@Valid @RequestBody Taps taps) {
        return new CellDto(Refused.unlessValid("seconds", () -> Cell.tapped(taps.seconds()))
                .toString());
    }

    @GetMapping("/passages/{id}/transitions/{transition}")
    TransitionView transition(
            @AuthenticationPrincipal SignedIn who, @PathVariable long id, @PathVariable int transition) {
        return variations.transition(who, id, transition);
    }

    @PostMapping("/passages/{id}/transitions/{transition}/breaks")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void broke(@AuthenticationPrincipal SignedIn who, @PathVariable long id, @PathVariable int transition) {
        transitions.broke(who, id, transition);
    }

    /** Says why it broke there, and is told how often that was so. */
    @PutMapping("/passages/{id}/transitions/{transition}/breaks/cause")
    CauseView because(
            @AuthenticationPrincipal SignedIn who,
            @PathVariable long id,
            @PathVariable int transition,
            @Valid @RequestBody CauseWish wish) {
        return new CauseView(transitions.because(who, id, transition, wish.cause()));
    }

    /** Takes back the last break noted there. */
    @DeleteMapping("/passages/{id}/transitions/{transition}/breaks")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void notBroke(@AuthenticationPrincipal SignedIn who, @PathVariable long id, @PathVariable int transition) {
        transitions.notBroke(who, id, transition);
    }

    @PostMapping("/passages/{id}/choice")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void choose(@AuthenticationPrincipal SignedIn who, @PathVariable long id, @Valid @RequestBody ChoiceWish wish) {
        choices.choose(who, id, wish.minutes());
    }

    @PutMapping("/passages/{id}/choice/{choiceId}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void played(
            @AuthenticationPrincipal SignedIn who,
            @PathVariable long id,
            @PathVariable long choiceId,
            @Valid @RequestBody PlayedWish wish) {
        choices.played(who, id, choiceId, wish.played());
    }

    /** Counts what was played along with the practice sheet's sound: it is practice like any other. */
    @PostMapping("/passages/{id}/practice")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void practised(
            @AuthenticationPrincipal SignedIn who, @PathVariable long id, @Valid @RequestBody PracticeWish wish) {
        choices.practised(who, id, wish);
    }
}
