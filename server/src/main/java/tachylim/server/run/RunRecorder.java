package tachylim.server.run;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Component;
import tachylim.count.Count;
import tachylim.method.ChangeCount;
import tachylim.passage.InstrumentFamily;
import tachylim.server.account.AccountService;
import tachylim.server.account.SignedIn;
import tachylim.server.ceiling.Passes;
import tachylim.server.count.CountService;
import tachylim.server.load.LoadService;
import tachylim.server.repertoire.RepertoireService;
import tachylim.server.repertoire.StoredSection;
import tachylim.server.run.RunDtos.EventWish;
import tachylim.server.sheet.ChoiceService;
import tachylim.server.take.MeasuredPlace;
import tachylim.server.take.TakeService;
import tachylim.server.web.ProblemCode;
import tachylim.server.web.Refused;
import tachylim.shown.EventDto;
import tachylim.shown.MeasuredDto;
import tachylim.take.Confusion;
import tachylim.task.Answer;
import tachylim.task.Ask;
import tachylim.task.Hearing;
import tachylim.task.Verdict;
import tachylim.words.Reason;
import tachylim.workout.Block;
import tachylim.workout.Music;
import tachylim.workout.Pass;
import tachylim.workout.Run;
import tachylim.workout.Segment;
import tachylim.workout.Suggestion;

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
    private final TakeService takes;

    RunRecorder(
            RunEventRepository events,
            RunSegmentRepository segments,
            RunSummaries summaries,
            Passes passes,
            RepertoireService repertoire,
            ChoiceService choices,
            AccountService accounts,
            LoadService load,
            CountService counts,
            TakeService takes) {
        this.events = events;
        this.segments = segments;
        this.summaries = summaries;
        this.passes = passes;
        this.repertoire = repertoire;
        this.choices = choices;
        this.accounts = accounts;
        this.load = load;
        this.counts = counts;
        this.takes = takes;
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

    /**
     * The wish as far as it is trusted: a word that was taken without a hand says that a pass went well only once enough was
     * confirmed; until then the pass counts as played. A page that is behind may not know.
     */
    EventWish trusted(SignedIn who, StoredRun stored, Run run, EventWish wish) {
        boolean taken =
                wish.kind() == EventDto.Kind.JUDGED && Boolean.TRUE.equals(wish.taken()) && run.step() instanceof Pass;
        return !taken
                        || Suggestion.mayBeTaken(
                                answer(wish, run), confusion(who, stored, run).mayRaise())
                ? wish
                : wish.unjudged();
    }

    private static Answer answer(EventWish wish, Run run) {
        Pass pass = (Pass) run.step();
        return pass.ask().kind() == Ask.Kind.SET && wish.told() != null
                ? Answer.ofSet(
                        (int) Math.min(wish.told(), pass.ask().of()), pass.ask().of(), null)
                : new Answer(wish.verdict() == null ? Verdict.CLEAN : wish.verdict(), null);
    }

    private Confusion confusion(SignedIn who, StoredRun stored, Run run) {
        int theme = run.blocks().get(run.block()).theme();
        InstrumentFamily instrument = repertoire
                .anySection(who, stored.sectionOf(run.workout().brief().themes().get(theme)))
                .passage()
                .instrument();
        return takes.confusion(who, instrument);
    }

    /** What a microphone measured of the step that a run stands at, as evidence; null where none listened. */
    Hearing hearing(SignedIn who, StoredRun stored, Run run, EventWish wish) {
        if (wish.kind() != EventDto.Kind.JUDGED
                || wish.measured() == null
                || wish.measured().isEmpty()
                || !(run.step() instanceof Pass)) {
            return null;
        }
        return confusion(who, stored, run)
                .hearing(
                        wish.measured().stream().map(MeasuredDto::verdict).toList(), Boolean.TRUE.equals(wish.taken()));
    }

    /**
     * Keeps what a microphone measured of the passes that an event is about, once.
     *
     * @param run the run with it
     */
    void measured(SignedIn who, StoredRun stored, Run run, RunEvent event, EventWish wish) {
        if (wish.measured() == null || wish.measured().isEmpty()) {
            return;
        }
        segments.findByAccountIdAndRunIdAndOrdinal(who.accountId(), stored.id(), event.ordinal()).stream()
                .map(RunSegment::place)
                .filter(place ->
                        place < run.past().size() && run.past().get(place).step() instanceof Pass)
                .findFirst()
                .filter(place -> !takes.has(who, stored.id(), event.ordinal()))
                .ifPresent(place -> measured(who, stored, run, run.past().get(place), event, wish));
    }

    private void measured(SignedIn who, StoredRun stored, Run run, Segment segment, RunEvent event, EventWish wish) {
        Pass pass = (Pass) segment.step();
        StoredSection section = section(who, stored, run, segment);
        Block block = run.blocks().get(segment.block());
        String way = segment.way(block.music());
        MeasuredPlace place = new MeasuredPlace(
                stored.id(),
                event.ordinal(),
                section.id(),
                section.passage().id(),
                section.passage().edition(),
                accounts.get(who).day(event.at()),
                section.passage().instrument(),
                section.notes().firstNote()
                        + Music.firstNoteOf(way)
                        + pass.notes().firstNote(),
                pass.notes().size(),
                way,
                segment.tempoAsWritten(block.music()).bpm());
        int passes = Math.min(segment.passes(), wish.measured().size());
        takes.keep(who, place, wish.measured().subList(0, passes), said(segment), !Boolean.TRUE.equals(wish.taken()));
    }

    /** What was said of each pass of a segment; of a set nobody says which were clean, so that nothing is said of each. */
    private static List<Verdict> said(Segment segment) {
        return segment.answer() == null || segment.passes() > 1
                ? List.of()
                : List.of(segment.answer().verdict());
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
