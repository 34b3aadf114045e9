package tachylim;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HexFormat;

/** What was told once and is compared ever after; written anew only with {@code -Dtachylim.golden.write=true}. */
public final class Golden {

    private static final Path KEPT = Path.of("src", "test", "resources", "tachylim");
    private static final boolean WRITE = Boolean.getBoolean("tachylim.golden.write");
    private static final int DIGEST_LENGTH = 16;

    private Golden() {}

    /** What is kept under a name, {@code now} where it is to be written anew. */
    public static String kept(String name, String now) throws IOException {
        Path file = KEPT.resolve(name);
        if (WRITE) {
            Files.createDirectories(file.getParent());
            Files.writeString(file, now);
        }
        return kept(name);
    }

    /** What is kept under a name. */
    public static String kept(String name) throws IOException {
        return Files.readString(KEPT.resolve(name));
    }

    /** A text in sixteen letters. */
    public static String digest(String text) {
        try {
            byte[] all = MessageDigest.getInstance("SHA-256").digest(text.getBytes(StandardCharsets.UTF_8));
            return HexFormat.of().formatHex(all).substring(0, DIGEST_LENGTH);
        } catch (NoSuchAlgorithmException impossible) {
            throw new IllegalStateException(impossible);
        }
    }
}
