package tachylim.method;

import tachylim.task.Tension;
import tachylim.tempo.Tempo;
import tachylim.words.Reason;

/** Why a method goes slower. */
enum Cause {
    EDGE("cause.edge"),
    GRIPPING("cause.gripping"),
    BROKE("cause.broke"),
    BACKED_OFF("cause.backedOff");

    private final String code;

    Cause(String code) {
        this.code = code;
    }

    /** Tension, as the player called it. */
    static Cause of(Tension tension) {
        return tension.atLeast(Tension.GRIPPING) ? GRIPPING : EDGE;
    }

    /** The beginning of a sentence about it. */
    Reason at(Tempo tempo) {
        return Reason.of(code, "tempo", tempo);
    }
}
