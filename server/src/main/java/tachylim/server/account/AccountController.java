package tachylim.server.account;

import io.swagger.v3.oas.annotations.Parameter;
import io.swagger.v3.oas.annotations.media.Schema;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.validation.Valid;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import tachylim.load.DailyMinutes;
import tachylim.load.DayBoundary;
import tachylim.load.SymptomRest;
import tachylim.method.Strictness;
import tachylim.method.WarmUpRoutine;
import tachylim.passage.InstrumentFamily;
import tachylim.server.TachylimSettings;
import tachylim.server.account.AccountService.Habit;
import tachylim.server.web.Refused;

@RestController
@RequestMapping("/api")
@Tag(name = "account")
class AccountController {

    private static final String MINUTES =
            "refusal.account.minutes least=" + DailyMinutes.LEAST + " most=" + DailyMinutes.MOST;

    private static final String LINE = "refusal.warmUp.line most=" + WarmUpRoutine.Item.LONGEST;
    private static final String LINE_TIME = "refusal.warmUp.lineTime";

    private static final int LONGEST_NAME = 60;
    private static final String NAME = "refusal.name most=" + LONGEST_NAME;

    private final AccountService accounts;
    private final SessionStart start;
    private final Sessions sessions;
    private final TachylimSettings settings;

    AccountController(AccountService accounts, SessionStart start, Sessions sessions, TachylimSettings settings) {
        this.accounts = accounts;
        this.start = start;
        this.sessions = sessions;
        this.settings = settings;
    }

    /** What every page needs to know before anyone is signed in. */
    record Greeting(
            boolean demo,

            @Schema(description = "how many hours playing rests after a symptom")
            long restHours,

            @Schema(nullable = true) Me me) {}

    record Me(
            String name,
            InstrumentFamily instrument,
            int usualMinutes,
            @Schema(nullable = true) Integer minutesTomorrow,

            @Schema(description = "whether a small slip counts as clean on the way up")
            boolean roughCounts,

            @Schema(description = "whether only loose playing goes up")
            boolean looseOnly,

            @Schema(description = "whether every pass is followed by a rest as long as itself")
            boolean restsAsPlayed,

            @Schema(description = "whether effort is, or from tomorrow will be, counted by how hard sessions felt")
            boolean felt,

            @Schema(description = "the lines of the own warm-up; none when it is large, easy movement")
            List<WarmUpLine> warmUp,

            @Schema(description = "what is usual on instruments beside the first")
            List<OtherInstrumentDto> others,

            LocalDate today,
            double speed,
            DayBoundaryDto home) {}

    /** Where the player's day is counted, and the move that is to come. */
    record DayBoundaryDto(
            String zone,
            @Schema(nullable = true) String movingTo,
            @Schema(nullable = true) Instant from) {}

    record Move(@NotNull @Size(max = 60) String zone) {}

    /**
     * One browser that is signed in.
     *
     * @param handle names it without telling its secret
     * @param here whether it is the one that asks
     */
    record SessionDto(String handle, String browser, Instant since, Instant lastSeen, boolean here) {}

    record Credentials(
            @NotBlank(message = "refusal.accountController.giveAName") @Size(max = LONGEST_NAME, message = NAME)
            String name,

            @NotNull(message = PasswordRule.LENGTH)
            @Size(min = PasswordRule.LEAST, max = 2 * PasswordRule.MOST, message = PasswordRule.LENGTH)
            String password,

            @NotNull @Size(max = 60) String zone,

            @Size(min = 36, max = 36)
            @Schema(
                    nullable = true,
                    description = "the browser's name for it: sent again with the same one, it signs in")
            String clientId) {}

    record SignIn(
            @NotBlank(message = "refusal.accountController.giveYourName") @Size(max = LONGEST_NAME, message = NAME)
            String name,

            @NotBlank(message = "refusal.accountController.giveYourPassword") @Size(max = 2 * PasswordRule.MOST)
            String password,

            @Schema(nullable = true, description = "not used: a player's day is counted where they live")
            @Size(max = 60)
            String zone) {}

    record NewPassword(
            @NotBlank @Size(max = 2 * PasswordRule.MOST) String oldPassword,

            @NotNull(message = PasswordRule.LENGTH)
            @Size(min = PasswordRule.LEAST, max = 2 * PasswordRule.MOST, message = PasswordRule.LENGTH)
            String newPassword) {}

    record Habits(
            @NotNull(message = "refusal.accountController.chooseAnInstrument")
            InstrumentFamily instrument,

            @Min(value = DailyMinutes.LEAST, message = MINUTES) @Max(value = DailyMinutes.MOST, message = MINUTES)
            int usualMinutes,

            boolean roughCounts,
            boolean looseOnly,

            @Schema(nullable = true, description = "whether every pass is followed by a rest as long as itself")
            Boolean restsAsPlayed,

            @Schema(nullable = true, description = "whether effort is counted by how hard sessions felt, from tomorrow")
            Boolean felt) {}

    record WarmUpLine(
            @NotBlank(message = LINE) @Size(max = WarmUpRoutine.Item.LONGEST, message = LINE)
            String what,

            @Min(value = WarmUpRoutine.Item.SHORTEST_SECONDS, message = LINE_TIME)
            @Max(value = WarmUpRoutine.Item.LONGEST_SECONDS, message = LINE_TIME)
            int seconds,

            @Schema(description = "whether it is done at the instrument, and counts")
            boolean playing) {}

    record WarmUp(
            @NotNull
            @Size(
                    max = WarmUpRoutine.MOST_ITEMS,
                    message = "refusal.accountController.aWarmUpHasUpToLines mostItems=" + WarmUpRoutine.MOST_ITEMS)
            List<@Valid @NotNull WarmUpLine> lines) {}

    /** What is usual on an instrument beside the first. */
    record OtherInstrumentWish(
            @Min(value = DailyMinutes.LEAST, message = MINUTES) @Max(value = DailyMinutes.MOST, message = MINUTES)
            int minutes,

            @NotNull @Valid WarmUp warmUp) {}

    record OtherInstrumentDto(InstrumentFamily instrument, int minutes, List<WarmUpLine> warmUp) {}

    record Farewell(
            @NotBlank(message = "refusal.accountController.giveYourPassword") @Size(max = 2 * PasswordRule.MOST)
            String password) {}

    @GetMapping("/greeting")
    Greeting greeting(@AuthenticationPrincipal SignedIn who, @Parameter(hidden = true) HttpServletRequest request) {
        return new Greeting(settings.showsDemo(request), SymptomRest.LENGTH.toHours(), who == null ? null : me(who));
    }

    private Me me(SignedIn who) {
        Habit habit = accounts.habit(who);
        Instant now = accounts.now();
        DayBoundary home = habit.home();
        boolean moving = home.isMoving(now);
        return new Me(
                who.name(),
                habit.instrument(),
                habit.usualMinutes(),
                habit.minutesTomorrow(),
                habit.strictness().roughCounts(),
                habit.strictness().looseOnly(),
                habit.restsAsPlayed(),
                habit.felt(),
                lines(habit.routine()),
                habit.others().stream()
                        .map(one -> new OtherInstrumentDto(one.instrument(), one.minutes(), lines(one.routine())))
                        .toList(),
                habit.today(),
                settings.speed(),
                new DayBoundaryDto(
                        home.zoneAt(now).getId(),
                        moving ? home.next().getId() : null,
                        moving ? home.nextFrom() : null));
    }

    @PostMapping("/account")
    @ResponseStatus(HttpStatus.CREATED)
    Me register(
            @Valid @RequestBody Credentials wanted,
            @Parameter(hidden = true) HttpServletRequest request,
            @Parameter(hidden = true) HttpServletResponse response) {
        SignedIn who = accounts.register(
                wanted.name(), wanted.password(), wanted.zone(), wanted.clientId(), request.getRemoteAddr());
        start.begin(who, request, response);
        return me(who);
    }

    @PostMapping("/session")
    Me signIn(
            @Valid @RequestBody SignIn given,
            @Parameter(hidden = true) HttpServletRequest request,
            @Parameter(hidden = true) HttpServletResponse response) {
        SignedIn who = accounts.signIn(given.name(), given.password(), request.getRemoteAddr());
        start.begin(who, request, response);
        return me(who);
    }

    /** The browsers that are signed in, the one that asks first. */
    @GetMapping("/sessions")
    List<SessionDto> sessions(
            @AuthenticationPrincipal SignedIn who, @Parameter(hidden = true) HttpServletRequest request) {
        return sessions.of(who, request.getSession().getId());
    }

    @DeleteMapping("/sessions/{handle}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void end(@AuthenticationPrincipal SignedIn who, @PathVariable String handle) {
        sessions.end(who, handle);
    }

    @PutMapping("/account/zone")
    Me move(@AuthenticationPrincipal SignedIn who, @Valid @RequestBody Move move) {
        accounts.moveTo(who, move.zone());
        return me(who);
    }

    @DeleteMapping("/session")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void signOut(@Parameter(hidden = true) HttpServletRequest request) {
        if (request.getSession(false) != null) {
            request.getSession().invalidate();
        }
        SecurityContextHolder.clearContext();
    }

    @PutMapping("/account/password")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void changePassword(
            @AuthenticationPrincipal SignedIn who,
            @Valid @RequestBody NewPassword wanted,
            @Parameter(hidden = true) HttpServletRequest request,
            @Parameter(hidden = true) HttpServletResponse response) {
        accounts.changePassword(who, wanted.oldPassword(), wanted.newPassword());
        sessions.endAll(who);
        start.begin(who, request, response);
    }

    @PutMapping("/account/habits")
    Me changeHabits(@AuthenticationPrincipal SignedIn who, @Valid @RequestBody Habits habits) {
        accounts.change(
                who,
                habits.instrument(),
                habits.usualMinutes(),
                new Strictness(habits.roughCounts(), habits.looseOnly()),
                habits.felt());
        if (habits.restsAsPlayed() != null) {
            accounts.rest(who, habits.restsAsPlayed());
        }
        return me(who);
    }

    @PutMapping("/account/warm-up")
    Me warmUp(@AuthenticationPrincipal SignedIn who, @Valid @RequestBody WarmUp wish) {
        accounts.warmUpBy(who, items(wish));
        return me(who);
    }

    /** Puts down what is usual on an instrument beside the first: its warm-up, and how long a workout on it is. */
    @PutMapping("/account/instruments/{instrument}")
    Me onAnother(
            @AuthenticationPrincipal SignedIn who,
            @PathVariable InstrumentFamily instrument,
            @Valid @RequestBody OtherInstrumentWish wish) {
        accounts.usedTo(who, new OtherInstrument(instrument, wish.minutes(), items(wish.warmUp())));
        return me(who);
    }

    private static List<WarmUpRoutine.Item> items(WarmUp wish) {
        return wish.lines().stream()
                .map(line -> Refused.unlessValid(
                        "what", () -> new WarmUpRoutine.Item(line.what(), line.seconds(), line.playing())))
                .toList();
    }

    private static List<WarmUpLine> lines(List<WarmUpRoutine.Item> items) {
        return items.stream()
                .map(line -> new WarmUpLine(line.what(), line.seconds(), line.playing()))
                .toList();
    }

    @PostMapping("/account/farewell")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void delete(
            @AuthenticationPrincipal SignedIn who,
            @Valid @RequestBody Farewell farewell,
            @Parameter(hidden = true) HttpServletRequest request) {
        accounts.delete(who, farewell.password());
        request.getSession().invalidate();
    }
}
