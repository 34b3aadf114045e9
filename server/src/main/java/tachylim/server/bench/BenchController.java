package tachylim.server.bench;

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
import tachylim.server.bench.BenchDtos.ArticulationWish;
import tachylim.server.bench.BenchDtos.ArticulationsWish;
import tachylim.server.bench.BenchDtos.BenchView;
import tachylim.server.bench.BenchDtos.MarkWish;
import tachylim.server.bench.BenchDtos.PlaybackDto;
import tachylim.server.bench.BenchDtos.ReadinessWish;
import tachylim.server.bench.BenchDtos.StitchingWish;

@RestController
@RequestMapping("/api")
@Tag(name = "bench")
class BenchController {

    private final BenchService bench;
    private final MarkService marks;
    private final ReadinessService readiness;
    private final ArticulationService articulations;

    BenchController(
            BenchService bench, MarkService marks, ReadinessService readiness, ArticulationService articulations) {
        this.bench = bench;
        this.marks = marks;
        this.readiness = readiness;
        this.articulations = articulations;
    }

    @GetMapping("/passages/{id}/bench")
    BenchView view(@AuthenticationPrincipal SignedIn who, @PathVariable long id) {
        return bench.view(who, id);
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

    @PutMapping("/passages/{id}/stitching")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void stitch(@AuthenticationPrincipal SignedIn who, @PathVariable long id, @Valid @RequestBody StitchingWish wish) {
        bench.stitch(who, id, wish);
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
        return bench.playback(who, id, variation, first, last, bpm);
    }
}
