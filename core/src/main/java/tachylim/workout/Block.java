package tachylim.workout;

import tachylim.method.Method;

/**
 * A stretch of a workout with one method and one reason. This class is immutable.
 *
 * @param part where in the workout it stands
 * @param method how its tempo moves
 * @param seconds the time it may take, rests included
 * @param burstBeats the beats of a burst, 1 or 2, where its method has bursts
 * @param why the reason, one sentence with its numbers
 */
public record Block(Part part, Method method, double seconds, int burstBeats, String why) {

    /** The same for another reason. */
    Block saying(String reason) {
        return new Block(part, method, seconds, burstBeats, reason);
    }
}
