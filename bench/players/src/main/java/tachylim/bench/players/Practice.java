package tachylim.bench.players;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.SplittableRandom;
import org.apache.commons.numbers.fraction.Fraction;
import java.util.stream.Stream;
import tachylim.ceiling.AwkwardBand;
import tachylim.ceiling.AwkwardBands;
import tachylim.ceiling.Evidence;
import tachylim.ceiling.Forecast;
import tachylim.ceiling.Moments;
import tachylim.ceiling.Known;
import tachylim.ceiling.Posterior;
import tachylim.load.Condition;
import tachylim.load.Effort;
import tachylim.passage.Meter;
import tachylim.passage.PaperPattern;
import tachylim.passage.Passage;
import tachylim.task.Answer;
import tachylim.task.Ask;
import tachylim.task.PassKind;
import tachylim.task.Tension;
import tachylim.task.Verdict;
import tachylim.tempo.Tempo;
import tachylim.words.Reason;
import tachylim.workout.Allowance;
import tachylim.workout.Brief;
import tachylim.workout.Choices;
import tachylim.workout.Event;
import tachylim.workout.Music;
import tachylim.workout.Part;
import tachylim.workout.Pass;
import tachylim.workout.Planner;
import tachylim.workout.Rest;
import tachylim.workout.Run;
import tachylim.workout.Segment;
import tachylim.workout.Theme;

/** A player practising by the application's own workouts, a day after another. */
final class Practice {

    private static final double GUESS_OFF = 0.18;

    private final Player player;
    private final Passage music;
    private final Tempo target;
    private final Choices choices;
    private final int minutes;
    private final List<AwkwardBands.Tried> tried = new ArrayList<>();
    private final List<Forecast.Measured> measured = new ArrayList<>();
    private long day;
    private final Ear ear;
    private Posterior belief;
    private Optional<Tempo> lastClimb = Optional.empty();
    private double reached;
    private int doubts;

    /**
     * @param ear told of everything that is played
     */
    Practice(Player player, SplittableRandom random, Choices choices, Ear ear) {
        this.player = player;
        this.choices = choices;
        this.ear = ear;
        this.music =
                new PaperPattern(new Meter(4, 4), Fraction.of(1, 4), 1 << random.nextInt(4), List.of(4)).toPassage();
        this.target = Tempo.clamped(player.ceiling() * (1.05 + 0.25 * random.nextDouble()));
        this.minutes = 20 + 5 * random.nextInt(5);
        double off = Gauss.of(random);
        this.belief = Posterior.prior(Tempo.clamped(player.ceiling() * Math.exp(GUESS_OFF * off)), Posterior.GUESS_SD);
    }

    Posterior belief() {
        return belief;
    }

    /** How many workouts did not fit what was believed of the ceiling. */
    int doubts() {
        return doubts;
    }

    Tempo target() {
        return target;
    }

    int minutes() {
        return minutes;
    }

    /** What is known of the section this morning. */
    Theme theme() {
        return Theme.of(music, target, Known.of(belief).besides(bands()))
                .climbedTo(lastClimb)
                .reaching(reached);
    }

    /** One day's workout. */
    void day() {
        day(choices, new Allowance(new Effort(60), 90, 3_600));
    }

    /** One day's workout as it is chosen today, within what may be done; told as it was played. */
    Run day(Choices today, Allowance left) {
        Moments morning = now();
        Run run = Run.start(Planner.plan(Brief.on(theme(), minutes, today, left, Condition.FRESH, Reason.NONE)));
        while (!run.isDone()) {
            run = run.after(
                    run.step() instanceof Rest rest
                            ? new Event.Rested(rest.seconds())
                            : event(run));
        }
        belief = run.known().belief().orElseThrow();
        doubts += run.known().doubted().isPresent() ? 1 : 0;
        measured.add(new Forecast.Measured(day, morning, now()));
        Tempo ceiling = belief.estimate().ceiling().middle();
        for (Segment segment : run.past()) {
            if (segment.step() instanceof Pass pass && segment.answer() != null) {
                if (segment.part() == Part.OPENER) {
                    lastClimb = Optional.of(pass.tempo());
                    reached = Math.max(reached, pass.rate(music));
                }
                if (segment.part() != Part.PREPARE
                        && pass.kind() != PassKind.BURST
                        && pass.kind() != PassKind.WARM_UP
                        && segment.before().recovery().level() >= Evidence.TIRED_BELOW) {
                    boolean clean = segment.answer().verdict() == Verdict.CLEAN;
                    tried.add(new AwkwardBands.Tried(day, pass.tempo(), ceiling, clean));
                }
            }
        }
        return run;
    }

    private Moments now() {
        return belief.logCeiling();
    }

    /** The bands of the last four weeks. */
    List<AwkwardBand> bands() {
        tried.removeIf(pass -> pass.day() <= day - AwkwardBands.DAYS);
        return AwkwardBands.in(tried);
    }

    Optional<Forecast> forecast() {
        return Forecast.of(measured);
    }

    long today() {
        return day;
    }

    /** The night after a day of practice. */
    void sleep() {
        player.practised();
        night();
    }

    /** A night. */
    void night() {
        player.wake();
        belief = belief.afterDays(1);
        day++;
    }

    private Judging judging;

    /** The same practice, judged otherwise than by the player's word alone. */
    Practice judgedBy(Judging by) {
        this.judging = by;
        return this;
    }

    private Event event(Run run) {
        Pass pass = (Pass) run.step();
        if (judging == null) {
            return event(pass, answer(run, player, ear));
        }
        List<Answer> truth = played(run, player, ear);
        return judging.say(pass.ask(), truth)
                .map(answer -> event(pass, answer))
                .orElseGet(Event.Unjudged::new);
    }

    /** Of what need not be answered nothing is said, unless it went wrong. */
    static Event event(Pass pass, Answer answer) {
        boolean silent = pass.ask().kind() == Ask.Kind.NOTHING
                && answer.verdict() != Verdict.BROKE
                && !answer.tension().atLeast(Tension.GRIPPING);
        return silent ? new Event.Unjudged() : new Event.Judged(answer);
    }

    /** How a player plays the pass at hand. */
    static Answer answer(Run run, Player player, Ear ear) {
        List<Answer> each = played(run, player, ear);
        return each.size() == 1 ? each.get(0) : Answer.together(each);
    }

    private static List<Answer> played(Run run, Player player, Ear ear) {
        Pass pass = (Pass) run.step();
        Music played = run.blocks().get(run.block()).music();
        double recovery = run.tally().recovery().level();
        double minutes = run.tally().playingSeconds() / 60;
        int bars = (int) Math.max(1, Math.ceil(played.notes().length().doubleValue() / 4 - 1e-9));
        double full = Math.max(1, Math.min(8, 24 / (4 * bars)));
        double share = played.share()
                * Math.max(1, pass.notes().size() - 1)
                / Math.max(1, played.notes().notes().size() - 1)
                * Math.min(1, pass.roundsEach() / full);
        Tempo tempo = played.asWritten(pass.tempo());
        double ratio = pass.tempo().bpm() / player.ceilingToday();
        int passes = pass.ask().passes();
        List<Answer> each = Stream.generate(() -> player.play(tempo, Math.min(1, share), recovery, minutes))
                .limit(passes)
                .toList();
        each.forEach(one -> ear.heard(pass.kind(), pass.playSeconds() / passes, ratio, one));
        return each;
    }
}
