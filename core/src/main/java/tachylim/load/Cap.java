package tachylim.load;

/**
 * A rule that caps the effort of a day. This class is immutable.
 *
 * @param rule which
 * @param effort the effort that it allows today in all
 * @param why where it comes from, one sentence with its arithmetic
 */
public record Cap(Rule rule, Effort effort, String why) {

    /** The rules there are. */
    public enum Rule {
        OWN("Your own minutes"),
        AVERAGE("Week against month"),
        USUAL_DAY("A usual day"),
        WEEK("Growth of the week"),
        RETURN("Coming back"),
        TAPER("Before a performance"),
        ORDERED("Given by somebody"),
        SYMPTOM("After a symptom"),
        EARLIER("As it stood earlier today");

        private final String title;

        Rule(String title) {
            this.title = title;
        }

        /** What it is called. */
        public String title() {
            return title;
        }
    }
}
