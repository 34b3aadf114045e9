package tachylim.take;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.Random;
import org.junit.jupiter.api.Test;

class FourierTest {

    @Test
    void twoFramesAtOnceAreThoseOfTheDefinition() {
        Random random = new Random(7);
        int size = 64;
        float[] one = new float[size];
        float[] other = new float[size];
        for (int i = 0; i < size; i++) {
            one[i] = random.nextFloat() - 0.5f;
            other[i] = random.nextFloat() - 0.5f;
        }
        float[] ofOne = new float[size / 2];
        float[] ofOther = new float[size / 2];
        new Fourier(size).magnitudes(one, other, ofOne, ofOther);
        for (int bin = 0; bin < size / 2; bin++) {
            assertThat((double) ofOne[bin]).isCloseTo(plain(one, bin), within(1e-4));
            assertThat((double) ofOther[bin]).isCloseTo(plain(other, bin), within(1e-4));
        }
    }

    private static double plain(float[] frame, int bin) {
        double re = 0;
        double im = 0;
        for (int i = 0; i < frame.length; i++) {
            re += frame[i] * Math.cos(2 * Math.PI * bin * i / frame.length);
            im -= frame[i] * Math.sin(2 * Math.PI * bin * i / frame.length);
        }
        return Math.hypot(re, im);
    }

    @Test
    void onlyPowersOfTwoHaveOne() {
        assertThatThrownBy(() -> new Fourier(48)).isInstanceOf(IllegalArgumentException.class);
    }
}
