package tachylim.server.workout;

import java.util.List;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import tachylim.server.account.SignedIn;
import tachylim.server.repertoire.RepertoireService;
import tachylim.server.repertoire.StoredSection;
import tachylim.server.web.Refused;
import tachylim.shown.PlanWish;
import tachylim.variation.Catalogue;
import tachylim.words.Reason;
import tachylim.workout.Music;
import tachylim.workout.Sketch;

/** Refuses to store a wish that could never be planned: of sections that are not the player's, or in variations that are none. */
@Component
class WishCheck {

    private final RepertoireService repertoire;

    WishCheck(RepertoireService repertoire) {
        this.repertoire = repertoire;
    }

    @Transactional(readOnly = true)
    List<StoredSection> check(SignedIn who, PlanWish wish) {
        Refused.unlessValid("wish", wish::choices);
        List<StoredSection> sections = repertoire.sections(who, wish.sectionIds());
        for (Sketch sketch : Refused.unlessValid("blocks", wish::sketches)) {
            if (sketch.theme() >= sections.size()) {
                throw Refused.field(
                        "blocks",
                        Reason.of(
                                "refusal.templateService.aBlockIsOnSectionOf",
                                "theme",
                                sketch.theme() + 1,
                                "sections",
                                sections.size()));
            }
            Refused.unlessValid(
                    "blocks",
                    () -> Music.isStretch(sketch.variation())
                            ? Music.of(repertoire.music(sections.get(sketch.theme())), sketch.variation())
                            : sketch.variation().isEmpty() || Music.isArticulation(sketch.variation())
                                    ? sketch
                                    : Catalogue.parse(sketch.variation()));
        }
        return sections;
    }
}
