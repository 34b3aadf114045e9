package tachylim.method;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import tachylim.codec.Codec;
import tachylim.tempo.Tempo;
import tachylim.words.Reason;
import tachylim.words.Refusal;

/**
 * What a player sets of a block themselves; where nothing is set, its method has its own way. What is safe holds all the
 * same. This class is immutable.
 *
 * @param tempo the tempo it aims at; empty for that of its method
 * @param times how often: passes, glides, bursts, pairs, tempos, as its method counts them, 1 to {@value #MOST_TIMES}
 * @param upSeconds seconds a glide takes up, {@value #SHORTEST_UP} to {@value #LONGEST}
 * @param fastSeconds seconds a free burst lasts at the most, {@value #SHORTEST_FAST} to {@value #LONGEST}
 * @param easySeconds seconds of easy playing around it, {@value #SHORTEST_FAST} to {@value #LONGEST}
 * @param manner how its slow passes are done, where that is not as usual
 * @param ways the ways of a comparison, the sure one first: none, or 2 to {@value #MOST_WAYS} of up to {@value #LONGEST_WAY}
 *     characters, no two alike
 */
public record Setting(
        Optional<Aim> tempo,
        Optional<Integer> times,
        Optional<Double> upSeconds,
        Optional<Double> fastSeconds,
        Optional<Double> easySeconds,
        Optional<Manner> manner,
        List<String> ways) {

    public static final Setting NONE = new Setting(
            Optional.empty(),
            Optional.empty(),
            Optional.empty(),
            Optional.empty(),
            Optional.empty(),
            Optional.empty(),
            List.of());

    /** How a pass is done, where it is not played from the page with all attention. */
    public enum Manner {
        /** Sung or spoken, without the instrument. */
        SUNG,
        BY_HEART,
        /** With something else to do at the same time. */
        DISTRACTED;

        /** As the player is told. */
        public Reason told() {
            return Reason.of("manner." + name());
        }
    }

    /** A tempo, and how often. */
    public static Setting at(Aim tempo, int times) {
        return new Setting(
                Optional.of(tempo),
                Optional.of(times),
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                List.of());
    }

    public static final int MOST_WAYS = 4;
    public static final int LONGEST_WAY = 30;

    public static final int MOST_TIMES = 60;
    public static final int SHORTEST_UP = 5;
    public static final int SHORTEST_FAST = 2;
    public static final int LONGEST = 300;

    /** What a tempo is a share of. */
    public enum Of {
        /** Nothing: it is in BPM. */
        BPM,
        /** What is wanted, in percent. */
        TARGET,
        /** The ceiling, in percent. */
        CEILING
    }

    /** A tempo: so many BPM, or percent of something else. This class is immutable. */
    public record Aim(Of of, double figure) {

        static final Codec<Aim> CODEC = Codec.object(aim -> new Aim(
                aim.get("of", Codec.TEXT.as(Of::valueOf, Of::name), Aim::of), aim.number("figure", Aim::figure)));

        /**
         * @throws IllegalArgumentException if it is no tempo: 20 to 400 BPM, or 10 to 150 percent
         */
        public Aim {
            double least = of == Of.BPM ? Tempo.MIN : 10;
            double most = of == Of.BPM ? Tempo.MAX : 150;
            if (!(figure >= least && figure <= most)) {
                throw Refusal.of("refusal.setting.tempo", "least", least, "most", most, "figure", figure);
            }
        }

        /** The tempo it is, where these are what is wanted and the ceiling of the same music. */
        public Tempo tempo(Tempo target, Tempo ceiling) {
            return switch (of) {
                case BPM -> Tempo.of(figure);
                case TARGET -> target.times(figure / 100);
                case CEILING -> ceiling.times(figure / 100);
            };
        }
    }

    public static final Codec<Setting> CODEC = Codec.object(setting -> new Setting(
            setting.get("tempo", Aim.CODEC.optional(), Setting::tempo),
            setting.get("times", Codec.WHOLE.optional(), Setting::times),
            setting.get("upSeconds", Codec.NUMBER.optional(), Setting::upSeconds),
            setting.get("fastSeconds", Codec.NUMBER.optional(), Setting::fastSeconds),
            setting.get("easySeconds", Codec.NUMBER.optional(), Setting::easySeconds),
            setting.get("manner", Codec.TEXT.as(Manner::valueOf, Manner::name).optional(), Setting::manner),
            setting.get("ways", Codec.TEXT.list().or(List.of()), Setting::ways)));

    /**
     * @throws IllegalArgumentException if something is outside its range
     */
    public Setting {
        ways = List.copyOf(ways);
        boolean different = Set.copyOf(ways).size() == ways.size();
        boolean named = ways.stream().allMatch(way -> !way.isBlank() && way.length() <= LONGEST_WAY);
        if (ways.size() == 1 || ways.size() > MOST_WAYS || !different || !named) {
            throw Refusal.of("refusal.setting.ways", "most", MOST_WAYS, "longest", LONGEST_WAY);
        }
        within("refusal.setting.times", times.map(Integer::doubleValue), 1, MOST_TIMES);
        within("refusal.setting.upSeconds", upSeconds, SHORTEST_UP, LONGEST);
        within("refusal.setting.fastSeconds", fastSeconds, SHORTEST_FAST, LONGEST);
        within("refusal.setting.easySeconds", easySeconds, SHORTEST_FAST, LONGEST);
    }

    private static void within(String code, Optional<Double> figure, int least, int most) {
        figure.filter(one -> !(one >= least && one <= most)).ifPresent(one -> {
            throw Refusal.of(code, "least", least, "most", most, "figure", one);
        });
    }

    /** How often, where a method would do it so often by itself; never more than it can. */
    int times(int usual, int most) {
        return Math.min(most, times.orElse(usual));
    }

    /** So many at the least as well. */
    int times(int usual, int least, int most) {
        return Math.max(least, times(usual, most));
    }
}
