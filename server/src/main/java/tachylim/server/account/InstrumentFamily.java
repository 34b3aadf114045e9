package tachylim.server.account;

/** Families of instruments, by how the hands and the breath work. */
public enum InstrumentFamily {
    WIND,
    BRASS,
    BOWED,
    PLUCKED,
    KEYBOARD,
    MALLET,
    FREE_REED,
    OTHER
}
