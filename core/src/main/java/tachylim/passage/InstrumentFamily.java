package tachylim.passage;

import java.util.List;

/** Families of instruments, by how a note is started, with the ways to start it that players move between. */
public enum InstrumentFamily {
    WIND("slurred", "single tongue", "alternate tongue", "compound tongue"),
    BRASS("slurred", "single tongue", "double tongue", "triple tongue"),
    BOWED("eight to a bow", "four to a bow", "two to a bow", "separate bows", "bouncing bow"),
    PLUCKED("all down", "down and up", "up and down", "slurred with the left hand", "swept"),
    KEYBOARD("held, legato", "light, non legato", "short, staccato", "hands apart", "hands together"),
    MALLET("one hand", "alternate, right first", "alternate, left first", "doubles", "mixed stickings"),
    FREE_REED("one bellows direction", "bellows turned each bar", "bellows turned each beat", "short"),
    OTHER("joined", "separate", "short");

    private final List<String> usualArticulations;

    InstrumentFamily(String... usualArticulations) {
        this.usualArticulations = List.of(usualArticulations);
    }

    /** Articulations, from the easiest to the one that costs most, as a list to start from. */
    public List<String> usualArticulations() {
        return usualArticulations;
    }
}
