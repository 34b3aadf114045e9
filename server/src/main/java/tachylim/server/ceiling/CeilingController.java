package tachylim.server.ceiling;

import io.swagger.v3.oas.annotations.media.Schema;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.time.LocalDate;
import java.util.List;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import tachylim.ceiling.Forecast;
import tachylim.server.account.SignedIn;
import tachylim.shown.BandDto;
import tachylim.shown.EstimateDto;
import tachylim.task.PassKind;
import tachylim.task.Verdict;
import tachylim.words.Reason;

@RestController
@RequestMapping("/api")
@Tag(name = "ceiling")
class CeilingController {

    private final CeilingService ceilings;

    CeilingController(CeilingService ceilings) {
        this.ceilings = ceilings;
    }

    /** The chance of a clean pass at a tempo, with its 80% interval. */
    record CurvePoint(double tempo, double clean, double low, double high) {}

    /** All passes of a kind at a tempo. */
    record TryDto(double tempo, PassKind kind, long clean, long rough, long broke) {}

    record HistoryDay(
            LocalDate day,
            double comfortable,
            double ceiling,
            double low,
            double high,
            double breakdown,
            double smoothed,
            int probes) {}

    /** Tempos that go wrong more often than faster ones; shares from 0 to 1. */
    record AwkwardDto(double from, double to, int passes, double clean, double cleanAbove) {}

    /** A part of the passage and how fast it is; of those it is cut into, and of joins and transitions played on their own. */
    record PartDto(long sectionId, String name, boolean cut, EstimateDto estimate) {}

    /** How fast the whole passage may run, and which of its parts holds it back. */
    record WholeDto(double tempo, long weakest, List<PartDto> parts) {}

    /** How fast a section is in an articulation, by so many of its passes. */
    record ArticulationDto(String name, int passes, EstimateDto estimate) {}

    /** A ceiling test and what it found. */
    record TestDto(long runId, LocalDate day, int passes, EstimateDto estimate) {}

    record ConePoint(LocalDate day, double low, double middle, double high) {}

    /**
     * Where the ceiling is heading at this pace. Without a date it looks four weeks ahead, and says nothing of chances.
     *
     * @param chance the chance that the target is in control on the date, 0 to 1
     * @param likelyOn the day from which that is likely; null when it is not within two years
     * @param likelyTempo the tempo that is likely on the date
     * @param timesThePractice how many times as much practice it would take, as a rule of thumb; null when none would do
     */
    record ForecastDto(
            double weeklyGain,
            List<ConePoint> cone,
            @Schema(nullable = true) Double chance,
            @Schema(nullable = true) Forecast.Prospect prospect,
            @Schema(nullable = true) LocalDate likelyOn,
            double likelyTempo,
            @Schema(nullable = true) Double timesThePractice) {}

    /** The edges that were marked in glides on a day, in BPM. */
    record EdgeDay(LocalDate day, double lowest, double mean, double highest, long glides) {}

    record CeilingView(
            long sectionId,
            String passage,
            String section,
            double targetBpm,
            @Schema(nullable = true) LocalDate neededOn,
            LocalDate today,
            EstimateDto estimate,

            @Schema(
                    nullable = true,
                    description = "the ceiling that what was played does not fit, until it is said why")
            Double doubted,

            @Schema(description = "how today compares with a usual day; nothing to say where it does not differ")
            Reason form,

            BandDto bursts,
            @Schema(nullable = true) Double tensionEdge,
            Reason measure,
            int triesDays,
            List<CurvePoint> curve,
            List<TryDto> tries,
            List<AwkwardDto> awkward,
            List<HistoryDay> history,
            List<EdgeDay> edges,
            List<TestDto> tests,
            @Schema(nullable = true) ForecastDto forecast,
            WholeDto whole,
            List<ArticulationDto> articulations) {}

    /** A pass of a test. */
    record MeasuredPass(
            double tempo, @Schema(nullable = true) Verdict verdict, int tension, double recovery) {}

    /** What a ceiling test found, and what has changed since the one before. */
    record TestView(
            long runId,
            long sectionId,
            String passage,
            String section,
            double targetBpm,
            LocalDate day,
            EstimateDto estimate,

            @Schema(description = "the ceiling on the day of the test; the estimate is that of a usual day")
            BandDto today,

            BandDto bursts,
            List<CurvePoint> curve,
            List<MeasuredPass> passes,
            @Schema(nullable = true) TestDto before) {}

    @GetMapping("/sections/{id}/ceiling")
    CeilingView ceiling(@AuthenticationPrincipal SignedIn who, @PathVariable long id) {
        return ceilings.view(who, id);
    }

    record DoubtWish(@NotNull StandingService.Because because) {}

    /** Says why what was played does not fit the ceiling. */
    @PutMapping("/sections/{id}/doubt")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void settle(@AuthenticationPrincipal SignedIn who, @PathVariable long id, @Valid @RequestBody DoubtWish wish) {
        ceilings.settle(who, id, wish.because());
    }

    @GetMapping("/ceiling-tests/{runId}")
    TestView test(@AuthenticationPrincipal SignedIn who, @PathVariable long runId) {
        return ceilings.test(who, runId);
    }
}
