/** The weeks until something is needed: planned anew whenever they are asked for, and given to calendars. */
package tachylim.server.season;
