package tachylim.server.season;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.time.Instant;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import net.fortuna.ical4j.data.CalendarOutputter;
import net.fortuna.ical4j.model.Calendar;
import net.fortuna.ical4j.model.component.VEvent;
import net.fortuna.ical4j.model.property.Description;
import net.fortuna.ical4j.model.property.DtEnd;
import net.fortuna.ical4j.model.property.DtStamp;
import net.fortuna.ical4j.model.property.DtStart;
import net.fortuna.ical4j.model.property.ProdId;
import net.fortuna.ical4j.model.property.Summary;
import net.fortuna.ical4j.model.property.Uid;
import net.fortuna.ical4j.model.property.immutable.ImmutableCalScale;
import net.fortuna.ical4j.model.property.immutable.ImmutableTransp;
import net.fortuna.ical4j.model.property.immutable.ImmutableVersion;
import tachylim.server.season.SeasonController.GoalDto;
import tachylim.server.season.SeasonController.SeasonDayDto;
import tachylim.server.season.SeasonController.SeasonView;
import tachylim.server.words.Words;

/**
 * A season as iCalendar (RFC 5545). Its events are whole days: a day of practice begins when the player does, so none has an
 * hour or a zone. Each keeps its name from one reading to the next.
 */
final class SeasonCalendar {

    private final SeasonView season;
    private final String name;
    private final Instant now;
    private final Words words;
    private final Map<Long, GoalDto> goals;

    private SeasonCalendar(SeasonView season, String name, Instant now, Words words) {
        this.season = season;
        this.name = name;
        this.now = now;
        this.words = words;
        this.goals = season.goals().stream().collect(Collectors.toMap(GoalDto::passageId, goal -> goal));
    }

    /**
     * Writes a season.
     *
     * @param name what the account's days are named by in calendars
     * @param words the language it is written in
     */
    static byte[] write(SeasonView season, String name, Instant now, Words words) {
        return bytes(new SeasonCalendar(season, name, now, words).calendar());
    }

    private Calendar calendar() {
        Calendar calendar = new Calendar();
        calendar.add(new ProdId(
                "-//Tachylim//Season//" + words.locale().getLanguage().toUpperCase(Locale.ROOT)));
        calendar.add(ImmutableVersion.VERSION_2_0);
        calendar.add(ImmutableCalScale.GREGORIAN);
        season.days().stream()
                .filter(day -> day.minutes() > 0)
                .forEach(day -> calendar.add(event(
                        day.day(),
                        "practice-" + day.day(),
                        words.say("calendar.practice", "minutes", day.minutes()),
                        parts(day))));
        season.performances().forEach(one -> calendar.add(event(one.day(), "performance-" + one.id(), one.name(), "")));
        season.goals().stream()
                .filter(goal -> goal.neededOn() != null && !goal.neededOn().isBefore(season.today()))
                .forEach(goal -> calendar.add(event(
                        goal.neededOn(),
                        "needed-" + goal.passageId(),
                        words.say("occasion.passage", "passage", goal.title(), "tempo", Math.round(goal.target())),
                        words.say(goal.sentence()))));
        if (calendar.getComponents().isEmpty()) {
            // A calendar has at least one component.
            calendar.add(event(season.today(), "none", words.say("calendar.nothing"), ""));
        }
        return calendar;
    }

    private String parts(SeasonDayDto day) {
        Stream<String> shares = day.shares().stream()
                .map(share -> words.say(
                        "calendar.share",
                        "passage",
                        goals.get(share.passageId()).title(),
                        "minutes",
                        share.minutes()));
        String rule = words.say("rule." + day.rule()) + ": " + words.say(day.why());
        return Stream.concat(shares, Stream.of(rule, words.say("calendar.caution")))
                .collect(Collectors.joining("\n"));
    }

    private VEvent event(LocalDate day, String about, String summary, String description) {
        VEvent event = new VEvent(false);
        event.add(new DtStamp(now.truncatedTo(ChronoUnit.SECONDS)));
        event.add(new DtStart<>(day));
        event.add(new DtEnd<>(day.plusDays(1)));
        event.add(new Summary(summary));
        event.add(new Uid(about + "-" + name));
        event.add(ImmutableTransp.TRANSPARENT);
        if (!description.isEmpty()) {
            event.add(new Description(description));
        }
        return event;
    }

    private static byte[] bytes(Calendar calendar) {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try {
            new CalendarOutputter().output(calendar, out);
        } catch (IOException impossible) {
            throw new UncheckedIOException(impossible);
        }
        return out.toByteArray();
    }
}
