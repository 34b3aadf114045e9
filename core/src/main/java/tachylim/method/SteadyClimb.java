package tachylim.method;

import tachylim.task.Answer;
import tachylim.task.Ask;
import tachylim.task.PassKind;
import tachylim.task.Task;
import tachylim.task.Tension;
import tachylim.tempo.Tempo;

/**
 * Small equal steps upward, each earned by clean passes.
 *
 * <p>After {@code cleanInARow} clean passes one step up; after a broken pass two steps down; after two
 * rough ones in a row one step down. At the edge of tension the tempo is held; gripping costs two
 * steps; a locked hand ends the climb. It finishes when its limit has been held clean or its passes
 * are used up. This class is immutable.
 *
 * @param start the first tempo, not above the limit
 * @param limit the tempo it never goes above
 * @param step one step as a share of the tempo, usually 0.02; a step is at least 1 BPM
 * @param cleanInARow clean passes that earn a step, 1 to 10, usually 3
 * @param mostPasses the most passes it asks for, 1 to 200
 * @param sets whether the passes that earn a step are played on one click and answered at once
 */
public record SteadyClimb(Tempo start, Tempo limit, double step, int cleanInARow, int mostPasses, boolean sets)
        implements Method {

    /** The step of 2% that players use when none is chosen. */
    public static final double USUAL_STEP = 0.02;

    /** The number of clean passes in a row that earn a step when none is chosen. */
    public static final int USUAL_CLEAN_IN_A_ROW = 3;

    /**
     * @throws IllegalArgumentException if a setting is outside its range or the start above the limit
     */
    public SteadyClimb {
        new Stride(step);
        limit = Stride.notAbove(limit);
        start = start.onMetronome();
        if (start.compareTo(limit) > 0) {
            throw new IllegalArgumentException("The climb starts at " + start + ", above its limit of " + limit);
        }
        if (cleanInARow < 1 || cleanInARow > 10) {
            throw new IllegalArgumentException("A step is earned by 1 to 10 clean passes, not " + cleanInARow);
        }
        if (mostPasses < 1 || mostPasses > 200) {
            throw new IllegalArgumentException("A climb has 1 to 200 passes, not " + mostPasses);
        }
    }

    /** A climb whose passes are answered one by one. */
    public SteadyClimb(Tempo start, Tempo limit, double step, int cleanInARow, int mostPasses) {
        this(start, limit, step, cleanInARow, mostPasses, false);
    }

    /** The step of 3% that leads from ease to the ceiling, where fewer clean passes earn one. */
    private static final double PROBING_STEP = 0.03;

    private static final int MOST_PASSES = 60;

    /** From ease to the ceiling, a step for each clean pass or two: also what shows best where the ceiling is. */
    static SteadyClimb toCeiling(Span span) {
        return new SteadyClimb(span.ease(), span.top(), PROBING_STEP, Math.max(1, span.cleanInARow() - 2), MOST_PASSES);
    }

    /** The narrow step of 1%, and how far a drill reaches beyond what it is for. */
    private static final double NARROW_STEP = 0.01;

    private static final double BEYOND = 1.03;

    /** Narrow steps across an awkward band, from below it to above it; to the ceiling when there is none. */
    static SteadyClimb across(Span span) {
        if (span.awkward().isEmpty()) {
            return new SteadyClimb(span.ease(), span.top(), NARROW_STEP, narrowly(span), MOST_PASSES);
        }
        Span.Between band = span.awkward().get();
        Tempo limit = Tempo.slower(band.to().times(BEYOND).onMetronome(), span.reach());
        Tempo start = Tempo.slower(band.from().times(1 / BEYOND).onMetronome(), limit);
        return new SteadyClimb(start, limit, NARROW_STEP, narrowly(span), MOST_PASSES);
    }

    private static int narrowly(Span span) {
        return Math.max(1, span.cleanInARow() - 1);
    }

    static SteadyClimb read(Settings kept) {
        return new SteadyClimb(
                kept.tempo("start"),
                kept.tempo("limit"),
                kept.number("step"),
                kept.whole("cleanInARow"),
                kept.whole("mostPasses"),
                kept.flag("sets"));
    }

    @Override
    public School school() {
        return School.STEADY_CLIMB;
    }

    @Override
    public Settings settings() {
        return Settings.NONE
                .with("start", start)
                .with("limit", limit)
                .with("step", step)
                .with("cleanInARow", cleanInARow)
                .with("mostPasses", mostPasses)
                .with("sets", sets ? 1 : 0);
    }

    @Override
    public String promise() {
        return "From ease, " + start + ", toward " + limit + "; "
                + (cleanInARow == 1 ? "each clean pass earns" : cleanInARow + " clean earn") + " a step of "
                + Math.round(step * 100) + "%, two rough in a row cost one.";
    }

    @Override
    public Position opening() {
        return new On(
                start,
                0,
                0,
                0,
                "Starts at " + start + "; " + clean() + " clean earn a step of " + Math.round(step * 100) + "%.");
    }

    private String clean() {
        return cleanInARow == 1 ? "each" : String.valueOf(cleanInARow);
    }

    private final class On implements Position {

        private final Tempo tempo;
        private final int clean;
        private final int rough;
        private final int passes;
        private final String why;

        On(Tempo tempo, int clean, int rough, int passes, String why) {
            this.tempo = tempo;
            this.clean = clean;
            this.rough = rough;
            this.passes = passes;
            this.why = why;
        }

        @Override
        public Move move() {
            return new Move.Play(Task.at(PassKind.CONTROLLED, tempo).asking(Ask.set(atOnce())), why);
        }

        /** How many passes are answered at once: what is missing of a row, as far as there are passes left. */
        private int atOnce() {
            return sets ? Math.min(cleanInARow - clean, mostPasses - passes) : 1;
        }

        private boolean isUsedUp() {
            return passes + atOnce() >= mostPasses;
        }

        private Finished usedUp() {
            return new Finished("All " + mostPasses + " passes are played; the last was at " + tempo + ".");
        }

        @Override
        public Position unjudged() {
            return isUsedUp()
                    ? usedUp()
                    : new On(
                            tempo,
                            clean,
                            rough,
                            passes + atOnce(),
                            "Nothing was said of the last: " + tempo + " again.");
        }

        @Override
        public Position after(Answer answer) {
            if (answer.tension() == Tension.LOCKED) {
                return new Finished("Locked at " + tempo + ": leave this now and let the hands recover.");
            }
            if (isUsedUp()) {
                return usedUp();
            }
            if (answer.tension().atLeast(Tension.GRIPPING)) {
                return lower(2, atOnce(), "Gripping at " + tempo + ", so two steps down to ");
            }
            return switch (answer.verdict()) {
                case BROKE -> lower(2, atOnce(), "It broke at " + tempo + ", so two steps down to ");
                case ROUGH ->
                    rough + 1 >= 2
                            ? lower(1, atOnce(), "Two rough in a row at " + tempo + ", so one step down to ")
                            : stay(
                                    0,
                                    rough + 1,
                                    (atOnce() > 1 ? "Not all were clean at " : "A small slip at ") + tempo
                                            + ": the same tempo again.");
                case CLEAN -> afterClean(answer.tension());
            };
        }

        private Position afterClean(Tension tension) {
            int row = clean + atOnce();
            if (tension.atLeast(Tension.EDGE)) {
                return stay(clean, 0, "Clean at " + tempo + " but at the edge: stay here until it is loose.");
            }
            if (row < cleanInARow) {
                return stay(row, 0, row + " of " + cleanInARow + " clean at " + tempo + ".");
            }
            if (tempo.compareTo(limit) >= 0) {
                return new Finished("Held clean at " + limit + ", the top of this climb.");
            }
            Tempo next = new Stride(step).up(tempo, limit);
            return new On(next, 0, 0, passes + atOnce(), row + " clean at " + tempo + ", so up to " + next + ".");
        }

        private Position stay(int cleanNow, int roughNow, String reason) {
            return new On(tempo, cleanNow, roughNow, passes + atOnce(), reason);
        }

        private Position lower(int steps, int played, String reason) {
            if (Stride.isSlowest(tempo)) {
                return new Finished("Slower than " + tempo + " cannot be set: change something else first.");
            }
            Tempo next = new Stride(step).down(tempo, steps);
            return new On(next, 0, 0, passes + played, reason + next + ".");
        }

        @Override
        public Position under(Tempo most, String because) {
            if (most.compareTo(limit) >= 0) {
                return this;
            }
            Tempo lower = Tempo.slower(tempo, most).onMetronome();
            SteadyClimb within = new SteadyClimb(Tempo.slower(start, most), most, step, cleanInARow, mostPasses, sets);
            boolean lowered = lower.compareTo(tempo) < 0;
            return within
            .new On(lower, lowered ? 0 : clean, rough, passes, lowered ? because + ": " + lower + "." : why);
        }

        /** A set that was left is not played: it costs one of the passes, so that backing off comes to an end. */
        @Override
        public Position backedOff() {
            return passes + 1 >= mostPasses ? usedUp() : lower(2, 1, "You backed off from " + tempo + ", so ");
        }
    }
}
