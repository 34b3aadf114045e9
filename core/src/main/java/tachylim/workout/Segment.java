package tachylim.workout;

import tachylim.method.Answer;

/**
 * A step in its place in time, for drawing: played with its answer, or planned. This class is
 * immutable.
 *
 * @param step the pass or rest
 * @param part the part of the workout it belongs to
 * @param block the index of its block
 * @param start seconds from the start of the workout
 * @param seconds how long it lasts, for a pass with the time to answer
 * @param answer what was answered; null when planned, and for rests
 * @param before the tally at its start
 * @param after the tally at its end
 */
public record Segment(
        Step step, Part part, int block, double start, double seconds, Answer answer, Tally before, Tally after) {}
