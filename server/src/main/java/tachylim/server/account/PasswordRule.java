package tachylim.server.account;

import com.nulabinc.zxcvbn.Zxcvbn;
import java.text.Normalizer;
import java.util.List;
import java.util.Locale;
import tachylim.server.web.Refused;
import tachylim.words.Reason;

/** What makes a password, the same at every form: long enough, not a common one, and not the name. */
final class PasswordRule {

    static final int LEAST = 10;
    static final int MOST = 200;

    /** What is told; it also stands at the fields of requests. */
    static final String LENGTH = "refusal.password least=" + LEAST + " most=" + MOST;

    /** A password that is guessed in fewer tries than this is a common one, or a word and a year. */
    private static final double LEAST_GUESSES_LOG10 = 8;

    /** Guessing takes longer the longer the text; what follows can only make it harder. */
    private static final int LOOKED_AT = 40;

    private static final Zxcvbn GUESSER = new Zxcvbn();

    private PasswordRule() {}

    static void check(String field, String password, String name) {
        int length = password.codePointCount(0, password.length());
        if (length < LEAST || length > MOST) {
            throw Refused.field(field, Reason.parse(LENGTH));
        }
        String plain = password.toLowerCase(Locale.ROOT);
        String owner = name.strip().toLowerCase(Locale.ROOT);
        if (plain.strip().equals(owner)
                || owner.length() >= 4 && plain.replace(owner, "").length() < LEAST / 2) {
            throw Refused.field(field, Reason.of("refusal.passwordRule.thatIsHardlyMoreThanThe"));
        }
        String looked = password.substring(0, Math.min(LOOKED_AT, password.length()));
        if (GUESSER.measure(looked, known(owner)).getGuessesLog10() < LEAST_GUESSES_LOG10) {
            throw Refused.field(field, Reason.of("refusal.passwordRule.thatPasswordIsAmongThe"));
        }
    }

    /** Words that come to mind at once here, and so to a guesser's. */
    private static List<String> known(String owner) {
        return List.of(owner, "tachylim", "metronome", "practice", "practise", "tempo", "music", "ceiling", "workout");
    }

    /** The same password whichever way a keyboard composes its signs. */
    static String composed(String password) {
        return Normalizer.normalize(password, Normalizer.Form.NFC);
    }
}
