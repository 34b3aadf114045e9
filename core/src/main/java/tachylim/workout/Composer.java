package tachylim.workout;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import tachylim.load.Effort;
import tachylim.load.Guardrails;
import tachylim.method.School;
import tachylim.method.Setting;
import tachylim.passage.Passage;
import tachylim.variation.Catalogue;
import tachylim.variation.Variation;
import tachylim.words.Reason;

/**
 * Composes a workout: which blocks it has, on which section and in which variation, so that the minutes given are filled.
 *
 * <p>The warm-up is outside them. The opener is a near goal, the core the far one and whatever else is wanted, and the close
 * something that works and that is not the core where there is anything else. Each probe gets its time and its rest; of
 * what is left the opener has three eighths and four minutes at the most, the core as much and the close a quarter. What these do not
 * need, since a dose is reached or a climb is up, goes to slow passes in variations, {@value Planner#MOST_ALIKE} passes at
 * the most in each, neighbours of different families.
 */
public final class Composer {

    /** A workout fills at least this share of its minutes, where nothing stands in the way. */
    public static final double FULL = 0.92;

    /** More than this is said. */
    private static final double MOST = 1.08;

    private static final double OPENER_SHARE = 0.375;

    /** Where there is much time, more of it goes to variations: a climb of many steps asks for many answers. */
    private static final double MOST_OPENER_SECONDS = 240;

    private static final double CORE_SHARE = 0.375;
    private static final double CLOSER_SHARE = 0.25;

    /** A section more needs so many minutes more. */
    private static final int MINUTES_PER_THEME = 6;

    /** A variation is worth turning to for so long. */
    private static final double LEAST_VARIATION_SECONDS = 75;

    private static final double LEAST_CLOSER_SECONDS = 120;
    private static final double CLOSER_ROOM = 40;
    private static final int MOST_TURNS = 8;
    private static final int MOST_TRIMS = 3;

    private final Brief brief;
    private final int sections;
    private final Map<Integer, List<String>> variations = new HashMap<>();
    private final Map<String, Optional<Music>> musics = new HashMap<>();
    private final Map<String, Music> ownMusics = new HashMap<>();

    private Composer(Brief brief) {
        this.brief = brief;
        this.sections = Math.min(brief.themes().size(), Math.max(1, brief.minutes() / MINUTES_PER_THEME));
    }

    /** The workout for a brief that has no blocks yet. */
    static Workout workout(Brief brief) {
        Composer composer = new Composer(brief);
        return composer.rested(composer.sketches(), true);
    }

    /**
     * The workout for a brief with blocks of the player's own: these are played, in their order, and what is composed gives
     * way. Where the brief has a warm-up, it is all there is to be; otherwise the rest is composed around it.
     */
    static Workout around(Brief brief) {
        Composer composer = new Composer(brief);
        List<Sketch> sketches = brief.sketches();
        boolean whole = sketches.stream().anyMatch(sketch -> sketch.part() == Part.WARM_UP);
        return composer.rested(composer.yielding(whole ? sketches : composer.sketches()), !whole);
    }

    /**
     * With its breaks where they do least harm, and with less of what is composed where that makes it longer than it may be.
     *
     * @param open whether more may be composed where that leaves time
     */
    private Workout rested(List<Sketch> sketches, boolean open) {
        Workout drawn = drawn(sketches);
        List<Segment> ahead = Run.start(drawn).ahead();
        List<Sketch> placed = Breaks.placed(sketches, ahead, brief.condition().unbroken());
        if (placed.equals(sketches)) {
            return drawn;
        }
        double most = Math.max(brief.minutes() * 60.0, lasting(ahead));
        for (int trim = 0; trim < MOST_TURNS; trim++) {
            Workout rested = rested(placed, open);
            double over = lasting(Run.start(rested).ahead()) - most;
            if (over <= 0) {
                return open && -over > most * NEARLY ? fuller(rested, placed, most) : rested;
            }
            placed = without(placed, over + trim * Pacing.CHANGE_SECONDS);
        }
        return drawn;
    }

    /** With variations in the time that is free again where less playing asks for fewer breaks; as it is where they ask for another. */
    private Workout fuller(Workout rested, List<Sketch> placed, double most) {
        Workout fuller = drawn(filled(placed));
        double seconds = lasting(Run.start(fuller).ahead());
        return seconds <= most && seconds > lasting(Run.start(rested).ahead()) ? fuller : rested;
    }

    /** What is composed goes, the least of it first, until all of the player's own blocks are played, or as many as can be. */
    private List<Sketch> yielding(List<Sketch> sketches) {
        List<Sketch> best = sketches;
        int missing = missing(sketches);
        List<Sketch> fewer = sketches;
        while (missing > 0 && fewer.stream().anyMatch(Composer::mayGo)) {
            fewer = withoutOne(fewer);
            int now = missing(fewer);
            if (now < missing) {
                best = fewer;
                missing = now;
            }
        }
        return best;
    }

    /** How many of the player's own blocks, and of the sections that a workout is said to be about, are not played. */
    private int missing(List<Sketch> sketches) {
        Set<Integer> played = taken(sketches).played;
        long blocks = IntStream.range(0, sketches.size())
                .filter(block -> isToBePlayed(sketches.get(block)) && !played.contains(block))
                .count();
        Set<Integer> themes = played.stream()
                .map(sketches::get)
                .filter(one -> one.part() != Part.WARM_UP)
                .map(Sketch::theme)
                .collect(Collectors.toSet());
        return (int) blocks
                + (int) sketches.stream()
                        .filter(one -> one.part() != Part.WARM_UP)
                        .map(Sketch::theme)
                        .distinct()
                        .filter(theme -> !themes.contains(theme))
                        .count();
    }

    private static boolean isToBePlayed(Sketch sketch) {
        return sketch.own() && sketch.part() != Part.STUDY && sketch.choices().school() != School.STUDY_CARD;
    }

    /** Groundwork goes first, then controlled playing, measuring, what is composed of the main work, and the close. */
    private static final List<Part> GOING = List.of(Part.PREPARE, Part.OPENER, Part.MEASURE, Part.CORE, Part.CLOSER);

    private static boolean mayGo(Sketch sketch) {
        return !sketch.own() && GOING.contains(sketch.part());
    }

    private static List<Sketch> withoutOne(List<Sketch> sketches) {
        int least = IntStream.range(0, sketches.size())
                .filter(block -> mayGo(sketches.get(block)))
                .boxed()
                .min(Comparator.<Integer>comparingInt(
                                block -> GOING.indexOf(sketches.get(block).part()))
                        .thenComparing(Comparator.reverseOrder()))
                .orElseThrow();
        List<Sketch> fewer = new ArrayList<>(sketches);
        fewer.remove(least);
        return fewer;
    }

    private Workout drawn(List<Sketch> sketches) {
        return Planner.drawn(
                brief.with(sketches),
                sketch -> sketch.own()
                        ? owned(sketch)
                        : music(sketch.theme(), sketch.variation()).orElseThrow());
    }

    /** What the player put in is played whether or not it would have been composed. */
    private Music owned(Sketch sketch) {
        return ownMusics.computeIfAbsent(
                sketch.theme() + " " + sketch.variation(),
                none -> brief.themes().get(sketch.theme()).in(sketch.variation()));
    }

    private List<Sketch> sketches() {
        double all = Math.min(brief.minutes() * 60.0, affordable());
        if (Planner.isEasy(brief)) {
            double opener = all * (OPENER_SHARE + CORE_SHARE);
            // Where a rest is as long as what was played, as much less is played.
            double over = taken(easy(opener, all)).seconds - all;
            return easy(over > 0 ? opener - over / 2 : opener, all);
        }
        double measuring = measuringSeconds(0);
        if (brief.choices().school() == School.CEILING_TEST) {
            return List.of(
                    sketch(Part.WARM_UP, 0, Planner.warmUpSeconds(brief)),
                    sketch(Part.MEASURE, 0, Math.max(all, measuring)),
                    sketch(Part.CLOSER, 0, LEAST_CLOSER_SECONDS));
        }
        // On a day with little left what there is goes to the core.
        List<Integer> others = brief.minutes() * 60.0 <= affordable() ? Undecided.of(brief, sections) : List.of();
        double besides = others.stream().mapToDouble(this::measuringSeconds).sum();
        List<Sketch> draft = draft(all - measuring - besides, measuring);
        for (int other : others) {
            if (measuringSeconds(other) > 0) {
                // Before the first core, while the hands are rested.
                int core = IntStream.range(0, draft.size())
                        .filter(block -> draft.get(block).part() == Part.CORE)
                        .findFirst()
                        .orElse(draft.size() - 1);
                draft.add(core, sketch(Part.MEASURE, other, measuringSeconds(other)));
            }
        }
        return yielding(filled(withOwn(draft)));
    }

    private List<Sketch> easy(double opener, double all) {
        return List.of(
                sketch(Part.WARM_UP, 0, Planner.warmUpSeconds(brief)),
                sketch(Part.OPENER, 0, opener),
                sketch(Part.CLOSER, 0, Math.max(LEAST_CLOSER_SECONDS, all * CLOSER_SHARE)));
    }

    private double measuringSeconds(int theme) {
        return Planner.probes(brief, theme) * Planner.probeSeconds(brief, theme);
    }

    /** With what the player put in, in its order, before what is measured and the main work: also what was ticked for today. */
    private List<Sketch> withOwn(List<Sketch> draft) {
        List<Sketch> own =
                new ArrayList<>(brief.sketches().stream().filter(Sketch::own).toList());
        for (int theme = 0; theme < sections; theme++) {
            for (String key : brief.themes().get(theme).variations()) {
                if (music(theme, key).isPresent() && own.size() < MOST_OWN && isNew(own, theme, key)) {
                    own.add(new Sketch(Part.PREPARE, theme, key, variationSeconds(theme, key), brief.choices())
                            .asOwn(Setting.NONE));
                }
            }
        }
        List<Sketch> all = new ArrayList<>(draft);
        int place = IntStream.range(0, draft.size())
                .filter(block -> draft.get(block).part() == Part.MEASURE
                        || draft.get(block).part() == Part.CORE)
                .findFirst()
                .orElse(draft.size() - 1);
        all.addAll(place, own);
        return all;
    }

    private static boolean isNew(List<Sketch> sketches, int theme, String key) {
        return sketches.stream()
                .noneMatch(one -> one.theme() == theme && one.variation().equals(key));
    }

    private static final int MOST_OWN = Brief.MOST_SKETCHES / 2;

    /** A workout asks for about so much effort a minute, its rests counted in. */
    private static final double EFFORT_A_MINUTE = 0.9;

    /** The time for which what is left of today is about enough, in seconds: with little left, every part has less. */
    private double affordable() {
        return Math.max(Brief.LEAST_MINUTES, brief.allowance().effort().minutes() / EFFORT_A_MINUTE) * 60;
    }

    /** Opener, probes, core and close, as long as they may be. */
    private List<Sketch> draft(double practice, double measuring) {
        int near = near();
        List<Sketch> draft = new ArrayList<>();
        draft.add(sketch(Part.WARM_UP, near, Planner.warmUpSeconds(brief)));
        draft.add(sketch(Part.OPENER, near, Math.min(MOST_OPENER_SECONDS, practice * OPENER_SHARE)));
        if (measuring > 0) {
            draft.add(sketch(Part.MEASURE, 0, measuring));
        }
        List<Integer> far = IntStream.range(0, sections)
                .filter(theme -> theme != near || sections == 1 || isFastToo(near))
                .boxed()
                .toList();
        int climbs = climbs(practice) / far.size();
        for (int climb = 0; climb < Math.max(1, climbs); climb++) {
            far.forEach(theme -> draft.add(sketch(Part.CORE, theme, practice * CORE_SHARE / far.size())));
        }
        double close = Math.max(
                LEAST_CLOSER_SECONDS,
                Planner.setSeconds(brief, near, music(near, "").orElseThrow()) + CLOSER_ROOM);
        draft.add(sketch(Part.CLOSER, near, Math.min(practice * CLOSER_SHARE, close)));
        return draft;
    }

    /** Where there is time, what is near its goal is not only played slowly. */
    private boolean isFastToo(int near) {
        return brief.minutes() >= MINUTES_FOR_BOTH
                && brief.themes().get(near).nearness() < 1
                && brief.minutes() * 60.0 <= affordable();
    }

    private static final int MINUTES_FOR_BOTH = 40;

    /** A climb is soon up: where there is time it is climbed again, with other things between. */
    private int climbs(double practice) {
        return brief.choices().school().purpose() == School.Purpose.CLIMB
                        && brief.choices().school() != School.TAPER
                ? (int) Math.min(MOST_CLIMBS, practice / SECONDS_A_CLIMB)
                : 1;
    }

    private static final int MOST_CLIMBS = 4;
    private static final double SECONDS_A_CLIMB = 780;

    /** The section that is nearest to its goal; the only one where there is no other. */
    private int near() {
        return IntStream.range(Math.min(1, sections - 1), sections)
                .boxed()
                .max(Comparator.comparingDouble(
                        theme -> brief.themes().get(theme).nearness()))
                .orElse(0);
    }

    private Sketch sketch(Part part, int theme, double seconds) {
        return new Sketch(part, theme, "", Math.max(1, seconds), brief.choices());
    }

    /**
     * The draft with variations in the time that it does not need, and with none of the time that there is not. What a
     * day allows goes to what is asked for first: variations take nothing from the probes, the cores and the close.
     */
    private List<Sketch> filled(List<Sketch> draft) {
        double wanted = brief.minutes() * 60.0;
        List<Sketch> best = draft;
        Taken taken = taken(best);
        for (int turn = 0; turn < MOST_TURNS && taken.seconds > wanted; turn++) {
            best = without(best, taken.seconds - wanted);
            taken = taken(best);
        }
        double missing = wanted - taken.seconds;
        for (int turn = 0; turn < MOST_TURNS && wanted - taken.seconds > wanted * NEARLY; turn++) {
            List<Sketch> more = with(best, missing);
            Taken longer = more.equals(best) ? taken : taken(more);
            if (longer.seconds > wanted || longer.asked < taken.asked * ALL_BUT_A_PASS) {
                // More playing may have asked for a break, or used up what a later block needs: less of it may not.
                for (int trim = 0; trim < MOST_TRIMS && longer.seconds > wanted; trim++) {
                    more = without(more, longer.seconds - wanted);
                    longer = taken(more);
                }
                if (longer.seconds <= wanted
                        && longer.seconds > taken.seconds
                        && longer.asked >= taken.asked * ALL_BUT_A_PASS) {
                    best = more;
                    taken = longer;
                }
                missing = Math.min(missing / 2, wanted - taken.seconds);
            } else if (longer.seconds > taken.seconds) {
                best = more;
                taken = longer;
                missing = wanted - taken.seconds;
            } else {
                break;
            }
        }
        best = played(best, taken.played);
        if (wanted - taken.seconds <= wanted * NEARLY) {
            return best;
        }
        List<Sketch> longer = stretched(best, wanted - taken.seconds);
        Taken reached = taken(longer);
        return reached.seconds > taken.seconds && reached.seconds <= wanted ? longer : best;
    }

    /** Without the variations, and the climbs beyond the first, for which a day has nothing left. */
    private static List<Sketch> played(List<Sketch> sketches, Set<Integer> played) {
        return IntStream.range(0, sketches.size())
                .filter(block -> sketches.get(block).own()
                        || sketches.get(block).part() != Part.PREPARE && !isAgain(sketches, block)
                        || played.contains(block))
                .mapToObj(sketches::get)
                .toList();
    }

    private static boolean isAgain(List<Sketch> sketches, int block) {
        Sketch sketch = sketches.get(block);
        return isComposedCore(sketch)
                && sketches.subList(0, block).stream()
                        .anyMatch(one -> isComposedCore(one) && one.theme() == sketch.theme());
    }

    /** So much of the playing that is asked for is as good as all of it: a pass more or less of the close. */
    private static final double ALL_BUT_A_PASS = 0.93;

    /**
     * What a workout comes to if all goes well.
     *
     * @param seconds its time, the warm-up not counted
     * @param asked seconds of playing that are not slow passes in variations
     * @param played the blocks in which anything is played
     */
    private record Taken(double seconds, double asked, Set<Integer> played) {}

    private Taken taken(List<Sketch> sketches) {
        List<Segment> ahead = Run.start(drawn(sketches)).ahead();
        return new Taken(
                lasting(ahead),
                ahead.stream()
                        .filter(segment -> sketches.get(segment.block()).own()
                                || segment.part() != Part.PREPARE && segment.part() != Part.OPENER)
                        .mapToDouble(Segment::playedSeconds)
                        .sum(),
                ahead.stream()
                        .filter(segment -> segment.step() instanceof Pass)
                        .map(Segment::block)
                        .collect(Collectors.toSet()));
    }

    /** With more time for the first core, and for the close: what is too little for a variation. */
    private static List<Sketch> stretched(List<Sketch> sketches, double missing) {
        List<Sketch> longer = new ArrayList<>(sketches);
        for (int i = 0; i < longer.size(); i++) {
            if (longer.get(i).part() == Part.CORE && !longer.get(i).own()) {
                longer.set(i, longer.get(i).lasting(longer.get(i).seconds() + Math.max(0, missing)));
                break;
            }
        }
        return longer;
    }

    /** The workout with what is to be said of it: own blocks that are not played, and minutes that are not what was asked for. */
    static Workout remarked(Workout workout) {
        if (workout.blocks().isEmpty()) {
            return workout;
        }
        List<Segment> ahead = Run.start(workout).ahead();
        Set<Integer> played = ahead.stream()
                .filter(segment -> segment.step() instanceof Pass)
                .map(Segment::block)
                .collect(Collectors.toSet());
        List<Block> blocks = new ArrayList<>(workout.blocks());
        List<Reason> unplayed = new ArrayList<>();
        for (int i = 0; i < blocks.size(); i++) {
            Block block = blocks.get(i);
            if (isToBePlayed(block.sketch()) && !played.contains(i)) {
                Reason because = because(workout, ahead, block);
                blocks.set(i, block.saying(Reason.of("block.unplayed", "because", because)));
                unplayed.add(Reason.of(
                        "plan.unplayed",
                        "method",
                        Reason.of("method." + block.method().school().name()),
                        "because",
                        because));
            }
        }
        Workout said = new Workout(workout.brief(), blocks, workout.remarks());
        for (Reason remark : unplayed) {
            said = said.withRemark(remark);
        }
        return remark(said, ahead).map(said::withRemark).orElse(said);
    }

    /** Why a block is not played. */
    private static Reason because(Workout workout, List<Segment> ahead, Block block) {
        Allowance left = workout.brief().allowance();
        double fast = ahead.stream().mapToDouble(Segment::burstSeconds).sum();
        if (block.method().goesAbove() && fast >= NEARLY_ALL * left.burstSeconds()) {
            return Reason.of("less.fast");
        }
        int passes = passesOf(block.theme(), workout, ahead);
        if (passes >= workout.brief().themes().get(block.theme()).left().passes()) {
            return Reason.of("less.passes", "passes", Guardrails.PASSES_OF_A_SECTION);
        }
        Effort effort = Effort.sum(ahead.stream().map(Segment::effort));
        if (effort.isMoreThan(left.effort().times(NEARLY_ALL))) {
            return Reason.of("less.effort");
        }
        double playing = ahead.stream().mapToDouble(Segment::playedSeconds).sum();
        return playing > NEARLY_ALL * left.playingSeconds() ? Reason.of("less.playing") : Reason.of("less.time");
    }

    /** Why a workout is far shorter or longer than was asked; empty where it is not. */
    private static Optional<Reason> remark(Workout workout, List<Segment> ahead) {
        Brief brief = workout.brief();
        double wanted = brief.minutes() * 60.0;
        double planned = lasting(ahead);
        if (planned >= FULL * wanted && planned <= MOST * wanted) {
            return Optional.empty();
        }
        boolean own = workout.blocks().stream().anyMatch(block -> block.sketch().own());
        if (brief.choices().school() == School.CEILING_TEST && !own) {
            return Optional.of(minutes("other.test", planned, brief));
        }
        boolean longer = planned > MOST * wanted;
        if (longer && own) {
            return Optional.of(minutes("more.own", planned, brief));
        }
        if (Planner.isEasy(brief)) {
            String why = longer ? "more.easy" : "less.easy";
            return brief.spared().saysNothing() ? Optional.of(minutes(why, planned, brief)) : Optional.empty();
        }
        if (longer) {
            return Optional.empty();
        }
        Allowance left = brief.allowance();
        double playing = ahead.stream().mapToDouble(Segment::playedSeconds).sum();
        Effort effort = Effort.sum(ahead.stream().map(Segment::effort));
        Reason because = effort.isMoreThan(left.effort().times(NEARLY_ALL))
                ? Reason.of("less.effort")
                : playing > NEARLY_ALL * left.playingSeconds()
                        ? Reason.of("less.playing")
                        : isWornOut(workout, ahead)
                                ? Reason.of("less.passes", "passes", Guardrails.PASSES_OF_A_SECTION)
                                : planned + Guardrails.BREAK_SECONDS + aSetAndItsRest(brief) > wanted
                                        ? tooLittleLeft(ahead, brief)
                                        : brief.themes().size() < Brief.MOST_THEMES
                                                ? Reason.of("less.repetitionAdd")
                                                : Reason.of("less.repetition");
        return Optional.of(Reason.of(
                "less.planned", "planned", Math.round(planned / 60), "wanted", brief.minutes(), "because", because));
    }

    /** What is left is too little: for a break and what comes after it where one is due, and else for another block. */
    private static Reason tooLittleLeft(List<Segment> ahead, Brief brief) {
        Tally end = ahead.get(ahead.size() - 1).after();
        return end.sinceBreak() + aSetAndItsRest(brief) > end.condition().unbroken()
                ? Reason.of("less.break", "minutes", Math.round(Guardrails.BREAK_SECONDS / 60))
                : Reason.of("less.block");
    }

    private static Reason minutes(String code, double planned, Brief brief) {
        return Reason.of(code, "planned", Math.round(planned / 60), "wanted", brief.minutes());
    }

    /** Whether any of its sections has next to nothing left of its passes of the day. */
    private static boolean isWornOut(Workout workout, List<Segment> ahead) {
        List<Theme> themes = workout.brief().themes();
        return IntStream.range(0, themes.size())
                .anyMatch(theme -> passesOf(theme, workout, ahead)
                        > NEARLY_ALL * themes.get(theme).left().passes());
    }

    private static int passesOf(int theme, Workout workout, List<Segment> ahead) {
        return ahead.stream()
                .filter(one -> one.step() instanceof Pass
                        && one.part() != Part.WARM_UP
                        && workout.blocks().get(one.block()).theme() == theme)
                .mapToInt(Segment::passes)
                .sum();
    }

    /** A limit of which so much is used leaves no room for another pass. */
    private static final double NEARLY_ALL = 0.8;

    /** So little of the minutes may be left over. */
    private static final double NEARLY = 0.04;

    /** What is ahead takes so long if all goes well, the warm-up not counted. */
    private static double lasting(List<Segment> ahead) {
        return ahead.stream()
                .filter(segment -> segment.part() != Part.WARM_UP)
                .mapToDouble(Segment::seconds)
                .sum();
    }

    /**
     * With some seconds more: of what is for speed bursts have their share, and slow passes in variations the rest, the
     * sections taking turns, far goals first.
     */
    private List<Sketch> with(List<Sketch> sketches, double missing) {
        boolean fast = brief.choices().school().goesAbove();
        List<Sketch> more = new ArrayList<>(fast ? longerCores(sketches, missing * SHARE_OF_BURSTS) : sketches);
        double left = missing - seconds(more) + seconds(sketches);
        boolean any = true;
        for (int turn = 0; any && left >= LEAST_VARIATION_SECONDS && more.size() < Brief.MOST_SKETCHES; turn++) {
            int theme = turn % sections;
            any = theme != 0
                    || IntStream.range(0, sections)
                            .anyMatch(other -> open(other, more).isPresent());
            Optional<String> open = open(theme, more);
            if (open.isPresent()) {
                double time = Math.min(left, variationSeconds(theme, open.get()));
                more.add(place(more, theme), new Sketch(Part.PREPARE, theme, open.get(), time, brief.choices()));
                left -= time;
            }
        }
        if (left > 0 && left < LEAST_VARIATION_SECONDS) {
            Sketch close = more.remove(more.size() - 1);
            more.add(close.lasting(close.seconds() + left));
        }
        return more;
    }

    /** Of more time bursts get so much, until their dose is spent, and no block of them lasts longer than this, in seconds. */
    private static final double SHARE_OF_BURSTS = 0.5;

    private static final double LONGEST_CORE = 900;

    private static List<Sketch> longerCores(List<Sketch> sketches, double more) {
        long cores = sketches.stream().filter(Composer::isComposedCore).count();
        return sketches.stream()
                .map(one -> isComposedCore(one)
                        ? one.lasting(Math.max(one.seconds(), Math.min(LONGEST_CORE, one.seconds() + more / cores)))
                        : one)
                .toList();
    }

    private static boolean isComposedCore(Sketch sketch) {
        return sketch.part() == Part.CORE && !sketch.own();
    }

    private static double seconds(List<Sketch> sketches) {
        return sketches.stream().mapToDouble(Sketch::seconds).sum();
    }

    /** Without some seconds: variations are given up first, the last where most lie in a row, then the opener is shorter. */
    private List<Sketch> without(List<Sketch> sketches, double surplus) {
        List<Sketch> fewer = new ArrayList<>(sketches);
        double left = surplus;
        for (OptionalInt least = leastMissed(fewer); left > 0 && least.isPresent(); least = leastMissed(fewer)) {
            Sketch one = fewer.get(least.getAsInt());
            double rest = one.seconds() - left;
            left -= Math.min(left, one.seconds());
            if (rest >= LEAST_VARIATION_SECONDS) {
                fewer.set(least.getAsInt(), one.lasting(rest));
            } else {
                fewer.remove(least.getAsInt());
            }
        }
        for (int i = fewer.size() - 1; i >= 0 && left > 0; i--) {
            Sketch one = fewer.get(i);
            if (!one.own() && one.part() == Part.OPENER) {
                double rest = one.seconds() - left;
                left -= Math.min(left, one.seconds());
                fewer.set(i, one.lasting(Math.max(LEAST_VARIATION_SECONDS, rest)));
            }
        }
        if (!fewer.equals(sketches)) {
            return fewer;
        }
        // The player's own blocks are wanted more than to be measured.
        boolean own = sketches.stream().anyMatch(Sketch::own);
        List<Sketch> unmeasured = sketches.stream()
                .filter(one -> !own || one.own() || one.part() != Part.MEASURE)
                .toList();
        return unmeasured.size() < sketches.size() ? unmeasured : shorterCores(sketches, surplus);
    }

    /** The composed variation with most others right before it, the last of several; empty where there is none. */
    private static OptionalInt leastMissed(List<Sketch> sketches) {
        return IntStream.range(0, sketches.size())
                .filter(i -> !sketches.get(i).own() && sketches.get(i).part() == Part.PREPARE)
                .reduce((one, other) -> before(sketches, other) >= before(sketches, one) ? other : one);
    }

    /** With less time for the cores, each of them as much less. */
    private static List<Sketch> shorterCores(List<Sketch> sketches, double surplus) {
        double cores = sketches.stream()
                .filter(one -> one.part() == Part.CORE && !one.own())
                .mapToDouble(Sketch::seconds)
                .sum();
        double share = Math.max(0.3, 1 - surplus / Math.max(1, cores));
        return sketches.stream()
                .map(one -> one.part() == Part.CORE && !one.own() ? one.lasting(one.seconds() * share) : one)
                .toList();
    }

    /** What a variation takes with the change to it: a set of passes. */
    private double variationSeconds(int theme, String variation) {
        return withItsRest(
                Planner.setSeconds(brief, theme, music(theme, variation).orElseThrow()), brief);
    }

    private static double withItsRest(double set, Brief brief) {
        return set + Math.max(Pacing.CHANGE_SECONDS, brief.choices().restsAsPlayed() ? set : 0);
    }

    /** A break is worth taking where so much can be played after it, in seconds. */
    private static double aSetAndItsRest(Brief brief) {
        double set = Planner.setSeconds(brief, 0, brief.themes().get(0).in(""));
        return Math.max(LEAST_AFTER_A_BREAK, withItsRest(set, brief));
    }

    private static final double LEAST_AFTER_A_BREAK = 150;

    /** Before what is fast on the same section, where least lies before it yet, and else before the close. */
    private static int place(List<Sketch> sketches, int theme) {
        int place = first(sketches, theme);
        int before = before(sketches, place);
        for (int i = place + 1; i < sketches.size(); i++) {
            boolean climbedAgain = sketches.get(i).part() == Part.CORE
                    && sketches.get(i).theme() == theme
                    && sketches.subList(place, i).stream()
                            .anyMatch(one -> one.part() == Part.CORE && one.theme() == theme);
            if (climbedAgain && before(sketches, i) < before) {
                place = i;
                before = before(sketches, i);
            }
        }
        return place;
    }

    /** How many variations lie right before a place. */
    private static int before(List<Sketch> sketches, int place) {
        int count = 0;
        while (place - count > 0 && sketches.get(place - count - 1).part() == Part.PREPARE) {
            count++;
        }
        return count;
    }

    private static int first(List<Sketch> sketches, int theme) {
        for (int i = 0; i < sketches.size(); i++) {
            Part part = sketches.get(i).part();
            if (sketches.get(i).theme() == theme && (part == Part.MEASURE || part == Part.CORE)) {
                return i;
            }
        }
        return sketches.size() - 1;
    }

    /** The next variation of a section that is not in the workout yet: one that the player wants, then others of all families. */
    private Optional<String> open(int theme, List<Sketch> sketches) {
        return variations.computeIfAbsent(theme, this::variations).stream()
                .filter(key -> sketches.stream()
                        .noneMatch(one ->
                                one.theme() == theme && one.variation().equals(key) && one.part() == Part.PREPARE))
                .filter(key -> music(theme, key).isPresent())
                .findFirst();
    }

    private List<String> variations(int theme) {
        Theme about = brief.themes().get(theme);
        List<String> keys = new ArrayList<>(about.variations());
        if (about.music().notes().size() <= Catalogue.MOST_NOTES) {
            // Days differ: what was played in the last days comes after all else, yesterday's last of all.
            List<Variation> candidates = Catalogue.candidates(about.music());
            Map<Boolean, List<Variation>> played = candidates.stream()
                    .collect(Collectors.partitioningBy(one -> about.lately().contains(one.key())));
            played.get(true)
                    .sort(Comparator.comparingInt(
                            (Variation one) -> -about.lately().indexOf(one.key())));
            Stream.of(false, true)
                    .flatMap(lately -> inTurn(played.get(lately)).stream())
                    .filter(key -> !keys.contains(key))
                    .forEach(keys::add);
        }
        if (keys.isEmpty()) {
            keys.add("");
        }
        return keys;
    }

    /** Some variations, one of each family in turn. */
    private static List<String> inTurn(List<Variation> some) {
        Map<Variation.Family, List<String>> families = new LinkedHashMap<>();
        some.forEach(variation -> families.computeIfAbsent(variation.family(), none -> new ArrayList<>())
                .add(variation.key()));
        List<String> keys = new ArrayList<>();
        for (int turn = 0; turn < MOST_OF_A_FAMILY; turn++) {
            for (List<String> family : families.values()) {
                if (turn < family.size()) {
                    keys.add(family.get(turn));
                }
            }
        }
        return keys;
    }

    /** A section in a variation, worked out once; empty where it would be none, or too long or too fast to be played slowly. */
    private Optional<Music> music(int theme, String key) {
        return musics.computeIfAbsent(theme + " " + key, none -> {
            Theme about = brief.themes().get(theme);
            try {
                Music music = about.in(key);
                boolean wanted = about.variations().contains(key) || key.isEmpty();
                return wanted || isWorthwhile(music, about.music()) ? Optional.of(music) : Optional.empty();
            } catch (IllegalArgumentException tooLong) {
                // Growing or looping a long passage leaves what a passage may hold: it is not offered.
                return Optional.empty();
            }
        });
    }

    private static boolean isWorthwhile(Music music, Passage written) {
        return !music.notes().notes().equals(written.notes())
                && music.matching() >= LEAST_MATCHING
                && music.matching() <= MOST_MATCHING
                && music.notes().length().doubleValue()
                        <= MOST_LONGER * written.length().doubleValue();
    }

    private static final double LEAST_MATCHING = 0.3;
    private static final double MOST_MATCHING = 1.6;
    private static final double MOST_LONGER = 3;
    private static final int MOST_OF_A_FAMILY = 12;
}
