package tachylim.notation;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import org.junit.jupiter.api.Test;
import tachylim.notation.score.Score;
import tachylim.notation.score.ScoreException;
import tachylim.notation.score.Wishes;

/** What would fill the memory once it is laid out is refused by its size, before it is. */
class TooLargeTest {

    private static Score read(byte[] file) {
        return Format.read(file, Wishes.NONE);
    }

    /** As many notes as fit, none of which ever ends. */
    private static byte[] midi(int bytes) {
        ByteBuffer file = ByteBuffer.allocate(bytes);
        file.put("MThd\0\0\0\6\0\0\0\1\1\340MTrk".getBytes(StandardCharsets.ISO_8859_1));
        file.putInt(bytes - 22);
        while (file.remaining() >= 4) {
            file.put(new byte[] {0, (byte) 0x90, 60, 64});
        }
        return file.array();
    }

    @Test
    void aMidiFileIsLookedAtBeforeItsEventsAreLaidOut() {
        assertThatThrownBy(() -> read(midi(3 * 1024 * 1024 + 1)))
                .isInstanceOf(ScoreException.class)
                .hasMessageContaining("refusal.midiReader.tooLarge");
    }

    @Test
    void aBookOfTunesIsLookedAtToo() {
        byte[] book = new byte[8 * 1024 * 1024 + 1];
        Arrays.fill(book, (byte) 'C');
        byte[] head = "X:1\nK:C\n".getBytes(StandardCharsets.US_ASCII);
        System.arraycopy(head, 0, book, 0, head.length);
        assertThatThrownBy(() -> read(book))
                .isInstanceOf(ScoreException.class)
                .hasMessageContaining("refusal.abcFormat.thisAbcFileIsLargerThanMb");
        assertThat(read(Arrays.copyOf("X:1\nK:C\nCDEF|\n".getBytes(StandardCharsets.US_ASCII), 14))
                        .lines())
                .hasSize(1);
    }
}
