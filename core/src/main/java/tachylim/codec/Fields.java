package tachylim.codec;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.function.Function;

/**
 * The named fields of an object as it is written or read. One description serves both: it makes the object from its fields,
 * each given by name, codec and the getter that it is written from.
 *
 * <pre>{@code
 * Codec<Band> BAND = Codec.object(band -> new Band(
 *         band.get("low", TEMPO, Band::low), band.get("middle", TEMPO, Band::middle), band.get("high", TEMPO, Band::high)));
 * }</pre>
 *
 * Whoever adds a component to a record cannot forget it here: the description no longer compiles.
 *
 * @param <T> the type of the objects
 */
public final class Fields<T> {

    private final T written;
    private final Map<String, Object> tree;

    private Fields(T written, Map<String, Object> tree) {
        this.written = written;
        this.tree = tree;
    }

    static <T> Fields<T> of(Map<?, ?> tree) {
        Map<String, Object> fields = new LinkedHashMap<>();
        tree.forEach((name, node) -> fields.put((String) name, node));
        return new Fields<>(null, fields);
    }

    static <T> Map<String, Object> written(T value, Function<Fields<T>, T> made) {
        Fields<T> fields = new Fields<>(value, new LinkedHashMap<>());
        made.apply(fields);
        return fields.tree;
    }

    /**
     * A field: read from the tree, or taken from the object that is written.
     *
     * @throws IllegalArgumentException if it is none of its values; the message begins with its name
     */
    public <V> V get(String name, Codec<V> codec, Function<? super T, ? extends V> from) {
        if (written != null) {
            V value = from.apply(written);
            Object node = codec.write(value);
            put(name, node);
            return value;
        }
        try {
            return codec.read(tree.get(name));
        } catch (IllegalArgumentException refused) {
            throw new IllegalArgumentException(name + " " + refused.getMessage(), refused);
        }
    }

    private void put(String name, Object node) {
        if (node != null) {
            tree.put(name, node == Codec.NOTHING ? null : node);
        }
    }

    /** A field that follows from the others: it is written for whoever looks at the document, and never read back. */
    public <V> void derived(String name, Codec<V> codec, Function<? super T, ? extends V> from) {
        if (written != null) {
            put(name, codec.write(from.apply(written)));
        }
    }

    /**
     * The version of the document, as {@code v}.
     *
     * @throws IllegalArgumentException if it is none that can be read
     */
    public void version(int newest) {
        int version = get("v", Codec.WHOLE, one -> newest);
        if (version < 1 || version > newest) {
            throw new IllegalArgumentException("v is " + version + ", and only 1 to " + newest + " are read here");
        }
    }

    public String text(String name, Function<? super T, String> from) {
        return get(name, Codec.TEXT, from);
    }

    public double number(String name, Function<? super T, Double> from) {
        return get(name, Codec.NUMBER, from);
    }

    public int whole(String name, Function<? super T, Integer> from) {
        return get(name, Codec.WHOLE, from);
    }

    public boolean flag(String name, Function<? super T, Boolean> from) {
        return get(name, Codec.FLAG, from);
    }
}
