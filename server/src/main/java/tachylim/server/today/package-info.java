/** What to play now, and whether. */
package tachylim.server.today;
