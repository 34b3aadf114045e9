package tachylim.codec;

import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;

/**
 * How values of one type stand in a document. What it writes it reads back as an equal value.
 *
 * <p>Nodes of a document are {@link Map}s by name, {@link List}s, {@link String}s, {@link Number}s and {@link Boolean}s; null
 * stands for what is not there. Codecs are immutable.
 *
 * @param <T> the type of the values
 */
public interface Codec<T> {

    /** What is written where null is to stand. */
    Object NOTHING = new Object();

    Codec<String> TEXT = scalar(String.class, "text");
    Codec<Boolean> FLAG = scalar(Boolean.class, "true or false");
    Codec<Double> NUMBER = scalar(Number.class, "number").as(Number::doubleValue, number -> number);
    Codec<Integer> WHOLE = scalar(Number.class, "number").as(Number::intValue, number -> number);
    Codec<Long> LONG = scalar(Number.class, "number").as(Number::longValue, number -> number);

    /** The node for a value; null where nothing is to be written. */
    Object write(T value);

    /**
     * The value of a node.
     *
     * @param node null where there is none
     * @throws IllegalArgumentException if it is none of these values
     */
    T read(Object node);

    /** An object of named fields, described by how it is made from them; see {@link Fields}. */
    static <T> Codec<T> object(Function<Fields<T>, T> made) {
        return new Codec<>() {
            @Override
            public Object write(T value) {
                return Fields.written(value, made);
            }

            @Override
            public T read(Object node) {
                if (node instanceof Map<?, ?> tree) {
                    return made.apply(Fields.of(tree));
                }
                throw isNo("object", node);
            }
        };
    }

    private static <V> Codec<V> scalar(Class<V> type, String name) {
        return of(value -> value, node -> {
            if (type.isInstance(node)) {
                return type.cast(node);
            }
            throw isNo(name, node);
        });
    }

    private static IllegalArgumentException isNo(String name, Object node) {
        return new IllegalArgumentException(node == null ? "is missing" : "is no " + name + ": " + node);
    }

    /**
     * Constants of an enumeration under their own names: for what is said between a server and a page of the same build, never
     * for what is stored.
     */
    static <E extends Enum<E>> Codec<E> constants(E[] all) {
        return TEXT.as(
                name -> Arrays.stream(all)
                        .filter(one -> one.name().equals(name))
                        .findFirst()
                        .orElseThrow(() -> new IllegalArgumentException("is none of these: " + name)),
                Enum::name);
    }

    /** A codec from its two halves. */
    static <T> Codec<T> of(Function<T, Object> writing, Function<Object, T> reading) {
        return new Codec<>() {
            @Override
            public Object write(T value) {
                return writing.apply(value);
            }

            @Override
            public T read(Object node) {
                return reading.apply(node);
            }
        };
    }

    /** Values that stand as others do. */
    default <U> Codec<U> as(Function<T, U> from, Function<U, T> to) {
        return of(value -> write(to.apply(value)), node -> from.apply(read(node)));
    }

    /** Lists of such values; none where there is no list. */
    default Codec<List<T>> list() {
        return of(values -> values.stream().map(this::write).toList(), node -> {
            if (node == null) {
                return List.of();
            }
            if (node instanceof List<?> items) {
                return items.stream().map(this::read).toList();
            }
            throw isNo("list", node);
        });
    }

    /** Such a value, which must be there. */
    default Codec<T> required() {
        return of(this::write, node -> {
            if (node == null) {
                throw new IllegalArgumentException("is missing");
            }
            return read(node);
        });
    }

    /** Such values by name; none where there are no names. */
    default Codec<Map<String, T>> byName() {
        return of(
                values -> {
                    Map<String, Object> tree = new LinkedHashMap<>();
                    values.forEach((name, value) -> tree.put(name, write(value)));
                    return tree;
                },
                node -> {
                    Map<String, T> values = new LinkedHashMap<>();
                    if (node instanceof Map<?, ?> tree) {
                        tree.forEach((name, value) -> values.put((String) name, read(value)));
                    } else if (node != null) {
                        throw isNo("object", node);
                    }
                    return values;
                });
    }

    /** Such a value or null, which stands there as null. */
    default Codec<T> nullable() {
        return of(value -> value == null ? NOTHING : write(value), node -> node == null ? null : read(node));
    }

    /** Such a value or none, which is left out. */
    default Codec<Optional<T>> optional() {
        return of(
                value -> value.map(this::write).orElse(null),
                node -> node == null ? Optional.empty() : Optional.of(read(node)));
    }

    /** Such a value, and {@code otherwise} where there is none: that one is left out. */
    default Codec<T> or(T otherwise) {
        return of(
                value -> value.equals(otherwise) ? null : write(value), node -> node == null ? otherwise : read(node));
    }

    /**
     * A family of types, each with a codec of its own for objects, told apart by one more field.
     *
     * @param tag the name of that field
     * @param nameOf what stands in it
     * @param codecOf the codec for what stands in it; throws an {@link IllegalArgumentException} for another word
     */
    static <F> Codec<F> family(String tag, Function<F, String> nameOf, Function<String, Codec<? extends F>> codecOf) {
        return of(
                value -> {
                    String name = nameOf.apply(value);
                    @SuppressWarnings("unchecked") // the codec of its own name is the one for it
                    Map<?, ?> fields = (Map<?, ?>) ((Codec<F>) codecOf.apply(name)).write(value);
                    Map<String, Object> tree = new LinkedHashMap<>();
                    tree.put(tag, name);
                    fields.forEach((field, node) -> tree.put((String) field, node));
                    return tree;
                },
                node -> {
                    if (node instanceof Map<?, ?> tree && tree.get(tag) instanceof String name) {
                        return codecOf.apply(name).read(tree);
                    }
                    throw isNo(tag + " object", node);
                });
    }
}
