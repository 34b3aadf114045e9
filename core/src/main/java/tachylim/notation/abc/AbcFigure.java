package tachylim.notation.abc;

/** Figures as they stand in a text. */
final class AbcFigure {

    private AbcFigure() {}

    /** A figure from 0 with two decimals. */
    static String hundredths(double figure) {
        long all = Math.round(figure * 100);
        long part = all % 100;
        return all / 100 + "." + (part < 10 ? "0" : "") + part;
    }
}
