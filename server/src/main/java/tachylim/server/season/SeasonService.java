package tachylim.server.season;

import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tachylim.season.Goal;
import tachylim.season.Outlook;
import tachylim.season.Season;
import tachylim.season.SeasonDay;
import tachylim.server.account.Account;
import tachylim.server.account.AccountService;
import tachylim.server.account.SignedIn;
import tachylim.server.ceiling.Standing;
import tachylim.server.load.LoadService;
import tachylim.server.load.Today;
import tachylim.server.repertoire.Performance;
import tachylim.server.repertoire.RepertoireService;
import tachylim.server.repertoire.StoredPassage;
import tachylim.server.repertoire.StoredSection;
import tachylim.server.season.SeasonController.AimWish;
import tachylim.server.season.SeasonController.ChanceDto;
import tachylim.server.season.SeasonController.Changed;
import tachylim.server.season.SeasonController.GoalDto;
import tachylim.server.season.SeasonController.OfferDto;
import tachylim.server.season.SeasonController.PerformanceDto;
import tachylim.server.season.SeasonController.PlayedDay;
import tachylim.server.season.SeasonController.SeasonDayDto;
import tachylim.server.season.SeasonController.SeasonView;
import tachylim.server.season.SeasonController.ShareDto;
import tachylim.server.web.Refused;
import tachylim.server.words.Words;
import tachylim.tempo.Tempo;
import tachylim.words.Reason;

/** The weeks ahead, planned from what was done until now whenever they are asked for. */
@Service
public class SeasonService {

    private static final int PAST_SHOWN = 14;

    private final LoadService load;
    private final RepertoireService repertoire;
    private final GainsService gains;
    private final AccountService accounts;
    private final AskedDayRepository asked;
    private final Feeds feeds;
    private final Clock clock;

    SeasonService(
            LoadService load,
            RepertoireService repertoire,
            GainsService gains,
            AccountService accounts,
            AskedDayRepository asked,
            Feeds feeds,
            Clock clock) {
        this.load = load;
        this.repertoire = repertoire;
        this.gains = gains;
        this.accounts = accounts;
        this.asked = asked;
        this.feeds = feeds;
        this.clock = clock;
    }

    /** A season with the passages it is about. */
    private record Planned(
            LoadService.Ahead ahead, Map<Long, StoredPassage> passages, List<Goal> goals, Season season) {

        LocalDate today() {
            return ahead.guardrails().history().today();
        }
    }

    /** What the player wants of the days from one on, which may have gone by, as it stands today. */
    @Transactional(readOnly = true)
    public Season.Wishes wishes(SignedIn who, LocalDate from, LocalDate today) {
        Account account = accounts.get(who);
        return new Season.Wishes(
                account.minutes().on(today),
                account.daysOff(),
                asked.findByAccountIdAndDayBetween(who.accountId(), from, today.plusDays(Season.MOST_DAYS)).stream()
                        .collect(Collectors.toMap(AskedDay::day, AskedDay::minutes)));
    }

    private Planned planned(SignedIn who) {
        LoadService.Ahead ahead = load.ahead(who);
        LocalDate today = ahead.guardrails().history().today();
        return planned(ahead, wishes(who, today, today), gains.learned(who, today));
    }

    private static Planned planned(LoadService.Ahead ahead, Season.Wishes wishes, GainsService.Learned learned) {
        return new Planned(
                ahead,
                learned.passages(),
                learned.goals(),
                Season.plan(
                        learned.goals(),
                        ahead.guardrails(),
                        ahead.done().effort(),
                        ahead.now(),
                        ahead.restOver(),
                        wishes));
    }

    /** The minutes that each passage should have today, with those of the days on which it lay. */
    @Transactional(readOnly = true)
    public Map<Long, Double> owed(
            SignedIn who,
            Today today,
            Season.Wishes wishes,
            Collection<StoredSection> sections,
            Map<Long, Standing> standings) {
        return planned(today.ahead(), wishes, gains.learned(who, today.day(), sections, standings))
                .season
                .owed();
    }

    @Transactional(readOnly = true)
    SeasonView view(SignedIn who) {
        return view(who, planned(who));
    }

    private SeasonView view(SignedIn who, Planned planned) {
        LocalDate today = planned.today();
        List<Performance> performances = repertoire.performances(who, today);
        Map<LocalDate, List<Reason>> occasions = occasions(planned, performances);
        return new SeasonView(
                today,
                planned.ahead.done().effort().minutes(),
                load.efforts(who, today.minusDays(PAST_SHOWN), today.minusDays(1)).entrySet().stream()
                        .map(one -> new PlayedDay(one.getKey(), one.getValue()))
                        .toList(),
                planned.season.days().stream().map(day -> dto(day, occasions)).toList(),
                goals(planned),
                accounts.get(who).daysOff(),
                performances.stream()
                        .map(one -> new PerformanceDto(one.id(), one.name(), one.day()))
                        .toList(),
                feeds.since(who).orElse(null));
    }

    private static Map<LocalDate, List<Reason>> occasions(Planned planned, List<Performance> performances) {
        return Stream.concat(
                        performances.stream().map(one -> Map.entry(one.day(), Reason.text(one.name()))),
                        planned.passages.values().stream()
                                .filter(passage -> passage.neededOn() != null)
                                .sorted(Comparator.comparing(StoredPassage::id))
                                .map(passage -> Map.entry(passage.neededOn(), occasion(passage))))
                .collect(Collectors.groupingBy(
                        Map.Entry::getKey, Collectors.mapping(Map.Entry::getValue, Collectors.toList())));
    }

    private static Reason occasion(StoredPassage passage) {
        return Reason.of("occasion.passage", "passage", passage.title(), "tempo", Tempo.of(passage.targetBpm()));
    }

    private static SeasonDayDto dto(SeasonDay day, Map<LocalDate, List<Reason>> occasions) {
        return new SeasonDayDto(
                day.day(),
                day.minutes(),
                day.cap().minutes(),
                day.rule(),
                day.why(),
                day.off(),
                day.asked(),
                day.shares().stream()
                        .map(share -> new ShareDto(share.goal(), share.minutes()))
                        .toList(),
                occasions.getOrDefault(day.day(), List.of()));
    }

    private static List<GoalDto> goals(Planned planned) {
        List<GoalDto> goals = new ArrayList<>();
        for (int i = 0; i < planned.goals.size(); i++) {
            Goal goal = planned.goals.get(i);
            Outlook outlook = planned.season.outlooks().get(i);
            goals.add(new GoalDto(
                    goal.id(),
                    planned.passages.get(goal.id()).title(),
                    goal.target().bpm(),
                    goal.ceiling().bpm(),
                    goal.neededOn(),
                    goal.matters(),
                    outlook.sitting(),
                    outlook.everyDays(),
                    outlook.chance().isPresent() ? outlook.chance().getAsDouble() : null,
                    outlook.prospect().orElse(null),
                    outlook.likely().map(Tempo::bpm).orElse(null),
                    outlook.near().map(Tempo::bpm).orElse(null),
                    outlook.wants().isPresent() ? outlook.wants().getAsDouble() : null,
                    outlook.offer()
                            .map(one -> new OfferDto(
                                    one.tempo().map(Tempo::bpm).orElse(null),
                                    one.date().orElse(null)))
                            .orElse(null),
                    outlook.sentence()));
        }
        return goals;
    }

    // Changes

    @Transactional
    SeasonView aim(SignedIn who, long passageId, AimWish wish) {
        repertoire.aim(who, passageId, wish.matters(), wish.targetBpm(), wish.neededOn());
        return view(who);
    }

    @Transactional
    Changed ask(SignedIn who, LocalDate day, int minutes) {
        return changed(who, List.of(day), before -> put(who, day, minutes));
    }

    @Transactional
    Changed asUsual(SignedIn who, LocalDate day) {
        return changed(
                who,
                List.of(day),
                before -> asked.findById(new AskedDay.Key(who.accountId(), day)).ifPresent(asked::delete));
    }

    @Transactional
    Changed move(SignedIn who, LocalDate from, LocalDate to) {
        if (from.equals(to)) {
            throw Refused.field("to", Reason.of("refusal.seasonService.thatIsTheSameDay"));
        }
        return changed(who, List.of(from, to), before -> {
            int minutes = on(before, from).minutes();
            if (minutes == 0) {
                throw Refused.field("from", Reason.of("refusal.seasonService.nothingIsPlannedOnThatDay"));
            }
            put(who, from, 0);
            put(who, to, on(before, to).minutes() + minutes);
        });
    }

    private void put(SignedIn who, LocalDate day, int minutes) {
        AskedDay one = asked.findById(new AskedDay.Key(who.accountId(), day))
                .orElseGet(() -> new AskedDay(who.accountId(), day));
        one.minutes(minutes);
        asked.save(one);
    }

    private static SeasonDay on(Planned planned, LocalDate day) {
        return planned.season.days().stream()
                .filter(one -> one.day().equals(day))
                .findFirst()
                .orElseThrow(() -> Refused.field("day", Reason.of("refusal.seasonService.theSeasonHasNoSuchDay")));
    }

    private Changed changed(SignedIn who, List<LocalDate> days, java.util.function.Consumer<Planned> change) {
        Planned before = planned(who);
        days.forEach(day -> on(before, day));
        change.accept(before);
        asked.flush();
        Planned after = planned(who);
        SeasonView view = view(who, after);
        List<ChanceDto> chances = new ArrayList<>();
        for (int i = 0; i < after.goals.size(); i++) {
            Outlook was = before.season.outlooks().get(i);
            Outlook is = after.season.outlooks().get(i);
            if (was.chance().isPresent() && is.chance().isPresent()) {
                chances.add(new ChanceDto(
                        after.passages.get(is.goal()).title(),
                        was.chance().getAsDouble(),
                        is.chance().getAsDouble()));
            }
        }
        return new Changed(
                view,
                view.days().stream().filter(day -> days.contains(day.day())).toList(),
                chances);
    }

    // Calendars

    /** The season as a calendar, in the language that is asked for. */
    @Transactional
    byte[] calendar(SignedIn who) {
        SeasonView view = view(who);
        return SeasonCalendar.write(view, accounts.get(who).calendarName(), clock.instant(), Words.spoken());
    }
}
