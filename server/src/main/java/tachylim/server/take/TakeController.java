package tachylim.server.take;

import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import jakarta.validation.constraints.DecimalMax;
import jakarta.validation.constraints.DecimalMin;
import java.util.List;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import tachylim.passage.InstrumentFamily;
import tachylim.server.account.SignedIn;
import tachylim.server.take.TakeDtos.EvenUpTo;
import tachylim.server.take.TakeDtos.EvennessDto;
import tachylim.server.take.TakeDtos.PassageWeek;
import tachylim.server.take.TakeDtos.RecordingWish;
import tachylim.server.take.TakeDtos.SectionToHear;
import tachylim.server.take.TakeDtos.TrustDto;
import tachylim.take.Confusion;
import tachylim.tempo.Tempo;

@RestController
@RequestMapping("/api/takes")
@Tag(name = "takes")
class TakeController {

    private final TakeService takes;
    private final RecordingService recordings;

    TakeController(TakeService takes, RecordingService recordings) {
        this.takes = takes;
        this.recordings = recordings;
    }

    /** Up to which tempo a section is even. */
    @GetMapping("/sections/{sectionId}/even")
    EvenUpTo evenUpTo(@AuthenticationPrincipal SignedIn who, @PathVariable long sectionId) {
        return takes.evenUpTo(who, sectionId);
    }

    /** How even passages were this week. */
    @GetMapping("/week")
    List<PassageWeek> week(@AuthenticationPrincipal SignedIn who) {
        return takes.week(who);
    }

    /** What is to be heard in a recording of a section. */
    @GetMapping("/sections/{sectionId}")
    SectionToHear toHear(
            @AuthenticationPrincipal SignedIn who,
            @PathVariable long sectionId,
            @RequestParam
                    @DecimalMin(value = "" + Tempo.MIN, message = Tempo.RANGE)
                    @DecimalMax(value = "" + Tempo.MAX, message = Tempo.RANGE)
                    double tempo) {
        return recordings.toHear(who, sectionId, tempo);
    }

    /** Keeps what was measured of a recording: figures, never the sound. */
    @PostMapping("/recordings")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void keep(@AuthenticationPrincipal SignedIn who, @Valid @RequestBody RecordingWish wish) {
        recordings.keep(who, wish);
    }

    /** How even a passage was, over its last weeks. */
    @GetMapping("/evenness/{passageId}")
    EvennessDto evenness(@AuthenticationPrincipal SignedIn who, @PathVariable long passageId) {
        return takes.evenness(who, passageId);
    }

    /** How far the microphone is trusted on an instrument. */
    @GetMapping("/trust/{instrument}")
    TrustDto trust(@AuthenticationPrincipal SignedIn who, @PathVariable InstrumentFamily instrument) {
        Confusion confusion = takes.confusion(who, instrument);
        return new TrustDto(confusion.takes(), Confusion.ENOUGH, confusion.mayRaise(), confusion.counts());
    }
}
