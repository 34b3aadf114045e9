package tachylim.take;

import java.util.List;
import java.util.stream.IntStream;

/** Which notes sounded otherwise than asked: those that sound far less like it than the others of the take do. */
final class WrongNotes {

    private static final double UNLIKE = 0.6;

    private WrongNotes() {}

    static List<Integer> in(Take take, Tones tones, List<Onset> onsets) {
        if (!take.isPitched()) {
            return List.of();
        }
        int[] heard = new int[onsets.size()];
        double[] like = new double[onsets.size()];
        for (int i = 0; i < like.length; i++) {
            Onset onset = onsets.get(i);
            int from = (int) (onset.seconds() / tones.seconds());
            double asked = take.notes().get(onset.note()).beats() * 60 / take.tempo();
            double next = i + 1 < like.length ? onsets.get(i + 1).seconds() : Double.MAX_VALUE;
            int frames = (int) (Math.min(next - onset.seconds(), asked) / tones.seconds());
            for (int frame = from + frames / 4; frame < Math.min(tones.frames(), from + 3 * frames / 4 + 1); frame++) {
                // In a rest after it nothing is heard of a note, and nothing wrong.
                if (tones.isSounding(frame)) {
                    like[i] += tones.likeness(tones.soundOf(onset.note()), frame);
                    heard[i]++;
                }
            }
            like[i] = like[i] / Math.max(1, heard[i]);
        }
        double usual = Quiet.quantile(
                IntStream.range(0, like.length)
                        .filter(i -> heard[i] > 0)
                        .mapToDouble(i -> like[i])
                        .toArray(),
                0.5);
        return IntStream.range(0, like.length)
                .filter(i -> heard[i] > 0 && like[i] < UNLIKE * usual)
                .map(i -> onsets.get(i).note())
                .distinct()
                .boxed()
                .toList();
    }
}
