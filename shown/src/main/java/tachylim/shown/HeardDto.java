package tachylim.shown;

import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import tachylim.codec.Codec;
import tachylim.record.HearingCodec;
import tachylim.take.Confusion;
import tachylim.take.Measured;
import tachylim.task.Answer;
import tachylim.task.Ask;
import tachylim.task.Hearing;
import tachylim.task.Verdict;
import tachylim.workout.Suggestion;

/**
 * What was heard of a step.
 *
 * @param takes each of its passes
 * @param suggested what would be answered; null where that cannot be told
 * @param alone what is answered where the player says nothing to it; null where that is nothing
 * @param heard what it is as evidence, beside what a hand says
 */
public record HeardDto(List<TakeDto> takes, SuggestedDto suggested, SuggestedDto alone, Hearing heard) {

    public static final Codec<HeardDto> CODEC = Codec.object(heard -> new HeardDto(
            heard.get("takes", TakeDto.CODEC.list(), HeardDto::takes),
            heard.get("suggested", SuggestedDto.CODEC.nullable(), HeardDto::suggested),
            heard.get("alone", SuggestedDto.CODEC.nullable(), HeardDto::alone),
            heard.get("heard", HearingCodec.HEARING, HeardDto::heard)));

    /** An answer as a page would send it. */
    public record SuggestedDto(Verdict verdict, Double told) {

        static final Codec<SuggestedDto> CODEC = Codec.object(answer -> new SuggestedDto(
                answer.get("verdict", Codec.constants(Verdict.values()), SuggestedDto::verdict),
                answer.get("told", Codec.NUMBER.nullable(), SuggestedDto::told)));

        static SuggestedDto of(Optional<Answer> answer) {
            return answer.map(one -> new SuggestedDto(one.verdict(), one.tells() ? one.told() : null))
                    .orElse(null);
        }
    }

    /**
     * What was heard.
     *
     * @param confusion what was confirmed of this player before
     */
    public static HeardDto of(Ask ask, List<Measured> passes, Confusion confusion) {
        return of(ask, passes, confusion, pass -> null);
    }

    /**
     * What an instrument told of itself.
     *
     * @param hands how the hands of a pass lie against each other
     */
    public static HeardDto of(Ask ask, List<Measured> passes, Confusion confusion, Function<Measured, HandsDto> hands) {
        return new HeardDto(
                passes.stream().map(pass -> TakeDto.of(pass, hands.apply(pass))).toList(),
                SuggestedDto.of(Suggestion.of(ask, passes)),
                SuggestedDto.of(Suggestion.alone(ask, passes, confusion.mayRaise())),
                confusion.hearing(passes.stream().map(Measured::verdict).toList(), false));
    }
}
