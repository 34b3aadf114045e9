package tachylim.variation;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.IntStream;
import org.apache.commons.numbers.fraction.Fraction;
import tachylim.passage.Direction;
import tachylim.passage.Meter;
import tachylim.passage.Note;
import tachylim.passage.Passage;
import tachylim.words.Reason;

/**
 * A cell laid over each run of equal notes, again and again from the start of the run.
 *
 * <p>In the same beat the cell fills the time of its plain notes; stretched, its quick notes keep their
 * written value and the long ones grow, so that a cell takes {@code W/m} written values. Notes at the end
 * of a run that make no whole cell, and notes of other values, stay as written. This class is immutable.
 *
 * @param family where it stands on the sheet
 * @param cell the rhythm
 * @param stretched whether the long notes grow
 */
public record CellVariation(Family family, Cell cell, boolean stretched) implements Variation {

    @Override
    public String key() {
        return (stretched ? VariationKind.STRETCHED : VariationKind.SAME).key(cell);
    }

    @Override
    public Reason title() {
        return switch (family) {
            case LONG_SHORT -> titled(cell.isQuick(0) ? "variation.shortLong" : "variation.longShort");
            case HOLD ->
                Reason.of(
                        "variation.hold",
                        "place",
                        longest() + 1,
                        "size",
                        cell.size(),
                        "cell",
                        cell,
                        "stretched",
                        stretched);
            case TWO_AND_TWO -> titled("variation.twoAndTwo");
            default -> titled("variation.ownCell");
        };
    }

    private Reason titled(String code) {
        return Reason.of(code, "cell", cell, "stretched", stretched);
    }

    private int longest() {
        return IntStream.range(0, cell.size())
                .filter(place -> !cell.isQuick(place))
                .findFirst()
                .orElse(0);
    }

    @Override
    public Rendering of(Passage passage) {
        int size = passage.notes().size();
        Fraction[] gaps = new Fraction[size];
        Set<Integer> trained = new HashSet<>();
        int left = 0;
        int covered = 0;
        int run = 0;
        while (run < size) {
            int end = run + 1;
            while (end < size && passage.span(end).equals(passage.span(run))) {
                end++;
            }
            int whole = (end - run) / cell.size() * cell.size();
            for (int note = run; note < end; note++) {
                boolean inCell = note - run < whole;
                gaps[note] = inCell ? gap(passage.span(note), (note - run) % cell.size()) : passage.span(note);
                if (inCell && note < size - 1 && cell.isQuick((note - run) % cell.size())) {
                    trained.add(note);
                }
            }
            covered += whole;
            left += end - run - whole;
            run = end;
        }
        Reason remark = covered == 0 || left == 0 ? Reason.NONE : Reason.of("variation.cell.remark", "notes", left);
        return new Rendering(
                music(passage, gaps),
                IntStream.range(0, size).boxed().toList(),
                trained,
                stretched ? Fraction.ONE : cell.matchingShare(),
                remark);
    }

    private Fraction gap(Fraction written, int place) {
        int weight = cell.weights().get(place);
        return stretched
                ? written.multiply(Fraction.of(weight, cell.smallest()))
                : written.multiply(Fraction.of(cell.size() * weight, cell.sum()));
    }

    private Passage music(Passage passage, Fraction[] gaps) {
        Fraction now = passage.notes().get(0).onset();
        List<Note> notes = new ArrayList<>();
        for (int i = 0; i < gaps.length; i++) {
            Note written = passage.notes().get(i);
            Fraction share = written.duration().divide(passage.span(i));
            notes.add(written.at(now, gaps[i].multiply(share))
                    .with(written.inflection().decisions()));
            now = now.add(gaps[i]);
        }
        if (!stretched) {
            return passage.withNotes(notes);
        }
        Places places = new Places(passage, notes, now);
        List<Fraction> lines = passage.barLines().stream().map(places::of).toList();
        Fraction length = places.of(passage.length());
        Meter meter = stretchedMeter(passage, lines, length);
        List<Direction> kept = passage.directions().stream()
                .filter(direction -> !(direction instanceof Direction.MeterChange))
                .map(direction -> direction.moved(places.of(direction.at())))
                .toList();
        return new Passage(meter, passage.beatUnit(), passage.key(), lines, notes, length, kept);
    }

    /** The meter of the stretched bars where all whole ones are alike and it can be written; else the passage's own. */
    private Meter stretchedMeter(Passage passage, List<Fraction> lines, Fraction length) {
        Set<Fraction> bars = new HashSet<>();
        for (int i = passage.hasPickup() ? 0 : -1; i < lines.size() - 1; i++) {
            bars.add(lines.get(i + 1).subtract(i < 0 ? Fraction.ZERO : lines.get(i)));
        }
        if (bars.isEmpty()) {
            bars.add(length);
        }
        if (bars.size() > 1) {
            return passage.meter();
        }
        Fraction bar = bars.iterator().next().multiply(passage.beatUnit());
        Fraction cellLength =
                passage.span(0).multiply(passage.beatUnit()).multiply(Fraction.of(cell.sum(), cell.smallest()));
        // A cell that lasts a dotted value is a beat of a compound meter: bars and beams then show the cells.
        boolean dotted = cellLength.getNumerator() == 3 && cellLength.getDenominator() >= 8;
        int unit = dotted && bar.divide(cellLength).getDenominator() == 1
                ? cellLength.getDenominator()
                : Math.max(passage.meter().unit(), bar.getDenominator());
        int count = bar.multiply(unit).intValue();
        boolean written = Integer.bitCount(unit) == 1 && unit <= 32 && count >= 1 && count <= 32;
        return written ? new Meter(count, unit) : passage.meter();
    }

    /** Where the places of the passage lie once its notes have moved apart. */
    private record Places(Passage passage, List<Note> moved, Fraction end) {

        Fraction of(Fraction place) {
            List<Note> written = passage.notes();
            int before = -1;
            while (before + 1 < written.size()
                    && written.get(before + 1).onset().compareTo(place) <= 0) {
                before++;
            }
            if (before < 0) {
                return place;
            }
            Fraction since = place.subtract(written.get(before).onset());
            Fraction span = passage.span(before);
            Fraction next = before + 1 < moved.size() ? moved.get(before + 1).onset() : end;
            Fraction movedSpan = next.subtract(moved.get(before).onset());
            if (since.compareTo(span) >= 0) {
                return next.add(since.subtract(span));
            }
            return moved.get(before).onset().add(movedSpan.multiply(since).divide(span));
        }
    }
}
