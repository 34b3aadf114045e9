package tachylim.shown;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.DecimalMax;
import jakarta.validation.constraints.DecimalMin;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.List;
import java.util.Set;
import java.util.stream.Stream;
import tachylim.codec.Codec;
import tachylim.load.Caution;
import tachylim.method.School;
import tachylim.method.Strictness;
import tachylim.workout.Brief;
import tachylim.workout.Choices;
import tachylim.workout.Music;
import tachylim.workout.Sketch;
import tachylim.workout.Theme;

/** What a player asks of a workout. */
public record PlanWish(
        long sectionId,

        @Min(value = Brief.LEAST_MINUTES, message = PlanWish.MINUTES)
        @Max(value = Brief.MOST_MINUTES, message = PlanWish.MINUTES)
        int minutes,

        @NotNull(message = "refusal.planWish.chooseAMethod") School school,
        @Min(1) @Max(Choices.MOST_BURSTS) int bursts,
        @Min(1) @Max(Choices.LONGEST_BURST) int burstBeats,

        @DecimalMin("" + Choices.LEAST_CONTROLLED) @DecimalMax("" + Choices.MOST_CONTROLLED)
        double controlledShare,

        @DecimalMin("" + Choices.LEAST_FIRST) @DecimalMax("" + Choices.MOST_FIRST)
        double firstBurstShare,

        @Min(1) @Max(Choices.MOST_CLEAN_IN_A_ROW) int cleanInARow,

        @NotNull(message = "refusal.planWish.chooseHowMuchRecoveryA")
        Caution caution,

        @NotNull
        @Size(
                max = Choices.LONGEST_FOCUS,
                message = "refusal.planWish.aFocusIsAtMostCharacters longestFocus=" + Choices.LONGEST_FOCUS)
        String focus,

        boolean roughCounts,
        boolean looseOnly,

        @Schema(nullable = true, description = "whether every pass is followed by a rest as long as itself")
        Boolean restsAsPlayed,

        @Size(max = Brief.MOST_THEMES - 1, message = PlanWish.SECTIONS)
        @Schema(description = "the other sections of the workout, in the order they are wanted")
        List<@NotNull Long> others,

        @Valid
        @Size(max = Brief.MOST_SKETCHES, message = PlanWish.BLOCKS)
        @Schema(description = "its blocks as the player has put them together; none to have them composed")
        List<@NotNull BlockWish> blocks) {

    private static final String MINUTES =
            "refusal.plan.minutes least=" + Brief.LEAST_MINUTES + " most=" + Brief.MOST_MINUTES;
    private static final String SECTIONS = "refusal.plan.sections most=" + Brief.MOST_THEMES;
    private static final String BLOCKS = "refusal.plan.blocks most=" + Brief.MOST_SKETCHES;

    public static final Codec<PlanWish> CODEC = Codec.object(wish -> new PlanWish(
            wish.get("sectionId", Codec.LONG, PlanWish::sectionId),
            wish.whole("minutes", PlanWish::minutes),
            wish.get("school", Codec.constants(School.values()), PlanWish::school),
            wish.whole("bursts", PlanWish::bursts),
            wish.whole("burstBeats", PlanWish::burstBeats),
            wish.number("controlledShare", PlanWish::controlledShare),
            wish.number("firstBurstShare", PlanWish::firstBurstShare),
            wish.whole("cleanInARow", PlanWish::cleanInARow),
            wish.get("caution", Codec.constants(Caution.values()), PlanWish::caution),
            wish.text("focus", PlanWish::focus),
            wish.flag("roughCounts", PlanWish::roughCounts),
            wish.flag("looseOnly", PlanWish::looseOnly),
            wish.get("restsAsPlayed", Codec.FLAG.nullable(), PlanWish::restsAsPlayed),
            wish.get("others", Codec.LONG.list(), PlanWish::others),
            wish.get("blocks", BlockWish.CODEC.list(), PlanWish::blocks)));

    public PlanWish {
        others = others == null ? List.of() : List.copyOf(others);
        blocks = blocks == null ? List.of() : List.copyOf(blocks);
    }

    /** All its sections, the one that needs it most first. */
    public List<Long> sectionIds() {
        return Stream.concat(Stream.of(sectionId), others.stream()).distinct().toList();
    }

    /** The same without sections that are no longer there: their blocks play the first that is, and section 0 where none is. */
    public PlanWish onlyWith(Set<Long> present) {
        List<Long> was = sectionIds();
        List<Long> now = was.stream().filter(present::contains).toList();
        return new PlanWish(
                now.isEmpty() ? 0 : now.get(0),
                minutes,
                school,
                bursts,
                burstBeats,
                controlledShare,
                firstBurstShare,
                cleanInARow,
                caution,
                focus,
                roughCounts,
                looseOnly,
                restsAsPlayed,
                now.isEmpty() ? List.of() : now.subList(1, now.size()),
                blocks.stream()
                        .map(block -> block.on(
                                Math.max(0, block.theme() < was.size() ? now.indexOf(was.get(block.theme())) : 0)))
                        .toList());
    }

    /** Whether any block plays a section in an articulation. */
    public boolean articulationsOf(long section) {
        int theme = sectionIds().indexOf(section);
        return blocks.stream().anyMatch(block -> block.theme() == theme && Music.isArticulation(block.variation()));
    }

    public List<Sketch> sketches() {
        return blocks.stream().map(block -> block.sketch(choices())).toList();
    }

    /** The same with blocks as they were composed. */
    public PlanWish with(List<Sketch> sketches) {
        return of(sectionId, minutes, choices(), others, sketches);
    }

    public Choices choices() {
        return new Choices(
                school,
                bursts,
                burstBeats,
                controlledShare,
                firstBurstShare,
                cleanInARow,
                caution,
                focus.strip(),
                new Strictness(roughCounts, looseOnly),
                Boolean.TRUE.equals(restsAsPlayed));
    }

    /** The workout that is wished for, of the sections and on the day that {@code known} is about. */
    public Brief over(Brief known) {
        return new Brief(
                known.themes(),
                sketches(),
                minutes,
                choices(),
                known.allowance(),
                known.condition(),
                known.routine(),
                known.spared());
    }

    /** What was wished of a workout that was begun, with its blocks as they were. */
    public static PlanWish of(Brief begun) {
        List<Long> sections = begun.themes().stream().map(Theme::id).toList();
        return of(
                sections.get(0),
                begun.minutes(),
                begun.choices(),
                sections.subList(1, sections.size()),
                begun.sketches());
    }

    /** The usual wish for a section. */
    public static PlanWish usual(long sectionId, int minutes, Choices choices) {
        return usual(List.of(sectionId), minutes, choices);
    }

    /** The usual wish for some sections, the one that needs it most first. */
    public static PlanWish usual(List<Long> sectionIds, int minutes, Choices choices) {
        return of(sectionIds.get(0), minutes, choices, sectionIds.subList(1, sectionIds.size()), List.of());
    }

    private static PlanWish of(long sectionId, int minutes, Choices choices, List<Long> others, List<Sketch> sketches) {
        return new PlanWish(
                sectionId,
                minutes,
                choices.school(),
                choices.bursts(),
                choices.burstBeats(),
                choices.controlledShare(),
                choices.firstBurstShare(),
                choices.cleanInARow(),
                choices.caution(),
                choices.focus(),
                choices.strictness().roughCounts(),
                choices.strictness().looseOnly(),
                choices.restsAsPlayed(),
                others,
                sketches.stream().map(BlockWish::of).toList());
    }
}
