package tachylim.passage;

/**
 * The notes of a passage being changed. This class is immutable.
 *
 * @param before the music before
 * @param after the music now
 * @param map which notes stayed, and where they are now
 */
public record MusicChange(Passage before, Passage after, NoteMap map) {

    /** Music with fewer of its notes from before than this is another music. */
    private static final double STILL_THE_SAME = 0.5;

    /** The change from {@code before} to {@code after}. */
    public static MusicChange of(Passage before, Passage after) {
        return new MusicChange(before, after, NoteMap.between(before, after));
    }

    private static Section whole(Passage music) {
        return new Section(0, music.notes().size() - 1);
    }

    /** The share of the notes there are now that were there before, or of those before that stayed, whichever is less. */
    public double stayed() {
        double of = map.share(whole(before), whole(after));
        return of * Math.min(1, (double) after.notes().size() / before.notes().size());
    }

    /** Whether so much is new that what was learned before says nothing of it. */
    public boolean isAnother() {
        return isAnother(stayed());
    }

    /** Whether a stretch of which {@code share} was there before is another one. */
    public static boolean isAnother(double share) {
        return share < STILL_THE_SAME;
    }

    /** Whether a tempo counts the same note value as before. */
    public boolean isSameBeat() {
        return before.beatUnit().equals(after.beatUnit());
    }

    /** The tempo now over the tempo before at the same notes a second. */
    public double tempoRatio() {
        return map.tempoRatio(whole(before));
    }
}
