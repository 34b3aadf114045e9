package tachylim.take;

/** The discrete Fourier transform of a length that is a power of two (Cooley and Tukey 1965), two real frames at a time. */
final class Fourier {

    private final int size;
    private final double[] cosines;
    private final double[] sines;
    private final int[] reversed;
    private final double[] re;
    private final double[] im;

    Fourier(int size) {
        if (size < 2 || Integer.bitCount(size) != 1) {
            throw new IllegalArgumentException("Not a power of two: " + size);
        }
        this.size = size;
        cosines = new double[size / 2];
        sines = new double[size / 2];
        for (int i = 0; i < size / 2; i++) {
            cosines[i] = Math.cos(2 * Math.PI * i / size);
            sines[i] = -Math.sin(2 * Math.PI * i / size);
        }
        reversed = new int[size];
        int bits = Integer.numberOfTrailingZeros(size);
        for (int i = 0; i < size; i++) {
            reversed[i] = Integer.reverse(i) >>> (32 - bits);
        }
        re = new double[size];
        im = new double[size];
    }

    /**
     * The magnitudes of two real frames, for as many bins as there is room for.
     *
     * @param one a frame
     * @param other another frame
     * @param ofOne where the magnitudes of the first go, up to half the size
     */
    void magnitudes(float[] one, float[] other, float[] ofOne, float[] ofOther) {
        for (int i = 0; i < size; i++) {
            re[reversed[i]] = one[i];
            im[reversed[i]] = other[i];
        }
        transform();
        for (int bin = 0; bin < ofOne.length; bin++) {
            int mirror = (size - bin) & (size - 1);
            double evenRe = (re[bin] + re[mirror]) / 2;
            double evenIm = (im[bin] - im[mirror]) / 2;
            double oddRe = (im[bin] + im[mirror]) / 2;
            double oddIm = (re[mirror] - re[bin]) / 2;
            ofOne[bin] = (float) Math.sqrt(evenRe * evenRe + evenIm * evenIm);
            ofOther[bin] = (float) Math.sqrt(oddRe * oddRe + oddIm * oddIm);
        }
    }

    private void transform() {
        for (int half = 1; half < size; half *= 2) {
            int stride = size / (2 * half);
            for (int start = 0; start < size; start += 2 * half) {
                for (int k = 0; k < half; k++) {
                    double c = cosines[k * stride];
                    double s = sines[k * stride];
                    int low = start + k;
                    int high = low + half;
                    double turnedRe = re[high] * c - im[high] * s;
                    double turnedIm = re[high] * s + im[high] * c;
                    re[high] = re[low] - turnedRe;
                    im[high] = im[low] - turnedIm;
                    re[low] += turnedRe;
                    im[low] += turnedIm;
                }
            }
        }
    }
}
