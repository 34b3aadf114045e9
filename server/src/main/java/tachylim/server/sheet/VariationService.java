package tachylim.server.sheet;

import java.util.ArrayList;
import java.util.List;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tachylim.notation.abc.AbcWriter;
import tachylim.passage.Passage;
import tachylim.passage.Section;
import tachylim.server.account.SignedIn;
import tachylim.server.repertoire.RepertoireService;
import tachylim.server.repertoire.StoredPassage;
import tachylim.server.sheet.PracticeSheetDtos.Engraved;
import tachylim.server.sheet.PracticeSheetDtos.Sheet;
import tachylim.server.sheet.PracticeSheetDtos.TrainingVariation;
import tachylim.server.sheet.PracticeSheetDtos.TransitionView;
import tachylim.server.sheet.PracticeSheetDtos.VariationDto;
import tachylim.server.sheet.PracticeSheetDtos.WholeVariation;
import tachylim.server.sheet.PracticeSheetDtos.WindowDto;
import tachylim.server.web.Refused;
import tachylim.tempo.Tempo;
import tachylim.variation.Catalogue;
import tachylim.variation.Isolation;
import tachylim.variation.Rendering;
import tachylim.variation.Variation;
import tachylim.words.Reason;

/** Stretches of a passage, the sheet of their variations, and what is around a transition. */
@Service
public class VariationService {

    private static final int PREVIEW_NOTES = 12;

    private final RepertoireService repertoire;

    VariationService(RepertoireService repertoire) {
        this.repertoire = repertoire;
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
        Passage music = all ? whole : Refused.unlessValid("last", () -> whole.excerpt(new Section(from, to)));
        return new Stretch(passage, music, from, to);
    }

    @Transactional(readOnly = true)
    public Sheet sheet(SignedIn who, long passageId, Integer first, Integer last, Double bpm, boolean whole) {
        Stretch stretch = forSheet(who, passageId, first, last);
        Tempo at = bpm == null ? stretch.target() : Refused.unlessValid("bpm", () -> Tempo.of(bpm));
        List<VariationDto> variations = new ArrayList<>();
        Catalogue.of(stretch.music)
                .forEach((variation, rendering) -> variations.add(dto(stretch, variation, rendering, at, whole)));
        return new Sheet(stretch.passage.targetBpm(), at.bpm(), stretch.firstNote, stretch.lastNote, variations);
    }

    /** A stretch short enough for a sheet. */
    @Transactional(readOnly = true)
    public Stretch forSheet(SignedIn who, long passageId, Integer first, Integer last) {
        Stretch stretch = stretch(who, passageId, first, last);
        if (stretch.music.notes().size() > Catalogue.MOST_NOTES) {
            throw Refused.field(
                    "last",
                    Reason.of(
                            "refusal.variationService.thisIsNotesASheetOf",
                            "notes",
                            stretch.music.notes().size(),
                            "mostNotes",
                            Catalogue.MOST_NOTES));
        }
        return stretch;
    }

    private static VariationDto dto(
            Stretch stretch, Variation variation, Rendering rendering, Tempo at, boolean whole) {
        Tempo matching = rendering.matching(stretch.target());
        return new VariationDto(
                variation.key(),
                variation.title(),
                variation.family(),
                AbcWriter.write(whole ? rendering.music() : preview(rendering.music())),
                matching.bpm(),
                rendering.rate(at),
                transitions(stretch, rendering),
                rendering.remark(),
                rendering.minutes(matching));
    }

    private static List<Integer> transitions(Stretch stretch, Rendering rendering) {
        return rendering.trained().stream()
                .map(transition -> transition + stretch.firstNote)
                .sorted()
                .toList();
    }

    /** Its first notes, for a sheet that is looked over. */
    private static Passage preview(Passage music) {
        return music.notes().size() <= PREVIEW_NOTES ? music : music.excerpt(new Section(0, PREVIEW_NOTES - 1));
    }

    /** A variation by its key, with all its notes; also a cell of the player's own. */
    @Transactional(readOnly = true)
    public WholeVariation variation(SignedIn who, long passageId, String key, Integer first, Integer last, Double bpm) {
        Stretch stretch = stretch(who, passageId, first, last);
        Variation variation = Refused.unlessValid("key", () -> Catalogue.parse(key));
        Rendering rendering = Refused.unlessValid("key", () -> variation.of(stretch.music));
        Tempo at = bpm == null ? stretch.target() : Refused.unlessValid("bpm", () -> Tempo.of(bpm));
        AbcWriter.Written written = AbcWriter.engraving(rendering.music());
        List<Integer> source = rendering.source().stream()
                .map(note -> note < 0 ? note : note + stretch.firstNote)
                .toList();
        return new WholeVariation(
                dto(stretch, variation, rendering, at, false), new Engraved(written.abc(), written.places()), source);
    }

    @Transactional(readOnly = true)
    public TransitionView transition(SignedIn who, long passageId, int transition) {
        Stretch stretch = stretch(who, passageId, null, null);
        List<WindowDto> windows =
                Refused.unlessValid("transition", () -> Isolation.around(stretch.music, transition)).stream()
                        .map(section -> new WindowDto(
                                section.firstNote(),
                                section.lastNote(),
                                AbcWriter.write(stretch.music.excerpt(section))))
                        .toList();
        if (stretch.music.notes().size() > Catalogue.MOST_NOTES) {
            return new TransitionView(transition, windows, List.of());
        }
        List<TrainingVariation> trainedBy = new ArrayList<>();
        Catalogue.of(stretch.music).forEach((variation, rendering) -> {
            if (rendering.trained().contains(transition)) {
                trainedBy.add(new TrainingVariation(variation.key(), variation.title()));
            }
        });
        return new TransitionView(transition, windows, trainedBy);
    }
}
