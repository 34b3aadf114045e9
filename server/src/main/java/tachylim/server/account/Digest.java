package tachylim.server.account;

import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;

/** What any text, however long, becomes when only its sameness matters. */
public final class Digest {

    private Digest() {}

    /** The SHA-256 of a text: 32 bytes. */
    public static byte[] of(String text) {
        try {
            return MessageDigest.getInstance("SHA-256").digest(text.getBytes(StandardCharsets.UTF_8));
        } catch (NoSuchAlgorithmException everyPlatformHasIt) {
            throw new IllegalStateException(everyPlatformHasIt);
        }
    }
}
