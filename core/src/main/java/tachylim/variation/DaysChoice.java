package tachylim.variation;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import tachylim.passage.Passage;
import tachylim.tempo.Tempo;
import tachylim.words.Refusal;

/**
 * The variations of a passage that a day is best spent on.
 *
 * <p>Only cells can be chosen: groupings, loops and growing touch every transition alike and cannot tell the weak ones apart.
 * What was played of today's choice stands; what was played yesterday costs a little more, so that days differ.
 */
public final class DaysChoice {

    /** The least and the most minutes a choice may be asked for. */
    public static final double LEAST_MINUTES = 0.5;

    public static final int MOST_MINUTES = 60;

    private DaysChoice() {}

    /**
     * Chooses within {@code minutes}.
     *
     * @param music the passage, up to {@link Catalogue#MOST_NOTES} notes
     * @param target the tempo it is wanted at
     * @param need how much each of its transitions needs to be trained
     * @param minutes what there is time for, above 0
     * @param yesterday the keys of the variations that were played yesterday
     * @param playedToday the keys of those that were played today
     * @throws IllegalArgumentException if nothing can be chosen, with the reason
     */
    public static Coverage.Chosen of(
            Passage music,
            Tempo target,
            double[] need,
            double minutes,
            Set<String> yesterday,
            Set<String> playedToday) {
        List<Coverage.Candidate> candidates = candidates(music, target, yesterday, playedToday);
        Coverage.Chosen choice = Coverage.fill(candidates, need, minutes);
        if (choice.choices().isEmpty()) {
            throw Refusal.of(candidates.isEmpty() ? "refusal.daysChoice.noRhythm" : "refusal.daysChoice.noTime");
        }
        return choice;
    }

    private static List<Coverage.Candidate> candidates(
            Passage music, Tempo target, Set<String> yesterday, Set<String> playedToday) {
        List<Coverage.Candidate> candidates = new ArrayList<>();
        for (Map.Entry<Variation, Rendering> entry : Catalogue.of(music).entrySet()) {
            String key = entry.getKey().key();
            Rendering rendering = entry.getValue();
            if (entry.getKey() instanceof CellVariation && !playedToday.contains(key)) {
                candidates.add(new Coverage.Candidate(
                        key,
                        rendering.trained(),
                        rendering.minutes(rendering.matching(target)),
                        yesterday.contains(key)));
            }
        }
        return candidates;
    }
}
