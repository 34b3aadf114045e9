package tachylim.season;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.ToDoubleFunction;
import tachylim.ceiling.Forecast;
import tachylim.ceiling.Moments;
import tachylim.tempo.Tempo;
import tachylim.words.Reason;

/**
 * How a passage looks by its date, if the season is played as it is planned. It goes by rules of thumb on what minutes gain,
 * and is no promise. This class is immutable.
 *
 * @param goal which passage
 * @param sitting the effort minutes that it has on a day on which it has any, until its date, or until the plan ends
 * @param everyDays on every so many-th day it has some
 * @param chance the chance that its target is in control by then; empty without a date, or while too few days were played
 * @param prospect what that chance is called; empty without one
 * @param likely the tempo that is likely by its date; empty without a chance
 * @param near the tempo that is likely in two weeks, where that is below the target; empty while too few days were played
 * @param wants the effort minutes a day that would make its target likely; empty when none would, or none more are needed
 * @param offer what could be wanted instead; empty where the target may be reached in time
 * @param sentence how it looks and what is given up, in a sentence or two
 */
public record Outlook(
        long goal,
        double sitting,
        double everyDays,
        OptionalDouble chance,
        Optional<Forecast.Prospect> prospect,
        Optional<Tempo> likely,
        Optional<Tempo> near,
        OptionalDouble wants,
        Optional<Offer> offer,
        Reason sentence) {

    private static final int NEAR_DAYS = 14;

    /** What is offered instead is to be on course when it is taken, with a day missed now and then. */
    private static final double OFFERED = 0.75;

    /** A later date is looked for no further than this. */
    private static final int FARTHEST_DAYS = 730;

    /**
     * What a passage that is not ready in time could be wanted at instead.
     *
     * @param tempo the tempo that is likely by its date with an equal share of the minutes; empty where that is the target
     * @param date the day on which its target would be likely so; empty where it is not within two years
     */
    public record Offer(Optional<Tempo> tempo, Optional<LocalDate> date) {}

    static Outlook of(Goal goal, int index, Portions portions, List<SeasonDay> days) {
        LocalDate today = days.get(0).day();
        boolean ahead = goal.isAhead(today);
        int until = ahead ? (int) Math.min(days.size(), goal.days(today)) : days.size();
        Plan plan = Plan.of(goal, days.subList(0, until));
        if (!goal.growth().known()) {
            return without(
                    goal,
                    plan,
                    Optional.empty(),
                    ahead
                            ? Reason.of("outlook.tooNew", "rhythm", plan.rhythm())
                            : Reason.of("outlook.noDate", "rhythm", plan.rhythm()));
        }
        Optional<Tempo> near = Optional.of(Growth.likely(Plan.of(
                                goal, days.subList(0, Math.min(days.size(), NEAR_DAYS)))
                        .then))
                .filter(one -> one.compareTo(goal.target()) < 0 && one.compareTo(goal.ceiling()) >= 0);
        if (!ahead) {
            return without(goal, plan, near, Reason.of("outlook.noDate", "rhythm", plan.rhythm()));
        }
        double chance = Growth.chance(plan.then, goal.target());
        Forecast.Prospect prospect = Forecast.Prospect.of(chance);
        Tempo likely = Growth.likely(plan.then);
        OptionalDouble wants =
                prospect == Forecast.Prospect.ON_COURSE ? OptionalDouble.empty() : wanted(goal, portions, until);
        return new Outlook(
                goal.id(),
                plan.sitting,
                plan.everyDays,
                OptionalDouble.of(chance),
                Optional.of(prospect),
                Optional.of(likely),
                near,
                wants,
                prospect == Forecast.Prospect.UNLIKELY ? Optional.of(offer(goal, portions, today)) : Optional.empty(),
                sentence(goal, plan, prospect, chance, likely, wants, goal.days(today) - 1));
    }

    /** What a passage has in some planned days, and what comes of it. */
    private record Plan(double sitting, double everyDays, Moments then) {

        static Plan of(Goal goal, List<SeasonDay> days) {
            double doses = 0;
            double minutes = 0;
            int sittings = 0;
            long since = goal.daysSince().orElse(0);
            double idle = 0;
            for (SeasonDay day : days) {
                int some = day.of(goal.id());
                doses += Gains.dose(some);
                minutes += some;
                sittings += some > 0 ? 1 : 0;
                since = some > 0 ? 0 : since + 1;
                idle += since > Gains.IDLE_DAYS ? 1 : 0;
            }
            return new Plan(
                    sittings == 0 ? 0 : minutes / sittings,
                    sittings == 0 ? 0 : days.size() / (double) sittings,
                    goal.growth().after(doses, idle, days.size()));
        }

        /** How often it has how much, in words. */
        Reason rhythm() {
            return sitting == 0
                    ? Reason.of("rhythm.none")
                    : Reason.of("rhythm.every", "minutes", Math.round(sitting), "days", Math.round(everyDays));
        }
    }

    private static Outlook without(Goal goal, Plan plan, Optional<Tempo> near, Reason sentence) {
        return new Outlook(
                goal.id(),
                plan.sitting,
                plan.everyDays,
                OptionalDouble.empty(),
                Optional.empty(),
                Optional.empty(),
                near,
                OptionalDouble.empty(),
                Optional.empty(),
                sentence);
    }

    private static double likelihood(Goal goal, double minutes, Portions portions, double days) {
        return Growth.chance(goal.growth().byPortions(minutes, portions.portion(), days), goal.target());
    }

    /** The minutes a day, of all days, with which the target is likely. */
    private static OptionalDouble wanted(Goal goal, Portions portions, int until) {
        double days = portions.days(goal);
        double most = portions.most(goal);
        for (double minutes = portions.portion(); minutes <= most; minutes += portions.portion()) {
            if (likelihood(goal, minutes, portions, days) >= Forecast.LIKELY) {
                return OptionalDouble.of(minutes / until);
            }
        }
        return OptionalDouble.empty();
    }

    private static Offer offer(Goal goal, Portions portions, LocalDate today) {
        double share = portions.equalShare(goal);
        double days = portions.days(goal);
        ToDoubleFunction<Long> chanceIn =
                later -> likelihood(goal, share * later / goal.days(today), portions, days * later / goal.days(today));
        Tempo likely = Growth.reached(goal.growth().byPortions(share, portions.portion(), days), OFFERED);
        Optional<LocalDate> date = Optional.empty();
        for (long later = goal.days(today); later <= FARTHEST_DAYS && date.isEmpty(); later++) {
            date = chanceIn.applyAsDouble(later) >= OFFERED ? Optional.of(today.plusDays(later)) : Optional.empty();
        }
        return new Offer(Optional.of(likely).filter(one -> one.compareTo(goal.target()) < 0), date);
    }

    private static Reason sentence(
            Goal goal,
            Plan plan,
            Forecast.Prospect prospect,
            double chance,
            Tempo likely,
            OptionalDouble wants,
            long days) {
        Reason with =
                Reason.of("outlook.chance", "percent", Math.round(100 * chance), "days", days, "rhythm", plan.rhythm());
        Reason more = wants.isPresent()
                ? Reason.of("outlook.wants", "minutes", (long) Math.ceil(wants.getAsDouble()))
                : Reason.of("outlook.noMinutes");
        return switch (prospect) {
            case ON_COURSE -> Reason.of("outlook.onCourse", "with", with);
            case BEHIND ->
                Reason.of("outlook.behind", "with", with, "likely", likely).then(more);
            case UNLIKELY ->
                Reason.of("outlook.unlikely", "with", with, "likely", likely, "target", goal.target())
                        .then(more);
        };
    }
}
