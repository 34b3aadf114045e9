package tachylim.server.ceiling;

import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.springframework.data.domain.Limit;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tachylim.ceiling.Articulations;
import tachylim.ceiling.Band;
import tachylim.ceiling.Estimate;
import tachylim.ceiling.Forecast;
import tachylim.ceiling.Known;
import tachylim.ceiling.Posterior;
import tachylim.ceiling.Smoother;
import tachylim.ceiling.SuccessCurve;
import tachylim.ceiling.TensionCurve;
import tachylim.ceiling.TimeToMeasure;
import tachylim.ceiling.Weakest;
import tachylim.server.account.AccountService;
import tachylim.server.account.SignedIn;
import tachylim.server.ceiling.CeilingController.ArticulationDto;
import tachylim.server.ceiling.CeilingController.AwkwardDto;
import tachylim.server.ceiling.CeilingController.CeilingView;
import tachylim.server.ceiling.CeilingController.ConePoint;
import tachylim.server.ceiling.CeilingController.CurvePoint;
import tachylim.server.ceiling.CeilingController.EdgeDay;
import tachylim.server.ceiling.CeilingController.ForecastDto;
import tachylim.server.ceiling.CeilingController.HistoryDay;
import tachylim.server.ceiling.CeilingController.MeasuredPass;
import tachylim.server.ceiling.CeilingController.PartDto;
import tachylim.server.ceiling.CeilingController.TestDto;
import tachylim.server.ceiling.CeilingController.TestView;
import tachylim.server.ceiling.CeilingController.TryDto;
import tachylim.server.ceiling.CeilingController.WholeDto;
import tachylim.server.web.Refused;
import tachylim.shown.BandDto;
import tachylim.shown.EstimateDto;
import tachylim.tempo.Tempo;
import tachylim.words.Reason;

/** What is known of a section's ceiling, for looking at. */
@Service
class CeilingService {

    private static final int TRIES_DAYS = 28;

    /** Edges are drawn for so long. */
    private static final int EDGES_DAYS = 365;

    private static final int MOST_TESTS = 200;

    /** Where there is no date the forecast looks so many days ahead. */
    private static final int USUALLY_AHEAD = 28;

    private static final int CONE_STEPS = 12;

    private final StandingService standings;
    private final Sections sections;
    private final AccountService accounts;
    private final Passes played;
    private final PlayedPassRepository passes;
    private final StoredCeilingTestRepository tests;

    CeilingService(
            StandingService standings,
            Sections sections,
            AccountService accounts,
            Passes played,
            PlayedPassRepository passes,
            StoredCeilingTestRepository tests) {
        this.standings = standings;
        this.sections = sections;
        this.accounts = accounts;
        this.played = played;
        this.passes = passes;
        this.tests = tests;
    }

    @Transactional(readOnly = true)
    CeilingView view(SignedIn who, long id) {
        Sections.Named section = sections.named(who, id);
        LocalDate today = accounts.today(who);
        List<Sections.PartOf> parts = sections.parts(who, section.passageId());
        Map<Long, Standing> known = standings.standings(
                who, parts.stream().map(Sections.PartOf::subject).toList(), today);
        Standing standing = known.get(id);
        Posterior belief = standing.belief();
        List<CeilingDay> days = standings.history(who, id);
        Long since = standing.lastPlayed() == null ? null : ChronoUnit.DAYS.between(standing.lastPlayed(), today);
        return new CeilingView(
                id,
                section.passage(),
                section.section(),
                section.targetBpm(),
                section.neededOn(),
                today,
                standing.dto(),
                standing.doubted().map(Tempo::bpm).orElse(null),
                Known.of(belief).formSentence(),
                BandDto.of(belief.ceilingOf(section.burstShare())),
                standings
                        .tension(who, section.subject(), today)
                        .tempoAt(TensionCurve.EDGE)
                        .map(Tempo::bpm)
                        .orElse(null),
                TimeToMeasure.why(standing.estimate(), since),
                TRIES_DAYS,
                curve(belief, standing.estimate()),
                tries(who, id, today),
                awkward(who, id, today),
                history(who, id, days),
                edges(who, id, today),
                tests.found(who.accountId(), id, Limit.of(MOST_TESTS)).stream()
                        .map(CeilingService::dto)
                        .toList(),
                forecast(days, section, today),
                whole(parts, known),
                articulations(who, id, standing.estimate()));
    }

    private List<ArticulationDto> articulations(SignedIn who, long id, Estimate section) {
        return played.articulated(who, id).entrySet().stream()
                .map(articulation -> new ArticulationDto(
                        articulation.getKey(),
                        articulation.getValue().size(),
                        EstimateDto.of(Articulations.of(section, articulation.getValue()))))
                .toList();
    }

    private static TestDto dto(StoredCeilingTestRepository.Found found) {
        return new TestDto(
                found.runId(),
                found.day(),
                found.probes(),
                EstimateDto.of(found.said().estimate(found.passes())));
    }

    private static WholeDto whole(List<Sections.PartOf> parts, Map<Long, Standing> known) {
        List<Sections.PartOf> cut = parts.stream().filter(Sections.PartOf::cut).toList();
        List<Estimate> estimates = cut.stream()
                .map(part -> known.get(part.subject().sectionId()).estimate())
                .toList();
        return new WholeDto(
                Weakest.wholeOf(estimates).bpm(),
                cut.get(Weakest.of(estimates)).subject().sectionId(),
                parts.stream()
                        .map(part -> new PartDto(
                                part.subject().sectionId(),
                                part.name(),
                                part.cut(),
                                known.get(part.subject().sectionId()).dto()))
                        .toList());
    }

    private static List<CurvePoint> curve(Posterior belief, Estimate estimate) {
        return SuccessCurve.of(belief, estimate.ceiling().middle()).stream()
                .map(point -> new CurvePoint(point.tempo().bpm(), point.clean(), point.low(), point.high()))
                .toList();
    }

    private List<AwkwardDto> awkward(SignedIn who, long id, LocalDate today) {
        return played.awkward(who, List.of(id), today).get(id).stream()
                .map(band -> new AwkwardDto(
                        band.from().bpm(), band.to().bpm(), band.passes(), band.clean(), band.cleanAbove()))
                .toList();
    }

    /** What the days so far say of those to come; null while they are too few. */
    private static ForecastDto forecast(List<CeilingDay> days, Sections.Named section, LocalDate today) {
        return Forecast.of(days.stream().map(CeilingDay::measured).toList())
                .map(forecast -> dto(forecast, section, today))
                .orElse(null);
    }

    private static ForecastDto dto(Forecast forecast, Sections.Named section, LocalDate today) {
        Tempo target = Tempo.of(section.targetBpm());
        boolean dated = section.neededOn() != null && section.neededOn().isAfter(today);
        LocalDate until = dated ? section.neededOn() : today.plusDays(USUALLY_AHEAD);
        long then = until.toEpochDay();
        long days = ChronoUnit.DAYS.between(today, until);
        List<ConePoint> cone = IntStream.rangeClosed(0, (int) Math.min(CONE_STEPS, days))
                .mapToObj(step -> today.plusDays(days * step / Math.min(CONE_STEPS, days)))
                .map(day -> {
                    Band band = forecast.at(day.toEpochDay());
                    return new ConePoint(
                            day,
                            band.low().bpm(),
                            band.middle().bpm(),
                            band.high().bpm());
                })
                .toList();
        return new ForecastDto(
                forecast.weeklyGain(),
                cone,
                dated ? forecast.chance(target, then) : null,
                dated ? forecast.prospect(target, then) : null,
                forecast.dayOf(target, today.toEpochDay())
                        .map(LocalDate::ofEpochDay)
                        .orElse(null),
                forecast.likelyOn(then).bpm(),
                forecast.timesTheGain(target, then).orElse(null));
    }

    @Transactional(readOnly = true)
    TestView test(SignedIn who, long runId) {
        StoredCeilingTest test = tests.findByRunIdAndAccountId(runId, who.accountId())
                .orElseThrow(() -> Refused.notFound(Reason.of("refusal.ceilingService.thisCeilingTestIsNotHere")));
        Sections.Named section = sections.named(who, test.sectionId());
        Posterior belief = test.belief();
        return new TestView(
                runId,
                test.sectionId(),
                section.passage(),
                section.section(),
                section.targetBpm(),
                test.day(),
                EstimateDto.of(test.estimate()),
                BandDto.of(belief.estimateOfToday().ceiling()),
                BandDto.of(belief.ceilingOf(section.burstShare())),
                curve(belief, test.estimate()),
                passes.probes(who.accountId(), runId).stream()
                        .map(pass -> new MeasuredPass(
                                pass.tempo().bpm(),
                                pass.verdict(),
                                pass.tension().ordinal(),
                                pass.recovery()))
                        .toList(),
                tests.findFirstByAccountIdAndSectionIdAndRunIdLessThanOrderByRunIdDesc(
                                who.accountId(), test.sectionId(), runId)
                        .map(before -> new TestDto(
                                before.getId(), before.day(), before.probes(), EstimateDto.of(before.estimate())))
                        .orElse(null));
    }

    private List<TryDto> tries(SignedIn who, long id, LocalDate today) {
        Map<String, TryDto> byPlace = new LinkedHashMap<>();
        for (PlayedPassRepository.Tries tries : passes.tries(who.accountId(), id, today.minusDays(TRIES_DAYS))) {
            long count = tries.getCount();
            TryDto more = switch (tries.getVerdict()) {
                case CLEAN -> new TryDto(tries.getTempo(), tries.getKind(), count, 0, 0);
                case ROUGH -> new TryDto(tries.getTempo(), tries.getKind(), 0, count, 0);
                case BROKE -> new TryDto(tries.getTempo(), tries.getKind(), 0, 0, count);
            };
            byPlace.merge(
                    tries.getKind() + " " + tries.getTempo(),
                    more,
                    (a, b) -> new TryDto(
                            a.tempo(), a.kind(), a.clean() + b.clean(), a.rough() + b.rough(), a.broke() + b.broke()));
        }
        return List.copyOf(byPlace.values());
    }

    @Transactional
    void settle(SignedIn who, long id, StandingService.Because because) {
        standings.settle(who, sections.named(who, id).subject(), accounts.today(who), because);
    }

    private List<EdgeDay> edges(SignedIn who, long id, LocalDate today) {
        return passes.edges(who.accountId(), List.of(id), today.minusDays(EDGES_DAYS)).stream()
                .map(day -> new EdgeDay(day.day(), day.lowest(), day.mean(), day.highest(), day.glides()))
                .toList();
    }

    private List<HistoryDay> history(SignedIn who, long id, List<CeilingDay> days) {
        Map<LocalDate, Long> probes = passes.measuring(who.accountId(), id).stream()
                .collect(Collectors.toMap(
                        PlayedPassRepository.Measuring::getDay, PlayedPassRepository.Measuring::getProbes));
        List<Smoother.Day> smoothed = StandingService.smoothed(days);
        List<HistoryDay> history = new ArrayList<>();
        for (int i = 0; i < days.size(); i++) {
            CeilingDay day = days.get(i);
            history.add(new HistoryDay(
                    day.day(),
                    day.comfortable(),
                    day.ceiling(),
                    day.ceilingLow(),
                    day.ceilingHigh(),
                    day.breakdown(),
                    smoothed.get(i).tempo().bpm(),
                    probes.getOrDefault(day.day(), 0L).intValue()));
        }
        return history;
    }
}
