package tachylim.server.bench;

import java.time.LocalDate;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.springframework.data.domain.Limit;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tachylim.server.account.AccountService;
import tachylim.server.account.SignedIn;
import tachylim.server.repertoire.RepertoireService;
import tachylim.server.repertoire.StoredPassage;
import tachylim.server.repertoire.StoredSection;
import tachylim.server.web.Refused;
import tachylim.variant.LinkNeed;

/** Where a passage breaks, as noted, and so how much each of its links needs to be driven. */
@Service
public class LinkService {

    private static final Limit MOST = Limit.of(2_000);

    private final RepertoireService repertoire;
    private final LinkBreakRepository breaks;
    private final AccountService accounts;

    LinkService(RepertoireService repertoire, LinkBreakRepository breaks, AccountService accounts) {
        this.repertoire = repertoire;
        this.breaks = breaks;
        this.accounts = accounts;
    }

    /** How much each link of a passage needs to be driven. */
    double[] need(SignedIn who, StoredPassage passage, int links, LocalDate today) {
        return need(breaks(who, passage, today), links, today);
    }

    private static double[] need(List<LinkBreak> broken, int links, LocalDate today) {
        return LinkNeed.of(
                links,
                broken.stream()
                        .map(one -> new LinkNeed.Break(
                                one.link(), today.toEpochDay() - one.day().toEpochDay()))
                        .toList());
    }

    /** The links of each of some sections that broke of late, from 0, those that need it most first. */
    @Transactional(readOnly = true)
    public Map<Long, List<Integer>> weakest(SignedIn who, List<StoredSection> sections, LocalDate today) {
        Map<Long, List<LinkBreak>> broken = breaks
                .findByAccountIdAndPassageIdInAndDayGreaterThanEqualOrderByIdDesc(
                        who.accountId(),
                        sections.stream()
                                .map(section -> section.passage().id())
                                .distinct()
                                .toList(),
                        today.minusDays(LinkNeed.DAYS),
                        MOST)
                .stream()
                .collect(Collectors.groupingBy(LinkBreak::passageId));
        return sections.stream()
                .collect(Collectors.toMap(
                        StoredSection::id,
                        section -> weakest(
                                section, broken.getOrDefault(section.passage().id(), List.of()), today)));
    }

    private static List<Integer> weakest(StoredSection section, List<LinkBreak> ofPassage, LocalDate today) {
        int first = section.notes().firstNote();
        int links = section.notes().size() - 1;
        double[] need = need(ofPassage, first + links, today);
        return ofPassage.stream()
                .filter(one -> one.link() >= first && one.link() < first + links)
                .map(LinkBreak::link)
                .distinct()
                .sorted(Comparator.comparingDouble(link -> -need[link]))
                .map(link -> link - first)
                .limit(MOST_WEAK)
                .toList();
    }

    /**
     * Says why a link broke that was last noted today.
     *
     * @return how often that was why anything broke in this passage, in the weeks that count
     */
    @Transactional
    public long because(SignedIn who, long passageId, int link, String cause) {
        LocalDate today = accounts.today(who);
        List<LinkBreak> noted = breaks(who, repertoire.passage(who, passageId), today);
        noted.stream()
                .filter(one -> one.link() == link && one.day().equals(today))
                .findFirst()
                .orElseThrow(() -> Refused.notFound("A break noted at this link today"))
                .cause(cause.strip());
        return times(noted, cause.strip());
    }

    private static long times(List<LinkBreak> noted, String cause) {
        return noted.stream().filter(one -> cause.equalsIgnoreCase(one.cause())).count();
    }

    /** Why something broke again and again, with how often: what was said on a day and not for the first time. */
    @Transactional(readOnly = true)
    public Map<String, Long> repeated(SignedIn who, StoredPassage passage, LocalDate day) {
        List<LinkBreak> noted = breaks(who, passage, day);
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
                .map(one -> one.link() - first + 2)
                .filter(note -> note >= 2 && note <= section.notes().size())
                .distinct()
                .sorted()
                .toList();
    }

    private static final int MOST_WEAK = 8;

    List<LinkBreak> breaks(SignedIn who, StoredPassage passage, LocalDate today) {
        return breaks.findByAccountIdAndPassageIdAndDayGreaterThanEqualOrderByIdDesc(
                who.accountId(), passage.id(), today.minusDays(LinkNeed.DAYS), MOST);
    }

    /** Notes that a link broke today. */
    @Transactional
    public void broke(SignedIn who, long passageId, int link) {
        LocalDate today = accounts.today(who);
        StoredPassage passage = repertoire.passage(who, passageId);
        int links = repertoire.music(passage).notes().size() - 1;
        if (link < 0 || link >= links) {
            throw Refused.field("link", "There is no link " + (link + 1) + "; the passage has " + links + ".");
        }
        if (breaks(who, passage, today).size() >= MOST.max()) {
            throw Refused.field("link", "Enough breaks are noted for these four weeks.");
        }
        breaks.save(new LinkBreak(who.accountId(), passageId, link, today));
    }

    /** Takes the last break noted at a link back. */
    @Transactional
    void notBroke(SignedIn who, long passageId, int link) {
        StoredPassage passage = repertoire.passage(who, passageId);
        breaks(who, passage, accounts.today(who)).stream()
                .filter(one -> one.link() == link)
                .findFirst()
                .ifPresent(breaks::delete);
    }
}
