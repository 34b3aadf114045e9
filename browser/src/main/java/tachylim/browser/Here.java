package tachylim.browser;

import org.teavm.jso.JSExport;
import tachylim.load.Limit;
import tachylim.shown.Moment;
import tachylim.shown.Relief;
import tachylim.task.Answer;
import tachylim.task.Tension;
import tachylim.task.Verdict;
import tachylim.workout.Brief;
import tachylim.workout.Event;
import tachylim.workout.Pass;
import tachylim.workout.Planner;
import tachylim.workout.Rules;
import tachylim.workout.Run;
import tachylim.workout.Workout;

/** What a page may ask of the core it carries. A page plays one run at a time. */
public final class Here {

    private static Run run;
    private static Doc score;

    /** What the last plan was drawn from, since a plan is changed many times before it is begun. */
    private static String plannedBy;

    private static Doc known;
    private static Brief brief;

    private Here() {}

    /** Which rules these are: the server's must be the same. */
    @JSExport
    public static int edition() {
        return Rules.EDITION;
    }

    /** Takes up a run as the server told it, with all that happened in it, and tells the moment where it stands. */
    @JSExport
    public static String begin(String told) {
        score = Doc.parse(told);
        run = Run.start(new Score(score).workout());
        for (Doc event : score.at("events").items()) {
            Doc left = event.at("left");
            run = (left.isThere() ? run.under(Score.allowance(left)) : run).after(event(event));
        }
        Doc left = score.at("left");
        if (left.isThere()) {
            run = run.under(Score.allowance(left));
        }
        return moment();
    }

    /** Plays the run on by one event, and tells the moment that comes after it; or why the event does not fit. */
    @JSExport
    public static String after(String event) {
        try {
            run = run.after(event(Doc.parse(event)));
            return moment();
        } catch (IllegalArgumentException | IllegalStateException refusal) {
            return new Out().put("refused", refusal.getMessage()).toString();
        }
    }

    /**
     * Plans a session by what the server told of it: the picture, and the blocks as they were composed.
     *
     * @param told what is known of its pieces and of the day
     * @param wish what the player asks of it
     * @return the plan, or why there is none
     */
    @JSExport
    public static String plan(String told, String wish) {
        try {
            if (!told.equals(plannedBy)) {
                known = Doc.parse(told);
                brief = new Score(known).brief();
                plannedBy = told;
            }
            return planned(new Wish(Doc.parse(wish)).over(brief));
        } catch (IllegalArgumentException refusal) {
            return new Out().put("refused", refusal.getMessage()).toString();
        }
    }

    private static String planned(Brief asked) {
        Workout workout = Planner.plan(asked);
        String rest = known.at("rest").text();
        String warning = known.at("warning").text();
        if (!rest.isEmpty()) {
            workout = workout.withOnlyRemark(rest);
        } else if (!warning.isEmpty() && asked.choices().school().isFast()) {
            workout = workout.withRemark(warning);
        }
        Relief relief = Relief.of(
                Run.start(workout),
                known.at("effortBefore").number(),
                new Limit(
                        Limit.Kind.EFFORT,
                        known.at("effortCap").number(),
                        known.at("effortBefore").number(),
                        known.at("effortWhy").text()));
        return new Out()
                .put("relief", Told.of(relief))
                .put("blocks", workout.brief().sketches(), Told::of)
                .toString();
    }

    private static String moment() {
        return Told.of(Moment.of(
                        run,
                        theme -> score.at("pieces")
                                .items()
                                .get(theme)
                                .at("firstNote")
                                .whole(),
                        score.at("effortBefore").number()))
                .toString();
    }

    private static Event event(Doc doc) {
        double seconds = doc.at("seconds").number(Event.UNSAID);
        return switch (doc.at("kind").text()) {
            case "JUDGED" -> new Event.Judged(answer(doc));
            case "UNJUDGED" -> new Event.Unjudged();
            case "RESTED" -> new Event.Rested(seconds);
            case "BACKED_OFF" -> new Event.BackedOff(seconds);
            case "REST_ASKED" -> new Event.RestAsked(seconds);
            case "STOPPED" -> new Event.Stopped(false, seconds);
            case "SYMPTOM" -> new Event.Stopped(true, seconds);
            default ->
                throw new IllegalArgumentException(
                        "There is no event " + doc.at("kind").text());
        };
    }

    private static Answer answer(Doc doc) {
        Verdict verdict =
                doc.at("verdict").isThere() ? Verdict.valueOf(doc.at("verdict").text()) : null;
        Tension tension = Tension.of(doc.at("tension").whole());
        double told = doc.at("told").number(Answer.NOTHING_TOLD);
        return run.step() instanceof Pass pass
                ? pass.ask().answer(verdict, tension, told)
                : new Answer(verdict, tension, told);
    }
}
