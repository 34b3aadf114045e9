/**
 * What a recorded pass tells: where each note began, how even the transitions were, and what may be said of it. Samples go in, with
 * what was asked; nothing in here knows of microphones or files.
 */
package tachylim.take;
