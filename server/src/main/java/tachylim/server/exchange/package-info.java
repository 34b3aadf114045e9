/** Music in and out: files that are read, notes that are entered by hand, and files that are written. */
package tachylim.server.exchange;
