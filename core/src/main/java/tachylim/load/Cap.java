package tachylim.load;

import tachylim.words.Reason;

/**
 * A rule that caps the effort of a day. This class is immutable.
 *
 * @param rule which
 * @param effort the effort that it allows today in all
 * @param why where it comes from, with its arithmetic
 */
public record Cap(Rule rule, Effort effort, Reason why) {

    /** The rules there are. */
    public enum Rule {
        OWN,
        AVERAGE,
        USUAL_DAY,
        WEEK,
        RETURN,
        TAPER,
        ORDERED,
        SYMPTOM,
        EARLIER
    }
}
