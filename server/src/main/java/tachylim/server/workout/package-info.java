/** Workouts planned from what is known of a section and what is left of the day, and how one is drawn. */
package tachylim.server.workout;
