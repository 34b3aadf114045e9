package tachylim.season;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.function.Predicate;
import tachylim.load.Effort;
import tachylim.words.Reason;

/**
 * Which sections a day's workout is about: the most pressing, or one whose main work is due, one that has lain for longer than
 * it should, the one that presses next, one that is near its goal, and one that has lain longest. Where there is room for one
 * alone, what has lain too long comes first. One section of each passage while there is a choice. This class is immutable.
 *
 * @param chosen the sections, the most pressing first; none when there is nothing to work on
 */
public record DaysSections(List<Chosen> chosen) {

    /** A workout has up to so many sections; more are no workout but a list. */
    public static final int MOST = 4;

    /** A section is worth turning to for so many minutes, and for so much of the effort that is left. */
    private static final double MINUTES_EACH = 10;

    private static final long LONG_AGO = Long.MAX_VALUE;

    public DaysSections {
        chosen = List.copyOf(chosen);
    }

    /** A section with the reason it is there. */
    public record Chosen(Candidate section, Reason why) {}

    /**
     * The sections of a day.
     *
     * @param candidates all sections that are worked on
     * @param minutes the minutes there are
     * @param effortLeft what is left of the day's effort
     */
    public static DaysSections of(List<Candidate> candidates, int minutes, Effort effortLeft) {
        int room = (int) Math.max(1, Math.min(MOST, Math.min(minutes, effortLeft.minutes()) / MINUTES_EACH));
        List<Chosen> chosen = new ArrayList<>();
        pick(candidates, chosen, one -> true, PRESSING)
                .filter(one ->
                        room > 1 || one.isOverdue() || candidates.stream().noneMatch(Candidate::isOverdue))
                .map(one -> inTurn(candidates, one))
                .ifPresent(chosen::add);
        if (chosen.size() < room) {
            pick(candidates, chosen, Candidate::isOverdue, LONGEST_LAIN)
                    .ifPresent(one -> chosen.add(new Chosen(one, lain(one))));
        }
        if (chosen.size() < room) {
            pick(candidates, chosen, one -> !one.isUpToTempo(), PRESSING)
                    .ifPresent(
                            one -> chosen.add(new Chosen(one, Reason.of("chosen.next", "standing", one.standing()))));
        }
        if (chosen.size() < room) {
            pick(candidates, chosen, one -> !one.isUpToTempo(), Comparator.comparingDouble(Candidate::gap))
                    .ifPresent(
                            one -> chosen.add(new Chosen(one, Reason.of("chosen.near", "standing", one.standing()))));
        }
        while (chosen.size() < room) {
            Optional<Candidate> lain = pick(candidates, chosen, one -> true, LONGEST_LAIN);
            if (lain.isEmpty()) {
                break;
            }
            chosen.add(new Chosen(lain.get(), lain(lain.get())));
        }
        return new DaysSections(chosen);
    }

    /** Of one passage the section that is farthest from its target comes first. */
    private static final Comparator<Candidate> PRESSING = Comparator.comparingDouble(Candidate::pressing)
            .thenComparingDouble(Candidate::gap)
            .reversed();

    private static final Comparator<Candidate> LONGEST_LAIN = Comparator.<Candidate>comparingLong(
                    one -> one.daysSince().orElse(LONG_AGO))
            .reversed()
            .thenComparing(PRESSING);

    /** The first by an order of those not chosen yet, on the instrument of those that are, from a passage that is not there yet while there is one. */
    private static Optional<Candidate> pick(
            List<Candidate> candidates, List<Chosen> chosen, Predicate<Candidate> which, Comparator<Candidate> order) {
        List<Candidate> left = candidates.stream()
                .filter(one ->
                        chosen.stream().noneMatch(taken -> taken.section().id() == one.id()))
                .filter(one -> chosen.isEmpty() || chosen.get(0).section().instrument() == one.instrument())
                .filter(which)
                .sorted(order)
                .toList();
        return left.stream()
                .filter(one ->
                        chosen.stream().noneMatch(taken -> taken.section().passage() == one.passage()))
                .findFirst()
                .or(() -> left.stream().findFirst());
    }

    /** What presses most, unless another has had no main work for too long: then that one has the lead today. */
    private static Chosen inTurn(List<Candidate> candidates, Candidate pressing) {
        return pressing.isSoon() || pressing.isMainWorkDue()
                ? new Chosen(pressing, mostPressing(pressing))
                : candidates.stream()
                        .filter(one -> one.isMainWorkDue()
                                && !one.daysSince().isEmpty()
                                && one.instrument() == pressing.instrument())
                        .min(PRESSING)
                        .map(one -> new Chosen(one, Reason.of("chosen.turn", "standing", one.standing())))
                        .orElseGet(() -> new Chosen(pressing, mostPressing(pressing)));
    }

    private static Reason mostPressing(Candidate one) {
        return Reason.of("chosen.first", "standing", one.standing())
                .then(one.decided() ? Reason.NONE : Reason.of("chosen.preparationOpen"));
    }

    private static Reason lain(Candidate one) {
        Reason since = one.daysSince().isEmpty()
                ? Reason.of("chosen.never")
                : one.daysSince().getAsLong() <= 1
                        ? Reason.NONE
                        : Reason.of("chosen.since", "days", one.daysSince().getAsLong());
        Reason standing = one.isUpToTempo()
                ? Reason.of("chosen.upkeep", "ceiling", one.ceiling(), "target", one.target())
                : Reason.of("chosen.plain", "standing", one.standing());
        return standing.then(since);
    }
}
