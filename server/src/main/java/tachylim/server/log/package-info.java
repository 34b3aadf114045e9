/** Looking back: workouts as they were kept, never decided again. */
package tachylim.server.log;
