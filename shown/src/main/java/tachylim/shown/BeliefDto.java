package tachylim.shown;

import java.util.Base64;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import tachylim.ceiling.Posterior;
import tachylim.codec.Codec;

/** What was believed of one of the sections: the weights as {@link Posterior#unpacked} gives them, in base 64. */
public record BeliefDto(int theme, double passes, String weights) {

    static final Codec<BeliefDto> CODEC = Codec.object(belief -> new BeliefDto(
            belief.whole("theme", BeliefDto::theme),
            belief.number("passes", BeliefDto::passes),
            belief.text("weights", BeliefDto::weights)));

    public static BeliefDto of(int theme, Posterior belief) {
        return of(theme, belief.passes(), belief.toBytes());
    }

    /** A belief as it is stored. */
    public static BeliefDto of(int theme, double passes, byte[] weights) {
        return new BeliefDto(theme, passes, Base64.getEncoder().encodeToString(Posterior.unpacked(weights)));
    }

    /** All of them by the place of their section. */
    static Map<Integer, Posterior> byTheme(List<BeliefDto> beliefs) {
        Map<Integer, Posterior> all = new HashMap<>();
        beliefs.forEach(one ->
                all.put(one.theme, Posterior.fromUnpacked(Base64.getDecoder().decode(one.weights), one.passes)));
        return all;
    }
}
