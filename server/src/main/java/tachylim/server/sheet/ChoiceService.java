package tachylim.server.sheet;

import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import org.springframework.data.domain.Limit;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tachylim.ceiling.Weakest;
import tachylim.server.account.AccountService;
import tachylim.server.account.SignedIn;
import tachylim.server.load.Played;
import tachylim.server.load.PracticeLog;
import tachylim.server.repertoire.RepertoireService;
import tachylim.server.repertoire.StoredPassage;
import tachylim.server.repertoire.StoredSection;
import tachylim.server.sheet.PracticeSheetDtos.PracticeWish;
import tachylim.server.sheet.VariationService.Stretch;
import tachylim.server.web.Refused;
import tachylim.tempo.Tempo;
import tachylim.variation.Catalogue;
import tachylim.variation.Coverage;
import tachylim.variation.DaysChoice;
import tachylim.words.Reason;

/** The variations chosen for a day, and what is played on the practice sheet, with a variation or along with the plain notes. */
@Service
public class ChoiceService {

    private static final int WEEK = 7;
    private static final Limit MOST = Limit.of(2_000);

    private final RepertoireService repertoire;
    private final VariationService variations;
    private final TransitionService transitions;
    private final ChosenVariationRepository chosen;
    private final AccountService accounts;
    private final PracticeLog practice;

    ChoiceService(
            RepertoireService repertoire,
            VariationService variations,
            TransitionService transitions,
            ChosenVariationRepository chosen,
            AccountService accounts,
            PracticeLog practice) {
        this.repertoire = repertoire;
        this.variations = variations;
        this.transitions = transitions;
        this.chosen = chosen;
        this.accounts = accounts;
        this.practice = practice;
    }

    /** Chosen variations since a week ago, yesterday's and today's among them. */
    List<ChosenVariation> week(SignedIn who, StoredPassage passage, LocalDate today) {
        return chosen.findByAccountIdAndPassageIdAndDayGreaterThanEqualOrderByDayAscPlaceAsc(
                who.accountId(), passage.id(), today.minusDays(WEEK - 1), MOST);
    }

    /** The variations chosen for today of just the notes of each of some sections, that were not played yet. */
    @Transactional(readOnly = true)
    public Map<Long, List<String>> wanted(SignedIn who, List<StoredSection> sections, LocalDate today) {
        List<ChosenVariation> open = openToday(who, sections, today);
        return sections.stream()
                .collect(Collectors.toMap(
                        StoredSection::id,
                        section -> open.stream()
                                .filter(one -> isOf(one, section))
                                .map(ChosenVariation::variation)
                                .toList()));
    }

    private List<ChosenVariation> openToday(SignedIn who, List<StoredSection> sections, LocalDate today) {
        return chosen.findByAccountIdAndPassageIdInAndDayAndPlayedFalseOrderByPlaceAsc(
                who.accountId(),
                sections.stream()
                        .map(section -> section.passage().id())
                        .distinct()
                        .toList(),
                today,
                MOST);
    }

    private static boolean isOf(ChosenVariation one, StoredSection section) {
        return one.passageId() == section.passage().id()
                && one.firstNote() == section.notes().firstNote()
                && one.lastNote() == section.notes().lastNote();
    }

    /** Ticks a variation off that was played in a workout, where its minutes are counted already. */
    @Transactional
    public void playedInRun(SignedIn who, StoredSection section, String variation, LocalDate today) {
        openToday(who, List.of(section), today).stream()
                .filter(one -> isOf(one, section) && one.variation().equals(variation))
                .forEach(one -> one.played(true));
    }

    /** Chooses for today within {@code minutes}; what was played of an earlier choice today is kept. */
    @Transactional
    public void choose(SignedIn who, long passageId, double minutes) {
        LocalDate today = accounts.today(who);
        Stretch stretch = variations.forSheet(who, passageId, null, null);
        List<ChosenVariation> week = week(who, stretch.passage(), today);
        Set<String> yesterday = keys(week, one -> one.day().equals(today.minusDays(1)));
        Set<String> playedToday = keys(week, one -> one.day().equals(today) && one.played());
        double[] need =
                transitions.need(who, stretch.passage(), stretch.music().notes().size() - 1, today);
        Coverage.Chosen choice = Refused.unlessValid(
                "minutes",
                () -> DaysChoice.of(stretch.music(), stretch.target(), need, minutes, yesterday, playedToday));
        chosen.deleteByAccountIdAndPassageIdAndDayAndPlayedFalse(who.accountId(), passageId, today);
        int place = playedToday.size();
        for (Coverage.Choice one : choice.choices()) {
            chosen.save(new ChosenVariation(
                    who.accountId(),
                    passageId,
                    today,
                    place++,
                    stretch.firstNote(),
                    stretch.lastNote(),
                    one.key(),
                    one.minutes(),
                    one.why()));
        }
    }

    private static Set<String> keys(List<ChosenVariation> week, Predicate<ChosenVariation> which) {
        return week.stream().filter(which).map(ChosenVariation::variation).collect(Collectors.toSet());
    }

    /** Ticks a variation off, which counts its minutes for today; unticked, they no longer count. */
    @Transactional
    public void played(SignedIn who, long passageId, long choiceId, boolean played) {
        ChosenVariation one = chosen.findByIdAndAccountIdAndPassageId(choiceId, who.accountId(), passageId).stream()
                .findFirst()
                .orElseThrow(() -> Refused.notFound(Reason.of("refusal.choiceService.thisVariationIsNotHere")));
        if (one.played() == played) {
            return;
        }
        if (played) {
            Stretch stretch = variations.stretch(who, passageId, one.firstNote(), one.lastNote());
            Tempo matching =
                    Catalogue.parse(one.variation()).of(stretch.music()).matching(stretch.target());
            practice.played(
                    who,
                    Played.onThePracticeSheet(
                            passageId, null, choiceId, matching, ceiling(who, stretch.passage()), 60 * one.minutes()),
                    0);
        } else {
            practice.notPlayed(who, choiceId);
        }
        one.played(played);
    }

    @Transactional
    void practised(SignedIn who, long passageId, PracticeWish wish) {
        StoredPassage passage = repertoire.passage(who, passageId);
        Tempo ceiling = ceiling(who, passage);
        Played played = Played.onThePracticeSheet(
                passageId, wish.clientId(), null, Tempo.of(wish.bpm()), ceiling, wish.seconds());
        practice.played(who, wish.varied() ? played : played.asWritten(ceiling), 0);
    }

    /** The whole goes no faster than its slowest section: that is what playing on the practice sheet is measured by. */
    private Tempo ceiling(SignedIn who, StoredPassage passage) {
        return Weakest.ceilingOf(repertoire.estimates(who, repertoire.cut(passage)));
    }
}
