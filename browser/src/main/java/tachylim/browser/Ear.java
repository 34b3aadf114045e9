package tachylim.browser;

import java.util.Arrays;
import java.util.List;
import java.util.OptionalDouble;
import org.teavm.jso.JSExport;
import org.teavm.jso.typedarrays.Int16Array;
import tachylim.passage.InstrumentFamily;
import tachylim.shown.FoundDto;
import tachylim.shown.HandsDto;
import tachylim.shown.HandsDto.HowApart;
import tachylim.shown.HeardDto;
import tachylim.shown.StruckDto;
import tachylim.shown.ToHearDto;
import tachylim.take.Confusion;
import tachylim.take.Keys;
import tachylim.take.Listener;
import tachylim.take.Measured;
import tachylim.take.Recorded;
import tachylim.take.Struck;
import tachylim.take.Take;
import tachylim.task.Ask;

/** What a page may ask of the part of the core that measures sound. It is loaded where a microphone is switched on. */
public final class Ear {

    private static final float LOUDEST = Short.MAX_VALUE;

    private Ear() {}

    /**
     * Measures each pass of a recording.
     *
     * @param recorded one channel, from before the count-in on
     * @param rate samples a second
     * @param toHear what to hear, as the core of the page tells it
     * @param start when the first beat after the count-in was sent, in seconds of the recording
     * @param clicks when clicks were sent, a list of seconds of the recording
     * @param family what is played on
     * @param confirmed what was confirmed of this player, nine counts
     * @param usually how much later than it was sent the click was heard before by this input, in seconds; below 0 where nobody knows
     * @return what was heard
     */
    @JSExport
    public static String listen(
            Int16Array recorded,
            double rate,
            String toHear,
            double start,
            String clicks,
            String family,
            String confirmed,
            double usually) {
        ToHearDto asked = ToHearDto.CODEC.read(Json.read(toHear));
        List<Double> sent = ((List<?>) Json.read(clicks))
                .stream().map(click -> ((Number) click).doubleValue()).toList();
        List<Measured> measured = asked.passes().isEmpty()
                ? List.of()
                : Listener.listen(
                        new Take(
                                samples(recorded),
                                rate,
                                asked.passes().get(0),
                                asked.tempo(),
                                start,
                                sent,
                                family(family)),
                        asked.passes(),
                        usually < 0 ? OptionalDouble.empty() : OptionalDouble.of(usually));
        return Json.write(
                HeardDto.CODEC.write(HeardDto.of(new Ask(asked.ask(), asked.of()), measured, confusion(confirmed))));
    }

    /**
     * Measures each pass of which an instrument itself told.
     *
     * @param struck what was struck, on a clock of its own
     * @param start when the first beat after the count-in was heard, on that clock
     * @param apart how the hands are told apart
     */
    @JSExport
    public static String keys(
            String struck, String toHear, double start, String family, String confirmed, String apart) {
        ToHearDto asked = ToHearDto.CODEC.read(Json.read(toHear));
        List<Struck> all = StruckDto.CODEC.read(Json.read(struck));
        HowApart hands = HowApart.CODEC.read(Json.read(apart));
        List<Measured> measured =
                asked.passes().isEmpty() ? List.of() : Keys.listen(silent(asked, start, family), asked.passes(), all);
        return Json.write(HeardDto.CODEC.write(HeardDto.of(
                new Ask(asked.ask(), asked.of()),
                measured,
                confusion(confirmed),
                pass -> HandsDto.of(pass, all, hands))));
    }

    /**
     * Finds the passes of a recording that was made elsewhere.
     *
     * @param toHear one pass, at the tempo that was stated
     */
    @JSExport
    public static String recorded(Int16Array recorded, double rate, String toHear, String family) {
        ToHearDto asked = ToHearDto.CODEC.read(Json.read(toHear));
        Take take =
                new Take(samples(recorded), rate, asked.passes().get(0), asked.tempo(), 0, List.of(), family(family));
        return Json.write(FoundDto.CODEC.write(FoundDto.of(Recorded.passes(take), pass -> null)));
    }

    /** The same of keys. */
    @JSExport
    public static String recordedKeys(String struck, String toHear, String family, String apart) {
        ToHearDto asked = ToHearDto.CODEC.read(Json.read(toHear));
        List<Struck> all = StruckDto.CODEC.read(Json.read(struck));
        HowApart hands = HowApart.CODEC.read(Json.read(apart));
        return Json.write(FoundDto.CODEC.write(
                FoundDto.of(Keys.passes(silent(asked, 0, family), all), pass -> HandsDto.of(pass, all, hands))));
    }

    private static final double ANY_RATE = 8_000;

    private static Take silent(ToHearDto asked, double start, String family) {
        return new Take(new float[0], ANY_RATE, asked.passes().get(0), asked.tempo(), start, List.of(), family(family));
    }

    /** Sound of 16 bits as shares of the loudest. */
    private static float[] samples(Int16Array recorded) {
        float[] samples = new float[recorded.getLength()];
        for (int i = 0; i < samples.length; i++) {
            samples[i] = recorded.get(i) / LOUDEST;
        }
        return samples;
    }

    private static Confusion confusion(String confirmed) {
        return Confusion.of(((List<?>) Json.read(confirmed))
                .stream().map(count -> ((Number) count).longValue()).toList());
    }

    private static InstrumentFamily family(String name) {
        return Arrays.stream(InstrumentFamily.values())
                .filter(one -> one.name().equals(name))
                .findFirst()
                .orElse(InstrumentFamily.OTHER);
    }
}
