package tachylim.shown;

import tachylim.codec.Codec;

/** Where one of the pieces of a run is found. */
public record PlaceDto(long pieceId, long passageId, String passage, String piece, int firstNote) {

    static final Codec<PlaceDto> CODEC = Codec.object(place -> new PlaceDto(
            place.get("pieceId", Codec.LONG, PlaceDto::pieceId),
            place.get("passageId", Codec.LONG, PlaceDto::passageId),
            place.text("passage", PlaceDto::passage),
            place.text("piece", PlaceDto::piece),
            place.whole("firstNote", PlaceDto::firstNote)));
}
