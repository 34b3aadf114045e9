package tachylim.passage;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.stream.IntStream;

/**
 * How sections are put together again: the order they are worked in, and the joins that follow from it.
 *
 * <p>First neighbours back to back, then fours that share a section, then the whole. A join comes when the
 * last of its sections has had its turn.
 */
public final class Joining {

    private static final int FOUR = 4;

    private Joining() {}

    /** Which section comes first. */
    public enum Order {
        FIRST_TO_LAST,
        LAST_TO_FIRST,
        HARDEST_FIRST,
        /** From the section that holds a given transition to both sides. */
        OUTWARD
    }

    /** How much is joined. */
    public enum Stage {
        NEIGHBOURS,
        FOURS,
        WHOLE
    }

    /**
     * Sections played as one. This class is immutable.
     *
     * @param stage how much is joined
     * @param firstSection index of the first section joined
     * @param lastSection index of the last
     * @param notes the notes from the first to the last section
     */
    public record Join(Stage stage, int firstSection, int lastSection, Section notes) {}

    /**
     * The indexes of the sections in the order they are worked.
     *
     * @param sections the sections, in the order of their notes
     * @param difficulty the difficulty of each
     * @param order the order wanted
     * @param transition the transition to start from, used by {@link Order#OUTWARD} only
     */
    public static List<Integer> order(List<Section> sections, List<Integer> difficulty, Order order, int transition) {
        Comparator<Integer> first = switch (order) {
            case FIRST_TO_LAST -> Comparator.naturalOrder();
            case LAST_TO_FIRST -> Comparator.reverseOrder();
            case HARDEST_FIRST -> Comparator.comparing(difficulty::get, Comparator.reverseOrder());
            case OUTWARD -> Comparator.comparingInt(section -> Math.abs(section - holder(sections, transition)));
        };
        return IntStream.range(0, sections.size()).boxed().sorted(first).toList();
    }

    private static int holder(List<Section> sections, int transition) {
        return IntStream.range(0, sections.size())
                .filter(i -> sections.get(i).lastNote() > transition)
                .findFirst()
                .orElse(0);
    }

    /** The joins that follow when {@code sections} are worked in {@code order}; none for a single section. */
    public static List<Join> joins(List<Section> sections, List<Integer> order) {
        List<Join> joins = new ArrayList<>(windows(sections, order, Stage.NEIGHBOURS, 2, 1));
        if (sections.size() > FOUR) {
            joins.addAll(windows(sections, order, Stage.FOURS, FOUR, FOUR - 1));
        }
        if (sections.size() > 2) {
            joins.add(join(sections, Stage.WHOLE, 0, sections.size() - 1));
        }
        return List.copyOf(joins);
    }

    private static List<Join> windows(List<Section> sections, List<Integer> order, Stage stage, int size, int step) {
        List<Join> windows = new ArrayList<>();
        for (int first = 0; first + 1 < sections.size(); first += step) {
            int start = Math.max(0, Math.min(first, sections.size() - size));
            windows.add(join(sections, stage, start, Math.min(sections.size() - 1, start + size - 1)));
        }
        return windows.stream()
                .distinct()
                .sorted(Comparator.comparingInt(join -> IntStream.rangeClosed(join.firstSection, join.lastSection)
                        .map(order::indexOf)
                        .max()
                        .orElse(0)))
                .toList();
    }

    private static Join join(List<Section> sections, Stage stage, int first, int last) {
        return new Join(
                stage,
                first,
                last,
                new Section(sections.get(first).firstNote(), sections.get(last).lastNote()));
    }
}
