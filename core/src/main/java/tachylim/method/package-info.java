/**
 * How tempo moves. A method is a pure state machine: from the verdict and the tension of each pass it
 * proposes the next pass, or finishes with a reason. Every method terminates, never proposes a tempo
 * above its limit, and goes slower once the player grips.
 */
package tachylim.method;
