/**
 * A workout: its blocks as planned, and the run through it step by step. Plan and run are one
 * mechanism: a plan is the run in which every pass is clean, so what is planned obeys the same recovery
 * rule and the same caps as what is played.
 */
package tachylim.workout;
