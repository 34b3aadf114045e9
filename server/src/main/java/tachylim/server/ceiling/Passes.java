package tachylim.server.ceiling;

import java.time.Instant;
import java.time.LocalDate;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import org.springframework.data.domain.Limit;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import tachylim.method.Verdict;
import tachylim.passage.Passage;
import tachylim.server.account.SignedIn;
import tachylim.tempo.Tempo;
import tachylim.workout.Pass;
import tachylim.workout.Segment;

/** All passes that were played: kept as they come, learned from, and asked about by whoever needs them. */
@Component
public class Passes {

    private static final Limit MOST = Limit.of(2_000);

    private final PlayedPassRepository passes;
    private final StandingService standings;

    Passes(PlayedPassRepository passes, StandingService standings) {
        this.passes = passes;
        this.standings = standings;
    }

    /** One pass of a run: which run, which of its events, and when. */
    public record Place(long runId, int ordinal, LocalDate day, Instant at) {}

    /** Keeps a pass of {@code music}, and lets its piece's ceiling learn from it. */
    @Transactional
    public void keep(SignedIn who, Subject subject, Place place, Segment segment, Passage music) {
        double rate = ((Pass) segment.step()).rate(music);
        passes.save(new PlayedPass(who.accountId(), subject.pieceId(), place, segment, rate));
        segment.evidence(music).ifPresent(evidence -> standings.learn(who, subject, place.day(), evidence));
    }

    /** Takes over a tension that was put right. */
    @Transactional
    public void felt(SignedIn who, long runId, int ordinal, Segment segment) {
        passes.findByAccountIdAndRunIdAndOrdinal(who.accountId(), runId, ordinal)
                .ifPresent(pass -> pass.felt(segment));
    }

    /** Takes back a pass that counted as left without a word. */
    @Transactional
    public void forget(SignedIn who, long runId, int ordinal) {
        passes.findByAccountIdAndRunIdAndOrdinal(who.accountId(), runId, ordinal)
                .ifPresent(passes::delete);
        passes.flush();
    }

    @Transactional(readOnly = true)
    public List<PlayedPass> ofRuns(long accountId, Collection<Long> runIds) {
        return passes.findByAccountIdAndRunIdIn(accountId, runIds);
    }

    /** Each day's sums, oldest first. */
    @Transactional(readOnly = true)
    public List<DaySums> days(SignedIn who, LocalDate from, LocalDate to) {
        return passes.days(who.accountId(), from, to);
    }

    /** Passes of some pieces that broke after {@code day}, newest first. */
    @Transactional(readOnly = true)
    public List<PlayedPass> brokenAfter(SignedIn who, Collection<Long> pieceIds, LocalDate day) {
        return passes.findByAccountIdAndPieceIdInAndVerdictAndDayGreaterThanOrderByDayDesc(
                who.accountId(), pieceIds, Verdict.BROKE, day, MOST);
    }

    /** Where the last climb on a piece ended: the tempo of its last pass. */
    @Transactional(readOnly = true)
    public Optional<Tempo> lastClimb(SignedIn who, long pieceId) {
        return passes.lastClimb(who.accountId(), pieceId, Limit.of(1)).stream()
                .map(PlayedPass::tempo)
                .findFirst();
    }
}
