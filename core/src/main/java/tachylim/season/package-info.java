/**
 * What is worked on, when: which sections a day is given to, and how minutes are spread over the weeks until something is
 * needed. All of it is decided anew each day from what was really done.
 */
package tachylim.season;
