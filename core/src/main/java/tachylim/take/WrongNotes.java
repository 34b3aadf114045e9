package tachylim.take;

import java.util.Arrays;
import java.util.List;
import java.util.stream.IntStream;

/**
 * Which notes sounded otherwise than asked: those that sound far less like it than the others of the take do, or less and more
 * like another pitch. Where most do it is another tune, and all of it is wrong.
 */
final class WrongNotes {

    private static final double UNLIKE = 0.6;

    /** What is more like another pitch is wrong already where it is less unlike. */
    private static final double UNLIKE_OTHERS = 0.75;

    /** A note sounds like another pitch where it is no more like its own than this share of that. */
    private static final double LIKE_ANOTHER = 0.6;

    /** A note is sounded as asked where its own pitch is at least so like as any other; of a tune that was played most notes are. */
    private static final double LIKE_ITS_OWN = 0.8;

    private static final double LEAST_OF_A_TUNE = 0.72;

    private WrongNotes() {}

    /**
     * The wrong notes of a take.
     *
     * @param asked the sounds as they are asked
     * @param heard the same as they were heard in this take
     */
    static List<Integer> in(Take take, Tones asked, Tones heard, List<Onset> onsets) {
        if (!take.isPitched() || onsets.isEmpty()) {
            return List.of();
        }
        int[] frames = new int[onsets.size()];
        double[] like = new double[frames.length];
        double[] own = new double[frames.length];
        for (int i = 0; i < frames.length; i++) {
            Onset onset = onsets.get(i);
            int sound = heard.soundOf(onset.note());
            int begin = (int) (onset.seconds() / heard.seconds());
            double lasts = take.notes().get(onset.note()).beats() * 60 / take.tempo();
            double next = i + 1 < frames.length ? onsets.get(i + 1).seconds() : Double.MAX_VALUE;
            int length = (int) (Math.min(next - onset.seconds(), lasts) / heard.seconds());
            int from = Math.max(0, begin + length / 4);
            int to = begin + 3 * length / 4 + 1;
            for (int frame = from; frame < Math.min(heard.frames(), to); frame++) {
                // In a rest after it nothing is heard of a note, and nothing wrong.
                if (heard.isSounding(frame)) {
                    like[i] += heard.likeness(sound, frame);
                    frames[i]++;
                }
            }
            like[i] = like[i] / Math.max(1, frames[i]);
            own[i] = asked.likeItsOwn(take.notes().get(onset.note()).pitches(), sound, from, to)
                    .orElse(1);
        }
        if (Arrays.stream(own).filter(one -> one > LIKE_ITS_OWN).count() < LEAST_OF_A_TUNE * own.length) {
            return IntStream.range(0, take.notes().size()).boxed().toList();
        }
        double usual = Quiet.quantile(
                IntStream.range(0, like.length)
                        .filter(i -> frames[i] > 0)
                        .mapToDouble(i -> like[i])
                        .toArray(),
                0.5);
        return IntStream.range(0, like.length)
                .filter(i -> frames[i] > 0)
                .filter(i -> like[i] < UNLIKE * usual || (own[i] < LIKE_ANOTHER && like[i] < UNLIKE_OTHERS * usual))
                .map(i -> onsets.get(i).note())
                .distinct()
                .boxed()
                .toList();
    }
}
