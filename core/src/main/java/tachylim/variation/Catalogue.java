package tachylim.variation;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.IntStream;
import org.apache.commons.numbers.fraction.Fraction;
import tachylim.passage.Passage;
import tachylim.variation.Variation.Family;
import tachylim.words.Reason;
import tachylim.words.Refusal;

/**
 * Every variation that changes something about a given passage.
 *
 * <p>Cells come in all their rotations, in the same beat and stretched; those that hold one note of a group
 * come for threes, for fours and for the groups the passage has.
 */
public final class Catalogue {

    /** The long note of a cell that holds one of {@code k}: chosen so that the cell falls into even counts. */
    private static final Map<Integer, Integer> HELD = Map.of(3, 2, 4, 3, 5, 2, 6, 5, 7, 2, 8, 5);

    private static final List<Cell> LONG_SHORT = List.of(Cell.of(2, 1), Cell.of(3, 1));
    private static final Cell TWO_AND_TWO = Cell.of(2, 2, 1, 1);
    private static final List<Integer> LOOPS = List.of(1, 2, 4);

    private Catalogue() {}

    /** Beyond this many notes a sheet is for a section, not for the whole. */
    public static final int MOST_NOTES = 256;

    /** The variations of {@code passage} with what each becomes, in the order of a sheet. */
    public static Map<Variation, Rendering> of(Passage passage) {
        Map<Variation, Rendering> all = new LinkedHashMap<>();
        for (Variation variation : candidates(passage)) {
            try {
                Rendering rendering = variation.of(passage);
                if (!rendering.music().notes().equals(passage.notes())) {
                    all.put(variation, rendering);
                }
            } catch (IllegalArgumentException tooLong) {
                // Growing or looping a long passage leaves what a passage may hold: it is not offered.
            }
        }
        return all;
    }

    /** All that may be variations of {@code passage}, in the order of a sheet: what each becomes is not worked out yet. */
    public static List<Variation> candidates(Passage passage) {
        List<Variation> variations = new ArrayList<>();
        LONG_SHORT.forEach(cell -> cells(variations, Family.LONG_SHORT, cell));
        cells(variations, Family.TWO_AND_TWO, TWO_AND_TWO);
        for (int size : groups(passage)) {
            cells(variations, Family.HOLD, holding(size));
        }
        for (int size = Regroup.SMALLEST; size <= Regroup.LARGEST; size++) {
            variations.add(new Regroup(size, false));
            variations.add(new Regroup(size, true));
        }
        if (IntStream.range(0, passage.notes().size() - 1)
                        .mapToObj(passage::gap)
                        .distinct()
                        .count()
                > 1) {
            variations.add(new Subdivide());
        }
        int figure = Figure.figureOf(passage).size();
        for (int start = 1; start < figure; start++) {
            variations.add(new Figure(start));
        }
        variations.add(new Figure(0));
        variations.add(new Backwards());
        variations.add(new OneNote());
        if (!passage.isPaper()) {
            variations.add(new Drone(false));
            variations.add(new Drone(true));
        }
        LOOPS.forEach(beats -> variations.add(new Loop(beats)));
        variations.add(new Grow(false));
        variations.add(new Grow(true));
        return variations;
    }

    private static void cells(List<Variation> variations, Family family, Cell cell) {
        for (Cell turned : cell.rotations()) {
            variations.add(new CellVariation(family, turned, false));
            variations.add(new CellVariation(family, turned, true));
        }
    }

    private static Cell holding(int size) {
        List<Integer> weights = new ArrayList<>(List.of(HELD.get(size)));
        while (weights.size() < size) {
            weights.add(1);
        }
        return new Cell(weights);
    }

    /** Threes, fours, and as many notes as the passage has in a beat. */
    private static Set<Integer> groups(Passage passage) {
        Set<Integer> groups = new TreeSet<>(Set.of(3, 4));
        for (int note = 0; note < passage.notes().size(); note++) {
            Fraction perBeat = Fraction.ONE.divide(passage.span(note));
            if (perBeat.getDenominator() == 1 && HELD.containsKey(perBeat.getNumerator())) {
                groups.add(perBeat.getNumerator());
            }
        }
        return groups;
    }

    /**
     * The variation with this key.
     *
     * @throws IllegalArgumentException if there is none
     */
    public static Variation parse(String key) {
        String more = VariationKind.more(key);
        return switch (VariationKind.of(key)) {
            case SAME -> cell(Cell.parse(more), false);
            case STRETCHED -> cell(Cell.parse(more), true);
            case GROUP -> new Regroup(number(more, key), false);
            case STOP -> new Regroup(number(more, key), true);
            case SUBDIVIDE -> new Subdivide();
            case FIGURE -> new Figure(number(more, key));
            case MIRROR -> new Figure(0);
            case BACKWARDS -> new Backwards();
            case ONE_NOTE -> new OneNote();
            case DRONE_LOW -> new Drone(false);
            case DRONE_HIGH -> new Drone(true);
            case LOOP -> new Loop(number(more, key));
            case GROW -> new Grow(false);
            case GROW_END -> new Grow(true);
        };
    }

    private static CellVariation cell(Cell cell, boolean stretched) {
        Family family = Family.OWN;
        if (LONG_SHORT.stream().anyMatch(known -> known.rotations().contains(cell))) {
            family = Family.LONG_SHORT;
        } else if (TWO_AND_TWO.rotations().contains(cell)) {
            family = Family.TWO_AND_TWO;
        } else if (HELD.containsKey(cell.size())
                && holding(cell.size()).rotations().contains(cell)) {
            family = Family.HOLD;
        }
        return new CellVariation(family, cell, stretched);
    }

    private static int number(String text, String key) {
        if (!text.matches("\\d{1,2}")) {
            throw unknown(key);
        }
        return Integer.parseInt(text);
    }

    static IllegalArgumentException unknown(String key) {
        return Refusal.of("refusal.catalogue.thereIsNoVariationCalled", "key", Reason.shortened(key));
    }
}
