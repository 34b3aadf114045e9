package tachylim.server.season;

import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.NavigableMap;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.TreeMap;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tachylim.ceiling.Forecast;
import tachylim.ceiling.Moments;
import tachylim.ceiling.Weakest;
import tachylim.season.Gains;
import tachylim.season.Goal;
import tachylim.season.Growth;
import tachylim.server.account.AccountService;
import tachylim.server.account.SignedIn;
import tachylim.server.ceiling.Passes;
import tachylim.server.ceiling.Standing;
import tachylim.server.ceiling.StandingService;
import tachylim.server.repertoire.RepertoireService;
import tachylim.server.repertoire.StoredPassage;
import tachylim.server.repertoire.StoredSection;
import tachylim.tempo.Tempo;

/** What a player's practice has gained so far, and the goals that a season is planned for. */
@Service
class GainsService {

    /** Gains are learned from so many days: a player changes. */
    private static final int DAYS = 182;

    private final RepertoireService repertoire;
    private final StandingService standings;
    private final Passes passes;
    private final AccountService accounts;

    GainsService(RepertoireService repertoire, StandingService standings, Passes passes, AccountService accounts) {
        this.repertoire = repertoire;
        this.standings = standings;
        this.passes = passes;
        this.accounts = accounts;
    }

    /**
     * What was learned.
     *
     * @param gains the player's gains
     * @param passages the passages, in the order of the goals
     * @param goals what a season is planned for
     * @param since the first day that was learned from
     */
    record Learned(Gains gains, Map<Long, StoredPassage> passages, List<Goal> goals, LocalDate since) {}

    @Transactional(readOnly = true)
    Learned learned(SignedIn who, LocalDate today) {
        List<StoredSection> sections = repertoire.sections(who);
        Map<Long, Standing> known = standings.standings(
                who, sections.stream().map(StoredSection::subject).toList(), today);
        return learned(who, today, sections, known);
    }

    /** The same where it is known how the sections stand. */
    @Transactional(readOnly = true)
    Learned learned(SignedIn who, LocalDate today, Collection<StoredSection> sections, Map<Long, Standing> known) {
        LocalDate since = accounts.get(who)
                .gainsSince()
                .filter(day -> day.isAfter(today.minusDays(DAYS)))
                .orElse(today.minusDays(DAYS));
        Map<StoredPassage, List<StoredSection>> byPassage = sections.stream()
                .sorted(Comparator.comparing(section -> section.passage().id()))
                .collect(Collectors.groupingBy(StoredSection::passage, LinkedHashMap::new, Collectors.toList()));
        if (byPassage.isEmpty()) {
            return new Learned(Gains.of(List.of()), Map.of(), List.of(), since);
        }
        Map<Long, Long> slowest = new HashMap<>();
        byPassage.forEach((passage, parts) -> slowest.put(
                passage.id(),
                parts.get(Weakest.of(parts.stream()
                                .map(section -> known.get(section.id()).estimate())
                                .toList()))
                        .id()));
        Map<Long, List<Forecast.Measured>> measured = standings.measured(who, slowest.values(), today);
        Map<Long, NavigableMap<LocalDate, Double>> minutes =
                minutes(who, slowest.keySet().stream().toList(), since);
        List<StoredPassage> passages = List.copyOf(byPassage.keySet());
        Gains gains = Gains.of(passages.stream()
                .map(passage -> days(
                        minutes.getOrDefault(passage.id(), new TreeMap<>()),
                        measured.getOrDefault(slowest.get(passage.id()), List.of()),
                        since))
                .toList());
        List<Goal> goals = new ArrayList<>();
        for (int i = 0; i < passages.size(); i++) {
            StoredPassage passage = passages.get(i);
            Standing standing = known.get(slowest.get(passage.id()));
            goals.add(new Goal(
                    passage.id(),
                    Tempo.of(passage.targetBpm()),
                    standing.estimate().ceiling().middle(),
                    passage.neededOn(),
                    new Growth(
                            standing.estimate().ceiling().moments(),
                            gains.passages().get(i),
                            gains.loss().mean(),
                            Forecast.of(measured.getOrDefault(slowest.get(passage.id()), List.of()))
                                    .isPresent()),
                    passage.matters(),
                    lastPlayed(byPassage.get(passage), known, today)));
        }
        return new Learned(
                gains, passages.stream().collect(Collectors.toMap(StoredPassage::id, one -> one)), goals, since);
    }

    private static OptionalLong lastPlayed(List<StoredSection> sections, Map<Long, Standing> known, LocalDate today) {
        return sections.stream()
                .map(section -> known.get(section.id()).lastPlayed())
                .filter(day -> day != null)
                .mapToLong(day -> Math.max(0, ChronoUnit.DAYS.between(day, today)))
                .min();
    }

    /** The effort of each passage by day, of the sections that it was ever cut into. */
    private Map<Long, NavigableMap<LocalDate, Double>> minutes(SignedIn who, List<Long> passageIds, LocalDate since) {
        Map<Long, Long> passageOf = repertoire.everCut(who, passageIds);
        Map<Long, NavigableMap<LocalDate, Double>> minutes = new HashMap<>();
        passes.efforts(who, since).forEach((section, days) -> {
            if (passageOf.containsKey(section)) {
                days.forEach((day, effort) -> minutes.computeIfAbsent(passageOf.get(section), at -> new TreeMap<>())
                        .merge(day, effort, Double::sum));
            }
        });
        return minutes;
    }

    private static List<Gains.Day> days(
            NavigableMap<LocalDate, Double> minutes, List<Forecast.Measured> measured, LocalDate since) {
        Map<Long, Moments> told = new HashMap<>();
        measured.stream()
                .filter(one -> one.day() >= since.toEpochDay())
                .forEach(one -> one.own().ifPresent(own -> told.put(one.day(), own)));
        return Stream.concat(minutes.keySet().stream().map(LocalDate::toEpochDay), told.keySet().stream())
                .distinct()
                .sorted()
                .map(day -> new Gains.Day(
                        day, minutes.getOrDefault(LocalDate.ofEpochDay(day), 0.0), Optional.ofNullable(told.get(day))))
                .toList();
    }
}
