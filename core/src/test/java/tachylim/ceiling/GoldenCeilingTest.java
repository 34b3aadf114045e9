package tachylim.ceiling;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.SplittableRandom;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import tachylim.Golden;
import tachylim.task.Tension;
import tachylim.task.Verdict;
import tachylim.tempo.Tempo;

/** Five players by what is believed of them over weeks: every figure is told as it was. */
class GoldenCeilingTest {

    private static final int PLAYERS = 5;
    private static final int DAYS = 34;

    private final List<String> told = new ArrayList<>();

    private static String figure(double value) {
        return String.format(Locale.ROOT, "%.6g", value);
    }

    private static String figure(Optional<Tempo> tempo) {
        return tempo.map(one -> figure(one.bpm())).orElse("-");
    }

    private static String figures(Band band) {
        return figure(band.low().bpm()) + " " + figure(band.middle().bpm()) + " "
                + figure(band.high().bpm()) + " ±" + figure(band.giveOrTake());
    }

    private void tell(String what, Object... figures) {
        told.add(what + ": "
                + IntStream.range(0, figures.length)
                        .mapToObj(i -> figures[i] instanceof Double value ? figure(value) : String.valueOf(figures[i]))
                        .collect(Collectors.joining(", ")));
    }

    @Test
    void whatIsBelievedIsToldAsItWas() throws IOException {
        for (int player = 0; player < PLAYERS; player++) {
            told.add("player " + player);
            weeks(new SplittableRandom(player));
        }
        String now = String.join("\n", told) + "\n";
        assertThat(now).isEqualTo(Golden.kept("ceiling/golden-ceilings.txt", now));
    }

    /** A player who gets a little faster each day, with nights, layoffs, tired passes and passes of a part. */
    private void weeks(SplittableRandom chance) {
        double ceiling = 70 + chance.nextInt(90);
        Posterior belief = Posterior.prior(
                Tempo.of(ceiling * (0.8 + 0.4 * chance.nextDouble())), 0.08 + 0.2 * chance.nextDouble());
        List<Forecast.Measured> measured = new ArrayList<>();
        List<Smoother.Day> filtered = new ArrayList<>();
        List<AwkwardBands.Tried> tried = new ArrayList<>();
        List<TensionCurve.Felt> felt = new ArrayList<>();
        long day = 0;
        for (int i = 0; i < DAYS; i++) {
            int away = chance.nextInt(12) == 0 ? 9 : 1 + chance.nextInt(2);
            day += away;
            belief = belief.afterDays(away);
            Moments morning = belief.logCeiling();
            ceiling *= 1.003;
            for (int pass = 0; pass < 4; pass++) {
                Tempo tempo = Tempo.of(ceiling * (0.75 + 0.4 * chance.nextDouble()));
                Evidence evidence = evidence(chance, tempo, ceiling);
                belief = belief.after(evidence);
                tried.add(new AwkwardBands.Tried(
                        day, tempo, Tempo.of(ceiling), evidence.verdict() == Verdict.CLEAN && chance.nextInt(9) > 0));
                felt.add(new TensionCurve.Felt(tempo, Tension.of(Math.min(5, (int)
                        (4 * tempo.bpm() / ceiling * chance.nextDouble() + 0.5)))));
            }
            measured.add(new Forecast.Measured(day, morning, belief.logCeiling()));
            filtered.add(new Smoother.Day(
                    day, belief.logCeiling().mean(), belief.logCeiling().variance()));
            if (i % 11 == 10) {
                tell(belief, Tempo.of(ceiling));
            }
        }
        tell(Forecast.of(measured), Tempo.of(ceiling * 1.15));
        tell(
                "smoothed",
                Smoother.smooth(filtered).stream()
                        .map(one -> figure(one.tempo().bpm()))
                        .collect(Collectors.joining(" ")));
        TensionCurve tension = TensionCurve.through(felt);
        tell("tension", figure(tension.tempoAt(TensionCurve.ALERT)), figure(tension.tempoAt(TensionCurve.EDGE)));
        tell(
                "under it",
                figures(belief.estimate().under(tension).ceiling()),
                figures(belief.estimate().under(tension).comfortable()));
        tell("awkward", AwkwardBands.in(tried));
    }

    private static Evidence evidence(SplittableRandom chance, Tempo tempo, double ceiling) {
        double off = tempo.bpm() / ceiling - 1 + 0.1 * (chance.nextDouble() - 0.5);
        Verdict verdict = off < 0 ? Verdict.CLEAN : off < 0.06 ? Verdict.ROUGH : Verdict.BROKE;
        double share = chance.nextInt(3) == 0 ? 0.4 : 1;
        Evidence one = Evidence.of(tempo, verdict, chance.nextDouble(), 60 * chance.nextDouble(), share);
        return switch (chance.nextInt(5)) {
            case 0 -> one.again(1 + chance.nextInt(4));
            case 1 -> one.oneOf(5, 1 + chance.nextInt(3));
            case 2 -> one.saying(Verdict.ROUGH);
            default -> one;
        };
    }

    private void tell(Posterior belief, Tempo ceiling) {
        Estimate now = belief.estimate();
        tell("comfortable", figures(now.comfortable()));
        tell("ceiling", figures(now.ceiling()));
        tell("breakdown", figures(now.breakdown()));
        tell("of a part", figures(belief.ceilingOf(0.3)));
        tell(
                "later",
                figures(now.later(9, belief.gain()).ceiling()),
                figures(now.times(1.25).comfortable()));
        tell(
                "figures",
                belief.gain(),
                belief.logCeiling().mean(),
                belief.logCeiling().variance(),
                belief.passes());
        tell("said of it", now.enoughEvidence(), now.isVague(), now.overComfortable(ceiling));
        tell(
                "carried",
                figures(belief.carried(1.1, 0.6).estimate().ceiling()),
                belief.carried(1.1, 0.6).passes());
        tell(
                "clean at",
                belief.cleanAt(ceiling),
                belief.cleanAt(ceiling.times(0.9)),
                belief.cleanAt(ceiling.times(1.2)));
        tell(
                "curve",
                SuccessCurve.of(belief, now.ceiling().middle()).stream()
                        .map(one -> figure(one.tempo().bpm()) + " " + figure(one.clean()) + " " + figure(one.low())
                                + " " + figure(one.high()))
                        .collect(Collectors.joining("; ")));
        Known known = Known.of(belief, Optional.of(ceiling.times(0.95)));
        Known after = known.after(Evidence.of(ceiling, Verdict.BROKE));
        tell(
                "known",
                figures(known.estimate().ceiling()),
                figure(known.alert()),
                figures(after.estimate().ceiling()));
        tell(
                "told",
                known.tells(Evidence.of(ceiling, Verdict.CLEAN)),
                known.frozen().tells(Evidence.of(ceiling, Verdict.CLEAN)));
        tell(
                "probe",
                figure(Optional.of(known.probe(Optional.empty(), ceiling.times(1.3)))),
                figure(Optional.of(known.probe(Optional.of(ceiling.times(0.9)), ceiling))),
                figure(Optional.of(Probe.next(belief, ceiling, ceiling.times(1.05)))));
    }

    private void tell(Optional<Forecast> found, Tempo target) {
        if (found.isEmpty()) {
            tell("no forecast");
            return;
        }
        Forecast forecast = found.get();
        for (long later : new long[] {7, 28, 90}) {
            tell(
                    "in " + later + " days",
                    figures(forecast.at(later)),
                    forecast.chance(target, later),
                    forecast.prospect(target, later),
                    forecast.likelyOn(later),
                    forecast.timesTheGain(target, later)
                            .map(GoldenCeilingTest::figure)
                            .orElse("-"));
        }
        tell("by when", forecast.dayOf(target, 0), forecast.dayOf(target, 30), forecast.weeklyGain());
    }
}
