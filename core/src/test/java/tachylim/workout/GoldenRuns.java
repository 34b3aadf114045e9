package tachylim.workout;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Random;
import org.apache.commons.numbers.fraction.Fraction;
import tachylim.ceiling.Known;
import tachylim.ceiling.Posterior;
import tachylim.load.Caution;
import tachylim.load.Condition;
import tachylim.load.Effort;
import tachylim.load.Recovery;
import tachylim.method.Probes;
import tachylim.method.School;
import tachylim.method.Strictness;
import tachylim.method.WarmUpRoutine;
import tachylim.passage.Meter;
import tachylim.passage.PaperPattern;
import tachylim.passage.Passage;
import tachylim.task.Answer;
import tachylim.task.Ask;
import tachylim.task.Tension;
import tachylim.task.Verdict;
import tachylim.tempo.Tempo;
import tachylim.words.Reason;

/**
 * Random workouts, each made by its number alone: planned from a random brief, played to their end by random answers, and
 * written down with every figure and reason of every step. A digest of that text is what is compared, so that a change of
 * the code which is meant to change no rule can be held to it.
 */
public final class GoldenRuns {

    /** How many there are. */
    static final int HOW_MANY = 1_000;

    /** No workout is played further than this. */
    private static final int MOST_EVENTS = 400;

    private final Random chance;
    private final StringBuilder text = new StringBuilder();

    private GoldenRuns(int number) {
        this.chance = new Random(7_919L * number + 20_261_129);
    }

    /** One of them as it is planned. */
    public static Workout planned(int number) {
        return Planner.plan(new GoldenRuns(number).brief());
    }

    /** What was done in one of them, in order. */
    public static List<Segment> played(int number) {
        GoldenRuns one = new GoldenRuns(number);
        return one.play(Planner.plan(one.brief())).past();
    }

    /** All that is told of one of them. */
    static String told(int number) {
        GoldenRuns one = new GoldenRuns(number);
        one.play();
        return one.text.toString();
    }

    /** Sixteen characters that stand for a text. */
    private void play() {
        Workout workout = Planner.plan(brief());
        workout.remarks().forEach(this::line);
        Run planned = Run.start(workout);
        planned.blocks().forEach(this::line);
        planned.ahead().forEach(this::line);
        Run run = play(workout);
        run.past().forEach(this::line);
        run.blocks().forEach(this::line);
        line(run.step().why());
    }

    private Run play(Workout workout) {
        Run run = Run.start(workout);
        for (int i = 0; i < MOST_EVENTS && !run.isDone(); i++) {
            if (chance.nextInt(40) == 0) {
                Allowance left = run.left();
                run = run.under(
                        new Allowance(left.effort().times(0.8), left.burstSeconds() / 2, left.playingSeconds() * 0.9));
            } else {
                run = run.after(event(run));
            }
        }
        return run;
    }

    private void line(Object... parts) {
        for (Object part : parts) {
            text.append(part instanceof Double figure ? String.format(Locale.ROOT, "%.5f", figure) : part)
                    .append('|');
        }
        text.append('\n');
    }

    private void line(Reason reason) {
        line(new Object[] {reason});
    }

    private void line(Block block) {
        line(
                block.part().name(),
                block.theme(),
                block.music().variation(),
                block.seconds(),
                block.method().school().word(),
                block.why());
    }

    private void line(Segment segment) {
        line(
                segment.part().name(),
                segment.block(),
                segment.start(),
                segment.seconds(),
                segment.step().why(),
                segment.after().effort().minutes(),
                segment.after().recovery().level(),
                segment.after().burstSeconds(),
                segment.after().playingSeconds(),
                segment.after().leastSeconds());
        if (segment.step() instanceof Pass pass) {
            line(
                    pass.kind().name(),
                    pass.tempo().bpm(),
                    pass.pulse().fastest().bpm(),
                    pass.pulse().kind().name(),
                    pass.task().manner(),
                    pass.ask().kind().name(),
                    pass.ask().of(),
                    pass.notes().firstNote(),
                    pass.notes().lastNote(),
                    pass.beats(),
                    pass.rounds(),
                    pass.countIn());
        }
        if (segment.answer() != null) {
            line(
                    segment.answer().verdict().name(),
                    segment.answer().tension().ordinal(),
                    segment.answer().told());
        }
    }

    // What they are made from

    private Brief brief() {
        List<Theme> themes = new ArrayList<>();
        for (int i = 1 + chance.nextInt(4); i > 0; i--) {
            themes.add(theme());
        }
        School school = School.values()[chance.nextInt(School.values().length)];
        Brief brief = new Brief(
                themes,
                List.of(),
                5 + chance.nextInt(26),
                choices(school),
                new Allowance(new Effort(5 + chance.nextInt(60)), chance.nextInt(70), 400 + chance.nextInt(2_600)),
                new Condition(
                        new Recovery(1, 1 + 2 * chance.nextDouble()),
                        chance.nextInt(3) * 200.0,
                        900 + chance.nextInt(700),
                        chance.nextInt(10) == 0 ? Tension.GRIPPING : Tension.LOOSE,
                        chance.nextInt(4) * 400.0),
                chance.nextInt(4) == 0
                        ? List.of(
                                new WarmUpRoutine.Item("Shoulders", 60, false),
                                new WarmUpRoutine.Item("Long, easy strokes", 30 + chance.nextInt(60), true))
                        : List.of(),
                chance.nextInt(10) == 0 ? Reason.text("A day for easy playing.") : Reason.NONE);
        return chance.nextInt(4) == 0 ? brief.with(sketches(themes)) : brief;
    }

    /** Blocks of a player's own, each by any method that makes a core. */
    private List<Sketch> sketches(List<Theme> themes) {
        List<Sketch> sketches = new ArrayList<>();
        for (int i = 1 + chance.nextInt(5); i > 0; i--) {
            School school = School.values()[chance.nextInt(School.values().length)];
            sketches.add(new Sketch(
                    Part.values()[chance.nextInt(Part.values().length)],
                    chance.nextInt(themes.size()),
                    "",
                    60 + chance.nextInt(400),
                    choices(school.makesCore() ? school : School.STEADY_CLIMB)));
        }
        return sketches;
    }

    private Choices choices(School school) {
        Choices usual = Choices.usual(school);
        return new Choices(
                school,
                1 + chance.nextInt(Choices.MOST_BURSTS),
                1 + chance.nextInt(2),
                usual.controlledShare(),
                usual.firstBurstShare(),
                1 + chance.nextInt(4),
                Caution.values()[chance.nextInt(Caution.values().length)],
                "comfortable",
                new Strictness(chance.nextBoolean(), chance.nextBoolean()),
                false);
    }

    private Theme theme() {
        double ceiling = 50 + chance.nextInt(150);
        Posterior belief = Posterior.prior(Tempo.of(ceiling), 0.02 + 0.15 * chance.nextDouble());
        Passage music = music();
        return Theme.of(music, Tempo.clamped(ceiling * (0.8 + 0.6 * chance.nextDouble())), Known.of(belief))
                .climbedTo(chance.nextBoolean() ? Optional.of(Tempo.of(ceiling * 0.7)) : Optional.empty())
                .gripping(chance.nextInt(10) == 0 ? Optional.of(Tempo.of(ceiling * 0.9)) : Optional.empty())
                .having(new SectionLeft(chance.nextInt(5) == 0 ? chance.nextInt(20) : 240, Probes.MOST))
                .breakingAt(chance.nextBoolean() ? List.of(1 + chance.nextInt(2)) : List.of());
    }

    private Passage music() {
        List<Integer> pattern = new ArrayList<>();
        for (int beat = 0; beat < 4 * (1 + chance.nextInt(3)); beat++) {
            pattern.add(1 + chance.nextInt(5));
        }
        return new PaperPattern(new Meter(4, 4), Fraction.of(1, 4), 4, pattern).toPassage();
    }

    private Event event(Run run) {
        if (run.step() instanceof Rest rest) {
            return new Event.Rested(rest.seconds() + chance.nextInt(9));
        }
        Ask ask = ((Pass) run.step()).ask();
        return switch (chance.nextInt(24)) {
            case 0, 1 -> new Event.Unjudged();
            case 2 -> new Event.BackedOff(2.5);
            case 3 -> new Event.BackedOff(0);
            case 4 -> new Event.RestAsked(chance.nextBoolean() ? 0 : Event.UNSAID);
            default -> new Event.Judged(answer(ask, ((Pass) run.step()).tempo()));
        };
    }

    private Answer answer(Ask ask, Tempo tempo) {
        Tension tension = Tension.of(chance.nextInt(40) == 0 ? 5 : chance.nextInt(12) == 0 ? 4 : chance.nextInt(4));
        Verdict verdict = Verdict.values()[Math.max(0, chance.nextInt(6) - 3)];
        double told = switch (ask.kind()) {
            case SET, COUNT -> chance.nextInt(ask.of() + 1);
            case EDGE -> chance.nextBoolean() ? Math.floor(tempo.bpm() * 1.3) : Answer.NOTHING_TOLD;
            case LOOSE -> Answer.NOTHING_TOLD;
            case HELD -> chance.nextBoolean() ? 2 + chance.nextInt(4) : Answer.NOTHING_TOLD;
            case VERDICT, NOTHING, SLIPS, MATCH -> Answer.NOTHING_TOLD;
        };
        return ask.answer(verdict, tension, told);
    }
}
