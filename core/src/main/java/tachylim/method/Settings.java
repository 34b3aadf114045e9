package tachylim.method;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import tachylim.tempo.Tempo;

/**
 * The settings of a method by name, for keeping it: numbers, words, and lists of tempos. What is kept once is read for
 * ever, so a name never changes its meaning. This class is immutable.
 *
 * @param values numbers, strings, and lists of numbers, in the order they were set
 */
public record Settings(Map<String, Object> values) {

    /** No settings yet. */
    public static final Settings NONE = new Settings(Map.of());

    public Settings {
        values = new LinkedHashMap<>(values);
    }

    /** A copy, so that nobody changes these. */
    @Override
    public Map<String, Object> values() {
        return new LinkedHashMap<>(values);
    }

    /** These and one more: a number or a string. */
    public Settings with(String name, Object value) {
        Map<String, Object> more = values();
        more.put(name, value);
        return new Settings(more);
    }

    public Settings with(String name, Tempo tempo) {
        return with(name, (Object) tempo.bpm());
    }

    public Settings with(String name, List<Tempo> tempos) {
        return with(name, (Object) tempos.stream().map(Tempo::bpm).toList());
    }

    /**
     * A number.
     *
     * @throws IllegalArgumentException if there is none of that name
     */
    public double number(String name) {
        if (values.get(name) instanceof Number number) {
            return number.doubleValue();
        }
        throw missing(name);
    }

    /** A whole number, as {@link #number}. */
    public int whole(String name) {
        return (int) number(name);
    }

    /** Whether a number is not 0; no when there is none, as in what was kept before it was asked. */
    public boolean flag(String name) {
        return values.get(name) instanceof Number number && number.doubleValue() != 0;
    }

    /** A tempo, as {@link #number}. */
    public Tempo tempo(String name) {
        return Tempo.of(number(name));
    }

    /** Tempos, as {@link #number}. */
    public List<Tempo> tempos(String name) {
        if (values.get(name) instanceof List<?> tempos) {
            return tempos.stream()
                    .map(tempo -> Tempo.of(((Number) tempo).doubleValue()))
                    .toList();
        }
        throw missing(name);
    }

    /** Words, as {@link #number}. */
    public String text(String name) {
        if (values.get(name) instanceof String text) {
            return text;
        }
        throw missing(name);
    }

    private static IllegalArgumentException missing(String name) {
        return new IllegalArgumentException("This method was kept without its " + name);
    }
}
