package tachylim.server.sheet;

import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import tachylim.passage.InstrumentFamily;
import tachylim.server.account.SignedIn;
import tachylim.server.sheet.PracticeSheetDtos.ArticulationWish;
import tachylim.server.sheet.PracticeSheetDtos.ArticulationsWish;
import tachylim.server.sheet.PracticeSheetDtos.JoiningWish;
import tachylim.server.sheet.PracticeSheetDtos.MarkWish;
import tachylim.server.sheet.PracticeSheetDtos.PlaybackDto;
import tachylim.server.sheet.PracticeSheetDtos.PracticeSheetDto;
import tachylim.server.sheet.PracticeSheetDtos.ReadinessWish;

@RestController
@RequestMapping("/api")
@Tag(name = "practiceSheet")
class PracticeSheetController {

    private final PracticeSheetService practiceSheet;
    private final MarkService marks;
    private final ReadinessService readiness;
    private final ArticulationService articulations;

    PracticeSheetController(
            PracticeSheetService practiceSheet,
            MarkService marks,
            ReadinessService readiness,
            ArticulationService articulations) {
        this.practiceSheet = practiceSheet;
        this.marks = marks;
        this.readiness = readiness;
        this.articulations = articulations;
    }

    @GetMapping("/passages/{id}/practice-sheet")
    PracticeSheetDto view(@AuthenticationPrincipal SignedIn who, @PathVariable long id) {
        return practiceSheet.view(who, id);
    }

    @PutMapping("/passages/{id}/marks")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void mark(@AuthenticationPrincipal SignedIn who, @PathVariable long id, @Valid @RequestBody MarkWish wish) {
        marks.mark(who, id, wish);
    }

    @PutMapping("/passages/{id}/readiness")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void ready(@AuthenticationPrincipal SignedIn who, @PathVariable long id, @Valid @RequestBody ReadinessWish wish) {
        readiness.set(who, id, wish.item(), wish.reached());
    }

    @PutMapping("/passages/{id}/joining")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void joinSections(
            @AuthenticationPrincipal SignedIn who, @PathVariable long id, @Valid @RequestBody JoiningWish wish) {
        practiceSheet.joinSections(who, id, wish);
    }

    @PutMapping("/passages/{id}/articulation")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void want(@AuthenticationPrincipal SignedIn who, @PathVariable long id, @Valid @RequestBody ArticulationWish wish) {
        articulations.want(who, id, wish.articulation());
    }

    @PutMapping("/articulations/{instrument}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void change(
            @AuthenticationPrincipal SignedIn who,
            @PathVariable InstrumentFamily instrument,
            @Valid @RequestBody ArticulationsWish wish) {
        articulations.change(who, instrument, wish.names());
    }

    /** A stretch of a passage, plain or in a variation, as it sounds. */
    @GetMapping("/passages/{id}/playback")
    PlaybackDto playback(
            @AuthenticationPrincipal SignedIn who,
            @PathVariable long id,
            @RequestParam(required = false) String variation,
            @RequestParam(required = false) Integer first,
            @RequestParam(required = false) Integer last,
            @RequestParam double bpm) {
        return practiceSheet.playback(who, id, variation, first, last, bpm);
    }
}
