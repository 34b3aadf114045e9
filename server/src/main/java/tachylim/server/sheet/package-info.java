/**
 * Preparing a passage: its marks, transitions and variations, what is chosen for the day, how ready it is, and how
 * it sounds.
 */
package tachylim.server.sheet;
