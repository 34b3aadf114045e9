package tachylim.shown;

import java.util.List;
import tachylim.codec.Codec;
import tachylim.passage.Passage;
import tachylim.take.Asked;
import tachylim.task.Ask;
import tachylim.workout.Pass;
import tachylim.workout.Run;
import tachylim.workout.ToHear;

/**
 * What a microphone is to hear of a step: the notes of each of its passes, none where there is nothing to play to.
 *
 * @param notes how many notes it has once through
 */
public record ToHearDto(Ask.Kind ask, int of, double tempo, int notes, List<List<Asked>> passes) {

    private static final Codec<Asked> ASKED = Codec.object(asked -> new Asked(
            asked.number("beat", Asked::beat),
            asked.number("beats", Asked::beats),
            asked.get("pitches", Codec.WHOLE.list(), Asked::pitches)));

    public static final Codec<ToHearDto> CODEC = Codec.object(heard -> new ToHearDto(
            heard.get("ask", Codec.constants(Ask.Kind.values()), ToHearDto::ask),
            heard.whole("of", ToHearDto::of),
            heard.number("tempo", ToHearDto::tempo),
            heard.whole("notes", ToHearDto::notes),
            heard.get("passes", ASKED.list().list(), ToHearDto::passes)));

    /** Of some music played once through at a tempo. */
    public static ToHearDto once(Passage music, double tempo) {
        return new ToHearDto(Ask.Kind.VERDICT, 1, tempo, music.notes().size(), List.of(ToHear.once(music)));
    }

    /** Of the step a run stands at. */
    public static ToHearDto of(Run run) {
        if (!(run.step() instanceof Pass pass)) {
            return new ToHearDto(Ask.Kind.NOTHING, 1, 0, 0, List.of());
        }
        Passage music = run.blocks().get(run.block()).music().notes();
        return new ToHearDto(
                pass.ask().kind(),
                pass.ask().of(),
                pass.tempo().bpm(),
                pass.notes().size(),
                ToHear.in(pass, music));
    }
}
