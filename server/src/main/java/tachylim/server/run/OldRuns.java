package tachylim.server.run;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.ApplicationArguments;
import org.springframework.boot.ApplicationRunner;
import org.springframework.context.annotation.Lazy;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;
import tachylim.load.Condition;
import tachylim.load.Reserve;
import tachylim.passage.Piece;
import tachylim.server.ceiling.Passes;
import tachylim.server.ceiling.PlayedPass;
import tachylim.server.ensemble.Again;
import tachylim.server.ensemble.Baton;
import tachylim.server.workout.PlanService;
import tachylim.server.workout.StoredWorkout;
import tachylim.task.Answer;
import tachylim.task.Tension;
import tachylim.workout.Part;
import tachylim.workout.Pass;
import tachylim.workout.Rest;
import tachylim.workout.Run;
import tachylim.workout.Segment;
import tachylim.workout.Step;
import tachylim.workout.Tally;

/**
 * Gives runs from before segments were kept their segments, from the passes and rests that were kept then: once, at the
 * start after the upgrade, before anybody looks.
 */
@Component
@Lazy(false)
class OldRuns implements ApplicationRunner {

    private static final Logger LOG = LoggerFactory.getLogger(OldRuns.class);

    /** What was not kept: a bar to count in, and the time to answer. */
    private static final int COUNT_IN = 4;

    private static final double ANSWER_SECONDS = 4;
    private static final String NO_REASON = "Played before reasons were kept.";

    private final RunRepository runs;
    private final RunEventRepository events;
    private final RunSegmentRepository segments;
    private final Passes passes;
    private final PlanService plans;
    private final TransactionTemplate transaction;
    private final JdbcClient sql;
    private final Baton baton;

    OldRuns(
            RunRepository runs,
            RunEventRepository events,
            RunSegmentRepository segments,
            Passes passes,
            PlanService plans,
            TransactionTemplate transaction,
            JdbcClient sql,
            Baton baton) {
        this.runs = runs;
        this.events = events;
        this.segments = segments;
        this.passes = passes;
        this.plans = plans;
        this.transaction = transaction;
        this.sql = sql;
        this.baton = baton;
    }

    @Override
    public void run(ApplicationArguments arguments) {
        if (!old().isEmpty()) {
            baton.alone("old-runs", this::keepAll);
        }
    }

    private List<Long> old() {
        return sql.sql(
                        "select r.id from run r join workout w on w.id = r.workout_id where w.planned is null order by r.id")
                .query(Long.class)
                .list();
    }

    private int keepAll() {
        List<Long> old = old();
        old.forEach(id -> Again.run(() -> transaction.executeWithoutResult(
                status -> keep(runs.findById(id).orElseThrow()))));
        LOG.info("Kept the segments of {} runs from before there were any", old.size());
        return old.size();
    }

    private void keep(StoredRun stored) {
        StoredWorkout workout = plans.ofAnyone(stored.workoutId());
        workout.planned(planned(workout));
        int place = 0;
        for (Kept one : played(stored)) {
            segments.save(new RunSegment(stored.accountId(), stored.id(), place++, one.ordinal, one.segment));
        }
    }

    /** Plans were not kept either: this is what it looks like by the rules of today, or nothing where they refuse it. */
    private static List<Segment> planned(StoredWorkout workout) {
        try {
            return Run.start(workout.workout(Map.of())).ahead();
        } catch (RuntimeException refused) {
            LOG.info("The plan of workout {} cannot be drawn: {}", workout.id(), refused.getMessage());
            return List.of();
        }
    }

    private record Kept(int ordinal, Segment segment) {}

    private List<Kept> played(StoredRun stored) {
        Map<Integer, PlayedPass> byOrdinal = passes.ofRuns(stored.accountId(), List.of(stored.id())).stream()
                .collect(Collectors.toMap(PlayedPass::ordinal, Function.identity()));
        List<Kept> kept = new ArrayList<>();
        Tally now = new Tally(Condition.FRESH, 0, 0, 0, 0, 0, Tension.LIGHT, Tension.LOOSE);
        Part part = Part.WARM_UP;
        int block = 0;
        for (RunEvent event : events.findByAccountIdAndRunIdOrderByOrdinal(stored.accountId(), stored.id())) {
            PlayedPass pass = byOrdinal.get(event.ordinal());
            if (pass != null) {
                block += pass.part() == part ? 0 : 1;
                part = pass.part();
                Segment segment = segment(pass, part, block, now);
                kept.add(new Kept(event.ordinal(), segment));
                now = segment.after();
            } else if (event.kind() == RunEvent.Kind.RESTED) {
                Segment segment = rest(event.seconds(), part, block, now);
                kept.add(new Kept(event.ordinal(), segment));
                now = segment.after();
            }
        }
        return kept;
    }

    private static Segment segment(PlayedPass pass, Part part, int block, Tally before) {
        int beats = (int) Math.round(pass.playSeconds() * pass.tempo().bpm() / 60);
        Pass step = new Pass(
                pass.kind(), pass.tempo(), new Piece(0, Math.max(0, pass.notes() - 1)), beats, 1, COUNT_IN, NO_REASON);
        Tally came = new Tally(
                new Condition(new Reserve(pass.reserve(), Reserve.USUAL_K), before.sinceBreak()),
                before.effort(),
                before.burstSeconds(),
                before.playingSeconds(),
                before.elapsed(),
                before.leastSeconds(),
                before.tension(),
                before.worstTension());
        double seconds = step.countInSeconds() + pass.playSeconds() + ANSWER_SECONDS;
        Tally after = new Tally(
                came.condition().played(came.reserve(), seconds),
                came.effort() + pass.effort(),
                came.burstSeconds() + pass.burstSeconds(),
                came.playingSeconds() + pass.playSeconds(),
                came.elapsed() + seconds,
                came.leastSeconds() + step.seconds(),
                pass.tension(),
                pass.tension().atLeast(came.worstTension()) ? pass.tension() : came.worstTension());
        return new Segment(
                step, part, block, before.elapsed(), seconds, new Answer(pass.verdict(), pass.tension()), came, after);
    }

    private static Segment rest(double seconds, Part part, int block, Tally before) {
        Step step = new Rest(Rest.Reason.RECOVER, seconds, NO_REASON);
        Tally after = new Tally(
                before.condition().rested(seconds),
                before.effort(),
                before.burstSeconds(),
                before.playingSeconds(),
                before.elapsed() + seconds,
                before.leastSeconds() + seconds,
                before.tension(),
                before.worstTension());
        return new Segment(step, part, block, before.elapsed(), seconds, null, before, after);
    }
}
