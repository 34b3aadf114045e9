package tachylim.server.web;

import java.time.DateTimeException;
import java.time.LocalDate;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.format.FormatterRegistry;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;
import tachylim.words.Reason;
import tachylim.words.Refusal;
import tools.jackson.core.JsonParser;
import tools.jackson.databind.DeserializationContext;
import tools.jackson.databind.JacksonModule;
import tools.jackson.databind.deser.std.StdScalarDeserializer;
import tools.jackson.databind.module.SimpleModule;

/** Refuses days on which nobody practises, wherever a day is given: what is reckoned with them would leave every calendar. */
@Configuration
class DaysOfOurTime implements WebMvcConfigurer {

    private static final LocalDate FIRST = LocalDate.of(1900, 1, 1);
    private static final LocalDate LAST = LocalDate.of(2999, 12, 31);
    private static final String REFUSAL = "refusal.day least=1900 most=2999";

    @Override
    public void addFormatters(FormatterRegistry registry) {
        registry.addConverter(String.class, LocalDate.class, DaysOfOurTime::day);
    }

    @Bean
    JacksonModule days() {
        return new SimpleModule("days").addDeserializer(LocalDate.class, new Day());
    }

    private static LocalDate day(String text) {
        try {
            LocalDate day = LocalDate.parse(text.strip());
            if (!day.isBefore(FIRST) && !day.isAfter(LAST)) {
                return day;
            }
        } catch (DateTimeException none) {
            throw Refusal.of(Reason.parse(REFUSAL)).because(none);
        }
        throw Refusal.of(Reason.parse(REFUSAL));
    }

    private static final class Day extends StdScalarDeserializer<LocalDate> {

        Day() {
            super(LocalDate.class);
        }

        @Override
        public LocalDate deserialize(JsonParser parser, DeserializationContext context) {
            String text = parser.getValueAsString();
            try {
                return day(text == null ? "" : text);
            } catch (IllegalArgumentException none) {
                return context.reportInputMismatch(LocalDate.class, REFUSAL);
            }
        }
    }
}
