package tachylim.method;

import java.util.Arrays;
import java.util.List;
import java.util.stream.Collectors;
import tachylim.codec.Codec;
import tachylim.task.Ask;
import tachylim.task.PassKind;
import tachylim.task.Pulse;
import tachylim.task.Task;
import tachylim.tempo.Tempo;
import tachylim.words.Reason;
import tachylim.words.Refusal;

/**
 * A warm-up by a player's own book, line after line: the body first, away from the instrument, then whatever is large and
 * easy at it. Nothing is asked; what is played costs what easy playing costs. This class is immutable.
 *
 * @param items its lines, 1 to {@value #MOST_ITEMS}
 * @param tempo about how fast its playing is, which its cost is told by, and which it never goes above
 */
public record WarmUpRoutine(List<Item> items, Tempo tempo) implements StateMachine<Integer> {

    public static final Codec<List<Item>> ITEMS = Codec.TEXT.as(WarmUpRoutine::items, WarmUpRoutine::text);

    static final Codec<WarmUpRoutine> CODEC = Codec.object(method -> new WarmUpRoutine(
            method.get("items", ITEMS, WarmUpRoutine::items), method.get("tempo", Tempo.CODEC, WarmUpRoutine::tempo)));

    public static final int MOST_ITEMS = 8;

    /**
     * A line of it. This class is immutable.
     *
     * @param what what to do, 1 to {@value #LONGEST} characters
     * @param seconds for how long, {@value #SHORTEST_SECONDS} to {@value #LONGEST_SECONDS}
     * @param playing whether it is done at the instrument
     */
    public record Item(String what, int seconds, boolean playing) {

        public static final int LONGEST = 80;
        public static final int SHORTEST_SECONDS = 15;
        public static final int LONGEST_SECONDS = 600;

        /**
         * @throws IllegalArgumentException if it says nothing or too much, or lasts too short or too long
         */
        public Item {
            what = what.replaceAll("\\s+", " ").strip();
            if (what.isEmpty() || what.length() > LONGEST) {
                throw Refusal.of("refusal.warmUpRoutine.aLineOfAWarmUpHas1To", "longest", LONGEST);
            }
            if (seconds < SHORTEST_SECONDS || seconds > LONGEST_SECONDS) {
                throw Refusal.of(
                        "refusal.warmUpRoutine.aLineOfAWarmUpTakesSeconds",
                        "shortestSeconds",
                        SHORTEST_SECONDS,
                        "longestSeconds",
                        LONGEST_SECONDS / 60,
                        "seconds",
                        seconds);
            }
        }

        private String inText() {
            return seconds + (playing ? " at " : " away ") + what;
        }

        private static Item of(String text) {
            String[] parts = text.split(" ", 3);
            if (parts.length < 3) {
                throw Refusal.of("refusal.warmUpRoutine.noLineOfAWarmUp", "text", text);
            }
            return new Item(parts[2], Integer.parseInt(parts[0]), parts[1].equals("at"));
        }
    }

    /**
     * @throws IllegalArgumentException if it has no lines, or too many
     */
    public WarmUpRoutine {
        items = List.copyOf(items);
        tempo = Stride.notAbove(tempo);
        if (items.isEmpty() || items.size() > MOST_ITEMS) {
            throw Refusal.of(
                    "refusal.warmUpRoutine.aWarmUpHas1ToLinesNot", "mostItems", MOST_ITEMS, "items", items.size());
        }
    }

    /** Lines as a text, one to a line, which {@link #items} reads back. */
    public static String text(List<Item> items) {
        return items.stream().map(Item::inText).collect(Collectors.joining("\n"));
    }

    /**
     * The lines of a text; none of an empty one.
     *
     * @throws IllegalArgumentException if it is no text of lines
     */
    public static List<Item> items(String text) {
        return text.isBlank()
                ? List.of()
                : Arrays.stream(text.split("\n")).map(Item::of).toList();
    }

    /** How long lines take, in seconds. */
    public static int seconds(List<Item> items) {
        return items.stream().mapToInt(Item::seconds).sum();
    }

    @Override
    public School school() {
        return School.WARM_UP_ROUTINE;
    }

    @Override
    public Reason promise() {
        return Reason.of("warmUp.promise", "lines", items.size());
    }

    @Override
    public Tempo limit() {
        return tempo;
    }

    @Override
    public Next<Integer> begin() {
        return Next.go(0, Reason.NONE);
    }

    @Override
    public Move move(Integer at, Tempo cap, Reason why) {
        Item item = items.get(at);
        if (!item.playing()) {
            return new Move.Away(item.seconds(), Reason.text(item.what()));
        }
        Task task = Task.at(PassKind.WARM_UP, cap)
                .with(new Pulse.Free(cap, item.seconds()))
                .in(Reason.text(item.what()))
                .asking(Ask.NOTHING);
        return new Move.Play(task, Reason.of("warmUp.line", "what", item.what()));
    }

    @Override
    public Next<Integer> after(Integer at, Tempo cap, Heard answer) {
        return unjudged(at, cap);
    }

    @Override
    public Next<Integer> unjudged(Integer at, Tempo cap) {
        return Next.go(at + 1, Reason.NONE);
    }

    /** Nothing is asked; who says all the same that a hand gripped plays slower from there. */
    @Override
    public Next<Integer> slower(Integer at, Tempo cap, Cause cause) {
        return Next.go(cause == Cause.BACKED_OFF ? at : at + 1, Reason.NONE).notAbove(Stride.below(cap));
    }

    @Override
    public int done(Integer at) {
        return at;
    }

    @Override
    public boolean isWarmUp() {
        return true;
    }

    @Override
    public int most() {
        return items.size();
    }
}
