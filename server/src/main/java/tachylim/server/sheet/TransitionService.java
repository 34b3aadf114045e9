package tachylim.server.sheet;

import java.time.LocalDate;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.data.domain.Limit;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tachylim.server.account.AccountService;
import tachylim.server.account.SignedIn;
import tachylim.server.repertoire.RepertoireService;
import tachylim.server.repertoire.StoredPassage;
import tachylim.server.repertoire.StoredSection;
import tachylim.server.take.TakeService;
import tachylim.server.web.Refused;
import tachylim.variation.TransitionNeed;
import tachylim.words.Reason;

/** Where a passage breaks, as noted, and so how much each of its transitions needs to be trained. */
@Service
public class TransitionService {

    private static final Limit MOST = Limit.of(2_000);

    private final RepertoireService repertoire;
    private final TransitionBreakRepository breaks;
    private final AccountService accounts;
    private final TakeService takes;

    TransitionService(
            RepertoireService repertoire,
            TransitionBreakRepository breaks,
            AccountService accounts,
            TakeService takes) {
        this.repertoire = repertoire;
        this.breaks = breaks;
        this.accounts = accounts;
        this.takes = takes;
    }

    /** How much each transition of a passage needs to be trained. */
    double[] need(SignedIn who, StoredPassage passage, int transitions, LocalDate today) {
        return need(breaks(who, passage, today), troubled(who, passage, today), transitions, today);
    }

    /** The transitions of a passage that were heard to slip again and again, the worst first. */
    List<Integer> troubled(SignedIn who, StoredPassage passage, LocalDate today) {
        return takes.troubled(who, List.of(passage), today).getOrDefault(passage.id(), List.of());
    }

    /** What was heard to slip again and again needs training like what broke today. */
    private static double[] need(
            List<TransitionBreak> broken, List<Integer> troubled, int transitions, LocalDate today) {
        return TransitionNeed.of(
                transitions,
                Stream.concat(
                                broken.stream()
                                        .map(one -> new TransitionNeed.Break(
                                                one.transition(),
                                                today.toEpochDay() - one.day().toEpochDay())),
                                troubled.stream().map(one -> new TransitionNeed.Break(one, 0)))
                        .filter(one -> one.transition() < transitions)
                        .toList());
    }

    /**
     * The transitions of each of some sections that broke of late, or were heard to slip again and again, from 0, those that
     * need it most first.
     */
    @Transactional(readOnly = true)
    public Map<Long, List<Integer>> weakest(SignedIn who, List<StoredSection> sections, LocalDate today) {
        Map<Long, List<TransitionBreak>> broken = breaks
                .findByAccountIdAndPassageIdInAndDayGreaterThanEqualOrderByIdDesc(
                        who.accountId(),
                        sections.stream()
                                .map(section -> section.passage().id())
                                .distinct()
                                .toList(),
                        today.minusDays(TransitionNeed.DAYS),
                        MOST)
                .stream()
                .collect(Collectors.groupingBy(TransitionBreak::passageId));
        Map<Long, List<Integer>> troubled = takes.troubled(
                who, sections.stream().map(StoredSection::passage).distinct().toList(), today);
        return sections.stream()
                .collect(Collectors.toMap(
                        StoredSection::id,
                        section -> weakest(
                                section,
                                broken.getOrDefault(section.passage().id(), List.of()),
                                troubled.getOrDefault(section.passage().id(), List.of()),
                                today)));
    }

    private static List<Integer> weakest(
            StoredSection section, List<TransitionBreak> ofPassage, List<Integer> troubled, LocalDate today) {
        int first = section.notes().firstNote();
        int transitions = section.notes().size() - 1;
        double[] need = need(ofPassage, troubled, first + transitions, today);
        return Stream.concat(ofPassage.stream().map(TransitionBreak::transition), troubled.stream())
                .filter(transition -> transition >= first && transition < first + transitions)
                .distinct()
                .sorted(Comparator.comparingDouble(transition -> -need[transition]))
                .map(transition -> transition - first)
                .limit(MOST_WEAK)
                .toList();
    }

    /**
     * Says why a transition broke that was last noted today.
     *
     * @return how often that was why anything broke in this passage, in the weeks that count
     */
    @Transactional
    public long because(SignedIn who, long passageId, int transition, String cause) {
        LocalDate today = accounts.today(who);
        List<TransitionBreak> noted = breaks(who, repertoire.passage(who, passageId), today);
        noted.stream()
                .filter(one -> one.transition() == transition && one.day().equals(today))
                .findFirst()
                .orElseThrow(() -> Refused.notFound(Reason.of("refusal.transitionService.aBreakNotedAtThis")))
                .cause(cause.strip());
        return times(noted, cause.strip());
    }

    private static long times(List<TransitionBreak> noted, String cause) {
        return noted.stream().filter(one -> cause.equalsIgnoreCase(one.cause())).count();
    }

    /** Why something broke again and again, with how often: what was said on a day and not for the first time. */
    @Transactional(readOnly = true)
    public Map<String, Long> repeated(SignedIn who, StoredPassage passage, LocalDate day) {
        List<TransitionBreak> noted = breaks(who, passage, day);
        Map<String, Long> repeated = new TreeMap<>(String.CASE_INSENSITIVE_ORDER);
        noted.stream()
                .filter(one -> one.day().equals(day) && one.cause() != null)
                .forEach(one -> repeated.put(one.cause(), times(noted, one.cause())));
        repeated.values().removeIf(times -> times < 2);
        return repeated;
    }

    /** The notes of a section, counted from 1, that a player did not get to on a day, in the order of the music. */
    @Transactional(readOnly = true)
    public List<Integer> brokeOn(SignedIn who, StoredSection section, LocalDate day) {
        int first = section.notes().firstNote();
        return breaks(who, section.passage(), day).stream()
                .filter(one -> one.day().equals(day))
                .map(one -> one.transition() - first + 2)
                .filter(note -> note >= 2 && note <= section.notes().size())
                .distinct()
                .sorted()
                .toList();
    }

    private static final int MOST_WEAK = 8;

    List<TransitionBreak> breaks(SignedIn who, StoredPassage passage, LocalDate today) {
        return breaks.findByAccountIdAndPassageIdAndDayGreaterThanEqualOrderByIdDesc(
                who.accountId(), passage.id(), today.minusDays(TransitionNeed.DAYS), MOST);
    }

    /** Notes that a transition broke today. */
    @Transactional
    public void broke(SignedIn who, long passageId, int transition) {
        LocalDate today = accounts.today(who);
        StoredPassage passage = repertoire.passage(who, passageId);
        int transitions = repertoire.music(passage).notes().size() - 1;
        if (transition < 0 || transition >= transitions) {
            throw Refused.field(
                    "transition",
                    Reason.of(
                            "refusal.transitionService.thereIsNoTransitionThe",
                            "transition",
                            transition + 1,
                            "transitions",
                            transitions));
        }
        if (breaks(who, passage, today).size() >= MOST.max()) {
            throw Refused.field("transition", Reason.of("refusal.transitionService.enoughBreaksAreNotedFor"));
        }
        breaks.save(new TransitionBreak(who.accountId(), passageId, transition, today));
    }

    /** Takes the last break noted at a transition back. */
    @Transactional
    void notBroke(SignedIn who, long passageId, int transition) {
        StoredPassage passage = repertoire.passage(who, passageId);
        breaks(who, passage, accounts.today(who)).stream()
                .filter(one -> one.transition() == transition)
                .findFirst()
                .ifPresent(breaks::delete);
    }
}
