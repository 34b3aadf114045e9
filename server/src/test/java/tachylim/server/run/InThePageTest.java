package tachylim.server.run;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.BufferedWriter;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import org.apache.commons.numbers.fraction.Fraction;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tachylim.ceiling.Known;
import tachylim.ceiling.Posterior;
import tachylim.load.Caution;
import tachylim.load.Condition;
import tachylim.load.Effort;
import tachylim.load.Limit;
import tachylim.method.School;
import tachylim.method.Strictness;
import tachylim.method.WarmUpRoutine;
import tachylim.passage.Meter;
import tachylim.passage.PaperPattern;
import tachylim.passage.Passage;
import tachylim.record.WorkoutCodec;
import tachylim.server.record.Documents;
import tachylim.shown.BeliefDto;
import tachylim.shown.EventDto;
import tachylim.shown.LeftDto;
import tachylim.shown.Moment;
import tachylim.shown.PlaceDto;
import tachylim.shown.PlanBasis;
import tachylim.shown.PlanWish;
import tachylim.shown.RunBasis;
import tachylim.shown.Timeline;
import tachylim.take.Confusion;
import tachylim.take.Measured;
import tachylim.task.Ask;
import tachylim.task.Hearing;
import tachylim.task.Tension;
import tachylim.task.Verdict;
import tachylim.tempo.Tempo;
import tachylim.words.Reason;
import tachylim.workout.Allowance;
import tachylim.workout.Brief;
import tachylim.workout.Choices;
import tachylim.workout.Pass;
import tachylim.workout.Planner;
import tachylim.workout.Rest;
import tachylim.workout.Rules;
import tachylim.workout.Run;
import tachylim.workout.Theme;
import tachylim.workout.Workout;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** The core that a page carries and the server's own tell the same of the same runs. */
class InThePageTest {

    private static final int MOST_EVENTS = 4;
    private static final Path HERE = Path.of("..", "browser");
    private static final JsonMapper JSON = new JsonMapper();

    @TempDir
    private Path folder;

    private final Random chance = new Random(20_261_126);

    /** An event as a page sends it, and the moment that it leads to; no event before the first. */
    private record Told(EventDto event, Moment moment) {}

    /** A plan as both draw it from the same knowledge. */
    private record Drawn(PlanBasis score, PlanWish wish, Timeline timeline) {}

    private record Played(RunBasis score, List<Told> told, Drawn plan) {}

    @Test
    void aHundredRunsGoOnAlikeInBothPlaces() throws IOException, InterruptedException {
        goOnAlike(100);
    }

    @Test
    @Tag("long")
    void aThousandRunsGoOnAlikeInBothPlaces() throws IOException, InterruptedException {
        goOnAlike(1_000);
    }

    private void goOnAlike(int many) throws IOException, InterruptedException {
        Path runs = folder.resolve("runs.jsonl");
        try (BufferedWriter lines = Files.newBufferedWriter(runs)) {
            for (int i = 0; i < many; i++) {
                lines.write(JSON.writeValueAsString(played()));
                lines.newLine();
            }
        }
        Process node = new ProcessBuilder(
                        "node",
                        HERE.resolve("src/test/js/compare.mjs").toString(),
                        HERE.resolve("target/page/tachylim.js").toString(),
                        runs.toString())
                .redirectErrorStream(true)
                .start();
        String said = new String(node.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
        assertThat(node.waitFor()).as(said).isZero();
        JsonNode compared = JSON.readTree(said);
        assertThat(compared.path("edition").asInt()).isEqualTo(Rules.EDITION);
        assertThat(compared.path("played").asInt()).isEqualTo(many);
        assertThat(compared.path("moments").asInt()).isGreaterThan(3 * many);
        assertThat(compared.path("plans").asInt()).isGreaterThan(many / 8);
        assertThat(compared.path("count").asInt()).as(said).isZero();
    }

    /** A random run, with some of its events played before the page took it up. */
    private Played played() {
        Workout planned = Planner.plan(brief());
        Map<Integer, Posterior> beliefs = new HashMap<>();
        List<BeliefDto> kept = new ArrayList<>();
        List<PlaceDto> places = new ArrayList<>();
        List<Theme> themes = planned.brief().themes();
        for (int i = 0; i < themes.size(); i++) {
            Posterior belief = themes.get(i).known().belief().orElseThrow();
            byte[] weights = belief.toBytes();
            beliefs.put(i, Posterior.fromBytes(weights, belief.passes()));
            kept.add(BeliefDto.of(i, belief.passes(), weights));
            places.add(new PlaceDto(i, i, "Passage " + i, "", 3 * i));
        }
        String document = Documents.write(WorkoutCodec.WORKOUT, planned);
        Run run = Run.start(Documents.read(WorkoutCodec.workout(beliefs), document));
        List<EventDto> before = new ArrayList<>();
        for (int i = chance.nextInt(3); i > 0 && !run.isDone(); i--) {
            EventDto event = event(run, LeftDto.of(run.left()));
            before.add(event);
            run = run.after(event.event(run));
        }
        double effort = chance.nextInt(10);
        RunBasis score = new RunBasis(Rules.EDITION, document, kept, before, LeftDto.of(run.left()), effort, places);
        List<Told> told = new ArrayList<>(List.of(new Told(null, moment(run, effort))));
        for (int i = 1 + chance.nextInt(MOST_EVENTS); i > 0 && !run.isDone(); i--) {
            EventDto event = event(run, null);
            run = run.after(event.event(run));
            told.add(new Told(event, moment(run, effort)));
        }
        return new Played(score, told, chance.nextInt(5) == 0 ? drawn(planned.brief(), kept, beliefs) : null);
    }

    private static Drawn drawn(Brief brief, List<BeliefDto> kept, Map<Integer, Posterior> beliefs) {
        String document =
                Documents.write(WorkoutCodec.WORKOUT, new Workout(brief.with(List.of()), List.of(), List.of()));
        Brief known = Documents.read(WorkoutCodec.workout(beliefs), document).brief();
        Choices choices = known.choices();
        PlanWish wish = new PlanWish(
                0,
                known.minutes(),
                choices.school(),
                choices.bursts(),
                choices.burstBeats(),
                choices.controlledShare(),
                choices.firstBurstShare(),
                choices.cleanInARow(),
                choices.caution(),
                choices.focus(),
                choices.strictness().roughCounts(),
                choices.strictness().looseOnly(),
                choices.restsAsPlayed(),
                List.of(),
                List.of());
        Timeline timeline = Timeline.of(
                Run.start(Planner.plan(known)),
                new Effort(2),
                new Limit(Limit.Kind.EFFORT, 40, 2, Reason.text("What today allows.")));
        return new Drawn(
                new PlanBasis(
                        Rules.EDITION,
                        document,
                        kept,
                        2,
                        40,
                        Reason.text("What today allows."),
                        Reason.NONE,
                        Reason.NONE),
                wish,
                timeline);
    }

    private static Moment moment(Run run, double effort) {
        return Moment.of(run, theme -> 3 * theme, new Effort(effort));
    }

    private Brief brief() {
        List<Theme> themes = new ArrayList<>();
        for (int i = 1 + chance.nextInt(2); i > 0; i--) {
            double ceiling = 60 + chance.nextInt(120);
            Posterior belief = Posterior.prior(Tempo.of(ceiling), 0.03 + 0.15 * chance.nextDouble());
            themes.add(Theme.of(music(), Tempo.clamped(ceiling * (0.95 + 0.4 * chance.nextDouble())), Known.of(belief))
                    .climbedTo(chance.nextBoolean() ? Optional.of(Tempo.of(ceiling * 0.7)) : Optional.empty())
                    .breakingAt(chance.nextBoolean() ? List.of(1 + chance.nextInt(3)) : List.of()));
        }
        School school = School.values()[chance.nextInt(School.values().length)];
        Choices usual = Choices.usual(school);
        Choices choices = new Choices(
                school,
                usual.bursts(),
                1 + chance.nextInt(2),
                usual.controlledShare(),
                usual.firstBurstShare(),
                1 + chance.nextInt(4),
                Caution.values()[chance.nextInt(Caution.values().length)],
                "comfortable",
                new Strictness(chance.nextBoolean(), chance.nextBoolean()),
                chance.nextInt(8) == 0);
        return new Brief(
                themes,
                List.of(),
                5 + chance.nextInt(9),
                choices,
                new Allowance(new Effort(10 + chance.nextInt(40)), chance.nextInt(60), 600 + chance.nextInt(2_000)),
                Condition.FRESH,
                chance.nextInt(4) == 0
                        ? List.of(
                                new WarmUpRoutine.Item("Shoulders", 60, false),
                                new WarmUpRoutine.Item("Long, easy strokes", 30 + chance.nextInt(60), true))
                        : List.of(),
                chance.nextInt(8) == 0 ? Reason.text("A day for easy playing.") : Reason.NONE);
    }

    private Passage music() {
        List<Integer> pattern = new ArrayList<>();
        for (int beat = 0; beat < 4 * (1 + chance.nextInt(2)); beat++) {
            pattern.add(1 + chance.nextInt(6));
        }
        return new PaperPattern(new Meter(4, 4), Fraction.of(1, 4), 4, pattern).toPassage();
    }

    private EventDto event(Run run, LeftDto left) {
        if (run.step() instanceof Rest rest) {
            return new EventDto(
                    "", EventDto.Kind.RESTED, null, null, null, rest.seconds() + chance.nextInt(9), left, null);
        }
        Ask ask = ((Pass) run.step()).ask();
        int tension = chance.nextInt(10) == 0 ? Tension.MOST - chance.nextInt(2) : chance.nextInt(4);
        return switch (chance.nextInt(12)) {
            case 0 -> new EventDto("", EventDto.Kind.UNJUDGED, null, null, null, null, left, null);
            case 1 -> new EventDto("", EventDto.Kind.BACKED_OFF, null, null, null, 2.5, left, null);
            case 2 -> new EventDto("", EventDto.Kind.REST_ASKED, null, null, null, 0.0, left, null);
            default -> {
                boolean counted = ask.kind() == Ask.Kind.SET || ask.kind() == Ask.Kind.COUNT;
                yield new EventDto(
                        "",
                        EventDto.Kind.JUDGED,
                        Verdict.values()[Math.max(0, chance.nextInt(5) - 2)],
                        tension,
                        counted ? (double) chance.nextInt(ask.of() + 1) : null,
                        null,
                        left,
                        null);
            }
        };
    }

    /** Now and then a microphone has its word. */
    private Hearing heard(int passes) {
        if (chance.nextInt(3) > 0) {
            return null;
        }
        List<Measured.Suggested> words = new ArrayList<>();
        for (int pass = 0; pass < passes; pass++) {
            words.add(Measured.Suggested.values()[chance.nextInt(4)]);
        }
        return Confusion.usual().hearing(words, chance.nextBoolean());
    }
}
