package tachylim.server.workout;

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
import tachylim.server.web.Refused;
import tachylim.server.workout.PlanDtos.TemplateDto;
import tachylim.shown.PlanWish;
import tachylim.words.Reason;

/** Workouts that a player keeps to plan others like them. */
@Service
class TemplateService {

    private static final int MOST = 40;

    private final PlanTemplateRepository templates;
    private final RepertoireService repertoire;
    private final WishCheck checks;
    private final Clock clock;

    TemplateService(PlanTemplateRepository templates, RepertoireService repertoire, WishCheck checks, Clock clock) {
        this.templates = templates;
        this.repertoire = repertoire;
        this.checks = checks;
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
        return StoredWish.read(kept.wish()).map(wish -> new TemplateDto(kept.id(), kept.name(), wish)).stream();
    }

    /** Keeps a workout under a name; one of the same name is replaced. */
    @Transactional
    public void keep(SignedIn who, String name, PlanWish wish) {
        checks.check(who, wish);
        String document = StoredWish.written(wish);
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
