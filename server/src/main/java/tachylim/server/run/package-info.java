/** Workouts being played: events in, steps out, and the record of both. */
package tachylim.server.run;
