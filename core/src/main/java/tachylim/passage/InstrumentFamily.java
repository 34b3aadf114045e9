package tachylim.passage;

import java.util.List;
import java.util.stream.Stream;
import tachylim.words.Reason;

/** Families of instruments, by how a note is started, with the ways to start it that players move between. */
public enum InstrumentFamily {
    WIND("slurred", "singleTongue", "alternateTongue", "compoundTongue"),
    BRASS("slurred", "singleTongue", "doubleTongue", "tripleTongue"),
    BOWED("eightToABow", "fourToABow", "twoToABow", "separateBows", "bouncingBow"),
    PLUCKED("allDown", "downAndUp", "upAndDown", "slurredWithTheLeftHand", "swept"),
    KEYBOARD("heldLegato", "lightNonLegato", "shortStaccato", "handsApart", "handsTogether"),
    MALLET("oneHand", "alternateRightFirst", "alternateLeftFirst", "doubles", "mixedStickings"),
    FREE_REED("oneBellowsDirection", "bellowsTurnedEachBar", "bellowsTurnedEachBeat", "short"),
    OTHER("joined", "separate", "short");

    private final List<Reason> usualArticulations;

    InstrumentFamily(String... usualArticulations) {
        this.usualArticulations = Stream.of(usualArticulations)
                .map(name -> Reason.of("articulation." + name))
                .toList();
    }

    /** Articulations, from the easiest to the one that costs most, as a list to start from. */
    public List<Reason> usualArticulations() {
        return usualArticulations;
    }
}
