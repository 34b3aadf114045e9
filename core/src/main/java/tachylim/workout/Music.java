package tachylim.workout;

import java.util.Optional;
import tachylim.ceiling.Estimate;
import tachylim.passage.Passage;
import tachylim.passage.Section;
import tachylim.tempo.Tempo;
import tachylim.variation.Catalogue;
import tachylim.variation.Rendering;
import tachylim.words.Reason;
import tachylim.words.Refusal;

/**
 * What a block plays: a section as it is written, in a variation, in an articulation, or some notes of it. This class is immutable.
 *
 * @param variation which variation, by its key; empty when as written
 * @param title what a player calls it; empty when as written
 * @param notes the notes as they are played
 * @param matching the tempo at which its quick notes come as fast as those of the section at tempo 1
 * @param share the share of the section's transitions that are quick in it, above 0 to 1
 * @param own how fast it is, where that does not follow from the section as written: of an articulation
 */
public record Music(
        String variation, Reason title, Passage notes, double matching, double share, Optional<Estimate> own) {

    /** How the key of an articulation begins; its name follows. */
    public static final String ARTICULATION = "mode.";

    private static final String STRETCH = "notes.";

    /** A section as it is written. */
    public static Music asWritten(Passage music) {
        return new Music("", Reason.NONE, music, 1, 1, Optional.empty());
    }

    /** The key of some notes of a section, for {@link #of}. */
    public static String keyOf(Section stretch) {
        return STRETCH + stretch.firstNote() + "-" + stretch.lastNote();
    }

    /**
     * A section as it is written, in an articulation.
     *
     * @param name what a player calls it, not blank
     * @param own how fast the section is in it: a hand that tongues twice as often has another ceiling
     * @throws IllegalArgumentException if the name is blank
     */
    public static Music inArticulation(Passage music, String name, Estimate own) {
        if (name.isBlank()) {
            throw Refusal.of("refusal.music.anArticulationHasAName");
        }
        return new Music(ARTICULATION + name, Reason.text(name), music, 1, 1, Optional.of(own));
    }

    /** Whether a variation is an articulation. */
    public static boolean isArticulation(String variation) {
        return variation.startsWith(ARTICULATION);
    }

    /** The name of an articulation, by its key. */
    public static String articulationOf(String variation) {
        return variation.substring(ARTICULATION.length());
    }

    /** Whether a variation is some notes of a section. */
    public static boolean isStretch(String variation) {
        return variation.startsWith(STRETCH);
    }

    /**
     * The note of a section with which a way of playing begins, from 0: where it is some notes of it, the first of these.
     *
     * @param way as {@link Segment#way} tells it; empty as written
     */
    public static int firstNoteOf(String way) {
        return isStretch(way) ? Integer.parseInt(way.substring(STRETCH.length()).split("-")[0]) : 0;
    }

    /**
     * A section in a variation.
     *
     * @param key a key of {@link Catalogue}, one of {@link #keyOf}, or empty for as written
     * @throws IllegalArgumentException if there is no such variation, or none of this music
     */
    public static Music of(Passage music, String key) {
        if (key.isEmpty()) {
            return asWritten(music);
        }
        double transitions = Math.max(1, music.notes().size() - 1);
        if (key.startsWith(STRETCH)) {
            Section stretch = stretch(music, key);
            return new Music(
                    key,
                    Reason.of("music.notes", "from", stretch.firstNote() + 1, "to", stretch.lastNote() + 1),
                    music.excerpt(stretch),
                    1,
                    Math.max(1, stretch.size() - 1) / transitions,
                    Optional.empty());
        }
        var variation = Catalogue.parse(key);
        Rendering rendering = variation.of(music);
        return new Music(
                key,
                variation.title(),
                rendering.music(),
                rendering.matchingShare().doubleValue(),
                Math.max(1, rendering.trained().size()) / transitions,
                Optional.empty());
    }

    /**
     * What a player calls a way of playing.
     *
     * @param way as {@link Segment#way} tells it; empty as written
     * @return nothing as written
     */
    public static Reason nameOf(String way) {
        String key = way.endsWith("-") ? way.substring(0, way.length() - 1) : way;
        if (key.isEmpty()) {
            return Reason.NONE;
        }
        if (isArticulation(key)) {
            return Reason.text(articulationOf(key));
        }
        if (isStretch(key)) {
            String[] ends = key.substring(STRETCH.length()).split("-");
            return Reason.of("music.notes", "from", Integer.parseInt(ends[0]) + 1, "to", Integer.parseInt(ends[1]) + 1);
        }
        return Catalogue.parse(key).title();
    }

    private static Section stretch(Passage music, String key) {
        String[] ends = key.substring(STRETCH.length()).split("-");
        try {
            Section stretch = new Section(Integer.parseInt(ends[0]), Integer.parseInt(ends[1]));
            if (stretch.lastNote() < music.notes().size()) {
                return stretch;
            }
        } catch (NumberFormatException | ArrayIndexOutOfBoundsException none) {
            // Said below, with what there is.
        }
        throw Refusal.of(
                "refusal.music.thereAreNotes0ToInThis", "notes", music.notes().size() - 1, "key", key);
    }

    /** The tempo at which its quick notes come as fast as those of the section as written do at {@code written}. */
    public Tempo tempo(Tempo written) {
        return written.times(matching);
    }

    /** The tempo at which the quick notes of the section as written come as fast as its own do at {@code tempo}. */
    public Tempo asWritten(Tempo tempo) {
        return tempo.times(1 / matching);
    }

    /** How fast it is, where the section as written is as fast as {@code section} says. */
    public Estimate estimate(Estimate section) {
        return own.orElseGet(() -> section.times(matching));
    }

    /** Whether it is played in an articulation: that says nothing of the section as it is played otherwise. */
    public boolean isArticulated() {
        return own.isPresent();
    }

    public boolean isAsWritten() {
        return variation.isEmpty();
    }
}
