package tachylim.server.record;

import java.lang.reflect.Constructor;
import java.lang.reflect.ParameterizedType;
import java.lang.reflect.RecordComponent;
import java.lang.reflect.Type;
import java.util.Arrays;
import java.util.List;
import tachylim.task.Hearing;
import tachylim.words.Reason;

/** Makes records in which every field has a value of its own, unlike any default. */
final class Filled {

    private int last = 2;

    /** A record with every field set. */
    <R> R of(Class<R> type) {
        try {
            RecordComponent[] components = type.getRecordComponents();
            Class<?>[] types =
                    Arrays.stream(components).map(RecordComponent::getType).toArray(Class<?>[]::new);
            Object[] values = Arrays.stream(components)
                    .map(component -> value(component.getGenericType()))
                    .toArray();
            Constructor<R> constructor = type.getDeclaredConstructor(types);
            constructor.setAccessible(true);
            return constructor.newInstance(values);
        } catch (ReflectiveOperationException e) {
            throw new IllegalStateException("No " + type + " can be made", e);
        }
    }

    private Object value(Type type) {
        last++;
        if (type instanceof ParameterizedType list) {
            return List.of(value(list.getActualTypeArguments()[0]), value(list.getActualTypeArguments()[0]));
        }
        Class<?> plain = (Class<?>) type;
        if (plain == double.class || plain == Double.class) {
            return last + 0.5;
        }
        if (plain == int.class || plain == Integer.class) {
            return last;
        }
        if (plain == long.class || plain == Long.class) {
            return (long) last;
        }
        if (plain == boolean.class || plain == Boolean.class) {
            return true;
        }
        if (plain == String.class) {
            return "words " + last;
        }
        if (plain == Reason.class) {
            return Reason.of("code" + last, "number", last, "part", Reason.text("words " + last));
        }
        if (plain == Hearing.class) {
            return new Hearing(true, 0.5, List.of(new Hearing.Chances(0.6, 0.3, last / 100.0)));
        }
        if (plain.isEnum()) {
            Object[] constants = plain.getEnumConstants();
            return constants[1 + last % (constants.length - 1)];
        }
        return of(plain);
    }
}
