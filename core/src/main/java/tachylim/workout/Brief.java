package tachylim.workout;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import tachylim.ceiling.Known;
import tachylim.load.Condition;
import tachylim.method.School;
import tachylim.method.WarmUpRoutine;
import tachylim.passage.Passage;
import tachylim.tempo.Tempo;
import tachylim.words.Reason;
import tachylim.words.Refusal;

/**
 * What a workout is planned from. This class is immutable.
 *
 * @param themes the sections it is about, 1 to {@value #MOST_THEMES}, the one that needs it most first
 * @param sketches the blocks it is to have; none when {@link Composer} is to say
 * @param minutes the time there is for practice, warm-up not counted, {@value #LEAST_MINUTES} to
 *     {@value #MOST_MINUTES}
 * @param choices what the player chose, where a block has no choices of its own
 * @param allowance what may still be done today
 * @param condition how the player comes to it
 * @param routine the lines of the player's own warm-up; none for large, easy movement
 * @param spared why today is for easy playing without measuring or bursts; nothing to say on other days
 */
public record Brief(
        List<Theme> themes,
        List<Sketch> sketches,
        int minutes,
        Choices choices,
        Allowance allowance,
        Condition condition,
        List<WarmUpRoutine.Item> routine,
        Reason spared) {

    public static final int LEAST_MINUTES = 3;
    public static final int MOST_MINUTES = 180;
    public static final int MOST_THEMES = 6;
    public static final int MOST_SKETCHES = 60;

    /** The least that keeps the hands in shape, in minutes: what an easy day is planned for. */
    public static final int MINIMUM_DOSE = 8;

    /** What a ceiling test takes with its rests, in minutes. */
    public static final int TEST_MINUTES = 18;

    /** The minutes a workout is planned for when nobody says otherwise. */
    public static int usualMinutes(int dailyMinutes, School school) {
        if (school == School.CEILING_TEST) {
            return TEST_MINUTES;
        }
        return school.isFast() ? Math.min(MOST_MINUTES, dailyMinutes) : MINIMUM_DOSE;
    }

    /**
     * @throws IllegalArgumentException if minutes, sections or blocks are outside their range
     */
    public Brief {
        routine = List.copyOf(routine);
        themes = List.copyOf(themes);
        sketches = List.copyOf(sketches);
        if (minutes < LEAST_MINUTES || minutes > MOST_MINUTES) {
            throw Refusal.of(
                    "refusal.brief.giveToMinutesNot",
                    "leastMinutes",
                    LEAST_MINUTES,
                    "mostMinutes",
                    MOST_MINUTES,
                    "minutes",
                    minutes);
        }
        if (themes.isEmpty() || themes.size() > MOST_THEMES) {
            throw Refusal.of(
                    "refusal.brief.aWorkoutHas1ToSectionsNot", "mostThemes", MOST_THEMES, "themes", themes.size());
        }
        if (sketches.size() > MOST_SKETCHES) {
            throw Refusal.of(
                    "refusal.brief.aWorkoutHasUpToBlocksNot",
                    "mostSketches",
                    MOST_SKETCHES,
                    "sketches",
                    sketches.size());
        }
        for (Sketch sketch : sketches) {
            if (sketch.theme() >= themes.size()) {
                throw Refusal.of("refusal.brief.thereIsNoSectionInThis", "theme", sketch.theme() + 1);
            }
        }
    }

    /** A brief of a player who warms up by large, easy movement. */
    public Brief(
            List<Theme> themes,
            List<Sketch> sketches,
            int minutes,
            Choices choices,
            Allowance allowance,
            Condition condition,
            Reason spared) {
        this(themes, sketches, minutes, choices, allowance, condition, List.of(), spared);
    }

    /** A brief for one section, and a rested player who has played nothing faster than {@link Planner#FASTEST_UNREACHED}. */
    public static Brief on(
            Passage music,
            Tempo target,
            Known known,
            int minutes,
            Choices choices,
            Allowance allowance,
            Optional<Tempo> lastTempo) {
        return on(
                Theme.of(music, target, known).climbedTo(lastTempo),
                minutes,
                choices,
                allowance,
                Condition.FRESH,
                Reason.NONE);
    }

    /** A brief for one section. */
    public static Brief on(
            Theme theme, int minutes, Choices choices, Allowance allowance, Condition condition, Reason spared) {
        return new Brief(List.of(theme), List.of(), minutes, choices, allowance, condition, spared);
    }

    /** The section that needs it most. */
    public Theme theme() {
        return themes.get(0);
    }

    /** The same with what is known of a section now. */
    Brief knowing(int theme, Known now) {
        List<Theme> changed = new ArrayList<>(themes);
        changed.set(theme, themes.get(theme).knowing(now));
        return new Brief(changed, sketches, minutes, choices, allowance, condition, routine, spared);
    }

    /** The same with these blocks. */
    public Brief with(List<Sketch> blocks) {
        return new Brief(themes, blocks, minutes, choices, allowance, condition, routine, spared);
    }
}
