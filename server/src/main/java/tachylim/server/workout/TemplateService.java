package tachylim.server.workout;

import com.fasterxml.jackson.annotation.JsonProperty;
import java.time.Clock;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.data.domain.Limit;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tachylim.server.account.SignedIn;
import tachylim.server.repertoire.RepertoireService;
import tachylim.server.repertoire.StoredSection;
import tachylim.server.web.Refused;
import tachylim.server.workout.PlanDtos.TemplateDto;
import tachylim.shown.BlockWish;
import tachylim.shown.PlanWish;
import tachylim.variation.Catalogue;
import tachylim.words.Reason;
import tachylim.workout.Music;
import tachylim.workout.Sketch;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.DeserializationFeature;
import tools.jackson.databind.json.JsonMapper;

/** Workouts that a player keeps to plan others like them. */
@Service
class TemplateService {

    private static final int MOST = 40;

    /** What was kept before there was a choice is as if it had not been chosen. */
    private static final JsonMapper JSON = JsonMapper.builder()
            .disable(DeserializationFeature.FAIL_ON_NULL_FOR_PRIMITIVES)
            .disable(DeserializationFeature.FAIL_ON_UNKNOWN_PROPERTIES)
            .addMixIn(PlanWish.class, Stored.class)
            .addMixIn(BlockWish.class, StoredBlock.class)
            .build();

    /** The names under which a wish is stored, where the code has others. */
    private interface Stored {

        @JsonProperty("pieceId")
        long sectionId();
    }

    /** The names under which a block of a wish is stored, where the code has others. */
    private interface StoredBlock {

        @JsonProperty("version")
        String variation();
    }

    private final PlanTemplateRepository templates;
    private final RepertoireService repertoire;
    private final Clock clock;

    TemplateService(PlanTemplateRepository templates, RepertoireService repertoire, Clock clock) {
        this.templates = templates;
        this.repertoire = repertoire;
        this.clock = clock;
    }

    @Transactional(readOnly = true)
    List<TemplateDto> all(SignedIn who) {
        List<TemplateDto> kept = templates.findByAccountIdOrderByName(who.accountId(), Limit.of(MOST)).stream()
                .flatMap(TemplateService::read)
                .toList();
        Set<Long> present = repertoire.present(
                who,
                kept.stream().flatMap(one -> one.wish().sectionIds().stream()).collect(Collectors.toSet()));
        return kept.stream()
                .map(one -> new TemplateDto(one.id(), one.name(), one.wish().onlyWith(present)))
                .toList();
    }

    /** One that cannot be read any more, because a method or a part has gone, is not offered. */
    private static Stream<TemplateDto> read(PlanTemplate kept) {
        try {
            return Stream.of(new TemplateDto(kept.id(), kept.name(), JSON.readValue(kept.wish(), PlanWish.class)));
        } catch (JacksonException gone) {
            return Stream.of();
        }
    }

    /** Keeps a workout under a name; one of the same name is replaced. */
    @Transactional
    public void keep(SignedIn who, String name, PlanWish wish) {
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
                    () -> sketch.variation().isEmpty() || Music.isArticulation(sketch.variation())
                            ? sketch
                            : Catalogue.parse(sketch.variation()));
        }
        String document = JSON.writeValueAsString(wish);
        templates
                .findByAccountIdAndName(who.accountId(), name.strip())
                .ifPresentOrElse(same -> same.wish(document), () -> {
                    if (templates.countByAccountId(who.accountId()) >= MOST) {
                        throw Refused.field(
                                "name", Reason.of("refusal.templateService.thereIsRoomForTemplates", "most", MOST));
                    }
                    templates.save(new PlanTemplate(who.accountId(), name.strip(), document, clock.instant()));
                });
    }

    @Transactional
    public void delete(SignedIn who, long id) {
        templates.delete(templates
                .findByIdAndAccountId(id, who.accountId())
                .orElseThrow(() -> Refused.notFound(Reason.of("refusal.templateService.thisTemplateIsNotHere"))));
    }
}
