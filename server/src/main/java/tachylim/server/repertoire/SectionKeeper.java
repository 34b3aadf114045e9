package tachylim.server.repertoire;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import tachylim.ceiling.Heritage;
import tachylim.passage.MusicChange;
import tachylim.passage.Passage;
import tachylim.passage.Recut;
import tachylim.passage.Section;
import tachylim.server.account.AccountService;
import tachylim.server.account.SignedIn;
import tachylim.server.ceiling.StandingService;
import tachylim.server.repertoire.PassageDtos.CutKind;
import tachylim.server.web.Refused;
import tachylim.words.Reason;

/**
 * Keeps the sections of passages, and what was learned of them with the notes: a section that comes back is the one it was, a new
 * one takes over what is known of its notes, and a change of the music moves those that stayed.
 */
@Component
@Order(0)
class SectionKeeper implements FollowsMusic {

    private static final int MOST_SECTIONS = 400;

    private final SectionRepository sections;
    private final StandingService standings;
    private final AccountService accounts;

    SectionKeeper(SectionRepository sections, StandingService standings, AccountService accounts) {
        this.sections = sections;
        this.standings = standings;
        this.accounts = accounts;
    }

    /**
     * Cuts anew: sections that stay are left alone, others are put away or come back. A whole of which something is known
     * stays beside its sections, as all of them joined.
     */
    void cut(SignedIn who, StoredPassage passage, List<Section> cut, CutKind kind, Passage music) {
        List<StoredSection> all = ofThisEdition(passage);
        Set<Section> wanted = new HashSet<>(cut);
        all.stream()
                .filter(section -> section.isWhole() && !section.isPutAway())
                .forEach(whole -> {
                    boolean isOnly = wanted.contains(whole.notes());
                    if (isOnly || !standings.known(who, List.of(whole.id())).isEmpty()) {
                        whole.become(isOnly ? SectionKind.SECTION : SectionKind.JOIN);
                    }
                });
        all.stream()
                .filter(section -> section.kind() == SectionKind.SECTION && !wanted.contains(section.notes()))
                .forEach(StoredSection::putAway);
        if (cut.size() > MOST_SECTIONS) {
            throw Refused.field(
                    "size",
                    Reason.of(
                            "refusal.sectionKeeper.thatMakesSectionsUpToAre",
                            "cut",
                            cut.size(),
                            "mostSections",
                            MOST_SECTIONS));
        }
        Known there = new Known(who, passage, all);
        for (Section section : cut) {
            keep(there, SectionKind.SECTION, name(section, kind, music), section);
        }
    }

    /** The whole of a passage, beside the sections it is cut into. */
    StoredSection whole(SignedIn who, StoredPassage passage, Section all) {
        List<StoredSection> there = ofThisEdition(passage);
        return there.stream()
                .filter(section -> section.isWhole() && !section.isPutAway())
                .findFirst()
                .orElseGet(() -> keep(new Known(who, passage, there), SectionKind.JOIN, SectionNames.WHOLE, all));
    }

    StoredSection keep(SignedIn who, StoredPassage passage, SectionKind kind, String name, Section notes) {
        return keep(new Known(who, passage, ofThisEdition(passage)), kind, name, notes);
    }

    /** The sections of a passage there are or were, and what is known of them, asked for once and only when it is needed. */
    private final class Known {

        private final SignedIn who;
        private final StoredPassage passage;
        private final List<StoredSection> sections;
        private final LocalDate today;
        private List<Heritage.Source> sources;

        Known(SignedIn who, StoredPassage passage, List<StoredSection> sections) {
            this.who = who;
            this.passage = passage;
            this.sections = sections;
            this.today = accounts.today(who);
        }

        boolean givenTo(StoredSection fresh) {
            if (sources == null) {
                sources = standings.sources(
                        who,
                        sections.stream()
                                .map(section -> new StandingService.Known(section.id(), section.notes()))
                                .toList(),
                        today);
            }
            return standings.inherit(who, fresh.id(), fresh.notes(), sources, today);
        }
    }

    /** A section over some notes: the one there is or was, or a new one that takes over what is known of them. */
    private StoredSection keep(Known known, SectionKind kind, String name, Section notes) {
        Optional<StoredSection> there = known.sections.stream()
                .filter(section -> section.notes().equals(notes)
                        && (section.kind() == kind || section.isWhole() && name.equals(SectionNames.WHOLE)))
                .findFirst();
        there.ifPresent(section -> {
            section.become(kind);
            section.bringBack();
        });
        return there.orElseGet(() -> {
            StoredSection fresh =
                    sections.save(new StoredSection(known.who.accountId(), known.passage, kind, name, notes));
            if (known.givenTo(fresh)) {
                known.sections.stream()
                        .max(Comparator.comparingInt(section -> shared(section.notes(), notes)))
                        .ifPresent(from -> fresh.growFrom(from, 1));
            }
            return fresh;
        });
    }

    private static int shared(Section one, Section other) {
        return Math.min(one.lastNote(), other.lastNote()) - Math.max(one.firstNote(), other.firstNote());
    }

    List<StoredSection> ofThisEdition(StoredPassage passage) {
        return sections.findByAccountIdAndPassageIdAndEditionOrderByPlace(
                passage.accountId(), passage.id(), passage.edition());
    }

    private static String name(Section section, CutKind kind, Passage music) {
        return switch (kind) {
            case WHOLE -> SectionNames.WHOLE;
            case BARS, PHRASES, RESTS, BREATHS -> SectionNames.byBars(section, music);
            case BEATS, HAND -> SectionNames.byBeats(section, music);
        };
    }

    // Following the music

    /**
     * What becomes of a section.
     *
     * @param notes its notes now; null when nothing of it is left
     * @param share the share of them that it had before
     * @param same whether it is the same section, only elsewhere
     */
    private record Fate(StoredSection section, Section notes, double share, boolean same) {

        boolean isForgotten() {
            return notes == null || MusicChange.isAnother(share);
        }
    }

    private List<Fate> fates(StoredPassage passage, MusicChange change) {
        List<StoredSection> present = ofThisEdition(passage).stream()
                .filter(section -> !section.isPutAway())
                .toList();
        List<StoredSection> cut = present.stream()
                .filter(section -> section.kind() == SectionKind.SECTION)
                .toList();
        List<Recut> recut = Recut.of(
                cut.stream().map(StoredSection::notes).toList(),
                change.map(),
                change.after().notes().size());
        List<Fate> fates = new ArrayList<>();
        for (int i = 0; i < cut.size(); i++) {
            int index = i;
            Section notes = recut.stream()
                    .filter(one -> one.from() == index)
                    .map(Recut::notes)
                    .findFirst()
                    .orElse(null);
            fates.add(fate(cut.get(i), notes, change));
        }
        present.stream()
                .filter(section -> section.kind() != SectionKind.SECTION)
                .forEach(extra -> fates.add(fate(extra, moved(extra.notes(), change), change)));
        return fates;
    }

    private static Section moved(Section notes, MusicChange change) {
        int first = change.map().fromNoteOn(notes.firstNote());
        int last = change.map().fromNoteOn(notes.lastNote());
        return last > first ? new Section(first, last) : null;
    }

    private static Fate fate(StoredSection section, Section notes, MusicChange change) {
        boolean sameBeat = change.isSameBeat();
        boolean same = sameBeat
                && notes != null
                && change.map().unchanged(section.notes()).filter(notes::equals).isPresent();
        return new Fate(section, notes, notes == null ? 0 : change.map().share(section.notes(), notes), same);
    }

    @Override
    public List<Reason> lost(SignedIn who, StoredPassage passage, MusicChange change) {
        List<Fate> forgotten =
                fates(passage, change).stream().filter(Fate::isForgotten).toList();
        Set<Long> known = standings.known(
                who, forgotten.stream().map(fate -> fate.section.id()).toList());
        return forgotten.stream()
                .filter(fate -> known.contains(fate.section.id()) || fate.section.kind() != SectionKind.SECTION)
                .map(fate -> Reason.of(
                        fate.notes == null ? "refusal.lost.section" : "refusal.lost.ceiling",
                        "section",
                        fate.section.name()))
                .toList();
    }

    @Override
    public void follow(SignedIn who, StoredPassage passage, MusicChange change) {
        List<Fate> fates = fates(passage, change);
        List<StoredSection> away =
                ofThisEdition(passage).stream().filter(StoredSection::isPutAway).toList();
        passage.nextEdition();
        boolean sameBeat = change.isSameBeat();
        away.forEach(section -> change.map()
                .unchanged(section.notes())
                .filter(notes -> sameBeat)
                .ifPresent(notes -> section.move(notes, passage.edition())));
        for (Fate fate : fates) {
            if (fate.same) {
                fate.section.move(fate.notes, passage.edition());
            } else {
                fate.section.putAway();
                boolean gone = fate.notes == null || fate.isForgotten() && fate.section.kind() != SectionKind.SECTION;
                if (!gone) {
                    succeed(who, passage, fate, change);
                }
            }
        }
    }

    /** Another section in place of one whose notes changed, so that what was played stays with what it was played on. */
    private void succeed(SignedIn who, StoredPassage passage, Fate fate, MusicChange change) {
        StoredSection fresh =
                new StoredSection(who.accountId(), passage, fate.section.kind(), fate.section.name(), fate.notes);
        fresh.change(fate.section.name(), fate.section.difficulty());
        sections.save(fresh);
        if (!fate.isForgotten()) {
            double ratio = change.map().tempoRatio(fate.section.notes());
            fresh.growFrom(fate.section, ratio);
            standings.carry(who, fate.section.id(), fresh.id(), ratio, Math.min(1, fate.share), accounts.today(who));
        }
    }
}
