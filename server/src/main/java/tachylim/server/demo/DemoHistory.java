package tachylim.server.demo;

import jakarta.persistence.EntityManager;
import jakarta.persistence.FlushModeType;
import java.time.DayOfWeek;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.SplittableRandom;
import java.util.UUID;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;
import tachylim.method.School;
import tachylim.method.Strictness;
import tachylim.passage.InstrumentFamily;
import tachylim.server.TachylimSettings;
import tachylim.server.account.AccountService;
import tachylim.server.account.SignedIn;
import tachylim.server.demo.DemoRepertoire.DemoPassage;
import tachylim.server.demo.DemoRepertoire.Occasion;
import tachylim.server.load.LoadService;
import tachylim.server.repertoire.MusicText;
import tachylim.server.repertoire.PassageDtos.CutKind;
import tachylim.server.repertoire.PassageDtos.CutWish;
import tachylim.server.repertoire.PassageDtos.PassageWish;
import tachylim.server.repertoire.PassageEditor;
import tachylim.server.repertoire.RepertoireService;
import tachylim.server.repertoire.Source;
import tachylim.server.repertoire.StoredSection;
import tachylim.server.run.RunDtos.EventWish;
import tachylim.server.run.RunService;
import tachylim.shown.MeasuredDto;
import tachylim.shown.PlanWish;
import tachylim.sim.SimulatedPlayer;
import tachylim.task.Ask;
import tachylim.task.PassKind;
import tachylim.tempo.Tempo;
import tachylim.workout.Brief;
import tachylim.workout.Choices;
import tachylim.workout.Music;
import tachylim.workout.Pass;
import tachylim.workout.Run;
import tachylim.workout.Step;

/**
 * Ten weeks of a made-up player's practice, relative to today and always the same: with a layoff, a few
 * tense days, an awkward band of tempos, and one passage that is behind. Everything goes through the
 * services a player's own practice goes through.
 */
@Component
class DemoHistory {

    static final String NAME = "Odile Marrane";

    private static final long SEED = 20_260_315;
    private static final int TEN_WEEKS = 70;
    private static final int DAYS_TO_AUDITION = 35;
    private static final int DAYS_TO_CONCERT = 17;
    private static final int USUAL_MINUTES = 25;

    /** Days off of the last week, so that a week does not grow beyond what today may be. */
    private static final Set<Integer> RESTS = Set.of(2, 3);

    /** Days before today, both ends included. */
    private static final int LAYOFF_FROM = 44;

    private static final int LAYOFF_TO = 33;
    private static final int TENSE_FROM = 19;
    private static final int TENSE_TO = 16;

    private static final double LOST_IN_LAYOFF = 0.03;
    private static final double EXTRA_TENSION = 1.6;
    private static final double PRACTISES = 0.8;

    /** Days before today on which the ceiling is tested instead. */
    private static final List<Integer> TESTS = List.of(62, 30, 4);

    /** The share of workouts with bursts; the others climb to the ceiling. */
    private static final double BURSTS = 0.55;

    /** For so many days she has stayed with bursts, so that they are what is prepared for her. */
    private static final int BURSTS_LATELY = 14;

    private final AccountService accounts;
    private final RepertoireService repertoire;
    private final PassageEditor editor;
    private final RunService runs;
    private final LoadService load;
    private final DemoSheets practiceSheet;
    private final DemoClock clock;
    private final TransactionTemplate transaction;
    private final EntityManager entities;
    private final int days;

    /** How many days are written by now. */
    private volatile int written;

    DemoHistory(
            AccountService accounts,
            RepertoireService repertoire,
            PassageEditor editor,
            RunService runs,
            LoadService load,
            DemoSheets practiceSheet,
            DemoClock clock,
            TransactionTemplate transaction,
            EntityManager entities,
            TachylimSettings settings) {
        this.days = settings.demoDays();
        this.accounts = accounts;
        this.repertoire = repertoire;
        this.runs = runs;
        this.load = load;
        this.editor = editor;
        this.practiceSheet = practiceSheet;
        this.clock = clock;
        this.transaction = transaction;
        this.entities = entities;
    }

    /** A section and the passage it was cut from. */
    private record DemoSection(StoredSection section, DemoPassage passage) {}

    /** How much of it is written, from 0 to 1. */
    double share() {
        return (double) written / days;
    }

    /** Writes the ten weeks before {@code today} by moving the clock through them. */
    SignedIn write(LocalDate today, ZoneId zone) {
        try {
            return weeks(today, zone);
        } finally {
            clock.goOn();
        }
    }

    private SignedIn weeks(LocalDate today, ZoneId zone) {
        clock.move(at(today.minusDays(days), LocalTime.of(9, 0), zone));
        SignedIn odile = accounts.open(NAME, UUID.randomUUID().toString(), zone.getId());
        accounts.change(odile, InstrumentFamily.MALLET, USUAL_MINUTES, Strictness.USUAL, null);
        List<DemoSection> sections = repertoire(odile, today);
        List<Long> passages = sections.stream()
                .map(section -> section.section().passage().id())
                .distinct()
                .toList();
        SplittableRandom random = new SplittableRandom(SEED);
        int turn = 0;
        for (int daysAgo = days - 1; daysAgo >= 1; daysAgo--) {
            boolean away = daysAgo <= LAYOFF_FROM && daysAgo >= LAYOFF_TO;
            boolean practises = !RESTS.contains(daysAgo)
                    && (random.nextDouble() < PRACTISES || daysAgo == 1 || TESTS.contains(daysAgo));
            if (!away && practises) {
                turn = evening(
                        odile,
                        sections,
                        daysAgo,
                        turn,
                        at(today.minusDays(daysAgo), LocalTime.of(17, random.nextInt(50)), zone),
                        random);
            }
            written = days - daysAgo;
            clock.move(at(today.minusDays(daysAgo), LocalTime.of(20, 10), zone));
            practiceSheet.day(odile, passages.get(0), passages.subList(1, passages.size()), daysAgo);
        }
        clock.goOn();
        practiceSheet.day(odile, passages.get(0), passages.subList(1, passages.size()), 0);
        accounts.daysOff(odile, Set.of(DayOfWeek.SUNDAY));
        // From here on she follows the advice, whatever she chose in her history.
        repertoire.sections(odile).forEach(section -> repertoire.choose(odile, section.passage(), null, today));
        repertoire.perform(odile, "House concert", today.plusDays(DAYS_TO_CONCERT));
        repertoire.perform(odile, "Audition at Lantern Quay", today.plusDays(DAYS_TO_AUDITION));
        return odile;
    }

    /** One or two workouts, each on the section whose turn it is. */
    private int evening(
            SignedIn odile,
            List<DemoSection> sections,
            int daysAgo,
            int turn,
            Instant begins,
            SplittableRandom random) {
        int sessions = random.nextDouble() < 0.45 ? 2 : 1;
        for (int session = 0; session < sessions; session++) {
            clock.move(begins.plusSeconds(session * 35L * 60));
            DemoSection section = sections.get((turn + session) % sections.size());
            // A workout at once: two thousand answers would be two thousand writes to the disk.
            boolean test = session == 0 && TESTS.contains(daysAgo);
            if (!load.today(odile).allowance().isWorthStarting()) {
                return turn + session;
            }
            transaction.executeWithoutResult(
                    status -> play(odile, section, test, USUAL_MINUTES / sessions, daysAgo, random));
        }
        return turn + sessions;
    }

    private static Instant at(LocalDate day, LocalTime time, ZoneId zone) {
        return day.atTime(time).atZone(zone).toInstant();
    }

    private List<DemoSection> repertoire(SignedIn odile, LocalDate today) {
        for (DemoPassage passage : DemoRepertoire.PASSAGES) {
            long id = editor.create(
                    odile,
                    new PassageWish(
                            passage.title(),
                            passage.instrument(),
                            new MusicText(Source.ABC, "4/4", "", passage.abc(), 0),
                            passage.target(),
                            passage.neededFor() == null
                                    ? null
                                    : today.plusDays(
                                            passage.neededFor() == Occasion.CONCERT
                                                    ? DAYS_TO_CONCERT
                                                    : DAYS_TO_AUDITION),
                            (double) Math.round(passage.truthAtStart() * 0.93),
                            true,
                            0,
                            null,
                            null));
            if (passage.cut() != CutKind.WHOLE) {
                editor.cut(odile, id, new CutWish(passage.cut(), passage.size(), List.of()));
            }
        }
        List<DemoSection> sections = new ArrayList<>();
        for (StoredSection section : repertoire.sections(odile)) {
            DemoRepertoire.PASSAGES.stream()
                    .filter(passage -> passage.title().equals(section.passage().title()))
                    .forEach(passage -> sections.add(new DemoSection(section, passage)));
        }
        return sections;
    }

    /** Plays a workout to its end, in its own time: each answer comes when its step has been played. */
    private void play(
            SignedIn odile, DemoSection section, boolean test, int minutes, int daysAgo, SplittableRandom random) {
        // What is asked while playing is written as it is saved; nothing has to be looked through for changes before.
        entities.setFlushMode(FlushModeType.COMMIT);
        SimulatedPlayer player = player(section, daysAgo, random);
        boolean bursts = random.nextDouble() < BURSTS || daysAgo <= BURSTS_LATELY;
        School usual = bursts ? School.INTERVAL_BURSTS : School.STEADY_CLIMB;
        PlanWish wish = test
                ? PlanWish.usual(section.section().id(), Brief.TEST_MINUTES, Choices.usual(School.CEILING_TEST))
                : PlanWish.usual(section.section().id(), minutes, Choices.usual(usual));
        String holder = UUID.randomUUID().toString();
        Instant begun = clock.instant();
        long id = runs.begin(odile, wish, holder);
        Run run = runs.soFar(odile, id);
        for (int ordinal = 0; !run.isDone(); ordinal++) {
            Step step = run.step();
            clock.move(begun.plusMillis((long) (1000 * (run.tally().elapsed() + step.seconds()))));
            EventWish answer = step instanceof Pass pass
                    ? answer(player, run, pass, holder, ordinal).hearing(heard(section, run, pass, daysAgo))
                    : EventWish.rested(holder, ordinal, step.seconds());
            run = runs.play(odile, id, answer);
        }
        note(odile, id, daysAgo);
    }

    /** Of what need not be answered she says nothing; a variation is as hard as the section at the tempo it matches. */
    private static EventWish answer(SimulatedPlayer player, Run run, Pass pass, String holder, int ordinal) {
        if (pass.ask().kind() == Ask.Kind.NOTHING) {
            return EventWish.unjudged(holder, ordinal);
        }
        Music music = run.blocks().get(run.block()).music();
        Tempo asWritten = music.asWritten(pass.tempo());
        return EventWish.judged(
                holder,
                ordinal,
                player.play(pass.ask(), asWritten, run.tally().recovery().level()));
    }

    /** Her first passage is the one she has the microphone on for. */
    private static List<MeasuredDto> heard(DemoSection section, Run run, Pass pass, int daysAgo) {
        boolean listens = section.passage() == DemoRepertoire.PASSAGES.get(0) && pass.kind() != PassKind.WARM_UP;
        return listens
                ? DemoEars.measured(pass, run.blocks().get(run.block()).music().notes(), daysAgo)
                : List.of();
    }

    private static SimulatedPlayer player(DemoSection section, int daysAgo, SplittableRandom random) {
        double progress = 1 - (double) daysAgo / TEN_WEEKS;
        DemoPassage passage = section.passage();
        double truth = passage.truthAtStart() * Math.pow(passage.truthNow() / passage.truthAtStart(), progress);
        boolean justBack = daysAgo < LAYOFF_TO && daysAgo > LAYOFF_TO - 8;
        // The second section of a passage is a little harder than the first.
        double harder = section.section().notes().firstNote() > 0 ? 0.97 : 1;
        SimulatedPlayer player =
                SimulatedPlayer.withCeiling(Tempo.of(truth * harder * (justBack ? 1 - LOST_IN_LAYOFF : 1)), random);
        if (daysAgo <= TENSE_FROM && daysAgo >= TENSE_TO) {
            player = player.tenser(EXTRA_TENSION);
        }
        return harder < 1 ? player.awkwardBetween(Tempo.of(92), Tempo.of(96)) : player;
    }

    private void note(SignedIn odile, long run, int daysAgo) {
        if (daysAgo == LAYOFF_TO - 1) {
            runs.note(odile, run, "First day back. Shorter, and everything a little lower.");
        } else if (daysAgo == TENSE_FROM || daysAgo == TENSE_TO) {
            runs.note(odile, run, "Shoulders up around 90; the inside mallets grip. Stop earlier tomorrow.");
        }
    }
}
