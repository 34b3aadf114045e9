package tachylim.server.web;

import java.util.Set;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import tools.jackson.core.JsonParser;
import tools.jackson.databind.DeserializationContext;
import tools.jackson.databind.JacksonModule;
import tools.jackson.databind.deser.jdk.StringDeserializer;
import tools.jackson.databind.module.SimpleModule;

/** Refuses texts with signs that nobody types and that cannot be written everywhere: control signs, and halves of signs. */
@Configuration
class PlainText {

    /** Signs that turn whatever follows them round, on pages that are not ours too. */
    private static final Set<Integer> TURNING =
            Set.of(0x202A, 0x202B, 0x202C, 0x202D, 0x202E, 0x2066, 0x2067, 0x2068, 0x2069);

    static final String REFUSAL = "refusal.text";

    @Bean
    JacksonModule plainTexts() {
        return new SimpleModule("plain-text").addDeserializer(String.class, new PlainString());
    }

    private static final class PlainString extends StringDeserializer {

        @Override
        public String deserialize(JsonParser parser, DeserializationContext context) {
            String text = super.deserialize(parser, context);
            if (text != null && !isPlain(text)) {
                return context.reportInputMismatch(String.class, REFUSAL);
            }
            return text;
        }
    }

    private static boolean isPlain(String text) {
        return text.codePoints()
                .noneMatch(sign -> Character.getType(sign) == Character.SURROGATE
                        || TURNING.contains(sign)
                        || Character.isISOControl(sign) && sign != '\n' && sign != '\r' && sign != '\t');
    }
}
