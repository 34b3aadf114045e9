package tachylim.server.run;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Component;
import tachylim.count.Count;
import tachylim.method.ChangeCount;
import tachylim.server.account.AccountService;
import tachylim.server.account.SignedIn;
import tachylim.server.ceiling.Passes;
import tachylim.server.count.CountService;
import tachylim.server.load.LoadService;
import tachylim.server.repertoire.RepertoireService;
import tachylim.server.repertoire.StoredSection;
import tachylim.server.sheet.ChoiceService;
import tachylim.server.web.ProblemCode;
import tachylim.server.web.Refused;
import tachylim.task.Answer;
import tachylim.words.Reason;
import tachylim.workout.Block;
import tachylim.workout.Pass;
import tachylim.workout.Run;
import tachylim.workout.Segment;

/** Keeps what happens in a run: the event, the segment it became, and what ceiling and load learn from it. */
@Component
class RunRecorder {

    private final RunEventRepository events;
    private final RunSegmentRepository segments;
    private final RunSummaries summaries;
    private final Passes passes;
    private final RepertoireService repertoire;
    private final ChoiceService choices;
    private final AccountService accounts;
    private final LoadService load;
    private final CountService counts;

    RunRecorder(
            RunEventRepository events,
            RunSegmentRepository segments,
            RunSummaries summaries,
            Passes passes,
            RepertoireService repertoire,
            ChoiceService choices,
            AccountService accounts,
            LoadService load,
            CountService counts) {
        this.events = events;
        this.segments = segments;
        this.summaries = summaries;
        this.passes = passes;
        this.repertoire = repertoire;
        this.choices = choices;
        this.accounts = accounts;
        this.load = load;
        this.counts = counts;
    }

    /** The run after an event, or a refusal that says why it does not fit. */
    static Run step(Run before, RunEvent event) {
        try {
            return Refused.unlessValid(
                    "seconds", () -> before.after(event.kept().event(before)));
        } catch (IllegalStateException outOfStep) {
            throw Refused.conflict(ProblemCode.OUT_OF_STEP, Reason.of("refusal.run.outOfStep"));
        }
    }

    /**
     * Keeps an event that takes a run from {@code before} to {@code after}.
     *
     * @param history whether it came so late that it counts for its day, and says nothing of a ceiling
     */
    void keep(SignedIn who, StoredRun stored, Run before, Run after, RunEvent event, boolean history) {
        if (history) {
            stored.cameLate();
            load.holdCaps(who);
        }
        events.save(event);
        summaries.forget(stored);
        List<Segment> fresh =
                after.past().subList(before.past().size(), after.past().size());
        int place = before.past().size();
        for (Segment segment : fresh) {
            segments.save(new RunSegment(who.accountId(), stored.id(), place, event.ordinal(), segment));
            if (segment.step() instanceof Pass) {
                StoredSection section = section(who, stored, after, segment);
                Passes.Place at = place(who, stored, event, history);
                passes.keep(who, section.subject(), at, after, place);
                Block block = after.blocks().get(segment.block());
                if (!block.music().isAsWritten() && segment.isPlayed()) {
                    choices.playedInRun(who, section, block.music().variation(), at.day());
                }
                if (block.method() instanceof ChangeCount change
                        && block.music().isAsWritten()) {
                    counted(segment.answer(), change, at.day())
                            .ifPresent(count -> counts.countedInWorkout(
                                    who,
                                    section.passage(),
                                    section.notes().firstNote() + change.change(),
                                    event.clientId(),
                                    count,
                                    event.at()));
                }
            }
            place++;
        }
        if (!fresh.isEmpty() && !history) {
            load.cameOut(who, after.tally().condition(), event.at());
        }
    }

    /** What was counted of a change, where it was said. */
    private static Optional<Count> counted(Answer answer, ChangeCount change, LocalDate day) {
        return Optional.ofNullable(answer)
                .filter(Answer::tells)
                .map(said -> new Count(day, change.seconds(), (int) said.told()));
    }

    /** The section that was played in a segment. */
    private StoredSection section(SignedIn who, StoredRun stored, Run run, Segment segment) {
        int theme = run.blocks().get(segment.block()).theme();
        return repertoire.anySection(
                who, stored.sectionOf(run.workout().brief().themes().get(theme)));
    }

    private Passes.Place place(SignedIn who, StoredRun stored, RunEvent event, boolean history) {
        return new Passes.Place(stored.id(), event.ordinal(), accounts.get(who).day(event.at()), event.at(), history);
    }

    /** Keeps what a tension put right has changed of the last pass. */
    void amend(SignedIn who, StoredRun stored, Run run, RunEvent event) {
        int last = run.past().size() - 1;
        Segment segment = run.past().get(last);
        segments.findByAccountIdAndRunIdAndPlace(who.accountId(), stored.id(), last)
                .ifPresent(kept -> kept.segment(segment));
        passes.felt(who, section(who, stored, run, segment).subject(), place(who, stored, event, false), segment);
        load.cameOut(who, run.tally().condition(), event.at());
    }

    /** Takes back what counted as left without a word, since the word has come after all. */
    void forgetLeft(SignedIn who, StoredRun stored, int place, int ordinal) {
        segments.findByAccountIdAndRunIdAndPlace(who.accountId(), stored.id(), place)
                .ifPresent(segments::delete);
        passes.forget(who, stored.id(), ordinal);
        segments.flush();
    }

    /** What was played and rested in a run, as it was kept. */
    List<Segment> segments(SignedIn who, StoredRun stored) {
        return segments.findByAccountIdAndRunIdOrderByPlace(who.accountId(), stored.id()).stream()
                .map(RunSegment::segment)
                .toList();
    }
}
