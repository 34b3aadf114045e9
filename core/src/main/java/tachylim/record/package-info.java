/**
 * How workouts are stored and handed to a page: documents with a version and names of their own. The past is read from
 * them as it was decided, asked and answered, so that every rule and every name in the code may change.
 */
package tachylim.record;
