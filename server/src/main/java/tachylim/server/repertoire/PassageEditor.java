package tachylim.server.repertoire;

import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tachylim.ceiling.Posterior;
import tachylim.passage.Cut;
import tachylim.passage.MusicChange;
import tachylim.passage.Passage;
import tachylim.passage.Section;
import tachylim.server.account.AccountService;
import tachylim.server.account.SignedIn;
import tachylim.server.repertoire.PassageDtos.CutKind;
import tachylim.server.repertoire.PassageDtos.CutWish;
import tachylim.server.repertoire.PassageDtos.ExtraWish;
import tachylim.server.repertoire.PassageDtos.PassageWish;
import tachylim.server.repertoire.PassageDtos.SectionDto;
import tachylim.server.repertoire.PassageDtos.SectionWish;
import tachylim.server.web.ProblemCode;
import tachylim.server.web.Refused;
import tachylim.tempo.Tempo;
import tachylim.words.Reason;

/** Makes passages, changes and cuts them, and puts them away; what is tied to their notes follows. */
@Service
public class PassageEditor {

    /** Those put away are counted too. */
    static final int MOST_PASSAGES = 500;

    private static final int MOST_EXTRAS = 100;

    private final RepertoireService repertoire;
    private final PassageRepository passages;
    private final SectionKeeper keeper;
    private final List<FollowsMusic> followers;
    private final StorageService storage;
    private final AccountService accounts;
    private final Clock clock;

    PassageEditor(
            RepertoireService repertoire,
            PassageRepository passages,
            SectionKeeper keeper,
            List<FollowsMusic> followers,
            StorageService storage,
            AccountService accounts,
            Clock clock) {
        this.repertoire = repertoire;
        this.passages = passages;
        this.keeper = keeper;
        this.followers = followers;
        this.storage = storage;
        this.accounts = accounts;
        this.clock = clock;
    }

    /** Makes a passage, once for each id of the browser's making. */
    @Transactional
    public long create(SignedIn who, PassageWish wish) {
        Instant at = clock.instant();
        if (wish.clientId() != null) {
            var there = passages.findByAccountIdAndClientId(who.accountId(), wish.clientId());
            if (there.isPresent()) {
                return there.get().id();
            }
        }
        if (passages.countByAccountId(who.accountId()) >= MOST_PASSAGES) {
            throw Refused.field(
                    "title",
                    Reason.of("refusal.passageEditor.thisAccountHoldsPassages", "mostPassages", MOST_PASSAGES));
        }
        storage.checkRoom(who);
        checkAim(wish, accounts.get(who).day(at));
        Passage music = wish.music().passage();
        StoredPassage passage = new StoredPassage(who.accountId(), wish.clientId(), guess(wish), wish.played(), at);
        write(passage, wish);
        passages.save(passage);
        keeper.cut(who, passage, Cut.whole(music), CutKind.WHOLE, music);
        return passage.id();
    }

    /** Without a tempo of the player's own, a new section is guessed as the ceiling's prior does. */
    private static double guess(PassageWish wish) {
        return wish.cleanAt() != null
                ? wish.cleanAt()
                : Posterior.guess(Tempo.of(wish.targetBpm())).bpm();
    }

    private static void checkAim(PassageWish wish, LocalDate today) {
        if (wish.cleanAt() != null && wish.cleanAt() > wish.targetBpm()) {
            throw Refused.field(
                    "targetBpm",
                    Reason.of(
                            "refusal.passageEditor.theTargetOfIsBelowTheItIs",
                            "targetBpm",
                            Tempo.of(wish.targetBpm()),
                            "cleanAt",
                            Tempo.of(wish.cleanAt())));
        }
        if (wish.neededOn() != null && wish.neededOn().isBefore(today) && wish.version() == 0) {
            throw Refused.field("neededOn", Reason.of("refusal.passageEditor.thatDateHasGoneByChoose"));
        }
    }

    private static void write(StoredPassage passage, PassageWish wish) {
        passage.title(wish.title().strip());
        passage.instrument(wish.instrument());
        passage.aim(wish.targetBpm(), wish.neededOn());
        passage.music(wish.music());
    }

    @Transactional
    void change(SignedIn who, long id, PassageWish wish) {
        StoredPassage passage = repertoire.passage(who, id);
        if (passage.version() != wish.version()) {
            throw Refused.conflict(ProblemCode.CHANGED, Reason.of("refusal.passageEditor.thisPassageWasChangedIn"));
        }
        checkAim(wish, accounts.today(who));
        storage.checkRoom(who);
        MusicChange change =
                MusicChange.of(passage.music().passage(), wish.music().passage());
        if (!change.map().isSame()) {
            follow(who, passage, change, Boolean.TRUE.equals(wish.confirmed()));
        }
        write(passage, wish);
    }

    /** Lets everything that is tied to the notes follow those that stay; what cannot is said before it is done. */
    private void follow(SignedIn who, StoredPassage passage, MusicChange change, boolean confirmed) {
        List<Reason> lost = followers.stream()
                .flatMap(one -> one.lost(who, passage, change).stream())
                .toList();
        if (!lost.isEmpty() && !confirmed) {
            throw Refused.conflict(ProblemCode.MUSIC_CHANGED, Reason.of("refusal.lost.some"))
                    .with("lost", lost);
        }
        boolean other = change.isAnother();
        Tempo guess = other
                ? Posterior.guess(Tempo.of(passage.targetBpm()))
                : Posterior.guess(Tempo.of(passage.guessBpm()), change.tempoRatio());
        passage.guess(guess.bpm(), passage.guessPlayed() && !other);
        followers.forEach(one -> one.follow(who, passage, change));
    }

    /** Puts a passage out of sight; one of which nothing was ever played is deleted. */
    @Transactional
    void putAway(SignedIn who, long id) {
        StoredPassage passage = repertoire.passage(who, id);
        if (storage.isNeverPlayed(who, id)) {
            passages.delete(passage);
        } else {
            passage.putAway();
        }
    }

    @Transactional
    public void cut(SignedIn who, long id, CutWish wish) {
        StoredPassage passage = repertoire.passage(who, id);
        Passage music = repertoire.music(passage);
        List<Section> cut = switch (wish.kind()) {
            case WHOLE -> Cut.whole(music);
            case BARS -> Cut.atBars(music, wish.size());
            case BEATS -> Cut.byBeats(music, wish.size());
            case PHRASES -> Cut.atPhrases(music);
            case RESTS -> Cut.atRests(music);
            case BREATHS -> Cut.atBreaths(music);
            case HAND -> Refused.unlessValid("overlaps", () -> Cut.atNotes(music, wish.overlaps()));
        };
        if (cut.size() == 1 && wish.kind() != CutKind.WHOLE && wish.kind() != CutKind.HAND) {
            throw Refused.field("kind", nothingToCutAt(wish.kind()));
        }
        keeper.cut(who, passage, cut, wish.kind(), music);
    }

    private static Reason nothingToCutAt(CutKind kind) {
        return switch (kind) {
            case PHRASES -> Reason.of("refusal.cut.phrases");
            case RESTS -> Reason.of("refusal.cut.rests");
            case BREATHS -> Reason.of("refusal.cut.breaths");
            default -> Reason.of("refusal.cut.size");
        };
    }

    @Transactional
    SectionDto addExtra(SignedIn who, long id, ExtraWish wish) {
        StoredPassage passage = repertoire.passage(who, id);
        int notes = passage.music().passage().notes().size();
        Section wanted = Refused.unlessValid("firstNote", () -> new Section(wish.firstNote(), wish.lastNote()));
        if (wish.lastNote() >= notes || wanted.size() < 2) {
            throw Refused.field(
                    "lastNote", Reason.of("refusal.passageEditor.chooseTwoNotesOrMoreUpTo", "notes", notes));
        }
        List<StoredSection> there = repertoire.extras(passage);
        StoredSection extra = there.stream()
                .filter(section -> section.notes().equals(wanted) && section.kind() == wish.kind())
                .findFirst()
                .orElse(null);
        if (extra == null) {
            if (there.size() >= MOST_EXTRAS || wish.kind() == SectionKind.SECTION) {
                throw Refused.field(
                        "kind",
                        Reason.of("refusal.passageEditor.upToJoinsAndDrillsAreKept", "mostExtras", MOST_EXTRAS));
            }
            extra = keeper.keep(who, passage, wish.kind(), wish.name().strip(), wanted);
        }
        return repertoire.dtos(who, List.of(extra)).get(0);
    }

    /** What lies around a transition that broke, as a section to work on: the one there is, or a new one where there is room. */
    @Transactional
    public Optional<StoredSection> around(SignedIn who, StoredPassage of, int transition) {
        StoredPassage passage = repertoire.passage(who, of.id());
        int last = repertoire.music(passage).notes().size() - 1;
        Section notes =
                new Section(Math.max(0, transition + 1 - NOTES_BEFORE), Math.min(last, transition + NOTES_AFTER));
        List<StoredSection> there = repertoire.extras(passage);
        boolean room = there.size() < MOST_EXTRAS
                || there.stream().anyMatch(section -> section.notes().equals(notes));
        String name = (notes.firstNote() + 1) + "–" + (notes.lastNote() + 1);
        return room ? Optional.of(keeper.keep(who, passage, SectionKind.DRILL, name, notes)) : Optional.empty();
    }

    /** What lies around a transition that broke: so many notes before it and after it. */
    private static final int NOTES_BEFORE = 3;

    private static final int NOTES_AFTER = 5;

    /** The whole of a passage as a section of its own, however it is cut. */
    @Transactional
    public StoredSection whole(SignedIn who, StoredPassage passage) {
        Section all = Cut.whole(repertoire.music(passage)).get(0);
        return keeper.whole(who, repertoire.passage(who, passage.id()), all);
    }

    @Transactional
    void changeSection(SignedIn who, long id, SectionWish wish) {
        repertoire.section(who, id).change(wish.name().strip(), wish.difficulty());
    }
}
