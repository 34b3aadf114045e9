package tachylim.ceiling;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import tachylim.task.Verdict;
import tachylim.tempo.Tempo;

/**
 * How fast a section is in an articulation: double tongue, three to a bow, from the wrist. An articulation uses the
 * hand otherwise, so its passes say nothing of the section as it is usually played, nor do those of it; only where to begin
 * looking is taken from it. What is known of an articulation is folded from its last passes, slow ones alike counting less and
 * less, as in any run.
 */
public final class Articulations {

    /** How many of its last passes speak of an articulation. */
    public static final int MOST = 24;

    /** How far from the section's an articulation's ceiling may lie, as one standard deviation of ln tempo. */
    private static final double SD = 0.16;

    private Articulations() {}

    /**
     * One judged pass of the whole section in an articulation.
     *
     * @param tempo the tempo of the section
     * @param verdict how it went
     * @param recovery the recovery at its start, 0 to 1
     */
    public record Tried(Tempo tempo, Verdict verdict, double recovery) {}

    /** An articulation that was never played: about as fast as the section is, and hardly known. */
    public static Estimate unplayed(Estimate section) {
        return Posterior.guessed(section.ceiling().middle(), SD);
    }

    /**
     * An articulation by its passes.
     *
     * @param section how fast the section is as it is usually played
     * @param tried its passes, the oldest first; of more than {@value #MOST} only the last count
     */
    public static Estimate of(Estimate section, List<Tried> tried) {
        if (tried.isEmpty()) {
            return unplayed(section);
        }
        Posterior belief = Posterior.prior(section.ceiling().middle(), SD);
        Map<Tempo, Integer> alike = new HashMap<>();
        for (Tried one : tried.subList(Math.max(0, tried.size() - MOST), tried.size())) {
            boolean slow = one.tempo.compareTo(section.comfortable().middle()) < 0;
            Evidence said = Evidence.of(one.tempo, one.verdict, one.recovery, 0, 1);
            int before = alike.getOrDefault(one.tempo, 0);
            alike.put(one.tempo, before + 1);
            belief = belief.after(slow ? said.again(before) : said);
        }
        return belief.estimate();
    }
}
