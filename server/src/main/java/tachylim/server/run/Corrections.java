package tachylim.server.run;

import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tachylim.ceiling.Evidence;
import tachylim.ceiling.Posterior;
import tachylim.server.account.AccountService;
import tachylim.server.account.SignedIn;
import tachylim.server.ceiling.Passes;
import tachylim.server.ceiling.PlayedPass;
import tachylim.server.ceiling.StandingService;
import tachylim.server.ceiling.Subject;
import tachylim.server.repertoire.RepertoireService;
import tachylim.server.web.Refused;
import tachylim.server.workout.PlanService;
import tachylim.server.workout.StoredWorkout;
import tachylim.task.Answer;
import tachylim.task.Tension;
import tachylim.task.Verdict;
import tachylim.words.Reason;
import tachylim.workout.Block;
import tachylim.workout.Pass;
import tachylim.workout.Segment;
import tachylim.workout.Theme;
import tachylim.workout.Workout;

/**
 * Puts right what was said of passes by mistake. What was played stays played and counts for the load; what was learned of
 * the section's ceiling is learned anew from the morning of that workout on, through every workout since.
 */
@Service
public class Corrections {

    private final RunService runs;
    private final RunSegmentRepository segments;
    private final RunSummaries summaries;
    private final PlanService plans;
    private final Passes passes;
    private final StandingService standings;
    private final RepertoireService repertoire;
    private final AccountService accounts;
    private final Clock clock;

    Corrections(
            RunService runs,
            RunSegmentRepository segments,
            RunSummaries summaries,
            PlanService plans,
            Passes passes,
            StandingService standings,
            RepertoireService repertoire,
            AccountService accounts,
            Clock clock) {
        this.runs = runs;
        this.segments = segments;
        this.summaries = summaries;
        this.plans = plans;
        this.passes = passes;
        this.standings = standings;
        this.repertoire = repertoire;
        this.accounts = accounts;
        this.clock = clock;
    }

    /** A pass of a workout as it is kept, with its place in it. */
    public record StoredSegment(int place, int ordinal, Segment segment, Instant correctedAt) {}

    @Transactional(readOnly = true)
    public List<StoredSegment> passes(SignedIn who, StoredRun stored) {
        return segments.findByAccountIdAndRunIdOrderByPlace(who.accountId(), stored.id()).stream()
                .map(one -> new StoredSegment(one.place(), one.ordinal(), one.segment(), one.correctedAt()))
                .filter(one -> one.segment().step() instanceof Pass)
                .toList();
    }

    /**
     * Says something else of a pass, or nothing.
     *
     * @param verdict how it went; null to withdraw what was said
     * @return whether the ceiling could be learned anew; it cannot from workouts older than two weeks
     */
    @Transactional
    public boolean correct(SignedIn who, long runId, int place, Verdict verdict, Tension tension, Double told) {
        StoredRun stored = runs.get(who, runId);
        if (stored.outcome() == null) {
            throw Refused.field("runId", Reason.of("refusal.corrections.thisWorkoutIsStillOpenEnd"));
        }
        RunSegment kept = segments.findByAccountIdAndRunIdAndPlace(who.accountId(), runId, place)
                .filter(one -> one.segment().step() instanceof Pass)
                .orElseThrow(() -> Refused.notFound(Reason.of("refusal.corrections.thisPassIsNotHere")));
        Segment was = kept.segment();
        Segment now = was.corrected(answer(was, verdict, tension, told));
        checkTension(who, stored, was, now);
        kept.corrected(now, clock.instant());
        segments.flush();
        passes.corrected(who, runId, kept.ordinal(), now);
        summaries.forget(stored);
        StoredWorkout workout = plans.get(who, stored.workoutId());
        return learnAnew(who, stored, themeOf(workout.workout(Map.of()), now));
    }

    private static Answer answer(Segment was, Verdict verdict, Tension tension, Double told) {
        Pass pass = (Pass) was.step();
        if (verdict == null) {
            return null;
        }
        double figure = told != null
                ? told
                : was.answer() == null || verdict != was.answer().verdict()
                        ? Answer.NOTHING_TOLD
                        : was.answer().told();
        return Refused.unlessValid("told", () -> pass.ask().answer(verdict, tension, figure));
    }

    /** What has cost today cannot cost less today: that would be more of a day. */
    private void checkTension(SignedIn who, StoredRun stored, Segment was, Segment now) {
        boolean lower = !now.after().tension().atLeast(was.after().tension());
        if (lower && !stored.day().isBefore(accounts.today(who))) {
            throw Refused.field("tension", Reason.of("refusal.corrections.onItsOwnDayATensionCanOnly"));
        }
    }

    private static int themeOf(Workout workout, Segment segment) {
        return block(workout, segment).theme();
    }

    private static Block block(Workout workout, Segment segment) {
        return workout.blocks().get(segment.block());
    }

    private boolean learnAnew(SignedIn who, StoredRun first, int theme) {
        StoredWorkout workout = plans.get(who, first.workoutId());
        Optional<Posterior> start = plans.startingBelief(workout, theme);
        if (start.isEmpty()) {
            return false;
        }
        long sectionId =
                first.sectionOf(workout.workout(Map.of()).brief().themes().get(theme));
        Subject subject = repertoire.anySection(who, sectionId).subject();
        standings.goBack(who, subject, first.day(), start.get());
        for (long runId : passes.runsOf(who, sectionId, first.id())) {
            StoredRun run = runs.get(who, runId);
            learnAgain(who, run, sectionId, subject);
        }
        standings.felt(who, subject, accounts.today(who));
        return true;
    }

    private void learnAgain(SignedIn who, StoredRun run, long sectionId, Subject subject) {
        StoredWorkout stored = plans.get(who, run.workoutId());
        Workout workout = stored.workout(Map.of());
        List<Theme> themes = workout.brief().themes();
        for (int theme = 0; theme < themes.size(); theme++) {
            // One that is being played goes on from what it began with: its steps were told by that.
            if (run.sectionOf(themes.get(theme)) == sectionId && run.outcome() != null) {
                plans.startFrom(stored, theme, standings.believed(who, subject, run.day()));
            }
        }
        List<PlayedPass> played = passes.ofRuns(who.accountId(), List.of(run.id()));
        Map<Integer, LocalDate> days =
                played.stream().collect(Collectors.toMap(PlayedPass::ordinal, PlayedPass::day, (one, same) -> one));
        Set<Integer> history = played.stream()
                .filter(PlayedPass::isHistory)
                .map(PlayedPass::ordinal)
                .collect(Collectors.toSet());
        List<Segment> past = new ArrayList<>();
        for (RunSegment kept : segments.findByAccountIdAndRunIdOrderByPlace(who.accountId(), run.id())) {
            Segment segment = kept.segment();
            if (segment.step() instanceof Pass
                    && !history.contains(kept.ordinal())
                    && segment.block() < workout.blocks().size()) {
                Block block = block(workout, segment);
                Theme theme = themes.get(block.theme());
                if (run.sectionOf(theme) == sectionId) {
                    List<Evidence> evidence = segment.evidence(block.music(), past).stream()
                            .filter(theme.known()::tells)
                            .toList();
                    if (!evidence.isEmpty()) {
                        standings.learn(who, subject, days.getOrDefault(kept.ordinal(), run.day()), evidence);
                    }
                }
            }
            past.add(segment);
        }
    }
}
