package tachylim.task;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import tachylim.tempo.Tempo;

/**
 * How time is told while something is played. Beats are those of what is played as it is written in the pulse, seconds
 * count from the first of them. Pulses are immutable.
 */
public sealed interface Pulse {

    /** The kinds of pulse there are. */
    enum Kind {
        STEADY,
        RECOUNTED,
        SWITCHING,
        GLIDING,
        DROPPING_OUT,
        FREE
    }

    Kind kind();

    /** Playing at one tempo for a while: what a stretch of playing costs is told by these. */
    record Pace(double seconds, Tempo tempo) {}

    /** The tempo it is set by: what a metronome would show when it begins. */
    Tempo set();

    /** The fastest tempo there is in it. */
    default Tempo fastest() {
        return set();
    }

    /** What a metronome shows at its beginning, in clicks a minute. */
    default double metronome() {
        return set().bpm();
    }

    /** When a beat falls, in seconds; beats may be broken. */
    double secondsFor(double beats);

    /** How many beats it has, where it says so itself and the music goes round for as long; empty where the music says it. */
    default OptionalDouble ownBeats() {
        return OptionalDouble.empty();
    }

    /** How long it lasts, in seconds, where the music has {@code beats}. */
    default double lasting(double beats) {
        return secondsFor(ownBeats().orElse(beats));
    }

    /** Playing of {@code beats} beats as stretches at one tempo each, in order; together they last as long. */
    default List<Pace> paces(double beats) {
        return List.of(new Pace(secondsFor(beats), set()));
    }

    /** The same with nothing faster than {@code most}. */
    Pulse under(Tempo most);

    /**
     * One tempo, a click on each beat.
     *
     * @param set the tempo
     */
    record Steady(Tempo set) implements Pulse {

        @Override
        public Kind kind() {
            return Kind.STEADY;
        }

        @Override
        public double secondsFor(double beats) {
            return set.secondsFor(beats);
        }

        @Override
        public Pulse under(Tempo most) {
            return new Steady(Tempo.slower(set, most));
        }
    }

    /**
     * One tempo, clicked otherwise than it is written: the notes come as fast as before, and count to another click.
     *
     * @param set the tempo of the beats as written
     * @param beatsPerClick how many of them, or what part of one, goes to a click; 1/8 to 16
     */
    record Recounted(Tempo set, double beatsPerClick) implements Pulse {

        public Recounted {
            if (!(beatsPerClick >= 0.125 && beatsPerClick <= 16)) {
                throw new IllegalArgumentException(
                        "An eighth of a beat to 16 beats go to a click, not " + beatsPerClick);
            }
        }

        @Override
        public Kind kind() {
            return Kind.RECOUNTED;
        }

        @Override
        public double metronome() {
            return clicksPerMinute();
        }

        /** The same, by its name in the literature: with r notes a second and p notes to a click, 60·r/p. */
        public double clicksPerMinute() {
            return set.bpm() / beatsPerClick;
        }

        @Override
        public double secondsFor(double beats) {
            return set.secondsFor(beats);
        }

        @Override
        public Pulse under(Tempo most) {
            return new Recounted(Tempo.slower(set, most), beatsPerClick);
        }
    }

    /**
     * The click stays, the notes to it change: everything goes {@code spread} times slower than written, but for some
     * beats in its midst that go as written.
     *
     * @param set the tempo of the click
     * @param spread how many clicks a written beat takes where it is slow, 2 to 4
     * @param from the written beat at which the quick ones begin, not negative
     * @param quick how many written beats are quick, at least 1
     */
    record Switching(Tempo set, int spread, int from, int quick) implements Pulse {

        public Switching {
            if (spread < 2 || spread > 4 || from < 0 || quick < 1) {
                throw new IllegalArgumentException(
                        "Notes spread over 2 to 4 clicks, with a quick beat or more among them, not " + spread
                                + " with " + quick + " from " + from);
            }
        }

        /** How many clicks go by up to a written beat. */
        public double clicks(double beats) {
            double before = Math.min(beats, from);
            double within = Math.max(0, Math.min(beats, from + quick) - from);
            double after = Math.max(0, beats - from - quick);
            return spread * before + within + spread * after;
        }

        @Override
        public Kind kind() {
            return Kind.SWITCHING;
        }

        @Override
        public double secondsFor(double beats) {
            return set.secondsFor(clicks(beats));
        }

        @Override
        public List<Pace> paces(double beats) {
            Tempo slow = Tempo.clamped(set.bpm() / spread);
            double quickFrom = secondsFor(Math.min(beats, from));
            double quickTo = secondsFor(Math.min(beats, from + quick));
            return List.of(
                            new Pace(quickFrom, slow),
                            new Pace(quickTo - quickFrom, set),
                            new Pace(secondsFor(beats) - quickTo, slow))
                    .stream()
                    .filter(pace -> pace.seconds() > 0)
                    .toList();
        }

        /** Seconds of its quick beats. */
        public double quickSeconds() {
            return set.secondsFor(quick);
        }

        @Override
        public Pulse under(Tempo most) {
            return new Switching(Tempo.slower(set, most), spread, from, quick);
        }
    }

    /**
     * Smoothly faster, on for a while, and back: from v0 to v1 in equal ratios. Beat b falls at
     * {@code t(b) = t_up/ln ρ · ln(1 + 60·b·ln ρ/(v0·t_up))} with ρ = v1/v0 on the way up; the way back is the same in
     * reverse.
     *
     * @param set the tempo it begins and ends at, v0
     * @param top the tempo in its midst, v1, above v0
     * @param up seconds up to the top, and as many back, 2 to 600
     * @param hold seconds at the top, 0 to 600
     */
    record Gliding(Tempo set, Tempo top, double up, double hold) implements Pulse {

        /** So many slices of one tempo stand for each way. */
        private static final int SLICES = 12;

        public Gliding {
            if (top.compareTo(set) <= 0) {
                throw new IllegalArgumentException("It glides up from " + set + ", so not to " + top);
            }
            if (!(up >= 2 && up <= 600 && hold >= 0 && hold <= 600)) {
                throw new IllegalArgumentException("A glide takes 2 to 600 seconds either way");
            }
        }

        private double lnRatio() {
            return Math.log(top.ratioTo(set));
        }

        /** The beats of each way. */
        public double beatsUp() {
            return set.bpm() * up / 60 * (Math.exp(lnRatio()) - 1) / lnRatio();
        }

        @Override
        public Kind kind() {
            return Kind.GLIDING;
        }

        /** All its beats, up, on and back. */
        @Override
        public OptionalDouble ownBeats() {
            return OptionalDouble.of(beats());
        }

        /** The same, which it always has. */
        public double beats() {
            return 2 * beatsUp() + top.bpm() * hold / 60;
        }

        /** How long it all takes, in seconds. */
        public double seconds() {
            return 2 * up + hold;
        }

        @Override
        public double lasting(double beats) {
            return seconds();
        }

        /** The tempo after some seconds. */
        public Tempo at(double seconds) {
            double towards =
                    seconds <= up ? seconds / up : seconds <= up + hold ? 1 : Math.max(0, (seconds() - seconds) / up);
            return Tempo.clamped(set.bpm() * Math.exp(lnRatio() * Math.min(1, Math.max(0, towards))));
        }

        @Override
        public Tempo fastest() {
            return top;
        }

        @Override
        public double secondsFor(double beats) {
            if (beats <= beatsUp()) {
                return rising(beats);
            }
            double held = beats - beatsUp();
            double holding = top.bpm() * hold / 60;
            if (held <= holding) {
                return up + top.secondsFor(held);
            }
            double left = Math.max(0, beats() - beats);
            double back = seconds() - rising(left);
            return beats <= beats() ? back : seconds() + set.secondsFor(beats - beats());
        }

        private double rising(double beats) {
            double ln = lnRatio();
            return up / ln * Math.log(1 + 60 * beats * ln / (set.bpm() * up));
        }

        @Override
        public List<Pace> paces(double beats) {
            double end = secondsFor(beats);
            List<Pace> paces = new ArrayList<>();
            double slice = up / SLICES;
            for (double from = 0; from < end - 1e-9; ) {
                double to = Math.min(end, from < up || from >= up + hold ? from + slice : up + hold);
                // The faster end of a slice stands for all of it, so that no cost is told too low.
                paces.add(new Pace(to - from, at(from).compareTo(at(to)) > 0 ? at(from) : at(to)));
                from = to;
            }
            return paces;
        }

        @Override
        public Pulse under(Tempo most) {
            if (most.compareTo(top) >= 0) {
                return this;
            }
            return most.compareTo(set) <= 0 ? new Steady(most) : new Gliding(set, most, up, hold);
        }
    }

    /**
     * A click that falls silent: some bars with it, some without.
     *
     * @param set the tempo
     * @param with bars with the click, 1 to 16
     * @param without bars without it, 1 to 16
     */
    record DroppingOut(Tempo set, int with, int without) implements Pulse {

        public DroppingOut {
            if (with < 1 || with > 16 || without < 1 || without > 16) {
                throw new IllegalArgumentException("A click drops out for 1 to 16 bars of as many");
            }
        }

        @Override
        public Kind kind() {
            return Kind.DROPPING_OUT;
        }

        @Override
        public double secondsFor(double beats) {
            return set.secondsFor(beats);
        }

        @Override
        public Pulse under(Tempo most) {
            return new DroppingOut(Tempo.slower(set, most), with, without);
        }
    }

    /**
     * No click, a clock: as long as is said, at no more than about a tempo.
     *
     * @param set about how fast it is thought to be played, which its cost is told by
     * @param seconds how long, 1 to 600
     */
    record Free(Tempo set, double seconds) implements Pulse {

        public Free {
            if (!(seconds >= 1 && seconds <= 600)) {
                throw new IllegalArgumentException("Free playing lasts 1 to 600 seconds, not " + seconds);
            }
        }

        @Override
        public Kind kind() {
            return Kind.FREE;
        }

        @Override
        public OptionalDouble ownBeats() {
            return OptionalDouble.of(seconds * set.bpm() / 60);
        }

        @Override
        public double lasting(double beats) {
            return seconds;
        }

        @Override
        public double secondsFor(double beats) {
            return set.secondsFor(beats);
        }

        @Override
        public Pulse under(Tempo most) {
            return new Free(Tempo.slower(set, most), seconds);
        }
    }
}
