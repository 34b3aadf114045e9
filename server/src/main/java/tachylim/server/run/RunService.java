package tachylim.server.run;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Function;
import org.springframework.data.domain.Limit;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tachylim.ceiling.Evidence;
import tachylim.load.Guardrails;
import tachylim.method.Answer;
import tachylim.method.PassKind;
import tachylim.server.account.SignedIn;
import tachylim.server.load.LoadService;
import tachylim.server.repertoire.RepertoireService;
import tachylim.server.repertoire.StoredPiece;
import tachylim.server.run.RunDtos.EventWish;
import tachylim.server.run.RunDtos.LastAnswer;
import tachylim.server.run.RunDtos.RunView;
import tachylim.server.standing.PlayedPass;
import tachylim.server.standing.PlayedPassRepository;
import tachylim.server.standing.StandingService;
import tachylim.server.web.Refused;
import tachylim.server.workout.PlanDtos.PlanWish;
import tachylim.server.workout.PlanService;
import tachylim.server.workout.Relief;
import tachylim.server.workout.StoredWorkout;
import tachylim.workout.Done;
import tachylim.workout.Pass;
import tachylim.workout.Run;
import tachylim.workout.Segment;
import tachylim.workout.Workout;

/**
 * Runs: begun from a plan, moved on by events. The core folds the events; this keeps them, once each, and
 * what follows from them.
 */
@Service
public class RunService {

    private final RunRepository runs;
    private final RunEventRepository events;
    private final PlanService plans;
    private final RepertoireService repertoire;
    private final StandingService standings;
    private final PlayedPassRepository passes;
    private final LoadService load;

    RunService(RunRepository runs, RunEventRepository events, PlanService plans, RepertoireService repertoire,
            StandingService standings, PlayedPassRepository passes, LoadService load) {
        this.runs = runs;
        this.events = events;
        this.plans = plans;
        this.repertoire = repertoire;
        this.standings = standings;
        this.passes = passes;
        this.load = load;
    }

    @Transactional(readOnly = true)
    public Optional<StoredRun> open(SignedIn who) {
        return runs.findByActiveAccount(who.accountId());
    }

    @Transactional
    public long begin(SignedIn who, PlanWish wish, String holder, Instant at) {
        open(who).ifPresent(run -> {
            throw Refused.conflict("open-run", "A workout is still open. Go on with it, or end it, before beginning another.")
                    .with("runId", run.id());
        });
        double effortBefore = load.today(who, at).done().effort();
        StoredWorkout workout = plans.keep(who, wish, at);
        return runs.save(new StoredRun(who.accountId(), workout.id(), workout.pieceId(), workout.day(), at, holder, effortBefore))
                .id();
    }

    @Transactional(readOnly = true)
    public StoredRun get(SignedIn who, long id) {
        return runs.findByIdAndAccountId(id, who.accountId()).orElseThrow(() -> Refused.notFound("This run"));
    }

    private StoredRun lock(SignedIn who, long id) {
        return runs.lock(id, who.accountId()).orElseThrow(() -> Refused.notFound("This run"));
    }

    @Transactional(readOnly = true)
    public List<StoredRun> before(SignedIn who, Instant before, int most) {
        return runs.findByAccountIdAndStartedAtBeforeOrderByStartedAtDesc(who.accountId(), before, Limit.of(most));
    }

    /** A run as far as it has been played. */
    @Transactional(readOnly = true)
    public Run replay(SignedIn who, StoredRun stored) {
        return replay(plans.get(who, stored.workoutId()).workout(), eventsOf(who, stored.id()));
    }

    private List<RunEvent> eventsOf(SignedIn who, long runId) {
        return events.findByAccountIdAndRunIdOrderByOrdinal(who.accountId(), runId);
    }

    private static Run replay(Workout workout, List<RunEvent> kept) {
        return Run.replay(workout, kept.stream().map(RunEvent::event).toList());
    }

    @Transactional(readOnly = true)
    RunView view(SignedIn who, long id, String holder) {
        StoredRun stored = get(who, id);
        List<RunEvent> kept = eventsOf(who, id);
        StoredWorkout workout = plans.get(who, stored.workoutId());
        return view(who, stored, workout, kept, replay(workout.workout(), kept), holder);
    }

    private RunView view(
            SignedIn who, StoredRun stored, StoredWorkout workout, List<RunEvent> kept, Run run, String holder) {
        StoredPiece piece = repertoire.anyPiece(who, stored.pieceId());
        StepDescription description = new StepDescription(run);
        boolean inBlock = !run.isDone();
        return new RunView(stored.id(), piece.passage().title(), piece.name(), workout.focus(), kept.size(),
                stored.isHeldBy(holder), description.step(),
                inBlock ? run.workout().blocks().get(run.block()).part() : null,
                inBlock ? run.workout().blocks().get(run.block()).why() : "",
                description.upcoming(), lastAnswer(kept, run), run.tally().elapsed(), relief(run, stored),
                Math.max(0, Guardrails.UNBROKEN_SECONDS - run.tally().sinceBreak()), stored.note());
    }

    /** The relief of a run, with the cap as it was when it was planned. */
    public static Relief relief(Run run, StoredRun stored) {
        double cap = stored.effortBefore() + run.workout().allowance().effort();
        return Relief.of(run, stored.effortBefore(), new tachylim.load.Limit(
                tachylim.load.Limit.Kind.EFFORT, cap, stored.effortBefore(), "Today's cap when this was planned."));
    }

    /** The last answer, as long as its tension may still be put right: nothing has followed it. */
    private static LastAnswer lastAnswer(List<RunEvent> kept, Run run) {
        if (kept.isEmpty() || kept.get(kept.size() - 1).kind() != RunEvent.Kind.JUDGED) {
            return null;
        }
        RunEvent last = kept.get(kept.size() - 1);
        Segment segment = run.past().get(run.past().size() - 1);
        return new LastAnswer(last.clientId(), segment.answer().verdict(), last.tension(),
                ((Pass) segment.step()).tempo().bpm());
    }

    /**
     * Keeps one event. The same event sent again changes nothing, but for the tension of the last answer,
     * which may be put right until something follows.
     */
    @Transactional
    RunView record(SignedIn who, long id, EventWish wish, Instant now) {
        StoredRun stored = lock(who, id);
        List<RunEvent> kept = eventsOf(who, id);
        StoredWorkout workout = plans.get(who, stored.workoutId());
        Optional<RunEvent> known =
                kept.stream().filter(event -> event.clientId().equals(wish.clientId())).findFirst();
        if (known.isPresent()) {
            Run run = amend(who, stored, workout.workout(), kept, known.get(), wish);
            return view(who, stored, workout, kept, run, wish.holder());
        }
        check(stored, kept, wish);
        Run before = replay(workout.workout(), kept);
        RunEvent event = new RunEvent(who.accountId(), id, kept.size(), wish.clientId(), wish.kind(), wish.verdict(),
                wish.tension(), wish.seconds(), stored.touched(now));
        Run after = take(who, stored, before, event);
        return view(who, stored, workout, eventsOf(who, id), after, wish.holder());
    }

    private static void check(StoredRun stored, List<RunEvent> kept, EventWish wish) {
        if (stored.outcome() != null) {
            throw Refused.conflict("over", "This workout is over already.");
        }
        if (!stored.isHeldBy(wish.holder())) {
            throw Refused.conflict("taken-over", "This workout goes on in another window. Take it over here to play on.");
        }
        if (wish.ordinal() != kept.size()) {
            throw Refused.conflict("out-of-step", "Another window has answered this step. The run goes on from there.");
        }
        if (wish.kind() == RunEvent.Kind.JUDGED && (wish.verdict() == null || wish.tension() == null)) {
            throw Refused.field("verdict", "An answer needs a verdict and a tension.");
        }
        if (wish.kind() == RunEvent.Kind.RESTED && wish.seconds() == null) {
            throw Refused.field("seconds", "A rest needs its seconds.");
        }
    }

    /** Takes a run one event further, and lets ceiling and load know. */
    private Run take(SignedIn who, StoredRun stored, Run before, RunEvent event) {
        Run after = step(before, event);
        events.save(event);
        if (event.kind() == RunEvent.Kind.JUDGED) {
            judged(who, stored, after, event);
        }
        if (event.kind() == RunEvent.Kind.SYMPTOM) {
            load.symptom(who, event.at());
        }
        if (after.step() instanceof Done done) {
            stored.end(done.cause());
        }
        return after;
    }

    /**
     * Plays a run to its end in its own time, each pass answered by {@code player}: how the demo's history is
     * made.
     */
    @Transactional
    public void playThrough(SignedIn who, long id, Function<Run, Answer> player) {
        StoredRun stored = lock(who, id);
        Run run = replay(who, stored);
        for (int ordinal = 0; !run.isDone(); ordinal++) {
            Answer answer = run.step() instanceof Pass ? player.apply(run) : null;
            Instant at = stored.touched(stored.startedAt().plusMillis((long) (1000 * run.tally().elapsed())));
            RunEvent event = answer == null
                    ? new RunEvent(who.accountId(), id, ordinal, UUID.randomUUID().toString(), RunEvent.Kind.RESTED,
                            null, null, run.step().seconds(), at)
                    : new RunEvent(who.accountId(), id, ordinal, UUID.randomUUID().toString(), RunEvent.Kind.JUDGED,
                            answer.verdict(), answer.tension().ordinal(), null, at);
            run = take(who, stored, run, event);
        }
    }

    private static Run step(Run before, RunEvent event) {
        try {
            return Refused.unlessValid("seconds", () -> before.after(event.event()));
        } catch (IllegalStateException outOfStep) {
            throw Refused.conflict("out-of-step", outOfStep.getMessage() + ".");
        }
    }

    private void judged(SignedIn who, StoredRun stored, Run after, RunEvent event) {
        Segment segment = after.past().get(after.past().size() - 1);
        Pass pass = (Pass) segment.step();
        StoredPiece piece = repertoire.anyPiece(who, stored.pieceId());
        passes.save(new PlayedPass(who.accountId(), stored.id(), event.ordinal(), piece.id(), stored.day(), event.at(), segment));
        if (pass.kind() != PassKind.WARM_UP) {
            double share = (double) pass.notes().size() / after.workout().music().notes().size();
            standings.learn(who, piece.subject(), stored.day(), Evidence.of(pass.tempo(), segment.answer().verdict(),
                    segment.before().reserve().level(), share));
        }
    }

    private Run amend(SignedIn who, StoredRun stored, Workout workout, List<RunEvent> kept, RunEvent event, EventWish wish) {
        boolean last = event.ordinal() == kept.size() - 1;
        boolean other = event.kind() == RunEvent.Kind.JUDGED && wish.tension() != null
                && !wish.tension().equals(event.tension());
        if (last && other && stored.outcome() == null) {
            event.tension(wish.tension());
            Run run = replay(workout, kept);
            passes.findByAccountIdAndRunIdAndOrdinal(who.accountId(), stored.id(), event.ordinal())
                    .ifPresent(pass -> pass.felt(run.past().get(run.past().size() - 1)));
            if (run.step() instanceof Done done) {
                stored.end(done.cause());
            }
            return run;
        }
        return replay(workout, kept);
    }

    @Transactional
    void takeOver(SignedIn who, long id, String holder) {
        lock(who, id).takeOver(holder);
    }

    @Transactional
    public void note(SignedIn who, long id, String note) {
        lock(who, id).note(note.strip());
    }
}
