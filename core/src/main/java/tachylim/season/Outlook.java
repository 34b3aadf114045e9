package tachylim.season;

import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.Optional;
import java.util.OptionalDouble;
import tachylim.ceiling.Forecast;
import tachylim.tempo.Tempo;
import tachylim.words.Reason;

/**
 * How a passage looks by its date, if the season is played as it is planned. It goes by rules of thumb, as if what is gained
 * went with minutes, and is no promise. This class is immutable.
 *
 * @param goal which passage
 * @param minutesADay the effort minutes a day that it has in the plan until its date, or until the plan ends
 * @param chance the chance that its target is in control by then; empty without a date or a forecast
 * @param prospect what that chance is called; empty without one
 * @param likely the tempo that is likely by its date; empty without a date or a forecast
 * @param near the tempo that is likely in two weeks, where that is below the target; empty without a forecast
 * @param times how many times its minutes would make its target likely; empty when that cannot be said, or need not
 * @param sentence how it looks and what is given up, in a sentence or two
 */
public record Outlook(
        long goal,
        double minutesADay,
        OptionalDouble chance,
        Optional<Forecast.Prospect> prospect,
        Optional<Tempo> likely,
        Optional<Tempo> near,
        OptionalDouble times,
        Reason sentence) {

    /** Twice the minutes do not gain more than twice as much, and nothing is foretold beyond that. */
    private static final double MOST_PACE = 2;

    /** Too little to compare with. */
    private static final double LEAST_PACE = 0.5;

    private static final int NEAR_DAYS = 14;

    static Outlook of(Goal goal, double minutesADay, LocalDate today) {
        double ratio = goal.pace() < LEAST_PACE ? 1 : Math.min(MOST_PACE, minutesADay / goal.pace());
        Optional<Forecast> paced = goal.forecast().map(one -> one.paced(ratio));
        Optional<Tempo> near = paced.map(
                        one -> one.likelyOn(today.plusDays(NEAR_DAYS).toEpochDay()))
                .filter(one -> one.compareTo(goal.target()) < 0 && one.compareTo(goal.ceiling()) >= 0);
        if (!goal.isAhead(today)) {
            return without(goal, minutesADay, near, Reason.of("outlook.noDate"));
        }
        if (paced.isEmpty()) {
            return without(goal, minutesADay, near, Reason.of("outlook.tooNew"));
        }
        Forecast forecast = paced.get();
        long then = goal.neededOn().toEpochDay();
        double chance = forecast.chance(goal.target(), then);
        Forecast.Prospect prospect = forecast.prospect(goal.target(), then);
        Optional<Double> times =
                prospect == Forecast.Prospect.ON_COURSE ? Optional.empty() : forecast.timesTheGain(goal.target(), then);
        Tempo likely = forecast.likelyOn(then);
        return new Outlook(
                goal.id(),
                minutesADay,
                OptionalDouble.of(chance),
                Optional.of(prospect),
                Optional.of(likely),
                near,
                times.map(OptionalDouble::of).orElseGet(OptionalDouble::empty),
                sentence(
                        prospect,
                        chance,
                        minutesADay,
                        likely,
                        times,
                        ChronoUnit.DAYS.between(today, goal.neededOn()),
                        goal.target()));
    }

    private static Outlook without(Goal goal, double minutesADay, Optional<Tempo> near, Reason sentence) {
        return new Outlook(
                goal.id(),
                minutesADay,
                OptionalDouble.empty(),
                Optional.empty(),
                Optional.empty(),
                near,
                OptionalDouble.empty(),
                sentence);
    }

    private static Reason sentence(
            Forecast.Prospect prospect,
            double chance,
            double minutesADay,
            Tempo likely,
            Optional<Double> times,
            long days,
            Tempo target) {
        Reason with =
                Reason.of("outlook.chance", "percent", Math.round(100 * chance), "days", days, "minutes", minutesADay);
        Reason more = times.map(one -> Reason.of("outlook.times", "times", one)).orElse(Reason.of("outlook.noGain"));
        return switch (prospect) {
            case ON_COURSE -> Reason.of("outlook.onCourse", "with", with);
            case BEHIND ->
                Reason.of("outlook.behind", "with", with, "likely", likely).then(more);
            case UNLIKELY ->
                Reason.of("outlook.unlikely", "with", with, "likely", likely, "target", target)
                        .then(more)
                        .then(Reason.of("outlook.choose"));
        };
    }
}
