package tachylim.server.bench;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.springframework.data.domain.Limit;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tachylim.notation.AbcWriter;
import tachylim.passage.Passage;
import tachylim.passage.Piece;
import tachylim.server.account.AccountService;
import tachylim.server.account.SignedIn;
import tachylim.server.bench.BenchDtos.DriverDto;
import tachylim.server.bench.BenchDtos.Engraved;
import tachylim.server.bench.BenchDtos.LinkView;
import tachylim.server.bench.BenchDtos.PracticeWish;
import tachylim.server.bench.BenchDtos.Sheet;
import tachylim.server.bench.BenchDtos.VariantDto;
import tachylim.server.bench.BenchDtos.WholeVariant;
import tachylim.server.bench.BenchDtos.WindowDto;
import tachylim.server.load.LoadService;
import tachylim.server.load.Played;
import tachylim.server.repertoire.RepertoireService;
import tachylim.server.repertoire.StoredPassage;
import tachylim.server.standing.StandingService;
import tachylim.server.web.Refused;
import tachylim.tempo.Tempo;
import tachylim.variant.Catalogue;
import tachylim.variant.CellVariant;
import tachylim.variant.Coverage;
import tachylim.variant.Coverage.Candidate;
import tachylim.variant.Isolation;
import tachylim.variant.LinkNeed;
import tachylim.variant.Rendering;
import tachylim.variant.Variant;

/** The sheet of variants, and the choice of those that drive what needs it. */
@Service
public class VariantService {

    /** Beyond this many notes a sheet is for a piece, not for the whole. */
    static final int MOST_NOTES_ON_A_SHEET = 256;

    /** How often a chosen variant is played, with a bar counted before each. */
    private static final int PASSES = 4;

    private static final int TROUBLE_DAYS = 28;
    private static final int WEEK = 7;
    private static final Limit MOST = Limit.of(2_000);
    private static final int PREVIEW_NOTES = 12;

    private final RepertoireService repertoire;
    private final LinkBreakRepository breaks;
    private final ChosenVariantRepository chosen;
    private final AccountService accounts;
    private final LoadService load;

    VariantService(
            RepertoireService repertoire,
            LinkBreakRepository breaks,
            ChosenVariantRepository chosen,
            AccountService accounts,
            LoadService load) {
        this.repertoire = repertoire;
        this.breaks = breaks;
        this.chosen = chosen;
        this.accounts = accounts;
        this.load = load;
    }

    /** A stretch of a passage that is altered, and where its first note stands in the passage. */
    public record Stretch(StoredPassage passage, Passage music, int firstNote, int lastNote) {

        Tempo target() {
            return Tempo.of(passage.targetBpm());
        }
    }

    /**
     * The notes from {@code first} to {@code last} of a passage.
     *
     * @param last the last note; null for the last of the passage
     */
    @Transactional(readOnly = true)
    public Stretch stretch(SignedIn who, long passageId, Integer first, Integer last) {
        StoredPassage passage = repertoire.passage(who, passageId);
        Passage whole = repertoire.music(passage);
        int from = first == null ? 0 : first;
        int to = last == null ? whole.notes().size() - 1 : last;
        boolean all = from == 0 && to == whole.notes().size() - 1;
        Passage music = all ? whole : Refused.unlessValid("last", () -> whole.excerpt(new Piece(from, to)));
        return new Stretch(passage, music, from, to);
    }

    @Transactional(readOnly = true)
    public Sheet sheet(SignedIn who, long passageId, Integer first, Integer last, Double bpm, boolean whole) {
        Stretch stretch = forSheet(who, passageId, first, last);
        Tempo at = bpm == null ? stretch.target() : Refused.unlessValid("bpm", () -> Tempo.of(bpm));
        List<VariantDto> variants = new ArrayList<>();
        Catalogue.of(stretch.music)
                .forEach((variant, rendering) -> variants.add(dto(stretch, variant, rendering, at, whole)));
        return new Sheet(stretch.passage.targetBpm(), at.bpm(), stretch.firstNote, stretch.lastNote, variants);
    }

    /** A stretch short enough for a sheet. */
    @Transactional(readOnly = true)
    public Stretch forSheet(SignedIn who, long passageId, Integer first, Integer last) {
        Stretch stretch = stretch(who, passageId, first, last);
        if (stretch.music.notes().size() > MOST_NOTES_ON_A_SHEET) {
            throw Refused.field(
                    "last",
                    "This is " + stretch.music.notes().size() + " notes; a sheet of variants is made for up to "
                            + MOST_NOTES_ON_A_SHEET + ". Choose a piece.");
        }
        return stretch;
    }

    private static VariantDto dto(Stretch stretch, Variant variant, Rendering rendering, Tempo at, boolean whole) {
        Tempo matching = rendering.matching(stretch.target());
        return new VariantDto(
                variant.key(),
                variant.title(),
                variant.family(),
                AbcWriter.write(whole ? rendering.music() : preview(rendering.music())),
                matching.bpm(),
                rendering.rate(at),
                links(stretch, rendering),
                rendering.remark(),
                minutes(rendering, matching));
    }

    private static List<Integer> links(Stretch stretch, Rendering rendering) {
        return rendering.driven().stream()
                .map(link -> link + stretch.firstNote)
                .sorted()
                .toList();
    }

    private static double minutes(Rendering rendering, Tempo tempo) {
        double beats = rendering.music().length().doubleValue()
                + rendering.music().barBeats().doubleValue();
        return PASSES * tempo.secondsFor(beats) / 60;
    }

    /** Its first notes, for a sheet that is looked over. */
    private static Passage preview(Passage music) {
        return music.notes().size() <= PREVIEW_NOTES ? music : music.excerpt(new Piece(0, PREVIEW_NOTES - 1));
    }

    /** A variant by its key, with all its notes; also a cell of the player's own. */
    @Transactional(readOnly = true)
    public WholeVariant variant(SignedIn who, long passageId, String key, Integer first, Integer last, Double bpm) {
        Stretch stretch = stretch(who, passageId, first, last);
        Variant variant = Refused.unlessValid("key", () -> Catalogue.parse(key));
        Rendering rendering = Refused.unlessValid("key", () -> variant.of(stretch.music));
        Tempo at = bpm == null ? stretch.target() : Refused.unlessValid("bpm", () -> Tempo.of(bpm));
        AbcWriter.Written written = AbcWriter.engraving(rendering.music());
        List<Integer> source = rendering.source().stream()
                .map(note -> note < 0 ? note : note + stretch.firstNote)
                .toList();
        return new WholeVariant(
                dto(stretch, variant, rendering, at, false), new Engraved(written.abc(), written.places()), source);
    }

    // Links

    /** How much each link of a passage needs to be driven. */
    double[] need(SignedIn who, StoredPassage passage, int links, LocalDate today) {
        return LinkNeed.of(
                links,
                breaks(who, passage, today).stream()
                        .map(one -> new LinkNeed.Break(
                                one.link(), today.toEpochDay() - one.day().toEpochDay()))
                        .toList());
    }

    List<LinkBreak> breaks(SignedIn who, StoredPassage passage, LocalDate today) {
        return breaks.findByAccountIdAndPassageIdAndDayGreaterThanEqualOrderByIdDesc(
                who.accountId(), passage.id(), today.minusDays(TROUBLE_DAYS), MOST);
    }

    @Transactional
    void broke(SignedIn who, long passageId, int link) {
        broke(who, passageId, link, accounts.today(who));
    }

    /** As {@link #broke}, on a given day. */
    @Transactional
    public void broke(SignedIn who, long passageId, int link, LocalDate today) {
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

    @Transactional(readOnly = true)
    public LinkView link(SignedIn who, long passageId, int link) {
        Stretch stretch = stretch(who, passageId, null, null);
        List<WindowDto> windows = Refused.unlessValid("link", () -> Isolation.around(stretch.music, link)).stream()
                .map(piece -> new WindowDto(
                        piece.firstNote(), piece.lastNote(), AbcWriter.write(stretch.music.excerpt(piece))))
                .toList();
        if (stretch.music.notes().size() > MOST_NOTES_ON_A_SHEET) {
            return new LinkView(link, windows, List.of());
        }
        List<DriverDto> drivenBy = new ArrayList<>();
        Catalogue.of(stretch.music).forEach((variant, rendering) -> {
            if (rendering.driven().contains(link)) {
                drivenBy.add(new DriverDto(variant.key(), variant.title()));
            }
        });
        return new LinkView(link, windows, drivenBy);
    }

    // The day's choice

    /** Chosen variants since a week ago, yesterday's and today's among them. */
    List<ChosenVariant> week(SignedIn who, StoredPassage passage, LocalDate today) {
        return chosen.findByAccountIdAndPassageIdAndDayGreaterThanEqualOrderByDayAscPlaceAsc(
                who.accountId(), passage.id(), today.minusDays(WEEK - 1), MOST);
    }

    /**
     * Chooses for today within {@code minutes}; what was played of an earlier choice today is kept.
     *
     * <p>Only cells can be chosen: groupings, loops and growing touch every link alike and cannot tell the
     * weak ones apart.
     */
    @Transactional
    void choose(SignedIn who, long passageId, double minutes) {
        choose(who, passageId, minutes, accounts.today(who));
    }

    /** As {@link #choose}, for a given day. */
    @Transactional
    public void choose(SignedIn who, long passageId, double minutes, LocalDate today) {
        Stretch stretch = forSheet(who, passageId, null, null);
        List<ChosenVariant> week = week(who, stretch.passage, today);
        Set<String> yesterday = new HashSet<>();
        week.stream().filter(one -> one.day().equals(today.minusDays(1))).forEach(one -> yesterday.add(one.variant()));
        Set<String> playedToday = new HashSet<>();
        week.stream()
                .filter(one -> one.day().equals(today) && one.played())
                .forEach(one -> playedToday.add(one.variant()));
        List<Candidate> candidates = new ArrayList<>();
        for (Map.Entry<Variant, Rendering> entry : Catalogue.of(stretch.music).entrySet()) {
            Rendering rendering = entry.getValue();
            if (entry.getKey() instanceof CellVariant
                    && !playedToday.contains(entry.getKey().key())) {
                candidates.add(new Candidate(
                        entry.getKey().key(),
                        rendering.driven(),
                        minutes(rendering, rendering.matching(stretch.target())),
                        yesterday.contains(entry.getKey().key())));
            }
        }
        double[] need = need(who, stretch.passage, stretch.music.notes().size() - 1, today);
        Coverage.Chosen choice = Coverage.fill(candidates, need, minutes);
        if (choice.choices().isEmpty()) {
            throw Refused.field(
                    "minutes",
                    candidates.isEmpty()
                            ? "No rhythm cell fits this passage: it has no run of equal notes. Groups, loops and growing are on the sheet."
                            : "No variant fits into that. Give more minutes, or choose a shorter passage.");
        }
        chosen.deleteByAccountIdAndPassageIdAndDayAndPlayedFalse(who.accountId(), passageId, today);
        int place = playedToday.size();
        for (Coverage.Choice one : choice.choices()) {
            chosen.save(new ChosenVariant(
                    who.accountId(),
                    passageId,
                    today,
                    place++,
                    stretch.firstNote,
                    stretch.lastNote,
                    one.key(),
                    one.minutes(),
                    one.why()));
        }
    }

    /** Everything chosen for a day was played. */
    @Transactional
    public void playedAll(SignedIn who, long passageId, LocalDate day) {
        week(who, repertoire.passage(who, passageId), day).stream()
                .filter(one -> one.day().equals(day))
                .forEach(one -> one.played(true));
    }

    /** Ticks a version off, which counts its minutes for today; unticked, they no longer count. */
    @Transactional
    void played(SignedIn who, long passageId, long choiceId, boolean played) {
        ChosenVariant one = chosen.findByIdAndAccountIdAndPassageId(choiceId, who.accountId(), passageId).stream()
                .findFirst()
                .orElseThrow(() -> Refused.notFound("This variant"));
        if (one.played() == played) {
            return;
        }
        if (played) {
            Stretch stretch = stretch(who, passageId, one.firstNote(), one.lastNote());
            Tempo matching = Catalogue.parse(one.variant()).of(stretch.music).matching(stretch.target());
            load.played(
                    who,
                    new Played(passageId, null, choiceId, matching, ceiling(who, stretch.passage), 60 * one.minutes()));
        } else {
            load.notPlayed(who, choiceId);
        }
        one.played(played);
    }

    @Transactional
    void practised(SignedIn who, long passageId, PracticeWish wish) {
        StoredPassage passage = repertoire.passage(who, passageId);
        load.played(
                who,
                new Played(
                        passageId, wish.clientId(), null, Tempo.of(wish.bpm()), ceiling(who, passage), wish.seconds()));
    }

    /** The whole goes no faster than its slowest piece: that is what playing on the bench is measured by. */
    private Tempo ceiling(SignedIn who, StoredPassage passage) {
        return repertoire.dtos(who, repertoire.cut(passage)).stream()
                .map(piece -> Tempo.of(piece.estimate().ceiling().middle()))
                .min(Tempo::compareTo)
                .orElse(StandingService.guess(Tempo.of(passage.targetBpm())));
    }
}
