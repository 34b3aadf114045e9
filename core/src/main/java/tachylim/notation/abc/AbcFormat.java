package tachylim.notation.abc;

import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.Charset;
import java.nio.charset.CodingErrorAction;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Optional;
import tachylim.notation.score.Movement;
import tachylim.notation.score.Score;
import tachylim.notation.score.ScoreException;
import tachylim.notation.score.ScoreFormat;
import tachylim.notation.score.Wishes;
import tachylim.tempo.Tempo;
import tachylim.words.Reason;

/** ABC files: text, in UTF-8 or Latin-1, with the fields of a tune's head. */
public final class AbcFormat implements ScoreFormat {

    /** Text takes many times its bytes once it is laid out; the largest books of tunes are a tenth of this. */
    private static final int MOST_BYTES = 8 * 1024 * 1024;

    @Override
    public String title() {
        return "ABC";
    }

    @Override
    public String ending() {
        return "abc";
    }

    @Override
    public List<String> endings() {
        return List.of("abc", "txt");
    }

    @Override
    public String mediaType() {
        return "text/plain;charset=UTF-8";
    }

    @Override
    public boolean isOf(byte[] file) {
        return text(file).isPresent();
    }

    private static Optional<String> text(byte[] file) {
        for (Charset charset : List.of(StandardCharsets.UTF_8, StandardCharsets.ISO_8859_1)) {
            try {
                String text = charset.newDecoder()
                        .onMalformedInput(CodingErrorAction.REPORT)
                        .decode(ByteBuffer.wrap(file))
                        .toString();
                if (text.indexOf('\0') < 0 && AbcBook.isAbc(text)) {
                    return Optional.of(text.startsWith("\uFEFF") ? text.substring(1) : text);
                }
            } catch (CharacterCodingException other) {
                // tried as the next one
            }
        }
        return Optional.empty();
    }

    @Override
    public Score read(byte[] file, Wishes wishes) {
        if (file.length > MOST_BYTES) {
            throw new ScoreException(
                    Reason.of("refusal.abcFormat.thisAbcFileIsLargerThanMb", "mostBytes", MOST_BYTES / 1024 / 1024));
        }
        return AbcBook.read(
                text(file).orElseThrow(() -> new ScoreException(Reason.of("refusal.abcFormat.thisIsNoAbc"))));
    }

    @Override
    public byte[] write(String title, List<Movement> movements, Tempo tempo) {
        StringBuilder tunes = new StringBuilder();
        int number = 1;
        for (Movement movement : movements) {
            tunes.append(tunes.isEmpty() ? "" : "\n")
                    .append(AbcWriter.tune(movement.music(), number++, movement.title()));
        }
        return tunes.toString().getBytes(StandardCharsets.UTF_8);
    }
}
