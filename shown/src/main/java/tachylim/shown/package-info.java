/**
 * What a page is shown of a workout and of a run, as plain figures over the core. The server tells it through its API, and the
 * page to itself, from the same classes.
 */
package tachylim.shown;
