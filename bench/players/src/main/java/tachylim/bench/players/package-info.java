/** Simulated players whose truth is known, practising by the application's own workouts. */
package tachylim.bench.players;
