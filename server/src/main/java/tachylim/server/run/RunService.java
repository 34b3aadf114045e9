package tachylim.server.run;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.util.EnumSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.springframework.data.domain.Limit;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tachylim.server.TachylimSettings;
import tachylim.server.account.AccountService;
import tachylim.server.account.SignedIn;
import tachylim.server.load.LoadService;
import tachylim.server.load.Today;
import tachylim.server.run.RunDtos.EventWish;
import tachylim.server.run.RunDtos.RunView;
import tachylim.server.web.ProblemCode;
import tachylim.server.web.Refused;
import tachylim.server.workout.DraftService;
import tachylim.server.workout.PlanService;
import tachylim.server.workout.StoredWorkout;
import tachylim.shown.EventDto;
import tachylim.shown.PlanWish;
import tachylim.task.Answer;
import tachylim.task.Ask;
import tachylim.task.Hearing;
import tachylim.task.Tension;
import tachylim.words.Reason;
import tachylim.workout.Done;
import tachylim.workout.Pass;
import tachylim.workout.Rules;
import tachylim.workout.Run;

/**
 * Runs: begun from a plan, moved on by events. The core folds the events of a run in progress under what today
 * allows at each step; one that is over is read from what was kept of it.
 */
@Service
public class RunService {

    /** A pause longer than this over the turn of the day means that a run was left, not played on. */
    private static final Duration LEFT_AFTER = Duration.ofMinutes(30);

    /** An answer that is older than this when it comes was kept somewhere while there was no connection. */
    private static final Duration LATE = Duration.ofMinutes(1);

    /**
     * What comes later than this is history: it counts for its own day and the weeks since, and says nothing of a ceiling, since
     * no clock has seen it.
     */
    private static final Duration HISTORY_AFTER = Duration.ofHours(36);

    private final RunRepository runs;
    private final RunEventRepository events;
    private final RunRecorder recorder;
    private final RunMemory memory;
    private final RunViews views;
    private final PlanService plans;
    private final DraftService drafts;
    private final AccountService accounts;
    private final LoadService load;
    private final TachylimSettings settings;
    private final Clock clock;

    RunService(
            RunRepository runs,
            RunEventRepository events,
            RunRecorder recorder,
            RunMemory memory,
            RunViews views,
            PlanService plans,
            DraftService drafts,
            AccountService accounts,
            LoadService load,
            TachylimSettings settings,
            Clock clock) {
        this.runs = runs;
        this.events = events;
        this.recorder = recorder;
        this.memory = memory;
        this.views = views;
        this.plans = plans;
        this.drafts = drafts;
        this.accounts = accounts;
        this.load = load;
        this.settings = settings;
        this.clock = clock;
    }

    // Which runs there are

    /** The run that is being played, if there is one; one that was left is closed with what was played. */
    @Transactional
    public Optional<StoredRun> open(SignedIn who) {
        Optional<StoredRun> open = runs.findByActiveAccount(who.accountId());
        open.ifPresent(run -> closeIfLeft(who, run, clock.instant()));
        return open.filter(run -> run.outcome() == null);
    }

    @Transactional(readOnly = true)
    public StoredRun get(SignedIn who, long id) {
        return runs.findByIdAndAccountId(id, who.accountId())
                .orElseThrow(() -> Refused.notFound(Reason.of("refusal.runService.thisRunIsNotHere")));
    }

    private StoredRun lock(SignedIn who, long id) {
        return runs.lock(id, who.accountId())
                .orElseThrow(() -> Refused.notFound(Reason.of("refusal.runService.thisRunIsNotHere")));
    }

    /**
     * Workouts, the newest first, in the order in which they were begun, whatever a clock said then.
     *
     * @param before only those begun before this one; null for all
     */
    @Transactional(readOnly = true)
    public List<StoredRun> before(SignedIn who, Long before, int most) {
        return before == null
                ? runs.findByAccountIdOrderByIdDesc(who.accountId(), Limit.of(most))
                : runs.findByAccountIdAndIdLessThanOrderByIdDesc(who.accountId(), before, Limit.of(most));
    }

    /**
     * What is looked for among workouts; what is null is not asked about.
     *
     * @param text what its note, its focus or the name of its music holds
     */
    public record Wanted(LocalDate from, LocalDate to, Done.Cause outcome, String text, Long passageId) {

        private String pattern() {
            return text == null || text.isBlank()
                    ? null
                    : "%" + text.strip().toLowerCase(Locale.ROOT).replaceAll("([!%_])", "!$1") + "%";
        }
    }

    /** Workouts that are looked for, the newest first. */
    @Transactional(readOnly = true)
    public List<StoredRun> search(SignedIn who, Wanted wanted, Long before, int most) {
        return runs.search(
                who.accountId(),
                before,
                wanted.from(),
                wanted.to(),
                wanted.outcome(),
                wanted.pattern(),
                wanted.passageId(),
                Limit.of(most));
    }

    /** The workouts of some days, the oldest first. */
    @Transactional(readOnly = true)
    public List<StoredRun> between(SignedIn who, LocalDate from, LocalDate to, int most) {
        return runs.findByAccountIdAndDayBetweenOrderById(who.accountId(), from, to, Limit.of(most));
    }

    private void closeIfLeft(SignedIn who, StoredRun run, Instant at) {
        if (run.isOfALaterEdition()) {
            throw Refused.later(Reason.of("refusal.runService.thisWorkoutWasBegunByA"));
        }
        if (!run.isOfThisEdition()) {
            run.end(Done.of(Done.Cause.OUTDATED));
        } else if (isLeft(who, run, at)) {
            run.end(Done.of(Done.Cause.LEFT));
        }
    }

    /** How a workout is closed by nobody who plays it. */
    private static final Set<Done.Cause> CLOSED_BY_ITSELF = EnumSet.of(Done.Cause.LEFT, Done.Cause.OUTDATED);

    private boolean isLeft(SignedIn who, StoredRun run, Instant at) {
        var account = accounts.get(who);
        return account.day(at).isAfter(account.day(run.lastAt()))
                && Duration.between(run.lastAt(), at).compareTo(LEFT_AFTER) > 0;
    }

    // Beginning

    @Transactional
    public long begin(SignedIn who, PlanWish wish, String holder) {
        return begin(who, wish, holder, null);
    }

    /**
     * Begins a workout.
     *
     * @param ending the open workout that is ended first, with all that was played of it; null where none is to be
     */
    @Transactional
    public long begin(SignedIn who, PlanWish wish, String holder, Long ending) {
        if (ending != null && open(who).filter(run -> run.id().equals(ending)).isPresent()) {
            keep(who, ending, EventWish.stopped());
        }
        open(who).ifPresent(run -> {
            throw Refused.conflict(ProblemCode.OPEN_RUN, Reason.of("refusal.runService.aWorkoutIsStillOpenGoOn"))
                    .with("runId", run.id());
        });
        runs.flush();
        Instant at = clock.instant();
        Today today = load.today(who, at);
        StoredWorkout workout = plans.keep(who, wish, today, at);
        drafts.begun(who, wish);
        return runs.save(new StoredRun(
                        who.accountId(),
                        workout.id(),
                        workout.sectionId(),
                        today.day(),
                        at,
                        holder,
                        today.done().effort(),
                        today.allowance(),
                        Rules.EDITION))
                .id();
    }

    // A run in progress

    private List<RunEvent> eventsOf(SignedIn who, long runId) {
        return events.findByAccountIdAndRunIdOrderByOrdinal(who.accountId(), runId);
    }

    /** Brings a run to what today allows now, and closes it where that is nothing more. */
    private Run bringUp(SignedIn who, StoredRun stored, Run run, Instant at) {
        if (run.step() instanceof Done done) {
            stored.end(done);
            return run;
        }
        Run now = run.under(load.allowance(who, at));
        stored.tell(now.left());
        if (now.step() instanceof Done done) {
            stored.end(done);
        }
        return now;
    }

    /** A run in progress as it stands: for whoever plays it without looking. */
    @Transactional(readOnly = true)
    public Run soFar(SignedIn who, long id) {
        StoredRun stored = get(who, id);
        return memory.after(who, stored, eventsOf(who, id)).run();
    }

    @Transactional
    RunView view(SignedIn who, long id, String holder) {
        Instant now = clock.instant();
        StoredRun stored = get(who, id);
        if (stored.outcome() == null) {
            stored = lock(who, id);
            closeIfLeft(who, stored, now);
        }
        List<RunEvent> kept = eventsOf(who, id);
        if (stored.outcome() != null) {
            return views.ended(who, stored, plans.get(who, stored.workoutId()), kept.size(), holder);
        }
        SoFar soFar = memory.after(who, stored, kept);
        stored.putRight(now, soFar.run().tally().leastSeconds() / settings.speed());
        return views.open(who, stored, kept, bringUp(who, stored, soFar.run(), now), holder);
    }

    /**
     * Keeps one event. The same event sent again changes nothing, but for the tension of the last answer, which may be
     * put right until something follows. Symptoms and stops are taken from any window, at any step, and when
     * the run is over.
     */
    @Transactional
    RunView record(SignedIn who, long id, EventWish wish) {
        SoFar soFar = keep(who, id, wish);
        if (soFar != null && soFar.stored().outcome() == null) {
            closeIfLeft(who, soFar.stored(), clock.instant());
        }
        if (soFar == null || soFar.stored().outcome() != null) {
            return view(who, id, wish.holder());
        }
        // An answer that comes late was taken under what its own day allowed; what is next is told under today's.
        boolean late =
                Duration.between(soFar.stored().lastAt(), clock.instant()).compareTo(LATE) > 0;
        Run now = late ? bringUp(who, soFar.stored(), soFar.run(), clock.instant()) : soFar.run();
        return views.open(who, soFar.stored(), soFar.kept(), now, wish.holder());
    }

    /** As {@link #record}, for whoever plays without looking: the run as it stands then. */
    @Transactional
    public Run play(SignedIn who, long id, EventWish wish) {
        SoFar soFar = keep(who, id, wish);
        return soFar == null ? soFar(who, id) : soFar.run();
    }

    /** Keeps an event; gives the run with it, or null when it did not go on by it. */
    private SoFar keep(SignedIn who, long id, EventWish wish) {
        check(wish);
        Instant now = clock.instant();
        StoredRun stored = lock(who, id);
        Instant said = said(wish, now);
        if (wish.kind() == EventDto.Kind.SYMPTOM) {
            load.symptom(who, wish.clientId(), said);
        }
        List<RunEvent> kept = eventsOf(who, id);
        Optional<RunEvent> known = kept.stream()
                .filter(event -> event.clientId().equals(wish.clientId()))
                .findFirst();
        if (known.isPresent()) {
            if (wish.measured() != null && !wish.measured().isEmpty()) {
                recorder.measured(who, stored, goneBy(who, stored, kept).run(), known.get(), wish);
            }
            amend(who, stored, kept, known.get(), wish);
        } else {
            if (stored.outcome() == null) {
                closeIfLeft(who, stored, said);
            }
            // What was played before it was closed, where nobody could be told, is taken all the same.
            boolean goesOn = stored.outcome() == null
                    || CLOSED_BY_ITSELF.contains(stored.outcome()) && !isLeft(who, stored, said);
            if (goesOn) {
                return take(who, goneBy(who, stored, kept), wish, said, now);
            } else if (!wish.kind().ends()) {
                takeLate(who, stored, kept, wish, said, now);
            }
        }
        return null;
    }

    /** Where a run stands; one by the rules of before may stand where those of now would not have led. */
    private SoFar goneBy(SignedIn who, StoredRun stored, List<RunEvent> kept) {
        try {
            return memory.after(who, stored, kept);
        } catch (IllegalStateException | IllegalArgumentException otherSteps) {
            if (stored.isOfThisEdition()) {
                throw otherSteps;
            }
            throw Refused.conflict(ProblemCode.OVER, Reason.of("refusal.runService.thisWorkoutWasOverBefore"));
        }
    }

    private static Instant said(EventWish wish, Instant now) {
        return wish.secondsAgo() == null ? now : now.minusMillis((long) (1000 * wish.secondsAgo()));
    }

    private static void check(EventWish wish) {
        if (wish.kind() == EventDto.Kind.JUDGED && wish.verdict() == null && wish.told() == null) {
            throw Refused.field("verdict", Reason.of("refusal.runService.anAnswerNeedsAVerdictAndA"));
        }
        if (wish.kind() == EventDto.Kind.RESTED && wish.seconds() == null) {
            throw Refused.field("seconds", Reason.of("refusal.runService.aRestNeedsItsSeconds"));
        }
    }

    private SoFar take(SignedIn who, SoFar soFar, EventWish wanted, Instant said, Instant now) {
        StoredRun stored = soFar.stored();
        EventWish wish = recorder.trusted(who, stored, soFar.run(), wanted);
        if (!wish.kind().ends()) {
            // Whoever comes too late is not asked to take over: that would take the workout from where it goes on.
            if (wish.ordinal() != soFar.kept().size()) {
                throw Refused.conflict(
                        ProblemCode.OUT_OF_STEP, Reason.of("refusal.runService.anotherWindowHasAnswered"));
            }
            if (stored.outcome() == null && !stored.isHeldBy(wish.holder())) {
                throw Refused.conflict(
                        ProblemCode.TAKEN_OVER, Reason.of("refusal.runService.thisWorkoutGoesOnInAnother"));
            }
        }
        stored.putRight(now, soFar.run().tally().leastSeconds() / settings.speed());
        RunEvent event = event(
                who,
                stored,
                soFar.kept().size(),
                toldInFull(wish, soFar.run()),
                recorder.hearing(who, stored, soFar.run(), wish),
                soFar.run(),
                stored.touched(said, now));
        Run after = RunRecorder.step(soFar.run(), event);
        checkClock(stored, after, event.at());
        // What was played by the rules of before counts as playing, and says nothing of a ceiling.
        recorder.keep(who, stored, soFar.run(), after, event, isHistory(event, now) || !stored.isOfThisEdition());
        recorder.measured(who, stored, after, event, wish);
        List<RunEvent> played =
                Stream.concat(soFar.kept().stream(), Stream.of(event)).toList();
        memory.note(stored, played, after);
        Done.Cause closed = stored.outcome();
        Run brought = bringUp(who, stored, after, event.at());
        if (closed != null && !wish.kind().ends()) {
            stored.end(Done.of(closed));
        }
        return new SoFar(stored, played, brought);
    }

    /** An answer whose figure says how it went is kept with the verdict that it makes. */
    private static EventWish toldInFull(EventWish wish, Run run) {
        if (wish.kind() != EventDto.Kind.JUDGED || !(run.step() instanceof Pass pass)) {
            return wish;
        }
        boolean counts = pass.ask().kind() == Ask.Kind.SET || pass.ask().kind() == Ask.Kind.COUNT;
        if (!counts && wish.verdict() == null) {
            throw Refused.field("verdict", Reason.of("refusal.runService.anAnswerNeedsAVerdictAndA"));
        }
        Answer answer = Refused.unlessValid(
                "told",
                () -> pass.ask()
                        .answer(
                                wish.verdict(),
                                Tension.said(wish.tension()),
                                wish.told() == null ? Answer.NOTHING_TOLD : wish.told()));
        return wish.saying(answer);
    }

    private static RunEvent event(
            SignedIn who, StoredRun stored, int ordinal, EventWish wish, Hearing heard, Run told, Instant at) {
        return new RunEvent(
                who.accountId(),
                stored.id(),
                ordinal,
                wish.clientId(),
                wish.kind(),
                wish.verdict(),
                wish.tension(),
                wish.told(),
                wish.seconds(),
                heard,
                told.left(),
                at);
    }

    private void checkClock(StoredRun stored, Run after, Instant at) {
        double clock = Duration.between(stored.startedAt(), at).toMillis() / 1000.0;
        double missing = after.secondsTooSoon(clock, settings.speed());
        if (missing > 0) {
            throw Refused.conflict(
                            ProblemCode.TOO_SOON,
                            Reason.of(
                                    "refusal.runService.byTheClockThisCannotHave",
                                    "value",
                                    Math.max(1, Math.round(missing))))
                    .with("seconds", missing);
        }
    }

    /** An answer to the pass at which a run was ended elsewhere is kept; of anything else it is said that it came too late. */
    private void takeLate(
            SignedIn who, StoredRun stored, List<RunEvent> kept, EventWish wish, Instant said, Instant now) {
        List<RunEvent> played =
                kept.stream().filter(event -> !event.kind().ends()).toList();
        boolean lastStep =
                wish.ordinal() == played.size() && played.size() < kept.size() && kept.size() == played.size() + 1;
        if (wish.kind() != EventDto.Kind.JUDGED || !lastStep || !stored.isOfThisEdition()) {
            throw Refused.conflict(ProblemCode.OVER, Reason.of("refusal.runService.thisWorkoutWasOverBefore"));
        }
        RunEvent end = kept.get(kept.size() - 1);
        Run before = memory.after(who, stored, played).run();
        if (!(before.step() instanceof Pass)) {
            throw Refused.conflict(ProblemCode.OVER, Reason.of("refusal.runService.thisWorkoutWasOverBefore"));
        }
        if (recorder.trusted(who, stored, before, wish).kind() != EventDto.Kind.JUDGED) {
            // It counts as left without a word, as it was.
            return;
        }
        RunEvent event = event(
                who,
                stored,
                kept.size(),
                toldInFull(wish, before),
                recorder.hearing(who, stored, before, wish),
                before,
                stored.touched(said, now));
        Run after = RunRecorder.step(before, event);
        checkClock(stored, after, event.at());
        recorder.forgetLeft(who, stored, before.past().size(), end.ordinal());
        recorder.keep(who, stored, before, after, event, isHistory(event, now));
    }

    private static boolean isHistory(RunEvent event, Instant now) {
        return Duration.between(event.at(), now).compareTo(HISTORY_AFTER) > 0;
    }

    private void amend(SignedIn who, StoredRun stored, List<RunEvent> kept, RunEvent event, EventWish wish) {
        boolean other = event.kind().isPlayed()
                && wish.tension() != null
                && !wish.tension().equals(event.tension());
        if (!other) {
            return;
        }
        if (!stored.isHeldBy(wish.holder())) {
            throw Refused.conflict(ProblemCode.TAKEN_OVER, Reason.of("refusal.runService.thisWorkoutGoesOnInAnother2"));
        }
        if (event.ordinal() != kept.size() - 1 || stored.outcome() != null) {
            throw Refused.conflict(
                    ProblemCode.TOO_LATE,
                    Reason.of("refusal.runService.somethingHasFollowedThat", "tension", event.tension()));
        }
        event.tension(wish.tension());
        Run run = memory.after(who, stored, kept).run();
        recorder.amend(who, stored, run, event);
    }

    @Transactional
    void takeOver(SignedIn who, long id, String holder) {
        lock(who, id).takeOver(holder);
    }

    @Transactional
    void felt(SignedIn who, long id, int rating) {
        StoredRun stored = lock(who, id);
        if (stored.outcome() == null) {
            throw Refused.field("rating", Reason.of("refusal.runService.thisWorkoutIsStillOpenHow"));
        }
        load.felt(who, id, stored.day(), rating);
    }

    @Transactional
    public void note(SignedIn who, long id, String note) {
        lock(who, id).note(note.strip());
    }

    /** A symptom reported from anywhere: kept, and a run that is being played is over. */
    @Transactional
    void symptom(SignedIn who, String clientId, double secondsAgo) {
        Instant now = clock.instant();
        Instant at = now.minusMillis((long) (1000 * secondsAgo));
        load.symptom(who, clientId, at);
        open(who).ifPresent(run -> play(who, run.id(), EventWish.symptom(clientId, secondsAgo)));
    }
}
