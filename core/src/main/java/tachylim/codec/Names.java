package tachylim.codec;

import java.util.EnumMap;
import java.util.HashMap;
import java.util.Map;

/**
 * The names under which the constants of an enumeration are stored: renaming a constant in the code changes nothing that is
 * stored. A name never goes away and never gets another meaning. This class is immutable.
 */
public final class Names<E extends Enum<E>> implements Codec<E> {

    private final Map<E, String> names;
    private final Map<String, E> values = new HashMap<>();

    /**
     * @throws IllegalStateException if a constant has no name of its own
     */
    public Names(Class<E> type, Map<E, String> names) {
        this.names = new EnumMap<>(names);
        names.forEach((value, name) -> values.put(name, value));
        if (this.names.size() != type.getEnumConstants().length || values.size() != names.size()) {
            throw new IllegalStateException("Each of " + type + " needs a name of its own to be stored under");
        }
    }

    public String name(E value) {
        return names.get(value);
    }

    /**
     * The value stored under {@code name}.
     *
     * @throws IllegalArgumentException if nothing was ever stored under it
     */
    public E value(String name) {
        E value = values.get(name);
        if (value == null) {
            throw new IllegalArgumentException("Nothing is stored under the name " + name);
        }
        return value;
    }

    @Override
    public Object write(E value) {
        return name(value);
    }

    @Override
    public E read(Object node) {
        return value(Codec.TEXT.read(node));
    }
}
