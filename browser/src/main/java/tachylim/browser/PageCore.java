package tachylim.browser;

import java.util.HashMap;
import java.util.Map;
import org.teavm.jso.JSExport;
import tachylim.load.Effort;
import tachylim.shown.BlockWish;
import tachylim.shown.EventDto;
import tachylim.shown.Moment;
import tachylim.shown.PlanBasis;
import tachylim.shown.PlanWish;
import tachylim.shown.Planned;
import tachylim.shown.RunBasis;
import tachylim.shown.ToHearDto;
import tachylim.workout.Brief;
import tachylim.workout.Rules;
import tachylim.workout.Run;
import tachylim.workout.Workout;

/** What a page may ask of the core it carries. A page plays one run at a time. */
public final class PageCore {

    private static Run run;
    private static RunBasis score;

    /** The run before its last event, which may be put right. */
    private static Run before;

    /** What would come after events that may follow, by the texts of these. */
    private static final Map<String, Told> supposed = new HashMap<>();

    /** A run, and its moment as it is told. */
    private record Told(Run run, String moment) {}

    /** What the last plan was drawn from, since a plan is changed many times before it is begun. */
    private static String plannedBy;

    private static PlanBasis known;
    private static Brief brief;

    private PageCore() {}

    /** Which rules these are: the server's must be the same. */
    @JSExport
    public static int edition() {
        return Rules.EDITION;
    }

    /** Takes up a run as the server told it, with all that happened in it, and tells the moment where it stands. */
    @JSExport
    public static String begin(String told) {
        score = RunBasis.CODEC.read(Json.read(told));
        Run begun = score.run(Json.read(score.workout()));
        before = null;
        return taken(new Told(begun, moment(begun)));
    }

    /** Plays the run on by one event, and tells the moment that comes after it; or why the event does not fit. */
    @JSExport
    public static String after(String event) {
        try {
            Told told = supposed.containsKey(event) ? supposed.get(event) : played(run, event);
            before = run;
            return taken(told);
        } catch (IllegalArgumentException | IllegalStateException refusal) {
            return refused(refusal);
        }
    }

    /** Puts the last event right that {@code after} was told, and tells the moment that comes after it. */
    @JSExport
    public static String instead(String event) {
        try {
            if (before == null) {
                throw new IllegalStateException("No event has been played by this page");
            }
            return taken(played(before, event));
        } catch (IllegalArgumentException | IllegalStateException refusal) {
            return refused(refusal);
        }
    }

    /** Works out what would come after an event, so that it is told at once where it happens next. */
    @JSExport
    public static void suppose(String event) {
        try {
            supposed.put(event, played(run, event));
        } catch (IllegalArgumentException | IllegalStateException refusal) {
            // It is refused when it happens.
        }
    }

    private static Told played(Run from, String event) {
        Run next = from.after(EventDto.CODEC.read(Json.read(event)).event(from));
        return new Told(next, moment(next));
    }

    private static String taken(Told told) {
        run = told.run();
        supposed.clear();
        return told.moment();
    }

    /**
     * Plans a workout by what the server told of it: the picture, and the blocks as they were composed.
     *
     * @param told what is known of its sections and of the day
     * @param wish what the player asks of it
     * @return the plan, or why there is none
     */
    @JSExport
    public static String plan(String told, String wish) {
        try {
            if (!told.equals(plannedBy)) {
                known = PlanBasis.CODEC.read(Json.read(told));
                brief = known.brief(Json.read(known.workout()));
                plannedBy = told;
            }
            Workout workout = known.plan(PlanWish.CODEC.read(Json.read(wish)).over(brief));
            return Json.write(Planned.CODEC.write(new Planned(
                    known.timeline(workout),
                    workout.brief().sketches().stream().map(BlockWish::of).toList())));
        } catch (IllegalArgumentException refusal) {
            return refused(refusal);
        }
    }

    /** What a microphone is to hear of the step the run stands at. */
    @JSExport
    public static String toHear() {
        return Json.write(ToHearDto.CODEC.write(ToHearDto.of(run)));
    }

    private static String refused(RuntimeException refusal) {
        return Json.write(Map.of("refused", String.valueOf(refusal.getMessage())));
    }

    private static String moment(Run of) {
        return Json.write(Moment.CODEC.write(
                Moment.of(of, theme -> score.sections().get(theme).firstNote(), new Effort(score.effortBefore()))));
    }
}
