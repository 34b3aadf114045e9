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

    private static final String CAUTION =
            "Effort minutes are a rule of thumb. Stop at pain, numbness, tingling or loss of control.";

    private SeasonCalendar() {}

    /**
     * Writes a season.
     *
     * @param name what the account's days are named by in calendars
     */
    static byte[] write(SeasonView season, String name, Instant now) {
        Calendar calendar = new Calendar();
        calendar.add(new ProdId("-//Tachylim//Season//EN"));
        calendar.add(ImmutableVersion.VERSION_2_0);
        calendar.add(ImmutableCalScale.GREGORIAN);
        Map<Long, GoalDto> goals = season.goals().stream().collect(Collectors.toMap(GoalDto::passageId, goal -> goal));
        for (SeasonDayDto day : season.days()) {
            if (day.minutes() > 0) {
                calendar.add(event(
                        day.day(),
                        "practice-" + day.day() + "-" + name,
                        "Practice, " + day.minutes() + " min",
                        parts(day, goals) + "\n" + Words.in(Locale.ENGLISH).say("rule." + day.rule()) + ": " + day.why()
                                + "\n" + CAUTION,
                        now));
            }
        }
        season.performances()
                .forEach(one ->
                        calendar.add(event(one.day(), "performance-" + one.id() + "-" + name, one.name(), "", now)));
        season.goals().stream()
                .filter(goal -> goal.neededOn() != null && !goal.neededOn().isBefore(season.today()))
                .forEach(goal -> calendar.add(event(
                        goal.neededOn(),
                        "needed-" + goal.passageId() + "-" + name,
                        goal.title() + " at " + Math.round(goal.target()),
                        goal.sentence(),
                        now)));
        if (calendar.getComponents().isEmpty()) {
            // A calendar has at least one component.
            calendar.add(event(season.today(), "none-" + name, "No practice is planned", "", now));
        }
        return bytes(calendar);
    }

    private static String parts(SeasonDayDto day, Map<Long, GoalDto> goals) {
        return day.shares().stream()
                .map(share -> goals.get(share.passageId()).title() + ", " + share.minutes() + " min")
                .collect(Collectors.joining("\n"));
    }

    private static VEvent event(LocalDate day, String uid, String summary, String description, Instant now) {
        VEvent event = new VEvent(false);
        event.add(new DtStamp(now.truncatedTo(ChronoUnit.SECONDS)));
        event.add(new DtStart<>(day));
        event.add(new DtEnd<>(day.plusDays(1)));
        event.add(new Summary(summary));
        event.add(new Uid(uid));
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
