package tachylim.server.account;

import java.util.Base64;
import org.springframework.security.crypto.bcrypt.BCryptPasswordEncoder;
import org.springframework.security.crypto.password.PasswordEncoder;

/** BCrypt looks at 72 bytes and no more; a digest of the password is shorter than that, however long the password is. */
final class DigestedBCrypt implements PasswordEncoder {

    private final BCryptPasswordEncoder bcrypt;

    DigestedBCrypt(int strength) {
        this.bcrypt = new BCryptPasswordEncoder(strength);
    }

    @Override
    public String encode(CharSequence password) {
        return bcrypt.encode(digest(password));
    }

    @Override
    public boolean matches(CharSequence password, String hash) {
        return bcrypt.matches(digest(password), hash);
    }

    private static String digest(CharSequence password) {
        return Base64.getEncoder().encodeToString(Digest.of(password.toString()));
    }
}
