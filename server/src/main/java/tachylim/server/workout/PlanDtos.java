package tachylim.server.workout;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.DecimalMax;
import jakarta.validation.constraints.DecimalMin;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.LocalDate;
import java.util.Arrays;
import java.util.Base64;
import java.util.List;
import java.util.stream.Stream;
import tachylim.ceiling.Posterior;
import tachylim.load.Caution;
import tachylim.method.School;
import tachylim.method.Strictness;
import tachylim.server.load.LoadDto;
import tachylim.shown.Relief;
import tachylim.workout.Brief;
import tachylim.workout.Choices;
import tachylim.workout.Music;
import tachylim.workout.Part;
import tachylim.workout.Sketch;
import tachylim.workout.Theme;

/** What the planning part of the API takes and gives. */
public final class PlanDtos {

    private PlanDtos() {}

    private static final String MINUTES = "Give " + Brief.LEAST_MINUTES + " to " + Brief.MOST_MINUTES + " minutes.";

    private static final String PIECES = "A session has up to " + Brief.MOST_THEMES + " pieces.";
    private static final String BLOCKS = "A session has up to " + Brief.MOST_SKETCHES + " blocks.";
    private static final String TIME = "A block takes 10 seconds to 3 hours.";
    private static final int LEAST_SECONDS = 10;
    private static final int MOST_SECONDS = 10_800;
    private static final int LONGEST_VERSION = 80;

    /** A block of a session: its part, which of the pieces, in which version, for how long and by which method. */
    public record BlockWish(
            @NotNull Part part,
            @Min(0) @Max(Brief.MOST_THEMES - 1) int theme,
            @NotNull @Size(max = LONGEST_VERSION) String version,

            @DecimalMin(value = "" + LEAST_SECONDS, message = TIME)
            @DecimalMax(value = "" + MOST_SECONDS, message = TIME)
            double seconds,

            @NotNull School school) {

        static BlockWish of(Sketch sketch) {
            return new BlockWish(
                    sketch.part(),
                    sketch.theme(),
                    sketch.version(),
                    Math.max(LEAST_SECONDS, sketch.seconds()),
                    sketch.choices().school());
        }

        Sketch sketch(Choices choices) {
            return new Sketch(part, theme, version, seconds, choices.by(school));
        }
    }

    /** What a player asks of a workout. */
    public record PlanWish(
            long pieceId,

            @Min(value = Brief.LEAST_MINUTES, message = MINUTES) @Max(value = Brief.MOST_MINUTES, message = MINUTES)
            int minutes,

            @NotNull(message = "Choose a method.") School school,
            @Min(1) @Max(Choices.MOST_BURSTS) int bursts,
            @Min(1) @Max(Choices.LONGEST_BURST) int burstBeats,

            @DecimalMin("" + Choices.LEAST_CONTROLLED) @DecimalMax("" + Choices.MOST_CONTROLLED)
            double controlledShare,

            @DecimalMin("" + Choices.LEAST_FIRST) @DecimalMax("" + Choices.MOST_FIRST)
            double firstBurstShare,

            @Min(1) @Max(Choices.MOST_CLEAN_IN_A_ROW) int cleanInARow,

            @NotNull(message = "Choose how much reserve a burst needs.")
            Caution caution,

            @NotNull
            @Size(max = Choices.LONGEST_FOCUS, message = "A focus is at most " + Choices.LONGEST_FOCUS + " characters.")
            String focus,

            boolean roughCounts,
            boolean looseOnly,

            @Size(max = Brief.MOST_THEMES - 1, message = PIECES)
            @Schema(description = "the other pieces of the session, in the order they are wanted")
            List<@NotNull Long> others,

            @Valid
            @Size(max = Brief.MOST_SKETCHES, message = BLOCKS)
            @Schema(description = "its blocks as the player has put them together; none to have them composed")
            List<@NotNull BlockWish> blocks) {

        public PlanWish {
            others = others == null ? List.of() : List.copyOf(others);
            blocks = blocks == null ? List.of() : List.copyOf(blocks);
        }

        /** All its pieces, the one that needs it most first. */
        List<Long> pieceIds() {
            return Stream.concat(Stream.of(pieceId), others.stream()).distinct().toList();
        }

        /** Whether any block plays a piece in a mode. */
        boolean modesOf(long piece) {
            int theme = pieceIds().indexOf(piece);
            return blocks.stream().anyMatch(block -> block.theme() == theme && Music.isMode(block.version()));
        }

        List<Sketch> sketches() {
            return blocks.stream().map(block -> block.sketch(choices())).toList();
        }

        /** The same with blocks as they were composed. */
        PlanWish with(List<Sketch> sketches) {
            return of(pieceId, minutes, choices(), others, sketches);
        }

        Choices choices() {
            return new Choices(
                    school,
                    bursts,
                    burstBeats,
                    controlledShare,
                    firstBurstShare,
                    cleanInARow,
                    caution,
                    focus,
                    new Strictness(roughCounts, looseOnly));
        }

        /** What was wished of a session that was begun, with its blocks as they were. */
        static PlanWish of(Brief begun) {
            List<Long> pieces = begun.themes().stream().map(Theme::id).toList();
            return of(
                    pieces.get(0),
                    begun.minutes(),
                    begun.choices(),
                    pieces.subList(1, pieces.size()),
                    begun.sketches());
        }

        /** The usual wish for a piece. */
        public static PlanWish usual(long pieceId, int minutes, Choices choices) {
            return usual(List.of(pieceId), minutes, choices);
        }

        /** The usual wish for some pieces, the one that needs it most first. */
        public static PlanWish usual(List<Long> pieceIds, int minutes, Choices choices) {
            return of(pieceIds.get(0), minutes, choices, pieceIds.subList(1, pieceIds.size()), List.of());
        }

        private static PlanWish of(
                long pieceId, int minutes, Choices choices, List<Long> others, List<Sketch> sketches) {
            return new PlanWish(
                    pieceId,
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
                    others,
                    sketches.stream().map(BlockWish::of).toList());
        }
    }

    private static final int LONGEST_NAME = 60;

    /** A session to be kept under a name. */
    public record TemplateWish(
            @NotBlank(message = "Give the template a name.")
            @Size(max = LONGEST_NAME, message = "A name has up to " + LONGEST_NAME + " characters.")
            String name,

            @NotNull @Valid PlanWish wish) {}

    /** A session that was kept; its pieces are those it was made for. */
    public record TemplateDto(long id, String name, PlanWish wish) {}

    /** A method to choose, as a player calls it. */
    public record SchoolDto(School school, String title, String hint) {

        static final List<SchoolDto> ALL = Arrays.stream(School.values())
                .filter(School::makesCore)
                .map(school -> new SchoolDto(school, school.title(), school.hint()))
                .toList();
    }

    /** A plan before it is begun: nothing is kept of it. */
    public record PlanView(
            PlanWish wish,
            List<SchoolDto> schools,
            String passage,
            String piece,
            @Schema(nullable = true) LocalDate neededOn,

            @Schema(description = "the pieces of the session, in the order its blocks count them")
            List<SessionPiece> pieces,

            @Schema(
                    nullable = true,
                    description = "what the first piece wants now by a rule of thumb, with the reason; null on Today")
            Advice advice,

            Relief relief,
            LoadDto load) {}

    /** What was believed of one of the pieces: the weights in base 64. */
    public record BeliefDto(int theme, double passes, String weights) {

        static BeliefDto of(int theme, Posterior belief) {
            return new BeliefDto(theme, belief.passes(), Base64.getEncoder().encodeToString(belief.toBytes()));
        }
    }

    /**
     * All that a page needs to plan by itself for the same pieces on the same day. It is handed on to the core in the page as
     * it is.
     *
     * @param rest why nothing may be played, empty when something may
     * @param warning what is said of a session that is fast, empty when there is nothing to say
     */
    public record PlanScore(
            @Schema(description = "the rules it is planned by: a core of another edition cannot go on with it")
            int edition,

            String workout,
            List<BeliefDto> beliefs,
            double effortBefore,
            double effortCap,
            String effortWhy,
            String rest,
            String warning) {}

    /** A method with the reason for it. */
    public record Advice(School school, String title, String why) {}

    /** One of the pieces of a session. */
    public record SessionPiece(
            long id, long passageId, int firstNote, int lastNote, String passage, String piece, double target) {}
}
