package tachylim.shown;

import tachylim.ceiling.Estimate;
import tachylim.codec.Codec;

/** How fast a section is today. */
public record EstimateDto(BandDto comfortable, BandDto ceiling, BandDto breakdown, boolean enoughEvidence) {

    static final Codec<EstimateDto> CODEC = Codec.object(estimate -> new EstimateDto(
            estimate.get("comfortable", BandDto.CODEC, EstimateDto::comfortable),
            estimate.get("ceiling", BandDto.CODEC, EstimateDto::ceiling),
            estimate.get("breakdown", BandDto.CODEC, EstimateDto::breakdown),
            estimate.flag("enoughEvidence", EstimateDto::enoughEvidence)));

    public static EstimateDto of(Estimate estimate) {
        return of(estimate, estimate.enoughEvidence());
    }

    /** An estimate of which was said whether it rests on enough. */
    public static EstimateDto of(Estimate estimate, boolean enough) {
        return new EstimateDto(
                BandDto.of(estimate.comfortable()),
                BandDto.of(estimate.ceiling()),
                BandDto.of(estimate.breakdown()),
                enough);
    }
}
