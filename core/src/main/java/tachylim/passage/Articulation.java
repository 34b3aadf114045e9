package tachylim.passage;

/** How a written note is struck or held. */
public enum Articulation {
    STACCATO,
    STACCATISSIMO,
    TENUTO,
    ACCENT,
    MARCATO,
    FERMATA
}
