package tachylim.method;

import tachylim.tempo.Tempo;
import tachylim.words.Reason;

/** Why a method goes slower. */
enum Cause {
    GRIPPING("cause.gripping"),
    BROKE("cause.broke"),
    BACKED_OFF("cause.backedOff");

    private final String code;

    Cause(String code) {
        this.code = code;
    }

    /** The beginning of a sentence about it. */
    Reason at(Tempo tempo) {
        return Reason.of(code, "tempo", tempo);
    }
}
