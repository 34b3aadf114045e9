package tachylim.variation;

import java.util.Arrays;

/** The kinds of variation, each with the word its keys begin with; keys are kept, so the words never change. */
public enum VariationKind {
    SAME("same", true),
    STRETCHED("stretched", true),
    GROUP("group", true),
    STOP("stop", true),
    SUBDIVIDE("subdivide", false),
    FIGURE("figure", true),
    MIRROR("mirror", false),
    BACKWARDS("backwards", false),
    ONE_NOTE("one-note", false),
    DRONE_LOW("drone-low", false),
    DRONE_HIGH("drone-high", false),
    LOOP("loop", true),
    GROW("grow", false),
    GROW_END("grow-end", false);

    private final String word;
    private final boolean takesMore;

    VariationKind(String word, boolean takesMore) {
        this.word = word;
        this.takesMore = takesMore;
    }

    /** The key of the only variation of this kind. */
    public String key() {
        return word;
    }

    /** The key of the variation of this kind that {@code more} tells apart, a cell or a number. */
    public String key(Object more) {
        return word + "." + more;
    }

    /**
     * The kind of the variation with {@code key}.
     *
     * @throws IllegalArgumentException if there is none
     */
    static VariationKind of(String key) {
        int dot = key.indexOf('.');
        String word = dot < 0 ? key : key.substring(0, dot);
        return Arrays.stream(values())
                .filter(kind -> kind.word.equals(word) && kind.takesMore == dot >= 0)
                .findFirst()
                .orElseThrow(() -> Catalogue.unknown(key));
    }

    /** What tells the variation with {@code key} apart from others of its kind; empty where nothing does. */
    static String more(String key) {
        return key.substring(key.indexOf('.') + 1);
    }
}
