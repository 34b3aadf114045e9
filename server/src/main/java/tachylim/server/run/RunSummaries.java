package tachylim.server.run;

import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import tachylim.server.account.SignedIn;
import tachylim.server.ceiling.Passes;
import tachylim.server.ceiling.PlayedPass;

/** What workouts came to: added up when one that is over is first looked at, and kept from then on. */
@Component
public class RunSummaries {

    private final RunSummaryRepository summaries;
    private final Passes passes;

    RunSummaries(RunSummaryRepository summaries, Passes passes) {
        this.summaries = summaries;
        this.passes = passes;
    }

    /** What some runs came to so far, in one query for those that are known and one for the others. */
    @Transactional
    public Map<Long, RunSummary> of(SignedIn who, List<StoredRun> runs) {
        List<Long> ids = runs.stream().map(StoredRun::id).toList();
        Map<Long, RunSummary> found = new HashMap<>(summaries.findByAccountIdAndRunIdIn(who.accountId(), ids).stream()
                .collect(Collectors.toMap(RunSummary::getId, Function.identity())));
        List<StoredRun> fresh =
                runs.stream().filter(run -> !found.containsKey(run.id())).toList();
        if (!fresh.isEmpty()) {
            Map<Long, List<PlayedPass>> played =
                    passes
                            .ofRuns(
                                    who.accountId(),
                                    fresh.stream().map(StoredRun::id).toList())
                            .stream()
                            .sorted(Comparator.comparingInt(PlayedPass::ordinal))
                            .collect(Collectors.groupingBy(PlayedPass::runId));
            for (StoredRun run : fresh) {
                RunSummary summary = new RunSummary(run, played.getOrDefault(run.id(), List.of()));
                found.put(run.id(), run.outcome() == null ? summary : summaries.save(summary));
            }
        }
        return found;
    }

    /** Forgets what a run came to, since it has come to something else. */
    void forget(StoredRun run) {
        if (run.outcome() != null) {
            summaries.findById(run.id()).ifPresent(summaries::delete);
        }
    }
}
