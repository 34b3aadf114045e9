package tachylim.server.web;

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

    static final String REFUSAL = "A text holds a sign that cannot be kept, such as a control sign.";

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
                        || Character.isISOControl(sign) && sign != '\n' && sign != '\r' && sign != '\t');
    }
}
