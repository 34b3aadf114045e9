package tachylim.shown;

import tachylim.codec.Codec;

/** Where one of the sections of a run is found. */
public record PlaceDto(long sectionId, long passageId, String passage, String section, int firstNote) {

    static final Codec<PlaceDto> CODEC = Codec.object(place -> new PlaceDto(
            place.get("sectionId", Codec.LONG, PlaceDto::sectionId),
            place.get("passageId", Codec.LONG, PlaceDto::passageId),
            place.text("passage", PlaceDto::passage),
            place.text("section", PlaceDto::section),
            place.whole("firstNote", PlaceDto::firstNote)));
}
