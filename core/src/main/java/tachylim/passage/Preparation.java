package tachylim.passage;

import java.time.LocalDate;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import tachylim.words.Reason;

/**
 * How far a passage is prepared: what has been reached, and what was lost again, by the player's own word, by a mark that
 * was changed, or by a later pass that broke. This class is immutable.
 *
 * @param items each item of the list, in its order
 */
public record Preparation(List<State> items) {

    private static final Reason BROKE = Reason.of("lost.broke");

    public Preparation {
        items = List.copyOf(items);
    }

    /**
     * A day on which an item was reached, or lost again.
     *
     * @param why the reason it was lost; empty when it was reached
     */
    public record Entry(Readiness item, boolean reached, Reason why, LocalDate day) {}

    /**
     * A pass that broke.
     *
     * @param tempoOverComfortable its tempo over the comfortable tempo of its section
     */
    public record Broken(LocalDate day, double tempoOverComfortable) {}

    /**
     * Where one item stands. This class is immutable.
     *
     * @param reachedOn when it was last reached, null if never
     * @param lostOn when it was lost again, null if it was not
     * @param why the reason it was lost; empty when it was not
     */
    public record State(Readiness item, LocalDate reachedOn, LocalDate lostOn, Reason why) {

        public boolean isReached() {
            return reachedOn != null && lostOn == null;
        }

        private State broken(LocalDate day) {
            return lostOn != null && !day.isBefore(lostOn) ? this : new State(item, reachedOn, day, BROKE);
        }
    }

    /** What {@code entries}, the oldest first, come to. */
    public static Preparation of(List<Entry> entries) {
        Map<Readiness, State> states = new EnumMap<>(Readiness.class);
        for (Entry entry : entries) {
            State before = states.get(entry.item());
            if (entry.reached()) {
                states.put(entry.item(), new State(entry.item(), entry.day(), null, Reason.NONE));
            } else if (before != null) {
                states.put(entry.item(), new State(entry.item(), before.reachedOn(), entry.day(), entry.why()));
            }
        }
        return new Preparation(Arrays.stream(Readiness.values())
                .map(item -> states.getOrDefault(item, new State(item, null, null, Reason.NONE)))
                .toList());
    }

    /** The day after which passes that broke may take something away; empty when none can. */
    public Optional<LocalDate> breaksMatterAfter() {
        return items.stream()
                .filter(state -> state.isReached() && state.item().isLostByABreak(0, true))
                .map(State::reachedOn)
                .min(LocalDate::compareTo);
    }

    /**
     * With what later passes have taken away.
     *
     * @param oneSection whether the passage is one section, so that a pass of it was one of the whole
     */
    public Preparation after(List<Broken> broken, boolean oneSection) {
        return new Preparation(items.stream()
                .map(state -> state.isReached() ? after(state, broken, oneSection) : state)
                .toList());
    }

    private static State after(State state, List<Broken> broken, boolean oneSection) {
        State now = state;
        for (Broken pass : broken) {
            if (pass.day().isAfter(state.reachedOn())
                    && state.item().isLostByABreak(pass.tempoOverComfortable(), oneSection)) {
                now = now.broken(pass.day());
            }
        }
        return now;
    }

    /** What has been reached and holds. */
    public List<Readiness> reached() {
        return items.stream().filter(State::isReached).map(State::item).toList();
    }

    /** What has not been reached, or was lost again. */
    public List<Readiness> open() {
        return items.stream()
                .filter(state -> !state.isReached())
                .map(State::item)
                .toList();
    }

    public boolean isReached(Readiness item) {
        return items.get(item.ordinal()).isReached();
    }

    /** What a decided mark of {@code kind} opens again when it is changed. */
    public List<Readiness> openedByChanging(Mark.Kind kind) {
        return reached().stream().filter(item -> item.isLostByChanging(kind)).toList();
    }
}
