package tachylim.server.workout;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tachylim.method.School;
import tachylim.method.Setting;
import tachylim.passage.Section;
import tachylim.server.account.AccountService;
import tachylim.server.account.SignedIn;
import tachylim.server.ceiling.Standing;
import tachylim.server.ceiling.StandingService;
import tachylim.server.repertoire.PassageEditor;
import tachylim.server.repertoire.RepertoireService;
import tachylim.server.repertoire.StoredSection;
import tachylim.server.web.Refused;
import tachylim.shown.PlanWish;
import tachylim.words.Reason;
import tachylim.workout.Brief;
import tachylim.workout.Choices;
import tachylim.workout.Music;
import tachylim.workout.Part;
import tachylim.workout.Sketch;

/** Puts workouts together that go through all sections of a passage. */
@Service
class SectionOrderService {

    /** More stretches from the end than these are no workout any more. */
    private static final int MOST_STRETCHES = 12;

    private static final int TIMES_EACH = 2;
    private static final double LEAST_SECONDS = 60;

    /** The warm-up is outside the minutes, and the close has some of them. */
    private static final double SHARE = 0.85;

    private final RepertoireService repertoire;
    private final PassageEditor editor;
    private final StandingService standings;
    private final AccountService accounts;

    SectionOrderService(
            RepertoireService repertoire, PassageEditor editor, StandingService standings, AccountService accounts) {
        this.repertoire = repertoire;
        this.editor = editor;
        this.standings = standings;
        this.accounts = accounts;
    }

    /** The wish for a workout in an order; what else was chosen stays. */
    @Transactional
    public PlanWish through(SignedIn who, SectionOrder order, PlanWish wish) {
        StoredSection first = repertoire.section(who, wish.sectionId());
        if (order == SectionOrder.NOTCHES) {
            return aNotchFasterEach(wish);
        }
        List<StoredSection> cut = repertoire.cut(first.passage());
        if (order == SectionOrder.PERFORM) {
            return performing(editor.whole(who, first.passage()), first, wish);
        }
        if (cut.size() < 2) {
            throw Refused.field("order", Reason.of("refusal.order.notCut"));
        }
        return order == SectionOrder.FROM_THE_END
                ? fromTheEnd(editor.whole(who, first.passage()), cut, wish)
                : hardestFirst(who, cut, wish);
    }

    private static PlanWish performing(StoredSection whole, StoredSection first, PlanWish wish) {
        List<Long> sections = whole.id().equals(first.id()) ? List.of(whole.id()) : List.of(whole.id(), first.id());
        return PlanWish.usual(sections, wish.minutes(), wish.choices().by(School.PERFORMANCE_RUN));
    }

    private static PlanWish fromTheEnd(StoredSection whole, List<StoredSection> cut, PlanWish wish) {
        int most = Math.min(MOST_STRETCHES, cut.size());
        int last = whole.notes().lastNote();
        List<Sketch> stretches = new ArrayList<>();
        for (int i = 1; i <= most; i++) {
            Section stretch = new Section(cut.get(cut.size() - i).notes().firstNote(), last);
            stretches.add(new Sketch(
                            Part.CORE,
                            0,
                            stretch.size() == whole.notes().size() ? "" : Music.keyOf(stretch),
                            seconds(wish, most),
                            wish.choices().by(School.STEADY_CLIMB))
                    .asOwn(Setting.at(new Setting.Aim(Setting.Of.TARGET, 100), TIMES_EACH)));
        }
        return PlanWish.usual(whole.id(), wish.minutes(), wish.choices()).with(stretches);
    }

    private PlanWish hardestFirst(SignedIn who, List<StoredSection> cut, PlanWish wish) {
        Map<Long, Standing> known = standings.standings(
                who, cut.stream().map(StoredSection::subject).toList(), accounts.today(who));
        List<StoredSection> hardest = cut.stream()
                .sorted(Comparator.comparingDouble((StoredSection section) -> known.get(section.id())
                                .estimate()
                                .ceiling()
                                .middle()
                                .bpm())
                        .thenComparing(Comparator.comparingInt(StoredSection::difficulty)
                                .reversed())
                        .thenComparing(section -> section.notes().firstNote()))
                .limit(Brief.MOST_THEMES)
                .toList();
        Choices climb = wish.choices().by(School.STEADY_CLIMB);
        List<Sketch> blocks = new ArrayList<>();
        for (int theme = 0; theme < hardest.size(); theme++) {
            blocks.add(new Sketch(Part.CORE, theme, "", seconds(wish, hardest.size()), climb).asOwn(Setting.NONE));
        }
        return PlanWish.usual(hardest.stream().map(StoredSection::id).toList(), wish.minutes(), climb)
                .with(blocks);
    }

    private static PlanWish aNotchFasterEach(PlanWish wish) {
        Choices passes = wish.choices().by(School.STEADY_CLIMB);
        int drills = wish.sectionIds().size();
        List<Sketch> blocks = new ArrayList<>();
        for (int theme = 0; theme < drills; theme++) {
            blocks.add(new Sketch(Part.CORE, theme, "", seconds(wish, drills), passes)
                    .asOwn(Setting.at(
                            new Setting.Aim(Setting.Of.CEILING, FIRST_DRILL + NOTCH * theme), TIMES_EACH_DRILL)));
        }
        return PlanWish.usual(wish.sectionIds(), wish.minutes(), passes).with(blocks);
    }

    /** Drills go from here, in percent of their ceilings, up to {@value #FIRST_DRILL} + 5 × {@value #NOTCH}. */
    private static final int FIRST_DRILL = 80;

    private static final int NOTCH = 3;
    private static final int TIMES_EACH_DRILL = 3;

    private static double seconds(PlanWish wish, int blocks) {
        return Math.max(LEAST_SECONDS, SHARE * wish.minutes() * 60 / blocks);
    }
}
