package tachylim.shown;

import java.util.List;
import java.util.stream.IntStream;
import tachylim.notation.abc.AbcWriter;
import tachylim.passage.Passage;
import tachylim.shown.Moment.ClickDto;
import tachylim.shown.Moment.PassDto;
import tachylim.shown.Moment.RestDto;
import tachylim.shown.Moment.StepDto;
import tachylim.task.Pulse;
import tachylim.words.Reason;
import tachylim.workout.ClickProgramme;
import tachylim.workout.Done;
import tachylim.workout.Pass;
import tachylim.workout.Rest;
import tachylim.workout.Run;
import tachylim.workout.Segment;
import tachylim.workout.Step;

/** Says a step of a run in what a page needs to show and sound it. */
final class StepDescription {

    static final Reason THE_END = Reason.of("next.end");

    private final Run run;
    private final List<Segment> ahead;
    private final int firstNote;

    /**
     * @param firstNote which note of its passage the section at hand begins with
     */
    StepDescription(Run run, int firstNote) {
        this.run = run;
        this.firstNote = firstNote;
        this.ahead = run.ahead();
    }

    StepDto step() {
        Step step = run.step();
        if (step instanceof Pass pass) {
            return new StepDto(step.why(), pass(pass), null, null);
        }
        if (step instanceof Rest rest) {
            return new StepDto(step.why(), null, new RestDto(rest.purpose(), rest.seconds()), null);
        }
        return new StepDto(step.why(), null, null, ((Done) step).cause());
    }

    private PassDto pass(Pass pass) {
        Passage music = run.blocks().get(run.block()).music().notes();
        Passage played = pass.written(music);
        AbcWriter.Written written = AbcWriter.engraving(played);
        Passage bare = played.unmarked();
        boolean asWritten = run.blocks().get(run.block()).music().isAsWritten()
                && pass.pulse().kind() != Pulse.Kind.SWITCHING;
        List<ClickDto> clicks = ClickProgramme.of(pass, music).stream()
                .map(click -> new ClickDto(click.seconds(), click.kind()))
                .toList();
        int before = (int)
                run.past().stream().filter(segment -> isLike(segment, pass)).count();
        int after =
                (int) ahead.stream().filter(segment -> isLike(segment, pass)).count();
        return new PassDto(
                pass.kind(),
                pass.tempo().bpm(),
                pass.beats(),
                pass.rounds(),
                pass.countIn(),
                pass.seconds(),
                pass.pulse().metronome(),
                pass.pulse().fastest().bpm(),
                pass.pulse().kind(),
                pass.task().manner(),
                pass.ask().kind(),
                pass.ask().of(),
                pass.rate(music),
                written.abc(),
                written.places(),
                bare.equals(played) ? null : AbcWriter.engraving(bare).abc(),
                played.notes().stream()
                        .map(note -> (int) note.onset().doubleValue())
                        .toList(),
                IntStream.range(0, played.bars())
                        .mapToObj(bar -> played.barStart(bar).doubleValue())
                        .toList(),
                pass.roundBeats(played),
                asWritten ? firstNote + pass.notes().firstNote() : null,
                pass.notes().size() == music.notes().size(),
                before + 1,
                before + after,
                clicks);
    }

    /** Passes of one kind in one block are counted together. */
    private boolean isLike(Segment segment, Pass pass) {
        return segment.block() == run.block() && segment.step() instanceof Pass other && other.kind() == pass.kind();
    }

    /** What comes after this step if it goes well, in a few words. */
    Reason upcoming() {
        List<Reason> steps = ahead.stream()
                .skip(1)
                .limit(2)
                .map(Segment::step)
                .map(StepDescription::next)
                .toList();
        return switch (steps.size()) {
            case 0 -> THE_END;
            case 1 -> steps.get(0);
            default -> Reason.of("next.two", "first", steps.get(0), "second", steps.get(1));
        };
    }

    private static Reason next(Step step) {
        return step instanceof Pass pass
                ? Reason.of("next." + pass.kind().name(), "tempo", pass.tempo())
                : Reason.of("next.REST", "seconds", Math.round(step.seconds()));
    }
}
