package tachylim.notation.score;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import org.apache.commons.numbers.fraction.Fraction;
import tachylim.passage.Direction;
import tachylim.passage.Meter;

/**
 * The numbers of a line's bars, as they stand on paper. A pickup is 0; a bar that a repeat divides is one bar and has one
 * number; numbers that start again, as a new movement's do, are told apart by how often they came.
 */
public final class BarNumbersBuilder {

    private final List<String> numbers = new ArrayList<>();
    private final Set<String> before = new HashSet<>();
    private String last = "";
    private int round = 1;

    /** The next bar goes on with the number of the one before; the first of all is a pickup. */
    public void goesOn() {
        if (numbers.isEmpty()) {
            next("0");
        } else {
            numbers.add(numbers.get(numbers.size() - 1));
        }
    }

    /** The next bar has {@code number}. */
    public void next(String number) {
        if (number.equals(last)) {
            goesOn();
            return;
        }
        if (before.contains(label(number))) {
            round++;
        }
        last = number;
        numbers.add(label(number));
        before.add(label(number));
    }

    private String label(String number) {
        return round == 1 ? number : number + " (" + round + ")";
    }

    /** One number for each bar that came. */
    public List<String> list() {
        return List.copyOf(numbers);
    }

    /** The numbers of bars that carry none: counted, from 0 where they start with a pickup. */
    static List<String> counted(Meter first, List<Fraction> barLines, Fraction length, List<Direction> directions) {
        BarNumbersBuilder numbers = new BarNumbersBuilder();
        Set<Fraction> repeats = directions.stream()
                .filter(Direction.RepeatSign.class::isInstance)
                .map(Direction::at)
                .collect(Collectors.toSet());
        int number = 0;
        Fraction start = Fraction.ZERO;
        Fraction missing = Fraction.ZERO;
        for (int bar = 0; bar <= barLines.size(); bar++) {
            Fraction end = bar < barLines.size() ? barLines.get(bar) : length;
            Fraction lasts = end.subtract(start);
            Fraction full = Direction.meterAt(start, first, directions).bar();
            boolean pickup = bar == 0 && lasts.compareTo(full) < 0 && !barLines.isEmpty();
            boolean completes = missing.compareTo(Fraction.ZERO) > 0 && lasts.equals(missing);
            if (pickup || completes) {
                numbers.goesOn();
                missing = Fraction.ZERO;
            } else {
                numbers.next(String.valueOf(++number));
                boolean divided = lasts.compareTo(full) < 0 && repeats.contains(end);
                missing = divided ? full.subtract(lasts) : Fraction.ZERO;
            }
            start = end;
        }
        return numbers.list();
    }
}
