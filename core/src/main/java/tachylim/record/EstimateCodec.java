package tachylim.record;

import tachylim.ceiling.AwkwardBand;
import tachylim.ceiling.Band;
import tachylim.ceiling.Estimate;
import tachylim.ceiling.Known;
import tachylim.codec.Codec;
import tachylim.tempo.Tempo;

/** How an estimate stands in a document, and what is known besides it. A belief is stored apart. */
public final class EstimateCodec {

    private EstimateCodec() {}

    public static final Codec<Band> BAND = Codec.object(band -> new Band(
            band.get("low", Tempo.CODEC, Band::low),
            band.get("middle", Tempo.CODEC, Band::middle),
            band.get("high", Tempo.CODEC, Band::high)));

    public static final Codec<Estimate> ESTIMATE = Codec.object(estimate -> {
        estimate.derived("enough", Codec.FLAG, Estimate::enoughEvidence);
        return new Estimate(
                estimate.get("ease", BAND, Estimate::comfortable),
                estimate.get("ceiling", BAND, Estimate::ceiling),
                estimate.get("breakdown", BAND, Estimate::breakdown),
                estimate.number("passes", Estimate::passes));
    });

    static final Codec<AwkwardBand> AWKWARD = Codec.object(band -> new AwkwardBand(
            band.get("from", Tempo.CODEC, AwkwardBand::from),
            band.get("to", Tempo.CODEC, AwkwardBand::to),
            band.whole("passes", AwkwardBand::passes),
            band.number("clean", AwkwardBand::clean),
            band.number("cleanAbove", AwkwardBand::cleanAbove)));

    static final Codec<Known> KNOWN = Codec.object(known -> Known.said(
                    known.get("estimate", ESTIMATE, Known::estimate),
                    known.get("alert", Tempo.CODEC.optional(), Known::alert),
                    known.get("awkward", AWKWARD.list(), Known::awkward))
            .doubting(known.get("doubted", Tempo.CODEC.optional(), Known::doubted)));
}
