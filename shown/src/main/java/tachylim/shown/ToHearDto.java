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
 * @param bars the bar in which each of these stands, from 1; 0 for a pickup
 * @param beats the beat of the bar on which each of these stands or after which it comes, from 1
 */
public record ToHearDto(
        Ask.Kind ask,
        int of,
        double tempo,
        int notes,
        List<Integer> bars,
        List<Integer> beats,
        List<List<Asked>> passes) {

    private static final Codec<Asked> ASKED = Codec.object(asked -> new Asked(
            asked.number("beat", Asked::beat),
            asked.number("beats", Asked::beats),
            asked.get("pitches", Codec.WHOLE.list(), Asked::pitches)));

    public static final Codec<ToHearDto> CODEC = Codec.object(heard -> new ToHearDto(
            heard.get("ask", Codec.constants(Ask.Kind.values()), ToHearDto::ask),
            heard.whole("of", ToHearDto::of),
            heard.number("tempo", ToHearDto::tempo),
            heard.whole("notes", ToHearDto::notes),
            heard.get("bars", Codec.WHOLE.list(), ToHearDto::bars),
            heard.get("beats", Codec.WHOLE.list(), ToHearDto::beats),
            heard.get("passes", ASKED.list().list(), ToHearDto::passes)));

    private static ToHearDto of(Ask ask, double tempo, List<ToHear.Place> places, List<List<Asked>> passes) {
        return new ToHearDto(
                ask.kind(),
                ask.of(),
                tempo,
                places.size(),
                places.stream().map(ToHear.Place::bar).toList(),
                places.stream().map(ToHear.Place::beat).toList(),
                passes);
    }

    /** Of some music played once through at a tempo. */
    public static ToHearDto once(Passage music, double tempo) {
        return of(Ask.VERDICT, tempo, ToHear.places(music), List.of(ToHear.once(music)));
    }

    /** Of the step a run stands at. */
    public static ToHearDto of(Run run) {
        if (!(run.step() instanceof Pass pass)) {
            return of(Ask.NOTHING, 0, List.of(), List.of());
        }
        Passage music = run.blocks().get(run.block()).music().notes();
        return of(pass.ask(), pass.tempo().bpm(), ToHear.places(pass, music), ToHear.in(pass, music));
    }
}
