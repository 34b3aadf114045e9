package tachylim.variation;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.DoubleStream;
import java.util.stream.IntStream;
import tachylim.words.Reason;

/**
 * Chooses the variations that train every transition as often as it needs, at the least cost in minutes.
 *
 * <p>Weighted set multicover, solved greedily (Dobson 1982): at each step the variation with the most unmet
 * need per minute is taken; with the same figure the one that costs less, then the one named first. What
 * turns out not to be needed is given back, the costliest first. A transition's need is rounded to a whole number
 * of variations, and to no more than there are variations that train it. Variations of yesterday cost a quarter
 * more, so that days differ. The greedy cost is at most {@code 1 + ln(most transitions of a variation)} times the
 * least possible.
 */
public final class Coverage {

    /** How much more a variation costs that was played yesterday. */
    public static final double YESTERDAY = 1.25;

    private static final int MOST_ROUNDS = 8;

    /** More variations than this are not a day's work but a list. */
    private static final int MOST_CHOICES = 12;

    private static final int MOST_SPANS = 4;

    /** A transition that needs this much is named as the one that breaks. */
    private static final double TROUBLE = 1.5;

    private final List<Candidate> candidates;
    private final int[] demand;
    private final List<Candidate> taken = new ArrayList<>();

    private Coverage(List<Candidate> candidates, double[] need) {
        this.candidates = candidates;
        this.demand = demand(candidates, need);
    }

    /**
     * A variation that may be chosen. This class is immutable.
     *
     * @param key the variation's key
     * @param trained the transitions it trains, from 0
     * @param minutes what it takes, above 0
     * @param yesterday whether it was played yesterday
     */
    public record Candidate(String key, Set<Integer> trained, double minutes, boolean yesterday) {

        /**
         * @throws IllegalArgumentException if the minutes are not above 0
         */
        public Candidate {
            trained = Set.copyOf(trained);
            if (!(minutes > 0)) {
                throw new IllegalArgumentException("A variation takes more than " + minutes + " minutes");
            }
        }

        double cost() {
            return yesterday ? minutes * YESTERDAY : minutes;
        }
    }

    /**
     * A variation that was chosen. This class is immutable.
     *
     * @param key the variation's key
     * @param minutes what it takes
     * @param why the reason, one line
     */
    public record Choice(String key, double minutes, Reason why) {}

    /**
     * What was chosen. This class is immutable.
     *
     * @param choices the variations, in the order of their worth
     * @param trains how often each transition is trained by them
     * @param untrained transitions that none of them trains
     */
    public record Chosen(List<Choice> choices, List<Integer> trains, List<Integer> untrained) {}

    /**
     * Chooses from {@code candidates} within {@code minutes}.
     *
     * @param candidates what there is to choose from
     * @param need the need of each transition, 1 or more
     * @param minutes what there is time for, above 0
     */
    public static Chosen choose(List<Candidate> candidates, double[] need, double minutes) {
        Coverage coverage = new Coverage(candidates, need);
        coverage.take(minutes);
        coverage.giveBack();
        return coverage.chosen(need);
    }

    /**
     * Chooses from {@code candidates} so that {@code minutes} are used: every transition is trained as often as it
     * needs, twice as often, three times, as far as the time goes.
     *
     * @param candidates what there is to choose from
     * @param need the need of each transition, 1 or more
     * @param minutes what there is time for, above 0
     */
    public static Chosen fill(List<Candidate> candidates, double[] need, double minutes) {
        Chosen best = choose(candidates, need, minutes);
        for (int rounds = 2; rounds <= MOST_ROUNDS; rounds++) {
            int times = rounds;
            double[] more = DoubleStream.of(need).map(one -> one * times).toArray();
            Chosen next = choose(candidates, more, minutes);
            if (next.choices().size() > MOST_CHOICES
                    || next.untrained().size() > best.untrained().size()) {
                break;
            }
            if (next.choices().size() > best.choices().size()) {
                best = next;
            }
        }
        return best;
    }

    private static int[] demand(List<Candidate> candidates, double[] need) {
        return IntStream.range(0, need.length)
                .map(transition -> Math.min((int) Math.max(1, Math.round(need[transition])), (int) candidates.stream()
                        .filter(candidate -> candidate.trained.contains(transition))
                        .count()))
                .toArray();
    }

    private void take(double minutes) {
        double left = minutes;
        int[] unmet = demand.clone();
        Set<Candidate> open = new HashSet<>(candidates);
        while (true) {
            double room = left;
            Candidate best = candidates.stream()
                    .filter(open::contains)
                    .filter(candidate -> candidate.minutes <= room + 1e-9 && worth(candidate, unmet) > 0)
                    .max(Comparator.<Candidate>comparingDouble(candidate -> worth(candidate, unmet) / candidate.cost())
                            .thenComparing(Candidate::cost, Comparator.reverseOrder())
                            .thenComparing(Candidate::key, Comparator.reverseOrder()))
                    .orElse(null);
            if (best == null) {
                return;
            }
            open.remove(best);
            taken.add(best);
            left -= best.minutes;
            best.trained.stream()
                    .filter(transition -> transition < unmet.length)
                    .forEach(transition -> unmet[transition]--);
        }
    }

    private static int worth(Candidate candidate, int[] unmet) {
        return (int) candidate.trained.stream()
                .filter(transition -> transition < unmet.length && unmet[transition] > 0)
                .count();
    }

    private void giveBack() {
        List<Candidate> dearestFirst = new ArrayList<>(taken);
        dearestFirst.sort(Comparator.comparingDouble(Candidate::cost).reversed());
        for (Candidate candidate : dearestFirst) {
            int[] trains = trains(taken);
            boolean spare = candidate.trained.stream()
                    .filter(transition -> transition < trains.length)
                    .allMatch(transition -> trains[transition] > demand[transition]);
            if (spare) {
                taken.remove(candidate);
            }
        }
    }

    private int[] trains(List<Candidate> by) {
        return IntStream.range(0, demand.length)
                .map(transition -> (int) by.stream()
                        .filter(candidate -> candidate.trained.contains(transition))
                        .count())
                .toArray();
    }

    private Chosen chosen(double[] need) {
        int[] trains = trains(taken);
        List<Choice> choices = new ArrayList<>();
        int[] before = new int[need.length];
        for (Candidate candidate : taken) {
            choices.add(new Choice(candidate.key, candidate.minutes, why(candidate, before, need)));
            candidate.trained.stream()
                    .filter(transition -> transition < before.length)
                    .forEach(transition -> before[transition]++);
        }
        return new Chosen(
                List.copyOf(choices),
                IntStream.of(trains).boxed().toList(),
                IntStream.range(0, trains.length)
                        .filter(transition -> trains[transition] == 0)
                        .boxed()
                        .toList());
    }

    /** Only the needs decide; so the reason names the transitions that are new, or the neediest and how often it comes now. */
    private static Reason why(Candidate candidate, int[] before, double[] need) {
        List<Integer> own = candidate.trained.stream()
                .filter(transition -> transition < need.length)
                .sorted()
                .toList();
        List<Integer> fresh =
                own.stream().filter(transition -> before[transition] == 0).toList();
        List<Integer> of = fresh.isEmpty() ? own : fresh;
        int neediest = of.stream()
                .max(Comparator.<Integer>comparingDouble(transition -> need[transition])
                        .thenComparing(Comparator.reverseOrder()))
                .orElse(0);
        double least = DoubleStream.of(need).min().orElse(1);
        boolean trouble = need[neediest] > TROUBLE * least;
        if (!fresh.isEmpty()) {
            return Reason.of(
                    "coverage.fresh",
                    "count",
                    fresh.size(),
                    "spans",
                    spans(fresh),
                    "trouble",
                    trouble,
                    "worst",
                    span(neediest, neediest));
        }
        Reason trained = trouble ? Reason.of("coverage.worst", "worst", span(neediest, neediest)) : spans(own);
        return Reason.of("coverage.again", "spans", trained, "times", before[neediest] + 1);
    }

    /** Transitions by the notes they join, those that follow one another in one span; the first few of many. */
    private static Reason spans(List<Integer> transitions) {
        List<Reason> spans = new ArrayList<>();
        int at = 0;
        while (at < transitions.size()) {
            int end = at;
            while (end + 1 < transitions.size() && transitions.get(end + 1) == transitions.get(end) + 1) {
                end++;
            }
            spans.add(span(transitions.get(at), transitions.get(end)));
            at = end + 1;
        }
        int more = Math.max(0, spans.size() - MOST_SPANS);
        return Reason.of("coverage.spans", "spans", spans.subList(0, spans.size() - more), "more", more);
    }

    /** The notes from the first of one transition to the last of another, as a player counts them. */
    private static Reason span(int first, int last) {
        return Reason.of("coverage.span", "from", first + 1, "to", last + 2);
    }
}
