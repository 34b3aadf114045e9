package tachylim.server.repertoire;

/** What a piece is to its passage. */
public enum PieceKind {
    /** One of the pieces it is cut into. */
    PIECE,
    /** Neighbouring pieces played as one. */
    JOIN,
    /** A link with what stands around it. */
    DRILL
}
