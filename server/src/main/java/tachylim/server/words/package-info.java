/** Says in words what the core gives as data, for what leaves without a page: problem details, calendars, files. */
package tachylim.server.words;
