package tachylim.notation.midi;

import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.NavigableMap;
import java.util.Set;
import java.util.stream.Collectors;
import tachylim.notation.midi.MidiReader.Struck;
import tachylim.passage.Meter;
import tachylim.words.Reason;

/**
 * Where bar one begins. A MIDI file has no bar lines, so a pickup shifts all of them unless it is found: by a meter of its
 * own, by changes of meter, key or marks that stand at bar lines, or by how the notes lie. The last is a guess, and is made
 * only where one place of the bar is played much heavier than any other.
 */
final class MidiPickup {

    static final Meter USUAL = new Meter(4, 4);

    /** Notes are looked at to a sixteenth. */
    private static final int SIXTEENTHS = 4;

    /** In how many of the bars something has to begin at the place that is taken for the first. */
    private static final double MOSTLY = 0.6;

    private static final int LEAST_BARS = 4;

    /** Bar lines that notes sound over, as a share of all, are many above the one; above the other share of those, few. */
    private static final double MANY = 0.2;

    private static final double FEW = 0.2;

    /** How much louder, of 127, and how much surer than chance, the first of a bar is where loudness tells it. */
    private static final double LOUDER = 4;

    private static final double SURE = 4;

    /** How much longer notes that begin a bar last, all together, than those at the place where the file begins one. */
    private static final double LONGER = 1.6;

    private final int resolution;
    private final NavigableMap<Long, Meter> meters;
    private final Meter meter;
    private final long bar;
    private final List<Struck> notes;
    private final long ticks;
    private Reason reason = Reason.NONE;

    MidiPickup(
            int resolution, NavigableMap<Long, Meter> meters, Set<Long> keys, Set<Long> markers, List<Struck> struck) {
        this.resolution = resolution;
        this.meters = meters;
        this.meter = meters.isEmpty() ? USUAL : meters.firstEntry().getValue();
        this.bar = bar(meter);
        long until = sameMeterUntil();
        this.notes = struck.stream().filter(one -> one.from() < until).toList();
        this.ticks = found(keys, markers, until);
    }

    /** How long the music lasts before bar one, in ticks; 0 where nothing speaks for a pickup. */
    long ticks() {
        return ticks;
    }

    /** What speaks for it. */
    Reason reason() {
        return reason;
    }

    private long bar(Meter of) {
        return 4L * resolution * of.count() / of.unit();
    }

    private long sameMeterUntil() {
        return meters.tailMap(1L).entrySet().stream()
                .filter(change -> !change.getValue().equals(meter))
                .mapToLong(Map.Entry::getKey)
                .findFirst()
                .orElse(Long.MAX_VALUE);
    }

    private long found(Set<Long> keys, Set<Long> markers, long until) {
        boolean playsFirst = notes.stream().anyMatch(one -> one.from() < bar);
        if (!playsFirst || bar <= 0) {
            return 0;
        }
        long byMeter = ofItsOwnMeter();
        if (byMeter > 0) {
            return because(Reason.of("pickup.meter"), byMeter);
        }
        long byChange = alike(meters.tailMap(1L).keySet(), Long.MAX_VALUE);
        if (byChange > 0) {
            return because(Reason.of("pickup.meterChange"), byChange);
        }
        long byKeys = alike(keys, until);
        if (byKeys > 0) {
            return because(Reason.of("pickup.keyChange"), byKeys);
        }
        long byMarkers = alike(markers, until);
        if (byMarkers > 0) {
            return because(Reason.of("pickup.marks"), byMarkers);
        }
        long loudest = byLoudness();
        if (loudest >= 0) {
            return because(Reason.of("pickup.loudest"), loudest);
        }
        long crossed = byBarLines();
        if (crossed > 0) {
            return because(Reason.of("pickup.barLines"), crossed);
        }
        long ending = byEnding();
        if (ending > 0) {
            return because(Reason.of("pickup.lastNote"), ending);
        }
        return because(Reason.of("pickup.longest"), Math.max(0, byLength()));
    }

    private long because(Reason why, long found) {
        reason = why;
        return found;
    }

    /** A first meter that lasts for one bar shorter than the next, or a first meter that comes late. */
    private long ofItsOwnMeter() {
        if (meters.isEmpty()) {
            return 0;
        }
        Map.Entry<Long, Meter> first = meters.firstEntry();
        if (first.getKey() > 0) {
            return first.getKey() < bar(first.getValue()) ? first.getKey() : 0;
        }
        Map.Entry<Long, Meter> second = meters.higherEntry(0L);
        boolean ends = second != null && second.getKey() <= bar && second.getKey() < bar(second.getValue());
        return ends ? second.getKey() : 0;
    }

    /** How far into a bar all of {@code places} lie, where they agree; what stands at the start says nothing. */
    private long alike(Collection<Long> places, long until) {
        Set<Long> within = places.stream()
                .filter(place -> place > 0 && place <= until)
                .map(place -> place % bar)
                .collect(Collectors.toSet());
        return within.size() == 1 ? within.iterator().next() : 0;
    }

    // By how the notes lie

    /** What begins at one place of the bar. */
    private static final class Place {
        private int count;
        private double loudness;
        private double squares;
        private double length;

        double mean() {
            return loudness / count;
        }

        double variance() {
            return Math.max(0, squares / count - mean() * mean());
        }
    }

    private Map<Integer, Place> places() {
        Map<Integer, Place> places = new HashMap<>();
        for (Struck one : notes) {
            int at = (int) Math.floorMod(Math.round((double) one.from() * SIXTEENTHS / resolution), sixteenths());
            Place place = places.computeIfAbsent(at, key -> new Place());
            place.count++;
            place.loudness += one.velocity();
            place.squares += (double) one.velocity() * one.velocity();
            place.length += Math.min(bar, one.to() - one.from());
        }
        return places;
    }

    private long sixteenths() {
        return Math.max(1, bar * SIXTEENTHS / resolution);
    }

    private double barsPlayed() {
        return notes.stream().mapToLong(Struck::to).max().orElse(0) / (double) bar;
    }

    /** The place that is surely louder than all others; −1 where there is none. */
    private long byLoudness() {
        Map<Integer, Place> places = places();
        double bars = barsPlayed();
        if (bars < LEAST_BARS) {
            return -1;
        }
        int loudest = places.entrySet().stream()
                .filter(entry -> entry.getValue().count >= MOSTLY * bars)
                .max((a, b) -> Double.compare(a.getValue().mean(), b.getValue().mean()))
                .map(Map.Entry::getKey)
                .orElse(-1);
        if (loudest < 0) {
            return -1;
        }
        Place first = places.get(loudest);
        boolean sure = places.entrySet().stream()
                .filter(entry -> entry.getKey() != loudest)
                .allMatch(entry -> isLouder(first, entry.getValue()));
        return sure && places.size() > 1 ? (long) loudest * resolution / SIXTEENTHS : -1;
    }

    private static boolean isLouder(Place one, Place other) {
        double by = one.mean() - other.mean();
        double chance = Math.sqrt(one.variance() / one.count + other.variance() / other.count);
        return by >= LOUDER && by >= SURE * chance;
    }

    /** The place whose bar lines hardly a note sounds over, where many do at those the file begins with; 0 for none. */
    private long byBarLines() {
        double bars = barsPlayed();
        int atStart = crossing(0);
        if (bars < LEAST_BARS || atStart < Math.max(2, MANY * bars)) {
            return 0;
        }
        Map<Integer, Place> places = places();
        long best = 0;
        double longest = 0;
        for (long place = beat(); place < bar; place += beat()) {
            Place here = places.get((int) (place * SIXTEENTHS / resolution));
            boolean isBarLine = here != null && here.count >= MOSTLY * bars && crossing(place) <= FEW * atStart;
            if (isBarLine && here.length > longest) {
                best = place;
                longest = here.length;
            }
        }
        return best;
    }

    /** How many notes sound over bar lines that begin at {@code first}. */
    private int crossing(long first) {
        int crossing = 0;
        for (Struck one : notes) {
            long next = first + Math.floorDiv(one.from() - first, bar) * bar + bar;
            crossing += one.to() - next > resolution / SIXTEENTHS ? 1 : 0;
        }
        return crossing;
    }

    private long beat() {
        return 4L * resolution / meter.unit();
    }

    /**
     * Where the last note of all begins when it fills all but a pickup of the bar it would begin; a bar is seldom ended
     * that way otherwise. 0 where it does not.
     */
    private long byEnding() {
        double bars = barsPlayed();
        Struck last = notes.get(notes.size() - 1);
        for (Struck one : notes) {
            last = one.to() > last.to() || one.to() == last.to() && one.from() < last.from() ? one : last;
        }
        long place = Math.floorMod(last.from(), bar);
        boolean onBeat = place % beat() == 0 && 2 * place < bar;
        boolean fills = Math.abs((last.from() / bar + 1) * bar - last.to()) <= beat() / 2;
        Place here = places().get((int) (place * SIXTEENTHS / resolution));
        return bars >= LEAST_BARS && onBeat && fills && here.count >= MOSTLY * bars ? place : 0;
    }

    /** The place at which notes last much longer than where the file begins its bars; 0 where there is none. */
    private long byLength() {
        Map<Integer, Place> places = places();
        double bars = barsPlayed();
        if (bars < LEAST_BARS) {
            return 0;
        }
        double atStart = places.containsKey(0) ? places.get(0).length : 0;
        Map.Entry<Integer, Place> longest = places.entrySet().stream()
                .filter(entry -> entry.getValue().count >= MOSTLY * bars)
                .max((a, b) -> Double.compare(a.getValue().length, b.getValue().length))
                .orElse(null);
        boolean much = longest != null && longest.getValue().length >= LONGER * atStart && longest.getKey() > 0;
        return much ? (long) longest.getKey() * resolution / SIXTEENTHS : 0;
    }
}
