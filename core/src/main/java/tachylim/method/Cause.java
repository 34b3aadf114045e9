package tachylim.method;

import tachylim.tempo.Tempo;

/** Why a method goes slower. */
enum Cause {
    GRIPPING("Gripping at "),
    BROKE("It broke at "),
    BACKED_OFF("You backed off from ");

    private final String words;

    Cause(String words) {
        this.words = words;
    }

    /** The beginning of a sentence about it. */
    String at(Tempo tempo) {
        return words + tempo;
    }
}
