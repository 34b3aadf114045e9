/**
 * What one step asks of the player, and what is answered. A {@link tachylim.task.Task} says which notes are played, how time
 * is told while they are, and what is asked afterwards; the laws of a run see it only through its cost.
 */
package tachylim.task;
