package tachylim.server.sheet;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.IntStream;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tachylim.notation.abc.AbcWriter;
import tachylim.passage.Joining;
import tachylim.passage.Passage;
import tachylim.passage.Section;
import tachylim.server.account.AccountService;
import tachylim.server.account.SignedIn;
import tachylim.server.load.LoadService;
import tachylim.server.load.Today;
import tachylim.server.repertoire.RepertoireService;
import tachylim.server.repertoire.StoredPassage;
import tachylim.server.repertoire.StoredSection;
import tachylim.server.sheet.PracticeSheetDtos.ChoiceDto;
import tachylim.server.sheet.PracticeSheetDtos.DecisionDto;
import tachylim.server.sheet.PracticeSheetDtos.Engraved;
import tachylim.server.sheet.PracticeSheetDtos.JoinDto;
import tachylim.server.sheet.PracticeSheetDtos.JoiningDto;
import tachylim.server.sheet.PracticeSheetDtos.JoiningWish;
import tachylim.server.sheet.PracticeSheetDtos.MarkDto;
import tachylim.server.sheet.PracticeSheetDtos.NoteDto;
import tachylim.server.sheet.PracticeSheetDtos.PlaybackDto;
import tachylim.server.sheet.PracticeSheetDtos.PracticeSheetDto;
import tachylim.server.sheet.PracticeSheetDtos.SoundedClick;
import tachylim.server.sheet.PracticeSheetDtos.TransitionDto;
import tachylim.server.web.Refused;
import tachylim.tempo.Tempo;
import tachylim.variation.Catalogue;
import tachylim.variation.Rendering;
import tachylim.words.Reason;
import tachylim.workout.Playback;

/** Everything the practice sheet shows of one passage, and how it sounds. */
@Service
public class PracticeSheetService {

    private final RepertoireService repertoire;
    private final VariationService variations;
    private final TransitionService transitionService;
    private final ChoiceService choices;
    private final ReadinessService readiness;
    private final ArticulationService articulations;
    private final AccountService accounts;
    private final LoadService load;

    PracticeSheetService(
            RepertoireService repertoire,
            VariationService variations,
            TransitionService transitionService,
            ChoiceService choices,
            ReadinessService readiness,
            ArticulationService articulations,
            AccountService accounts,
            LoadService load) {
        this.repertoire = repertoire;
        this.variations = variations;
        this.transitionService = transitionService;
        this.choices = choices;
        this.readiness = readiness;
        this.articulations = articulations;
        this.accounts = accounts;
        this.load = load;
    }

    @Transactional
    public PracticeSheetDto view(SignedIn who, long id) {
        StoredPassage passage = repertoire.passage(who, id);
        Passage music = repertoire.music(passage);
        AbcWriter.Written written = AbcWriter.engraving(music);
        List<NoteDto> notes = IntStream.range(0, music.notes().size())
                .mapToObj(note -> new NoteDto(
                        music.isOnBeat(note),
                        music.notes().get(note).inflection().marks().stream()
                                .map(mark -> new MarkDto(mark.kind(), mark.value()))
                                .toList()))
                .toList();
        Today now = load.today(who);
        LocalDate today = now.day();
        List<Played> week = week(who, passage, music, today);
        List<ChoiceDto> chosen = week.stream()
                .filter(one -> one.kept.day().equals(today))
                .map(one -> choice(one, passage))
                .toList();
        List<DecisionDto> decisions = repertoire.marks(passage).stream()
                .map(mark -> new DecisionDto(mark.note(), mark.kind(), mark.value(), mark.why(), mark.at()))
                .toList();
        return new PracticeSheetDto(
                new Engraved(written.abc(), written.places()),
                notes,
                transitions(who, passage, music, week, today),
                readiness.list(who, passage),
                joining(passage),
                articulations.list(who, passage.instrument()),
                passage.wantedArticulation(),
                now.caution(),
                now.closed(),
                chosen,
                repertoire.dtos(who, repertoire.extras(passage)),
                decisions);
    }

    /** A chosen variation with what it trains in the passage as it is now. */
    private record Played(ChosenVariation kept, Reason title, Rendering rendering) {

        Set<Integer> transitions() {
            Set<Integer> transitions = new HashSet<>();
            rendering.trained().forEach(transition -> transitions.add(transition + kept.firstNote()));
            return transitions;
        }
    }

    private List<Played> week(SignedIn who, StoredPassage passage, Passage music, LocalDate today) {
        List<Played> week = new ArrayList<>();
        for (ChosenVariation one : choices.week(who, passage, today)) {
            if (one.lastNote() >= music.notes().size()) {
                continue;
            }
            boolean all =
                    one.firstNote() == 0 && one.lastNote() == music.notes().size() - 1;
            Passage stretch = all ? music : music.excerpt(new Section(one.firstNote(), one.lastNote()));
            var variation = Catalogue.parse(one.variation());
            week.add(new Played(one, variation.title(), variation.of(stretch)));
        }
        return week;
    }

    private static ChoiceDto choice(Played one, StoredPassage passage) {
        int matching = (int)
                Math.round(one.rendering.matching(Tempo.of(passage.targetBpm())).bpm());
        return new ChoiceDto(
                one.kept.id(),
                one.kept.variation(),
                one.title,
                one.kept.minutes(),
                one.kept.why(),
                one.kept.played(),
                matching,
                one.transitions().stream().sorted().toList());
    }

    private List<TransitionDto> transitions(
            SignedIn who, StoredPassage passage, Passage music, List<Played> week, LocalDate today) {
        int transitions = music.notes().size() - 1;
        double[] need = transitionService.need(who, passage, transitions, today);
        Set<Integer> slips = new HashSet<>(transitionService.troubled(who, passage, today));
        int[] broken = new int[Math.max(0, transitions)];
        transitionService.breaks(who, passage, today).stream()
                .filter(one -> one.transition() < transitions)
                .forEach(one -> broken[one.transition()]++);
        int[] trainedToday = new int[Math.max(0, transitions)];
        boolean[] trainedThisWeek = new boolean[Math.max(0, transitions)];
        for (Played one : week) {
            for (int transition : one.transitions()) {
                if (transition < transitions) {
                    trainedToday[transition] += one.kept.day().equals(today) ? 1 : 0;
                    trainedThisWeek[transition] |= one.kept.played();
                }
            }
        }
        return IntStream.range(0, transitions)
                .mapToObj(transition -> new TransitionDto(
                        need[transition],
                        broken[transition],
                        slips.contains(transition),
                        trainedToday[transition],
                        trainedThisWeek[transition]))
                .toList();
    }

    private JoiningDto joining(StoredPassage passage) {
        List<StoredSection> cut = repertoire.cut(passage);
        List<Section> sections = cut.stream().map(StoredSection::notes).toList();
        List<Integer> order = Joining.order(
                sections,
                cut.stream().map(StoredSection::difficulty).toList(),
                passage.joining(),
                passage.joiningTransition());
        List<JoinDto> joins = Joining.joins(sections, order).stream()
                .map(join -> new JoinDto(
                        join.stage(),
                        join.firstSection(),
                        join.lastSection(),
                        join.notes().firstNote(),
                        join.notes().lastNote(),
                        join.stage() == Joining.Stage.WHOLE
                                ? Reason.of("join.whole")
                                : Reason.of(
                                        "join.sections",
                                        "first",
                                        cut.get(join.firstSection()).name(),
                                        "last",
                                        cut.get(join.lastSection()).name())))
                .toList();
        return new JoiningDto(passage.joining(), passage.joiningTransition(), order, joins);
    }

    @Transactional
    void joinSections(SignedIn who, long id, JoiningWish wish) {
        repertoire.passage(who, id).joining(wish.order(), wish.transition());
    }

    /** A stretch of a passage, plain or in a variation, as it sounds at {@code bpm}: listening is open at any time. */
    @Transactional(readOnly = true)
    public PlaybackDto playback(SignedIn who, long id, String variation, Integer first, Integer last, double bpm) {
        Passage plain = variations.stretch(who, id, first, last).music();
        Passage music = variation == null || variation.isEmpty()
                ? plain
                : Refused.unlessValid(
                                "variation", () -> Catalogue.parse(variation).of(plain))
                        .music();
        Tempo tempo = Refused.unlessValid("bpm", () -> Tempo.of(bpm));
        Playback playback = Playback.of(music, tempo);
        return new PlaybackDto(
                bpm,
                playback.seconds(),
                playback.notes(),
                playback.clicks().stream()
                        .map(click -> new SoundedClick(click.seconds(), click.kind()))
                        .toList());
    }
}
