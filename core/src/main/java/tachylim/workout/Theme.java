package tachylim.workout;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;
import tachylim.ceiling.Articulations;
import tachylim.ceiling.Estimate;
import tachylim.ceiling.Known;
import tachylim.passage.Passage;
import tachylim.tempo.Tempo;

/**
 * A section that a workout is about, with all that is known of it. This class is immutable.
 *
 * @param id whose it is, by the caller's count
 * @param music its notes as written
 * @param target the tempo it is wanted at
 * @param known how fast it is, as far as that is known
 * @param lastTempo where the last climb ended; empty when there was none
 * @param reachedRate the most notes a second that were ever clean in this music; 0 when none
 * @param gripped the slowest tempo at which a hand gripped on it today; empty when none did
 * @param weak the transitions that break most, from 0, the weakest first
 * @param variations the variations chosen for today, by their keys, in the order they are wanted
 * @param lately the variations played on it in the last days, by their keys, the latest first: others come before them
 * @param articulations how fast it is in articulations, by their names; those it was not played in are missing
 * @param edge where tension reached its edge when that was marked last; empty when it never was
 * @param slowestChange how fast the slowest change of it keeps up, by what was counted; empty where none was
 * @param left what today still has of it
 */
public record Theme(
        long id,
        Passage music,
        Tempo target,
        Known known,
        Optional<Tempo> lastTempo,
        double reachedRate,
        Optional<Tempo> gripped,
        List<Integer> weak,
        List<String> variations,
        List<String> lately,
        Map<String, Estimate> articulations,
        Optional<Tempo> edge,
        Optional<Tempo> slowestChange,
        SectionLeft left) {

    public Theme {
        weak = List.copyOf(weak);
        variations = List.copyOf(variations);
        lately = List.copyOf(lately);
        articulations = Map.copyOf(articulations);
    }

    /** Music of which nothing is known but how fast it is. */
    public static Theme of(Passage music, Tempo target, Known known) {
        return new Theme(
                0,
                music,
                target,
                known,
                Optional.empty(),
                0,
                Optional.empty(),
                List.of(),
                List.of(),
                List.of(),
                Map.of(),
                Optional.empty(),
                Optional.empty(),
                SectionLeft.ALL);
    }

    public Estimate estimate() {
        return known.estimate();
    }

    /** The same with what is known now. */
    public Theme knowing(Known now) {
        return changed(copy -> copy.known = now);
    }

    /** The same, with where the last climb ended. */
    public Theme climbedTo(Optional<Tempo> tempo) {
        return changed(copy -> copy.lastTempo = tempo);
    }

    /** The same, having reached so many notes a second. */
    public Theme reaching(double rate) {
        return changed(copy -> copy.reachedRate = rate);
    }

    /** The same, having gripped at a tempo today. */
    public Theme gripping(Optional<Tempo> tempo) {
        return changed(copy -> copy.gripped = tempo);
    }

    /** The same, with the transitions that break most. */
    public Theme breakingAt(List<Integer> transitions) {
        return changed(copy -> copy.weak = transitions);
    }

    /** The same, wanted in some variations today. */
    public Theme in(List<String> keys) {
        return changed(copy -> copy.variations = keys);
    }

    /** The same, played in some variations in the last days, the latest first. */
    public Theme lately(List<String> keys) {
        return changed(copy -> copy.lately = keys);
    }

    /** The same, with how fast it is in some articulations. */
    public Theme besides(Map<String, Estimate> articulated) {
        return changed(copy -> copy.articulations = articulated);
    }

    /** The same, with where tension reached its edge last. */
    public Theme edgingAt(Optional<Tempo> marked) {
        return changed(copy -> copy.edge = marked);
    }

    /** The same, with how fast its slowest change keeps up. */
    public Theme changingAt(Optional<Tempo> counted) {
        return changed(copy -> copy.slowestChange = counted);
    }

    /** The same, with so much of today left. */
    public Theme having(SectionLeft ofToday) {
        return changed(copy -> copy.left = ofToday);
    }

    private Theme changed(Consumer<Copy> change) {
        Copy copy = new Copy();
        change.accept(copy);
        return copy.theme();
    }

    /** This theme while one thing about it is changed. */
    private final class Copy {

        private Known known = Theme.this.known;
        private Optional<Tempo> lastTempo = Theme.this.lastTempo;
        private double reachedRate = Theme.this.reachedRate;
        private Optional<Tempo> gripped = Theme.this.gripped;
        private List<Integer> weak = Theme.this.weak;
        private List<String> variations = Theme.this.variations;
        private List<String> lately = Theme.this.lately;
        private Map<String, Estimate> articulations = Theme.this.articulations;
        private Optional<Tempo> edge = Theme.this.edge;
        private Optional<Tempo> slowestChange = Theme.this.slowestChange;
        private SectionLeft left = Theme.this.left;

        private Theme theme() {
            return new Theme(
                    id,
                    music,
                    target,
                    known,
                    lastTempo,
                    reachedRate,
                    gripped,
                    weak,
                    variations,
                    lately,
                    articulations,
                    edge,
                    slowestChange,
                    left);
        }
    }

    /**
     * It in a variation or an articulation.
     *
     * @throws IllegalArgumentException if there is no such variation, or none of this music
     */
    public Music in(String variation) {
        if (!Music.isArticulation(variation)) {
            return Music.of(music, variation);
        }
        String name = Music.articulationOf(variation);
        return Music.inArticulation(music, name, articulations.getOrDefault(name, Articulations.unplayed(estimate())));
    }

    /** A target so near to the ceiling, in halves of its interval, may be reached unseen. */
    private static final double NEAR = 1.5;

    /** Whether it is not known if it is at its target, or where it is at all. */
    boolean isUndecided() {
        double off = Math.abs(Math.log(target.ratioTo(estimate().ceiling().middle())));
        return !estimate().enoughEvidence() || off < NEAR * estimate().ceiling().giveOrTake();
    }

    /** How much of the way to its target it has, 1 when it is there. */
    double nearness() {
        return Math.min(1, estimate().ceiling().middle().ratioTo(target));
    }
}
